#include "core/breakdown/cut_outs.h"

#include <algorithm>
#include <map>
#include <set>

#include "core/breakdown/fit.h"
#include "core/breakdown/placed.h"
#include "core/job/ids.h"

namespace pp {
namespace {

// Room kept round what is cut out for.
Length roomRound(Unit unit) {
  return usual(unit, Length::mm(6), Length::in(0, 1, 4));
}

struct Reach {
  Length low, high;
};

// All parts of what stands there.
struct OnIt {
  OnWall at;
  std::vector<Part> parts;
};

class Follower {
 public:
  explicit Follower(Job& job) : job_(job) {
    for (const Obstacle& one : job.site.obstacles) obstacles_[one.id] = &one;
  }

  bool run() {
    bool changed = false;
    for (PartOverride& one : job_.overrides) changed = follow(one) || changed;
    std::erase_if(job_.overrides, [this](const PartOverride& one) {
      PartOverride none;
      none.part = one.part;
      none.alike = one.alike;
      none.why = one.why;
      return emptied_.count(one.part) > 0 && one == none;
    });
    return changed;
  }

 private:
  bool follow(PartOverride& choice) {
    bool changed = false;
    for (std::size_t i = choice.features.size(); i-- > 0;) {
      Feature& feature = choice.features[i];
      if (feature.obstacle == 0) continue;
      const auto now = wanted(choice.part, feature);
      if (now == feature) continue;
      changed = true;
      if (now) {
        feature = *now;
        continue;
      }
      choice.features.erase(choice.features.begin() + static_cast<std::ptrdiff_t>(i));
      emptied_.insert(choice.part);
    }
    return changed;
  }

  // What the cut-out is by now: as it is where its board is not to be found just now.
  std::optional<Feature> wanted(const PartKey& key, const Feature& feature) {
    const auto obstacle = obstacles_.find(feature.obstacle);
    if (obstacle == obstacles_.end()) return std::nullopt;
    const OnIt* stands = standing(key.assembly);
    if (stands == nullptr) return feature;
    for (const Part& part : stands->parts)
      for (std::size_t i = 0; i < part.keys.size() && i < part.poses.size(); ++i)
        if (part.keys[i] == key)
          return cutOutFor(job_.unit, *obstacle->second, stands->at, part, part.poses[i]);
    return feature;
  }

  // What the assembly stands in; null where it stands nowhere or cannot be built.
  const OnIt* standing(Id assembly) {
    if (const auto known = standing_.find(assembly); known != standing_.end())
      return known->second ? &*known->second : nullptr;
    std::optional<OnIt>& out = standing_[assembly];
    for (const SiteStand& stand : job_.site.stands) {
      const Assembly* one = findAssembly(std::as_const(job_), stand.assembly);
      if (one == nullptr || !hasWall(job_.site.kind, stand.wall)) continue;
      std::vector<Id> members;
      if (const auto* group = std::get_if<CarcassGroup>(&one->body)) members = group->everyMember();
      if (one->id != assembly &&
          std::find(members.begin(), members.end(), assembly) == members.end())
        continue;
      Breakdown all = breakDown(job_, *one);
      for (const Id member : members) {
        Breakdown more = breakDown(job_, *findAssembly(std::as_const(job_), member));
        std::move(more.parts.begin(), more.parts.end(), std::back_inserter(all.parts));
      }
      std::vector<Part> parts = partsInPlace(job_, all, *one);
      if (const auto at = onWall(job_, stand, parts)) out = OnIt{*at, std::move(parts)};
      break;
    }
    return out ? &*out : nullptr;
  }

  Job& job_;
  std::map<Id, const Obstacle*> obstacles_;
  std::map<Id, std::optional<OnIt>> standing_;
  std::set<PartKey> emptied_;
};

}  // namespace

std::optional<OnWall> onWall(const Job& job, const SiteStand& stand,
                             const std::vector<Part>& parts) {
  std::optional<Length> left;
  Length foot;  // on legs its lowest board is above its own floor
  for (const Part& part : parts)
    for (const Pose& pose : part.poses) {
      const Box box = pose.place(part.board());
      left = left ? std::min(*left, box.low[0]) : box.low[0];
      foot = std::min(foot, box.low[2]);
    }
  if (!left) return std::nullopt;
  return OnWall{beginOf(job, stand).value_or(*left), foot, alongWall(job, stand), stand.up};
}

std::optional<Feature> cutOutFor(Unit unit, const Obstacle& obstacle, const OnWall& at,
                                 const Part& part, const Pose& pose) {
  if (pose.u.axis == Axis::Y || pose.v.axis == Axis::Y) return std::nullopt;
  const Length room = roomRound(unit);
  const Length x = at.left + obstacle.along - at.along;
  const Length z = at.foot + obstacle.up - at.up;
  const Point low{x - room, {}, z - room};
  const Point high{x + obstacle.width + room, {}, z + obstacle.height + room};
  const auto own = [&](const Direction& along, Length limit) -> Reach {
    const auto axis = static_cast<std::size_t>(along.axis);
    const Length a = along.sign * (low[axis] - pose.origin[axis]);
    const Length b = along.sign * (high[axis] - pose.origin[axis]);
    return {std::max(std::min(a, b), Length{}), std::min(std::max(a, b), limit)};
  };
  const Reach u = own(pose.u, part.length.total());
  const Reach v = own(pose.v, part.width.total());
  if (u.low >= u.high || v.low >= v.high) return std::nullopt;
  Feature out;
  out.kind = FeatureKind::Notch;
  out.along = u.low;
  out.length = u.high - u.low;
  out.across = v.low;
  out.width = v.high - v.low;
  out.obstacle = obstacle.id;
  return out;
}

bool followObstacles(Job& job) {
  const bool any =
      std::any_of(job.overrides.begin(), job.overrides.end(), [](const PartOverride& one) {
        return std::any_of(one.features.begin(), one.features.end(),
                           [](const Feature& feature) { return feature.obstacle != 0; });
      });
  return any && Follower(job).run();
}

}  // namespace pp
