#include "core/nest/search/to_plan.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <stdexcept>

#include "core/saw/edges.h"
#include "core/saw/playback.h"
#include "core/saw/sequence.h"

namespace pp::nest {
namespace {

class Converter {
 public:
  Converter(const NestRequest& request, const Group& group, std::vector<std::int64_t>& copies,
            Plan& plan)
      : request_(request), group_(group), copies_(copies), plan_(plan) {}

  void run(const Arrangement& arrangement, const std::stop_token& stop) {
    for (const PinnedSheet& pinned : group_.pinned) {
      PlannedSheet out;
      out.stock = pinned.stock;
      out.tree = skeleton(pinned.skeleton, arrangement, out);
      plan_.sheets.push_back(std::move(out));
    }
    for (const SlackTree& tree : arrangement.sheets) {
      if (stop.stop_requested()) return;
      if (tree.empty() || group_.stock[tree.stock()].region) continue;
      plan_.sheets.push_back(sheet(tree));
    }
  }

  PlannedSheet sheet(const SlackTree& tree) {
    PlannedSheet out;
    out.stock = group_.stock[tree.stock()].stock;
    out.tree = filled(tree, out);
    return out;
  }

 private:
  Length size(Nm inflated) const { return Length::nm(inflated) - request_.kerf; }

  // The tree with every leftover worth keeping cut out of it as if it were a part, largest first.
  CutTree filled(SlackTree tree, PlannedSheet& sheet) {
    // A leftover is at least something, even where any is worth keeping.
    const auto worth = [this](Length keep) {
      return std::max<Nm>(keep.inNm(), 1) + request_.kerf.inNm();
    };
    const Keep keep = keepOf(request_, request_.stock[sheet.stock]);
    while (const Spot* spot = tree.largestSpot(worth(keep.along), worth(keep.across))) {
      const Spot at = *spot;
      tree.insert(at, kLeftover, 0, at.w, at.h);
    }
    return tree.parting() == nullptr ? convert(tree, tree.root(), sheet)
                                     : parted(tree.parting()->skeleton, tree, sheet);
  }

  // A sheet that is cut apart around what must stay free.
  CutTree parted(const Skeleton& node, const SlackTree& tree, PlannedSheet& sheet) {
    CutTree out = fixedNode(node);
    if (node.kind == Skeleton::Kind::Region) {
      const int root = tree.rootOf(node.row);
      if (root >= 0) {
        out.kind = CutTree::Kind::Row;
        out.children.push_back(convert(tree, root, sheet));
      }
      return out;
    }
    for (const Skeleton& child : node.children) out.children.push_back(parted(child, tree, sheet));
    return out;
  }

  CutTree fixedNode(const Skeleton& node) const {
    CutTree out;
    out.dx = size(node.w);
    out.dy = size(node.h);
    out.fixed = true;
    out.anchored = node.kind == Skeleton::Kind::Row || node.kind == Skeleton::Kind::Column;
    out.kind = node.kind == Skeleton::Kind::Row      ? CutTree::Kind::Row
               : node.kind == Skeleton::Kind::Column ? CutTree::Kind::Column
                                                     : CutTree::Kind::Waste;
    return out;
  }

  CutTree convert(const SlackTree& tree, int i, PlannedSheet& sheet) {
    const Node& node = tree.node(i);
    CutTree out;
    out.dx = size(node.w);
    out.dy = size(node.h);
    if (node.kind == NodeKind::Leaf) {
      if (node.block != kLeftover) return block(node, sheet);
      out.kind = CutTree::Kind::Leftover;
      return out;
    }
    out.kind = node.kind == NodeKind::Row ? CutTree::Kind::Row : CutTree::Kind::Column;
    for (int child = node.first; child >= 0; child = tree.node(child).next)
      out.children.push_back(convert(tree, child, sheet));
    return out;
  }

  CutTree part(std::size_t part, bool turned, Length dx, Length dy, PlannedSheet& sheet) {
    CutTree out;
    out.dx = dx;
    out.dy = dy;
    out.placement = sheet.placements.size();
    sheet.placements.push_back({part, ++copies_[part], {}, {}, dx, dy, turned});
    return out;
  }

  CutTree block(const Node& node, PlannedSheet& sheet) {
    const Lie& lie = group_.blocks[static_cast<std::size_t>(node.block)]
                         .lies[static_cast<std::size_t>(node.lie)];
    CutTree out;
    out.kind = lie.alongX ? CutTree::Kind::Row : CutTree::Kind::Column;
    const bool rough = request_.shop.partsRoughly();
    const Length around = rough ? 2 * request_.shop.allowance : Length{};
    out.dx = size(lie.w) - around;
    out.dy = size(lie.h) - around;
    out.fixed = true;
    out.mitred = request_.parts[lie.members.front().part].mitred;
    for (const Member& member : lie.members)
      out.children.push_back(
          part(member.part, member.turned, Length::nm(member.dx), Length::nm(member.dy), sheet));
    if (out.children.size() == 1) out = CutTree(out.children.front());
    if (!rough) return out;
    CutTree cell;
    cell.kind = CutTree::Kind::Cell;
    cell.dx = out.dx + around;
    cell.dy = out.dy + around;
    cell.children.push_back(std::move(out));
    return cell;
  }

