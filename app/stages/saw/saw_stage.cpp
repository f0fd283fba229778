#include "app/stages/saw/saw_stage.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QShortcut>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <utility>

#include "core/saw/edges.h"
#include "pictures/paint/cut_picture.h"
#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"

namespace pp {
namespace {

constexpr int kButton = 48;  // high: for gloves

QPushButton* large(const QString& words, const QString& name) {
  auto* out = new QPushButton(words);
  out->setAccessibleName(name);
  out->setMinimumHeight(kButton);
  out->setFont(look::text(17, true));
  out->setFocusPolicy(Qt::NoFocus);  // the keyboard stays with the cut
  return out;
}

Label* figureLabel(const QString& name, int pixels, bool bold) {
  auto* out = new Label;
  out->setAccessibleName(name);
  out->setFont(look::text(pixels, bold));
  return out;
}

// The usual cautions, where the cut needs them.
QString cautionFor(const floor::AtSaw& saw, std::size_t cut) {
  const SawCut& one = saw.plan().cuts[cut];
  const saw::PlayedPiece& piece = saw.geometry(cut).piece;
  const StockSupply& stock = saw.cutting().request.stock[saw.plan().sheets[piece.sheet].stock];
  constexpr Length kNarrow = Length::mm(150);
  constexpr Length kShort = Length::mm(200);
  const bool rip = one.direction == CutDirection::Rip;
  if (piece.dx == stock.length && piece.dy == stock.width)
    return QObject::tr("A whole sheet: a second pair of hands or a support.");
  if (rip && one.kind != CutKind::Trim && one.distance < kNarrow)
    return QObject::tr("Narrow: push block, guard and riving knife on.");
  if (!rip && one.distance < kShort)
    return QObject::tr("Short: on the sled or against the stop, never freehand at the fence.");
  return QObject::tr("Guard and riving knife on.");
}

}  // namespace

SawStage::SawStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(6);
  column->addLayout(makeHead());
  column->addLayout(makeFigures());
  view_ = new SawView;
  column->addWidget(view_, 1);
  caution_ = figureLabel(tr("Caution"), 15, false);
  caution_->setWordWrap(true);
  column->addWidget(caution_);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  column->addLayout(makeKeys());
  connect(view_, &SawView::cutChosen, this, [this](std::size_t cut) {
    looked_ = cut;
    view_->setBench(false);
    showCut();
  });
  const auto key = [this](Qt::Key one, auto act) {
    auto* shortcut = new QShortcut(one, this);
    shortcut->setContext(Qt::WidgetWithChildrenShortcut);
    connect(shortcut, &QShortcut::activated, this, act);
  };
  key(Qt::Key_Space, [this] { done(); });
  key(Qt::Key_Z, [this] { back(); });
  key(Qt::Key_Left, [this] { look(-1); });
  key(Qt::Key_Right, [this] { look(1); });
  key(Qt::Key_G, [this] { find_->setFocus(); });
  key(Qt::Key_B, [this] { bench_->toggle(); });
  key(Qt::Key_Escape, [this] {
    looked_.reset();
    done_->setFocus();
    showCut();
  });
  // What is shown refers to the record, which is another by now.
  connect(&session.floor(), &FloorDesk::changed, this, [this] {
    if (isVisible()) return refresh();
    saw_ = nullptr;
    showCut();
    stale();
  });
  connect(&session, &Session::changed, this, &SawStage::stale);
}

QLayout* SawStage::makeHead() {
  auto* row = new QHBoxLayout;
  cuttings_ = new QComboBox;
  cuttings_->setAccessibleName(tr("Cutting"));
  row->addWidget(cuttings_);
  connect(cuttings_, &QComboBox::activated, this, [this] {
    looked_.reset();
    stale();
  });
  progress_ = figureLabel(tr("How far it is"), 15, false);
  row->addWidget(progress_, 1);
  find_ = new QLineEdit;
  find_->setAccessibleName(tr("Go to a cut, a sheet or a code"));
  find_->setPlaceholderText(tr("cut, sheet or code  G"));
  find_->setFixedWidth(190);
  row->addWidget(find_);
  connect(find_, &QLineEdit::returnPressed, this, &SawStage::goTo);
  return row;
}

QLayout* SawStage::makeFigures() {
  auto* row = new QHBoxLayout;
  auto* left = new QVBoxLayout;
  left->setSpacing(0);
  constexpr int kTwoMetres = 72;  // pixels: read from there
  machine_ = figureLabel(tr("Machine"), 24, true);
  distance_ = figureLabel(tr("Distance"), kTwoMetres, true);
  other_ = figureLabel(tr("Distance in the other unit"), 17, false);
  left->addWidget(machine_);
  left->addWidget(distance_);
  left->addWidget(other_);
  row->addLayout(left, 3);
  auto* right = new QVBoxLayout;
  count_ = figureLabel(tr("Cuts left at this setting"), 17, false);
  near_ = figureLabel(tr("Stays"), 24, true);
  far_ = figureLabel(tr("Comes off"), 24, true);
  next_ = figureLabel(tr("Next setting"), 15, false);
  for (Label* one : {count_, near_, far_, next_}) {
    one->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    right->addWidget(one);
  }
  row->addLayout(right, 2);
  // In a small window a long name is cut off rather than the window growing.
  for (Label* one : {machine_, other_, count_, near_, far_, next_, progress_})
    one->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  return row;
}

