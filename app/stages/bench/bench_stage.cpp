#include "app/stages/bench/bench_stage.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/large.h"
#include "app/stages/bench/ask_dialog.h"
#include "app/stages/bench/trial_dialog.h"
#include "app/stages/bench/wrong_dialog.h"
#include "core/length/parse.h"
#include "core/machining/tried.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/problem_words.h"

namespace pp {
namespace {

constexpr int kListWide = 300;

}  // namespace

BenchStage::BenchStage(Session& session, QWidget* parent)
    : StepStage(session, parent), kinds_(leafKinds()), from_(kinds_.size(), 0) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(6);
  column->addLayout(makeHead());
  auto* middle = new QHBoxLayout;
  auto* left = new QVBoxLayout;
  groups_ = new QListWidget;
  groups_->setAccessibleName(tr("Steps in order"));
  groups_->setFont(look::text(look::kBody));
  groups_->setFixedWidth(kListWide);
  groups_->setFocusPolicy(Qt::NoFocus);
  groups_->setSpacing(2);
  groups_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  left->addWidget(groups_, 3);
  order_ = new StepList;
  order_->setFixedWidth(kListWide);
  left->addWidget(order_, 2);
  const auto group = [this]() -> std::optional<std::size_t> {
    const auto at = step();
    return at ? std::optional(list().steps()[*at].group) : std::nullopt;
  };
  connect(order_, &StepList::chosen, this, [this, group](std::size_t chosen) {
    catchUp();
    if (const auto shown = group()) goTo(*shown, chosen);
  });
  connect(order_, &StepList::dragged, this, [this, group](std::size_t from, std::size_t to) {
    catchUp();
    if (const auto shown = group()) move(*shown, from, to);
  });
  remark_ = figureLabel(tr("Of all of it"), 13, false);
  remark_->setWordWrap(true);
  remark_->setFixedWidth(kListWide);
  left->addWidget(remark_);
  middle->addLayout(left);
  connect(groups_, &QListWidget::itemClicked, this, [this] {
    const int row = groups_->currentRow();
    catchUp();
    if (row >= 0 && row < std::ssize(list().groups())) goTo(static_cast<std::size_t>(row), {});
  });
  auto* right = new QVBoxLayout;
  right->addLayout(makeStep());
  auto* changes = new QHBoxLayout;
  changes->setSpacing(6);
  constexpr std::size_t kMostChanges = 3;
  for (std::size_t i = 0; i < kMostChanges; ++i) {
    auto* button = new QPushButton;
    button->setFocusPolicy(Qt::NoFocus);
    button->hide();
    connect(button, &QPushButton::clicked, this, [this, i] {
      catchUp();
      const auto at = step();
      const auto all = at ? page().changes(list().steps()[*at]) : std::vector<Change>{};
      if (i < all.size()) take(all[i]);
    });
    changes->addWidget(button);
    changes_.push_back(button);
  }
  reading_ = new QPushButton(tr("Type the reading   R"));
  reading_->setAccessibleName(tr("A reading off the work"));
  reading_->setFocusPolicy(Qt::NoFocus);
  reading_->hide();
  connect(reading_, &QPushButton::clicked, this, &BenchStage::askReading);
  changes->addWidget(reading_);
  changes->addStretch(1);
  right->addLayout(changes);
  view_ = new BenchView;
  right->addWidget(view_, 1);
  middle->addLayout(right, 1);
  column->addLayout(middle, 1);
  column->addWidget(problem_);
  all_ = largeButton(tr("All here   A"), tr("All that are there are done"));
  connect(all_, &QPushButton::clicked, this, &BenchStage::allHere);
  test_ = largeButton(tr("Test cut   T"), tr("How the test cut came out"));
  connect(test_, &QPushButton::clicked, this, &BenchStage::test);
  wrong_ = largeButton(tr("Wrong   W"), tr("Something went wrong with the piece"));
  connect(wrong_, &QPushButton::clicked, this, &BenchStage::wentWrong);
  column->addLayout(makeButtons({tr("Take the last back"), tr("Look at the step before"),
                                 tr("Look at the step after"), tr("The piece is done")},
                                {all_, test_, wrong_}));
  key(Qt::Key_A, [this] { allHere(); });
  key(Qt::Key_T, [this] { test(); });
  key(Qt::Key_W, [this] { wentWrong(); });
  key(Qt::Key_R, [this] { askReading(); });
  for (const Qt::Key one : {Qt::Key_J, Qt::Key_O, Qt::Key_F})
    key(one, [this, one] { press(QKeySequence(one)); });
  key(Qt::SHIFT | Qt::Key_Up, [this] { moveBy(-1); });
  key(Qt::SHIFT | Qt::Key_Down, [this] { moveBy(1); });
  for (std::size_t i = 0; i < kinds_.size(); ++i)
    key(static_cast<Qt::Key>(Qt::Key_1 + static_cast<int>(i)), [this, i] { showPage(i); });
  connect(&session.floor(), &FloorDesk::changed, this, &BenchStage::stale);
  const auto follow = [this] {
    jobChanged_ = true;
    stale();
  };
  connect(&session, &Session::changed, this, follow);
  connect(&session.store(), &StoreDesk::changed, this, follow);
}

