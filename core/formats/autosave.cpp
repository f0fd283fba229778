#include "core/formats/autosave.h"

#include <algorithm>
#include <cstdlib>

#include "core/fields/json_archive.h"
#include "core/formats/job_json.h"

namespace pp {
namespace {

constexpr const char* kAutosaveFormat = "plain-patch-autosave";
constexpr int kAutosaveVersion = 1;

struct AutosaveHead {
  std::string format;
  int version = 0;
  std::string path, saved;
  std::string file, size, changed;  // of the base; as text, since they take all of 64 bits
};

}  // namespace

void fields(Archive& a, AutosaveHead& v) {
  a.must("format", v.format);
  a.must("version", v.version);
  a("path", v.path);
  a("saved", v.saved);
  a("file", v.file);
  a("size", v.size);
  a("changed", v.changed);
}

std::string writeAutosave(const Autosave& autosave) {
  AutosaveHead head{kAutosaveFormat, kAutosaveVersion, autosave.path, autosave.saved, {}, {}, {}};
  if (autosave.base) {
    head.file = std::to_string(autosave.base->file);
    head.size = std::to_string(autosave.base->size);
    head.changed = std::to_string(autosave.base->changed);
  }
  JsonWriter writer;
  fields(writer, head);
  return writer.line() + "\n" + writeJob(autosave.job);
}

Result<Autosave> readAutosave(const std::string& file, std::string_view text) {
  const std::size_t end = std::min(text.find('\n'), text.size());
  AutosaveHead head;
  Problems problems =
      readObject(file, text.substr(0, end), [&head](JsonReader& reader) { fields(reader, head); });
  if (problems.empty() && (head.format != kAutosaveFormat || head.version != kAutosaveVersion))
    problems.push_back({file, 0, "/format", "'" + shown(head.format) + "'", kAutosaveFormat});
  if (!problems.empty()) return problems;
  auto job = readJob(file, text.substr(std::min(end + 1, text.size())));
  if (!job) return job.problems();
  Autosave out{head.path, head.saved, {}, std::move(job).value()};
  if (!head.changed.empty()) {
    FileStamp base;
    base.file = std::strtoull(head.file.c_str(), nullptr, 10);
    base.size = std::strtoll(head.size.c_str(), nullptr, 10);
    base.changed = std::strtoll(head.changed.c_str(), nullptr, 10);
    out.base = base;
  }
  return out;
}

}  // namespace pp
