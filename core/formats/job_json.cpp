#include "core/formats/job_json.h"

#include <fmt/ranges.h>

#include <array>

#include "core/formats/json_fields.h"

namespace pp {
namespace {

constexpr const char* kFormat = "plain-patch-job";
constexpr std::size_t kDeepestOpening =
    40;  // as validate() has it; stops the reader's own recursion

const Choices<Joint> kJoints = {{"butt", Joint::Butt},     {"dado", Joint::Dado},
                                {"pocket", Joint::Pocket}, {"loose tenon", Joint::LooseTenon},
                                {"dowel", Joint::Dowel},   {"brads", Joint::Brads}};
const Choices<Finish> kFinishes = {{"none", Finish::None},
                                   {"clear", Finish::Clear},
                                   {"painted", Finish::Painted},
                                   {"stained", Finish::Stained}};
const Choices<BoardGrain> kBoardGrains = {
    {"length", BoardGrain::Length}, {"width", BoardGrain::Width}, {"any", BoardGrain::Any}};

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
  a("lumber", v.lumber);
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
  a.choice("kind", v.kind, {{"side", SlideKind::Side}, {"under", SlideKind::Under}});
  a("below", v.below);
  a("above", v.above);
  a("price", v.price);
}

template <class A>
void fields(A& a, Back& v) {
  a.choice("school", v.school,
           {{"rabbet", BackSchool::RabbetAll},
            {"rabbet in sides", BackSchool::RabbetSides},
            {"groove", BackSchool::Groove},
            {"behind", BackSchool::Behind},
            {"between", BackSchool::Between},
            {"none", BackSchool::None}});
  a.must("material", v.material);
  a("rabbetDepth", v.rabbetDepth);
  a("setIn", v.setIn);
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
void fields(A& a, Stand& v) {
  a.choice("kind", v.kind,
           {{"frame", StandKind::Frame},
            {"legs", StandKind::Legs},
            {"runners", StandKind::Runners},
            {"casters", StandKind::Casters}});
  a.must("height", v.height);
  a("setIn", v.setIn);
  a("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
}

template <class A>
void fields(A& a, Cleat& v) {
  a.must("material", v.material);
  a("height", v.height);
}

template <class A>
void fields(A& a, Baseboard& v) {
  a.must("thickness", v.thickness);
  a.must("height", v.height);
}

template <class A>
void fields(A& a, FaceFrame& v) {
  a.must("material", v.material);
  a("stile", v.stile);
  a("rail", v.rail);
  a("middle", v.middle);
  a("overhangLeft", v.overhangLeft);
  a("overhangRight", v.overhangRight);
  a.choice("fixing", v.fixing,
           {{"pocket screws", FrameFixing::PocketScrews}, {"tongue", FrameFixing::Tongue}});
  a("tongue", v.tongue);
  a("depthIncludes", v.depthIncludes);
  a.choice("middleAt", v.middleAt,
           {{"equal", FrameMiddle::Equal},
            {"centred", FrameMiddle::Centred},
            {"flush upper left", FrameMiddle::FlushUpperLeft},
            {"flush lower right", FrameMiddle::FlushLowerRight}});
  a("lowerRail", v.lowerRail);
  if (a.wants("finish", v.finish)) a.choice("finish", *v.finish, kFinishes);
}

template <class A>
void fields(A& a, FrontRules& v) {
  a.must("material", v.material);
  a("banding", v.banding);
  a.choice("fit", v.fit, {{"inset", FrontFit::Inset}, {"overlay", FrontFit::Overlay}});
  a.choice("style", v.style,
           {{"slab", FrontStyle::Slab},
            {"grooved frame", FrontStyle::GroovedFrame},
            {"lapped frame", FrontStyle::LappedFrame}});
  a("gap", v.gap);
  a("overlay", v.overlay);
  a("panelMaterial", v.panelMaterial);
  a("frameWidth", v.frameWidth);
  a("tongue", v.tongue);
  a("panelClearance", v.panelClearance);
  if (a.wants("finish", v.finish)) a.choice("finish", *v.finish, kFinishes);
  a("fingerPull", v.fingerPull);
  a("pullFromEdge", v.pullFromEdge);
}

template <class A>
void fields(A& a, ShelfRules& v) {
  a("clearance", v.clearance);
  a("setBack", v.setBack);
  a("lip", v.lip);
  a("pinPitch", v.pinPitch);
  a("pinSetBack", v.pinSetBack);
  a("pinDiameter", v.pinDiameter);
  a("pinDepth", v.pinDepth);
}

template <class A>
void fields(A& a, DrawerRules& v) {
  a.choice("school", v.school,
           {{"between", DrawerSchool::Between},
            {"rabbeted front", DrawerSchool::RabbetedFront},
            {"over", DrawerSchool::Over},
            {"cut down back", DrawerSchool::CutDownBack},
            {"brads", DrawerSchool::Brads}});
  a.choice("running", v.running,
           {{"side slides", Running::SideSlides},
            {"under slides", Running::UnderSlides},
            {"wooden runners", Running::WoodenRunners},
            {"loose", Running::Loose}});
  a.must("boxMaterial", v.boxMaterial);
  a.must("bottomMaterial", v.bottomMaterial);
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
  a("runnerHeight", v.runnerHeight);
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

const Choices<Hinge> kHinges = {{"left", Hinge::Left},
                                {"right", Hinge::Right},
                                {"pair", Hinge::Pair},
                                {"top", Hinge::Top},
                                {"bottom", Hinge::Bottom}};
const Choices<BankKind> kBanks = {
    {"drawers", BankKind::Drawers}, {"trays", BankKind::Trays}, {"platforms", BankKind::Platforms}};

template <class T>
const char* wordOf(const Choices<T>& choices, T value) {
  for (const auto& [word, meaning] : choices)
    if (meaning == value) return word;
  return "";
}

OrderedJson contentJson(const Opening& opening);

OrderedJson openingJson(const Opening& opening) {
  OrderedJson out = contentJson(opening);
  if (opening.door) out["door"] = wordOf(kHinges, opening.door->hinge);
  return out;
}

OrderedJson contentJson(const Opening& opening) {
  if (const auto* loose = std::get_if<LooseShelves>(&opening.content))
    return {{"kind", "loose shelves"}, {"count", loose->count}};
  if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content))
    return {{"kind", "shelves"}, {"count", pins->count}};
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content)) {
    OrderedJson out = {{"kind", wordOf(kBanks, bank->kind)},
                       {"fronts", sharesJson(bank->fronts)},
                       {"matched", bank->matched}};
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
  enum class Kind { Open, Shelves, LooseShelves, Drawers, Trays, Platforms, Split };
  Kind kind = Kind::Open;
  a.choice("kind", kind,
           {{"open", Kind::Open},
            {"shelves", Kind::Shelves},
            {"loose shelves", Kind::LooseShelves},
            {"drawers", Kind::Drawers},
            {"trays", Kind::Trays},
            {"platforms", Kind::Platforms},
            {"split", Kind::Split}});
  if (json.is_object() && a.get("kind") == nullptr)
    problems.push_back({{},
                        0,
                        pointer + "/kind",
                        "nothing",
                        "one of open, shelves, loose shelves, drawers, trays, platforms, split"});
  if (json.is_object() && a.get("door") != nullptr) {
    out.door = Door{};
    a.choice("door", out.door->hinge, kHinges);
  }
  if (kind == Kind::LooseShelves) {
    LooseShelves loose;
    a.must("count", loose.count);
    out.content = loose;
  } else if (kind == Kind::Shelves) {
    AdjustableShelves pins;
    a.must("count", pins.count);
    out.content = pins;
  } else if (kind == Kind::Drawers || kind == Kind::Trays || kind == Kind::Platforms) {
    DrawerBank bank;
    bank.kind = kind == Kind::Trays       ? BankKind::Trays
                : kind == Kind::Platforms ? BankKind::Platforms
                                          : BankKind::Drawers;
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
  a.choice("joint", v.joint, kJoints);
  a("dadoDepth", v.dadoDepth);
  a.choice("top", v.top,
           {{"between", TopSchool::Between},
            {"capping", TopSchool::Capping},
            {"end rabbets", TopSchool::EndRabbets},
            {"mitred", TopSchool::Mitred},
            {"stretchers", TopSchool::Stretchers},
            {"standing rail", TopSchool::StandingRail}});
  a("topRabbet", v.topRabbet);
  a("stretcher", v.stretcher);
  a("wallLeft", v.wallLeft);
  a("wallRight", v.wallRight);
  a("liningLeft", v.liningLeft);
  a("liningRight", v.liningRight);
  a.must("back", v.back);
  a("baseboard", v.baseboard);
  a("toe", v.toe);
  a("stand", v.stand);
  a("cleat", v.cleat);
  a("frame", v.frame);
  a("shelves", v.shelves);
  a.must("drawers", v.drawers);
  a.must("fronts", v.fronts);
  insideField(a, v.inside);
}

template <class A>
void fields(A& a, Top& v) {
  a("width", v.width);
  a("depth", v.depth);
  a("overLeft", v.overLeft);
  a("overRight", v.overRight);
  a("overFront", v.overFront);
  a("overBack", v.overBack);
  a.must("material", v.material);
  a.choice("build", v.build, {{"single", TopBuild::Single}, {"laminated", TopBuild::Laminated}});
  a("lowerMaterial", v.lowerMaterial);
  a("oversize", v.oversize);
  a("strip", v.strip);
  a("stripEvery", v.stripEvery);
  a("edgingMaterial", v.edgingMaterial);
  a("edging", v.edging);
  a("edgeLeft", v.edgeLeft);
  a("edgeRight", v.edgeRight);
  a("edgeFront", v.edgeFront);
  a("edgeBack", v.edgeBack);
  a.choice("corner", v.corner,
           {{"mitred", EdgingCorner::Mitred}, {"butted", EdgingCorner::Butted}});
  a("longest", v.longest);
}

template <class A>
void fields(A& a, BaseFrame& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
}

template <class A>
void fields(A& a, CarcassGroup& v) {
  a.must("members", v.members);
  a("stand", v.stand);
  a("frame", v.frame);
  a("top", v.top);
}

template <class A>
void fields(A& a, WallPanel& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("material", v.material);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
  a("setIn", v.setIn);
  a("cleats", v.cleats);
  a("banding", v.banding);
}

template <class A>
void fields(A& a, SeatBox& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a("lids", v.lids);
  a("lidGap", v.lidGap);
  a("hingeRail", v.hingeRail);
  a("overFront", v.overFront);
  a("backHeight", v.backHeight);
  a("lean", v.lean);
  a("bracketTop", v.bracketTop);
  a("batten", v.batten);
  a.choice("joint", v.joint, kJoints);
}

template <class A>
void fields(A& a, Platform& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("across", v.across);
  a("deep", v.deep);
}

template <class A>
void fields(A& a, Ring& v) {
  a.must("pieces", v.pieces);
  a.must("side", v.side);
  a.must("width", v.width);
  a.must("material", v.material);
}

template <class A>
void fields(A& a, Feature& v) {
  a.choice("kind", v.kind,
           {{"hole", FeatureKind::Hole},
            {"slot", FeatureKind::Slot},
            {"notch", FeatureKind::Notch},
            {"dado", FeatureKind::Dado},
            {"groove", FeatureKind::Groove},
            {"taper", FeatureKind::Taper},
            {"arc", FeatureKind::Arc},
            {"bevel", FeatureKind::Bevel}});
  a("along", v.along);
  a("across", v.across);
  a("length", v.length);
  a("width", v.width);
  a("size", v.size);
  a("depth", v.depth);
  a("angle", v.angle);
  a.choice("edge", v.edge,
           {{"long 1", BoardEdge::Long1},
            {"long 2", BoardEdge::Long2},
            {"short 1", BoardEdge::Short1},
            {"short 2", BoardEdge::Short2}});
}

template <class A>
void fields(A& a, LooseBoard& v) {
  a("name", v.name);
  a.must("material", v.material);
  a("quantity", v.quantity);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice("grain", v.grain, kBoardGrains);
  a("bandLong", v.bandLong);
  a("bandShort", v.bandShort);
  a("farLong", v.farLong);
  a("farShort", v.farShort);
  a("features", v.features);
}

template <class A>
void fields(A& a, Boards& v) {
  a.must("boards", v.boards);
}

namespace {

// The name of the field that holds each kind of assembly, in the variant's order.
constexpr std::array<const char*, std::variant_size_v<AssemblyBody>> kBodies = {
    "carcass", "group", "top", "baseFrame", "wallPanel", "seatBox", "platform", "ring", "boards"};

template <std::size_t I = 0>
AssemblyBody emptyBody(std::size_t index) {
  if constexpr (I + 1 < std::variant_size_v<AssemblyBody>)
    if (index != I) return emptyBody<I + 1>(index);
  return AssemblyBody(std::in_place_index<I>);
}

void bodyField(JsonReader& a, AssemblyBody& body) {
  std::size_t found = 0;
  for (std::size_t i = 0; i < kBodies.size(); ++i) {
    const OrderedJson* json = a.get(kBodies[i]);
    if (json == nullptr) continue;
    if (++found > 1) return a.refuse(a.pointer() + "/" + kBodies[i], *json, "one kind of assembly");
    body = emptyBody(i);
    std::visit([&](auto& one) { a(kBodies[i], one); }, body);
  }
  if (found == 0)
    a.problems().push_back({{},
                            0,
                            a.pointer(),
                            "an assembly of no kind",
                            fmt::format("one of {}", fmt::join(kBodies, ", "))});
}
void bodyField(JsonWriter& a, AssemblyBody& body) {
  std::visit([&](auto& one) { a(kBodies[body.index()], one); }, body);
}

}  // namespace

template <class A>
void fields(A& a, Assembly& v) {
  a.must("code", v.code);
  a("name", v.name);
  a("copies", v.copies);
  a.choice("finish", v.finish, kFinishes);
  bodyField(a, v.body);
  a("lot", v.lot);
}

template <class A>
void fields(A& a, BoughtIn& v) {
  a.must("name", v.name);
  a("quantity", v.quantity);
  a("note", v.note);
  a("price", v.price);
}

template <class A>
void fields(A& a, PartOverride& v) {
  a.must("part", v.part);
  a.must("why", v.why);
  a("length", v.length);
  a("width", v.width);
  if (a.wants("grain", v.grain)) a.choice("grain", *v.grain, kBoardGrains);
  a("banding", v.banding);
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
  a("bought", v.bought);
  a("overrides", v.overrides);
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

Result<Assembly> readAssembly(const std::string& file, std::string_view text) {
  const auto json = parseJson(file, text);
  if (!json) return json.problems();
  Problems problems;
  Assembly assembly;
  JsonReader reader(json.value(), "", problems);
  fields(reader, assembly);
  reader.finish();
  for (Problem& problem : problems) problem.file = file;
  if (!problems.empty()) return problems;
  return assembly;
}

std::string writeAssembly(const Assembly& assembly) {
  JsonWriter writer;
  Assembly copy = assembly;
  fields(writer, copy);
  return writer.take().dump(1) + "\n";
}

}  // namespace pp
