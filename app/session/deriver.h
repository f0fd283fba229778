// What follows from a job: its parts with their codes, and what the second look finds. It is made
// where it is asked for as long as that takes less than a frame, and beside the interface as soon
// as a job makes it longer.
#pragma once

#include <QObject>
#include <chrono>
#include <future>
#include <memory>
#include <optional>
#include <vector>

#include "core/floor/progress.h"
#include "core/secondlook/second_look.h"

namespace pp {

// All of one job: what is shown is taken from one such value and never from two.
struct Derived {
  std::shared_ptr<const Job> job;  // with the codes that its parts have been given
  std::shared_ptr<const Breakdown> breakdown;
  std::vector<Finding> findings;
};

// What is at the saw has a say in what is found.
Derived derived(std::shared_ptr<const Job> job, const std::vector<Cutting>& cuttings,
                const floor::Progress& progress);

class Deriver : public QObject {
  Q_OBJECT
 public:
  using Duration = std::chrono::duration<double, std::milli>;
  static constexpr Duration kFrame{16};
  // Of those made from now on: tests do not depend on how fast a machine is.
  static inline Duration usual = kFrame;

  using QObject::QObject;
  ~Deriver() override;

  // At once, or nothing: then ready() brings it, unless another job is asked for before.
  std::optional<Derived> derive(std::shared_ptr<const Job> job,
                                const std::vector<Cutting>& cuttings,
                                const floor::Progress& progress);
  // At once, however long it takes.
  Derived deriveNow(std::shared_ptr<const Job> job, const std::vector<Cutting>& cuttings,
                    const floor::Progress& progress);
  bool isBusy() const { return running_.valid(); }
  // Waits for what is under way. Nothing where nothing is.
  std::optional<Derived> finish();

  // What is made beside the interface from now on: what took longer the last time.
  void setFrame(Duration frame) { frame_ = frame; }

 signals:
  void ready(const pp::Derived& made);

 private:
  struct Timed {
    Derived made;
    Duration took;
  };
  // Kept for another thread.
  struct Wanted {
    std::shared_ptr<const Job> job;
    std::vector<Cutting> cuttings;
    floor::Progress progress;
  };
  static Timed timed(const std::shared_ptr<const Job>& job, const std::vector<Cutting>& cuttings,
                     const floor::Progress& progress);
  void start(Wanted wanted);
  void take(int run);

  std::future<Timed> running_;
  std::optional<Wanted> next_;  // asked for meanwhile
  int run_ = 0;                 // the last that was begun
  Duration last_{};
  Duration frame_ = usual;
};

}  // namespace pp
