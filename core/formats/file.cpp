#include "core/formats/file.h"

#include <fcntl.h>
#include <fmt/format.h>
#include <signal.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <filesystem>
#include <mutex>
#include <set>
#include <utility>

namespace pp {
namespace {

namespace fs = std::filesystem;

constexpr int kMostLinks = 40;
constexpr const char* kTemporary = ".plainpatch-";
constexpr mode_t kModeBits = 07777;
const std::string kWritten = "it is written, but may not outlive a power cut: ";

// Read once, before there are threads: asking means setting it for a moment.
const mode_t kUmask = [] {
  const mode_t mask = ::umask(0);
  ::umask(mask);
  return mask;
}();

Problem refused(const std::string& path, const std::string& found, const std::string& expected) {
  return {path, 0, {}, found, expected};
}

// As someone who is told it would say it.
std::string reasonOf(int error) {
  switch (error) {
    case ENOSPC:
    case EDQUOT:
      return "the disk is full";
    case EACCES:
    case EPERM:
      return "no leave to write there";
    case EROFS:
      return "a disk that can only be read";
    case ENOENT:
    case ENOTDIR:
      return "no such folder";
    case EIO:
      return "a fault of the disk";
    default:
      return std::strerror(error);
  }
}

Problem cannotWrite(const std::string& path, int error) {
  if (error == ENAMETOOLONG)
    return refused(
        path, fmt::format("a file name of {} bytes", fs::path(path).filename().string().size()),
        "a shorter name: a disk takes at most 255 bytes");
  return refused(path, reasonOf(error), "room and leave to write the file");
}

// Ours on this machine, so that only what is surely dead is cleaned up.
std::string temporaryStem() {
  std::array<char, 65> host{};
  ::gethostname(host.data(), host.size() - 1);
  std::string name = host.data();
  for (char& c : name)
    if (c == '/' || c == '-') c = '_';
  return kTemporary + name + "-";
}

std::string folderOf(const std::string& target) {
  const std::string folder = fs::path(target).parent_path().string();
  return folder.empty() ? "." : folder;
}

bool writeAll(int file, std::string_view content) {
  while (!content.empty()) {
    const ssize_t count = ::write(file, content.data(), content.size());
    if (count < 0 && errno == EINTR) continue;
    if (count < 0) return false;
    content.remove_prefix(static_cast<std::size_t>(count));
  }
  return true;
}

// A rename is only safe once the folder is on the disk; a folder that cannot be synced is no fault.
bool syncFolder(const std::string& folder) {
  const int dir = ::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC);
  if (dir < 0) return false;
  const bool synced = ::fsync(dir) == 0 || errno == EINVAL || errno == EBADF || errno == EROFS;
  const int error = errno;
  ::close(dir);
  errno = error;
  return synced;
}

// A file on its way: its new content beside it, until it is put in its place or given up.
class Staged {
 public:
  // What went wrong is asked for with problem().
  Staged(const std::string& path, std::string_view content, Readable readable)
      : path_(path), target_(targetOf(path)) {
    struct stat known {};
    if (::lstat(target_.c_str(), &known) == 0 && S_ISLNK(known.st_mode)) {
      fail(ELOOP);  // links in a circle lead to no file
      return;
    }
    mode_t mode = readable == Readable::ByOwnerOnly ? 0600 : 0666 & ~kUmask;
    if (::stat(target_.c_str(), &known) == 0) {
      if (S_ISDIR(known.st_mode)) {
        problem_ = refused(path_, "a folder", "a file");
        return;
      }
      if (!S_ISREG(known.st_mode)) {
        intoDevice(content);
        return;
      }
      mode = known.st_mode & kModeBits;
    }
    cleanOnce(folderOf(target_));
    temporary_ = fmt::format("{}/{}{}-XXXXXX", folderOf(target_), temporaryStem(), ::getpid());
    const int file = ::mkostemp(temporary_.data(), O_CLOEXEC);
    if (file < 0) {
      fail(errno);
      temporary_.clear();
      return;
    }
    if (::fchmod(file, mode) != 0 || !writeAll(file, content) || ::fsync(file) != 0) {
      fail(errno);
      ::close(file);
    } else if (::close(file) != 0) {
      fail(errno);
    }
  }
  ~Staged() {
    if (!temporary_.empty()) ::unlink(temporary_.c_str());
    if (!backup_.empty()) ::unlink(backup_.c_str());
  }
  Staged(Staged&& other) noexcept
      : path_(std::move(other.path_)),
        target_(std::move(other.target_)),
        temporary_(std::exchange(other.temporary_, {})),
        backup_(std::exchange(other.backup_, {})),
        placed_(other.placed_),
        problem_(std::move(other.problem_)) {}
  Staged& operator=(Staged&&) = delete;

