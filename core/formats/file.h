// Whole files in and out.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "core/result/result.h"

namespace pp {

// The whole of a file, or a problem that says why it cannot be read.
Result<std::string> readFile(const std::string& path);

// Writes a whole file by way of a temporary one beside it, synced and renamed: either the old or
// the new content is there, never half of one. A problem when the disk or the folder refuses.
std::optional<Problem> writeFile(const std::string& path, std::string_view content);

}  // namespace pp
