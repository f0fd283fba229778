#include "app/stages/saw/saw_stage.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/large.h"
#include "app/stages/saw/labels_dialog.h"
#include "app/stages/saw/mishap_dialog.h"
#include "core/daybook/pace.h"
#include "core/floor/stacks.h"
#include "core/length/parse.h"
#include "pictures/paint/cut_picture.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr const char* kClock = "sawing";  // as the record has it, in every language

// "1:05" hours and minutes, or "0:42 min".
QString clockWords(std::int64_t seconds) {
  constexpr std::int64_t kMinute = 60;
  const std::int64_t minutes = seconds / kMinute;
  if (minutes < kMinute)
    return QObject::tr("%1:%2 min").arg(minutes).arg(seconds % kMinute, 2, 10, QLatin1Char('0'));
  return QObject::tr("%1:%2 h")
      .arg(minutes / kMinute)
      .arg(minutes % kMinute, 2, 10, QLatin1Char('0'));
}

QString cautionWords(floor::Caution caution) {
  switch (caution) {
    case floor::Caution::Bar:
      return QObject::tr(
          "Hold it down against the fence, hands clear of the blade until it stands.");
    case floor::Caution::WholeSheet:
      return QObject::tr("A whole sheet: a second pair of hands or a support.");
    case floor::Caution::Narrow:
      return QObject::tr("Narrow: push block, guard and riving knife on.");
    case floor::Caution::Short:
      return QObject::tr("Short: on the sled or against the stop, never freehand at the fence.");
    case floor::Caution::Usual:
      break;
  }
  return QObject::tr("Guard and riving knife on.");
}

}  // namespace

