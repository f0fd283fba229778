// The job file, `.plainpatch`: JSON, versioned, lengths in millimetres with at most six decimals.
// docs/formats.md describes every field.
#pragma once

#include <string>
#include <string_view>

#include "core/job/job.h"

namespace pp {

inline constexpr int kJobFileVersion = 1;

// Reads a whole job or says everything that is wrong with it (at most 50 problems), each with the
// line for text that is not JSON, else with the JSON pointer of the field. Unknown fields, unknown
// versions, keys that stand twice and trailing text are refused.
Result<Job> readJob(const std::string& file, std::string_view text);

std::string writeJob(const Job& job);

// One assembly as it stands in a job file; `file` names it in problems. Materials are not looked
// up.
Result<Assembly> readAssembly(const std::string& file, std::string_view text);
std::string writeAssembly(const Assembly& assembly);

}  // namespace pp
