// The journal of a job: what happened, on the disk before anything shows it. A line an event, after
// a first line that says whose it is. Saving the job folds it into the file.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/floor/event.h"
#include "core/result/result.h"

namespace pp {

// Beside the file: "NAME.plainpatch.journal".
std::string journalOf(const std::string& path);

struct JournalText {
  std::vector<Event> events;
  std::size_t whole = 0;           // bytes, up to the end of the last line that is whole
  bool torn = false;               // a last line was begun and is dropped
  std::optional<Problem> damaged;  // a line before the last that is not as it was written
};

// What the text of a journal of the job says: the events up to its end or up to what is damaged. A
// problem where it is no journal, or another job's.
Result<JournalText> readJournal(const std::string& file, std::string_view text,
                                const std::string& job);

// The same of the file itself.
Result<JournalText> readJournal(const std::string& file, const std::string& job);

// Adds to `events` those after its last; events it has already stay as they are. A problem where
// the journal has another event of the same number.
std::optional<Problem> fold(const std::string& file, const std::vector<Event>& from,
                            std::vector<Event>& events);

class Journal {
 public:
  // Of the job whose file is at `path`; nothing is made before the first event.
  Journal(std::string path, std::string job) : path_(std::move(path)), job_(std::move(job)) {}

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

  // On the disk when it returns. On failure nothing of it is.
  std::optional<Problem> append(const Event& event);
  // Its events are in the job's file: it goes.
  std::optional<Problem> clear();

 private:
  std::optional<std::string> putAside() const;  // under which name; none: it cannot be

  std::string path_;  // of the journal
  std::string job_;
};

}  // namespace pp