QLayout* BenchStage::makeHead() {
  auto* head = new QHBoxLayout;
  head->setSpacing(4);
  for (std::size_t i = 0; i < kinds_.size(); ++i) {
    auto* choice = new QPushButton(tr("%1  %2").arg(i + 1).arg(kinds_[i].choice));
    choice->setAccessibleName(tr("Show %1").arg(kinds_[i].choice.toLower()));
    choice->setCheckable(true);
    choice->setFocusPolicy(Qt::NoFocus);
    connect(choice, &QPushButton::clicked, this, [this, i] { showPage(i); });
    head->addWidget(choice);
    choices_.push_back(choice);
  }
  progress_ = figureLabel(tr("How far it is"), 15, false);
  progress_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  progress_->setWordWrap(true);
  head->addSpacing(12);
  head->addWidget(progress_, 1);
  find_->setAccessibleName(tr("What is next for a piece"));
  find_->setPlaceholderText(tr("code or label  G"));
  head->addWidget(find_);
  return head;
}

QLayout* BenchStage::makeStep() {
  auto* column = new QVBoxLayout;
  column->setSpacing(2);
  with_ = figureLabel(tr("With what"), 24, true);
  figure_ = figureLabel(tr("Figure"), kTwoMetres, true);
  other_ = figureLabel(tr("Figure in the other unit"), 17, false);
  what_ = figureLabel(tr("What is done"), 20, true);
  piece_ = figureLabel(tr("Piece"), 24, true);
  how_ = figureLabel(tr("How it lies"), 17, false);
  first_ = figureLabel(tr("Tried first"), 17, true);
  caution_ = figureLabel(tr("Caution"), 15, false);
  auto* head = new QHBoxLayout;
  head->addWidget(with_, 1);
  head->addWidget(piece_, 1);
  column->addLayout(head);
  auto* row = new QHBoxLayout;
  auto* left = new QVBoxLayout;
  left->setSpacing(0);
  left->addWidget(figure_);
  left->addWidget(other_);
  auto* right = new QVBoxLayout;
  for (Label* one : {what_, how_, first_}) right->addWidget(one);
  right->addStretch(1);
  for (Label* one : {piece_, what_, how_, first_})
    one->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  // In lines rather than cut off: a piece is known by its code, which comes first.
  for (Label* one : {with_, piece_, what_, how_, first_}) one->setWordWrap(true);
  // The figure is seen whole; what is said of it has the rest.
  row->addLayout(left);
  row->addLayout(right, 1);
  column->addLayout(row);
  column->addWidget(caution_);
  caution_->setWordWrap(true);
  // In a small window a long name is cut off rather than the window growing.
  for (Label* one : {with_, what_, piece_, how_, first_})
    one->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  return column;
}

std::vector<KeyHelp> BenchStage::keys() const {
  return {{tr("1 … 5"), tr("machining, banding, finishing, assembly, installing")},
          {tr("Space, Enter"), tr("it is done to the piece")},
          {tr("A"), tr("it is done to all pieces that are there")},
          {tr("T"), tr("how the test cut or the sample came out: kept for the shop's next job")},
          {tr("Shift+↑ ↓"), tr("the step of the assembly earlier, later; dragged in the list too")},
          {tr("J"), tr("its joints: glued in the shop, in place, never")},
          {tr("O"), tr("the order as it was found")},
          {tr("R"), tr("the reading off the work that the part waits for")},
          {tr("F"), tr("finished as parts or put together")},
          {tr("W"), tr("something went wrong with the piece: the ways out")},
          {tr("Z"), tr("take the last one back")},
          {tr("← →"), tr("look at other steps; Space does one whose piece is cut")},
          {tr("Esc"), tr("back to the next step")},
          {tr("G"), tr("type or scan a code: what is next for that piece")}};
}

