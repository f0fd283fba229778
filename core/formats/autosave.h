// The state of a job that is not in its file yet, as it is kept for the next start.
#pragma once

#include <optional>
#include <string>

#include "core/formats/file.h"
#include "core/job/job.h"

namespace pp {

struct Autosave {
  std::string path;               // of the job's file, absolute; empty: never saved
  std::string saved;              // when this was written, as its writer says it
  std::optional<FileStamp> base;  // of the job's file as this state began from it
  Job job;
};

// A first line about the job, then the job as its own file has it.
std::string writeAutosave(const Autosave& autosave);
Result<Autosave> readAutosave(const std::string& file, std::string_view text);

}  // namespace pp
