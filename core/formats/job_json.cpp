#include "core/formats/job_json.h"

#include "core/formats/json_fields.h"

namespace pp {
namespace {

constexpr const char* kFormat = "plain-patch-job";
constexpr std::size_t kDeepestOpening =
    40;  // as validate() has it; stops the reader's own recursion

}  // namespace

// The descriptions: every type of the job, every field once.

template <class A>
void fields(A& a, SawRules& v) {
  a("kerf", v.kerf);
  a("trim", v.trim);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
  a.choice("goal", v.goal,
           {{"cost", Goal::Cost}, {"offcuts", Goal::Offcuts}, {"setups", Goal::Setups}});
  a("ease", v.ease);
}

template <class A>
void fields(A& a, Machine& v) {
  a.must("name", v.name);
  a.choice("kind", v.kind,
           {{"track", SawKind::Track}, {"table", SawKind::Table}, {"crosscut", SawKind::Crosscut}});
  a("kerf", v.kerf);
  a("longestCut", v.longestCut);
  a("reach", v.reach);
  a("longestPiece", v.longestPiece);
  a("tilts", v.tilts);
}

template <class A>
void fields(A& a, Shop& v) {
  a("machines", v.machines);
  a("carryGrams", v.carryGrams);
  a("carryLength", v.carryLength);
  a.choice("cleaning", v.cleaning, {{"trim", Cleaning::Trim}, {"cut over", Cleaning::CutOver}});
}

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

template <class A>
void fields(A& a, LabelSheet& v) {
  a.choice("paper", v.letter, Choices<bool>{{"a4", false}, {"letter", true}});
  a("columns", v.columns);
  a("rows", v.rows);
  a("marginLeft", v.marginLeft);
  a("marginTop", v.marginTop);
  a("gapAcross", v.gapAcross);
  a("gapDown", v.gapDown);
}

template <class A>
void fields(A& a, Material& v) {
  a.must("id", v.id);
  a.must("name", v.name);
  a.must("nominal", v.nominal);
  a.must("measured", v.measured);
  a("grained", v.grained);
  a.choice("tone", v.tone,
           {{"birch", Tone::Birch},
            {"ash", Tone::Ash},
            {"oak", Tone::Oak},
            {"walnut", Tone::Walnut},
            {"white", Tone::White}});
  a("density", v.density);
}

template <class A>
void fields(A& a, Banding& v) {
  a.must("name", v.name);
  a.must("thickness", v.thickness);
  a.must("width", v.width);
  a("price", v.price);
  a.must("rollLength", v.rollLength);
  a("deduct", v.deduct);
}

template <class A>
void fields(A& a, StockPiece& v) {
  a.must("id", v.id);
  a.must("material", v.material);
  a("lot", v.lot);
  a("measured", v.measured);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice(
      "grain", v.grain,
      {{"length", SheetGrain::Length}, {"width", SheetGrain::Width}, {"none", SheetGrain::None}});
  a("quantity", v.quantity);
  a("price", v.price);
  a.choice("kind", v.kind, {{"sheet", StockKind::Sheet}, {"offcut", StockKind::Offcut}});
  a("trim", v.trim);
}

template <class A>
void fields(A& a, Slide& v) {
  a.must("name", v.name);
  a.must("length", v.length);
  a("thickness", v.thickness);
}

template <class A>
void fields(A& a, Back& v) {
  a.must("material", v.material);
  a("rabbetDepth", v.rabbetDepth);
  a("clearance", v.clearance);
  a.choice("grain", v.grain,
           {{"upright", BackGrain::Upright},
            {"across", BackGrain::Across},
            {"either", BackGrain::Either}});
}

template <class A>
void fields(A& a, Toe& v) {
  a.must("height", v.height);
  a.must("depth", v.depth);
}

template <class A>
void fields(A& a, ShelfRules& v) {
  a("clearance", v.clearance);
  a("setBack", v.setBack);
  a("pinPitch", v.pinPitch);
  a("pinSetBack", v.pinSetBack);
  a("pinDiameter", v.pinDiameter);
  a("pinDepth", v.pinDepth);
}

template <class A>
void fields(A& a, DrawerRules& v) {
  a.choice("school", v.school,
           {{"between", DrawerSchool::Between}, {"rabbeted front", DrawerSchool::RabbetedFront}});
  a.must("boxMaterial", v.boxMaterial);
  a.must("bottomMaterial", v.bottomMaterial);
  a.must("frontMaterial", v.frontMaterial);
  a("frontBanding", v.frontBanding);
  a("gap", v.gap);
  a("ease", v.ease);
  a("lowerClearance", v.lowerClearance);
  a("upperClearance", v.upperClearance);
  a("slideReserve", v.slideReserve);
  a("grooveDepth", v.grooveDepth);
  a("grooveUp", v.grooveUp);
  a("bottomClearance", v.bottomClearance);
  a("frontRabbet", v.frontRabbet);
  a("backDado", v.backDado);
  a("backSetIn", v.backSetIn);
}

namespace {

OrderedJson sharesJson(const std::vector<Share>& shares) {
  OrderedJson out = OrderedJson::array();
  for (const Share& share : shares)
    out.push_back(share.fixed ? OrderedJson(share.fixed->inMm()) : OrderedJson("rest"));
  return out;
}

void readShares(JsonReader& a, const char* name, std::vector<Share>& out) {
  const OrderedJson* json = a.get(name);
  const std::string pointer = a.pointer() + "/" + name;
  if (json == nullptr || !json->is_array())
    return a.refuse(pointer, json == nullptr ? OrderedJson() : *json,
                    "a list of sizes and \"rest\"");
  out.clear();
  for (std::size_t i = 0; i < json->size(); ++i) {
    Share share;
    if ((*json)[i] != "rest") {
      share.fixed.emplace();
      a.read((*json)[i], fmt::format("{}/{}", pointer, i), *share.fixed);
    }
    out.push_back(share);
  }
}

OrderedJson openingJson(const Opening& opening) {
  if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content))
    return {{"kind", "shelves"}, {"count", pins->count}};
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content)) {
    OrderedJson out = {
        {"kind", "drawers"}, {"fronts", sharesJson(bank->fronts)}, {"matched", bank->matched}};
    if (bank->boxHeight) out["boxHeight"] = bank->boxHeight->inMm();
    return out;
  }
  if (const auto* split = std::get_if<Split>(&opening.content)) {
    OrderedJson children = OrderedJson::array();
    for (const Opening& child : split->children) children.push_back(openingJson(child));
    return {{"kind", "split"},
            {"by", split->by == SplitBy::Dividers ? "dividers" : "shelves"},
            {"sizes", sharesJson(split->sizes)},
            {"children", children}};
  }
  return {{"kind", "open"}};
}

