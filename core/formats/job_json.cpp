#include "core/formats/job_json.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/breakdown/fit.h"
#include "core/fields/json_archive.h"
#include "core/formats/rack_fields.h"
#include "core/formats/record_json.h"
#include "core/formats/upgrade.h"
#include "core/job/ids.h"
#include "core/kinds/boards/fields.h"
#include "core/kinds/common/words.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"

namespace pp {
namespace {

constexpr const char* kJobFormat = "plain-patch-job";

}  // namespace

void fields(Archive& a, JobPin& v) {
  a.must("part", v.part);
  a.must("stock", v.stock);
  a("copies", v.copies);
  a("sheet", v.sheet);
  a("x", v.x);
  a("y", v.y);
  a("turned", v.turned);
}

namespace {

struct Body {
  const Kind& kind;
  AssemblyBody& body;
};
void fields(Archive& a, Body& v) {
  v.kind.fields(a, v.body);
}

// An assembly has the field of one kind, which holds its body.
void bodyField(Archive& a, AssemblyBody& body) {
  const Kind* found = nullptr;
  std::string fields;
  for (std::size_t i = 0; i < kinds().size(); ++i) {
    const Kind& kind = kinds()[i];
    fields += (fields.empty() ? "" : ", ") + std::string(kind.field);
    if (!a.present(kind.field, body.index() == i)) continue;
    if (found != nullptr) return a.refuse(kind.field, "one kind of assembly");
    found = &kind;
    if (a.reads()) body = kind.none();
    Body inside{kind, body};
    a(kind.field, inside);
    if (!a.reads()) return;
  }
  if (found == nullptr) a.refuse(nullptr, "an assembly of no kind", "one of " + fields);
}

}  // namespace

void fields(Archive& a, Costing& v) {
  a.unlessDefault("minutes", v.minutes);
  a.unlessDefault("rate", v.rate);
  a.unlessDefault("margin", v.margin);
  a.unlessDefault("spare", v.spare);
}

void fields(Archive& a, Assembly& v) {
  a.id("id", v.id);
  a.must("code", v.code);
  a("name", v.name);
  a("copies", v.copies);
  a.choice("finish", v.finish, kFinishes);
  a.unlessDefault("finishedWhole", v.finishedWhole);
  bodyField(a, v.body);
  a("lot", v.lot);
}

void fields(Archive& a, Gate& v) {
  a.choice("kind", v.kind,
           {{"door", GateKind::Door},
            {"corridor", GateKind::Corridor},
            {"stair", GateKind::Stair},
            {"lift", GateKind::Lift},
            {"van", GateKind::Van},
            {"people", GateKind::People},
            {"flat", GateKind::Flat}});
  a.unlessDefault("name", v.name);
  a.unlessDefault("width", v.width);
  a.unlessDefault("height", v.height);
  a.unlessDefault("depth", v.depth);
  a.unlessDefault("into", v.into);
  a.unlessDefault("turns", v.turns);
  a.unlessDefault("pitch", v.pitch);
  a.unlessDefault("people", v.people);
  a.unlessDefault("grams", v.grams);
}

constexpr Choice<WallAt> kWalls[] = {
    {"back", WallAt::Back}, {"left", WallAt::Left}, {"right", WallAt::Right}};

void fields(Archive& a, SiteWall& v) {
  a.choice("at", v.at, kWalls);
  a.unlessDefault("mouldingThickness", v.mouldingThickness);
  a.unlessDefault("mouldingHeight", v.mouldingHeight);
  a("allowance", v.allowance);
  a.unlessDefault("madeOf", v.madeOf);
  a.unlessDefault("firstStud", v.firstStud);
  a.unlessDefault("studPitch", v.studPitch);
}

void fields(Archive& a, SiteSize& v) {
  a.choice("kind", v.kind,
           {{"width", SizeKind::Width},
            {"depth", SizeKind::Depth},
            {"height", SizeKind::Height},
            {"plumb", SizeKind::Plumb},
            {"level", SizeKind::Level},
            {"diagonal", SizeKind::Diagonal}});
  a.choice("wall", v.wall, kWalls);
  a.unlessDefault("at", v.at);
  a("first", v.read.first);
  a("second", v.read.second);
  a("third", v.read.third);
}

void fields(Archive& a, Obstacle& v) {
  a.id("id", v.id);
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
  a.unlessDefault("name", v.name);
  if (a.wants("wall", v.wall)) a.choice("wall", *v.wall, kWalls);
  a.unlessDefault("along", v.along);
  a.unlessDefault("up", v.up);
  a.must("width", v.width);
  a.must("height", v.height);
  a.unlessDefault("out", v.out);
}

void fields(Archive& a, SiteStand& v) {
  a.must("assembly", v.assembly);
  a.choice("wall", v.wall, kWalls);
  a.unlessDefault("along", v.along);
  a.unlessDefault("up", v.up);
  a.unlessDefault("fills", v.fills);
}

void fields(Archive& a, Site& v) {
  a.choice("kind", v.kind,
           {{"free", SiteKind::Free},
            {"wall", SiteKind::Wall},
            {"alcove", SiteKind::Alcove},
            {"leftCorner", SiteKind::LeftCorner},
            {"rightCorner", SiteKind::RightCorner},
            {"nook", SiteKind::Nook},
            {"around", SiteKind::Around}});
  a.unlessDefault("walls", v.walls);
  a.unlessDefault("sizes", v.sizes);
  a.unlessDefault("obstacles", v.obstacles);
  a.unlessDefault("stands", v.stands);
}

void fields(Archive& a, WorkReading& v) {
  a.unlessDefault("ofWidth", v.ofWidth);
  a("allowance", v.allowance);
  a("readings", v.readings);
}

void fields(Archive& a, EdgeChoice& v) {
  a.choice("side", v.side,
           {{"front", Side::Front},
            {"back", Side::Back},
            {"left", Side::Left},
            {"right", Side::Right},
            {"top", Side::Top},
            {"bottom", Side::Bottom}});
  a.unlessDefault("beyond", v.beyond);
  if (a.wants("joint", v.joint)) a.choice("joint", *v.joint, kJoints);
  a("banding", v.banding);
}

static void moves(Archive& a, const char* name, SizeMoves& v) {
  if (a.reads() || v != SizeMoves::Far)
    a.choice(name, v,
             {{"far", SizeMoves::Far}, {"near", SizeMoves::Near}, {"both", SizeMoves::Both}});
}

void fields(Archive& a, PartOverride& v) {
  a.must("part", v.part);
  a("alike", v.alike);
  a.must("why", v.why);
  a("material", v.material);
  a("length", v.length);
  a("width", v.width);
  moves(a, "lengthMoves", v.lengthMoves);
  moves(a, "widthMoves", v.widthMoves);
  if (a.wants("grain", v.grain)) a.choice("grain", *v.grain, kBoardGrains);
  a("banding", v.banding);
  a("edges", v.edges);
  if (a.wants("show", v.show)) a.choice("show", *v.show, kFaces);
  if (a.wants("finishInside", v.finishInside)) a.choice("finishInside", *v.finishInside, kFinishes);
  if (a.wants("finishOutside", v.finishOutside))
    a.choice("finishOutside", *v.finishOutside, kFinishes);
  a("oversize", v.oversize);
  a("reads", v.reads);
  a.unlessDefault("anySuch", v.anySuch);
  a("follows", v.follows);
  a("features", v.features);
}

// The numbers of an assembly's parts, one field a part: one number, or those it has had.
struct NumbersByPart {
  std::vector<PartNumbers>& parts;
};
void fields(Archive& a, NumbersByPart& v) {
  const auto numbersOf = [&a](const char* name, PartNumbers& row) {
    if (a.reads() ? a.isList(name) : row.numbers.size() != 1)
      a(name, row.numbers);
    else
      a(name, a.reads() ? row.numbers.emplace_back() : row.numbers.front());
  };
  if (!a.reads()) {
    for (PartNumbers& row : v.parts) numbersOf(keyText(row.part).c_str(), row);
    return;
  }
  for (const std::string& word : a.names()) {
    PartNumbers row;
    if (const auto key = parseKey(word))
      row.part = *key;
    else
      a.refuse(shown(word).c_str(), "'" + shown(word) + "'", "the key of a part");
    numbersOf(word.c_str(), row);
    v.parts.push_back(std::move(row));
  }
  std::sort(v.parts.begin(), v.parts.end(),
            [](const PartNumbers& x, const PartNumbers& y) { return x.part < y.part; });
}

void fields(Archive& a, AssemblyCodes& v) {
  a.must("assembly", v.assembly);
  a.must("last", v.last);
  NumbersByPart numbers{v.parts};
  a.must("numbers", numbers);
}

void fields(Archive& a, JointGluing& v) {
  a.must("part", v.part);
  a.must("mate", v.mate);
  a.choice("gluing", v.gluing,
           {{"in shop", Gluing::InShop}, {"in place", Gluing::InPlace}, {"never", Gluing::Never}});
}

void fields(Archive& a, MovedStep& v) {
  a.must("part", v.part);
  a.must("other", v.other);
  a.unlessDefault("after", v.after);
}

void fields(Archive& a, Job& v) {
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
  a.unlessDefault("costing", v.costing);
  a.must("materials", v.materials);
  a("bandings", v.bandings);
  a("stock", v.stock);
  a("slides", v.slides);
  a.must("assemblies", v.assemblies);
  a("loose", v.loose);
  a("bought", v.bought);
  a.unlessDefault("site", v.site);
  a.unlessDefault("route", v.route);
  a("overrides", v.overrides);
  a("pins", v.pins);
  a.unlessDefault("gluing", v.gluing);
  a.unlessDefault("moved", v.moved);
  a("codes", v.codes);
}

namespace {

void readInto(JobWithRecord& out, OrderedJson& json, Problems& problems) {
  Job& job = out.job;
  std::string format;
  int version = 0;
  const auto headOf = [&format, &version](JsonReader& reader) {
    reader.must("format", format);
    reader.must("version", version);
  };
  JsonReader asWritten(json, "", problems);
  headOf(asWritten);
  if (problems.empty() && format != kJobFormat)
    problems.push_back(
        {{}, 0, "/format", "'" + shown(format) + "'", std::string("'") + kJobFormat + "'"});
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
  if (problems.empty() && version == 1) old = takeVersion1(json, problems);
  if (problems.empty() && version == 2) takeVersion2(json);
  if (problems.empty() && version < 5) takeVersion4(json);
  if (problems.empty() && version < 6) takeVersion5(json);
  if (problems.empty()) {
    JsonReader reader(json, "", problems);
    headOf(reader);
    if (version > 1) reader("record", out.record);
    if (problems.empty()) check(out.record, "/record", problems);
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
}

}  // namespace

Result<JobWithRecord> readJobWithRecord(const std::string& file, std::string_view text) {
  JobWithRecord out;
  Problems problems = readJson(
      file, text, [&out](OrderedJson& json, Problems& wrong) { readInto(out, json, wrong); });
  if (!problems.empty()) return problems;
  return out;
}

Result<Job> readJob(const std::string& file, std::string_view text) {
  auto read = readJobWithRecord(file, text);
  if (!read) return read.problems();
  return std::move(read.value().job);
}

namespace {

void writeInto(JsonWriter& writer, const Job& job) {
  std::string format = kJobFormat;
  int version = kJobFileVersion;
  writer("format", format);
  writer("version", version);
  Job copy = job;  // the description is shared with the reader and so takes a mutable value
  fields(writer, copy);
}

}  // namespace

std::string writeJob(const Job& job) {
  JsonWriter writer(job.unit);
  writeInto(writer, job);
  return writer.indented();
}

std::string writeJob(const Job& job, const Record& record) {
  JsonWriter writer(job.unit);
  writeInto(writer, job);
  Record copy = record;
  writer.inMillimetres("record", copy);
  return writer.indented("record");
}

Result<Fragment> readFragment(const std::string& file, std::string_view text) {
  Fragment out;
  const Problems problems = readObject(file, text, [&out](JsonReader& reader) {
    fields(reader, out.assembly);
    reader("choices", out.choices);
  });
  if (!problems.empty()) return problems;
  return out;
}

std::string writeFragment(const Fragment& fragment, Length (*said)(Length)) {
  JsonWriter writer(Unit::Millimetre, said);
  Fragment copy = fragment;
  fields(writer, copy.assembly);
  if (!copy.choices.empty()) writer("choices", copy.choices);
  return writer.indented();
}

}  // namespace pp
