#include "core/breakdown/mirror.h"

#include <algorithm>
#include <map>
#include <tuple>
#include <utility>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/overrides.h"
#include "core/job/ids.h"
#include "core/kinds/boards/places.h"
#include "core/kinds/kind.h"

namespace pp {
namespace {

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
  static bool isDoor(PartRole role) {
    return (isFront(role) && !isDrawerFront(role)) || role == PartRole::FrameCentreStile;
  }
  static bool isPanel(PartRole role) {
    return role == PartRole::Divider || role == PartRole::FixedShelf ||
           role == PartRole::FrameMiddleStile || role == PartRole::FrameMiddleRail ||
           role == PartRole::FrameUpperRail || role == PartRole::FrameLowerRail;
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
      {PartRole::LeftSide, PartRole::RightSide},
      {PartRole::LeftLining, PartRole::RightLining},
      {PartRole::LeftExposedEnd, PartRole::RightExposedEnd},
      {PartRole::LeftFiller, PartRole::RightFiller},
      {PartRole::LeftEnd, PartRole::RightEnd},
      {PartRole::LeftEdging, PartRole::RightEdging},
      {PartRole::LeftBrace, PartRole::RightBrace},
      {PartRole::BoxLeftSide, PartRole::BoxRightSide},
      {PartRole::SlidePad, PartRole::RightSlidePad},
      {PartRole::FrameLeftStile, PartRole::FrameRightStile},
      {PartRole::DrawerFrontLeftStile, PartRole::DrawerFrontRightStile},
      {PartRole::DoorLeftStile, PartRole::DoorRightStile},
      {PartRole::LidLeftStile, PartRole::LidRightStile},
      {PartRole::LeftDoor, PartRole::RightDoor},
      {PartRole::LeftDoorLeftStile, PartRole::RightDoorRightStile},
      {PartRole::LeftDoorRightStile, PartRole::RightDoorLeftStile},
      {PartRole::LeftDoorLowerRail, PartRole::RightDoorLowerRail},
      {PartRole::LeftDoorUpperRail, PartRole::RightDoorUpperRail},
      {PartRole::LeftDoorPanel, PartRole::RightDoorPanel}};
  for (const auto& [left, right] : kPairs) {
    if (role == left) return right;
    if (role == right) return left;
  }
  return role;
}

Direction mirrored(Direction direction) {
  if (direction.axis == Axis::X) direction.sign = -direction.sign;
  return direction;
}

void swapLeftAndRight(std::vector<EdgeChoice>& edges) {
  for (EdgeChoice& edge : edges)
    edge.side = edge.side == Side::Left    ? Side::Right
                : edge.side == Side::Right ? Side::Left
                                           : edge.side;
}

// Which way round a part lies against its mirror image.
struct Turned {
  bool ends = false, edges = false, faces = false;
  int count() const { return (ends ? 1 : 0) + (edges ? 1 : 0) + (faces ? 1 : 0); }
};
Turned between(const Pose& before, const Pose& after) {
  const auto turned = [](Direction was, Direction is) { return is != mirrored(was); };
  return {turned(before.u, after.u), turned(before.v, after.v), turned(before.w, after.w)};
}

// What is measured on a part that lies the other way round than its mirror image would is measured
// from the other end, edge or face.
void turn(PartOverride& one, const Turned& turned) {
  for (Feature& feature : one.features) {
    if (turned.ends) feature = flipped(feature, Flip::Ends);
    if (turned.edges) feature = flipped(feature, Flip::Edges);
    if (turned.faces) feature = flipped(feature, Flip::Faces);
  }
  if (!turned.faces) return;
  std::swap(one.finishInside, one.finishOutside);
  if (one.show) one.show = opposite(*one.show);
}

// Where all stand that a choice is for.
std::vector<Pose> posesOf(const Breakdown& breakdown, const PartOverride& one) {
  std::vector<Pose> out;
  for (const Part& part : breakdown.parts)
    if (std::any_of(part.keys.begin(), part.keys.end(),
                    [&one](const PartKey& key) { return isAbout(one, key); }))
      out.insert(out.end(), part.poses.begin(), part.poses.end());
  return out;
}

// Of several beside one another in one role of one opening, such as the pieces of a back, each is
// known in a mirror by the one that is as far from the right: they are counted from the left. What
// has a role of its own on either side is counted from that.
std::map<PartKey, PartKey> fromOtherSide(const Breakdown& breakdown) {
  struct Stands {
    Length left, low, high;
    PartKey key;
  };
  std::map<std::pair<PartRole, Id>, std::vector<Stands>> alike;
  for (const Part& part : breakdown.parts) {
    if (part.keys.size() != part.poses.size() || otherSide(part.role) != part.role) continue;
    for (std::size_t i = 0; i < part.keys.size(); ++i) {
      const Box room = part.poses[i].place(part.board());
      alike[{part.role, part.keys[i].opening}].push_back(
          {room.low[0], room.low[2], room.high[2], part.keys[i]});
    }
  }
  std::map<PartKey, PartKey> out;
  for (auto& [which, all] : alike) {
    std::sort(all.begin(), all.end(), [](const Stands& a, const Stands& b) {
      return std::tie(a.low, a.left, a.key) < std::tie(b.low, b.left, b.key);
    });
    // Beside one another is what has its middle in the height of the lowest, for a joint chosen for
    // one alone lets it begin a little lower than its neighbour.
    for (auto begin = all.begin(); begin != all.end();) {
      const auto end = std::find_if(begin, all.end(), [begin](const Stands& one) {
        return (one.low + one.high) / 2 >= begin->high;
      });
      std::sort(begin, end, [](const Stands& a, const Stands& b) {
        return std::tie(a.left, a.key) < std::tie(b.left, b.key);
      });
      for (auto one = begin; one != end; ++one) out[one->key] = (begin + (end - one) - 1)->key;
      begin = end;
    }
  }
  return out;
}

// The choices, pins and numbers of a carcass, whose openings are known by others in the mirror.
void mirrorCarcass(Job& job, std::size_t index, const Breakdown& partsBefore) {
  const Carcass before = std::as_const(job).assemblies[index].carcass();
  Assembly& assembly = job.assemblies[index];
  assembly.body = mirrored(before);
  const Id id = assembly.id;
  const Renamed renamed(before.inside, assembly.carcass().inside);
  const std::map<PartKey, PartKey> others = fromOtherSide(partsBefore);
  const auto inMirror = [&](const PartKey& key) {
    const auto other = others.find(key);
    return renamed(other == others.end() ? key : other->second);
  };
  for (PartOverride& one : job.overrides) {
    one.part = one.alike ? renamed(one.part) : inMirror(one.part);
    if (one.follows) {
      one.follows = inMirror(*one.follows);
      if (one.follows->assembly == id) one.follows->role = otherSide(one.follows->role);
    }
    if (one.part.assembly != id) continue;
    one.part.role = otherSide(one.part.role);
    swapLeftAndRight(one.edges);
  }
  for (JobPin& pin : job.pins) pin.part = inMirror(pin.part);
  const auto otherIn = [&](PartKey& key) {
    key = inMirror(key);
    if (key.assembly == id) key.role = otherSide(key.role);
  };
  for (JointGluing& one : job.gluing) otherIn(one.part), otherIn(one.mate);
  for (MovedStep& one : job.moved) otherIn(one.part), otherIn(one.other);
  for (std::size_t i = 0; i < job.codes.size(); ++i) {
    AssemblyCodes codes = std::as_const(job).codes[i];
    for (PartNumbers& row : codes.parts) row.part = inMirror(row.part);
    std::sort(codes.parts.begin(), codes.parts.end(),
              [](const PartNumbers& a, const PartNumbers& b) { return a.part < b.part; });
    if (codes != std::as_const(job).codes[i]) job.codes[i] = std::move(codes);
  }
}

// Where boards stand; what was their outside face is the inside one there.
void mirrorPlaces(const Job& job, Boards& boards) {
  for (std::size_t i = 0; i < boards.boards.size(); ++i) {
    if (std::as_const(boards).boards[i].places.empty()) continue;
    LooseBoard& board = boards.boards[i];
    for (BoardPlace& place : board.places)
      place = mirrored(place, findMaterial(job, board.material)->measured);
  }
}

// Of what has no openings only sides change their names.
void mirrorOther(Job& job, std::size_t index) {
  Assembly& assembly = job.assemblies[index];
  assembly.body = kindOf(assembly).mirrored(assembly.body);
  if (auto* boards = std::get_if<Boards>(&assembly.body)) mirrorPlaces(job, *boards);
  for (PartOverride& one : job.overrides) {
    if (one.follows && one.follows->assembly == assembly.id)
      one.follows->role = otherSide(one.follows->role);
    if (one.part.assembly != assembly.id) continue;
    one.part.role = otherSide(one.part.role);
    swapLeftAndRight(one.edges);
  }
}

}  // namespace

void mirrorAssembly(Job& job, std::size_t index) {
  const Breakdown partsBefore = breakDown(job, std::as_const(job).assemblies[index]);
  const std::vector<PartOverride> choicesBefore = job.overrides;
  const Id id = std::as_const(job).assemblies[index].id;
  if (std::as_const(job).assemblies[index].isCarcass())
    mirrorCarcass(job, index, partsBefore);
  else
    mirrorOther(job, index);
  if (job.overrides.empty()) return;
  const Breakdown partsAfter = breakDown(job, std::as_const(job).assemblies[index]);
  for (std::size_t i = 0; i < job.overrides.size(); ++i) {
    if (job.overrides[i].part.assembly != id) continue;
    const std::vector<Pose> was = posesOf(partsBefore, choicesBefore[i]);
    const std::vector<Pose> is = posesOf(partsAfter, job.overrides[i]);
    if (was.empty() || is.empty()) continue;
    // Of a pair in one role, such as strips on either side, each is the mirror image of the other.
    Turned least = between(was.front(), is.front());
    for (const Pose& pose : is)
      if (const Turned other = between(was.front(), pose); other.count() < least.count())
        least = other;
    turn(job.overrides[i], least);
  }
}

}  // namespace pp