  const std::optional<Problem>& problem() const { return problem_; }

  // Keeps what is replaced until this object goes, for putBack().
  void keepOld() {
    if (temporary_.empty()) return;
    backup_ = temporary_ + "~";
    if (::link(target_.c_str(), backup_.c_str()) != 0) backup_.clear();
  }
  bool place() {
    if (temporary_.empty()) return true;  // a device has it already
    if (::rename(temporary_.c_str(), target_.c_str()) != 0) {
      fail(errno);
      return false;
    }
    temporary_.clear();
    placed_ = true;
    if (!syncFolder(folderOf(target_))) {
      problem_ = refused(path_, kWritten + reasonOf(errno), "a folder that takes it at once");
      return false;
    }
    return true;
  }
  void putBack() {
    if (!placed_) return;
    if (backup_.empty())
      ::unlink(target_.c_str());
    else if (::rename(backup_.c_str(), target_.c_str()) == 0)
      backup_.clear();
    placed_ = false;
  }

 private:
  void fail(int error) { problem_ = cannotWrite(path_, error); }

  void intoDevice(std::string_view content) {
    const int file = ::open(target_.c_str(), O_WRONLY | O_CLOEXEC);
    if (file < 0) return fail(errno);
    if (!writeAll(file, content)) fail(errno);
    if (::close(file) != 0 && !problem_) fail(errno);
  }

  static void cleanOnce(const std::string& folder) {
    static std::mutex mutex;
    static std::set<std::string> cleaned;
    {
      const std::scoped_lock lock(mutex);
      if (!cleaned.insert(folder).second) return;
    }
    cleanLeftovers(folder);
  }

  std::string path_, target_;
  std::string temporary_;  // empty: nothing lies there to be put in place
  std::string backup_;
  bool placed_ = false;
  std::optional<Problem> problem_;
};

}  // namespace

std::string targetOf(const std::string& path) {
  std::error_code error;
  fs::path out = fs::absolute(path, error);
  if (error) return path;
  for (int i = 0; i < kMostLinks && fs::is_symlink(out, error); ++i) {
    const fs::path to = fs::read_symlink(out, error);
    if (error) break;
    out = to.is_absolute() ? to : out.parent_path() / to;
  }
  return out.string();
}

bool isWritten(const Problem& problem) {
  return problem.found.starts_with(kWritten);
}

namespace {

// What is known of a file that is there; none of a device or a folder.
std::optional<struct stat> regular(const std::string& path) {
  struct stat known {};
  if (::stat(path.c_str(), &known) != 0 || !S_ISREG(known.st_mode)) return std::nullopt;
  return known;
}

}  // namespace

bool isSameFile(const std::string& a, const std::string& b) {
  const auto first = regular(a);
  const auto second = regular(b);
  if (first && second) return first->st_dev == second->st_dev && first->st_ino == second->st_ino;
  std::error_code error;
  if (first || second || fs::exists(a, error) || fs::exists(b, error)) return false;
  // Neither is there: its folder may have several names too.
  const auto placeOf = [&error](const std::string& path) {
    const fs::path target = targetOf(path);
    const fs::path folder = fs::weakly_canonical(target.parent_path(), error);
    return (error ? target.parent_path() : folder) / target.filename();
  };
  return placeOf(a) == placeOf(b);
}

