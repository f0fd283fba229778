#include "core/job/mirror.h"

#include <algorithm>
#include <map>
#include <utility>

#include "core/job/ids.h"

namespace pp {
namespace {

using enum PartRole;

// Panels and doors are known by the first opening after or behind them, which a mirror may change.
class Renamed {
 public:
  Renamed(const Opening& before, const Opening& after) {
    panels_[firstOpening(before)] = firstOpening(after);  // a stile between two members of a group
    walk(before, after);
  }

  PartKey operator()(PartKey key) const {
    const auto& names = isDoor(key.role) ? doors_ : panels_;
    if (isDoor(key.role) || isPanel(key.role))
      if (const auto at = names.find(key.opening); at != names.end()) key.opening = at->second;
    return key;
  }

 private:
  static bool isDoor(PartRole role) { return isFront(role) && !isDrawerFront(role); }
  static bool isPanel(PartRole role) {
    return role == Divider || role == FixedShelf || role == FrameMiddleStile ||
           role == FrameMiddleRail || role == FrameUpperRail || role == FrameLowerRail;
  }

  void walk(const Opening& before, const Opening& after) {
    if (before.door) doors_.emplace(firstOpening(before), firstOpening(after));
    const auto* from = std::get_if<Split>(&before.content);
    const auto* to = std::get_if<Split>(&after.content);
    if (from == nullptr || to == nullptr) return;
    const std::size_t n = from->children.size();
    const bool turned = from->by == SplitBy::Dividers;
    for (std::size_t i = 0; i < n; ++i) {
      const std::size_t k = turned ? n - 1 - i : i;
      walk(from->children[i], to->children[k]);
      // The panel before child i stands, where the order is turned, before the child that was i
      // - 1.
      if (i > 0)
        panels_[firstOpening(from->children[i])] = firstOpening(to->children[turned ? k + 1 : k]);
    }
  }

  std::map<Id, Id> panels_, doors_;
};

PartRole otherSide(PartRole role) {
  static const std::vector<std::pair<PartRole, PartRole>> kPairs = {
      {LeftSide, RightSide},
      {LeftLining, RightLining},
      {BoxLeftSide, BoxRightSide},
      {FrameLeftStile, FrameRightStile},
      {DrawerFrontLeftStile, DrawerFrontRightStile},
      {DoorLeftStile, DoorRightStile},
      {LidLeftStile, LidRightStile},
      {LeftDoor, RightDoor},
      {LeftDoorLeftStile, RightDoorRightStile},
      {LeftDoorRightStile, RightDoorLeftStile},
      {LeftDoorLowerRail, RightDoorLowerRail},
      {LeftDoorUpperRail, RightDoorUpperRail},
      {LeftDoorPanel, RightDoorPanel}};
  for (const auto& [left, right] : kPairs) {
    if (role == left) return right;
    if (role == right) return left;
  }
  return role;
}

}  // namespace

void mirrorAssembly(Job& job, std::size_t index) {
  const Carcass before = std::as_const(job).assemblies[index].carcass();
  Assembly& assembly = job.assemblies[index];
  assembly.body = mirrored(before);
  const Id id = assembly.id;
  const Renamed renamed(before.inside, assembly.carcass().inside);
  for (PartOverride& one : job.overrides) {
    one.part = renamed(one.part);
    if (one.part.assembly == id) one.part.role = otherSide(one.part.role);
  }
  for (JobPin& pin : job.pins) pin.part = renamed(pin.part);
  for (std::size_t i = 0; i < job.codes.size(); ++i) {
    AssemblyCodes codes = std::as_const(job).codes[i];
    for (PartNumbers& row : codes.parts) row.part = renamed(row.part);
    std::sort(codes.parts.begin(), codes.parts.end(),
              [](const PartNumbers& a, const PartNumbers& b) { return a.part < b.part; });
    if (codes != std::as_const(job).codes[i]) job.codes[i] = std::move(codes);
  }
}

}  // namespace pp
