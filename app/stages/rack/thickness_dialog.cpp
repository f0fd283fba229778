#include "app/stages/rack/thickness_dialog.h"

#include <QDialogButtonBox>
#include <QKeyEvent>
#include <QShortcut>
#include <QVBoxLayout>
#include <algorithm>

#include "core/length/parse.h"
#include "core/shop/lot_thickness.h"
#include "words/figures.h"

namespace pp {

ThicknessDialog::ThicknessDialog(Session& session, const QString& what, QWidget* parent)
    : QDialog(parent), session_(session) {
  setWindowTitle(tr("Measure the thickness"));
  constexpr int kWide = 440;
  setMinimumWidth(kWide);
  auto* column = new QVBoxLayout(this);
  const bool plugged = session.gauge().isPlugged();
  auto* head = new Label(
      plugged ? tr("%1: read several sheets in several places. F9 reads the gauge.").arg(what)
              : tr("%1: read several sheets in several places, and type each.").arg(what));
  head->setWordWrap(true);
  column->addWidget(head);
  typed_ = new QLineEdit;
  typed_->setAccessibleName(tr("Reading"));
  column->addWidget(typed_);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Readings"));
  column->addWidget(list_);
  words_ = new Label;
  words_->setAccessibleName(tr("What the readings say"));
  words_->setWordWrap(true);
  column->addWidget(words_);
  auto* buttons = new QDialogButtonBox;
  auto* less = new QPushButton(tr("Remove"));
  less->setAccessibleName(tr("Remove the reading"));
  // Enter in the field adds a reading.
  less->setAutoDefault(false);
  buttons->addButton(less, QDialogButtonBox::ResetRole);
  take_ = new QPushButton(tr("Take it"));
  take_->setAutoDefault(false);
  buttons->addButton(take_, QDialogButtonBox::AcceptRole);
  buttons->addButton(tr("Cancel"), QDialogButtonBox::RejectRole)->setAutoDefault(false);
  column->addWidget(buttons);
  connect(typed_, &QLineEdit::returnPressed, this, &ThicknessDialog::addTyped);
  connect(less, &QPushButton::clicked, this, &ThicknessDialog::removeChosen);
  connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  GaugeDesk& gauge = session.gauge();
  connect(new QShortcut(Qt::Key_F9, this), &QShortcut::activated, &gauge, &GaugeDesk::ask);
  connect(&gauge, &GaugeDesk::read, this, &ThicknessDialog::add);
  connect(&gauge, &GaugeDesk::silent, this,
          [this] { words_->setText(tr("The gauge sends nothing.")); });
  say();
}

Length ThicknessDialog::thickness() const {
  return thicknessOf(readings_)->mean;
}

void ThicknessDialog::keyPressEvent(QKeyEvent* event) {
  const bool enter = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
  if (enter && typed_->hasFocus()) return event->accept();
  QDialog::keyPressEvent(event);
}

void ThicknessDialog::addTyped() {
  const auto reading = parseExpression(typed_->text().toStdString(), session_.job().unit);
  if (!reading || reading.value() <= Length{})
    return words_->setText(tr("A thickness above 0 is wanted."));
  typed_->clear();
  add(reading.value());
}

void ThicknessDialog::add(Length reading) {
  readings_.push_back(reading);
  say();
}

void ThicknessDialog::removeChosen() {
  const int row = list_->currentRow();
  if (row < 0) return;
  readings_.erase(readings_.begin() + row);
  say();
}

void ThicknessDialog::say() {
  // As fine as a caliper shows it.
  LengthStyle style = session_.style();
  style.decimals = 2;
  style.denominator = 64;
  const auto lot = thicknessOf(readings_);
  list_->clear();
  for (std::size_t i = 0; i < readings_.size(); ++i) {
    const bool out =
        std::find(lot->outliers.begin(), lot->outliers.end(), i) != lot->outliers.end();
    const QString text = figureWithUnit(readings_[i], style);
    list_->addItem(out ? tr("%1  does not count: a burr, or another lot?").arg(text) : text);
  }
  take_->setEnabled(lot.has_value());
  words_->setText(
      lot ? tr("%1 on the average of %2, spread over %3.")
                .arg(figureWithUnit(lot->mean, style),
                     counted(static_cast<std::int64_t>(readings_.size() - lot->outliers.size()),
                             tr("reading"), tr("readings")),
                     figureWithUnit(lot->spread, style))
          : tr("Nothing read yet."));
}

}  // namespace pp