void readOpening(const OrderedJson& json, const std::string& pointer, Problems& problems,
                 std::size_t depth, Opening& out);

Split readSplit(JsonReader& a, std::size_t depth) {
  Split split;
  a.choice("by", split.by, {{"dividers", SplitBy::Dividers}, {"shelves", SplitBy::Shelves}});
  readShares(a, "sizes", split.sizes);
  const OrderedJson* children = a.get("children");
  const std::string pointer = a.pointer() + "/children";
  if (children == nullptr || !children->is_array()) {
    a.refuse(pointer, children == nullptr ? OrderedJson() : *children, "a list of openings");
    return split;
  }
  for (std::size_t i = 0; i < children->size(); ++i)
    readOpening((*children)[i], fmt::format("{}/{}", pointer, i), a.problems(), depth + 1,
                split.children.emplace_back());
  return split;
}

void readOpening(const OrderedJson& json, const std::string& pointer, Problems& problems,
                 std::size_t depth, Opening& out) {
  JsonReader a(json, pointer, problems);
  if (depth > kDeepestOpening)
    return a.refuse(pointer, json, "at most 40 openings inside one another");
  enum class Kind { Open, Shelves, Drawers, Split };
  Kind kind = Kind::Open;
  a.choice("kind", kind,
           {{"open", Kind::Open},
            {"shelves", Kind::Shelves},
            {"drawers", Kind::Drawers},
            {"split", Kind::Split}});
  if (json.is_object() && a.get("kind") == nullptr)
    problems.push_back(
        {{}, 0, pointer + "/kind", "nothing", "one of open, shelves, drawers, split"});
  if (kind == Kind::Shelves) {
    AdjustableShelves pins;
    a.must("count", pins.count);
    out.content = pins;
  } else if (kind == Kind::Drawers) {
    DrawerBank bank;
    readShares(a, "fronts", bank.fronts);
    a("boxHeight", bank.boxHeight);
    a("matched", bank.matched);
    out.content = bank;
  } else if (kind == Kind::Split) {
    out.content = readSplit(a, depth);
  }
  a.finish();
}

}  // namespace

