#include "app/stages/bench/ask_dialog.h"

#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/large.h"

namespace pp {

AskDialog::AskDialog(const QString& title, const QString& question, const QString& name,
                     const QString& before, std::function<QString(const QString&)> take,
                     QWidget* parent)
    : QDialog(parent) {
  setWindowTitle(title);
  constexpr int kWide = 460;
  setMinimumWidth(kWide);
  auto* column = new QVBoxLayout(this);
  auto* words = new Label(question);
  words->setAccessibleName(tr("What is asked"));
  words->setWordWrap(true);
  column->addWidget(words);
  auto* field = new QLineEdit(before);
  field->setAccessibleName(name);
  column->addWidget(field);
  QPushButton* keep = largeButton(tr("Keep"), tr("Keep it"));
  keep->setFocusPolicy(Qt::StrongFocus);
  keep->setDefault(true);
  column->addWidget(keep);
  connect(keep, &QPushButton::clicked, this, [this, field, words, take = std::move(take)] {
    const QString wrong = take(field->text().trimmed());
    if (wrong.isEmpty()) return accept();
    words->setText(wrong);
    field->setFocus();
  });
  field->setFocus();
}

}  // namespace pp
