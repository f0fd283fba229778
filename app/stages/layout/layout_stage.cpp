#include "app/stages/layout/layout_stage.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSignalBlocker>
#include <algorithm>

#include "app/fields/field.h"
#include "app/fields/question.h"
#include "app/stages/layout/scope_dialog.h"
#include "core/nest/goals/kept.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/problem_words.h"

namespace pp {
namespace {

constexpr double kLongSearch = 20;  // seconds, when asked for

QLabel* label(const QString& name, int pixels, bool bold = false) {
  auto* out = new Label;
  out->setFont(look::text(pixels, bold));
  out->setAccessibleName(name);
  return out;
}

}  // namespace

LayoutStage::LayoutStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(6);
  column->addLayout(makeTop());
  cuttings_ = new CuttingsStrip;
  connect(cuttings_, &CuttingsStrip::giveUp, this, &LayoutStage::giveUp);
  column->addWidget(cuttings_);
  column->addLayout(makeTaking());
  unplaced_ = label(tr("Not placed"), 13);
  unplaced_->setObjectName(QStringLiteral("problem"));
  unplaced_->setWordWrap(true);
  column->addWidget(unplaced_);
  plans_ = new PlanStrip;
  column->addWidget(plans_);
  hand_ = makeHand();
  column->addWidget(hand_);
  sheets_ = new SheetsView;
  tools_ = new SheetTools(*sheets_);
  column->addWidget(tools_);
  connect(tools_, &SheetTools::said, this, &LayoutStage::say);
  scroll_ = new QScrollArea;
  scroll_->setFrameShape(QFrame::NoFrame);
  scroll_->setWidgetResizable(true);
  scroll_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
  scroll_->setMinimumHeight(40);  // what is above it must have room in the smallest window
  scroll_->setWidget(sheets_);
  scroll_->setAccessibleName(tr("Sheets laid out"));
  scroll_->setFocusPolicy(Qt::NoFocus);
  column->addWidget(scroll_, 1);
  connect(sheets_, &SheetsView::wantsToBeSeen, this, [this](const QRect& what) {
    constexpr int kAround = 40;
    scroll_->ensureVisible(what.center().x(), what.center().y(), what.width() / 2 + kAround,
                           what.height() / 2 + kAround);
  });
  connect(sheets_, &SheetsView::chosen, this, &LayoutStage::choose);
  connect(plans_, &PlanStrip::chosen, this,
          [this](const std::shared_ptr<const Plan>& plan) { this->session().plans().show(plan); });
  connect(&session, &Session::changed, this, [this] {
    searchSeconds_ = 2;
    failure_.clear();
    stale();
  });
  connect(&session.plans(), &PlanDesk::changed, this, &LayoutStage::stale);
  connect(&session.pointing(), &Pointing::selectionChanged, this, [this] {
    sheets_->setSelected(this->session().pointing().selection().part);
    stale();
  });
  connect(&session.plans().runner(), &PlanRunner::failed, this, [this](const QString& why) {
    failure_ = tr("The plan failed its own check and is not shown: %1").arg(why);
    stale();
  });
}

QLayout* LayoutStage::makeTop() {
  auto* row = new QHBoxLayout;
  goal_ = new QComboBox;
  goal_->addItems({tr("Least cost"), tr("Best leftovers"), tr("Fewest settings")});
  goal_->setAccessibleName(tr("Goal"));
  goal_->setFont(look::text(14));
  row->addWidget(goal_);
  search_ = new QPushButton;
  search_->setMinimumWidth(110);
  row->addWidget(search_);
  progress_ = new QProgressBar;
  progress_->setAccessibleName(tr("Search"));
  progress_->setTextVisible(false);
  progress_->setFixedWidth(90);
  progress_->setFixedHeight(8);
  row->addWidget(progress_);
  result_ = label(tr("Plan"), 15, true);
  result_->setWordWrap(true);  // in a small window
  row->addWidget(result_, 1);
  tries_ = label(tr("Tries"), 12);
  row->addWidget(tries_);
  connect(search_, &QPushButton::clicked, this, [this] {
    if (session().plans().runner().isRunning()) return session().plans().runner().stop();
    searchSeconds_ = kLongSearch;
    session().plans().layOut(kLongSearch);
  });
  connect(goal_, &QComboBox::activated, this, [this](int index) {
    Job next = session().draft();
    const Goal goals[] = {Goal::Cost, Goal::Offcuts, Goal::Setups};
    next.saw.goal = goals[index];
    session().edit(tr("goal: %1").arg(goal_->itemText(index).toLower()), std::move(next));
  });
  return row;
}

