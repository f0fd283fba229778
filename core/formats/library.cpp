#include "core/formats/library.h"

#include <fmt/format.h>

#include <algorithm>
#include <functional>
#include <map>
#include <nlohmann/json.hpp>

#include "core/fields/json_archive.h"
#include "core/formats/job_json.h"
#include "core/formats/upgrade.h"
#include "core/job/ids.h"

namespace pp {
namespace {

constexpr const char* kLibraryFormat = "plain-patch-assembly";
constexpr int kLibraryVersion = 2;

bool namesMaterial(const std::string& field) {
  return field == "material" || field.ends_with("Material") || field == "endLeft" ||
         field == "endRight";
}
bool namesBanding(const std::string& field) {
  return field == "banding" || field == "bandLong" || field == "bandShort" || field == "farLong" ||
         field == "farShort";
}

// Every text in fields that `chosen` accepts, replaced.
void replaceIn(OrderedJson& json, bool (*chosen)(const std::string&),
               const std::function<std::string(const std::string&)>& with) {
  if (json.is_array())
    for (OrderedJson& one : json) replaceIn(one, chosen, with);
  if (!json.is_object()) return;
  for (auto& [key, value] : json.items()) {
    if (value.is_string() && chosen(key))
      value = with(value.get<std::string>());
    else
      replaceIn(value, chosen, with);
  }
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
  const auto json = parseJson(file, text);
  if (!json) return json.problems();
  Problems problems;
  JsonReader reader(json.value(), "", problems);
  LibraryItem out;
  const OrderedJson* assembly = nullptr;
  if (reader.is(kLibraryFormat, 1, kLibraryVersion)) {
    reader.must("name", out.name);
    reader("about", out.about);
    if (reader.required("assembly")) assembly = reader.get("assembly");
  }
  reader.finish();
  if (problems.empty()) {
    OrderedJson now = *assembly;
    if ((*json)["version"] == 1) takeVersion4(now);
    out.text = now.dump();
    if (const auto read = readFragment(file, out.text); !read) return read.problems();
  }
  for (Problem& problem : problems) problem.file = file;
  if (!problems.empty()) return problems;
  return out;
}

Result<Fragment> placed(const LibraryItem& item, const Job& job) {
  const std::map<std::string, std::string> roles = rolesOf(job);
  if (roles.empty())
    return Problem{{}, 0, {}, "no sheet material in the rack", "one, to make the assembly of"};
  OrderedJson json = OrderedJson::parse(item.text);
  replaceIn(json, namesMaterial, [&](const std::string& role) {
    const auto at = roles.find(role);
    if (at != roles.end()) return at->second;
    return role.empty() || findMaterial(job, role) != nullptr ? role : roles.at("case");
  });
  replaceIn(json, namesBanding, [&](const std::string& name) {
    if (name.empty() || findBanding(job, name) != nullptr) return name;
    return job.bandings.empty() ? std::string() : job.bandings.front().id;
  });
  return readFragment(item.name, json.dump());
}

std::string writeLibraryItem(const std::string& name, const std::string& about,
                             const Assembly& assembly, const Job& job) {
  // Ids of its own, so that what is chosen for its parts still names them.
  Job alone;
  addCopy(alone, assembly, job.overrides, assembly.code);
  OrderedJson json = OrderedJson::parse(
      writeFragment({std::as_const(alone).assemblies[0], std::move(alone.overrides)}));
  const std::map<std::string, std::string> roles = rolesOf(job);
  replaceIn(json, namesMaterial, [&](const std::string& id) {
    for (const char* role : {"case", "back", "box", "solid"})
      if (const auto at = roles.find(role); at != roles.end() && at->second == id)
        return std::string(role);
    return id;
  });
  replaceIn(json, namesBanding,
            [](const std::string& id) { return id.empty() ? id : std::string("edge"); });
  OrderedJson out = {{"format", kLibraryFormat},
                     {"version", kLibraryVersion},
                     {"name", name},
                     {"about", about},
                     {"assembly", json}};
  return out.dump(1) + "\n";
}

}  // namespace pp
