// The journal of a job: what happened, on the disk before anything shows it. A line an event, after
// a first line that says what it is; every line says whose it is and which line, so that it stands
// for itself. Saving the job folds it into the file.
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/floor/event.h"
#include "core/formats/file.h"
#include "core/result/result.h"

namespace pp {

// Beside the file: "NAME.plainpatch.journal".
std::string journalOf(const std::string& path);

struct JournalText {
  std::vector<Event> events;
  std::int64_t lines = 0;          // whole ones
  std::size_t whole = 0;           // bytes, up to the end of the last line that is whole
  bool torn = false;               // a last line was begun and is dropped
  std::optional<Problem> damaged;  // the first line that is missing or not as it was written
};

// What the text of a journal of the job says: the events of every line that is as it was written. A
// problem where it is no journal, or another job's.
Result<JournalText> readJournal(const std::string& file, std::string_view text,
                                const std::string& job);

// The same of the file itself.
Result<JournalText> readJournal(const std::string& file, const std::string& job);

// Adds to `events` those after its last; events it has already stay as they are. A problem where
// the journal has another event of the same number; what follows it is of another story.
std::optional<Problem> fold(const std::string& file, const std::vector<Event>& from,
                            std::vector<Event>& events);

class Journal {
 public:
  // Of the job whose file is at `path`; nothing is made before the first event.
  Journal(std::string path, std::string job) : path_(std::move(path)), job_(std::move(job)) {}

  bool isOf(const std::string& path, const std::string& job) const {
    return path == path_ && job == job_;
  }

  // Takes up what a session before has left: `events` of the file get those after them. A torn end
  // is cut off. A journal that cannot be read, is damaged, another job's, or says otherwise than
  // the file is put aside under another name, and what of it is good goes on in a new one. What was
  // dropped is said.
  struct Left {
    std::vector<std::string> said;
    std::int64_t beyond = 0;  // the highest number of an event that it had
    bool isStuck = false;     // it can be neither read nor put aside, and must not be written
  };
  Left takeUp(std::vector<Event>& events);

  // On the disk when it returns. On failure nothing of it is. A journal that was removed or changed
  // by something else meanwhile is written anew, with all that was noted since the file was saved.
  std::optional<Problem> append(const Event& event);
  // What there is to say of that; said once.
  std::string takeSaid() { return std::exchange(said_, {}); }
  // Whether it has what the file has not.
  bool hasNoted() const { return !noted_.empty(); }
  // Its events are in the job's file: it goes.
  std::optional<Problem> clear();

 private:
  std::optional<std::string> putAside() const;  // under which name; none: it cannot be
  std::string text() const;                     // of all that is noted
  bool isAsLeft() const;
  std::optional<Problem> writeAnew();

  std::string path_;  // of the journal
  std::string job_;
  std::vector<Event> noted_;        // since the file was saved
  std::int64_t lines_ = 0;          // of the journal
  std::optional<FileStamp> stamp_;  // of the journal as it was written last
  bool known_ = false;              // whether it was looked at what there is already
  std::string said_;
};

}  // namespace pp