// The opening tree has a form of its own.
void insideField(JsonReader& a, Opening& opening) {
  if (const OrderedJson* json = a.get("inside"))
    readOpening(*json, a.pointer() + "/inside", a.problems(), 0, opening);
}
void insideField(JsonWriter& a, Opening& opening) {
  a.put("inside", openingJson(opening));
}

template <class A>
void fields(A& a, Carcass& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a.choice("joint", v.joint, {{"butt", Joint::Butt}, {"dado", Joint::Dado}});
  a("dadoDepth", v.dadoDepth);
  a.must("back", v.back);
  a("toe", v.toe);
  a("shelves", v.shelves);
  a.must("drawers", v.drawers);
  insideField(a, v.inside);
}

template <class A>
void fields(A& a, Assembly& v) {
  a.must("code", v.code);
  a("name", v.name);
  a.must("carcass", v.carcass);
}

template <class A>
void fields(A& a, LooseBoard& v) {
  a("name", v.name);
  a.must("material", v.material);
  a("quantity", v.quantity);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice(
      "grain", v.grain,
      {{"length", BoardGrain::Length}, {"width", BoardGrain::Width}, {"any", BoardGrain::Any}});
  a("bandLong", v.bandLong);
  a("bandShort", v.bandShort);
}

template <class A>
void fields(A& a, Job& v) {
  a.must("name", v.name);
  a("place", v.place);
  a.choice("units", v.unit, {{"mm", Unit::Millimetre}, {"in", Unit::Inch}});
  a("fraction", v.fraction);
  a("saw", v.saw);
  a("shop", v.shop);
  a("labels", v.labels);
  a.must("materials", v.materials);
  a("bandings", v.bandings);
  a("stock", v.stock);
  a("slides", v.slides);
  a.must("assemblies", v.assemblies);
  a("loose", v.loose);
  a("pins", v.pins);
}

Result<Job> readJob(const std::string& file, std::string_view text) {
  const auto json = parseJson(file, text);
  if (!json) return json.problems();
  Problems problems;
  Job job;
  JsonReader reader(json.value(), "", problems);
  std::string format;
  int version = 0;
  reader.must("format", format);
  reader.must("version", version);
  if (problems.empty() && format != kFormat)
    problems.push_back(
        {{}, 0, "/format", "'" + shown(format) + "'", std::string("'") + kFormat + "'"});
  if (problems.empty() && version != kJobFileVersion)
    problems.push_back({{},
                        0,
                        "/version",
                        std::to_string(version),
                        fmt::format("{}, the version this program reads", kJobFileVersion)});
  if (problems.empty()) {
    fields(reader, job);
    reader.finish();
  }
  if (problems.empty()) problems = validate(job);
  for (Problem& problem : problems) problem.file = file;
  if (!problems.empty()) return problems;
  return job;
}

std::string writeJob(const Job& job) {
  JsonWriter writer;
  writer("format", std::string(kFormat));
  writer("version", kJobFileVersion);
  Job copy = job;  // the description is shared with the reader and so takes a mutable value
  fields(writer, copy);
  return writer.take().dump(1) + "\n";
}

}  // namespace pp
