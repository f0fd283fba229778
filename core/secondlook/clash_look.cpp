#include "core/secondlook/clash_look.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

#include "core/breakdown/fit.h"
#include "core/breakdown/placed.h"
#include "core/job/ids.h"
#include "core/site/words.h"

namespace pp {
namespace {

// Room kept round what is cut out for.
Length roomRound(Unit unit) {
  return unit == Unit::Inch ? Length::in(0, 1, 4) : Length::mm(6);
}

struct Span {
  Length low, high;
  bool meets(const Span& other) const { return low < other.high && other.low < high; }
};

// Of a thing that stands on a wall: along the wall from its left end, out from it, up from the
// floor.
struct WallBox {
  Span along, out, up;
  bool meets(const WallBox& other) const {
    return along.meets(other.along) && out.meets(other.out) && up.meets(other.up);
  }
};

Span joined(const Span& a, const Span& b) {
  return {std::min(a.low, b.low), std::max(a.high, b.high)};
}

// One copy of a part where it stands.
struct Placed {
  const Part* part;
  const Pose* pose;
  WallBox box;
};

bool isCutFor(ObstacleKind kind) {
  using enum ObstacleKind;
  return kind == Outlet || kind == Switch || kind == Pipe || kind == Valve || kind == Vent;
}

bool isKeptFree(ObstacleKind kind) {
  using enum ObstacleKind;
  return kind == Vent || kind == Window || kind == Hatch;
}

class Clashes {
 public:
  Clashes(const Job& job, const Breakdown& breakdown, const SiteStand& stand,
          const Assembly& assembly)
      : job_(job),
        stand_(stand),
        assembly_(assembly),
        style_(styleOf(job)),
        parts_(partsInPlace(job, breakdown, assembly)) {
    place();
  }

  std::vector<Finding> run() {
    if (placed_.empty()) return {};
    for (const Obstacle& one : job_.site.obstacles) {
      if (!one.wall)
        onTheFloor(one);
      else if (*one.wall == stand_.wall)
        onItsWall(one);
      else
        besideIt(one);
    }
    moulding();
    studs();
    return std::move(out_);
  }

 private:
  // The rearmost board lies against the wall, the leftmost at its place along it.
  void place() {
    std::optional<Length> left, rear, foot;
    const auto each = [this](const auto& use) {
      for (const Part& part : parts_)
        for (const Pose& pose : part.poses) use(part, pose, pose.place(part.board()));
    };
    each([&](const Part&, const Pose&, const Box& box) {
      if (!left || box.low[0] < *left) left = box.low[0];
      if (!rear || box.high[1] > *rear) rear = box.high[1];
      if (!foot || box.low[2] < *foot) foot = box.low[2];
    });
    if (!left) return;
    left_ = beginOf(job_, stand_).value_or(*left);
    rear_ = *rear;
    foot_ = *foot;
    along_ = alongWall(job_, stand_);
    each([&](const Part& part, const Pose& pose, const Box& box) {
      const WallBox at{{along_ + box.low[0] - left_, along_ + box.high[0] - left_},
                       {rear_ - box.high[1], rear_ - box.low[1]},
                       {stand_.up + box.low[2] - foot_, stand_.up + box.high[2] - foot_}};
      whole_ = placed_.empty() ? at
                               : WallBox{joined(whole_.along, at.along), joined(whole_.out, at.out),
                                         joined(whole_.up, at.up)};
      placed_.push_back({&part, &pose, at});
    });
  }

  std::string nameOf(const Obstacle& one) const {
    return (one.name.empty() ? "the " : "") + obstacleName(one);
  }

  Finding& add(Severity severity, const Part* part, std::string what, std::string why) {
    Finding out;
    out.severity = severity;
    out.place.assembly = part == nullptr ? assembly_.code : part->assembly;
    if (part != nullptr) out.place.part = part->code;
    out.what = std::move(what);
    out.why = std::move(why);
    out_.push_back(std::move(out));
    return out_.back();
  }