QLayout* SawStage::makeKeys() {
  auto* row = new QHBoxLayout;
  back_ = large(tr("Back   Z"), tr("Take the last cut back"));
  auto* before = large(tr("←"), tr("Look at the cut before"));
  auto* after = large(tr("→"), tr("Look at the cut after"));
  bench_ = large(tr("Bench   B"), tr("The whole bench"));
  done_ = large(tr("Done   Space"), tr("The cut is made"));
  row->addWidget(back_);
  row->addWidget(before);
  row->addWidget(after);
  row->addWidget(bench_);
  row->addStretch(1);
  done_->setMinimumWidth(220);
  done_->setFocusPolicy(Qt::StrongFocus);
  done_->installEventFilter(this);
  row->addWidget(done_);
  connect(back_, &QPushButton::clicked, this, &SawStage::back);
  connect(before, &QPushButton::clicked, this, [this] { look(-1); });
  connect(after, &QPushButton::clicked, this, [this] { look(1); });
  connect(done_, &QPushButton::clicked, this, &SawStage::done);
  bench_->setCheckable(true);
  connect(bench_, &QPushButton::toggled, view_, &SawView::setBench);
  return row;
}

// Enter is the same as Space, but not where something is typed.
bool SawStage::eventFilter(QObject* object, QEvent* event) {
  if (object == done_ && event->type() == QEvent::KeyPress) {
    const int key = static_cast<QKeyEvent*>(event)->key();
    if (key == Qt::Key_Return || key == Qt::Key_Enter) return done(), true;
  }
  return Stage::eventFilter(object, event);
}

std::vector<KeyHelp> SawStage::keys() const {
  return {{tr("Space, Enter"), tr("the cut is made")},
          {tr("Z"), tr("take the last one back")},
          {tr("← →"), tr("look at other cuts; Space does one that is ready")},
          {tr("Esc"), tr("back to the next cut")},
          {tr("G"), tr("go to a cut by its number, a sheet or the code of a part")},
          {tr("B"), tr("the whole bench")}};
}

int SawStage::openCount() const {
  std::int64_t out = 0;
  for (const Cutting& one : session().floor().record().cuttings) {
    if (!session().floor().progress().isUnderWay(one.number)) continue;
    const floor::CuttingProgress& now = session().floor().progress().cuttings.at(one.number);
    const auto plan = static_cast<std::size_t>(now.plan - 1);
    out += std::ssize(one.plans[plan].plan.cuts) - std::ssize(now.made[plan]);
  }
  return static_cast<int>(out);
}

// The record is the desk's own: what is shown of it is made anew whenever it changes.
void SawStage::followCuttings() {
  const FloorDesk& floor = session().floor();
  const int wanted = cuttings_->currentData().toInt();
  const QSignalBlocker quiet(cuttings_);
  cuttings_->clear();
  // The one that was shown, else the last that was taken.
  const Cutting* shown = nullptr;
  for (const Cutting& one : floor.record().cuttings) {
    if (!floor.progress().isUnderWay(one.number)) continue;
    cuttings_->addItem(tr("cutting %1").arg(one.number), one.number);
    if (shown == nullptr || shown->number != wanted) shown = &one;
  }
  const std::shared_ptr<floor::AtSaw> before = std::exchange(saw_, nullptr);
  const int cuttingBefore = std::exchange(cutting_, 0);
  const int planBefore = std::exchange(plan_, 0);
  if (shown != nullptr) {
    const floor::CuttingProgress& now = floor.progress().cuttings.at(shown->number);
    const auto plan = static_cast<std::size_t>(now.plan - 1);
    cutting_ = shown->number;
    plan_ = now.plan;
    const bool same = noting_ && before && cutting_ == cuttingBefore && plan_ == planBefore;
    saw_ = same ? before
                : std::make_shared<floor::AtSaw>(shown->plans[plan], now.made[plan], now.bench);
    saw_->follow(now.made[plan], now.bench);
  }
  cuttings_->setCurrentIndex(cuttings_->findData(cutting_));
  cuttings_->setVisible(cuttings_->count() > 0);
  if (looked_ && (!saw_ || *looked_ >= saw_->cuts())) looked_.reset();
}

void SawStage::refresh() {
  followCuttings();
  showCut();
}

std::optional<std::size_t> SawStage::cut() const {
  if (looked_) return looked_;
  return saw_ ? saw_->next() : std::nullopt;
}

