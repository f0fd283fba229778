// Whole files in and out.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/result/result.h"

namespace pp {

// The whole of a regular file, or a problem that says why it cannot be read.
Result<std::string> readFile(const std::string& path);

// Who may read a file that is made new. One that is replaced keeps its mode.
enum class Readable { AsUsual, ByOwnerOnly };

struct FileText {
  std::string path;
  std::string content;
};

// No more is written of a file than is read again.
inline constexpr std::int64_t kLargestFile = std::int64_t{64} << 20;

// Why files may not be written: one of them is read too, or two of them are one file, by whatever
// names and links. Empty: they may. Ask before anything is opened. Empty names are none.
Problems wrongTargets(const std::vector<std::string>& read,
                      const std::vector<std::string>& written);

// Writes a whole file by way of a temporary one beside it, synced and renamed: either the old or
// the new content is there, never half of one. A symbolic link stays and its target is replaced. A
// device or pipe is written to as it is. A problem when the disk or the folder refuses.
std::optional<Problem> writeFile(const std::string& path, std::string_view content,
                                 Readable readable = Readable::AsUsual);
// Whether that problem of writing a file says that it is written all the same, and only may not
// outlive a power cut.
bool isWritten(const Problem& problem);

// Writes all of them, or none: when one cannot be put in its place, those that were are put back.
std::optional<Problem> writeFiles(const std::vector<FileText>& files);

// Removes the temporary files that a process of this machine, now dead, has left in a folder.
// Writing a file does so in its folder the first time.
void cleanLeftovers(const std::string& folder);

// What tells one state of a file from another, without reading it.
struct FileStamp {
  std::uint64_t file = 0;    // its number on its disk: another after a replacement
  std::int64_t size = 0;     // bytes
  std::int64_t changed = 0;  // nanoseconds since 1970
  bool operator==(const FileStamp&) const = default;
};
// Of the file itself where `path` is a symbolic link; none where there is no file.
std::optional<FileStamp> stampOf(const std::string& path);

// Whether two paths lead to one file, by whatever names and links. What is not there yet is known
// by the path that it would have; a device is no file.
bool isSameFile(const std::string& a, const std::string& b);

// A file by its place on its disk, whatever its name, as a name of letters and digits; empty: there
// is no such file.
std::string idOf(const std::string& path);
// How many names it has; 0: there is no such file.
std::int64_t namesOf(const std::string& path);

// The file that a path leads to when symbolic links are followed, as an absolute path. One that
// leads nowhere, or in a circle, is given as far as it goes.
std::string targetOf(const std::string& path);

}  // namespace pp
