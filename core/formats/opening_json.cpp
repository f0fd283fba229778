#include "core/formats/opening_json.h"

#include "core/kinds/carcass/fields.h"
#include "core/kinds/validate.h"
#include "core/kinds/words.h"

#include <utility>

namespace pp {
namespace {

constexpr std::size_t kDeepestOpening =
    40;  // as validate() has it; stops the reader's own recursion

OrderedJson sharesJson(const std::vector<Share>& shares, Unit unit) {
  OrderedJson out = OrderedJson::array();
  for (const Share& share : shares)
    out.push_back(share.fixed ? lengthJson(*share.fixed, unit) : OrderedJson("rest"));
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

const Choices<Hinge> kHinges = {{"left", Hinge::Left},     {"right", Hinge::Right},
                                {"pair", Hinge::Pair},     {"top", Hinge::Top},
                                {"bottom", Hinge::Bottom}, {"sliding", Hinge::Sliding}};

template <class T>
const char* wordOf(const Choices<T>& choices, T value) {
  for (const auto& [word, meaning] : choices)
    if (meaning == value) return word;
  return "";
}

OrderedJson writeOpening(const Opening& opening, Unit unit);

OrderedJson contentJson(const Opening& opening, Unit unit) {
  if (const auto* loose = std::get_if<LooseShelves>(&opening.content))
    return {{"kind", "loose shelves"}, {"count", loose->count}};
  if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content))
    return {{"kind", "shelves"}, {"count", pins->count}};
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content)) {
    OrderedJson out = {{"kind", wordOf(kBankKinds, bank->kind)},
                       {"fronts", sharesJson(bank->fronts, unit)},
                       {"matched", bank->cut == FrontsCut::Run}};
    if (bank->cut == FrontsCut::OneBoard) out["oneBoard"] = true;
    if (bank->railed) out["railed"] = true;
    if (!bank->fronts.empty() && bank->fronts.front().id != 0) {
      OrderedJson ids = OrderedJson::array();
      for (const Share& front : bank->fronts) ids.push_back(front.id);
      out["ids"] = std::move(ids);
    }
    if (bank->waits) out["waits"] = true;
    if (!bank->readings.empty()) {
      OrderedJson readings = OrderedJson::array();
      for (const Length reading : bank->readings) readings.push_back(lengthJson(reading, unit));
      out["readings"] = std::move(readings);
    }
    if (bank->boxHeight) out["boxHeight"] = lengthJson(*bank->boxHeight, unit);
    return out;
  }
  if (const auto* split = std::get_if<Split>(&opening.content)) {
    OrderedJson children = OrderedJson::array();
    for (const Opening& child : split->children) children.push_back(writeOpening(child, unit));
    OrderedJson out = {{"kind", "split"},
                       {"by", split->by == SplitBy::Dividers ? "dividers" : "shelves"},
                       {"sizes", sharesJson(split->sizes, unit)},
                       {"children", children}};
    if (split->fronts != FrontsCut::Apart) out["cutFronts"] = wordOf(kFrontsCuts, split->fronts);
    if (split->uncovered) out["uncovered"] = true;
    if (split->byFrame) out["byFrame"] = true;
    if (split->doubled) out["doubled"] = lengthJson(*split->doubled, unit);
    return out;
  }
  return {{"kind", "open"}};
}

OrderedJson writeOpening(const Opening& opening, Unit unit) {
  OrderedJson out;
  if (opening.id != 0) out["id"] = opening.id;
  OrderedJson content = contentJson(opening, unit);
  for (auto& [key, value] : content.items()) out[key] = std::move(value);
  if (opening.door) out["door"] = wordOf(kHinges, opening.door->hinge);
  if (opening.door && opening.door->rightInFront) out["rightInFront"] = true;
  if (opening.door && opening.door->centreStile) out["centreStile"] = true;
  if (opening.door && opening.door->cut != FrontsCut::Apart)
    out["cutDoors"] = wordOf(kFrontsCuts, opening.door->cut);
  if (opening.fronts != OpeningFronts{}) {
    JsonWriter a(unit);
    OpeningFronts own = opening.fronts;
    fields(a, own);
    out["ownFronts"] = a.take();
  }
  return out;
}

void readOpening(const OrderedJson& json, const std::string& pointer, Problems& problems,
                 std::size_t depth, Opening& out);

Split readSplit(JsonReader& a, std::size_t depth) {
  Split split;
  a.choice("by", split.by, {{"dividers", SplitBy::Dividers}, {"shelves", SplitBy::Shelves}});
  readShares(a, "sizes", split.sizes);
  a.choice("cutFronts", split.fronts, kFrontsCuts);
  a("uncovered", split.uncovered);
  a("byFrame", split.byFrame);
  a("doubled", split.doubled);
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
  a.id("id", out.id);
  a("ownFronts", out.fronts);
  if (json.is_object() && a.get("door") != nullptr) {
    out.door = Door{};
    a.choice("door", out.door->hinge, kHinges);
    a("rightInFront", out.door->rightInFront);
    a("centreStile", out.door->centreStile);
    a.choice("cutDoors", out.door->cut, kFrontsCuts);
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
    std::vector<Id> ids;
    a("ids", ids);
    if (!ids.empty() && ids.size() != bank.fronts.size())
      problems.push_back(
          {{}, 0, pointer + "/ids", std::to_string(ids.size()), "as many ids as fronts, or none"});
    else
      for (std::size_t i = 0; i < ids.size(); ++i) bank.fronts[i].id = ids[i];
    a("boxHeight", bank.boxHeight);
    bool matched = false, oneBoard = false;
    a("matched", matched);
    a("oneBoard", oneBoard);
    bank.cut = oneBoard ? FrontsCut::OneBoard : matched ? FrontsCut::Run : FrontsCut::Apart;
    a("railed", bank.railed);
    a("waits", bank.waits);
    a("readings", bank.readings);
    out.content = bank;
  } else if (kind == Kind::Split) {
    out.content = readSplit(a, depth);
  }
  a.finish();
}

}  // namespace

OrderedJson openingJson(const Opening& opening, Unit unit) {
  return writeOpening(opening, unit);
}

void readOpening(const OrderedJson& json, const std::string& pointer, Problems& problems,
                 Opening& out) {
  readOpening(json, pointer, problems, 0, out);
}

}  // namespace pp