void SawStage::showCut() {
  const LengthStyle style = session().style();
  const auto at = cut();
  const auto words = saw_ ? tr("Everything of this cutting is cut.")
                          : tr("Nothing is at the saw. Take a plan there in Lay out.");
  Tone tone = Tone::Birch;
  if (saw_ && at) {
    const saw::PlayedPiece& piece = saw_->geometry(*at).piece;
    const StockSupply& stock =
        saw_->cutting().request.stock[saw_->plan().sheets[piece.sheet].stock];
    for (const Material& material : session().job().materials)
      if (material.name == stock.material && material.nominal == stock.thickness)
        tone = material.tone;
  }
  view_->show(saw_, at, tone, style, words);
  for (Label* one : {machine_, distance_, other_, count_, near_, far_, next_, caution_})
    one->setVisible(at.has_value());
  progress_->setVisible(saw_ != nullptr);
  back_->setEnabled(saw_ && saw_->last());
  // It keeps the keyboard whatever is looked at, so it is never greyed out.
  done_->setText(!saw_ || !at         ? tr("Nothing to cut")
                 : saw_->isMade(*at)  ? tr("It is made")
                 : saw_->isReady(*at) ? tr("Done   Space")
                                      : tr("Not there yet"));
  if (saw_) {
    const auto cuts = saw_->cutsDone();
    const auto parts = saw_->partsDone();
    progress_->setText(tr("%1 of %2 cuts, %3 of %4 parts, %5 left")
                           .arg(cuts.done)
                           .arg(cuts.of)
                           .arg(parts.done)
                           .arg(parts.of)
                           .arg(counted(saw_->settingsLeft(), tr("setting"), tr("settings"))));
  }
  if (!saw_ || !at) return;
  const SawCut& one = saw_->plan().cuts[*at];
  const bool trim = one.kind == CutKind::Trim;
  const QString direction = one.direction == CutDirection::Rip ? tr("rip") : tr("crosscut");
  machine_->setText(
      tr("%1   %2   %3, %4")
          .arg(one.step)
          .arg(qs(one.piece), qs(one.machine), trim ? tr("trim to a mark") : direction));
  const Length shown = trim ? saw::trimmedOff(one, saw_->geometry(*at)) : one.distance;
  LengthStyle other = style;
  other.unit = style.unit == Unit::Inch ? Unit::Millimetre : Unit::Inch;
  distance_->setText(trim ? tr("%1 off").arg(figureWithUnit(shown, style))
                          : figureWithUnit(shown, style));
  other_->setText(figureWithUnit(shown, other));
  const bool low = one.fence == FenceSide::Low;
  near_->setText(tr("stays: %1").arg(becomesWords(low ? saw_->low(*at) : saw_->high(*at))));
  far_->setText(tr("comes off: %1").arg(becomesWords(low ? saw_->high(*at) : saw_->low(*at))));
  count_->setText(trim ? counted(saw_->leftAtSetting(*at), tr("trim left"), tr("trims left"))
                       : counted(saw_->leftAtSetting(*at), tr("cut left at this setting"),
                                 tr("cuts left at this setting")));
  const auto next = saw_->nextSetting(*at);
  next_->setText(next ? tr("then %1, %2")
                            .arg(qs(saw_->plan().cuts[*next].machine),
                                 figureWithUnit(saw_->plan().cuts[*next].distance, style))
                      : tr("then nothing more is set"));
  caution_->setText(saw_->isMade(*at)    ? tr("This cut is made.")
                    : saw_->isReady(*at) ? cautionFor(*saw_, *at)
                                         : tr("Its piece does not lie there yet."));
}

void SawStage::note(std::optional<Problem> (Session::*what)(int, int, int), std::size_t cut) {
  looked_.reset();
  noting_ = true;
  const auto problem = (session().*what)(cutting_, plan_, saw_->plan().cuts[cut].step);
  noting_ = false;
  problem_->show(problem ? Problems{*problem} : Problems{});
  showCut();
}

void SawStage::done() {
  const auto at = cut();
  if (saw_ && at && saw_->isReady(*at)) note(&Session::cutMade, *at);
}

void SawStage::back() {
  if (const auto at = saw_ ? saw_->last() : std::nullopt) note(&Session::cutTakenBack, *at);
}

void SawStage::look(int by) {
  const auto at = cut();
  if (!saw_ || saw_->cuts() == 0) return;
  const auto last = static_cast<std::int64_t>(saw_->cuts()) - 1;
  const std::int64_t from = at ? static_cast<std::int64_t>(*at) : last + 1;
  looked_ = static_cast<std::size_t>(std::clamp<std::int64_t>(from + by, 0, last));
  if (looked_ == saw_->next()) looked_.reset();
  showCut();
}

void SawStage::goTo() {
  if (!saw_) return;
  const auto found = saw_->find(find_->text().trimmed().toStdString());
  if (!found)
    return problem_->show(
        {{{}, 0, {}, find_->text().toStdString(), "the number of a cut, a sheet, or a code"}});
  problem_->clear();
  looked_ = found;
  find_->clear();
  done_->setFocus();
  showCut();
}

}  // namespace pp
