#include "core/assembly/bench_json.h"

#include <fmt/format.h>

#include <nlohmann/json.hpp>

#include "core/assembly/pages.h"
#include "core/breakdown/fittings.h"
#include "core/breakdown/joint_sets.h"
#include "core/breakdown/mountings.h"
#include "core/fields/json_text.h"
#include "core/joinery/rules.h"

namespace pp::bench {
namespace {

using Json = OrderedJson;

Json mm(Length length) {
  return length.inMm();
}
Json mm(const std::vector<Length>& lengths) {
  Json out = Json::array();
  for (const Length one : lengths) out.push_back(mm(one));
  return out;
}
// Square centimetres to two decimals.
Json cm2(Area area) {
  constexpr Int128 kNm2 = 1'000'000'000'000;
  const auto mm2 = static_cast<std::int64_t>((area.inNm2() + kNm2 / 2) / kNm2);
  return static_cast<double>(mm2) / 100;
}

const char* jointWord(joinery::JointKind kind) {
  static constexpr const char* kWords[] = {"butt",  "dado", "rabbet", "groove",
                                           "mitre", "lap",  "face",   "edge"};
  return kWords[static_cast<std::size_t>(kind)];
}
const char* gluingWord(Gluing gluing) {
  static constexpr const char* kWords[] = {"in the shop", "in place", "never"};
  return kWords[static_cast<std::size_t>(gluing)];
}
const char* unitWord(UnitKind kind) {
  static constexpr const char* kWords[] = {"box",   "front",   "face frame", "base", "top",
                                           "panel", "several", "section",    "ring", "assembly"};
  return kWords[static_cast<std::size_t>(kind)];
}
const char* lieWord(Lie lie) {
  static constexpr const char* kWords[] = {"first",     "upright",    "on its back", "face down",
                                           "left side", "right side", "upside down"};
  return kWords[static_cast<std::size_t>(lie)];
}
const char* carryWord(Carry carry) {
  static constexpr const char* kWords[] = {"base",  "case",   "frame", "top",   "whole",
                                           "panel", "drawer", "shelf", "front", "cleat"};
  return kWords[static_cast<std::size_t>(carry)];
}
const char* toolWord(Tool tool) {
  static constexpr const char* kWords[] = {"dado stack", "router table", "table saw", "router",
                                           "drill",      "pocket jig",   "jig",       "hand saw",
                                           "template",   "ease bit"};
  return kWords[static_cast<std::size_t>(tool)];
}
const char* gluedWord(Glued glued) {
  static constexpr const char* kWords[] = {"before cuts", "on part", "on case", "between"};
  return kWords[static_cast<std::size_t>(glued)];
}

class Bench {
 public:
  Bench(const Job& job, const std::vector<Part>& parts)
      : job_(job), parts_(parts), pieces_(piecesAtBench({}, {}, parts)) {}

  Json run(const std::vector<ShopFinish>& finishes) const {
    Json out = {
        {"format", "plain-patch-bench"}, {"version", 1}, {"unit", "mm"}, {"job", job_.name}};
    out["joints"] = joints();
    out["fittings"] = fittings();
    const std::vector<UnitOrder> units = assemblyOrder(pieces_, job_);
    out["units"] = unitsOf(units);
    out["machining"] = machining();
    out["banding"] = banding();
    out["coats"] = coats(finishes);
    out["loads"] = loads(units);
    return out;
  }

 private:
  static Json boardOf(const Part& part, const PartKey& key) {
    return {{"code", part.code}, {"role", roleWord(key.role)}, {"key", keyText(key)}};
  }
  Json pieceOf(const PieceAt& at) const {
    const Part& part = pieces_[at.row].part;
    return boardOf(part, keyAt(part, at.pose));
  }

  // The two, which edge or face of the first, and which of several along it.
  static std::string idOf(const PartKey& a, const PartKey& b, const std::string& at, int number) {
    std::string out = fmt::format("{}+{}:{}", keyText(a), keyText(b), at);
    if (number > 1) out += fmt::format("#{}", number);
    return out;
  }
  static std::string edgeWord(const std::optional<Edge>& edge) {
    return edge ? kEdgeCodes[static_cast<std::size_t>(*edge)] : "face";
  }