QLayout* LayoutStage::makeTaking() {
  auto* row = new QHBoxLayout;
  scope_ = new QPushButton;
  scope_->setAccessibleName(tr("What is laid out"));
  row->addWidget(scope_);
  bound_ = label(tr("Proven minimum"), 13);
  bound_->setWordWrap(true);
  row->addWidget(bound_, 1);
  taking_ = new QPushButton(tr("Take to the saw  T"));
  taking_->setAccessibleName(tr("Take to the saw"));
  row->addWidget(taking_);
  connect(scope_, &QPushButton::clicked, this,
          [this] { (new ScopeDialog(session(), this))->open(); });
  connect(taking_, &QPushButton::clicked, this, &LayoutStage::takeToTheSaw);
  connect(&session(), &Session::tookToTheSaw, this, [this](const Problems& problems) {
    say(problems.empty() ? QString() : sentence(problems.front()));
  });
  return row;
}

QWidget* LayoutStage::makeHand() {
  auto* out = new QWidget;
  auto* row = new QHBoxLayout(out);
  row->setContentsMargins(0, 0, 0, 0);
  handWhat_ = label(tr("Part chosen"), 13, true);
  row->addWidget(handWhat_);
  const auto button = [&row](const QString& words, const QString& name) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(name);
    row->addWidget(made);
    return made;
  };
  pinSheet_ = button(tr("Pin to its sheet  P"), tr("Pin to its sheet"));
  pinPlace_ = button(tr("Pin in place  I"), tr("Pin in place"));
  unpin_ = button(tr("Unpin  U"), tr("Unpin"));
  swap_ = button(tr("Swap  W"), tr("Swap"));
  move_ = new QComboBox;
  move_->setAccessibleName(tr("Move to"));
  row->addWidget(move_);
  handSays_ = label(tr("By hand"), 13);
  handSays_->setObjectName(QStringLiteral("problem"));
  handSays_->setWordWrap(true);
  row->addWidget(handSays_, 1);
  connect(pinSheet_, &QPushButton::clicked, this, [this] { pin(false); });
  connect(pinPlace_, &QPushButton::clicked, this, [this] { pin(true); });
  connect(unpin_, &QPushButton::clicked, this, &LayoutStage::unpin);
  connect(swap_, &QPushButton::clicked, this, &LayoutStage::beginSwap);
  connect(move_, &QComboBox::activated, this, [this](int index) {
    if (index > 0) moveTo(static_cast<std::size_t>(move_->itemData(index).toInt()));
  });
  return out;
}

int LayoutStage::openCount() const {
  const auto& plan = session().plans().shown().plan;
  return plan ? static_cast<int>(plan->missing()) : 0;
}

std::vector<KeyHelp> LayoutStage::keys() const {
  return {{tr("Space, on the button"), tr("search on, or stop")},
          {tr("left, right on the plans"), tr("show the plan before or after")},
          {tr("arrow keys on the sheets"), tr("choose a part: the tape shows its cut length")},
          {tr("F"), tr("find a part by its code")},
          {tr("Enter on the sheets, double click"), tr("one sheet fills the stage; again: all")},
          {tr("plus, minus, 0, Ctrl and wheel"), tr("larger, smaller, as at first")},
          {tr("Cuts in order"), tr("left and right draw the cuts as they are made")},
          {tr("T"), tr("take the plan to the saw: it stays as it is, whatever is drawn")},
          {tr("P"), tr("pin the part to its sheet")},
          {tr("I"), tr("pin it in its place")},
          {tr("U"), tr("take its pin out")},
          {tr("W"), tr("swap it with the part that is chosen next; Esc to leave it")}};
}

void LayoutStage::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {  // a plus may need Shift
    case Qt::Key_Plus:
    case Qt::Key_Equal:
      return sheets_->setZoom(sheets_->zoom() * SheetsView::kZoomStep);
    case Qt::Key_Minus:
      return sheets_->setZoom(sheets_->zoom() / SheetsView::kZoomStep);
    case Qt::Key_0:
      return sheets_->setZoom(1);
    default:
      break;
  }
  if (event->modifiers() != Qt::NoModifier) return Stage::keyPressEvent(event);
  switch (event->key()) {
    case Qt::Key_F:
      return tools_->beginFinding();
    case Qt::Key_T:
      return takeToTheSaw();
    case Qt::Key_P:
      return pin(false);
    case Qt::Key_I:
      return pin(true);
    case Qt::Key_U:
      return unpin();
    case Qt::Key_W:
      return beginSwap();
    case Qt::Key_Escape:
      if (sheets_->only()) sheets_->showOnly(std::nullopt);
      session().modes().end(this);
      return say({});
    default:
      Stage::keyPressEvent(event);
  }
}

