#include "app/stages/bench/trial_dialog.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/large.h"
#include "core/length/parse.h"

namespace pp {

TrialDialog::TrialDialog(const LengthStyle& style, const QString& what, QWidget* parent)
    : QDialog(parent), style_(style) {
  setWindowTitle(tr("Test cut"));
  constexpr int kWide = 420;
  setMinimumWidth(kWide);
  auto* column = new QVBoxLayout(this);
  words_ = new Label(what);
  words_->setAccessibleName(tr("What is tried"));
  words_->setWordWrap(true);
  column->addWidget(words_);
  auto* row = new QHBoxLayout;
  row->addWidget(new Label(tr("off by")));
  by_ = new SumField(style);
  by_->setAccessibleName(tr("Off by"));
  by_->setPlaceholderText(tr("as a feeler gauge says"));
  row->addWidget(by_, 1);
  column->addLayout(row);
  auto* buttons = new QHBoxLayout;
  const auto button = [&](const QString& says, const QString& name, int sign) {
    QPushButton* out = largeButton(says, name);
    out->setFocusPolicy(Qt::StrongFocus);
    connect(out, &QPushButton::clicked, this, [this, sign] { take(sign); });
    buttons->addWidget(out);
    return out;
  };
  button(tr("Tight"), tr("It is tight"), -1);
  button(tr("Right"), tr("It is right"), 0)->setDefault(true);
  button(tr("Loose"), tr("It is loose"), 1);
  column->addLayout(buttons);
}

void TrialDialog::take(int sign) {
  off_ = {};
  if (sign != 0) {
    const auto by = parseExpression(by_->text().trimmed().toStdString(), style_.unit);
    if (!by || by.value() <= Length{}) {
      words_->setText(tr("By how much? A length above 0 is wanted."));
      by_->setFocus();
      return;
    }
    off_ = sign * by.value();
  }
  accept();
}

}  // namespace pp
