// The job file, `.plainpatch`: JSON, versioned, lengths in millimetres with at most six decimals.
// docs/formats.md describes every field.
#pragma once

#include <string>
#include <string_view>

#include "core/floor/record.h"
#include "core/job/job.h"

namespace pp {

inline constexpr int kJobFileVersion = 6;

// Reads a whole job or says everything that is wrong with it (at most 50 problems), each with the
// line for text that is not JSON, else with the JSON pointer of the field. Unknown fields, newer
// versions, keys that stand twice and trailing text are refused. A file of version 1 is read as the
// job it meant, with ids and the numbers its parts had.
Result<Job> readJob(const std::string& file, std::string_view text);

// The design alone.
std::string writeJob(const Job& job);

// Both halves of the file.
struct JobWithRecord {
  Job job;
  Record record;
};
Result<JobWithRecord> readJobWithRecord(const std::string& file, std::string_view text);
std::string writeJob(const Job& job, const Record& record);

// One assembly as it stands in a job file, with what is chosen for its parts in a field `choices`;
// `file` names it in problems. Materials are not looked up.
struct Fragment {
  Assembly assembly;
  std::vector<PartOverride> choices;
};
Result<Fragment> readFragment(const std::string& file, std::string_view text);
// `said`: what is written in place of each length.
std::string writeFragment(const Fragment& fragment, Length (*said)(Length) = nullptr);

}  // namespace pp
