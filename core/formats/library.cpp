#include "core/formats/library.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>

#include "core/fields/json_archive.h"
#include "core/formats/job_json.h"
#include "core/formats/upgrade.h"
#include "core/formats/usual_sizes.h"
#include "core/job/ids.h"
#include "core/kinds/kind.h"

namespace pp {
namespace {

constexpr const char* kLibraryFormat = "plain-patch-assembly";
constexpr int kLibraryVersion = 2;
constexpr Choice<Unit> kUnits[] = {{"mm", Unit::Millimetre}, {"in", Unit::Inch}};

bool namesMaterial(const std::string& field) {
  return field == "material" || field.ends_with("Material") || field == "endLeft" ||
         field == "endRight";
}
bool namesBanding(const std::string& field) {
  return field == "banding" || field == "bandLong" || field == "bandShort" || field == "farLong" ||
         field == "farShort";
}

// What each role is in a job.
std::map<std::string, std::string> rolesOf(const Job& job) {
  std::vector<const Material*> sheets;
  std::string solid;
  for (const Material& material : job.materials) {
    if (!material.lumber)
      sheets.push_back(&material);
    else if (solid.empty())
      solid = material.id;
  }
  std::stable_sort(sheets.begin(), sheets.end(),
                   [](const Material* a, const Material* b) { return a->nominal > b->nominal; });
  if (sheets.empty()) return {};
  const std::string& thick = sheets.front()->id;
  const std::string& thin = sheets.back()->id;
  return {{"case", thick},
          {"front", thick},
          {"back", thin},
          {"bottom", thin},
          {"box", sheets[sheets.size() / 2]->id},
          {"solid", solid.empty() ? thick : solid}};
}

}  // namespace

Result<LibraryItem> readLibraryItem(const std::string& file, std::string_view text) {
  LibraryItem out;
  int version = kLibraryVersion;
  const Problems problems = readObject(file, text, [&](JsonReader& reader) {
    if (!reader.is(kLibraryFormat, 1, kLibraryVersion)) return;
    reader("version", version);
    reader.must("name", out.name);
    reader("about", out.about);
    reader.choice("unit", out.unit, kUnits);
    if (reader.required("assembly")) out.text = reader.textOf("assembly");
  });
  if (!problems.empty()) return problems;
  if (version == 1) out.text = fragmentOfVersion1(out.text);
  if (const auto read = readFragment(file, out.text); !read) return read.problems();
  return out;
}

Result<Fragment> placed(const LibraryItem& item, const Job& job) {
  const std::map<std::string, std::string> roles = rolesOf(job);
  if (roles.empty())
    return Problem{{}, 0, {}, "no sheet material in the rack", "one, to make the assembly of"};
  const auto materialOf = [&](const std::string& role) {
    const auto at = roles.find(role);
    if (at != roles.end()) return at->second;
    return role.empty() || findMaterial(job, role) != nullptr ? role : roles.at("case");
  };
  const auto bandingOf = [&](const std::string& name) {
    if (name.empty() || findBanding(job, name) != nullptr) return name;
    return job.bandings.empty() ? std::string() : job.bandings.front().id;
  };
  auto read = readFragment(
      item.name, withTexts(item.text, [&](const std::string& field, const std::string& text) {
        return namesMaterial(field)  ? materialOf(text)
               : namesBanding(field) ? bandingOf(text)
                                     : text;
      }));
  if (!read || item.unit == job.unit) return read;
  return inUsualSizes(read.value(), job.unit);
}

Assembly begun(const Job& job, const Kind& kind) {
  Fragment out{plainAssembly(job, kind), {}};
  // As it stands in a file, and so without ids.
  return job.unit == Unit::Inch ? inUsualSizes(out, job.unit).assembly : out.assembly;
}

std::string writeLibraryItem(const std::string& name, const std::string& about,
                             const Assembly& assembly, const Job& job) {
  // Ids of its own, so that what is chosen for its parts still names them.
  Job alone;
  addCopy(alone, assembly, job.overrides, assembly.code);
  const std::string json =
      writeFragment({std::as_const(alone).assemblies[0], std::move(alone.overrides)});
  const std::map<std::string, std::string> roles = rolesOf(job);
  const auto roleOf = [&](const std::string& id) {
    for (const char* role : {"case", "back", "box", "solid"})
      if (const auto at = roles.find(role); at != roles.end() && at->second == id)
        return std::string(role);
    return id;
  };
  std::string format = kLibraryFormat;
  int version = kLibraryVersion;
  std::string named = name, said = about;
  JsonWriter writer;
  writer("format", format);
  writer("version", version);
  writer("name", named);
  writer("about", said);
  Unit unit = job.unit;
  if (unit != Unit::Millimetre) writer.choice("unit", unit, kUnits);
  writer.written("assembly",
                 withTexts(json, [&](const std::string& field, const std::string& text) {
                   if (namesMaterial(field)) return roleOf(text);
                   return namesBanding(field) && !text.empty() ? std::string("edge") : text;
                 }));
  return writer.indented();
}

}  // namespace pp
