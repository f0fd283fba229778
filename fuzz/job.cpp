// Job files, and autosaves with a job in them.
#include "core/formats/autosave.h"
#include "core/formats/job_json.h"
#include "fuzz/through.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace pp;
  const std::string_view text = fuzz::text(data, size);
  if (const auto job = readJob("job", text)) fuzz::through(job.value());
  if (const auto autosave = readAutosave("autosave", text)) fuzz::through(autosave.value().job);
  return 0;
}