void BenchStage::follow() const {
  std::vector<std::int64_t> of;
  for (const auto& [number, cutting] : progress().cuttings) {
    of.push_back(number);
    of.push_back(cutting.givenUp ? 0 : cutting.plan);
  }
  std::int64_t spoiled = 0, spares = 0;  // how many; the sum of their numbers
  for (const auto& [piece, state] : progress().pieces) {
    spoiled += state.spoiled ? 1 : 0;
    spares += state.spare ? piece.number : 0;
  }
  of.insert(of.end(), {spoiled, spares});
  if (!std::exchange(jobChanged_, false) && !pages_.empty() && of == of_) return;
  of_ = std::move(of);
  pages_.clear();
  pages_.resize(kinds_.size());
  pieces_ = bench::piecesAtBench(session().floor().record().cuttings, progress(),
                                 session().breakdown().parts);
}

const BenchPage& BenchStage::page(std::size_t which) const {
  if (pages_.empty()) follow();
  std::unique_ptr<BenchPage>& out = pages_[which];
  if (!out) out = kinds_[which].make(session(), pieces_);
  return *out;
}

int BenchStage::openCount() const {
  if (progress().pieces.empty()) return 0;
  follow();
  std::int64_t out = 0;
  for (std::size_t i = 0; i < kinds_.size(); ++i)
    if (kinds_[i].isOfPieces) out += page(i).list().ready(progress());
  return static_cast<int>(out);
}

void BenchStage::showEvent(QShowEvent* event) {
  StepStage::showEvent(event);
  // What it has of rolls and cans; a shop that has no store yet gets none by looking.
  session().store().lookIfThere();
}

void BenchStage::refresh() {
  follow();
  if (looked_ && *looked_ >= steps()) looked_.reset();
  if (from_[shown_] >= steps()) from_[shown_] = 0;
  for (std::size_t i = 0; i < choices_.size(); ++i) choices_[i]->setChecked(i == shown_);
  showList();
  showStep();
}

void BenchStage::showPage(std::size_t page) {
  shown_ = page;
  looked_.reset();
  done_->setFocus();
  refresh();
}

std::size_t BenchStage::steps() const {
  return list().steps().size();
}

std::optional<std::size_t> BenchStage::nextStep() const {
  if (const auto next = list().next(progress(), from_[shown_])) return next;
  // Nothing is cut yet, or all is done: what would be next is shown where there is anything.
  for (std::size_t i = 0; i < steps(); ++i)
    if (list().state(list().steps()[i], progress()) == bench::Worklist::State::NotCut) return i;
  return std::nullopt;
}

void BenchStage::showList() {
  const QSignalBlocker quiet(groups_);
  groups_->clear();
  for (std::size_t i = 0; i < list().groups().size(); ++i) {
    const floor::Count count = list().done(progress(), i);
    groups_->addItem(tr("%1%2\n%3 of %4   %5")
                         .arg(count.done == count.of ? QStringLiteral("✓ ") : QString())
                         .arg(page().groupHead(i))
                         .arg(count.done)
                         .arg(count.of)
                         .arg(page().groupFoot(i)));
  }
  groups_->setVisible(groups_->count() > 0);
  remark_->setText(page().remark());
  remark_->setVisible(!remark_->text().isEmpty());
}

void BenchStage::showStep() {
  using State = bench::Worklist::State;
  const auto at = step();
  for (Label* one : {with_, figure_, other_, what_, piece_, how_, first_, caution_})
    one->setVisible(at.has_value());
  back_->setEnabled(last() != nullptr);
  const floor::Count all = list().done(progress());
  progress_->setText(
      all.of == 0 ? QString()
                  : kinds_[shown_].progress.arg(all.done).arg(all.of).arg(page().countWords()));
  if (!at) {
    for (QPushButton* button : changes_) button->hide();
    reading_->hide();
    order_->hide();
    view_->show({}, all.of == 0 ? page().nothing() : page().allDone());
    done_->setText(tr("Nothing to do"));
    for (QPushButton* button : {all_, test_, wrong_}) button->setEnabled(false);
    return;
  }
  const bench::Worklist::Step& one = list().steps()[*at];
  groups_->setCurrentRow(static_cast<int>(one.group));
  order_->setSteps(page().stepsOf(one.group));
  order_->setCurrentRow(static_cast<int>(one.work));
  order_->setVisible(order_->count() > 0);
  showWords(one);
  showChanges(one);
  const State state = list().state(one, progress());
  done_->setText(state == State::Done    ? tr("It is done")
                 : state == State::Ready ? tr("Done   Space")
                                         : tr("Not cut yet"));
  all_->setEnabled(!list().readyAt(one.group, progress()).empty());
  const bool isSample = page().sample(one).has_value();
  test_->setText(isSample ? tr("Sample   T") : tr("Test cut   T"));
  test_->setAccessibleName(isSample ? tr("How the sample came out")
                                    : tr("How the test cut came out"));
  test_->setEnabled(isSample || page().trial(one).has_value());
  wrong_->setEnabled(state != State::NotCut);
}

