#include "app/session/plan_desk.h"

#include <algorithm>
#include <utility>

#include "core/plan/fingerprint.h"
#include "core/secondlook/plan_look.h"

namespace pp {
namespace {

constexpr double kQuickSeconds = 2;  // the search that follows every edit by itself

}  // namespace

PlanDesk::PlanDesk(QObject* parent) : QObject(parent) {
  connect(&runner_, &PlanRunner::progressed, this, &PlanDesk::take);
  connect(&runner_, &PlanRunner::nearlyFound, this,
          [this](const PlanShown&, const nest::Nearly& nearly) {
            if (!current_ || !shown_.plan) return;
            nearly_ = nearlyFinding(*shown_.job, *shown_.parts, nearly);
            look();
          });
  connect(&runner_, &PlanRunner::finished, this, &PlanDesk::changed);
}

PlanDesk::~PlanDesk() {
  disconnect(&runner_, nullptr, nullptr, nullptr);
  runner_.stop();
}

void PlanDesk::clear() {
  runner_.stop();
  nested_.clear();
  inFile_.reset();
  chosen_.reset();
  nearly_.reset();
  findings_.clear();
  shown_ = {};
  current_ = false;
  emit changed();
}

// What is nested did not change since the search began, but what it is called may have.
PlanShown PlanDesk::onJob(PlanShown plan) const {
  plan.job = job_;
  plan.parts = parts_;
  plan.request = request_;
  return plan;
}

void PlanDesk::follow(std::shared_ptr<const Job> job, floor::OpenRequest open,
                      const std::optional<KeptPlan>& kept, std::shared_ptr<const Plan> from) {
  job_ = std::move(job);
  open_ = std::make_shared<const floor::OpenRequest>(std::move(open));
  parts_ = std::shared_ptr<const std::vector<Part>>(open_, &open_->parts);
  request_ = std::shared_ptr<const NestRequest>(open_, &open_->request);
  const std::string before =
      std::exchange(nested_, request_->empty() ? std::string() : fingerprint(*request_));
  if (nested_.empty() || nested_ != before || from != nullptr) {
    current_ = false;
    chosen_ = nullptr;
    nearly_.reset();
    findings_.clear();
    if (from != nullptr || !showKept(kept)) start(kQuickSeconds, std::move(from));
    return;
  }
  // Names, notes, units and labels have no say in where parts lie.
  if (shown_.plan && current_) {
    shown_ = onJob(std::move(shown_));
    look();
  }
  emit changed();
}

void PlanDesk::take(const PlanShown& shown) {
  const std::shared_ptr<const Plan> before = shown_.plan;
  const bool wasCurrent = current_;
  shown_ = onJob(shown);
  current_ = true;
  // What the user chose stays as long as nothing beats it.
  if (std::find(shown_.kept.begin(), shown_.kept.end(), chosen_) != shown_.kept.end())
    shown_.plan = chosen_;
  else
    chosen_ = nullptr;
  if (!wasCurrent || shown_.plan != before) {
    look();
    emit another();
  }
  emit changed();
}

bool PlanDesk::showKept(const std::optional<KeptPlan>& kept) {
  if (!kept || kept->nested != nested_) return false;
  auto plan = saw::planFor(*kept, *request_);
  if (!plan) return false;
  runner_.stop();
  shown_ = onJob({});
  shown_.plan = inFile_ = std::make_shared<const Plan>(std::move(*plan));
  shown_.kept = {shown_.plan};
  shown_.settled = true;
  current_ = true;
  look();
  emit another();
  emit changed();
  return true;
}

void PlanDesk::look() {
  findings_ = lookAtPlan(*shown_.job, *shown_.parts, *shown_.request, *shown_.plan);
  if (nearly_) findings_.push_back(*nearly_);
  emit findingsChanged();
}

void PlanDesk::layOut(double seconds) {
  start(seconds, current_ ? shown_.plan : nullptr);
}

void PlanDesk::show(const std::shared_ptr<const Plan>& plan) {
  if (!current_ || plan == shown_.plan ||
      std::find(shown_.kept.begin(), shown_.kept.end(), plan) == shown_.kept.end())
    return;
  chosen_ = plan;
  shown_.plan = plan;
  look();
  emit another();
  emit changed();
}

void PlanDesk::start(double seconds, std::shared_ptr<const Plan> from) {
  if (hasWork()) {
    runner_.start(onJob({}), seconds, std::move(from));
  } else {
    runner_.stop();
    shown_ = {};
  }
  emit changed();
}

std::optional<KeptPlan> PlanDesk::toKeep() const {
  if (!current_ || !shown_.plan) return std::nullopt;
  return KeptPlan{nested_, *shown_.plan};
}

}  // namespace pp