  CutTree skeleton(const Skeleton& node, const Arrangement& arrangement, PlannedSheet& sheet) {
    CutTree out = fixedNode(node);
    if (node.kind == Skeleton::Kind::Part)
      return part(node.part, node.turned, out.dx, out.dy, sheet);
    if (node.kind == Skeleton::Kind::Region) {
      const auto on = std::find_if(
          arrangement.sheets.begin(), arrangement.sheets.end(),
          [&node](const SlackTree& tree) { return tree.stock() == node.row && !tree.empty(); });
      if (on != arrangement.sheets.end()) {
        out.kind = CutTree::Kind::Row;
        out.children.push_back(filled(*on, sheet));
      } else if (isWorthKeeping(request_, request_.stock[sheet.stock], out.dx, out.dy)) {
        out.kind = CutTree::Kind::Leftover;
      }
      return out;
    }
    for (const Skeleton& child : node.children)
      out.children.push_back(skeleton(child, arrangement, sheet));
    return out;
  }

  static constexpr int kLeftover = -1;  // in place of a block

  const NestRequest& request_;
  const Group& group_;
  std::vector<std::int64_t>& copies_;  // placed so far, per part
  Plan& plan_;
};

void addPool(const NestRequest& request, const Group& group, const std::vector<int>& pool,
             Plan& plan) {
  std::map<std::size_t, std::int64_t> missing;
  for (const int block : pool)
    for (const Member& member : group.blocks[static_cast<std::size_t>(block)].lies.front().members)
      ++missing[member.part];
  for (const auto& [part, count] : missing)
    plan.unplaced.push_back(
        {part, count,
         fmt::format("no room on the {} {} there is", request.parts[part].material,
                     said(request, request.parts[part].thickness))});
}

void addTotals(const NestRequest& request, Plan& plan) {
  for (const PlannedSheet& sheet : plan.sheets) {
    const StockSupply& stock = request.stock[sheet.stock];
    plan.cost += stock.price;
    plan.sheetArea += stock.length * stock.width;
    for (const Placement& placement : sheet.placements)
      plan.partArea += placement.dx * placement.dy;
  }
}

}  // namespace

Bound boundOf(const std::vector<GroupBound>& bounds) {
  Bound out;
  out.method = "area";
  for (const GroupBound& bound : bounds) {
    out.cost += priceOf(bound.cost);
    out.sheets += bound.sheets;
    if (bound.method != std::string("area") && out.method != "column generation")
      out.method = bound.method;
  }
  return out;
}

PlannedSheet plannedSheet(const NestRequest& request, const Group& group, const SlackTree& tree) {
  std::vector<std::int64_t> copies(request.parts.size());
  Plan none;
  return Converter(request, group, copies, none).sheet(tree);
}

std::optional<Plan> toPlan(const NestRequest& request, const Grouped& grouped,
                           const std::vector<Arrangement>& arrangements,
                           const std::vector<GroupBound>& bounds, const std::stop_token& stop) {
  Plan plan;
  plan.unplaced = grouped.impossible;
  plan.bars = grouped.bars;
  plan.bound = boundOf(bounds);
  for (const Group& group : grouped.groups) {
    plan.bound.cost += priceOf(group.pinnedCost);
    plan.bound.sheets += static_cast<std::int64_t>(group.pinned.size());
  }
  std::vector<std::int64_t> copies(request.parts.size());
  for (std::size_t g = 0; g < grouped.groups.size(); ++g) {
    Converter(request, grouped.groups[g], copies, plan).run(arrangements[g], stop);
    addPool(request, grouped.groups[g], arrangements[g].pool, plan);
  }
  std::stable_sort(plan.unplaced.begin(), plan.unplaced.end(),
                   [](const Unplaced& a, const Unplaced& b) { return a.part < b.part; });
  saw::sequence(request, plan, stop);
  addTotals(request, plan);
  Problems wrong = stop.stop_requested() ? Problems{} : saw::verify(request, plan, stop);
  if (wrong.empty() && !stop.stop_requested()) wrong = saw::verifyEdges(request, plan);
  if (stop.stop_requested()) return std::nullopt;
  if (!wrong.empty())
    throw std::logic_error("a plan failed its playback: " + describe(wrong, 1000));
  return plan;
}

}  // namespace pp::nest
