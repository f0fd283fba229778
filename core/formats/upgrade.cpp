#include "core/formats/upgrade.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>
#include <set>
#include <utility>

#include "core/breakdown/overrides.h"
#include "core/job/ids.h"
#include "core/kinds/boards/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, CodesOfVersion1::Override& v) {
  a.must("part", v.part);
  a.must("why", v.made.why);
  a("length", v.made.length);
  a("width", v.made.width);
  if (a.wants("grain", v.made.grain)) a.choice("grain", *v.made.grain, kBoardGrains);
  a("banding", v.made.banding);
}

void fields(Archive& a, CodesOfVersion1::Pin& v) {
  a.must("part", v.part);
  a.must("stock", v.stock);
  a("copies", v.made.copies);
  a("sheet", v.made.sheet);
  a("x", v.made.x);
  a("y", v.made.y);
  a("turned", v.made.turned);
}

namespace {

// Every object of the list in that field, where there is one.
template <class Do>
void eachIn(OrderedJson& json, const char* field, const Do& act) {
  if (!json.is_object()) return;
  const auto list = json.find(field);
  if (list == json.end() || !list->is_array()) return;
  for (OrderedJson& one : *list)
    if (one.is_object()) act(one);
}

// `object` with a field before all others.
OrderedJson with(const char* field, OrderedJson value, const OrderedJson& object) {
  OrderedJson out = {{field, std::move(value)}};
  for (const auto& [key, old] : object.items()) out[key] = old;
  return out;
}

}  // namespace

CodesOfVersion1 takeVersion1(OrderedJson& json, Problems& problems) {
  CodesOfVersion1 out;
  {
    OrderedJson codes = OrderedJson::object();
    for (const char* field : {"overrides", "pins"})
      if (json.contains(field)) codes[field] = json[field];
    JsonReader reader(codes, "", problems);
    reader("overrides", out.overrides);
    reader("pins", out.pins);
  }
  json.erase("overrides");
  json.erase("pins");
  // A banding was known by its name, a row of stock by its mark, the members of a group by code.
  eachIn(json, "bandings", [](OrderedJson& one) {
    if (one.contains("name")) one = with("id", one["name"], one);
  });
  Id last = 0;
  eachIn(json, "stock", [&last](OrderedJson& one) {
    if (!one.contains("id")) return;
    OrderedJson renamed = {{"id", ++last}, {"mark", one["id"]}};
    for (const auto& [key, value] : one.items())
      if (key != "id") renamed[key] = value;
    one = std::move(renamed);
  });
  std::map<std::string, Id> assemblies;
  eachIn(json, "assemblies", [&](OrderedJson& one) {
    if (one.contains("code") && one["code"].is_string())
      assemblies.emplace(one["code"].get<std::string>(), ++last);
    one = with("id", last, one);
  });
  eachIn(json, "assemblies", [&](OrderedJson& one) {
    if (!one.contains("group") || !one["group"].is_object()) return;
    const auto members = one["group"].find("members");
    if (members == one["group"].end() || !members->is_array()) return;
    for (OrderedJson& member : *members)
      if (member.is_string())
        if (const auto at = assemblies.find(member.get<std::string>()); at != assemblies.end())
          member = at->second;
  });
  json["lastId"] = last;
  return out;
}

namespace {

std::string renamedPad(const std::string& key) {
  const std::string role = ":slide pad@";
  const std::string second = "#2";
  if (!key.ends_with(second)) return key;
  const auto at = key.find(role);
  if (at == std::string::npos) return key;
  return key.substr(0, at) + ":right slide pad@" +
         key.substr(at + role.size(), key.size() - at - role.size() - second.size());
}

}  // namespace

void takeVersion2(OrderedJson& json) {
  if (json.is_string()) {
    json = renamedPad(json.get<std::string>());
  } else if (json.is_array()) {
    for (OrderedJson& one : json) takeVersion2(one);
  } else if (json.is_object()) {
    OrderedJson out = OrderedJson::object();
    for (auto& [key, value] : json.items()) {
      takeVersion2(value);
      out[renamedPad(key)] = std::move(value);
    }
    json = std::move(out);
  }
}