void LayoutStage::followGoal() {
  const QSignalBlocker quiet(goal_);
  const Goal goal = session().job().saw.goal;
  goal_->setCurrentIndex(goal == Goal::Cost ? 0 : goal == Goal::Offcuts ? 1 : 2);
}

// A reason once, with the first of the parts it keeps off: there may be thousands.
QString LayoutStage::unplacedWords() const {
  constexpr qsizetype kNamed = 12;
  const PlanShown& shown = session().plans().shown();
  std::vector<std::pair<std::string, QStringList>> reasons;
  for (const Unplaced& one : shown.plan->unplaced) {
    auto at = std::find_if(reasons.begin(), reasons.end(),
                           [&](const auto& known) { return known.first == one.reason; });
    if (at == reasons.end()) at = reasons.insert(at, {one.reason, {}});
    at->second << tr("%1 (%2)").arg(qs((*shown.parts)[one.part].code)).arg(one.count);
  }
  QStringList out;
  for (auto& [reason, parts] : reasons) {
    const qsizetype more = parts.size() - kNamed;
    if (more > 0) parts.resize(kNamed);
    const QString named = parts.join(QStringLiteral(", "));
    out << tr("%1: %2").arg(more > 0 ? tr("%1 and %2 more").arg(named).arg(more) : named,
                            qs(reason));
  }
  return tr("Not placed: %1").arg(out.join(QStringLiteral("; ")));
}

QString LayoutStage::boundWords() const {
  const Plan& plan = *session().plans().shown().plan;
  const auto sheets = static_cast<std::int64_t>(plan.sheets.size());
  if (plan.proven() && sheets <= plan.bound.sheets)
    return tr("Proven: it cannot be done for less, nor with fewer sheets.");
  if (plan.proven()) return tr("Proven: it cannot be done for less.");
  const double over =
      plan.bound.cost > Money{} ? 100 * (plan.cost.asDouble() / plan.bound.cost.asDouble() - 1) : 0;
  return tr("No plan can cost less than %1 or use fewer than %2 sheets (by %3): this one is at "
            "most "
            "%4 % above.")
      .arg(qs(format(plan.bound.cost)))
      .arg(plan.bound.sheets)
      .arg(qs(plan.bound.method))
      .arg(over, 0, 'f', 1);
}

void LayoutStage::followSearch() {
  const PlanShown& shown = session().plans().shown();
  const bool running = session().plans().runner().isRunning();
  search_->setText(running ? tr("Stop") : tr("Search on"));
  search_->setAccessibleName(running ? tr("Stop the search") : tr("Search on"));
  search_->setEnabled(session().plans().hasWork());
  progress_->setRange(0, 1000);
  progress_->setValue(
      running ? static_cast<int>(1000 * std::min(1.0, shown.seconds / searchSeconds_)) : 0);
  progress_->setVisible(running);
  tries_->setText(shown.plan ? tr("%1 tries, %2 s")
                                   .arg(QLocale().toString(qlonglong{shown.iterations}))
                                   .arg(shown.seconds, 0, 'f', 1)
                             : QString());
}

void LayoutStage::followCuttings() {
  cuttings_->follow(session().job(), session().floor().record(), session().floor().progress());
  const QString scope = scopeWords(session().job(), session().floor().record().scope);
  constexpr int kMostShown = 28;
  scope_->setText(tr("Of: %1").arg(
      scope.size() <= kMostShown ? scope : scope.left(kMostShown - 1) + QStringLiteral("…")));
  scope_->setToolTip(scope);
  const auto& plan = session().plans().shown().plan;
  taking_->setEnabled(plan && session().plans().isCurrent() && plan->complete());
}

void LayoutStage::takeToTheSaw() {
  if (!taking_->isEnabled()) return;
  // What is taken is saved with the job.
  if (session().path().isEmpty() || session().file().isToRead() ||
      session().file().isChangedByOthers()) {
    emit saveWanted();
    if (session().path().isEmpty() || session().isModified()) return;
  }
  const Problems problems = session().takeToTheSaw();
  say(!problems.empty()           ? sentence(problems.front())
      : session().isAskingStore() ? tr("Asking the shop's store what it has …")
                                  : QString());
}

