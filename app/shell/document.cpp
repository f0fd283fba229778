#include "app/shell/document.h"

#include <QFile>
#include <QRandomGenerator>
#include <algorithm>
#include <utility>

#include "app/paint/figures.h"
#include "core/breakdown/settle.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/saw/kept_plan.h"
#include "core/secondlook/plan_look.h"

namespace pp {
namespace {

constexpr double kQuickSeconds = 2;  // the search that follows every edit by itself

Job emptyJob() {
  Job job;
  job.name = "New job";
  job.materials = {{"birch-18", "birch", Length::mm(18), Length::mm(18), true, Tone::Birch, 650},
                   {"birch-12", "birch", Length::mm(12), Length::mm(12), true, Tone::Birch, 650},
                   {"birch-6", "birch", Length::mm(6), Length::mm(6), true, Tone::Birch, 650}};
  job.bandings = {{"iron-on", "birch iron-on", Length::um(600), Length::mm(22), Money::whole(11),
                   Length::mm(50'000), false}};
  for (const Material& material : job.materials) {
    StockPiece sheet;
    sheet.mark = material.id + " sheet";
    sheet.material = material.id;
    sheet.length = Length::mm(2440);
    sheet.width = Length::mm(1220);
    sheet.price = Money::whole(material.nominal.inNm() / 400'000);
    job.stock.push_back(sheet);
  }
  for (const int length : {350, 400, 450, 500})
    job.slides.push_back({"side slide " + std::to_string(length), Length::mm(length)});
  return job;
}

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

}  // namespace

QString sentence(const Problem& problem) {
  const QString place =
      problem.field.empty() ? QString() : qs(problem.field) + QStringLiteral(": ");
  return QStringLiteral("%1%2. It takes %3.").arg(place, qs(problem.found), qs(problem.expected));
}

Document::Document(QObject* parent)
    : QObject(parent), history_(std::make_shared<const Job>(emptyJob())) {
  connect(&runner_, &PlanRunner::progressed, this, &Document::takePlan);
  connect(&runner_, &PlanRunner::nearlyFound, this,
          [this](const PlanShown&, const nest::Nearly& nearly) {
            if (!planCurrent_ || !plan_.plan) return;
            nearly_ = nearlyFinding(*plan_.job, *plan_.parts, nearly);
            mergeFindings();
            emit findingsChanged();
          });
  connect(&runner_, &PlanRunner::finished, this, &Document::planChanged);
  openNew();
}

void Document::takePlan(const PlanShown& shown) {
  const std::shared_ptr<const Plan> before = plan_.plan;
  const bool wasCurrent = planCurrent_;
  plan_ = onJob(shown);
  planCurrent_ = true;
  // What the user chose stays as long as nothing beats it.
  if (std::find(plan_.kept.begin(), plan_.kept.end(), chosen_) != plan_.kept.end())
    plan_.plan = chosen_;
  else
    chosen_ = nullptr;
  if (!wasCurrent || plan_.plan != before) {
    lookAtPlanAgain();
    modes_.planChanged();
  }
  emit planChanged();
}

// What is nested did not change since the search began, but what it is called may have.
PlanShown Document::onJob(PlanShown plan) const {
  plan.job = jobValue();
  plan.parts = parts_;
  plan.request = request_;
  return plan;
}

// Nobody is told of a search that ends because everything ends.
Document::~Document() {
  disconnect(&runner_, nullptr, nullptr, nullptr);
  runner_.stop();
}

Problems Document::edit(const QString& what, Job next) {
  if (next == job()) return {};
  raise(next, record_);
  auto settled = settle(next, history_.lastId());
  if (!settled) return settled.problems();
  const Lost lost = std::move(settled.value().lost);
  breakdown_ = std::make_shared<const Breakdown>(std::move(settled.value().breakdown));
  history_.push(what.toStdString(), std::make_shared<const Job>(std::move(next)));
  show();
  if (!lost.empty()) emit said(lostWords(lost));
  return {};
}

Problems Document::editAssembly(const QString& what, const std::string& code, Assembly assembly) {
  Job next = job();
  for (std::size_t i = 0; i < next.assemblies.size(); ++i) {
    if (job().assemblies[i].code != code) continue;
    next.assemblies[i] = std::move(assembly);
    if (Problems problems = validate(next); !problems.empty()) return problems;
    // A drawing that cannot be solved would leave nothing to look at: it is refused where it is
    // typed. Drawers that do not go in are a finding instead, since the rest can still be drawn.
    Problems unsolved;
    for (const Trouble& trouble : breakDown(next, std::as_const(next).assemblies[i]).troubles)
      if (!trouble.drawers) unsolved.push_back(trouble.problem);
    if (!unsolved.empty()) return unsolved;
    break;
  }
  return edit(what, std::move(next));
}

QString Document::undoText() const {
  return QString::fromStdString(history_.undoText());
}
QString Document::redoText() const {
  return QString::fromStdString(history_.redoText());
}

// A job of the history that has been settled before.
void Document::showAnother() {
  breakdown_ = std::make_shared<const Breakdown>(breakDown(job()));
  show();
}

void Document::undo() {
  if (!canUndo()) return;
  history_.undo();
  showAnother();
}

void Document::redo() {
  if (!canRedo()) return;
  history_.redo();
  showAnother();
}

QString Document::title() const {
  return qs(job().name);
}

void Document::take(Job job, Record record, const QString& path, Access access) {
  runner_.stop();
  record_ = std::move(record);
  nested_.clear();
  inFile_.reset();
  raise(job, record_);
  if (job.id.empty()) job.id = newJobId();
  giveIds(job);
  breakdown_ = std::make_shared<const Breakdown>(breakDown(job));
  job.codes = breakdown_->codes;
  history_ = History(std::make_shared<const Job>(std::move(job)));
  file_.begin(path, access == Access::ToRead);
  plan_ = {};
  planCurrent_ = false;
  selection_ = {};
  const Job& now = this->job();
  if (!now.assemblies.empty()) selection_.assembly = now.assemblies.front().code;
  modes_.jobChanged();
  derive();
  emit planChanged();
  emit selectionChanged();
  if (!now.assemblies.empty())
    measure(tr("width of %1").arg(qs(now.assemblies.front().code)),
            widthOf(now, now.assemblies.front()));
}

// An opening that the job does not have is not selected, whoever pointed at it.
void Document::dropWhatIsGone() {
  if (!selection_.opening) return;
  const Assembly* of = findAssembly(job(), selection_.assembly);
  if (of == nullptr || !of->isCarcass() ||
      find(of->carcass().inside, *selection_.opening) == nullptr)
    selection_.opening.reset();
}

// Everything follows the job that history says is now and its break-down.
void Document::show() {
  if (findAssembly(job(), selection_.assembly) == nullptr)
    selection_ = {
        job().assemblies.empty() ? std::string() : job().assemblies.front().code, std::nullopt, {}};
  dropWhatIsGone();
  modes_.jobChanged();
  derive();
  emit selectionChanged();
  protect();
}

void Document::derive() {
  parts_ = std::make_shared<const std::vector<Part>>(sheetParts(breakdown_->parts));
  request_ = std::make_shared<const NestRequest>(requestOf(job(), *parts_));
  const std::string before =
      std::exchange(nested_, parts_->empty() ? std::string() : fingerprint(*request_));
  jobFindings_ = secondLook(job(), *breakdown_);
  if (nested_.empty() || nested_ != before || from_ != nullptr) {
    planCurrent_ = false;
    chosen_ = nullptr;
    nearly_.reset();
    planFindings_.clear();
    mergeFindings();
    if (!showKeptPlan()) startLayOut(kQuickSeconds, std::exchange(from_, nullptr));
  } else {
    // Names, notes, units and labels have no say in where parts lie.
    if (plan_.plan && planCurrent_) {
      plan_ = onJob(std::move(plan_));
      planFindings_ = lookAtPlan(*plan_.job, *plan_.parts, *plan_.request, *plan_.plan);
    }
    mergeFindings();
    emit planChanged();
  }
  emit changed();
  emit stateChanged();
}

// The plan that the file kept, where it is of the job as it is.
bool Document::showKeptPlan() {
  if (from_ != nullptr || !record_.plan || record_.plan->nested != nested_) return false;
  auto plan = saw::planFor(record_, *request_);
  if (!plan) return false;
  runner_.stop();
  plan_ = onJob({});
  plan_.plan = inFile_ = std::make_shared<const Plan>(std::move(*plan));
  plan_.kept = {plan_.plan};
  plan_.settled = true;
  planCurrent_ = true;
  lookAtPlanAgain();
  modes_.planChanged();
  emit planChanged();
  return true;
}

void Document::lookAtPlanAgain() {
  planFindings_ = lookAtPlan(*plan_.job, *plan_.parts, *plan_.request, *plan_.plan);
  mergeFindings();
  emit findingsChanged();
}

// The findings of the job and of its plan together.
void Document::mergeFindings() {
  findings_ = jobFindings_;
  findings_.insert(findings_.end(), planFindings_.begin(), planFindings_.end());
  if (nearly_) findings_.push_back(*nearly_);
  std::stable_sort(findings_.begin(), findings_.end(),
                   [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
}

void Document::layOut(double seconds) {
  startLayOut(seconds, planCurrent_ ? plan_.plan : nullptr);
}

void Document::showPlan(const std::shared_ptr<const Plan>& plan) {
  if (!planCurrent_ || plan == plan_.plan ||
      std::find(plan_.kept.begin(), plan_.kept.end(), plan) == plan_.kept.end())
    return;
  chosen_ = plan;
  plan_.plan = plan;
  lookAtPlanAgain();
  modes_.planChanged();
  emit planChanged();
}

Problems Document::editPins(const QString& what, std::vector<JobPin> pins,
                            std::shared_ptr<const Plan> from) {
  Job next = job();
  next.pins = std::move(pins);
  from_ = std::move(from);
  const Problems problems = edit(what, std::move(next));
  from_ = nullptr;
  return problems;
}

void Document::startLayOut(double seconds, std::shared_ptr<const Plan> from) {
  if (breakdown_->parts.empty()) {
    runner_.stop();
    plan_ = {};
    emit planChanged();
    return;
  }
  runner_.start(onJob({}), seconds, std::move(from));
  emit planChanged();
}

Problems Document::open(const QString& path, Access access) {
  const auto text = readFile(path.toStdString());
  if (!text) return text.problems();
  auto read = readJobWithRecord(path.toStdString(), text.value());
  if (!read) return read.problems();
  take(std::move(read.value().job), std::move(read.value().record), path, access);
  return {};
}

Problems Document::openDemo(const QString& name) {
  QFile file(QStringLiteral(":/demo/%1.plainpatch").arg(name));
  if (!file.open(QIODevice::ReadOnly))
    return {{name.toStdString(), 0, {}, "no such demo job", "log-wall or ringing-trolley"}};
  auto job = readJob(name.toStdString(), file.readAll().toStdString());
  if (!job) return job.problems();
  job.value().id.clear();  // it becomes a job of its own
  take(std::move(job).value(), {}, QString(), Access::ToEdit);
  return {};
}

void Document::openNew() {
  take(emptyJob(), {}, QString(), Access::ToEdit);
}

std::optional<Problem> Document::save(const QString& path) {
  Record record = record_;
  reserve(record, job());
  if (planCurrent_ && plan_.plan) record.plan = KeptPlan{nested_, *plan_.plan};
  if (auto problem = file_.save(path, job(), record)) return problem;
  record_ = std::move(record);
  inFile_ = planCurrent_ ? plan_.plan : nullptr;
  history_.markSaved();
  emit stateChanged();
  return std::nullopt;
}

void Document::keepRecord() {
  if (isModified() || path().isEmpty() || file_.isToRead() || file_.isChangedByOthers()) return;
  // A file of an older version is left as it is until it is saved.
  if (!record_.codes.empty() && planCurrent_ && plan_.plan && plan_.plan != inFile_)
    (void)save(path());
}

// After every edit; a job that is as its file has it needs no protection.
void Document::protect() {
  if (isModified())
    file_.protect(jobValue());
  else
    file_.nothingToProtect();
}

Problems Document::recover(const Unsaved& left, Access access) {
  auto read = JobFile::read(left);
  if (!read) return read.problems();
  // The record was never undone: it is as the file has it.
  Record record;
  if (!left.path.isEmpty())
    if (const auto text = readFile(left.path.toStdString()))
      if (auto file = readJobWithRecord(left.path.toStdString(), text.value()))
        record = std::move(file.value().record);
  take(std::move(read.value().job), std::move(record), left.path, access);
  history_.markUnsaved();  // what was recovered is not in the file yet
  protect();
  file_.settle();
  JobFile::forget(left);
  emit stateChanged();
  return {};
}

void Document::select(Selection selection) {
  selection_ = std::move(selection);
  dropWhatIsGone();
  modes_.selectionChanged();
  emit selectionChanged();
}

void Document::measure(const QString& what, Length length) {
  measuredWhat_ = what;
  measured_ = length;
  emit measuredChanged();
}

}  // namespace pp
