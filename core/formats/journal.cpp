#include "core/formats/journal.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <filesystem>

#include <fmt/format.h>

#include "core/fields/json_archive.h"
#include "core/formats/event_json.h"
#include "core/formats/file.h"

namespace pp {
namespace {

constexpr const char* kJournalFormat = "plain-patch-journal";
constexpr int kJournalVersion = 2;  // of 1 a line has the event alone

struct JournalHead {
  std::string format = kJournalFormat;
  int version = kJournalVersion;
  std::string job;
};

void fields(Archive& a, JournalHead& v) {
  a.must("format", v.format);
  a.must("version", v.version);
  a.must("job", v.job);
}

struct JournalLine {
  std::string job;
  std::int64_t line = 0;  // of the file, the first is 1; 0: not said
  Event event;
};

void fields(Archive& a, JournalLine& v) {
  a("job", v.job);
  a("line", v.line);
  fields(a, v.event);
}

template <class T>
std::string line(const T& value) {
  JsonWriter writer;
  T copy = value;  // the description is shared with the reader and so takes a mutable value
  fields(writer, copy);
  return writer.line() + "\n";
}

// Reads one line into `value`; the first thing that is wrong with it.
template <class T>
std::optional<Problem> readLine(const std::string& file, std::size_t number, std::string_view text,
                                T& value) {
  const Problems problems =
      readObject(file, text, [&value](JsonReader& reader) { fields(reader, value); });
  if (problems.empty()) return std::nullopt;
  Problem out = problems.front();
  out.file = file;
  out.line = number;
  return out;
}

Problem refused(const std::string& path, const char* what) {
  return {path,
          0,
          {},
          std::string(what) + ": " + std::strerror(errno),
          "a disk that takes what happened"};
}

// Closes what it was given.
struct Open {
  int fd;
  ~Open() {
    if (fd >= 0) ::close(fd);
  }
};

bool writeAll(int fd, std::string_view text) {
  while (!text.empty()) {
    const ssize_t count = ::write(fd, text.data(), text.size());
    if (count < 0 && errno == EINTR) continue;
    if (count <= 0) return false;
    text.remove_prefix(static_cast<std::size_t>(count));
  }
  return true;
}

// That a name appeared or went is on the disk too.
bool syncFolder(const std::string& path) {
  const auto folder = std::filesystem::path(path).parent_path();
  const Open dir{::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC)};
  return dir.fd >= 0 && ::fsync(dir.fd) == 0;
}

}  // namespace

std::string journalOf(const std::string& path) {
  return targetOf(path) + ".journal";
}

Result<JournalText> readJournal(const std::string& file, std::string_view text,
                                const std::string& job) {
  JournalText out;
  std::size_t number = 0;
  bool isOurs = false;  // a line says so
  bool isHeaded = false;
  std::optional<Problem> foreign;
  const auto damaged = [&out](Problem problem) {
    if (!out.damaged) out.damaged = std::move(problem);
  };
  const auto isOf = [&](const std::string& whose) {
    if (whose == job)
      isOurs = true;
    else if (!foreign)
      foreign = Problem{file, number, "job", shown(whose), "this job, " + job};
    return whose == job;
  };
  // Of the line that should come next; lines before it may be gone.
  std::int64_t next = 2;
  while (out.whole < text.size()) {
    const std::size_t end = text.find('\n', out.whole);
    if (end == std::string_view::npos) {
      out.torn = true;
      break;
    }
    const std::string_view one = text.substr(out.whole, end - out.whole);
    out.whole = end + 1;
    ++number;
    ++out.lines;
    if (number == 1) {
      JournalHead head;
      auto wrong = readLine(file, number, one, head);
      if (!wrong &&
          (head.format != kJournalFormat || head.version < 1 || head.version > kJournalVersion))
        wrong = Problem{file, 1, "format",
                        fmt::format("'{}' version {}", shown(head.format), head.version),
                        fmt::format("'{}' version {}", kJournalFormat, kJournalVersion)};
      if (!wrong) {
        isHeaded = isOf(head.job);
        if (!isHeaded) damaged(*foreign);
        continue;
      }
      damaged(std::move(*wrong));
      // It may be the first line that is gone.
    }
    JournalLine read;
    if (auto wrong = readLine(file, number, one, read)) {
      next += number > 1 ? 1 : 0;
      damaged(std::move(*wrong));
      continue;
    }
    if (!read.job.empty() && !isOf(read.job)) {
      damaged(*foreign);
      continue;
    }
    if (read.line != 0 && read.line != next)
      damaged({file, number, "line", std::to_string(read.line),
               fmt::format("line {}: what was between is gone", next)});
    next = (read.line != 0 ? read.line : next) + 1;
    if (!out.events.empty() && read.event.seq <= out.events.back().seq) {
      damaged({file, number, "seq", std::to_string(read.event.seq), "more than the one before"});
      continue;
    }
    out.events.push_back(std::move(read.event));
  }
  // Nothing in it says that it is a journal of this job.
  if (!isOurs && !isHeaded && number > 0) return foreign ? *foreign : *out.damaged;
  return out;
}

std::optional<Problem> fold(const std::string& file, const std::vector<Event>& from,
                            std::vector<Event>& events) {
  for (const Event& event : from) {
    const auto at = std::lower_bound(events.begin(), events.end(), event.seq,
                                     [](const Event& a, std::int64_t seq) { return a.seq < seq; });
    if (at == events.end()) {
      events.push_back(event);
    } else if (at->seq != event.seq || hashOf(*at) != hashOf(event)) {
      return Problem{file, 0, fmt::format("event {}", event.seq), "another event of that number",
                     "the one in the job's file"};
    }
  }
  return std::nullopt;
}

