#include "app/shell/document.h"

#include <QDateTime>
#include <QFile>
#include <QFileInfo>
#include <algorithm>
#include <utility>

#include "app/paint/figures.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/secondlook/plan_look.h"

namespace pp {
namespace {

constexpr std::size_t kNeverSaved = static_cast<std::size_t>(-1);
constexpr double kQuickSeconds = 2;  // the search that follows every edit by itself

Job emptyJob() {
  Job job;
  job.name = "New job";
  job.materials = {{"birch-18", "birch", Length::mm(18), Length::mm(18), true, Tone::Birch, 650},
                   {"birch-12", "birch", Length::mm(12), Length::mm(12), true, Tone::Birch, 650},
                   {"birch-6", "birch", Length::mm(6), Length::mm(6), true, Tone::Birch, 650}};
  job.bandings = {{"birch iron-on", Length::um(600), Length::mm(22), Money::whole(11),
                   Length::mm(50'000), false}};
  for (const Material& material : job.materials) {
    StockPiece sheet;
    sheet.id = material.id + " sheet";
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

}  // namespace

QString sentence(const Problem& problem) {
  const QString place =
      problem.field.empty() ? QString() : qs(problem.field) + QStringLiteral(": ");
  return QStringLiteral("%1%2. It takes %3.").arg(place, qs(problem.found), qs(problem.expected));
}

Document::Document(QObject* parent) : QObject(parent) {
  connect(&runner_, &PlanRunner::progressed, this, [this](const PlanShown& shown) {
    plan_ = shown;
    planCurrent_ = true;
    // What the user chose stays as long as nothing beats it.
    if (std::find(plan_.kept.begin(), plan_.kept.end(), chosen_) != plan_.kept.end())
      plan_.plan = chosen_;
    else
      chosen_ = nullptr;
    lookAgain();
    emit planChanged();
  });
  connect(&runner_, &PlanRunner::nearlyFound, this,
          [this](const PlanShown& shown, const nest::Nearly& nearly) {
            if (!planCurrent_ || shown.job != plan_.job) return;
            nearly_ = nearlyFinding(*shown.job, *shown.parts, nearly);
            lookAgain();
          });
  connect(&runner_, &PlanRunner::finished, this, &Document::planChanged);
  openNew();
}

// Nobody is told of a search that ends because everything ends.
Document::~Document() {
  disconnect(&runner_, nullptr, nullptr, nullptr);
  runner_.stop();
}

Problems Document::edit(const QString& what, Job next) {
  if (next == *job_) return {};
  Problems problems = validate(next);
  if (!problems.empty()) return problems;
  states_.resize(at_ + 1);
  if (savedAt_ != kNeverSaved && savedAt_ > at_) savedAt_ = kNeverSaved;
  states_.push_back({std::make_shared<const Job>(std::move(next)), what});
  ++at_;
  show(states_[at_].job);
  return {};
}

Problems Document::editAssembly(const QString& what, const std::string& code, Assembly assembly) {
  Job next = *job_;
  for (Assembly& one : next.assemblies) {
    if (one.code != code) continue;
    one = std::move(assembly);
    if (Problems problems = validate(next); !problems.empty()) return problems;
    // A drawing that cannot be solved would leave nothing to look at: it is refused where it is
    // typed. Drawers that do not go in are a finding instead, since the rest can still be drawn.
    Problems unsolved;
    for (const Trouble& trouble : breakDown(next, one).troubles)
      if (!trouble.drawers) unsolved.push_back(trouble.problem);
    if (!unsolved.empty()) return unsolved;
    break;
  }
  return edit(what, std::move(next));
}

QString Document::undoText() const {
  return canUndo() ? states_[at_].what : QString();
}
QString Document::redoText() const {
  return canRedo() ? states_[at_ + 1].what : QString();
}

void Document::undo() {
  if (!canUndo()) return;
  --at_;
  show(states_[at_].job);
}

void Document::redo() {
  if (!canRedo()) return;
  ++at_;
  show(states_[at_].job);
}

QString Document::title() const {
  return qs(job_->name);
}

void Document::take(Job job, const QString& path) {
  runner_.stop();
  job_ = std::make_shared<const Job>(std::move(job));
  states_ = {{job_, QString()}};
  at_ = 0;
  savedAt_ = 0;
  path_ = path;
  plan_ = {};
  planCurrent_ = false;
  selection_ = {};
  if (!job_->assemblies.empty()) selection_.assembly = job_->assemblies.front().code;
  derive();
  emit planChanged();
  emit selectionChanged();
  if (!job_->assemblies.empty())
    measure(tr("width of %1").arg(qs(job_->assemblies.front().code)),
            widthOf(*job_, job_->assemblies.front()));
}

void Document::show(std::shared_ptr<const Job> job) {
  job_ = std::move(job);
  if (findAssembly(*job_, selection_.assembly) == nullptr)
    selection_ = {
        job_->assemblies.empty() ? std::string() : job_->assemblies.front().code, std::nullopt, {}};
  else if (const Assembly* of = findAssembly(*job_, selection_.assembly);
           selection_.opening &&
           (!of->isCarcass() || find(of->carcass().inside, *selection_.opening) == nullptr))
    selection_.opening.reset();
  derive();
  emit selectionChanged();
  autosave();
}

void Document::derive() {
  // Measured in bench/: well under a millisecond for jobs of shop size, so it needs no thread.
  breakdown_ = breakDown(*job_);
  planCurrent_ = false;
  chosen_ = nullptr;
  nearly_.reset();
  lookAgain();
  startLayOut(kQuickSeconds, std::exchange(from_, nullptr));
  emit changed();
  emit stateChanged();
}

// The findings of the job and of its plan together.
void Document::lookAgain() {
  const std::size_t before = findings_.size();
  findings_ = secondLook(*job_, breakdown_);
  if (planCurrent_ && plan_.plan) {
    const auto more = lookAtPlan(*plan_.job, *plan_.parts, *plan_.request, *plan_.plan);
    findings_.insert(findings_.end(), more.begin(), more.end());
    if (nearly_) findings_.push_back(*nearly_);
    std::stable_sort(findings_.begin(), findings_.end(),
                     [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
  }
  if (planCurrent_ && findings_.size() != before) emit findingsChanged();
}

void Document::layOut(double seconds) {
  startLayOut(seconds, planCurrent_ ? plan_.plan : nullptr);
}

void Document::showPlan(const std::shared_ptr<const Plan>& plan) {
  if (!planCurrent_ || plan == plan_.plan) return;
  chosen_ = plan;
  plan_.plan = plan;
  lookAgain();
  emit planChanged();
}

Problems Document::editPins(const QString& what, std::vector<JobPin> pins,
                            std::shared_ptr<const Plan> from) {
  Job next = *job_;
  next.pins = std::move(pins);
  from_ = std::move(from);
  const Problems problems = edit(what, std::move(next));
  from_ = nullptr;
  return problems;
}

void Document::startLayOut(double seconds, std::shared_ptr<const Plan> from) {
  if (breakdown_.parts.empty()) {
    runner_.stop();
    plan_ = {};
    emit planChanged();
    return;
  }
  runner_.start(job_, std::make_shared<const std::vector<Part>>(sheetParts(breakdown_.parts)),
                seconds, std::move(from));
  emit planChanged();
}

Problems Document::open(const QString& path) {
  const auto text = readFile(path.toStdString());
  if (!text) return text.problems();
  auto job = readJob(path.toStdString(), text.value());
  if (!job) return job.problems();
  take(std::move(job).value(), path);
  return {};
}

Problems Document::openDemo(const QString& name) {
  QFile file(QStringLiteral(":/demo/%1.plainpatch").arg(name));
  if (!file.open(QIODevice::ReadOnly))
    return {{name.toStdString(), 0, {}, "no such demo job", "log-wall or ringing-trolley"}};
  auto job = readJob(name.toStdString(), file.readAll().toStdString());
  if (!job) return job.problems();
  take(std::move(job).value(), QString());
  return {};
}

void Document::openNew() {
  take(emptyJob(), QString());
}

std::optional<Problem> Document::save(const QString& path) {
  if (auto problem = writeFile(path.toStdString(), writeJob(*job_))) return problem;
  dropAutosave();
  path_ = path;
  savedAt_ = at_;
  dropAutosave();
  emit stateChanged();
  return std::nullopt;
}

void Document::autosave() {
  // Failing to autosave must not stand in the way of the work; saving itself will say what is
  // wrong.
  if (!path_.isEmpty() && isModified())
    writeFile((path_ + QStringLiteral(".autosave")).toStdString(), writeJob(*job_));
}

QString Document::autosaveFor(const QString& path) {
  const QString name = path + QStringLiteral(".autosave");
  const QFileInfo saved(name);
  const QFileInfo original(path);
  if (!saved.exists() || (original.exists() && saved.lastModified() < original.lastModified()))
    return {};
  return name;
}

Problems Document::recover(const QString& autosave, const QString& path) {
  const auto text = readFile(autosave.toStdString());
  if (!text) return text.problems();
  auto job = readJob(autosave.toStdString(), text.value());
  if (!job) return job.problems();
  take(std::move(job).value(), path);
  savedAt_ = kNeverSaved;  // what was recovered is not in the file yet
  emit stateChanged();
  return {};
}

void Document::dropAutosave() {
  if (!path_.isEmpty()) QFile::remove(path_ + QStringLiteral(".autosave"));
}

void Document::select(Selection selection) {
  selection_ = std::move(selection);
  emit selectionChanged();
}

void Document::measure(const QString& what, Length length) {
  measuredWhat_ = what;
  measured_ = length;
  emit measuredChanged();
}

}  // namespace pp