  void onItsWall(const Obstacle& one) {
    const WallBox box{
        {one.along, one.along + one.width}, {{}, one.out}, {one.up, one.up + one.height}};
    const bool covered = whole_.along.meets(box.along) && whole_.up.meets(box.up);
    if (!covered) return;
    if (one.kind == ObstacleKind::Door) {
      add(Severity::Stop, nullptr, fmt::format("{} stands in {}", assembly_.code, nameOf(one)),
          "A door and what it swings over stay free.");
      return;
    }
    if (one.kind == ObstacleKind::Window && lidUnder(one)) return;
    if (isKeptFree(one.kind)) {
      const bool vent = one.kind == ObstacleKind::Vent;
      if (hasPartOver(box))
        add(Severity::Mind, nullptr, fmt::format("{} covers {}", assembly_.code, nameOf(one)),
            vent ? "Leave it free, or lead the air through a grille of the same area."
                 : "It must stay free to be used.");
      if (!vent) return;
    }
    if (isCutFor(one.kind)) cutOuts(one, box);
  }

  bool hasPartOver(const WallBox& box) const {
    return std::any_of(placed_.begin(), placed_.end(), [&](const Placed& at) {
      return at.box.along.meets(box.along) && at.box.up.meets(box.up);
    });
  }

  // What stands before it: cut out of a back, of nothing else.
  void cutOuts(const Obstacle& one, const WallBox& box) {
    // It is got at through the wall's first hand's breadth.
    constexpr Length kReach = Length::mm(60);
    const Span reach{{}, std::max(one.out, kReach)};
    for (const Placed& at : placed_) {
      const Part& part = *at.part;
      if (!at.box.along.meets(box.along) || !at.box.up.meets(box.up) || !at.box.out.meets(reach))
        continue;
      if (part.role == PartRole::Back) {
        if (isCutOut(at, box)) continue;
        Finding& finding =
            add(Severity::Mind, &part,
                fmt::format("{} lies behind the {} of {}", nameOf(one), part.name, part.assembly),
                "Cut it out with room all round; electrics and pipes are moved by licensed people "
                "only.");
        finding.fix = cutOut(one, at, box);
      } else if (!isMovable(part.role) && standsOnEdge(at)) {
        add(Severity::Stop, &part,
            fmt::format("The {} of {} stands on {}", part.name, part.assembly, nameOf(one)),
            "Move the board or have it moved: nothing is cut away there.");
      }
    }
  }

  static bool isMovable(PartRole role) {
    using enum PartRole;
    return isFront(role) || (role >= BoxLeftSide && role <= BoxBottom) || role == AdjustableShelf ||
           role == LooseShelf;
  }
  static bool standsOnEdge(const Placed& at) {
    return at.box.along.high - at.box.along.low <= at.part->thickness ||
           at.box.up.high - at.box.up.low <= at.part->thickness;
  }

  // The rectangle in the part's own frame, with room round it; none where it would leave the part.
  std::optional<Feature> featureOf(const Placed& at, const WallBox& box) const {
    const Length room = roomRound(job_.unit);
    const Point low{
        left_ + box.along.low - room - along_, {}, foot_ + box.up.low - room - stand_.up};
    const Point high{
        left_ + box.along.high + room - along_, {}, foot_ + box.up.high + room - stand_.up};
    const auto own = [&](const Direction& along, Length limit) -> Span {
      const auto axis = static_cast<std::size_t>(along.axis);
      const Length a = along.sign * (low[axis] - at.pose->origin[axis]);
      const Length b = along.sign * (high[axis] - at.pose->origin[axis]);
      return {std::max(std::min(a, b), Length{}), std::min(std::max(a, b), limit)};
    };
    if (at.pose->u.axis == Axis::Y || at.pose->v.axis == Axis::Y) return std::nullopt;
    const Span u = own(at.pose->u, at.part->length.total());
    const Span v = own(at.pose->v, at.part->width.total());
    if (u.low >= u.high || v.low >= v.high) return std::nullopt;
    Feature out;
    out.kind = FeatureKind::Notch;
    out.along = u.low;
    out.length = u.high - u.low;
    out.across = v.low;
    out.width = v.high - v.low;
    return out;
  }

