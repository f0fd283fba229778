#include "core/breakdown/hidden.h"

#include <algorithm>

#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "core/kinds/group/lines.h"
#include "core/parts/part_builder.h"

namespace pp {
namespace {

// What is no further from a wall than this is closed by a filler, a scribe or the wall's shape.
constexpr Length kWallReach = Length::mm(60);
constexpr Length kTopReach = Length::mm(20);
constexpr Length kTouching = Length::mm(1);

Direction opposite(Direction of) {
  return {of.axis, -of.sign};
}

// A face or an edge of a part where it lies: a box without thickness.
struct Surface {
  Direction looks;
  Box at;
};

Surface faceOf(const Part& part, const Pose& pose, Face face) {
  Box flat = part.board();
  if (face == Face::Inside)
    flat.high[2] = flat.low[2];
  else
    flat.low[2] = flat.high[2];
  return {face == Face::Inside ? opposite(pose.w) : pose.w, pose.place(flat)};
}

Surface edgeOf(const Part& part, const Pose& pose, Edge edge) {
  Box flat = part.board();
  const std::size_t axis = !isEnd(edge) ? 1 : 0;
  const bool high = edge == Edge::L2 || edge == Edge::W2;
  if (high)
    flat.low[axis] = flat.high[axis];
  else
    flat.high[axis] = flat.low[axis];
  const Direction along = axis == 1 ? pose.v : pose.u;
  return {high ? along : opposite(along), pose.place(flat)};
}

bool liesWithin(const Box& inner, const Box& outer, std::size_t but) {
  for (std::size_t i = 0; i < inner.low.size(); ++i)
    if (i != but &&
        (inner.low[i] < outer.low[i] - kTouching || inner.high[i] > outer.high[i] + kTouching))
      return false;
  return true;
}

// What is taken out or opened shows on all sides.
bool staysPut(const Part& part) {
  return !isFront(part.role) && !isOfBox(part.role) && !part.poses.empty() &&
         !part.poses.front().turn;
}

}  // namespace

Hidden::Hidden(const Job& job) : job_(job) {
  for (const SiteStand& stand : job.site.stands)
    if (hasWall(job.site.kind, stand.wall)) stood_[stand.assembly] = stood(stand);
  for (const Assembly& assembly : job.assemblies)
    if (const auto* group = std::get_if<CarcassGroup>(&assembly.body)) {
      const auto by = stood_.find(assembly.id);
      cover(*group, by == stood_.end() ? Stood{} : by->second);
    }
}

Hidden::Stood Hidden::stood(const SiteStand& stand) const {
  using enum WallAt;
  Stood out;
  out.behind = true;
  const std::optional<WallAt> left = stand.wall == Back    ? std::optional(Left)
                                     : stand.wall == Right ? std::optional(Back)
                                                           : std::nullopt;
  const std::optional<WallAt> right = stand.wall == Back   ? std::optional(Right)
                                      : stand.wall == Left ? std::optional(Back)
                                                           : std::nullopt;
  const Length along = alongWall(job_, stand);
  out.left = left && hasWall(job_.site.kind, *left) && along <= kWallReach;
  if (!right || !hasWall(job_.site.kind, *right)) return out;
  if (stand.fills)
    out.toRight = Length{};
  else if (const auto length = wallLength(job_.site, stand.wall, job_.unit))
    out.toRight = *length - along;
  return out;
}

void Hidden::cover(const CarcassGroup& group, const Stood& by) {
  const auto lines = groupLines(job_, group);
  if (!lines) return;
  for (const GroupLine* line : lines->all()) {
    const auto& members = line->members;
    for (std::size_t i = 0; i < members.size(); ++i) {
      const CarcassLayout& own = members[i].layout;
      auto& out = inGroup_[members[i].assembly->id];
      if (group.top) out.push_back({kUp, own.outer.top(), kTopReach, std::nullopt});
      const auto beside = [&](std::size_t other, bool left) {
        const CarcassLayout& next = members[other].layout;
        const Length shift = members[other].x - members[i].x;
        const Length mine = left ? own.outer.x : own.outer.right();
        const Length theirs = shift + (left ? next.outer.right() : next.outer.x);
        if (mine - theirs > kTouching || theirs - mine > kTouching) return;
        const Box box{{shift + next.outer.x, Length{}, next.outer.z},
                      {shift + next.outer.right(), next.rear, next.outer.top()}};
        out.push_back({left ? kLeft : kRight, mine, kTouching, box});
      };
      if (i > 0) beside(i - 1, true);
      if (i + 1 < members.size()) beside(i + 1, false);
      if (line != &lines->rear) continue;
      if (by.behind) out.push_back({kBackwards, own.rear, kWallReach, std::nullopt});
      if (by.left && i == 0) out.push_back({kLeft, own.outer.x, kWallReach, std::nullopt});
      const Length width = line->right() - line->left();
      if (by.toRight && *by.toRight - width <= kWallReach && i + 1 == members.size())
        out.push_back({kRight, own.outer.right(), kWallReach, std::nullopt});
    }
  }
}

std::vector<Hidden::Cover> Hidden::coversOf(const Assembly& assembly,
                                            const std::vector<Part>& parts) const {
  std::vector<Cover> out;
  if (const auto at = inGroup_.find(assembly.id); at != inGroup_.end()) out = at->second;
  if (assembly.isCarcass()) {
    const Carcass& carcass = assembly.carcass();
    if (!carcass.endLeft.empty() || !carcass.endRight.empty())
      if (const auto layout = layOut(job_, assembly)) {
        if (!carcass.endLeft.empty())
          out.push_back({kLeft, layout->outer.x, kTouching, std::nullopt});
        if (!carcass.endRight.empty())
          out.push_back({kRight, layout->outer.right(), kTouching, std::nullopt});
      }
  }
  const auto at = stood_.find(assembly.id);
  if (at == stood_.end()) return out;
  std::optional<Box> hull;
  for (const Part& part : parts) {
    if (!staysPut(part)) continue;
    const Box box = part.poses.front().place(part.board());
    if (!hull) hull = box;
    for (std::size_t i = 0; i < box.low.size(); ++i) {
      hull->low[i] = std::min(hull->low[i], box.low[i]);
      hull->high[i] = std::max(hull->high[i], box.high[i]);
    }
  }
  if (!hull) return out;
  const Stood& by = at->second;
  // What closes the gap beside a case may be as wide as the gap: its sides lie further in.
  Length leftReach = kWallReach;
  Length rightReach = kWallReach;
  if (assembly.isCarcass()) {
    leftReach += assembly.carcass().wallLeft;
    rightReach += assembly.carcass().wallRight;
  }
  out.push_back({kBackwards, hull->high[1], kWallReach, std::nullopt});
  if (by.left) out.push_back({kLeft, hull->low[0], leftReach, std::nullopt});
  if (by.toRight && *by.toRight - (hull->high[0] - hull->low[0]) <= kWallReach)
    out.push_back({kRight, hull->high[0], rightReach, std::nullopt});
  return out;
}

void Hidden::mark(const Assembly& assembly, const PartChoices& choices,
                  std::vector<Part>& parts) const {
  const std::vector<Cover> covers = coversOf(assembly, parts);
  if (covers.empty()) return;
  const auto hides = [&covers](const Surface& one) {
    const auto axis = static_cast<std::size_t>(one.looks.axis);
    return std::any_of(covers.begin(), covers.end(), [&](const Cover& cover) {
      const Length off = one.at.low[axis] - cover.at;
      return cover.looks == one.looks && off <= cover.reach && -off <= cover.reach &&
             (!cover.over || liesWithin(one.at, *cover.over, axis));
    });
  };
  for (Part& part : parts) {
    if (!staysPut(part)) continue;
    const Pose& pose = part.poses.front();
    for (const Face face : {Face::Inside, Face::Outside})
      part.hidden[static_cast<std::size_t>(face)] = hides(faceOf(part, pose, face));
    const PartOverride* chosen = choices.of(part.keys.front());
    bool bared = false;
    for (const Edge edge : kEdges) {
      const auto i = static_cast<std::size_t>(edge);
      const EdgeChoice* choice = chosen == nullptr ? nullptr : chosen->edge(part.edges[i]);
      if ((choice != nullptr && choice->banding) || !hides(edgeOf(part, pose, edge))) continue;
      part.exposed[i] = false;
      bared = bared || !part.bands[i].empty();
      part.bands[i].clear();
    }
    if (bared) deductBands(job_, part);
  }
}

}  // namespace pp
