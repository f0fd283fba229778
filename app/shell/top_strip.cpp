#include "app/shell/top_strip.h"

#include <QHBoxLayout>

#include "app/paint/figures.h"
#include "app/paint/look.h"
#include "app/shell/field.h"

namespace pp {

TopStrip::TopStrip(Document& document, QWidget* parent)
    : QWidget(parent), document_(document), later_([this] { follow(); }, nullptr) {
  setObjectName(QStringLiteral("topStrip"));
  setAttribute(Qt::WA_StyledBackground);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(14, 6, 14, 6);
  row->setSpacing(6);
  name_ = new Label;
  name_->setFont(look::text(17, true));
  name_->setAccessibleName(tr("Job"));
  // A long name gives way to the figures beside it.
  name_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  row->addWidget(name_, 1);
  undo_ = new QPushButton;
  redo_ = new QPushButton;
  for (QPushButton* button : {undo_, redo_}) {
    button->setFlat(true);
    row->addWidget(button);
  }
  connect(undo_, &QPushButton::clicked, &document_, &Document::undo);
  connect(redo_, &QPushButton::clicked, &document_, &Document::redo);
  row->addSpacing(12);
  inches_ = new QPushButton(tr("in"));
  inches_->setAccessibleName(tr("Show inches"));
  millimetres_ = new QPushButton(tr("mm"));
  millimetres_->setAccessibleName(tr("Show millimetres"));
  for (QPushButton* button : {inches_, millimetres_}) {
    button->setCheckable(true);
    button->setObjectName(QStringLiteral("unit"));
    row->addWidget(button);
  }
  connect(inches_, &QPushButton::clicked, this, [this] { setUnit(Unit::Inch); });
  connect(millimetres_, &QPushButton::clicked, this, [this] { setUnit(Unit::Millimetre); });
  row->addSpacing(12);
  sheets_ = addFigure(tr("Sheets"));
  cost_ = addFigure(tr("Cost"));
  settings_ = addFigure(tr("Saw settings"));
  connect(&document_, &Document::changed, &later_, &Later::ask);
  connect(&document_, &Document::stateChanged, &later_, &Later::ask);
  connect(&document_, &Document::planChanged, &later_, &Later::ask);
  follow();
}

QLabel* TopStrip::addFigure(const QString& name) {
  auto* box = new QVBoxLayout;
  box->setSpacing(0);
  auto* figure = new Label;
  figure->setFont(look::text(17, true));
  figure->setAccessibleName(name);
  figure->setMinimumWidth(66);
  auto* words = new Label(name);
  words->setFont(look::text(11));
  box->addWidget(figure);
  box->addWidget(words);
  static_cast<QHBoxLayout*>(layout())->addLayout(box);
  return figure;
}

void TopStrip::follow() {
  const QString state = document_.file().isToRead() ? tr("  (to read)")
                        : document_.isModified()    ? tr("  (not saved)")
                                                    : QString();
  name_->setText(document_.title() + state);
  name_->setToolTip(plainTip(document_.title()));
  undo_->setEnabled(document_.canUndo());
  undo_->setText(document_.canUndo() ? tr("Undo: %1").arg(unmarked(document_.undoText()))
                                     : tr("Undo"));
  undo_->setAccessibleName(tr("Undo"));
  redo_->setEnabled(document_.canRedo());
  redo_->setText(document_.canRedo() ? tr("Redo: %1").arg(unmarked(document_.redoText()))
                                     : tr("Redo"));
  redo_->setAccessibleName(tr("Redo"));
  inches_->setChecked(document_.job().unit == Unit::Inch);
  millimetres_->setChecked(document_.job().unit == Unit::Millimetre);
  followPlan();
}

void TopStrip::followPlan() {
  const PlanShown& shown = document_.plan();
  const bool known = shown.plan != nullptr && document_.isPlanCurrent();
  sheets_->setText(known ? QString::number(shown.plan->sheets.size()) : QStringLiteral("…"));
  cost_->setText(known ? qs(format(shown.plan->cost)) : QStringLiteral("…"));
  settings_->setText(known ? QString::number(shown.plan->setups) : QStringLiteral("…"));
}

void TopStrip::setUnit(Unit unit) {
  Job next = document_.job();
  next.unit = unit;
  document_.edit(unit == Unit::Inch ? tr("show inches") : tr("show millimetres"), std::move(next));
  follow();
}

}  // namespace pp
