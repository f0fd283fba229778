// How the inside of a carcass stands in a job's file: what an opening holds says which fields it
// has.
#include <utility>

#include "core/fields/archive.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

// A fixed size, or the word for an equal share of what is left.
void field(Archive& a, const char* name, Share& v) {
  a.lengthOr(name, v.fixed, "rest");
}

namespace {

constexpr Choice<Hinge> kHinges[] = {{"left", Hinge::Left},     {"right", Hinge::Right},
                                     {"pair", Hinge::Pair},     {"top", Hinge::Top},
                                     {"bottom", Hinge::Bottom}, {"sliding", Hinge::Sliding}};

enum class Holds { Open, Shelves, LooseShelves, Drawers, Trays, Platforms, Split };
constexpr Choice<Holds> kHolds[] = {{"open", Holds::Open},
                                    {"shelves", Holds::Shelves},
                                    {"loose shelves", Holds::LooseShelves},
                                    {"drawers", Holds::Drawers},
                                    {"trays", Holds::Trays},
                                    {"platforms", Holds::Platforms},
                                    {"split", Holds::Split}};

Holds heldBy(const OpeningContent& content) {
  if (std::holds_alternative<AdjustableShelves>(content)) return Holds::Shelves;
  if (std::holds_alternative<LooseShelves>(content)) return Holds::LooseShelves;
  if (std::holds_alternative<Split>(content)) return Holds::Split;
  const auto* bank = std::get_if<DrawerBank>(&content);
  if (bank == nullptr) return Holds::Open;
  return bank->kind == BankKind::Trays       ? Holds::Trays
         : bank->kind == BankKind::Platforms ? Holds::Platforms
                                             : Holds::Drawers;
}

void idsOf(Archive& a, std::vector<Share>& fronts) {
  std::vector<Id> ids;
  if (!a.reads() && !fronts.empty() && fronts.front().id != 0)
    for (const Share& front : fronts) ids.push_back(front.id);
  a.unlessDefault("ids", ids);
  if (!a.reads() || ids.empty()) return;
  if (ids.size() != fronts.size())
    return a.refuse("ids", std::to_string(ids.size()), "as many ids as fronts, or none");
  for (std::size_t i = 0; i < ids.size(); ++i) fronts[i].id = ids[i];
}

void bankFields(Archive& a, DrawerBank& v) {
  a.must("fronts", v.fronts);
  bool matched = v.cut == FrontsCut::Run;
  bool oneBoard = v.cut == FrontsCut::OneBoard;
  a("matched", matched);
  a.unlessDefault("oneBoard", oneBoard);
  v.cut = oneBoard ? FrontsCut::OneBoard : matched ? FrontsCut::Run : FrontsCut::Apart;
  a.unlessDefault("railed", v.railed);
  idsOf(a, v.fronts);
  a.unlessDefault("waits", v.waits);
  a.unlessDefault("readings", v.readings);
  a("boxHeight", v.boxHeight);
}

void splitFields(Archive& a, Split& v) {
  a.choice("by", v.by, {{"dividers", SplitBy::Dividers}, {"shelves", SplitBy::Shelves}});
  a.must("sizes", v.sizes);
  a.must("children", v.children);
  if (a.reads() || v.fronts != FrontsCut::Apart) a.choice("cutFronts", v.fronts, kFrontsCuts);
  a.unlessDefault("uncovered", v.uncovered);
  a.unlessDefault("byFrame", v.byFrame);
  a("doubled", v.doubled);
}

void doorFields(Archive& a, std::optional<Door>& v) {
  if (!a.wants("door", v)) return;
  a.choice("door", v->hinge, kHinges);
  a.unlessDefault("rightInFront", v->rightInFront);
  a.unlessDefault("centreStile", v->centreStile);
  if (a.reads() || v->cut != FrontsCut::Apart) a.choice("cutDoors", v->cut, kFrontsCuts);
}

}  // namespace

void fields(Archive& a, Opening& v) {
  a.id("id", v.id);
  Holds holds = heldBy(v.content);
  if (a.required("kind")) a.choice("kind", holds, kHolds);
  if (a.reads()) {
    switch (holds) {
      case Holds::Open:
        v.content = OpenSpace{};
        break;
      case Holds::Shelves:
        v.content = AdjustableShelves{};
        break;
      case Holds::LooseShelves:
        v.content = LooseShelves{};
        break;
      case Holds::Split:
        v.content = Split{};
        break;
      case Holds::Drawers:
      case Holds::Trays:
      case Holds::Platforms:
        v.content.emplace<DrawerBank>().kind = holds == Holds::Trays       ? BankKind::Trays
                                               : holds == Holds::Platforms ? BankKind::Platforms
                                                                           : BankKind::Drawers;
    }
  }
  if (auto* pins = std::get_if<AdjustableShelves>(&v.content)) a.must("count", pins->count);
  if (auto* loose = std::get_if<LooseShelves>(&v.content)) a.must("count", loose->count);
  if (auto* bank = std::get_if<DrawerBank>(&v.content)) bankFields(a, *bank);
  if (auto* split = std::get_if<Split>(&v.content)) splitFields(a, *split);
  doorFields(a, v.door);
  a.unlessDefault("ownFronts", v.fronts);
}

}  // namespace pp
