#include "app/session/session.h"

#include <QFile>
#include <QRandomGenerator>
#include <algorithm>
#include <utility>

#include "core/assembly/covers.h"
#include "core/breakdown/assign_ids.h"
#include "core/floor/taking.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/job/new_job.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"
#include "core/secondlook/store_look.h"
#include "core/shop/house_rules.h"
#include "words/figures.h"
#include "words/problem_words.h"

namespace pp {
namespace {

// Sixteen hexadecimal digits that no other job has.
std::string newJobId() {
  return QString::number(QRandomGenerator::system()->generate64(), 16)
      .rightJustified(16, QLatin1Char('0'))
      .toStdString();
}

QString lostWords(const Lost& lost) {
  QStringList words;
  if (!lost.overrides.empty())
    words << counted(std::ssize(lost.overrides), QObject::tr("choice made by hand"),
                     QObject::tr("choices made by hand"));
  if (!lost.pins.empty())
    words << counted(std::ssize(lost.pins), QObject::tr("pin"), QObject::tr("pins"));
  return QObject::tr("%1 went with it; undo brings all back.")
      .arg(words.join(QObject::tr(" and ")));
}

// Of a cutting, of a plan of it, of a step of that.
Event atCutting(EventKind kind, int cutting, int plan, int step) {
  Event out;
  out.kind = kind;
  out.cutting = cutting;
  out.plan = plan;
  out.step = step;
  return out;
}

// What the cutting that is taken has of the shop's store.
std::map<Id, std::int64_t> wantedBy(const floor::Taken& taken) {
  return wantedOf(taken.record.cuttings.back().plans.front());
}

}  // namespace

Session::Session(QObject* parent)
    : QObject(parent), history_(std::make_shared<const Job>(newJob(Unit::Millimetre))) {
  connect(&plans_, &PlanDesk::another, this, [this] { modes_.planChanged(); });
  connect(&plans_, &PlanDesk::findingsChanged, this, [this] {
    mergeFindings();
    emit findingsChanged();
  });
  connect(&store_, &StoreDesk::changed, this, [this] {
    mergeFindings();
    emit findingsChanged();
  });
  connect(&store_, &StoreDesk::said, this, &Session::said);
  connect(&file_, &JobFile::said, this, &Session::said);
  connect(&floor_, &FloorDesk::said, this, &Session::said);
  connect(&deriver_, &Deriver::ready, this, &Session::show);
  connect(&pointing_, &Pointing::selectionChanged, this, [this] {
    modes_.selectionChanged();
    measureAssembly();
  });
  openNew(Unit::Millimetre);
}

Job Session::draft() {
  finish();
  return job();
}

void Session::finish() {
  if (auto made = deriver_.finish()) show(std::move(*made));
}

Problems Session::edit(const QString& what, Job next) {
  if (next == *history_.now()) return {};
  if (Problems problems = changedCodes(floor_.record(), next); !problems.empty()) return problems;
  raise(next, floor_.record());
  const auto lost = assignIdsAndCodes(next, history_.lastId());
  if (!lost) return inWords(lost.problems(), next);
  history_.push(what.toStdString(), std::make_shared<const Job>(std::move(next)));
  follow();
  if (!lost->empty()) emit said(lostWords(*lost));
  return {};
}

Problems Session::editAssembly(const QString& what, const std::string& code, Assembly assembly) {
  Job next = draft();
  for (std::size_t i = 0; i < next.assemblies.size(); ++i)
    if (job().assemblies[i].code == code) {
      next.assemblies[i] = std::move(assembly);
      break;
    }
  return editDrawn(what, code, std::move(next));
}

Problems Session::editDrawn(const QString& what, const std::string& code, Job next) {
  if (Problems problems = validate(next); !problems.empty())
    return inWords(std::move(problems), next);
  // A drawing that cannot be solved would leave nothing to look at: it is refused where it is
  // typed. Drawers that do not go in are a finding instead, since the rest can still be drawn.
  for (std::size_t i = 0; i < next.assemblies.size(); ++i) {
    if (i >= job().assemblies.size() || job().assemblies[i].code != code) continue;
    Problems unsolved;
    for (const Trouble& trouble : breakDown(next, std::as_const(next).assemblies[i]).troubles)
      if (!trouble.drawers) unsolved.push_back(trouble.problem);
    if (!unsolved.empty()) return inWords(std::move(unsolved), next);
    break;
  }
  return edit(what, std::move(next));
}

QString Session::undoText() const {
  return QString::fromStdString(history_.undoText());
}
QString Session::redoText() const {
  return QString::fromStdString(history_.redoText());
}

void Session::undo() {
  if (!canUndo()) return;
  history_.undo();
  follow();
}

void Session::redo() {
  if (!canRedo()) return;
  history_.redo();
  follow();
}

QString Session::title() const {
  return qs(job().name);
}

void Session::take(Job job, Record record, const QString& path, Access access) {
  plans_.clear();
  raise(job, record);
  // An id that is new must be in the file before anything is noted under it: a journal of an id
  // that no file has is nobody's.
  const bool isNamed = job.id.empty() && !path.isEmpty() && !record.cuttings.empty();
  if (job.id.empty()) job.id = newJobId();
  giveIds(job);
  history_ = History(std::make_shared<const Job>(std::move(job)));
  file_.begin(path, access == Access::ToRead);
  const QStringList lost =
      floor_.begin(std::move(record), path, history_.now()->id, access == Access::ToRead);
  const std::string first =
      history_.now()->assemblies.empty() ? std::string() : history_.now()->assemblies.front().code;
  measured_.clear();
  // Who is told of the selection finds the job that it is of.
  shown_ = derivedNow();
  pointing_.select({first, std::nullopt, {}});
  show(shown_);
  asking_ = false;
  store_.begin(this->job().id);
  if (access == Access::ToEdit) tellStore();
  if (isNamed && access == Access::ToEdit)
    if (const auto problem = save(path))
      emit said(tr("Nothing can be noted before the job is saved: %1")
                    .arg(QString::fromStdString(describe(*problem))));
  if (!lost.isEmpty()) emit said(lost.join(QLatin1Char(' ')));
}

// What the job does not have is not selected, whoever pointed at it.
void Session::dropWhatIsGone() {
  Selection selection = pointing_.selection();
  if (findAssembly(job(), selection.assembly) == nullptr)
    selection = {
        job().assemblies.empty() ? std::string() : job().assemblies.front().code, std::nullopt, {}};
  if (selection.opening) {
    const Assembly* of = findAssembly(job(), selection.assembly);
    if (of == nullptr || !of->isCarcass() ||
        find(of->carcass().inside, *selection.opening) == nullptr)
      selection.opening.reset();
  }
  pointing_.select(std::move(selection));
}

// Everything follows the job that history says is now.
void Session::follow() {
  protect();
  if (auto made = deriver_.derive(history_.now(), floor_.record().cuttings, floor_.progress()))
    show(std::move(*made));
  else
    emit stateChanged();
}

Derived Session::derivedNow() {
  return deriver_.deriveNow(history_.now(), floor_.record().cuttings, floor_.progress());
}

void Session::followNow() {
  show(derivedNow());
}

// The tape follows an assembly that comes to be the one selected, unless something in it is.
void Session::measureAssembly() {
  const Selection& now = pointing_.selection();
  if (now.opening || !now.part.empty() || now.assembly == measured_) return;
  const Assembly* of = findAssembly(job(), now.assembly);
  if (of == nullptr) return;
  measured_ = now.assembly;
  pointing_.measure(tr("width of %1").arg(qs(of->code)), widthOf(job(), *of));
}

void Session::show(Derived made) {
  shown_ = std::move(made);
  history_.complete(shown_.job);
  modes_.jobChanged();
  dropWhatIsGone();
  followPlan(std::exchange(from_, nullptr));
  mergeFindings();
  emit changed();
  emit stateChanged();
  emit pointing_.selectionChanged();
}

void Session::followPlan(std::shared_ptr<const Plan> from) {
  plans_.follow(
      jobValue(),
      floor::openRequest(job(), shown_.breakdown->parts, floor_.record().scope, floor_.holdings()),
      floor_.record().plan, std::move(from));
}

// The findings of the job and of its plan together.
void Session::mergeFindings() {
  findings_ = shown_.findings;
  findings_.insert(findings_.end(), plans_.findings().begin(), plans_.findings().end());
  if (store_.state())
    for (Finding& finding : lookAtStore(job(), *store_.state()))
      findings_.push_back(std::move(finding));
  std::stable_sort(findings_.begin(), findings_.end(),
                   [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
}

Problems Session::editPins(const QString& what, std::vector<JobPin> pins,
                           std::shared_ptr<const Plan> from) {
  Job next = draft();
  next.pins = std::move(pins);
  from_ = std::move(from);
  const Problems problems = edit(what, std::move(next));
  if (!deriver_.isBusy()) from_ = nullptr;
  return problems;
}

bool Session::isFreeCode(const std::string& code) const {
  return findAssembly(job(), code) == nullptr && isFree(floor_.record(), code);
}

void Session::setScope(Scope scope) {
  if (scope == floor_.record().scope) return;
  floor_.setScope(std::move(scope));
  followPlan();
  mergeFindings();
  emit findingsChanged();
}

// All of it is this job's or nothing is taken. A store that does not answer keeps nobody waiting:
// it is told what is held as soon as it can be, and should the program end before that, when the
// job is opened next.
Problems Session::takeToTheSaw() {
  if (asking_)
    return {{{}, 0, {}, "a shop's store that is being asked", "its answer, in a moment"}};
  auto ready = readyToTake();
  if (!ready) return ready.problems();
  const auto wanted = wantedBy(*ready);
  if (wanted.empty()) return takeNow(std::move(ready).value());
  asking_ = true;
  store_.take(job().name, std::as_const(ready->record).cuttings.back().number, wanted,
              [this, wanted, id = job().id](const StoreDesk::Answer& answer) {
                if (!asking_ || job().id != id) return;
                asking_ = false;
                if (!answer.untold.isEmpty())
                  emit said(tr("Taken, but the shop's rack is not told yet: %1 It is tried again.")
                                .arg(answer.untold));
                emit tookToTheSaw(answer.refused.empty() ? takePromised(wanted) : answer.refused);
              });
  return {};
}

// What is to be taken, as things are.
Result<floor::Taken> Session::readyToTake() {
  finish();
  const auto plan = plans_.isCurrent() ? plans_.shown().plan : nullptr;
  if (!plan) return Problem{{}, 0, {}, "no plan of what is drawn now", "one that is laid out"};
  if (!plan->complete())
    return Problem{{}, 0, {}, "parts without a place", "a plan that has room for all"};
  return floor::taken(recordToSave(), job(), plans_.open(), *plan);
}

// It may have been laid out anew while the store was asked.
Problems Session::takePromised(const Promised& promised) {
  auto ready = readyToTake();
  if (ready && wantedBy(*ready) == promised) return takeNow(std::move(ready).value());
  tellStore();  // what was promised is free again
  if (!ready) return ready.problems();
  return {{{}, 0, {}, "a plan that changed while the shop's store was asked", "the same plan"}};
}

Problems Session::takeNow(floor::Taken taken) {
  if (Problems problems = saveAndNote(std::move(taken)); !problems.empty()) {
    tellStore();  // what was promised is free again
    return problems;
  }
  history_.keepCodes(onPaper(floor_.record()));
  tellStore();
  plans_.runner().stop();
  followNow();
  store_.want(wants());
  return {};
}

// Without its last event what was taken was never taken.
Problems Session::saveAndNote(floor::Taken taken) {
  if (auto problem = file_.save(path(), job(), taken.record)) return {std::move(*problem)};
  history_.markSaved();
  floor_.saved(std::move(taken.record), path(), job().id);
  for (Event& event : taken.events)
    if (auto problem = floor_.note(std::move(event))) return {std::move(*problem)};
  return {};
}

// What the job has of the store follows from its record alone. A job that has nothing of it says
// nothing, so that no store is made for it.
void Session::tellStore() {
  JobHolding holding = holdingOf(job(), floor_.record(), floor_.ledger());
  const bool known = std::any_of(job().stock.begin(), job().stock.end(),
                                 [](const StockPiece& piece) { return piece.store != 0; });
  if (known || !holding.held.empty() || !holding.returned.empty())
    store_.follow(std::move(holding));
}

void Session::printed() {
  finish();
  floor_.reservePrinted(job());
  history_.keepCodes(onPaper(floor_.record()));
}

std::optional<Problem> Session::note(Event event) {
  if (auto problem = floor_.note(std::move(event))) return problem;
  tellStore();
  return std::nullopt;
}

std::optional<Problem> Session::cutMade(int cutting, int plan, int step) {
  return note(atCutting(EventKind::CutMade, cutting, plan, step));
}

std::optional<Problem> Session::takeBack(int cutting) {
  auto event = floor_.ledger().back(cutting);
  if (!event) return Problem{{}, 0, {}, "nothing that can be taken back", "a cut that was made"};
  // A cut leaves what is to be laid out as it is.
  if (event->kind == EventKind::CutTakenBack) return note(std::move(*event));
  return happened({std::move(*event)});
}

std::optional<Problem> Session::happened(std::vector<Event> events) {
  for (Event& event : events)
    if (auto problem = floor_.note(std::move(event))) return problem;
  tellStore();
  followNow();
  return std::nullopt;
}

Problems Session::goOn(int cutting, std::vector<Event> events, CuttingPlan plan) {
  finish();
  auto gone =
      floor::goneOn(recordToSave(), floor_.progress(), cutting, std::move(events), std::move(plan));
  if (!gone) return gone.problems();
  Problems problems = saveAndNote(std::move(gone).value());
  tellStore();
  followNow();
  return problems;
}

std::optional<Problem> Session::giveUp(int cutting) {
  return happened({atCutting(EventKind::GivenUp, cutting, 0, 0)});
}

Problems Session::open(const QString& path, Access access) {
  const auto text = readFile(path.toStdString());
  if (!text) return text.problems();
  auto read = readJobWithRecord(path.toStdString(), text.value());
  if (!read) return read.problems();
  take(std::move(read.value().job), std::move(read.value().record), path, access);
  return {};
}

Problems Session::openDemo(const QString& name) {
  QFile file(QStringLiteral(":/demo/%1.plainpatch").arg(name));
  if (!file.open(QIODevice::ReadOnly))
    return {{name.toStdString(), 0, {}, "no such demo job", "log-wall or ringing-trolley"}};
  auto read = readJobWithRecord(name.toStdString(), file.readAll().toStdString());
  if (!read) return read.problems();
  read.value().job.id.clear();  // it becomes a job of its own
  take(std::move(read.value().job), std::move(read.value().record), QString(), Access::ToEdit);
  return {};
}

void Session::openNew(Unit unit) {
  Job fresh = newJob(unit);
  if (const std::string& rules = store_.rules(unit); !rules.empty()) {
    auto ruled = withHouseRules(fresh, rules);
    if (ruled) fresh = std::move(ruled).value();
  }
  openNew(std::move(fresh));
}

OpenWork Session::openWork() const {
  if (!plans_.isCurrent()) return {};
  const PlanShown& shown = plans_.shown();
  return {shown.request.get(), shown.plan.get()};
}

JobWants Session::wants() const {
  JobWants out = wantsOf(job(), breakdown().parts, openWork());
  for (Need& need : bench::coverNeeds(breakdown().parts, job()))
    out.needs.push_back(std::move(need));
  return out;
}

void Session::openNew(Job job) {
  take(std::move(job), {}, QString(), Access::ToEdit);
}

// With what a file is to have that is written now.
Record Session::recordToSave() const {
  Record out = floor_.record();
  reserve(out, job());
  if (auto plan = plans_.toKeep()) out.plan = std::move(plan);
  floor::dropNeverTaken(out, floor_.progress());
  return out;
}

std::optional<Problem> Session::save(const QString& path, JobFile::Over over) {
  finish();
  Record record = recordToSave();
  if (auto problem = file_.save(path, job(), record, over)) return problem;
  floor_.saved(std::move(record), path, job().id);
  plans_.markInFile();
  history_.markSaved();
  store_.want(wants());
  emit stateChanged();
  return std::nullopt;
}

std::optional<Problem> Session::saveAs(const QString& path, As as) {
  finish();
  const QString before = this->path();
  if (as == As::Move || before.isEmpty()) {
    if (auto problem = save(path)) return problem;
    // By whatever names and mounts: what was written just now does not go.
    if (!before.isEmpty() && !isSameFile(before.toStdString(), path.toStdString())) {
      QFile::remove(before);
      if (!floor_.isStuck(before))
        QFile::remove(QString::fromStdString(journalOf(before.toStdString())));
    }
    return std::nullopt;
  }
  Job copy = job();
  copy.id = newJobId();
  Record record;
  reserve(record, copy);
  record.plan = plans_.toKeep();
  if (auto problem = file_.save(path, copy, record)) return problem;
  history_.setJobId(copy.id);
  history_.markSaved();
  floor_.saved(std::move(record), path, copy.id);
  store_.begin(copy.id);
  followNow();
  return std::nullopt;
}

void Session::keepRecord() {
  if (isModified() || path().isEmpty() || file_.isToRead() || file_.isChangedByOthers()) return;
  // A file of an older version is left as it is until it is saved, unless something happened: what
  // happened does not stay in a journal that is forgotten when the file is moved.
  const bool isOfNow = !floor_.record().codes.empty();
  if (floor_.hasJournal() || (isOfNow && !(plans_.isInFile() && floor_.isInFile())))
    (void)save(path());
}

void Session::discard() {
  file_.nothingToProtect();
  if (path().isEmpty() || file_.isToRead() || file_.isChangedByOthers() ||
      (floor_.isInFile() && !floor_.hasJournal()))
    return;
  const std::string file = path().toStdString();
  const auto text = readFile(file);
  if (!text) return;
  // What is drawn goes back to what the file has; what paper carries and what happened stays.
  if (auto saved = readJobWithRecord(file, text.value())) {
    Record record = std::move(saved.value().record);
    record.codes = floor_.record().codes;
    record.events = floor_.record().events;
    if (!file_.save(path(), saved.value().job, record))
      floor_.saved(std::move(record), path(), job().id);
  }
}

// After every edit; a job that is as its file has it needs no protection.
void Session::protect() {
  if (isModified())
    file_.protect(history_.now());
  else
    file_.nothingToProtect();
}

Problems Session::recover(const Unsaved& left, Access access) {
  auto read = JobFile::read(left);
  if (!read) return read.problems();
  // The record was never undone: it is as the file has it. Where the file cannot be read it is kept
  // from being replaced: what is recovered is a job without a file.
  Record record;
  QString path = left.path;
  if (!path.isEmpty() && stampOf(path.toStdString())) {
    const auto text = readFile(path.toStdString());
    auto file = text ? readJobWithRecord(path.toStdString(), text.value())
                     : Result<JobWithRecord>(text.problems());
    if (file) {
      record = std::move(file.value().record);
    } else {
      emit said(tr("%1 What was drawn is recovered without that file, and will not replace it.")
                    .arg(QString::fromStdString(describe(file.problems()))));
      path.clear();
    }
  }
  take(std::move(read.value().job), std::move(record), path, access);
  history_.markUnsaved();  // what was recovered is not in the file yet
  protect();
  file_.settle();
  JobFile::forget(left);
  emit stateChanged();
  return {};
}

}  // namespace pp