void BenchStage::showWords(const bench::Worklist::Step& step) {
  const StepWords words = page().words(step);
  const Part& part = list().part(step);
  with_->setText(words.with);
  figure_->setText(words.figure);
  other_->setText(words.figureInOtherUnit);

  piece_->setText(!words.piece.isEmpty() ? words.piece
                                         : tr("%1 no. %2, %3")
                                               .arg(qs(step.piece.code))
                                               .arg(step.piece.number)
                                               .arg(nameWithHand(part)));
  what_->setText(words.what);
  how_->setText(words.how);
  first_->setText(words.first);
  caution_->setText(words.caution);
  // Asked anew at every painting: the leaf may be another by then.
  view_->show(
      [this, at = *this->step()](QPainter& painter, const QRectF& room) {
        if (at < steps()) page().paint(painter, room, list().steps()[at]);
      },
      words.how);
}

void BenchStage::noted(std::vector<Event> events) {
  std::optional<Problem> problem;
  for (Event& event : events) {
    problem = session().note(std::move(event));
    if (problem) break;
  }
  problem_->show(problem ? Problems{*problem} : Problems{});
  refresh();
}

void BenchStage::done() {
  catchUp();
  const auto at = step();
  if (!at || list().state(list().steps()[*at], progress()) != bench::Worklist::State::Ready) return;
  looked_.reset();
  from_[shown_] = *at;
  noted({list().done(list().steps()[*at])});
}

void BenchStage::allHere() {
  catchUp();
  const auto at = step();
  if (!at) return;
  looked_.reset();
  from_[shown_] = *at;
  std::vector<Event> events;
  for (const std::size_t i : list().readyAt(list().steps()[*at].group, progress()))
    events.push_back(list().done(list().steps()[i]));
  noted(std::move(events));
}

void BenchStage::test() {
  catchUp();
  const auto at = step();
  if (!at) return;
  if (const auto sample = page().sample(list().steps()[*at])) return askSample(*sample);
  const auto slot = page().trial(list().steps()[*at]);
  if (!slot) return;
  auto* dialog = new TrialDialog(session().style(),
                                 tr("A slot %1 wide, cut in scrap: how does what goes in fit?")
                                     .arg(figureWithUnit(slot->width, session().style())),
                                 window());
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  connect(dialog, &QDialog::accepted, this, [this, dialog, slot = *slot] {
    const auto state = session().store().state();
    const std::string before = state ? state->testCuts : std::string();
    const std::string after = bench::writeTried(
        bench::withTried(bench::readTried(before), {slot.tool, slot.width, dialog->off()}));
    keep(tr("keep a test cut"), kTestCuts, after, before);
  });
  connect(dialog, &QDialog::finished, this, [this] { done_->setFocus(); });
  dialog->open();
}

// With the piece that is shown, whether its step is done or not.
void BenchStage::wentWrong() {
  catchUp();
  const auto at = step();
  if (!at) return;
  const bench::Worklist::Step& one = list().steps()[*at];
  if (list().state(one, progress()) == bench::Worklist::State::NotCut) return;
  auto* dialog = new WrongDialog(session(), one.piece,
                                 tr("%1 no. %2, %3")
                                     .arg(qs(one.piece.code))
                                     .arg(one.piece.number)
                                     .arg(qs(list().part(one).name)),
                                 window());
  connect(dialog, &QDialog::finished, this, [this] { done_->setFocus(); });
  dialog->open();
}

const Event* BenchStage::last() const {
  return bench::lastDone(list(), session().floor().record().events, progress());
}

void BenchStage::back() {
  catchUp();
  const Event* event = last();
  if (event == nullptr) return;
  looked_.reset();
  Event undone;
  undone.kind = EventKind::DoneTakenBack;
  undone.piece = event->piece;
  undone.name = event->name;
  for (std::size_t i = 0; i < steps(); ++i)
    if (list().steps()[i].piece == *event->piece &&
        list().work(list().steps()[i]).name == event->name)
      from_[shown_] = i;
  noted({undone});
}