  bool isCutOut(const Placed& at, const WallBox& box) const {
    const auto wanted = featureOf(at, box);
    if (!wanted) return false;
    return std::any_of(job_.overrides.begin(), job_.overrides.end(), [&](const PartOverride& one) {
      const bool of = std::any_of(at.part->keys.begin(), at.part->keys.end(),
                                  [&one](const PartKey& key) { return key == one.part; });
      return of && std::any_of(one.features.begin(), one.features.end(), [&](const Feature& known) {
               return known.kind == FeatureKind::Notch && known.along <= wanted->along &&
                      known.across <= wanted->across &&
                      known.along + known.length >= wanted->along + wanted->length &&
                      known.across + known.width >= wanted->across + wanted->width;
             });
    });
  }

  std::optional<Fix> cutOut(const Obstacle& one, const Placed& at, const WallBox& box) const {
    const auto feature = featureOf(at, box);
    if (!feature || at.part->keys.size() != 1) return std::nullopt;
    const PartKey key = at.part->keys.front();
    const std::string why = "cut out for " + nameOf(one);
    return Fix{fmt::format("Cut out {} × {} for it", formatWithUnit(feature->length, style_),
                           formatWithUnit(feature->width, style_)),
               [key, feature = *feature, why](Job& job) {
                 for (PartOverride& known : job.overrides)
                   if (known.part == key) {
                     known.features.push_back(feature);
                     return;
                   }
                 PartOverride made;
                 made.part = key;
                 made.alike = false;
                 made.why = why;
                 made.features = {feature};
                 job.overrides.push_back(std::move(made));
               }};
  }

  // Fronts in front of what stands out of the wall beside them.
  void besideIt(const Obstacle& one) {
    if (stand_.wall != WallAt::Back || one.out <= Length{} || *one.wall == WallAt::Back) return;
    const bool onTheLeft = *one.wall == WallAt::Left;
    const Length wide = widthOfPlace();
    if (!onTheLeft && wide <= Length{}) return;
    const Span reach = onTheLeft ? Span{{}, one.out} : Span{wide - one.out, wide};
    const Span up{one.up, one.up + one.height};
    for (const Placed& at : placed_) {
      if (!isFront(at.part->role) || at.part->role == PartRole::Lid) continue;
      // A drawer comes out by the depth of the case; a door swings out by its own width.
      if (!at.box.along.meets(reach) || !at.box.up.meets(up)) continue;
      add(Severity::Mind, at.part,
          fmt::format("The {} of {} cannot open past {}", at.part->name, at.part->assembly,
                      nameOf(one)),
          fmt::format("It stands out by {}: a wider filler on that side clears it.",
                      formatWithUnit(one.out, style_)));
      return;
    }
  }

  Length widthOfPlace() const {
    const auto width = widthFor(job_.site, job_.unit, whole_.up.low, whole_.up.high);
    return width ? width->width.free : Length{};
  }

  bool lidUnder(const Obstacle& window) {
    for (const Placed& at : placed_) {
      if (at.part->role != PartRole::Lid && at.part->role != PartRole::SeatLid) continue;
      const Span swing{at.box.up.low, at.box.up.high + (at.box.out.high - at.box.out.low)};
      if (window.out <= Length{} || window.up < at.box.up.high ||
          !swing.meets({window.up, window.up + window.height}) ||
          !at.box.along.meets({window.along, window.along + window.width}))
        continue;
      add(Severity::Mind, at.part,
          fmt::format("The lid of {} opens against the sill of {}", at.part->assembly,
                      nameOf(window)),
          fmt::format("Open it needs {} of height.",
                      formatWithUnit(at.box.out.high - at.box.out.low, style_)));
      return true;
    }
    return false;
  }