SawStage::SawStage(Session& session, QWidget* parent) : StepStage(session, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(6);
  column->addLayout(makeHead());
  column->addLayout(makeFigures());
  view_ = new SawView;
  strip_ = new LabelStrip(session);
  auto* middle = new QHBoxLayout;
  middle->addWidget(view_, 1);
  middle->addWidget(strip_);
  column->addLayout(middle, 1);
  connect(strip_, &LabelStrip::asked, this, &SawStage::labels);
  caution_ = figureLabel(tr("Caution"), 15, false);
  caution_->setWordWrap(true);
  column->addWidget(caution_);
  column->addWidget(problem_);
  column->addLayout(makeKeys());
  connect(view_, &SawView::cutChosen, this, [this](std::size_t cut) {
    looked_ = cut;
    view_->setBench(false);
    showStep();
  });
  key(Qt::Key_B, [this] { bench_->toggle(); });
  key(Qt::Key_W, [this] { wentWrong(); });
  key(Qt::Key_S, [this] { spare(); });
  key(Qt::Key_T, [this] { clock(); });
  key(Qt::Key_L, [this] { labels(); });
  key(Qt::Key_M, [this] { first_->setFocus(); });
  key(Qt::Key_F9, [this] { this->session().gauge().ask(); });
  // A reading goes where it is looked for.
  connect(&session.gauge(), &GaugeDesk::read, this, [this](Length reading) {
    if (!first_->hasFocus()) return;
    first_->setText(qs(formatWithUnit(reading, this->session().style())));
    measured();
  });
  constexpr int kTick = 1000;
  tick_.setInterval(kTick);
  connect(&tick_, &QTimer::timeout, this, &SawStage::sayLeft);
  // What is shown refers to the record, which is another by now.
  connect(&session.floor(), &FloorDesk::changed, this, [this] {
    if (isVisible()) return refresh();
    saw_ = nullptr;
    showStep();
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
  find_->setAccessibleName(tr("Go to a cut, a sheet or a code"));
  find_->setPlaceholderText(tr("cut, sheet or code  G"));
  row->addWidget(find_);
  left_ = figureLabel(tr("Time left"), 15, false);
  row->insertWidget(2, left_);
  return row;
}

QLayout* SawStage::makeFigures() {
  auto* row = new QHBoxLayout;
  auto* left = new QVBoxLayout;
  left->setSpacing(0);
  machine_ = figureLabel(tr("Machine"), 24, true);
  distance_ = figureLabel(tr("Distance"), kTwoMetres, true);
  other_ = figureLabel(tr("Distance in the other unit"), 17, false);
  left->addWidget(machine_);
  left->addWidget(distance_);
  left->addWidget(other_);
  auto* first = new QHBoxLayout;
  first_ = new QLineEdit;
  first_->setAccessibleName(tr("First piece measures"));
  first_->setPlaceholderText(tr("first piece measures  M"));
  first_->setFixedWidth(210);
  first->addWidget(first_);
  verdict_ = figureLabel(tr("What the first piece says"), 15, false);
  verdict_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  first->addWidget(verdict_, 1);
  left->addLayout(first);
  connect(first_, &QLineEdit::returnPressed, this, &SawStage::measured);
  row->addLayout(left, 3);
  auto* right = new QVBoxLayout;
  count_ = figureLabel(tr("Cuts left at this setting"), 17, false);
  near_ = figureLabel(tr("Stays"), 24, true);
  far_ = figureLabel(tr("Comes off"), 24, true);
  spares_ = figureLabel(tr("Spares"), 15, false);
  next_ = figureLabel(tr("Next setting"), 15, false);
  for (Label* one : {count_, near_, far_, spares_, next_}) {
    one->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    right->addWidget(one);
  }
  row->addLayout(right, 2);
  // In a small window a long name is cut off rather than the window growing.
  for (Label* one : {machine_, other_, count_, near_, far_, spares_, next_, progress_})
    one->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  return row;
}

QLayout* SawStage::makeKeys() {
  bench_ = largeButton(tr("Bench   B"), tr("The whole bench"));
  bench_->setCheckable(true);
  spare_ = largeButton(tr("Spare   S"), tr("Cut one more"));
  wrong_ = largeButton(tr("Went wrong   W"), tr("Something went wrong"));
  clock_ = largeButton(tr("Clock   T"), tr("The clock"));
  clock_->setCheckable(true);
  connect(spare_, &QPushButton::clicked, this, &SawStage::spare);
  connect(wrong_, &QPushButton::clicked, this, &SawStage::wentWrong);
  connect(clock_, &QPushButton::clicked, this, &SawStage::clock);
  connect(bench_, &QPushButton::toggled, this, [this](bool all) {
    view_->setBench(all);
    showStep();
  });
  return makeButtons({tr("Take the last cut back"), tr("Look at the cut before"),
                      tr("Look at the cut after"), tr("The cut is made")},
                     {bench_, spare_, wrong_, clock_});
}

std::vector<KeyHelp> SawStage::keys() const {
  return {{tr("Space, Enter"), tr("the cut is made")},
          {tr("Z"), tr("take the last one back")},
          {tr("← →"), tr("look at other cuts; Space does one that is ready")},
          {tr("Esc"), tr("back to the next cut")},
          {tr("G"), tr("go to a cut by its number, a sheet or the code of a part")},
          {tr("B"), tr("the whole bench")},
          {tr("M"), tr("type what the first piece measures; F9 reads the caliper")},
          {tr("S"), tr("cut one more of the part from what comes off")},
          {tr("W"), tr("something went wrong: what is still good, and the ways to go on")},
          {tr("T"), tr("start or stop the clock")},
          {tr("L"), tr("labels of what came off; leftovers to the rack")}};
}

int SawStage::openCount() const {
  std::int64_t out = 0;
  for (const Cutting& one : session().floor().record().cuttings) {
    if (!session().floor().progress().isUnderWay(one.number)) continue;
    const floor::CuttingProgress& now = session().floor().progress().cuttings.at(one.number);
    const auto plan = static_cast<std::size_t>(now.plan - 1);
    out += std::ssize(one.plans[plan].plan.cuts) - std::ssize(now.made[plan]);
    out += std::ssize(one.bars) - std::ssize(now.bars);
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
    cutting_ = shown->number;
    plan_ = now.plan;
    const bool same = noting_ && before && cutting_ == cuttingBefore && plan_ == planBefore;
    saw_ = same ? before : std::make_shared<floor::AtSaw>(*shown, now);
    if (!same && !shown->doubt.empty())
      problem_->show({{{}, 0, {}, shown->doubt, "a plan as it would be made now"}});
    saw_->follow(now);
  }
  cuttings_->setCurrentIndex(cuttings_->findData(cutting_));
  cuttings_->setVisible(cuttings_->count() > 0);
  if (looked_ && (!saw_ || *looked_ >= saw_->cuts())) looked_.reset();
}

void SawStage::refresh() {
  followCuttings();
  showStep();
}

std::optional<std::size_t> SawStage::nextStep() const {
  return saw_ ? saw_->next() : std::nullopt;
}

void SawStage::showStep() {
  const LengthStyle style = session().style();
  const auto at = step();
  const auto words = saw_ ? tr("Everything of this cutting is cut.")
                          : tr("Nothing is at the saw. Take a plan there in Lay out.");
  Tone tone = Tone::Birch;
  if (const StockSupply* stock = saw_ && at ? saw_->stock(*at) : nullptr)
    for (const Material& material : session().job().materials)
      if (material.name == stock->material && material.nominal == stock->thickness)
        tone = material.tone;
  view_->show(saw_, at, tone, style, words);
  for (Label* one : {machine_, distance_, other_, count_, near_, far_, spares_, next_, caution_})
    one->setVisible(at.has_value());
  progress_->setVisible(saw_ != nullptr);
  strip_->setVisible(saw_ != nullptr);
  if (saw_) strip_->follow();
  back_->setEnabled(saw_ && session().floor().ledger().back(cutting_));
  wrong_->setEnabled(saw_ != nullptr);
  spare_->setEnabled(saw_ && at && (saw_->isReady(*at) || saw_->isMade(*at)) &&
                     sparesLeft(*at) > 0);
  sayLeft();
  first_->setEnabled(saw_ && at && !saw_->cut(*at).isToMark());
  // It keeps the keyboard whatever is looked at, so it is never greyed out.
  const std::int64_t leftovers = this->leftovers();
  done_->setText(saw_ && !at && leftovers > 0
                     ? tr("%1 to the rack").arg(counted(leftovers, tr("leftover"), tr("leftovers")))
                 : !saw_ || !at       ? tr("Nothing to cut")
                 : saw_->isMade(*at)  ? tr("It is made")
                 : saw_->isReady(*at) ? tr("Done   Space")
                                      : tr("Not there yet"));
  if (saw_) {
    const auto cuts = saw_->cutsDone();
    floor::Count parts;
    QStringList stacks;
    for (const Cutting& one : session().floor().record().cuttings) {
      if (one.number != cutting_) continue;
      const floor::Progress& progress = session().floor().progress();
      parts = floor::partsDone(one, progress);
      if (!view_->isBench()) continue;
      const auto say = [&stacks](const floor::Stack& stack) {
        stacks << tr("%1   %2 of %3 parts")
                      .arg(stack.name.empty() ? tr("loose") : qs(stack.name))
                      .arg(stack.parts.done)
                      .arg(stack.parts.of);
      };
      for (const floor::Stack& stack : floor::byAssembly(one, progress)) say(stack);
      stacks << QString();
      for (const floor::Stack& stack : floor::bySheet(saw_->cutting(), progress)) say(stack);
    }
    view_->setStacks(stacks);
    progress_->setText(tr("%1 of %2 cuts, %3 of %4 parts, %5 left")
                           .arg(cuts.done)
                           .arg(cuts.of)
                           .arg(parts.done)
                           .arg(parts.of)
                           .arg(counted(saw_->settingsLeft(), tr("setting"), tr("settings"))));
  }
  if (!saw_ || !at) return;
  const SawCut& one = saw_->cut(*at);
  const std::string origin = saw_->origin(*at);
  const QString piece =
      origin.empty() ? qs(one.piece) : tr("%1, from %2").arg(qs(one.piece), qs(origin));
  machine_->setText(tr("%1   %2   %3, %4   %5")
                        .arg(saw_->number(*at))
                        .arg(piece, qs(one.machine), kindWords(one),
                             faceWords(saw_->cutting().request.shop, one)));
  LengthStyle other = style;
  other.unit = style.unit == Unit::Inch ? Unit::Millimetre : Unit::Inch;
  distance_->setText(readWords(one, saw_->geometry(*at), style));
  other_->setText(readWords(one, saw_->geometry(*at), other));
  const bool low = one.fence == FenceSide::Low;
  near_->setText(tr("stays: %1").arg(becomesWords(low ? saw_->low(*at) : saw_->high(*at))));
  far_->setText(tr("comes off: %1").arg(becomesWords(low ? saw_->high(*at) : saw_->low(*at))));
  count_->setText(one.isToMark() ? counted(saw_->leftAtSetting(*at), tr("cut to a mark left"),
                                           tr("cuts to a mark left"))
                                 : counted(saw_->leftAtSetting(*at), tr("cut left at this setting"),
                                           tr("cuts left at this setting")));
  const std::int64_t spares = sparesLeft(*at);
  const saw::Becomes stays = low ? saw_->low(*at) : saw_->high(*at);
  spares_->setText(
      spares == 0
          ? QString()
          : tr("%1 more %2 can be cut from what comes off").arg(spares).arg(qs(stays.name)));
  const auto next = saw_->nextSetting(*at);
  next_->setText(next ? tr("then %1, %2")
                            .arg(qs(saw_->cut(*next).machine),
                                 figureWithUnit(saw_->cut(*next).distance, style))
                      : tr("then nothing more is set"));
  caution_->setText(saw_->isMade(*at)    ? tr("This cut is made.")
                    : saw_->isReady(*at) ? cautionWords(saw_->caution(*at))
                                         : tr("Its piece does not lie there yet."));
}

void SawStage::noted(const std::function<std::optional<Problem>()>& note) {
  noting_ = true;
  const auto problem = note();
  noting_ = false;
  problem_->show(problem ? Problems{*problem} : Problems{});
  showStep();
}

void SawStage::done() {
  const auto at = step();
  if (saw_ && at && saw_->isReady(*at)) {
    looked_.reset();
    // The cuts of bars are of no plan.
    return noted([&] {
      return session().cutMade(cutting_, saw_->isBar(*at) ? 0 : plan_, saw_->cut(*at).step);
    });
  }
  if (saw_ && !at && leftovers() > 0)
    noted([this] { return session().happened(session().floor().ledger().toTheRack(cutting_)); });
}

// That go to the rack, once all of the cutting is cut.
std::int64_t SawStage::leftovers() const {
  return session().floor().ledger().leftoversOf(cutting_);
}

void SawStage::back() {
  const auto last = saw_ ? session().floor().ledger().back(cutting_) : std::nullopt;
  if (!last) return;
  // There may be more spares of the same.
  if (last->kind != EventKind::SpareTakenBack) looked_.reset();
  noted([this] { return session().takeBack(cutting_); });
}

std::int64_t SawStage::sparesLeft(std::size_t cut) const {
  return saw_->sparesLeft(cut, session().floor().ledger(), cutting_);
}

// One more of the part that stays, with the next number nobody has. It is cut from what came off:
// the cut itself is made by then.
void SawStage::spare() {
  const auto at = step();
  if (!saw_ || !at || sparesLeft(*at) == 0) return;
  std::vector<Event> events;
  Event event;
  event.cutting = cutting_;
  event.plan = saw_->isBar(*at) ? 0 : plan_;
  event.step = saw_->cut(*at).step;
  if (saw_->isReady(*at)) {
    event.kind = EventKind::CutMade;
    events.push_back(event);
  }
  const std::string code = saw_->stays(*at).name;
  event.kind = EventKind::Spare;
  event.piece = PieceId{code, floor::nextNumber(session().floor().holdings(), code)};
  events.push_back(std::move(event));
  if (looked_ != at && events.size() > 1) looked_ = at;  // there may be more of them
  noted([&] { return session().happened(std::move(events)); });
}

void SawStage::wentWrong() {
  if (!saw_) return;
  auto* dialog = new MishapDialog(session(), cutting_, window());
  connect(dialog, &QDialog::finished, this, [this] {
    looked_.reset();
    done_->setFocus();
    refresh();
  });
  dialog->open();
}

void SawStage::labels() {
  if (!saw_) return;
  auto* dialog = new LabelsDialog(session(), window());
  connect(dialog, &QDialog::finished, this, [this] {
    done_->setFocus();
    refresh();
  });
  dialog->open();
}

void SawStage::clock() {
  const floor::Progress& progress = session().floor().progress();
  Event event;
  event.name = kClock;
  event.kind =
      progress.running.count(event.name) > 0 ? EventKind::ClockStopped : EventKind::ClockStarted;
  noted([&] { return session().note(event); });
}

// What is left to do at the pace so far, and what the clock has run.
void SawStage::sayLeft() {
  const FloorDesk& floor = session().floor();
  const auto running = floor.progress().running.find(kClock);
  const bool runs = running != floor.progress().running.end();
  clock_->setChecked(runs);
  clock_->setEnabled(saw_ != nullptr);
  if (runs && isVisible())
    tick_.start();
  else
    tick_.stop();
  QString words;
  const auto ran = floor.progress().milliseconds.find(kClock);
  std::int64_t milliseconds = ran == floor.progress().milliseconds.end() ? 0 : ran->second;
  if (runs)
    milliseconds +=
        std::max<std::int64_t>(0, QDateTime::currentMSecsSinceEpoch() - running->second);
  constexpr std::int64_t kSecond = 1'000;
  if (milliseconds > 0 || runs) words = tr("clock %1   ").arg(clockWords(milliseconds / kSecond));
  if (saw_) {
    const auto cuts = saw_->cutsDone();
    const floor::Pace pace = floor::paceOf(floor.record(), saw_->cutting().request.shop);
    const std::int64_t left = floor::secondsFor(pace, cuts.of - cuts.done, saw_->settingsLeft());
    if (cuts.of > cuts.done)
      words +=
          (pace.learned ? tr("about %1 left, as it went so far") : tr("about %1 left, a guess"))
              .arg(clockWords(left));
  }
  left_->setText(words);
}

// The first piece of a setting: how far the fence must move, and what the piece is good for.
void SawStage::measured() {
  const auto at = step();
  if (!saw_ || !at) return;
  const LengthStyle style = session().style();
  const auto read = parseExpression(first_->text().trimmed().toStdString(), session().job().unit);
  if (!read || read.value() <= Length{}) {
    verdict_->setText(tr("A length above 0 is wanted."));
    return;
  }
  const SawCut& one = saw_->cut(*at);
  const Length off = read.value() - one.distance;
  const Length tolerance = saw_->cutting().request.shop.tolerance;
  if (std::max(off, -off) <= tolerance) {
    verdict_->setText(tr("%1: good.").arg(figureWithUnit(read.value(), style)));
  } else if (off > Length{}) {
    verdict_->setText(tr("%1 too much: move the fence in by that, and cut the piece again.")
                          .arg(figureWithUnit(off, style)));
  } else {
    verdict_->setText(tr("%1 too little: move the fence out by that. W says what the piece is good "
                         "for.")
                          .arg(figureWithUnit(-off, style)));
  }
  first_->clear();
  done_->setFocus();
}

std::optional<std::size_t> SawStage::find(const std::string& words) const {
  return saw_ ? saw_->find(words) : std::nullopt;
}

std::string SawStage::whatIsFound() const {
  return "the number of a cut, a sheet, or a code";
}

}  // namespace pp