void BenchStage::goTo(std::size_t group, std::optional<std::size_t> work) {
  if (!work) {
    const auto ready = list().readyAt(group, progress());
    lookAt(ready.empty() ? list().firstOf(group) : std::optional(ready.front()));
    return;
  }
  // Of a step the piece that is next.
  std::optional<std::size_t> found;
  for (std::size_t i = 0; i < steps(); ++i) {
    const bench::Worklist::Step& one = list().steps()[i];
    if (one.group != group || one.work != *work) continue;
    const bool isReady = list().state(one, progress()) == bench::Worklist::State::Ready;
    if (!found || isReady) found = i;
    if (isReady) break;
  }
  if (found) lookAt(found);
}

void BenchStage::showChanges(const bench::Worklist::Step& step) {
  const std::vector<Change> all = page().changes(step);
  for (std::size_t i = 0; i < changes_.size(); ++i) {
    changes_[i]->setVisible(i < all.size());
    if (i >= all.size()) continue;
    changes_[i]->setText(all[i].says);
    changes_[i]->setAccessibleName(all[i].name);
  }
  reading_->setVisible(page().reading(step).has_value());
}

void BenchStage::take(const Change& change) {
  Job next = session().draft();
  change.make(next);
  const Problems problems = session().edit(change.what, std::move(next));
  if (problems.empty()) session().finish();
  problem_->show(problems);
}

void BenchStage::press(const QKeySequence& key) {
  catchUp();
  const auto at = step();
  if (!at) return;
  for (const Change& one : page().changes(list().steps()[*at]))
    if (one.key == key) return take(one);
}

void BenchStage::move(std::size_t group, std::size_t from, std::size_t to) {
  catchUp();
  if (group >= list().groups().size()) return;
  const auto change = page().moved(group, from, to);
  if (!change) return;
  take(*change);
  catchUp();
  goTo(group, to);
}

void BenchStage::moveBy(int by) {
  catchUp();
  const auto at = step();
  if (!at) return;
  const bench::Worklist::Step one = list().steps()[*at];
  const auto to = static_cast<std::int64_t>(one.work) + by;
  if (to >= 0) move(one.group, one.work, static_cast<std::size_t>(to));
}

void BenchStage::askReading() {
  catchUp();
  const auto at = step();
  const auto reading = at ? page().reading(list().steps()[*at]) : std::nullopt;
  if (!reading) return;
  const auto take = [this, reading](const QString& text) -> QString {
    Job next = session().draft();
    for (const QString& one : text.split(QLatin1Char(','))) {
      const auto typed = parseExpression(one.toStdString(), session().style().unit);
      if (!typed || *typed <= Length{})
        return tr("Lengths above 0 are wanted, with a comma between two.");
      if (!reading->take(next, *typed)) return tr("No more readings are kept for it.");
    }
    const Problems problems = session().edit(tr("a reading off the work"), std::move(next));
    if (!problems.empty()) return sentence(problems.front());
    session().finish();
    return {};
  };
  auto* dialog =
      new AskDialog(tr("Read off the work"),
                    tr("%1 At the front and the rear, with a comma between: the smallest counts.")
                        .arg(reading->question),
                    tr("The reading"), {}, take, window());
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  connect(dialog, &QDialog::finished, this, [this] { done_->setFocus(); });
  dialog->open();
}

void BenchStage::keep(const QString& what, const char* setting, std::string after,
                      std::string before) {
  const auto set = [setting](std::string value) {
    return [setting, value = std::move(value)](Store& store) -> Problems {
      const auto problem = store.set(setting, value);
      return problem ? Problems{*problem} : Problems{};
    };
  };
  session().store().change(what, set(std::move(after)), set(std::move(before)));
}

void BenchStage::askSample(const bench::Sample& sample) {
  const auto state = session().store().state();
  const std::string before = state ? state->samples : std::string();
  const auto take = [this, sample, before](const QString& text) -> QString {
    bench::Sample made = sample;
    made.result = text.toStdString();
    const std::string after =
        bench::writeSamples(bench::withSample(bench::readSamples(before), made));
    keep(tr("keep a sample"), kSamples, after, before);
    return {};
  };
  auto* dialog = new AskDialog(
      tr("Sample"),
      tr("Every coat on a sanded offcut of %1: how did it come out?").arg(qs(sample.material)),
      tr("How it came out"), qs(bench::sampleOf(bench::readSamples(before), sample)), take,
      window());
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  connect(dialog, &QDialog::finished, this, [this] { done_->setFocus(); });
  dialog->open();
}

std::optional<std::size_t> BenchStage::find(const std::string& words) const {
  return list().find(words, session().job().id, progress());
}

std::string BenchStage::whatIsFound() const {
  return "the code of a part that is worked on here, or what its label says";
}

}  // namespace pp