void takeVersion4(OrderedJson& json) {
  if (json.is_array()) {
    for (OrderedJson& one : json) takeVersion4(one);
    return;
  }
  if (!json.is_object()) return;
  const auto features = json.find("features");
  if (features != json.end() && features->is_array())
    for (OrderedJson& one : *features) {
      if (!one.is_object() || !one.contains("kind")) continue;
      // An arc is a curve over all of its edge; a taper was of all of the upper one.
      const bool arc = one["kind"] == "arc";
      const bool taper = one["kind"] == "taper";
      if (arc) one["kind"] = "curve";
      if (taper) one["edge"] = "long 2";
      if (arc || taper) one.erase("along");
      if (arc) one.erase("length");
    }
  // Boxes behind equal inset fronts were as high as those.
  if (json.contains("carcass") && json["carcass"].is_object() &&
      json["carcass"].contains("drawers") && json["carcass"]["drawers"].is_object())
    json["carcass"]["drawers"]["evenBoxes"] = false;
  for (auto& [key, value] : json.items())
    if (key != "features" && key != "record") takeVersion4(value);
}

void takeVersion5(OrderedJson& json) {
  const auto record = json.is_object() ? json.find("record") : json.end();
  if (record == json.end()) return;
  eachIn(*record, "cuttings", [](OrderedJson& cutting) {
    const auto plans = cutting.find("plans");
    if (plans == cutting.end() || !plans->is_array()) return;
    for (OrderedJson& plan : *plans) plan = OrderedJson{{"whole", std::move(plan)}};
  });
}

std::string fragmentOfVersion1(const std::string& text) {
  OrderedJson json = OrderedJson::parse(text);
  takeVersion4(json);
  return json.dump();
}

void dropUnused(Job& job) {
  const auto clean = [](SharedRows<LooseBoard>& boards) {
    for (std::size_t i = 0; i < boards.size(); ++i)
      for (std::size_t k = 0; k < std::as_const(boards)[i].features.size(); ++k)
        if (!unusedFields(std::as_const(boards)[i].features[k]).empty())
          boards[i].features[k] = withoutUnused(boards[i].features[k]);
  };
  clean(job.loose);
  for (std::size_t i = 0; i < job.assemblies.size(); ++i)
    if (std::holds_alternative<Boards>(std::as_const(job).assemblies[i].body))
      clean(std::get<Boards>(job.assemblies[i].body).boards);
}

namespace {

bool isPad(const Part& part) {
  return part.role == PartRole::SlidePad || part.role == PartRole::RightSlidePad;
}

// Version 1 had one pad, however many layers it takes, and one number for all that are equally
// thick and large.
std::string padOfVersion1(const Part& part) {
  return fmt::format("{}/{}/{}", part.note.substr(std::min(part.note.size(), part.note.find(';'))),
                     part.length.total().inNm(), part.width.total().inNm());
}

// Numbers as version 1 counted; what it had not comes after all others of its assembly.
SharedRows<AssemblyCodes> countedAsVersion1(const std::vector<Part>& parts) {
  std::map<Id, std::vector<std::vector<PartKey>>> had, more;
  std::map<Id, std::set<std::string>> pads;
  for (const Part& part : parts) {
    const PartKey& key = part.keys.front();
    const bool counted =
        !isPad(part) || (key.index == 1 && pads[key.assembly].insert(padOfVersion1(part)).second);
    (counted ? had : more)[key.assembly].push_back(part.keys);
  }
  SharedRows<AssemblyCodes> out;
  for (auto& [assembly, groups] : had) {
    groups.insert(groups.end(), more[assembly].begin(), more[assembly].end());
    AssemblyCodes book;
    book.assembly = assembly;
    numbered(groups, book);
    out.push_back(std::move(book));
  }
  return out;
}

}  // namespace

void upgradeFromVersion1(Job& job, const CodesOfVersion1& old) {
  giveIds(job);
  job.codes = countedAsVersion1(breakDown(job).parts);
  const Breakdown counted = breakDown(job);
  job.codes = counted.codes;
  std::map<std::string, const Part*> parts;
  for (const Part& part : counted.parts) parts.emplace(part.code, &part);
  for (const CodesOfVersion1::Override& one : old.overrides)
    if (const auto at = parts.find(one.part); at != parts.end())
      setOverride(job, counted.parts, *at->second, one.made);
  for (const CodesOfVersion1::Pin& one : old.pins) {
    const auto at = parts.find(one.part);
    const auto stock =
        std::find_if(job.stock.begin(), job.stock.end(),
                     [&one](const StockPiece& row) { return row.mark == one.stock; });
    if (at == parts.end() || stock == job.stock.end()) continue;
    JobPin made = one.made;
    made.part = at->second->keys.front();
    made.stock = stock->id;
    job.pins.push_back(made);
  }
}

}  // namespace pp