void LayoutStage::giveUp(int cutting) {
  if (ask(this, tr("Give up cutting %1").arg(cutting),
          tr("What is cut stays cut and is not laid out again. The rest is."),
          {tr("Give up"), tr("Keep it")}) != 0)
    return;
  if (const auto problem = session().giveUp(cutting)) say(sentence(*problem));
}

void LayoutStage::refresh() {
  followGoal();
  followSearch();
  followCuttings();
  const PlanShown& plans = session().plans().shown();
  plans_->setPlans(plans, session().job().unit);
  plans_->setVisible(plans.kept.size() > 1);
  if (!plans.plan) {
    result_->setText(session().breakdown().parts.empty()
                         ? tr("Nothing to lay out yet: draw an assembly (Ctrl+2).")
                     : session().plans().hasWork() ? tr("Laying out …")
                     : session().floor().record().scope.isAll()
                         ? tr("All that is drawn is at the saw or cut.")
                         : tr("None of that is left to lay out."));
    bound_->clear();
    unplaced_->setVisible(!failure_.isEmpty());
    unplaced_->setText(failure_);
    sheets_->setPlan({});
    tools_->follow();
    return followSelection();
  }
  const Plan& plan = *plans.plan;
  result_->setText(
      tr("%1, %2, %3 for %4, %5, %6 % used")
          .arg(counted(static_cast<std::int64_t>(plan.sheets.size()), tr("sheet"), tr("sheets")))
          .arg(qs(format(plan.cost)))
          .arg(counted(plan.setups, tr("setting"), tr("settings")))
          .arg(counted(nest::sizesOn(plan), tr("size"), tr("sizes")))
          .arg(counted(static_cast<std::int64_t>(plan.cuts.size()), tr("cut"), tr("cuts")))
          .arg(static_cast<int>(plan.yield() * 100 + 0.5)));
  bound_->setText(boundWords());
  unplaced_->setVisible(!plan.complete() || !failure_.isEmpty());
  if (!failure_.isEmpty())
    unplaced_->setText(failure_);
  else if (!plan.complete())
    unplaced_->setText(unplacedWords());
  sheets_->setPlan(plans);
  tools_->follow();
  followSelection();
}

const Placement& LayoutStage::placement(nest::PlacementRef at) const {
  return shown().plan->sheets[at.sheet].placements[at.placement];
}

const Part& LayoutStage::partAt(nest::PlacementRef at) const {
  return (*shown().parts)[placement(at).part];
}

QString LayoutStage::nameOf(std::size_t sheet) const {
  return qs(sheetName(*shown().request, *shown().plan, sheet));
}

const std::string& LayoutStage::codeAt(nest::PlacementRef at) const {
  return partAt(at).code;
}

void LayoutStage::followSelection() {
  const auto at = sheets_->selection();
  const bool there = at && shown().plan;
  for (QWidget* widget :
       {static_cast<QWidget*>(pinSheet_), static_cast<QWidget*>(pinPlace_),
        static_cast<QWidget*>(unpin_), static_cast<QWidget*>(swap_), static_cast<QWidget*>(move_)})
    widget->setEnabled(there);
  const QSignalBlocker quiet(move_);
  move_->clear();
  move_->addItem(tr("Move to …"));
  if (!there) return handWhat_->setText(tr("Choose a part to pin, swap or move it."));
  handWhat_->setText(tr("%1 on %2").arg(qs(codeAt(*at)), nameOf(at->sheet)));
  const PlanShown& plan = shown();
  const auto& stock = plan.request->stock;
  const StockSupply& mine = stock[plan.plan->sheets[at->sheet].stock];
  for (std::size_t i = 0; i < plan.plan->sheets.size(); ++i) {
    const StockSupply& other = stock[plan.plan->sheets[i].stock];
    if (i != at->sheet && other.material == mine.material && other.thickness == mine.thickness)
      move_->addItem(nameOf(i), static_cast<int>(i));
  }
  const auto& pins = session().job().pins;
  unpin_->setEnabled(std::any_of(pins.begin(), pins.end(), [&](const JobPin& pin) {
    return isOn(session().job(), pin, partAt(*at), mine.id);
  }));
}

void LayoutStage::say(const QString& words) {
  handSays_->setText(words);
}

