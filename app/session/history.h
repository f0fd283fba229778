// The job as it is, the jobs before and after it, and what each edit was called. No Qt.
#pragma once

#include <cstddef>
#include <deque>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/job/job.h"

namespace pp {

// Jobs share the rows that did not change, so a state costs about what its edit changed. The oldest
// are forgotten when all together are over the limit.
class History {
 public:
  static constexpr std::size_t kMostBytes = std::size_t{96} << 20;

  explicit History(std::shared_ptr<const Job> job, std::size_t mostBytes = kMostBytes);

  const std::shared_ptr<const Job>& now() const { return states_[at_].job; }
  // The job of now with what was worked out for it since it was put there: no step of its own.
  void complete(std::shared_ptr<const Job> job) { states_[at_].job = std::move(job); }
  // Ends what could be redone.
  void push(std::string what, std::shared_ptr<const Job> job);

  // The highest that was given to anything in any state, those undone included.
  Id lastId() const { return lastId_; }

  bool canUndo() const { return at_ > 0; }
  bool canRedo() const { return at_ + 1 < states_.size(); }
  // What the edits are called; empty where there is none.
  std::string undoText() const { return canUndo() ? states_[at_].what : std::string(); }
  std::string redoText() const { return canRedo() ? states_[at_ + 1].what : std::string(); }
  void undo() { at_ -= canUndo() ? 1 : 0; }
  void redo() { at_ += canRedo() ? 1 : 0; }

  // Whether the job is as it was last marked saved.
  bool isSaved() const { return saved_ == states_[at_].number; }
  void markSaved() { saved_ = states_[at_].number; }
  void markUnsaved() { saved_.reset(); }

  // Every job of it with another id: the job becomes one of its own.
  void setJobId(const std::string& id);

  // In every job of it an assembly has the code that the one of now gives it, because paper carries
  // it: no undo takes that back. What had that code meanwhile takes the other's.
  void keepCodes(const std::vector<Id>& assemblies);

  std::size_t states() const { return states_.size(); }
  // What the states take beyond what they share, about.
  std::size_t bytes() const { return bytes_; }

 private:
  struct State {
    std::shared_ptr<const Job> job;
    std::string what;  // the edit that led here
    std::size_t number = 0;
    std::size_t bytes = 0;
  };
  std::deque<State> states_;
  std::size_t at_ = 0;
  std::size_t next_ = 1;
  std::optional<std::size_t> saved_;
  Id lastId_ = 0;
  std::size_t bytes_ = 0;
  std::size_t mostBytes_;
};

// About how many bytes of `job` are its own and not shared with `before`.
std::size_t ownBytes(const Job& job, const Job& before);

}  // namespace pp
