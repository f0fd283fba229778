#include "core/breakdown/mountings.h"

#include <algorithm>
#include <map>

#include "core/job/ids.h"
#include "core/joinery/rules.h"
#include "core/kinds/carcass/drawer.h"
#include "core/kinds/common/count.h"

namespace pp {
namespace {

class Mounter {
 public:
  Mounter(const Job& job, const std::vector<Part>& parts) : job_(job), parts_(parts) {}

  std::vector<Mounting> run() {
    for (const Assembly& assembly : job_.assemblies) design(assembly);
    for (const Part& part : parts_) {
      if (part.keys.empty()) continue;
      cups(part);
      pulls(part);
      if (part.role == PartRole::AdjustableShelf)
        onEach(part, {HardwareKind::Pin, "shelf pin", {}, {}, 1, kPins, {}, {}, 0, {}});
      ofItsKey(part);
    }
    return std::move(out_);
  }

 private:
  static constexpr int kPins = 4, kCupScrews = 4, kSlideScrews = 12, kFootScrews = 4;

  // As many as there are of the pieces that are known by a key.
  void onEach(const Part& part, const Mounting& what) {
    const auto places = std::max<std::int64_t>(1, std::ssize(part.poses));
    std::map<PartKey, std::int64_t> pieces;
    for (std::int64_t i = 0; i < places; ++i)
      pieces[part.keys[std::min(static_cast<std::size_t>(i), part.keys.size() - 1)]] +=
          part.quantity / places;
    for (const auto& [key, count] : pieces) {
      Mounting& one = out_.emplace_back(what);
      one.on = key;
      one.pieces = count;
    }
  }
  std::int64_t copies(const Part& part) const {
    const Assembly* assembly = findAssembly(job_, part.keys.front().assembly);
    return assembly == nullptr ? 1 : std::max<std::int64_t>(1, assembly->copies);
  }

  void cups(const Part& part) {
    Mounting hinge{HardwareKind::Hinge, "cup hinge", {}, {}, 1, 0, {}, {}, kCupScrews, {}};
    for (const Machining& cut : part.machining) {
      if (cut.cut != MachiningKind::HingeCup) continue;
      for (int i = 0; i < std::max(1, cut.holes); ++i) hinge.at.push_back(cut.u0 + i * cut.pitch);
    }
    if (hinge.at.empty()) return;
    std::sort(hinge.at.begin(), hinge.at.end());
    hinge.count = std::ssize(hinge.at);
    hinge.screw = joinery::mountingScrew(part.thickness, job_.unit);
    onEach(part, hinge);
  }

  // A hole that is bored for a pull has one; it is screwed on through it.
  void pulls(const Part& part) {
    if (!isFront(part.role)) return;
    const auto holes =
        std::count_if(part.machining.begin(), part.machining.end(), [](const Machining& cut) {
          return cut.cut == MachiningKind::Hole && cut.receives == "pull";
        });
    if (holes > 0) onEach(part, {HardwareKind::Pull, "pull", {}, {}, 1, holes, {}, {}, 0, {}});
  }

