#include "core/secondlook/clash_look.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

#include "core/breakdown/cut_outs.h"
#include "core/breakdown/fit.h"
#include "core/breakdown/placed.h"
#include "core/job/ids.h"
#include "core/site/words.h"

namespace pp {
namespace {

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
    const bool walled = hasWall(job_.site.kind, stand_.wall);
    for (const Obstacle& one : job_.site.obstacles) {
      if (!one.wall)
        onTheFloor(one);
      else if (!walled)
        continue;
      else if (*one.wall == stand_.wall)
        onItsWall(one);
      else
        besideIt(one);
    }
    if (!walled) return std::move(out_);
    moulding();
    for (const WallAt side : {WallAt::Left, WallAt::Right}) mouldingBeside(side);
    studs();
    return std::move(out_);
  }

 private:
  // The rearmost board lies against the wall, the leftmost at its place along it.
  void place() {
    const auto at = onWall(job_, stand_, parts_);
    if (!at) return;
    on_ = *at;
    const auto each = [this](const auto& use) {
      for (const Part& part : parts_)
        for (const Pose& pose : part.poses) use(part, pose, pose.place(part.board()));
    };
    std::optional<Length> rearmost;
    each([&rearmost](const Part&, const Pose&, const Box& box) {
      if (!rearmost || box.high[1] > *rearmost) rearmost = box.high[1];
    });
    const Length rear = *rearmost;
    each([&](const Part& part, const Pose& pose, const Box& box) {
      const Length right = on_.along - on_.left;
      const Length up = on_.up - on_.foot;
      const WallBox lies{{box.low[0] + right, box.high[0] + right},
                         {rear - box.high[1], rear - box.low[1]},
                         {box.low[2] + up, box.high[2] + up}};
      whole_ = placed_.empty() ? lies
                               : WallBox{joined(whole_.along, lies.along),
                                         joined(whole_.out, lies.out), joined(whole_.up, lies.up)};
      placed_.push_back({&part, &pose, lies});
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
        if (isCutOut(one, at)) continue;
        Finding& finding =
            add(Severity::Mind, &part,
                fmt::format("{} lies behind the {} of {}", nameOf(one), part.name, part.assembly),
                "Cut it out with room all round; electrics and pipes are moved by licensed people "
                "only.");
        finding.fix = cutOut(one, at);
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

  bool isCutOut(const Obstacle& obstacle, const Placed& at) const {
    const auto wanted = cutOutFor(job_.unit, obstacle, on_, *at.part, *at.pose);
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

  std::optional<Fix> cutOut(const Obstacle& one, const Placed& at) const {
    const auto feature = cutOutFor(job_.unit, one, on_, *at.part, *at.pose);
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

  // What stands at the back wall ends before the moulding of a wall beside it.
  void mouldingBeside(WallAt side) {
    if (stand_.wall != WallAt::Back || !hasWall(job_.site.kind, side)) return;
    const SiteWall wall = wallAt(job_.site, side);
    if (wall.mouldingHeight <= Length{} || wall.mouldingThickness <= Length{}) return;
    const Length wide = widthOfPlace();
    if (side == WallAt::Right && wide <= Length{}) return;
    for (const Placed& at : placed_) {
      const Length off = side == WallAt::Left ? at.box.along.low : wide - at.box.along.high;
      if (at.box.up.low >= wall.mouldingHeight || off >= wall.mouldingThickness) continue;
      Finding& finding =
          add(Severity::Mind, at.part,
              fmt::format("The {} of {} meets the moulding of the {} wall", at.part->name,
                          at.part->assembly, side == WallAt::Left ? "left" : "right"),
              fmt::format("It is {} thick and {} high, and {} is kept clear there.",
                          formatWithUnit(wall.mouldingThickness, style_),
                          formatWithUnit(wall.mouldingHeight, style_),
                          formatWithUnit(std::max(off, Length{}), style_)));
      if (stand_.fills) {
        const Length clear =
            wall.mouldingThickness + usual(job_.unit, Length::mm(3), Length::in(0, 1, 8));
        finding.fix = Fix{fmt::format("Keep {} clear of that wall", formatWithUnit(clear, style_)),
                          [side, clear](Job& job) { keepClearOf(job, side, clear); }};
      }
      return;
    }
  }
  static void keepClearOf(Job& job, WallAt side, Length clear) {
    for (SiteWall& known : job.site.walls)
      if (known.at == side) {
        known.allowance = clear;
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
  OnWall on_;
  std::vector<Finding> out_;
};

}  // namespace

std::vector<Finding> checkClashes(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  for (const SiteStand& stand : job.site.stands) {
    const Assembly* one = findAssembly(job, stand.assembly);
    if (one == nullptr) continue;
    auto found = Clashes(job, breakdown, stand, *one).run();
    std::move(found.begin(), found.end(), std::back_inserter(out));
  }
  return out;
}

}  // namespace pp
