#include "app/stages/layout/layout_stage.h"

#include <QHBoxLayout>
#include <QScrollArea>
#include <QSignalBlocker>

#include "app/paint/figures.h"
#include "app/paint/look.h"

namespace pp {
namespace {

constexpr double kLongSearch = 20;  // seconds, when asked for

}  // namespace

LayoutStage::LayoutStage(Document& document, QWidget* parent) : Stage(document, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  auto* row = new QHBoxLayout;
  goal_ = new QComboBox;
  goal_->addItems({tr("Least cost"), tr("Best leftovers"), tr("Fewest settings")});
  goal_->setAccessibleName(tr("Goal"));
  goal_->setFont(look::text(14));
  row->addWidget(goal_);
  search_ = new QPushButton;
  search_->setMinimumWidth(130);
  row->addWidget(search_);
  progress_ = new QProgressBar;
  progress_->setAccessibleName(tr("Search"));
  progress_->setTextVisible(false);
  progress_->setFixedWidth(120);
  progress_->setFixedHeight(8);
  row->addWidget(progress_);
  result_ = new QLabel;
  result_->setFont(look::text(15, true));
  result_->setAccessibleName(tr("Plan"));
  row->addWidget(result_, 1);
  column->addLayout(row);
  bound_ = new QLabel;
  bound_->setFont(look::text(13));
  bound_->setAccessibleName(tr("Proven minimum"));
  column->addWidget(bound_);
  unplaced_ = new QLabel;
  unplaced_->setObjectName(QStringLiteral("problem"));
  unplaced_->setWordWrap(true);
  unplaced_->setAccessibleName(tr("Not placed"));
  column->addWidget(unplaced_);
  sheets_ = new SheetsView;
  auto* scroll = new QScrollArea;
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setWidgetResizable(true);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
  scroll->setWidget(sheets_);
  scroll->setAccessibleName(tr("Sheets laid out"));
  column->addWidget(scroll, 1);
  connect(search_, &QPushButton::clicked, this, [this] {
    if (this->document().runner().isRunning()) return this->document().runner().stop();
    searchSeconds_ = kLongSearch;
    this->document().layOut(kLongSearch);
  });
  connect(goal_, &QComboBox::activated, this, [this](int index) {
    Job next = this->document().job();
    const Goal goals[] = {Goal::Cost, Goal::Offcuts, Goal::Setups};
    next.saw.goal = goals[index];
    this->document().edit(tr("goal: %1").arg(goal_->itemText(index).toLower()), std::move(next));
  });
  connect(sheets_, &SheetsView::chosen, this, [this](std::size_t part) {
    const Part& chosen = (*this->document().plan().parts)[part];
    this->document().measure(tr("cut length of %1").arg(qs(chosen.code)), chosen.cutLength());
    this->document().select({chosen.assembly, std::nullopt, chosen.code});
  });
  connect(&document, &Document::changed, this, [this] {
    searchSeconds_ = 2;
    followGoal();
  });
  connect(&document, &Document::planChanged, this, &LayoutStage::follow);
  connect(&document, &Document::selectionChanged, this,
          [this] { sheets_->setSelected(this->document().selection().part); });
  connect(&document.runner(), &PlanRunner::failed, this, [this](const QString& why) {
    unplaced_->setVisible(true);
    unplaced_->setText(tr("The plan failed its own check and is not shown: %1").arg(why));
  });
  followGoal();
  follow();
}

int LayoutStage::openCount() const {
  std::int64_t count = 0;
  if (const auto& plan = document().plan().plan)
    for (const Unplaced& one : plan->unplaced) count += one.count;
  return static_cast<int>(count);
}

std::vector<KeyHelp> LayoutStage::keys() const {
  return {{tr("Space, on the button"), tr("search on, or stop")},
          {tr("mouse"), tr("choose a part: the tape shows its cut length")}};
}

void LayoutStage::followGoal() {
  const QSignalBlocker quiet(goal_);
  const Goal goal = document().job().saw.goal;
  goal_->setCurrentIndex(goal == Goal::Cost ? 0 : goal == Goal::Offcuts ? 1 : 2);
}

QString LayoutStage::unplacedWords() const {
  const PlanShown& shown = document().plan();
  QStringList out;
  for (const Unplaced& one : shown.plan->unplaced)
    out << tr("%1 (%2): %3")
               .arg(qs((*shown.parts)[one.part].code))
               .arg(one.count)
               .arg(qs(one.reason));
  return tr("Not placed: %1").arg(out.join(QStringLiteral("; ")));
}

void LayoutStage::follow() {
  const PlanShown& shown = document().plan();
  const bool running = document().runner().isRunning();
  search_->setText(running ? tr("Stop") : tr("Search on"));
  search_->setAccessibleName(running ? tr("Stop the search") : tr("Search on"));
  search_->setEnabled(!document().breakdown().parts.empty());
  progress_->setRange(0, 1000);
  progress_->setValue(
      running ? static_cast<int>(1000 * std::min(1.0, shown.seconds / searchSeconds_)) : 0);
  progress_->setVisible(running);
  if (!shown.plan) {
    result_->setText(document().breakdown().parts.empty() ? tr("There is nothing to lay out yet.")
                                                          : tr("Laying out …"));
    bound_->clear();
    unplaced_->setVisible(false);
    sheets_->setPlan({});
    return;
  }
  const Plan& plan = *shown.plan;
  result_->setText(tr("%1 sheets, %2, %3 settings, %4 cuts, %5 % used")
                       .arg(plan.sheets.size())
                       .arg(qs(format(plan.cost)))
                       .arg(plan.setups)
                       .arg(plan.cuts.size())
                       .arg(static_cast<int>(plan.yield() * 100 + 0.5)));
  const QString least = tr("No plan can cost less than %1 or use fewer than %2 sheets (%3).")
                            .arg(qs(format(plan.bound.cost)))
                            .arg(plan.bound.sheets)
                            .arg(qs(plan.bound.method));
  bound_->setText(plan.proven() ? tr("Proven: it cannot be done for less.") : least);
  unplaced_->setVisible(!plan.complete());
  if (!plan.complete()) unplaced_->setText(unplacedWords());
  sheets_->setPlan(shown);
}

}  // namespace pp