std::string idOf(const std::string& path) {
  const auto known = regular(path);
  return known ? fmt::format("{:x}x{:x}", known->st_dev, known->st_ino) : std::string();
}
std::int64_t namesOf(const std::string& path) {
  const auto known = regular(path);
  return known ? static_cast<std::int64_t>(known->st_nlink) : 0;
}

Problems wrongTargets(const std::vector<std::string>& read,
                      const std::vector<std::string>& written) {
  Problems out;
  for (std::size_t i = 0; i < written.size(); ++i) {
    if (written[i].empty()) continue;
    const auto isThat = [&](const std::string& other) {
      return !other.empty() && isSameFile(written[i], other);
    };
    if (std::any_of(read.begin(), read.end(), isThat))
      out.push_back(refused(written[i], "a file that is read too", "another file to be written"));
    else if (std::any_of(written.begin(), written.begin() + static_cast<std::ptrdiff_t>(i), isThat))
      out.push_back(
          refused(written[i], "a file that something else is written to", "a file for each"));
  }
  return out;
}

Result<std::string> readFile(const std::string& path) {
  const int file = ::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
  if (file < 0)
    return refused(path, errno == ENOENT ? "no such file" : std::strerror(errno),
                   "a file that can be read");
  struct stat known {};
  const bool stated = ::fstat(file, &known) == 0;
  if (!stated || !S_ISREG(known.st_mode) || known.st_size > kLargestFile) {
    const bool regular = stated && S_ISREG(known.st_mode);
    ::close(file);
    return regular ? refused(path, "a file over 64 MiB", "a smaller file")
                   : refused(path, "no such file", "a file that can be read");
  }
  std::string out;
  out.reserve(static_cast<std::size_t>(known.st_size));
  std::array<char, 1 << 16> buffer{};
  int error = 0;
  while (static_cast<std::int64_t>(out.size()) <= kLargestFile) {
    const ssize_t count = ::read(file, buffer.data(), buffer.size());
    if (count < 0 && errno == EINTR) continue;
    if (count < 0) error = errno;
    if (count <= 0) break;
    out.append(buffer.data(), static_cast<std::size_t>(count));
  }
  ::close(file);
  if (error != 0) return refused(path, std::strerror(error), "a file that can be read");
  return out;
}

std::optional<Problem> writeFile(const std::string& path, std::string_view content,
                                 Readable readable) {
  if (std::ssize(content) > kLargestFile)
    return refused(path, "a file over 64 MiB", "one that can be read again");
  Staged staged(path, content, readable);
  if (!staged.problem()) staged.place();
  return staged.problem();
}

std::optional<Problem> writeFiles(const std::vector<FileText>& files) {
  std::vector<Staged> staged;
  for (const FileText& file : files) {
    staged.emplace_back(file.path, file.content, Readable::AsUsual);
    if (staged.back().problem()) return staged.back().problem();
  }
  for (Staged& one : staged) one.keepOld();
  for (Staged& one : staged) {
    if (one.place()) continue;
    for (Staged& placed : staged) placed.putBack();
    Problem problem = *one.problem();
    // It was, and is no more.
    if (isWritten(problem)) problem.found.erase(0, kWritten.size());
    return problem;
  }
  return std::nullopt;
}

void cleanLeftovers(const std::string& folder) {
  const std::string stem = temporaryStem();
  std::error_code error;
  for (fs::directory_iterator at(folder, error), end; !error && at != end; at.increment(error)) {
    const std::string name = at->path().filename().string();
    if (!name.starts_with(stem)) continue;
    const long pid = std::strtol(name.c_str() + stem.size(), nullptr, 10);
    if (pid > 0 && ::kill(static_cast<pid_t>(pid), 0) != 0 && errno == ESRCH)
      ::unlink(at->path().c_str());
  }
}

std::optional<FileStamp> stampOf(const std::string& path) {
  struct stat known {};
  if (::stat(path.c_str(), &known) != 0) return std::nullopt;
  constexpr std::int64_t kSecond = 1'000'000'000;
  return FileStamp{known.st_ino, known.st_size,
                   known.st_mtim.tv_sec * kSecond + known.st_mtim.tv_nsec};
}

}  // namespace pp
