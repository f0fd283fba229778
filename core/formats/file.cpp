#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdint>
#include <cstdlib>
#include <cstring>
#include <filesystem>
#include <fstream>
#include <sstream>

#include "core/formats/file.h"

namespace pp {
namespace {

constexpr std::uintmax_t kLargestFile = 64U << 20;  // no real job or list comes near

Problem refused(const std::string& path, const std::string& found, const std::string& expected) {
  return {path, 0, {}, found, expected};
}

bool writeAll(int file, std::string_view content) {
  while (!content.empty()) {
    const ssize_t count = ::write(file, content.data(), content.size());
    if (count < 0 && errno == EINTR) continue;
    if (count <= 0) return false;
    content.remove_prefix(static_cast<std::size_t>(count));
  }
  return true;
}

}  // namespace

Result<std::string> readFile(const std::string& path) {
  std::error_code error;
  if (!std::filesystem::is_regular_file(path, error))
    return refused(path, "no such file", "a file that can be read");
  if (std::filesystem::file_size(path, error) > kLargestFile)
    return refused(path, "a file over 64 MiB", "a smaller file");
  std::ifstream in(path, std::ios::binary);
  std::ostringstream out;
  out << in.rdbuf();
  if (!in.good() && !in.eof())
    return refused(path, "a file that cannot be read", "a file that can be read");
  return out.str();
}

std::optional<Problem> writeFile(const std::string& path, std::string_view content) {
  std::string temporary = path + ".XXXXXX";
  const int file = ::mkstemp(temporary.data());
  if (file < 0) return refused(path, std::strerror(errno), "a folder that can be written to");
  ::fchmod(file, 0644);
  const bool written = writeAll(file, content) && ::fsync(file) == 0;
  const std::string why = written ? "" : std::strerror(errno);
  ::close(file);
  if (!written || ::rename(temporary.c_str(), path.c_str()) != 0) {
    const std::string reason = written ? std::strerror(errno) : why;
    ::unlink(temporary.c_str());
    return refused(path, reason, "room and leave to write the file");
  }
  // The rename itself is only safe once the folder is on the disk.
  const std::filesystem::path folder = std::filesystem::absolute(path).parent_path();
  if (const int dir = ::open(folder.c_str(), O_RDONLY | O_DIRECTORY); dir >= 0) {
    ::fsync(dir);
    ::close(dir);
  }
  return std::nullopt;
}

}  // namespace pp