  void onTheFloor(const Obstacle& one) {
    if (stand_.wall != WallAt::Back || one.out <= Length{}) return;
    const WallBox box{
        {one.along, one.along + one.width}, {one.up, one.up + one.height}, {{}, one.out}};
    for (const Placed& at : placed_)
      if (at.box.meets(box)) {
        add(Severity::Stop, at.part,
            fmt::format("The {} of {} stands on {}", at.part->name, at.part->assembly, nameOf(one)),
            "Set it clear, or notch it and lay out what is left for strength.");
        return;
      }
  }

  // A carcass down to the floor needs a notch over the moulding of its wall.
  void moulding() {
    const SiteWall wall = wallAt(job_.site, stand_.wall);
    if (wall.mouldingHeight <= Length{} || wall.mouldingThickness <= Length{}) return;
    const WallBox box{whole_.along, {{}, wall.mouldingThickness}, {{}, wall.mouldingHeight}};
    for (const Placed& at : placed_) {
      if (!at.box.meets(box)) continue;
      const Assembly* of = findAssembly(job_, at.part->assembly);
      if (of != nullptr && of->isCarcass() && of->carcass().baseboard &&
          of->carcass().baseboard->thickness >= wall.mouldingThickness &&
          of->carcass().baseboard->height >= wall.mouldingHeight)
        continue;
      Finding& finding =
          add(Severity::Mind, at.part,
              fmt::format("The {} of {} meets the moulding of the wall", at.part->name,
                          at.part->assembly),
              fmt::format("It is {} thick and {} high: notch over it, or stand clear of the wall.",
                          formatWithUnit(wall.mouldingThickness, style_),
                          formatWithUnit(wall.mouldingHeight, style_)));
      if (of != nullptr && of->isCarcass())
        finding.fix = Fix{"Notch the sides over it", [id = of->id, wall](Job& job) {
                            for (std::size_t i = 0; i < job.assemblies.size(); ++i)
                              if (std::as_const(job).assemblies[i].id == id)
                                job.assemblies[i].carcass().baseboard =
                                    Baseboard{wall.mouldingThickness, wall.mouldingHeight};
                          }};
      return;
    }
  }

  // What a carcass is fastened by should meet two studs of a wall that has them.
  void studs() {
    const SiteWall wall = wallAt(job_.site, stand_.wall);
    if (wall.studPitch <= Length{}) return;
    std::map<std::string, std::pair<const Part*, std::set<Length>>> met;
    for (const Placed& at : placed_) {
      if (!isFastened(at.part->role)) continue;
      auto& [part, studs] = met[at.part->assembly];
      part = at.part;
      const std::int64_t pitch = wall.studPitch.inNm();
      const std::int64_t before =
          std::max<std::int64_t>(0, (at.box.along.low - wall.firstStud).inNm() / pitch);
      for (Length stud = wall.firstStud + before * wall.studPitch; stud < at.box.along.high;
           stud += wall.studPitch)
        if (stud > at.box.along.low) studs.insert(stud);
    }
    for (const auto& [assembly, of] : met)
      if (const auto& [part, studs] = of; studs.size() < 2)
        add(Severity::Mind, part,
            fmt::format("The {} of {} {}", part->name, assembly,
                        studs.empty() ? "meets no stud" : "meets one stud only"),
            "A strip along the wall that does, or a batten across the studs, carries it; fixing to "
            "a building is for local codes and licensed people.");
  }
  static bool isFastened(PartRole role) {
    using enum PartRole;
    return role == NailingStrip || role == BackRail || role == RearRail || role == Cleat;
  }

  const Job& job_;
  const SiteStand& stand_;
  const Assembly& assembly_;
  const LengthStyle style_;
  const std::vector<Part> parts_;
  std::vector<Placed> placed_;
  WallBox whole_;
  Length left_, rear_, foot_, along_;
  std::vector<Finding> out_;
};

}  // namespace

std::vector<Finding> checkClashes(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  for (const SiteStand& stand : job.site.stands) {
    const Assembly* one = findAssembly(job, stand.assembly);
    if (one == nullptr || !hasWall(job.site.kind, stand.wall)) continue;
    auto found = Clashes(job, breakdown, stand, *one).run();
    std::move(found.begin(), found.end(), std::back_inserter(out));
  }
  return out;
}

}  // namespace pp
