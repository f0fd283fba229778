#include "core/nest/changes/by_hand.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/nest/search/to_plan.h"
#include "core/nest/search/warm.h"

namespace pp::nest {
namespace {

Problem no(const std::string& why) {
  return {"", 0, "by hand", why, "a change that leaves the plan cuttable"};
}

// The plan opened up for changing.
class Opened {
 public:
  Opened(const NestRequest& request, const Plan& plan)
      : request_(request), plan_(plan), grouped_(group(request)) {
    grouped_.bars = plan.bars;
    for (const Group& group : grouped_.groups) {
      arrangements_.push_back(arrangementOf(request, group, plan));
      sheets_.push_back(sheetsOf(request, group, plan));
    }
  }

  const PartDemand& part(PlacementRef ref) const {
    return request_.parts[plan_.sheets[ref.sheet].placements[ref.placement].part];
  }

  // The group whose arrangement has the plan's sheet, and where; none for one with pinned places.
  std::optional<std::pair<std::size_t, std::size_t>> find(std::size_t sheet) const {
    for (std::size_t g = 0; g < sheets_.size(); ++g) {
      const auto at = std::find(sheets_[g].begin(), sheets_[g].end(), sheet);
      if (at != sheets_[g].end())
        return std::pair{g, static_cast<std::size_t>(at - sheets_[g].begin())};
    }
    return std::nullopt;
  }

  SlackTree& tree(const std::pair<std::size_t, std::size_t>& at) {
    return arrangements_[at.first].sheets[at.second];
  }
  const Group& groupAt(std::size_t g) const { return grouped_.groups[g]; }

  // A leaf of the tree that holds the placement's part; copies of a part are alike.
  std::optional<int> leafOf(PlacementRef ref, const std::pair<std::size_t, std::size_t>& at) {
    const std::size_t part = plan_.sheets[ref.sheet].placements[ref.placement].part;
    for (const int leaf : tree(at).leaves()) {
      const Block& block =
          groupAt(at.first).blocks[static_cast<std::size_t>(tree(at).node(leaf).block)];
      for (const Member& member : block.lies.front().members)
        if (member.part == part) return leaf;
    }
    return std::nullopt;
  }

  Result<Plan> close() {
    std::vector<GroupBound> bounds(grouped_.groups.size());
    for (std::size_t g = 0; g < arrangements_.size(); ++g) complete(groupAt(g), arrangements_[g]);
    Plan out = *toPlan(request_, grouped_, arrangements_, bounds);
    out.bound = plan_.bound;
    out.seconds = plan_.seconds;
    return out;
  }

 private:
  const NestRequest& request_;
  const Plan& plan_;
  Grouped grouped_;
  std::vector<Arrangement> arrangements_;
  std::vector<std::vector<std::size_t>> sheets_;  // of the plan, per arrangement's sheet
};

// Puts a block where a leaf was taken out, or else anywhere on the sheet.
bool place(const Group& group, SlackTree& tree, int block) {
  std::vector<SlackTree> one = {tree};
  Random random(1);
  Found found;
  if (!findSpot(group, one, block, Rule::BestShortSide, random, 0, found)) return false;
  const Lie& lie =
      group.blocks[static_cast<std::size_t>(block)].lies[static_cast<std::size_t>(found.lie)];
  tree.insert(found.spot, block, found.lie, lie.w, lie.h);
  return true;
}

// Why a block does not go on the tree as it is: what the best spot lacks.
std::string lacking(const NestRequest& request, const Group& group, const SlackTree& tree,
                    int block) {
  const Block& what = group.blocks[static_cast<std::size_t>(block)];
  if (!what.mayLieOn(tree.stock()))
    return "it is pinned to another sheet or has to come from one lot";
  const SheetGrain grain = group.stock[tree.stock()].grain;
  bool any = false;
  Nm bestW = 0;
  Nm bestH = 0;
  for (const Lie& lie : what.lies) {
    if (!lie.allowedOn(grain)) continue;
    for (const Spot& spot : tree.spots()) {
      const Nm w = std::max<Nm>(0, lie.w - spot.w);
      const Nm h = std::max<Nm>(0, lie.h - spot.h);
      if (any && w + h >= bestW + bestH) continue;
      bestW = w;
      bestH = h;
      any = true;
    }
  }
  if (!any) return "no room is left there";
  if (bestW > 0 && bestH > 0)
    return fmt::format("the best room there is {} too short and {} too narrow",
                       said(request, Length::nm(bestW)), said(request, Length::nm(bestH)));
  return fmt::format("the best room there is {} too {}",
                     said(request, Length::nm(bestW > 0 ? bestW : bestH)),
                     bestW > 0 ? "short" : "narrow");
}

}  // namespace

Result<Plan> moved(const NestRequest& request, const Plan& plan, PlacementRef from,
                   std::size_t toSheet) {
  Opened opened(request, plan);
  const auto source = opened.find(from.sheet);
  const auto target = opened.find(toSheet);
  if (!source || !target) return no("a sheet with pinned places is changed by moving the pins");
  const std::string name = opened.part(from).code;
  if (source->first != target->first)
    return no(fmt::format("{} is of another material or thickness than {}",
                          sheetName(request, plan, toSheet), name));
  if (from.sheet == toSheet)
    return no(fmt::format("{} lies on {} already", name, sheetName(request, plan, toSheet)));
  const auto leaf = opened.leafOf(from, *source);
  if (!leaf)
    return no(fmt::format("{} is not on {} any more", name, sheetName(request, plan, from.sheet)));
  const int block = opened.tree(*source).node(*leaf).block;
  const Group& group = opened.groupAt(source->first);
  opened.tree(*source).remove(*leaf);
  if (!place(group, opened.tree(*target), block))
    return no(fmt::format("{} does not go on {}: {}", name, sheetName(request, plan, toSheet),
                          lacking(request, group, opened.tree(*target), block)));
  return opened.close();
}

Result<Plan> swapped(const NestRequest& request, const Plan& plan, PlacementRef a, PlacementRef b) {
  Opened opened(request, plan);
  const auto at = opened.find(a.sheet);
  const auto bt = opened.find(b.sheet);
  if (!at || !bt) return no("a sheet with pinned places is changed by moving the pins");
  const std::string nameA = opened.part(a).code;
  const std::string nameB = opened.part(b).code;
  if (at->first != bt->first)
    return no(fmt::format("{} and {} are of different material or thickness", nameA, nameB));
  if (a.sheet == b.sheet) return no(fmt::format("{} and {} lie on the same sheet", nameA, nameB));
  const auto leafA = opened.leafOf(a, *at);
  const auto leafB = opened.leafOf(b, *bt);
  if (!leafA || !leafB) return no("one of them is not there any more");
  const int blockA = opened.tree(*at).node(*leafA).block;
  const int blockB = opened.tree(*bt).node(*leafB).block;
  if (blockA == blockB) return no(fmt::format("{} and {} are equal", nameA, nameB));
  const Group& group = opened.groupAt(at->first);
  opened.tree(*at).remove(*leafA);
  opened.tree(*bt).remove(*leafB);
  if (!place(group, opened.tree(*bt), blockA))
    return no(fmt::format("{} does not go on {}: {}", nameA, sheetName(request, plan, b.sheet),
                          lacking(request, group, opened.tree(*bt), blockA)));
  if (!place(group, opened.tree(*at), blockB))
    return no(fmt::format("{} does not go on {}: {}", nameB, sheetName(request, plan, a.sheet),
                          lacking(request, group, opened.tree(*at), blockB)));
  return opened.close();
}

}  // namespace pp::nest
