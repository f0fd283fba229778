#include "app/fields/field.h"

#include "words/problem_words.h"

#include "app/session/session.h"

namespace pp {

QString unmarked(QString text) {
  return text.replace(QLatin1Char('&'), QStringLiteral("&&"));
}

QString plainTip(const QString& text) {
  return Qt::mightBeRichText(text) ? text.toHtmlEscaped() : text;
}

ProblemLine::ProblemLine(QWidget* parent) : QLabel(parent) {
  setTextFormat(Qt::PlainText);
  setObjectName(QStringLiteral("problem"));
  setAccessibleName(tr("What is wrong"));
  setWordWrap(true);
  setVisible(false);
}

void ProblemLine::show(const Problems& problems) {
  if (problems.empty()) return clear();
  setText(sentence(problems.front()));
  setVisible(true);
}

void ProblemLine::clear() {
  QLabel::clear();
  setVisible(false);
}

}  // namespace pp
