#include "core/formats/autosave.h"

#include "core/formats/job_json.h"
#include "core/formats/json_fields.h"

namespace pp {
namespace {

constexpr const char* kFormat = "plain-patch-autosave";
constexpr int kVersion = 1;

struct Head {
  std::string format;
  int version = 0;
  std::string path, saved;
  std::string file, size, changed;  // of the base; as text, since they take all of 64 bits
};

}  // namespace

template <class A>
void fields(A& a, Head& v) {
  a.must("format", v.format);
  a.must("version", v.version);
  a("path", v.path);
  a("saved", v.saved);
  a("file", v.file);
  a("size", v.size);
  a("changed", v.changed);
}

std::string writeAutosave(const Autosave& autosave) {
  Head head{kFormat, kVersion, autosave.path, autosave.saved, {}, {}, {}};
  if (autosave.base) {
    head.file = std::to_string(autosave.base->file);
    head.size = std::to_string(autosave.base->size);
    head.changed = std::to_string(autosave.base->changed);
  }
  JsonWriter writer;
  fields(writer, head);
  return writer.take().dump(-1, ' ', true, OrderedJson::error_handler_t::replace) + "\n" +
         writeJob(autosave.job);
}

Result<Autosave> readAutosave(const std::string& file, std::string_view text) {
  const std::size_t end = std::min(text.find('\n'), text.size());
  const auto json = parseJson(file, text.substr(0, end));
  if (!json) return json.problems();
  Problems problems;
  Head head;
  JsonReader reader(json.value(), "", problems);
  fields(reader, head);
  reader.finish();
  if (problems.empty() && (head.format != kFormat || head.version != kVersion))
    problems.push_back({file, 0, "/format", "'" + shown(head.format) + "'", kFormat});
  if (!problems.empty()) {
    for (Problem& problem : problems) problem.file = file;
    return problems;
  }
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
