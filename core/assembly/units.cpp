#include "core/assembly/units.h"

#include <fmt/format.h>

#include <array>
#include <cmath>
#include <map>
#include <numeric>
#include <tuple>

#include "core/assembly/read_off.h"
#include "core/coating/banding.h"
#include "core/parts/sets.h"

namespace pp::bench {
namespace {

constexpr double kPacked = 15;  // millimetres that a pad may be packed off its panel

}  // namespace

bool touch(const Body& a, const Body& b) {
  for (int axis = 0; axis < 3; ++axis)
    if (at(a.low, axis) > at(b.high, axis) + kTouch || at(b.low, axis) > at(a.high, axis) + kTouch)
      return false;
  return true;
}

std::vector<Node> Units::nodesOf() const {
  Sets together(bodies_.size());
  std::map<std::tuple<UnitKind, Id, int>, std::vector<std::size_t>> alike;
  std::map<std::size_t, std::size_t> ofMember;
  for (std::size_t i = 0; i < bodies_.size(); ++i) {
    const PartRole role = this->role(i);
    if (member_[i] != kNone && !isFront(role)) {
      const auto [first, isNew] = ofMember.emplace(member_[i], i);
      if (!isNew) together.join(i, first->second);
    } else if (const auto kind = unitKindOf(role)) {
      const bool one = *kind == UnitKind::Box || *kind == UnitKind::Front;
      alike[{*kind, one ? bodies_[i].key().opening : 0, frontOf(role)}].push_back(i);
    } else if (isFixedFlat(role)) {
      if (const auto host = hostOf(i)) together.join(i, *host);
    }
  }
  // Of those of one kind, what hangs together.
  for (const auto& [what, bodies] : alike)
    for (std::size_t a = 0; a < bodies.size(); ++a)
      for (std::size_t b = a + 1; b < bodies.size(); ++b)
        if (member_[bodies[a]] == member_[bodies[b]] && hang(bodies[a], bodies[b]))
          together.join(bodies[a], bodies[b]);
  std::map<std::size_t, Node> found;
  for (std::size_t i = 0; i < bodies_.size(); ++i) found[together.find(i)].bodies.push_back(i);
  std::vector<Node> out;
  for (auto& [first, node] : found) {
    const auto kind = unitKindOf(role(node.bodies.front()));
    const bool isMember =
        member_[node.bodies.front()] != kNone && !isFront(role(node.bodies.front()));
    node.kind = isMember ? UnitKind::Assembly : kind.value_or(UnitKind::Panel);
    out.push_back(std::move(node));
  }
  return out;
}

// Sections of a base meet end to end; in one the rails hold the cross pieces.
bool Units::hang(std::size_t a, std::size_t b) const {
  if (unitKindOf(role(a)) != UnitKind::Base) return touch(bodies_[a], bodies_[b]);
  return role(a) != role(b) && sharedFace(a, b) > 1;
}

// The shelf that a lip is under.
std::optional<std::size_t> Units::shelfOf(std::size_t lip) const {
  std::optional<std::size_t> best;
  double most = 0;
  for (std::size_t k = 0; k < bodies_.size(); ++k) {
    const PartRole one = role(k);
    if (one != PartRole::FixedShelf && one != PartRole::AdjustableShelf &&
        one != PartRole::LooseShelf)
      continue;
    const double area = sharedFace(lip, k);
    if (area > most) most = area, best = k;
  }
  return best;
}
// The panel that a part lies flat on, or off by what it is packed: the nearest, unless that is
// fixed so itself.
std::optional<std::size_t> Units::hostOf(std::size_t i) const {
  if (role(i) == PartRole::ShelfLip) return shelfOf(i);
  const int axis = static_cast<int>(bodies_[i].pose.w.axis);
  std::optional<std::size_t> best;
  double nearest = kPacked;
  double most = 0;
  for (std::size_t k = 0; k < bodies_.size(); ++k) {
    const PartRole role = this->role(k);
    const bool isLining = role == PartRole::LeftLining || role == PartRole::RightLining;
    const bool isSame = role == this->role(i) && role != PartRole::BoardLayer;
    if (k == i || isSame || (isFixedFlat(role) && !isLining)) continue;
    const Body &p = bodies_[i], &q = bodies_[k];
    const double off =
        std::max(at(q.low, axis) - at(p.high, axis), at(p.low, axis) - at(q.high, axis));
    double area = 1;
    for (int other = 0; other < 3; ++other)
      if (other != axis)
        area *= std::max(0.0, std::min(at(p.high, other), at(q.high, other)) -
                                  std::max(at(p.low, other), at(q.low, other)));
    if (area <= 0 || off < -kTouch || off > nearest + kFlush) continue;
    if (off > nearest - kFlush && area <= most) continue;
    nearest = off, most = area, best = k;
  }
  return best;
}
double Units::sharedFace(std::size_t a, std::size_t b) const {
  const Body &p = bodies_[a], &q = bodies_[b];
  std::array<double, 3> common{};
  for (int axis = 0; axis < 3; ++axis)
    common[static_cast<std::size_t>(axis)] =
        std::min(at(p.high, axis), at(q.high, axis)) - std::max(at(p.low, axis), at(q.low, axis));
  // Along the way across which they meet they share nothing.
  std::sort(common.begin(), common.end());
  return common[0] > kTouch ? 0 : std::max(0.0, common[1]) * std::max(0.0, common[2]);
}

// What is joined to nothing of the rest stands by itself: a section, with what lies in it. Only
// where there are several.
std::vector<Node> Units::inSections(std::vector<Node> nodes) const {
  std::vector<std::size_t> nodeOf(bodies_.size());
  for (std::size_t i = 0; i < nodes.size(); ++i)
    for (const std::size_t body : nodes[i].bodies) nodeOf[body] = i;
  Sets together(nodes.size());
  for (const JointAt& joint : joints_)
    if (member_[joint.piece] == kNone && member_[joint.mate] == kNone)
      together.join(nodeOf[joint.piece], nodeOf[joint.mate]);
  std::map<std::size_t, std::vector<std::size_t>> sets;
  for (std::size_t i = 0; i < nodes.size(); ++i) sets[together.find(i)].push_back(i);
  std::erase_if(sets, [](const auto& set) { return set.second.size() < 3; });
  if (sets.size() < 2) return nodes;
  std::vector<Node> out;
  std::vector<bool> taken(nodes.size(), false);
  for (const auto& [first, set] : sets) {
    Node& section = out.emplace_back();
    section.kind = UnitKind::Section;
    for (const std::size_t i : set) put(nodes[i], section), taken[i] = true;
  }
  std::vector<Room> rooms;
  for (const Node& section : out) rooms.push_back(roomOf(section));
  for (std::size_t i = 0; i < nodes.size(); ++i) {
    if (taken[i]) continue;
    Node* best = nullptr;
    double most = 0;
    for (std::size_t k = 0; k < sets.size() && phaseOf(nodes[i], false) == AssemblyPhase::Structure;
         ++k) {
      double area = 0;
      for (const std::size_t a : nodes[i].bodies)
        for (const std::size_t b : out[k].bodies) area += sharedFace(a, b);
      if (isInside(nodes[i], rooms[k]) && area > most) most = area, best = &out[k];
    }
    if (best != nullptr)
      put(nodes[i], *best);
    else
      out.push_back(std::move(nodes[i]));
  }
  // From the left, from the front, from below.
  std::vector<std::size_t> row(sets.size());
  std::iota(row.begin(), row.end(), std::size_t{0});
  std::sort(row.begin(), row.end(), [&rooms](std::size_t a, std::size_t b) {
    const auto place = [&rooms](std::size_t i) {
      return std::tuple(std::llround(rooms[i].low.x), std::llround(rooms[i].low.y),
                        std::llround(rooms[i].low.z));
    };
    return place(a) < place(b);
  });
  // Those that are called alike are counted together.
  std::map<std::string, std::size_t> among;
  std::vector<std::string> words;
  for (std::size_t i = 0; i < row.size(); ++i) words.push_back(sectionWord(role(first(out[i]))));
  for (const std::size_t i : row) out[i].number = ++among[words[i]];
  for (std::size_t i = 0; i < row.size(); ++i) out[i].among = among[words[i]];
  return out;
}
Room Units::roomOf(const Node& node) const {
  Room out;
  for (const std::size_t body : node.bodies) out.take(bodies_[body]);
  return out;
}
bool Units::isInside(const Node& node, const Room& room) const {
  const Vec middle = roomOf(node).middle();
  for (int axis = 0; axis < 3; ++axis)
    if (at(middle, axis) < at(room.low, axis) || at(middle, axis) > at(room.high, axis))
      return false;
  return true;
}
void Units::put(Node& node, Node& section) {
  section.bodies.insert(section.bodies.end(), node.bodies.begin(), node.bodies.end());
  section.of.push_back(std::move(node));
}

std::vector<Node> Units::apart(const Node& node) {
  if (!node.of.empty()) return node.of;
  std::vector<Node> out;
  for (const std::size_t one : node.bodies) out.push_back({UnitKind::Panel, {one}, {}});
  return out;
}

std::size_t Units::first(const Node& node) const {
  const auto size = [this](std::size_t body) {
    return bodies_[body].part->length.total().inMm() * bodies_[body].part->width.total().inMm();
  };
  return *std::max_element(node.bodies.begin(), node.bodies.end(),
                           [&](std::size_t a, std::size_t b) { return size(a) < size(b); });
}

AssemblyPhase Units::phaseOf(const Node& node, bool alone) const {
  switch (node.kind) {
    case UnitKind::Box:
      return node.bodies.size() > 1 && !alone ? AssemblyPhase::Loose : AssemblyPhase::Structure;
    case UnitKind::Front:
      return AssemblyPhase::Front;
    case UnitKind::FaceFrame:
      return AssemblyPhase::Frame;
    case UnitKind::Top:
      return AssemblyPhase::Top;
    case UnitKind::Base:
    case UnitKind::Section:
    case UnitKind::Assembly:
      return AssemblyPhase::Structure;
    default:
      break;
  }
  return bench::phaseOf(role(first(node)));
}

double Units::late(const Node& node, bool alone) const {
  const Body& body = bodies_[first(node)];
  constexpr double kUp = 1e-5, kBack = 1e-7, kRight = 1e-8, kLaid = 10;
  constexpr double kFacing = 28, kOnTop = 57;
  const PartRole one = role(first(node));
  const double tie = kUp * body.low.z + kBack * body.low.y + kRight * body.low.x;
  double rank = 1e9;
  if (node.kind == UnitKind::Assembly) {
    rank = standsOnTop(node) ? kOnTop : kLaid;
  } else if (node.kind == UnitKind::Section) {
    for (const Node& each : node.of) rank = std::min(rank, late(each, alone));
  } else if (alone) {
    rank = removalPriority(one);
    if (one == PartRole::BaseRail) rank = isInFront(node) ? kLaid : kFacing;
  } else {
    rank = removalPriority(node.kind, removalPriority(one));
    if (node.kind == UnitKind::Front && isDrawerFront(one)) rank -= 2;
    // What stands in a row stands on it.
    if (node.kind == UnitKind::Base && isGroup()) rank = kLaid - 5;
  }
  // A frame grows from the left, so that each piece is screwed to what is there.
  if (alone && isOfFaceFrame(one)) rank = along(body);
  if (node.kind == UnitKind::Panel) {
    if (isSolidEdging(one)) rank += turnOf(part(first(node)));
    // Of boards that face one another what lies between goes in first, what lies over all last.
    if (one == PartRole::Board && first(node) != 0) {
      Room all;
      for (const Body& other : bodies_) all.take(other);
      const Vec face = placed(body.pose, {0, 0, 1}) - placed(body.pose, {});
      if (body.pose.w.axis == bodies_[0].pose.w.axis)
        rank = kFacing;
      else if (std::abs(face.z) > 0.5 && body.middle().z > all.middle().z)
        rank = kFacing + 1;
    }
  }
  return rank + tie;
}
// Where it begins along the longer side of all of it.
double Units::along(const Body& body) const {
  Room all;
  for (const Body& other : bodies_)
    if (isOfFaceFrame(other.key().role)) all.take(other);
  return all.high.x - all.low.x >= all.high.y - all.low.y ? body.low.x : body.low.y;
}
// On a worktop that goes in too.
bool Units::standsOnTop(const Node& node) const {
  Room room;
  for (const std::size_t body : node.bodies) room.take(bodies_[body]);
  const auto over = [&room](const Body& other) {
    constexpr double kOn = 1;
    return std::abs(other.high.z - room.low.z) < kOn && other.low.x < room.high.x &&
           other.high.x > room.low.x && other.low.y < room.high.y && other.high.y > room.low.y;
  };
  return std::any_of(bodies_.begin(), bodies_.end(), [&over](const Body& other) {
    return unitKindOf(other.key().role) == UnitKind::Top && over(other);
  });
}
// Of the rails of a base the foremost.
bool Units::isInFront(const Node& node) const {
  return std::none_of(bodies_.begin(), bodies_.end(), [&](const Body& other) {
    return other.key().role == PartRole::BaseRail &&
           other.low.y < bodies_[first(node)].low.y - kTouch;
  });
}
bool Units::isGroup() const {
  return std::any_of(member_.begin(), member_.end(), [](std::size_t one) { return one != kNone; });
}

std::string codeAndName(const Job& job, const std::string& code) {
  const Assembly* assembly = findAssembly(job, code);
  return assembly == nullptr || assembly->name.empty() ? code : code + ", " + assembly->name;
}
std::string Units::nameOf(const Node& node, const Job& job) const {
  const std::size_t main = first(node);
  if (node.kind == UnitKind::Assembly) return codeAndName(job, part(main).assembly);
  if (node.kind == UnitKind::Section)
    return fmt::format("{} {} of {}", sectionWord(role(first(node))), node.number, node.among);
  if (node.bodies.size() == 1) return part(main).name;
  switch (node.kind) {
    case UnitKind::Box:
      return part(main).name.substr(0, part(main).name.find(' '));
    case UnitKind::FaceFrame:
      return "face frame";
    case UnitKind::Base:
      return "base frame";
    case UnitKind::Top:
      return "top";
    case UnitKind::Front:
      return roleName(static_cast<PartRole>(frontOf(role(main))));
    case UnitKind::Several:
      return namesOf(node);
    default:
      return part(host(node)).name;
  }
}
// The largest three by name, as they lie.
std::string Units::namesOf(const Node& node) const {
  constexpr std::size_t kMost = 3;
  std::vector<std::string> names;
  for (const std::size_t body : node.bodies)
    if (!isFixedFlat(role(body)) && !isIn(names, part(body).name)) names.push_back(part(body).name);
  std::string out;
  for (std::size_t i = 0; i < std::min(kMost, names.size()); ++i)
    out += (i == 0 ? "" : ", ") + names[i];
  return names.size() > kMost ? out + " …" : out;
}
// The panel that the rest is fixed on.
std::size_t Units::host(const Node& node) const {
  Node panels = node;
  std::erase_if(panels.bodies, [this](std::size_t body) { return isFixedFlat(role(body)); });
  return panels.bodies.empty() ? first(node) : first(panels);
}

}  // namespace pp::bench
