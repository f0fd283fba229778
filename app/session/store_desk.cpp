#include "app/session/store_desk.h"
#include "core/store/state.h"

#include <QCoreApplication>
#include <QDate>
#include <filesystem>
#include <future>

namespace pp {

StoreDesk::StoreDesk(QObject* parent) : QObject(parent), path_(usualStorePath()) {}

StoreDesk::~StoreDesk() {
  {
    const std::lock_guard lock(mutex_);
    end_ = true;
  }
  waiting_.notify_all();
  if (thread_.joinable()) thread_.join();
}

void StoreDesk::setPath(const std::string& path) {
  const std::lock_guard lock(mutex_);
  path_ = path;
  reopen_ = true;
}

void StoreDesk::ask(Task task) {
  {
    const std::lock_guard lock(mutex_);
    tasks_.push_back(std::move(task));
  }
  waiting_.notify_all();
  if (!thread_.joinable()) thread_ = std::thread([this] { run(); });
}

// The store is opened by the first that needs it, and again for each as long as it cannot be.
void StoreDesk::run() {
  std::optional<Store> store;
  for (;;) {
    Task task;
    std::string path;
    {
      std::unique_lock lock(mutex_);
      busy_ = false;
      waiting_.notify_all();
      waiting_.wait(lock, [this] { return end_ || !tasks_.empty(); });
      if (tasks_.empty()) return;
      busy_ = true;
      task = std::move(tasks_.front());
      tasks_.pop_front();
      path = path_;
      if (std::exchange(reopen_, false)) store.reset();
    }
    Problems problems;
    if (!store) {
      if (auto opened = Store::open(path))
        store = std::move(opened).value();
      else
        problems = opened.problems();
    }
    task(store ? &*store : nullptr, problems);
  }
}

void StoreDesk::begin(const std::string& job) {
  job_ = job;
  const bool wasRead = std::exchange(state_, nullptr) != nullptr;
  trouble_.clear();
  emit changed();
  // Whoever shows it goes on showing it.
  if (wasRead) look();
}

void StoreDesk::show(const std::string& job, const Result<StoreState>& state) {
  if (job != job_) return;
  state_ = state ? std::make_shared<const StoreState>(state.value()) : nullptr;
  if (state_) {
    rules_[0] = state_->rulesMm;
    rules_[1] = state_->rulesIn;
  }
  trouble_ = state ? QString() : QString::fromStdString(describe(state.problems().front()));
  emit changed();
}

void StoreDesk::look() {
  ask([this, job = job_](Store* store, const Problems& problems) {
    const Result<StoreState> state =
        store == nullptr ? Result<StoreState>(problems) : stateOf(*store, job);
    QMetaObject::invokeMethod(
        this, [this, job, state] { show(job, state); }, Qt::QueuedConnection);
  });
}

bool StoreDesk::isThere() {
  const std::lock_guard lock(mutex_);
  return std::filesystem::exists(path_);
}

void StoreDesk::lookIfThere() {
  if (isThere()) look();
}

void StoreDesk::want(JobWants wants) {
  if (!isThere()) return;
  ask([wants = std::move(wants)](Store* store, const Problems&) {
    if (store != nullptr) (void)store->want(wants);
  });
  look();
}

void StoreDesk::act(const Work& work, std::function<void()> done) {
  ask([this, work, done = std::move(done)](Store* store, const Problems& problems) {
    Problems out = store == nullptr ? problems : work(*store);
    QMetaObject::invokeMethod(
        this,
        [this, out = std::move(out), done] {
          if (out.empty()) done();
          emit refused(out);
        },
        Qt::QueuedConnection);
  });
  look();
}

void StoreDesk::change(const QString& what, Work forth, Work back) {
  Step step{what, std::move(forth), std::move(back)};
  const Work work = step.forth;
  act(work, [this, step = std::move(step)] {
    done_.push_back(step);
    undone_.clear();
  });
}

void StoreDesk::undo() {
  if (done_.empty()) return;
  Step step = std::move(done_.back());
  done_.pop_back();
  const Work work = step.back;
  act(work, [this, step = std::move(step)] { undone_.push_back(step); });
}

void StoreDesk::redo() {
  if (undone_.empty()) return;
  Step step = std::move(undone_.back());
  undone_.pop_back();
  const Work work = step.forth;
  act(work, [this, step = std::move(step)] { done_.push_back(step); });
}

void StoreDesk::follow(JobHolding holding) {
  ask([holding = std::move(holding)](Store* store, const Problems&) {
    // What it could not be told now it is told when the job is opened next.
    if (store != nullptr) (void)store->follow(holding);
  });
  look();
}

Problems StoreDesk::take(const std::string& name, int cutting,
                         const std::map<Id, std::int64_t>& pieces) {
  std::promise<std::pair<Problems, Problems>> promised;  // what is refused, what is wrong with it
  ask([&](Store* store, const Problems& problems) {
    if (store == nullptr)
      promised.set_value({Problems{}, problems});
    else
      promised.set_value({store->take(job_, name, cutting, pieces), Problems{}});
  });
  auto [refused, wrong] = promised.get_future().get();
  if (!wrong.empty()) trouble_ = QString::fromStdString(describe(wrong.front()));
  look();
  return std::move(refused);
}

void StoreDesk::put(RackPiece piece, RackMaterial material) {
  ask([this, piece = std::move(piece), material = std::move(material)](
          Store* store, const Problems& problems) mutable {
    Problems out = problems;
    if (store != nullptr) {
      const auto known = store->materialLike(material);
      if (known) piece.material = *known;
      const auto added = known ? store->add(std::move(piece)) : known;
      if (!added) out = added.problems();
    }
    if (!out.empty())
      QMetaObject::invokeMethod(
          this, [this, out] { emit refused(out); }, Qt::QueuedConnection);
  });
  look();
}

void StoreDesk::keepReadings(RackMaterial material, const std::string& lot,
                             std::vector<Length> readings) {
  const std::string day = QDate::currentDate().toString(Qt::ISODate).toStdString();
  ask([material = std::move(material), lot, readings = std::move(readings), day](Store* store,
                                                                                 const Problems&) {
    if (store == nullptr) return;
    const auto known = store->materialLike(material);
    for (std::size_t i = 0; known && i < readings.size(); ++i)
      (void)store->add(LotReading{0, *known, lot, readings[i], day});
  });
}

void StoreDesk::finish() {
  {
    std::unique_lock lock(mutex_);
    waiting_.wait(lock, [this] { return tasks_.empty() && !busy_; });
  }
  QCoreApplication::sendPostedEvents(this, QEvent::MetaCall);
}

}  // namespace pp
