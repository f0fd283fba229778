#include "app/shell/top_strip.h"

#include <QEvent>
#include <QHBoxLayout>

#include "app/fields/field.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr int kFractions[] = {2, 4, 8, 16, 32, 64};

}  // namespace

TopStrip::TopStrip(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), later_([this] { follow(); }, nullptr) {
  setObjectName(QStringLiteral("topStrip"));
  setAttribute(Qt::WA_StyledBackground);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(14, 6, 14, 6);
  row->setSpacing(6);
  name_ = new Label;
  name_->setFont(look::text(17, true));
  name_->setAccessibleName(tr("Job"));
  name_->setCursor(Qt::PointingHandCursor);
  name_->installEventFilter(this);
  // A long name gives way to the figures beside it.
  name_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  row->addWidget(name_, 1);
  undo_ = new QPushButton;
  redo_ = new QPushButton;
  for (QPushButton* button : {undo_, redo_}) {
    button->setFlat(true);
    row->addWidget(button);
  }
  connect(undo_, &QPushButton::clicked, &session_, &Session::undo);
  connect(redo_, &QPushButton::clicked, &session_, &Session::redo);
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
  // Inches are read to a fraction; millimetres have none to choose.
  fraction_ = new QComboBox;
  fraction_->setAccessibleName(tr("Finest fraction"));
  fraction_->setFont(look::text(look::kBody));
  for (const int fraction : kFractions)
    fraction_->addItem(QStringLiteral("1/%1").arg(fraction), fraction);
  row->addWidget(fraction_);
  connect(fraction_, &QComboBox::activated, this,
          [this](int index) { setFraction(fraction_->itemData(index).toInt()); });
  row->addSpacing(12);
  sheets_ = addFigure(tr("Sheets"));
  cost_ = addFigure(tr("Cost"));
  settings_ = addFigure(tr("Saw settings"));
  connect(&session_, &Session::changed, &later_, &Later::ask);
  connect(&session_, &Session::stateChanged, &later_, &Later::ask);
  connect(&session_.plans(), &PlanDesk::changed, &later_, &Later::ask);
  follow();
}

bool TopStrip::eventFilter(QObject* watched, QEvent* event) {
  if (watched == name_ && event->type() == QEvent::MouseButtonRelease) emit nameWanted();
  return QWidget::eventFilter(watched, event);
}

QLabel* TopStrip::addFigure(const QString& name) {
  auto* box = new QVBoxLayout;
  box->setSpacing(0);
  auto* figure = new Label;
  figure->setFont(look::text(17, true));
  figure->setAccessibleName(name);
  figure->setMinimumWidth(66);
  auto* words = new Label(name);
  words->setFont(look::text(look::kLeast));
  box->addWidget(figure);
  box->addWidget(words);
  static_cast<QHBoxLayout*>(layout())->addLayout(box);
  return figure;
}

void TopStrip::follow() {
  const QString state = session_.file().isToRead() ? tr("  (to read)")
                        : session_.isModified()    ? tr("  (not saved)")
                                                   : QString();
  name_->setText(session_.title() + state);
  const QString place = qs(session_.job().place);
  name_->setToolTip(plainTip(session_.title() + (place.isEmpty() ? QString() : tr(", ") + place) +
                             tr("\nClick, or F4, to change it")));
  undo_->setEnabled(session_.canUndo());
  undo_->setText(session_.canUndo() ? tr("Undo: %1").arg(unmarked(session_.undoText()))
                                    : tr("Undo"));
  undo_->setAccessibleName(tr("Undo"));
  redo_->setEnabled(session_.canRedo());
  redo_->setText(session_.canRedo() ? tr("Redo: %1").arg(unmarked(session_.redoText()))
                                    : tr("Redo"));
  redo_->setAccessibleName(tr("Redo"));
  inches_->setChecked(session_.job().unit == Unit::Inch);
  millimetres_->setChecked(session_.job().unit == Unit::Millimetre);
  fraction_->setVisible(session_.job().unit == Unit::Inch);
  fraction_->setCurrentIndex(fraction_->findData(session_.job().fraction));
  followPlan();
}

// What is shared out to the fraction goes with it.
void TopStrip::setFraction(int fraction) {
  Job next = session_.draft();
  if (next.shareStep == Length::in(0, 1, next.fraction))
    next.shareStep = Length::in(0, 1, fraction);
  next.fraction = fraction;
  session_.edit(tr("to 1/%1").arg(fraction), std::move(next));
  follow();
}

void TopStrip::followPlan() {
  const PlanShown& shown = session_.plans().shown();
  const bool known = shown.plan != nullptr && session_.plans().isCurrent();
  sheets_->setText(known ? QString::number(shown.plan->sheets.size()) : QStringLiteral("…"));
  cost_->setText(known ? qs(format(shown.plan->cost)) : QStringLiteral("…"));
  settings_->setText(known ? QString::number(shown.plan->setups) : QStringLiteral("…"));
}

void TopStrip::setUnit(Unit unit) {
  Job next = session_.draft();
  next.unit = unit;
  session_.edit(unit == Unit::Inch ? tr("show inches") : tr("show millimetres"), std::move(next));
  follow();
}

}  // namespace pp