void LayoutStage::choose(std::size_t part) {
  const auto at = sheets_->selection();
  if (swapping_ && at && !(*at == *swapping_)) {
    const nest::PlacementRef from = *swapping_;
    session().modes().end(this);
    const PlanShown& plan = shown();
    return take(tr("swap %1 and %2").arg(qs(codeAt(from)), qs(codeAt(*at))),
                nest::swapped(*plan.request, *plan.plan, from, *at),
                {{from, at->sheet}, {*at, from.sheet}});
  }
  const Part& chosen = (*shown().parts)[part];
  session().pointing().measure(tr("cut length of %1").arg(qs(chosen.code)), chosen.cutLength());
  session().pointing().select({chosen.assembly, std::nullopt, chosen.code});
  say({});
  followSelection();
}

JobPin LayoutStage::pinFor(nest::PlacementRef at, std::size_t sheet) const {
  const PlanShown& plan = shown();
  JobPin pin;
  pin.part = partAt(at).keys.front();
  const std::string& mark = plan.request->stock[plan.plan->sheets[sheet].stock].id;
  for (const StockPiece& piece : session().job().stock)
    if (piece.mark == mark) pin.stock = piece.id;
  pin.sheet = static_cast<std::int64_t>(sheet) + 1;
  return pin;
}

void LayoutStage::pin(bool inPlace) {
  session().finish();
  const auto at = sheets_->selection();
  if (!at || !shown().plan) return;
  const Placement& p = placement(*at);
  JobPin pin = pinFor(*at, at->sheet);
  if (inPlace) {
    if (!shown().request->parts[p.part].run.empty())
      return say(tr("%1 is part of a grain run: it is pinned to its sheet, not to a place.")
                     .arg(qs(codeAt(*at))));
    pin.x = p.x;
    pin.y = p.y;
    pin.turned = p.turned;
  }
  std::vector<JobPin> pins = session().job().pins;
  pins.push_back(pin);
  say({});
  session().editPins(inPlace ? tr("pin %1 in place").arg(qs(codeAt(*at)))
                             : tr("pin %1 to %2").arg(qs(codeAt(*at)), nameOf(at->sheet)),
                     std::move(pins), shown().plan);
}

void LayoutStage::unpin() {
  session().finish();
  const auto at = sheets_->selection();
  if (!at || !shown().plan) return;
  const PlanShown& plan = shown();
  const std::string& mark = plan.request->stock[plan.plan->sheets[at->sheet].stock].id;
  std::vector<JobPin> pins = session().job().pins;
  std::erase_if(pins,
                [&](const JobPin& pin) { return isOn(session().job(), pin, partAt(*at), mark); });
  session().editPins(tr("unpin %1").arg(qs(codeAt(*at))), std::move(pins), shown().plan);
}

void LayoutStage::beginSwap() {
  if (!sheets_->selection() || !shown().plan) return;
  // The plan must stay as it is while the other part is looked for.
  session().plans().runner().stop();
  session().modes().begin(this, Modes::About::Plan, [this] {
    swapping_.reset();
    say({});
  });
  swapping_ = sheets_->selection();
  say(tr("Now choose the part to swap %1 with.").arg(qs(codeAt(*swapping_))));
}

void LayoutStage::moveTo(std::size_t sheet) {
  session().finish();
  const auto at = sheets_->selection();
  const PlanShown& plan = shown();
  if (!at || !shown().plan || sheet >= plan.plan->sheets.size()) return;
  take(tr("move %1 to %2").arg(qs(codeAt(*at)), nameOf(sheet)),
       nest::moved(*plan.request, *plan.plan, *at, sheet), {{*at, sheet}});
}

// A change by hand holds: what was moved is pinned to the sheet it was moved to, and the search
// goes on from there.
void LayoutStage::take(const QString& what, const Result<Plan>& changed,
                       const std::vector<std::pair<nest::PlacementRef, std::size_t>>& moves) {
  if (!changed) return say(qs(changed.problems().front().found) + QLatin1Char('.'));
  std::vector<JobPin> pins = session().job().pins;
  for (const auto& [from, sheet] : moves) {
    const JobPin old = pinFor(from, from.sheet);
    const auto known = std::find_if(pins.begin(), pins.end(), [&old](const JobPin& pin) {
      return pin.part == old.part && pin.stock == old.stock && pin.sheet == old.sheet;
    });
    if (known != pins.end()) pins.erase(known);
    pins.push_back(pinFor(from, sheet));
  }
  say({});
  session().editPins(what, std::move(pins), std::make_shared<const Plan>(changed.value()));
}

}  // namespace pp