  // What the design has, by what it is mounted on.
  void design(const Assembly& assembly) {
    if (const auto* seat = std::get_if<SeatBox>(&assembly.body)) {
      lids_[assembly.id] = seat->hinge;
      return;
    }
    if (const auto* group = std::get_if<CarcassGroup>(&assembly.body)) {
      if (group->stand)
        for (const Id member : group->everyMember()) stands_[member] = group->stand->kind;
      return;
    }
    if (!assembly.isCarcass()) return;
    const Carcass& carcass = assembly.carcass();
    // Of what stands in a row its own is left out.
    if (carcass.stand && groupOf(job_, assembly.id) == nullptr)
      stands_[assembly.id] = carcass.stand->kind;
    const std::optional<Job> lotted = asCutFromLot(job_, assembly);
    const Job& cut = lotted ? *lotted : job_;
    const auto layout = layOut(cut, assembly);
    if (!layout) return;
    for (const OpeningRect& door : layout->doors) {
      const Hinge hinge = find(carcass.inside, door.path)->door->hinge;
      if (hinge != Hinge::Top && hinge != Hinge::Bottom) continue;
      flaps_[{assembly.id, door.id}] = {
          frontRules(carcass, door.path).lidHinge,
          pieceOf(PartRole::Lid,
                  hinge == Hinge::Top ? FrontPiece::UpperRail : FrontPiece::LowerRail)};
    }
    const PartChoices choices(cut, assembly.id);
    for (const OpeningRect& leaf : layout->leaves) {
      if (!std::holds_alternative<DrawerBank>(find(carcass.inside, leaf.path)->content)) continue;
      const auto drawers = planDrawers(cut, choices, carcass, *layout, leaf);
      if (!drawers) continue;
      for (const DrawerPlan& drawer : *drawers)
        if (drawer.slide != nullptr) slide(assembly, leaf, drawer);
    }
  }
  void slide(const Assembly& assembly, const OpeningRect& leaf, const DrawerPlan& drawer) {
    Mounting pair{HardwareKind::Slide,
                  drawer.slide->name,
                  drawer.slide->length,
                  {},
                  1,
                  1,
                  {},
                  {},
                  kSlideScrews,
                  {}};
    pair.on = {assembly.id, PartRole::BoxLeftSide, drawer.id, 1};
    pair.pieces = assembly.copies;
    if (drawer.slide->kind == SlideKind::Side)
      pair.up = drawer.boxZ - leaf.rect.z + drawer.box.height / 2;
    pair.screw = joinery::mountingScrew(drawer.box.side, job_.unit);
    slides_.emplace(pair.on, pair);
  }

  void ofItsKey(const Part& part) {
    for (const PartKey& key : part.keys) {
      if (const auto at = slides_.find(key); at != slides_.end()) {
        out_.push_back(at->second);
        slides_.erase(at);
      }
      if (key.role == PartRole::Bottom) feet(part, key);
      if (key.role == PartRole::SeatLid) hinged(part, key, lids_[key.assembly]);
      const auto at = flaps_.find({key.assembly, key.opening});
      if (at == flaps_.end()) continue;
      if (key.role == PartRole::Lid || key.role == at->second.rail)
        hinged(part, key, at->second.hinge);
    }
  }
  void feet(const Part& part, const PartKey& key) {
    const auto at = stands_.find(key.assembly);
    if (at == stands_.end() || part.poses.empty()) return;
    const bool casters = at->second == StandKind::Casters;
    if (!casters && at->second != StandKind::Legs) return;
    Mounting foot{casters ? HardwareKind::Caster : HardwareKind::Other,
                  casters ? "caster" : "leg",
                  {},
                  key,
                  copies(part),
                  feetUnder(widthOf(part)),
                  {},
                  {},
                  kFootScrews,
                  joinery::mountingScrew(part.thickness, job_.unit)};
    out_.push_back(std::move(foot));
  }
  // Of the first, as the assembly stands.
  static Length widthOf(const Part& part) {
    const Box room = part.poses.front().place(part.board());
    return room.high[0] - room.low[0];
  }
  void hinged(const Part& part, const PartKey& key, LidHinge hinge) {
    if (hinge == LidHinge::Cups || part.poses.empty()) return;
    const Length along = widthOf(part);
    const HingesAlong of = hingesAlong(hinge, along);
    Mounting one{HardwareKind::Hinge,
                 of.length > Length{} ? "continuous hinge" : "butt hinge",
                 of.length,
                 key,
                 copies(part),
                 of.count,
                 {},
                 {},
                 of.screws,
                 joinery::mountingScrew(part.thickness, job_.unit)};
    out_.push_back(std::move(one));
  }

  const Job& job_;
  const std::vector<Part>& parts_;
  std::map<PartKey, Mounting> slides_;
  std::map<Id, StandKind> stands_;
  std::map<Id, LidHinge> lids_;  // of seats
  struct Flap {
    LidHinge hinge;
    PartRole rail;  // of a framed one, that is hinged
  };
  std::map<std::pair<Id, Id>, Flap> flaps_;  // by assembly and opening
  std::vector<Mounting> out_;
};

}  // namespace

std::vector<Mounting> mountingsOf(const Job& job, const std::vector<Part>& parts) {
  return Mounter(job, parts).run();
}

int feetUnder(Length width) {
  constexpr Length kEach = Length::mm(900);
  return 2 + 2 * static_cast<int>(std::max<std::int64_t>(1, begun(width, kEach)));
}

}  // namespace pp
