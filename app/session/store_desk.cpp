#include "app/session/store_desk.h"
#include "core/formats/file.h"
#include "core/store/state.h"

#include <QCoreApplication>
#include <QDate>
#include <QTimer>
#include <chrono>
#include <filesystem>

namespace pp {

StoreDesk::StoreDesk(QObject* parent) : QObject(parent), path_(usualStorePath()) {}

namespace {

constexpr std::chrono::seconds kAgain{3};  // between two attempts to tell it
constexpr int kPatience = 400;             // milliseconds, of the thread for another who writes
constexpr int kAnswerWithin = 1'000;       // milliseconds, of the user for an answer

}  // namespace

// A store that another is writing keeps the program from ending for one wait at most: what it is
// not told then it is told when the job is opened next.
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

void StoreDesk::ask(std::function<void(Store*, const Problems&)> work, bool looks) {
  {
    const std::lock_guard lock(mutex_);
    tasks_.push_back({std::move(work), looks});
  }
  waiting_.notify_all();
  if (!thread_.joinable()) thread_ = std::thread([this] { run(); });
}

void StoreDesk::inWindow(std::function<void()> what) {
  QMetaObject::invokeMethod(this, std::move(what), Qt::QueuedConnection);
}

// The store is opened by the first that needs it, and again for each as long as it cannot be.
void StoreDesk::run() {
  std::optional<Store> store;
  std::string file;  // that is open, by its place on the disk
  for (;;) {
    Task task;
    std::string path;
    bool ends = false;
    {
      std::unique_lock lock(mutex_);
      busy_ = false;
      waiting_.notify_all();
      const auto something = [this] { return end_ || !tasks_.empty(); };
      if (owed_.empty())
        waiting_.wait(lock, something);
      else
        waiting_.wait_for(lock, kAgain, something);
      ends = end_;
      if (tasks_.empty() && ends) return;
      if (tasks_.empty()) {
        task.work = [this](Store* there, const Problems&) { tell(there); };
      } else {
        task = std::move(tasks_.front());
        tasks_.pop_front();
      }
      busy_ = true;
      path = path_;
      if (std::exchange(reopen_, false)) store.reset();
    }
    if (ends && (task.looks || !owed_.empty())) continue;
    // What is written to a file that is gone goes nowhere.
    if (store && idOf(path) != file) {
      store.reset();
      inWindow([this] {
        emit said(
            tr("The shop's store was removed or replaced while it was open here: from now on "
               "what is there counts."));
      });
    }
    Problems problems;
    if (!store) {
      if (auto opened = Store::open(path)) {
        store = std::move(opened).value();
        store->setPatience(kPatience);
        file = idOf(path);
      } else {
        problems = opened.problems();
      }
    }
    task.work(store ? &*store : nullptr, problems);
  }
}

void StoreDesk::tell(Store* store) {
  while (store != nullptr && !owed_.empty()) {
    if (!store->follow(owed_.begin()->second)) return;
    isTold(owed_.begin()->first);
  }
}

void StoreDesk::isTold(const std::string& job) {
  if (owed_.erase(job) > 0 && owed_.empty())
    inWindow([this] { emit said(tr("The shop's store knows again what this job has.")); });
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
  ask(
      [this, job = job_](Store* store, const Problems& problems) {
        const Result<StoreState> state =
            store == nullptr ? Result<StoreState>(problems) : stateOf(*store, job);
        inWindow([this, job, state] { show(job, state); });
      },
      true);
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
    inWindow([this, out = std::move(out), done] {
      if (out.empty()) done();
      emit refused(out);
    });
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
  ask([this, holding = std::move(holding)](Store* store, const Problems& problems) {
    const bool isFirst = owed_.empty();
    const Result<std::map<std::pair<int, std::string>, std::int64_t>> told =
        store == nullptr ? problems : store->follow(holding);
    if (told) return isTold(holding.job);
    owed_[holding.job] = holding;
    if (isFirst)
      inWindow([this, why = describe(told.problems().front())] {
        emit said(tr("The shop's store is not told yet what this job has: %1. It is tried again.")
                      .arg(QString::fromStdString(why)));
      });
  });
  look();
}

void StoreDesk::take(const std::string& name, int cutting, const std::map<Id, std::int64_t>& pieces,
                     std::function<void(const Answer&)> then) {
  // Called once, in the window: with the answer, or without one.
  auto once = std::make_shared<std::function<void(const Answer&)>>(std::move(then));
  const auto answer = [once](const Answer& with) {
    if (const auto call = std::exchange(*once, nullptr)) call(with);
  };
  ask([this, job = job_, name, cutting, pieces, answer](Store* store, const Problems& problems) {
    Answer out;
    const Problems said = store == nullptr ? problems : store->take(job, name, cutting, pieces);
    for (const Problem& one : said) {
      // Of what is refused a problem names the piece; else it is the store that cannot be used.
      if (one.field.empty())
        out.untold = QString::fromStdString(describe(one));
      else
        out.refused.push_back(one);
    }
    inWindow([answer, out] { answer(out); });
  });
  QTimer::singleShot(kAnswerWithin, this, [answer] {
    answer({{}, tr("it does not answer; others may write it.")});
  });
  look();
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
    if (!out.empty()) inWindow([this, out] { emit refused(out); });
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