Result<JournalText> readJournal(const std::string& file, const std::string& job) {
  const auto text = readFile(file);
  if (!text) return text.problems();
  return readJournal(file, text.value(), job);
}

std::optional<std::string> Journal::putAside() const {
  std::error_code error;
  std::string aside;
  for (int i = 1; aside.empty() || std::filesystem::exists(aside, error); ++i)
    aside = fmt::format("{}.aside-{}", path_, i);
  std::filesystem::rename(path_, aside, error);
  if (error || !syncFolder(path_)) return std::nullopt;
  return std::filesystem::path(aside).filename().string();
}

Journal::Left Journal::takeUp(std::vector<Event>& events) {
  Left out;
  known_ = true;
  std::error_code error;
  if (!std::filesystem::exists(std::filesystem::symlink_status(path_, error))) return out;
  const auto aside = [&](const std::string& why) {
    const auto name = putAside();
    out.isStuck = !name;
    out.said.push_back(name ? fmt::format("{} The journal is kept as {}.", why, *name)
                            : fmt::format("{} The journal cannot be put aside, and nothing can be "
                                          "noted before it is.",
                                          why));
  };
  const auto text = readFile(path_);
  if (!text) {
    aside(describe(text.problems()));
    return out;
  }
  auto read = readJournal(path_, text.value(), job_);
  if (!read) {
    aside(describe(read.problems()));
    return out;
  }
  lines_ = read->lines;
  if (!read->events.empty()) out.beyond = read->events.back().seq;
  const std::size_t inFile = events.size();
  const auto contradicts = fold(path_, read->events, events);
  noted_.assign(events.begin() + static_cast<std::ptrdiff_t>(inFile), events.end());
  if (contradicts || read->damaged) {
    aside(fmt::format("Of what happened something is not known: {}.",
                      describe({contradicts ? *contradicts : *read->damaged})));
    // What is good and not in the file goes on.
    if (!noted_.empty() && !out.isStuck)
      if (auto problem = writeAnew()) out.said.push_back(describe({*problem}));
  } else if (read->torn) {
    if (read->whole == 0)
      std::filesystem::remove(path_, error);
    else if (::truncate(path_.c_str(), static_cast<off_t>(read->whole)) != 0)
      out.said.push_back(describe({refused(path_, "the torn end cannot be cut off")}));
    if (!read->events.empty() || read->whole > 0)
      out.said.push_back("The last thing noted was not written to its end and is dropped.");
  }
  stamp_ = stampOf(path_);
  return out;
}

std::string Journal::text() const {
  std::string out = line(JournalHead{kJournalFormat, kJournalVersion, job_});
  std::int64_t number = 1;
  for (const Event& event : noted_) out += line(JournalLine{job_, ++number, event});
  return out;
}

bool Journal::isAsLeft() const {
  const auto now = stampOf(path_);
  return now.has_value() == stamp_.has_value() &&
         (!now || (now->file == stamp_->file && now->size == stamp_->size));
}

std::optional<Problem> Journal::writeAnew() {
  auto problem = writeFile(path_, text());
  if (problem && !isWritten(*problem)) return problem;
  stamp_ = stampOf(path_);
  lines_ = std::ssize(noted_) + 1;
  return std::nullopt;
}

std::optional<Problem> Journal::append(const Event& event) {
  if (!std::exchange(known_, true)) {
    if (const auto there = readFile(path_)) lines_ = std::count(there->begin(), there->end(), '\n');
    stamp_ = stampOf(path_);
  }
  if (!isAsLeft()) {
    // What stands there now is somebody else's.
    const auto there = stampOf(path_);
    const auto name = there ? putAside() : std::nullopt;
    if (there && !name)
      return Problem{path_,
                     0,
                     {},
                     "a journal that something else has changed, and that cannot be "
                     "put aside",
                     "the journal as it was left"};
    noted_.push_back(event);
    if (auto problem = writeAnew()) {
      noted_.pop_back();
      return problem;
    }
    said_ = there ? fmt::format(
                        "The journal of this job was changed by something else: that is kept "
                        "as {}, and it was written anew.",
                        *name)
                  : "The journal of this job was removed by something else and was written anew.";
    return std::nullopt;
  }
  const Open file{::open(path_.c_str(), O_WRONLY | O_APPEND | O_CREAT | O_CLOEXEC, 0666)};
  if (file.fd < 0) return refused(path_, "it cannot be opened");
  struct stat before {};
  if (::fstat(file.fd, &before) != 0) return refused(path_, "its size is not known");
  const bool isNew = before.st_size == 0;
  if (isNew) lines_ = 0;
  const std::int64_t number = lines_ + (isNew ? 2 : 1);
  const std::string text =
      (isNew ? line(JournalHead{kJournalFormat, kJournalVersion, job_}) : std::string()) +
      line(JournalLine{job_, number, event});
  if (writeAll(file.fd, text) && ::fdatasync(file.fd) == 0 && (!isNew || syncFolder(path_))) {
    noted_.push_back(event);
    lines_ = number;
    stamp_ = stampOf(path_);
    return std::nullopt;
  }
  const Problem problem = refused(path_, "it cannot be written");
  // Nothing of it may be there, or the next event would follow half a line.
  if (::ftruncate(file.fd, before.st_size) == 0) ::fdatasync(file.fd);
  stamp_ = stampOf(path_);
  return problem;
}

std::optional<Problem> Journal::clear() {
  if (::unlink(path_.c_str()) == 0)
    syncFolder(path_);
  else if (errno != ENOENT)
    return refused(path_, "it cannot be removed");
  noted_.clear();
  lines_ = 0;
  stamp_.reset();
  known_ = true;
  return std::nullopt;
}

}  // namespace pp
