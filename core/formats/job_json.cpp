#include "core/formats/job_json.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/breakdown/fit.h"
#include "core/formats/opening_json.h"
#include "core/formats/rack_fields.h"
#include "core/formats/record_json.h"
#include "core/formats/upgrade.h"
#include "core/job/ids.h"
#include "core/kinds/fields.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"

namespace pp {
namespace {

constexpr const char* kFormat = "plain-patch-job";

}  // namespace

template <class A>
void fields(A& a, JobPin& v) {
  a.must("part", v.part);
  a.must("stock", v.stock);
  a("copies", v.copies);
  a("sheet", v.sheet);
  a("x", v.x);
  a("y", v.y);
  a("turned", v.turned);
}

namespace {

template <std::size_t I = 0>
AssemblyBody emptyBody(std::size_t index) {
  if constexpr (I + 1 < std::variant_size_v<AssemblyBody>)
    if (index != I) return emptyBody<I + 1>(index);
  return AssemblyBody(std::in_place_index<I>);
}

void bodyField(JsonReader& a, AssemblyBody& body) {
  std::size_t found = 0;
  for (std::size_t i = 0; i < kinds().size(); ++i) {
    const OrderedJson* json = a.get(kinds()[i].field);
    if (json == nullptr) continue;
    if (++found > 1)
      return a.refuse(a.pointer() + "/" + kinds()[i].field, *json, "one kind of assembly");
    body = emptyBody(i);
    std::visit([&](auto& one) { a(kinds()[i].field, one); }, body);
  }
  if (found > 0) return;
  std::string fields;
  for (const Kind& kind : kinds()) fields += (fields.empty() ? "" : ", ") + std::string(kind.field);
  a.problems().push_back({{}, 0, a.pointer(), "an assembly of no kind", "one of " + fields});
}
void bodyField(JsonWriter& a, AssemblyBody& body) {
  std::visit([&](auto& one) { a(kinds()[body.index()].field, one); }, body);
}

}  // namespace

template <class A>
void fields(A& a, Costing& v) {
  a.unlessPlain("minutes", v.minutes);
  a.unlessPlain("rate", v.rate);
  a.unlessPlain("margin", v.margin);
  a.unlessPlain("spare", v.spare);
}

template <class A>
void fields(A& a, Assembly& v) {
  a.id("id", v.id);
  a.must("code", v.code);
  a("name", v.name);
  a("copies", v.copies);
  a.choice("finish", v.finish, kFinishes);
  a.unlessPlain("finishedWhole", v.finishedWhole);
  bodyField(a, v.body);
  a("lot", v.lot);
}

template <class A>
void fields(A& a, Gate& v) {
  a.choice("kind", v.kind,
           {{"door", GateKind::Door},
            {"corridor", GateKind::Corridor},
            {"stair", GateKind::Stair},
            {"lift", GateKind::Lift},
            {"van", GateKind::Van},
            {"people", GateKind::People},
            {"flat", GateKind::Flat}});
  a.unlessPlain("name", v.name);
  a.unlessPlain("width", v.width);
  a.unlessPlain("height", v.height);
  a.unlessPlain("depth", v.depth);
  a.unlessPlain("into", v.into);
  a.unlessPlain("turns", v.turns);
  a.unlessPlain("pitch", v.pitch);
  a.unlessPlain("people", v.people);
  a.unlessPlain("grams", v.grams);
}

const Choices<WallAt> kWalls = {
    {"back", WallAt::Back}, {"left", WallAt::Left}, {"right", WallAt::Right}};

template <class A>
void fields(A& a, SiteWall& v) {
  a.choice("at", v.at, kWalls);
  a.unlessPlain("mouldingThickness", v.mouldingThickness);
  a.unlessPlain("mouldingHeight", v.mouldingHeight);
  a("allowance", v.allowance);
  a.unlessPlain("madeOf", v.madeOf);
  a.unlessPlain("firstStud", v.firstStud);
  a.unlessPlain("studPitch", v.studPitch);
}

template <class A>
void fields(A& a, SiteSize& v) {
  a.choice("kind", v.kind,
           {{"width", SizeKind::Width},
            {"depth", SizeKind::Depth},
            {"height", SizeKind::Height},
            {"plumb", SizeKind::Plumb},
            {"level", SizeKind::Level},
            {"diagonal", SizeKind::Diagonal}});
  a.choice("wall", v.wall, kWalls);
  a.unlessPlain("at", v.at);
  a("first", v.read.first);
  a("second", v.read.second);
  a("third", v.read.third);
}

template <class A>
void fields(A& a, Obstacle& v) {
  a.choice("kind", v.kind,
           {{"outlet", ObstacleKind::Outlet},
            {"switch", ObstacleKind::Switch},
            {"pipe", ObstacleKind::Pipe},
            {"vent", ObstacleKind::Vent},
            {"valve", ObstacleKind::Valve},
            {"window", ObstacleKind::Window},
            {"door", ObstacleKind::Door},
            {"hatch", ObstacleKind::Hatch},
            {"foot", ObstacleKind::Foot},
            {"step", ObstacleKind::Step}});
  a.unlessPlain("name", v.name);
  if (a.wants("wall", v.wall)) a.choice("wall", *v.wall, kWalls);
  a.unlessPlain("along", v.along);
  a.unlessPlain("up", v.up);
  a.must("width", v.width);
  a.must("height", v.height);
  a.unlessPlain("out", v.out);
}

template <class A>
void fields(A& a, SiteStand& v) {
  a.must("assembly", v.assembly);
  a.choice("wall", v.wall, kWalls);
  a.unlessPlain("along", v.along);
  a.unlessPlain("up", v.up);
  a.unlessPlain("fills", v.fills);
}

template <class A>
void fields(A& a, Site& v) {
  a.choice("kind", v.kind,
           {{"free", SiteKind::Free},
            {"wall", SiteKind::Wall},
            {"alcove", SiteKind::Alcove},
            {"leftCorner", SiteKind::LeftCorner},
            {"rightCorner", SiteKind::RightCorner},
            {"nook", SiteKind::Nook},
            {"around", SiteKind::Around}});
  a.unlessPlain("walls", v.walls);
  a.unlessPlain("sizes", v.sizes);
  a.unlessPlain("obstacles", v.obstacles);
  a.unlessPlain("stands", v.stands);
}

template <class A>
void fields(A& a, WorkReading& v) {
  a.unlessPlain("ofWidth", v.ofWidth);
  a("allowance", v.allowance);
  a("readings", v.readings);
}

template <class A>
void fields(A& a, EdgeChoice& v) {
  a.choice("side", v.side,
           {{"front", Side::Front},
            {"back", Side::Back},
            {"left", Side::Left},
            {"right", Side::Right},
            {"top", Side::Top},
            {"bottom", Side::Bottom}});
  a.unlessPlain("beyond", v.beyond);
  if (a.wants("joint", v.joint)) a.choice("joint", *v.joint, kJoints);
  a("banding", v.banding);
}

template <class A>
void fields(A& a, PartOverride& v) {
  a.must("part", v.part);
  a("alike", v.alike);
  a.must("why", v.why);
  a("material", v.material);
  a("length", v.length);
  a("width", v.width);
  if (a.wants("grain", v.grain)) a.choice("grain", *v.grain, kBoardGrains);
  a("banding", v.banding);
  a("edges", v.edges);
  if (a.wants("show", v.show)) a.choice("show", *v.show, kFaces);
  if (a.wants("finishInside", v.finishInside)) a.choice("finishInside", *v.finishInside, kFinishes);
  if (a.wants("finishOutside", v.finishOutside))
    a.choice("finishOutside", *v.finishOutside, kFinishes);
  a("oversize", v.oversize);
  a("reads", v.reads);
  a.unlessPlain("anySuch", v.anySuch);
  a("follows", v.follows);
  a("features", v.features);
}

// The numbers of an assembly's parts, one field a part: one number, or those it has had.
inline void numbersField(JsonWriter& a, std::vector<PartNumbers>& parts) {
  OrderedJson out = OrderedJson::object();
  for (const PartNumbers& row : parts)
    out[keyText(row.part)] =
        row.numbers.size() == 1 ? OrderedJson(row.numbers.front()) : OrderedJson(row.numbers);
  a.put("numbers", std::move(out));
}
inline void numbersField(JsonReader& a, std::vector<PartNumbers>& parts) {
  const OrderedJson* json = a.get("numbers");
  const std::string pointer = a.pointer() + "/numbers";
  if (json == nullptr || !json->is_object())
    return a.refuse(pointer, json == nullptr ? OrderedJson() : *json, "an object");
  for (const auto& [word, value] : json->items()) {
    PartNumbers row;
    const std::string at = pointer + "/" + shown(word);
    const auto key = parseKey(word);
    if (!key)
      a.refuse(at, word, "the key of a part");
    else
      row.part = *key;
    if (value.is_array())
      a.read(value, at, row.numbers);
    else
      a.read(value, at, row.numbers.emplace_back());
    parts.push_back(std::move(row));
  }
  std::sort(parts.begin(), parts.end(),
            [](const PartNumbers& x, const PartNumbers& y) { return x.part < y.part; });
}

template <class A>
void fields(A& a, AssemblyCodes& v) {
  a.must("assembly", v.assembly);
  a.must("last", v.last);
  numbersField(a, v.parts);
}

template <class A>
void fields(A& a, JointGluing& v) {
  a.must("part", v.part);
  a.must("mate", v.mate);
  a.choice("gluing", v.gluing,
           {{"in shop", Gluing::InShop}, {"in place", Gluing::InPlace}, {"never", Gluing::Never}});
}

template <class A>
void fields(A& a, MovedStep& v) {
  a.must("part", v.part);
  a.must("other", v.other);
  a.unlessPlain("after", v.after);
}

template <class A>
void fields(A& a, Job& v) {
  a("id", v.id);
  a("lastId", v.lastId);
  a.must("name", v.name);
  a("place", v.place);
  a.choice("units", v.unit, {{"mm", Unit::Millimetre}, {"in", Unit::Inch}});
  a("fraction", v.fraction);
  a("shareStep", v.shareStep);
  a("saw", v.saw);
  a("shop", v.shop);
  a("labels", v.labels);
  a.unlessPlain("costing", v.costing);
  a.must("materials", v.materials);
  a("bandings", v.bandings);
  a("stock", v.stock);
  a("slides", v.slides);
  a.must("assemblies", v.assemblies);
  a("loose", v.loose);
  a("bought", v.bought);
  a.unlessPlain("site", v.site);
  a.unlessPlain("route", v.route);
  a("overrides", v.overrides);
  a("pins", v.pins);
  a.unlessPlain("gluing", v.gluing);
  a.unlessPlain("moved", v.moved);
  a("codes", v.codes);
}

Result<JobWithRecord> readJobWithRecord(const std::string& file, std::string_view text) {
  auto json = parseJson(file, text);
  if (!json) return json.problems();
  Problems problems;
  JobWithRecord out;
  Job& job = out.job;
  JsonReader reader(json.value(), "", problems);
  std::string format;
  int version = 0;
  reader.must("format", format);
  reader.must("version", version);
  if (problems.empty() && format != kFormat)
    problems.push_back(
        {{}, 0, "/format", "'" + shown(format) + "'", std::string("'") + kFormat + "'"});
  if (problems.empty() && version > kJobFileVersion)
    problems.push_back(
        {{},
         0,
         "/version",
         fmt::format("{}, written by a newer Plain Patch", version),
         fmt::format("at most {}: this program is older than the file", kJobFileVersion)});
  if (problems.empty() && version < 1)
    problems.push_back(
        {{}, 0, "/version", std::to_string(version), fmt::format("1 to {}", kJobFileVersion)});
  CodesOfVersion1 old;
  if (problems.empty() && version == 1) old = takeVersion1(json.value(), problems);
  if (problems.empty() && version == 2) takeVersion2(json.value());
  if (problems.empty() && version < 5) takeVersion4(json.value());
  if (problems.empty()) {
    if (const OrderedJson* half = version > 1 ? reader.get("record") : nullptr)
      out.record = readRecord(*half, "/record", problems);
    fields(reader, job);
    reader.finish();
  }
  if (problems.empty() && version == 1) dropUnused(job);
  if (problems.empty()) giveIds(job);  // to what was written by hand
  if (problems.empty()) problems = validate(job);
  if (problems.empty() && fitWidths(job)) problems = validate(job);
  if (problems.empty() && version == 1) {
    upgradeFromVersion1(job, old);
    problems = validate(job);
  }
  for (Problem& problem : problems) problem.file = file;
  if (!problems.empty()) return problems;
  return out;
}

Result<Job> readJob(const std::string& file, std::string_view text) {
  auto read = readJobWithRecord(file, text);
  if (!read) return read.problems();
  return std::move(read.value().job);
}

namespace {

OrderedJson jobJson(const Job& job) {
  JsonWriter writer(job.unit);
  writer("format", std::string(kFormat));
  writer("version", kJobFileVersion);
  Job copy = job;  // the description is shared with the reader and so takes a mutable value
  fields(writer, copy);
  return writer.take();
}

}  // namespace

std::string writeJob(const Job& job) {
  return jobJson(job).dump(1) + "\n";
}

std::string writeJob(const Job& job, const Record& record) {
  OrderedJson json = jobJson(job);
  json["record"] = recordJson(record);
  return json.dump(1) + "\n";
}

Result<Fragment> readFragment(const std::string& file, std::string_view text) {
  const auto json = parseJson(file, text);
  if (!json) return json.problems();
  Problems problems;
  Fragment out;
  JsonReader reader(json.value(), "", problems);
  fields(reader, out.assembly);
  reader("choices", out.choices);
  reader.finish();
  for (Problem& problem : problems) problem.file = file;
  if (!problems.empty()) return problems;
  return out;
}

std::string writeFragment(const Fragment& fragment) {
  JsonWriter writer;
  Fragment copy = fragment;
  fields(writer, copy.assembly);
  if (!copy.choices.empty()) writer("choices", copy.choices);
  return writer.take().dump(1) + "\n";
}

}  // namespace pp