  Json joints() const {
    const Gluings gluings(job_, pieces_);
    Json out = Json::array();
    for (const JointSet& set : jointSetsOf(job_, parts_)) {
      std::map<std::string, int> numbers;
      for (const joinery::Joint& joint : set.joints) {
        const joinery::PlacedBoard& a = set.boards[joint.contact.a];
        const joinery::PlacedBoard& b = set.boards[joint.contact.b];
        const std::string edge = edgeWord(joint.contact.edge);
        const int number = ++numbers[idOf(a.key, b.key, edge, 1)];
        Json one = {{"id", idOf(a.key, b.key, edge, number)}, {"a", boardOf(*a.part, a.key)},
                    {"b", boardOf(*b.part, b.key)},           {"at", edge},
                    {"kind", jointWord(joint.kind)},          {"copies", set.copies}};
        one["contact"] = contactOf(joint.contact);
        one["held"] = !joint.rests;
        one["glue_ml"] =
            joint.glued
                ? Json(std::round(joint.contact.area().inM2() * 1'000 * joinery::kGluePerM2) /
                       1'000)
                : Json(0);
        Json means = Json::array();
        for (const joinery::Means& by : joint.means)
          means.push_back({{"what", joinery::holdName(by.hold)},
                           {"length", by.length > Length{} ? mm(by.length) : Json(nullptr)},
                           {"count", by.at.size()},
                           {"places", mm(by.at)}});
        one["means"] = std::move(means);
        one["when"] = gluingWord(gluings.between(a.key, b.key));
        out.push_back(std::move(one));
      }
    }
    return out;
  }
  static Json contactOf(const joinery::Contact& contact) {
    static constexpr const char* kAxes[] = {"x", "y", "z"};
    Json low = Json::array(), size = Json::array();
    for (std::size_t axis = 0; axis < 3; ++axis) {
      low.push_back(mm(contact.room.low[axis]));
      size.push_back(mm(contact.room.high[axis] - contact.room.low[axis]));
    }
    return {{"from", std::move(low)},
            {"size", std::move(size)},
            {"along", kAxes[static_cast<std::size_t>(contact.along())]},
            {"length", mm(contact.length())},
            {"sits", mm(contact.sits)},
            {"area_cm2", cm2(contact.area())}};
  }

  static Json mountingOf(const Mounting& of) {
    return {{"kind", hardwareWord(of.kind)},
            {"name", of.name},
            {"length", of.length > Length{} ? mm(of.length) : Json(nullptr)},
            {"count", of.count},
            {"at", mm(of.at)},
            {"up", of.up ? mm(*of.up) : Json(nullptr)},
            {"screws", of.screws},
            {"screw", of.screws > 0 && of.screw > Length{} ? mm(of.screw) : Json(nullptr)}};
  }
  Json fittings() const {
    Json out = Json::array();
    for (const Mounting& of : mountingsOf(job_, parts_)) {
      Json one = mountingOf(of);
      one["on"] = boardOf(*findPart(parts_, of.on), of.on);
      one["pieces"] = of.pieces;
      out.push_back(std::move(one));
    }
    return out;
  }

  Json unitsOf(const std::vector<UnitOrder>& units) const {
    Json out = Json::array();
    for (const UnitOrder& unit : units) {
      Json steps = Json::array();
      for (const AssemblyStep& step : unit.steps) steps.push_back(stepOf(step));
      Json one = {{"assembly", unit.assembly},
                  {"kind", unitWord(unit.kind)},
                  {"name", unit.name},
                  {"alike", unit.alike}};
      one["steps"] = std::move(steps);
      out.push_back(std::move(one));
    }
    return out;
  }
  Json stepOf(const AssemblyStep& step) const {
    Json in = Json::array();
    for (const PieceAt& at : step.pieces) in.push_back(pieceOf(at));
    Json out = {{"name", step.name}, {"whole", step.isWhole}, {"each", step.each}};
    out["pieces"] = std::move(in);
    out["lies"] = lieWord(step.lie);
    out["from"] = {step.along.x, step.along.y, step.along.z};
    Json closes = Json::array();
    for (const Closed& joint : step.joints)
      closes.push_back({{"piece", pieceOf(joint.piece)},
                        {"to", pieceOf(joint.mate)},
                        {"at", joint.flat ? "face" : edgeWord(joint.edge)},
                        {"glued", joint.glued},
                        {"with", joint.fasteners.name},
                        {"length", joint.fasteners.length > Length{} ? mm(joint.fasteners.length)
                                                                     : Json(nullptr)},
                        {"places", mm(joint.fasteners.at)},
                        {"when", gluingWord(joint.gluing)}});
    out["closes"] = std::move(closes);
    Json mounted = Json::array();
    for (const Mounting& one : step.mounted) mounted.push_back(mountingOf(one));
    out["fittings"] = std::move(mounted);
    if (step.screws)
      out["front_screws"] = {{"count", step.screws->count}, {"length", mm(step.screws->length)}};
    Json spacers = Json::array();
    for (const Spacer& spacer : step.spacers)
      spacers.push_back({{"size", mm(spacer.size)}, {"from", pieceOf(spacer.to)}});
    out["spacers"] = std::move(spacers);
    if (step.diagonals) out["diagonal"] = mm(step.diagonals->diagonal);
    out["clamps"] = step.clamps;
    out["dry"] = step.isDry;
    out["waits"] = step.waits;
    out["reached"] = !step.unreached;
    out["passes"] = !step.isForced;
    return out;
  }

  Json machining() const {
    const Machinings of(pieces_, parts_, job_);
    Json out = Json::array();
    for (const Setting& setting : of.settings) {
      Json works = Json::array();
      for (const Work& work : setting.works) {
        const Pieces& row = of.list.pieces()[work.row];
        works.push_back({{"code", row.part.code},
                         {"name", row.part.name},
                         {"pieces", row.numbers.size()},
                         {"against", edgeWord(work.against)},
                         {"from", mm(work.begin)},
                         {"to", mm(work.end)},
                         {"stopped", work.stopped}});
      }
      Json one = {{"tool", toolWord(setting.tool)},   {"cut", cutName(setting.cut)},
                  {"width", mm(setting.width)},       {"depth", mm(setting.depth)},
                  {"distance", mm(setting.distance)}, {"passes", setting.passes},
                  {"assembled", setting.assembled}};
      one["works"] = std::move(works);
      out.push_back(std::move(one));
    }
    return out;
  }

  Json banding() const {
    Json out = Json::array();
    for (const Roll& roll : rolls(pieces_, job_)) {
      Json strips = Json::array();
      for (const Strip& strip : roll.strips)
        strips.push_back({{"code", pieces_[strip.row].part.code},
                          {"edge", edgeWord(strip.edge)},
                          {"length", mm(strip.length)}});
      Json one = {{"banding", roll.banding}, {"glued", gluedWord(roll.glued)}};
      one["strips"] = std::move(strips);
      out.push_back(std::move(one));
    }
    return out;
  }

  Json coats(const std::vector<ShopFinish>& finishes) const {
    const Finishings of(pieces_, job_, finishes);
    Json out = Json::array();
    for (const Coat& coat : of.coats) {
      const Finished& group = of.group(coat);
      out.push_back({{"finish", finishName(group.finish)},
                     {"product", coat.product.name},
                     {"coat", coat.coat},
                     {"of", coat.of},
                     {"whole", group.isWhole},
                     {"area_cm2", group.cm2},
                     {"bare_cm2", group.bare},
                     {"ml", coat.millilitres}});
    }
    return out;
  }

  Json loads(const std::vector<UnitOrder>& units) const {
    Json out = Json::array();
    for (const Carried& load : carriedOf(units, pieces_, job_)) {
      Json in = Json::array();
      for (const PieceAt& at : load.pieces) in.push_back(pieceOf(at));
      Json one = {{"kind", carryWord(load.kind)},
                  {"assembly", load.assembly},
                  {"of", load.of},
                  {"count", std::max<std::size_t>(1, load.poses.size())},
                  {"width", mm(load.width)},
                  {"depth", mm(load.depth)},
                  {"height", mm(load.height)},
                  {"grams", std::llround(load.grams)},
                  {"for_two", load.isForTwo()},
                  {"anchored", load.isAnchored()}};
      one["pieces"] = std::move(in);
      out.push_back(std::move(one));
    }
    return out;
  }

  const Job& job_;
  const std::vector<Part>& parts_;
  std::vector<Pieces> pieces_;
};

}  // namespace

std::string writeBench(const Job& job, const std::vector<Part>& parts,
                       const std::vector<ShopFinish>& finishes) {
  return linesOf(Bench(job, parts).run(finishes));
}

}  // namespace pp::bench
