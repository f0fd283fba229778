#include "core/nest/to_plan.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <stdexcept>

#include "core/saw/playback.h"
#include "core/saw/sequence.h"

namespace pp::nest {
namespace {

class Converter {
 public:
  Converter(const NestRequest& request, const Group& group, Plan& plan)
      : request_(request), group_(group), plan_(plan), copies_(group.blocks.size()) {}

  void sheet(const SlackTree& tree) {
    if (tree.empty()) return;
    PlannedSheet out;
    out.stock = group_.stock[tree.stock()].stock;
    const Nm trim = request_.stock[out.stock].trim.inNm();
    out.tree = convert(tree, tree.root(), trim, trim, out);
    plan_.sheets.push_back(std::move(out));
  }

 private:
  CutTree convert(const SlackTree& tree, int i, Nm x, Nm y, PlannedSheet& sheet) {
    const Node& node = tree.node(i);
    if (node.kind == NodeKind::Leaf) return block(node, x, y, sheet);
    const bool row = node.kind == NodeKind::Row;
    CutTree out;
    out.kind = row ? CutTree::Kind::Row : CutTree::Kind::Column;
    out.dx = Length::nm(node.w) - request_.kerf;
    out.dy = Length::nm(node.h) - request_.kerf;
    for (int child = node.first; child >= 0; child = tree.node(child).next) {
      out.children.push_back(convert(tree, child, x, y, sheet));
      (row ? x : y) += row ? tree.node(child).w : tree.node(child).h;
    }
    return out;
  }

  CutTree block(const Node& node, Nm x, Nm y, PlannedSheet& sheet) {
    const auto index = static_cast<std::size_t>(node.block);
    const Lie& lie = group_.blocks[index].lies[static_cast<std::size_t>(node.lie)];
    const std::int64_t copy = ++copies_[index];
    CutTree out;
    out.kind = lie.alongX ? CutTree::Kind::Row : CutTree::Kind::Column;
    out.dx = Length::nm(lie.w) - request_.kerf;
    out.dy = Length::nm(lie.h) - request_.kerf;
    for (const Member& member : lie.members) {
      CutTree leaf;
      leaf.dx = Length::nm(member.dx);
      leaf.dy = Length::nm(member.dy);
      leaf.placement = sheet.placements.size();
      sheet.placements.push_back({member.part, copy, Length::nm(x + member.x),
                                  Length::nm(y + member.y), leaf.dx, leaf.dy, member.turned});
      out.children.push_back(leaf);
    }
    return out.children.size() == 1 ? out.children.front() : out;
  }

  const NestRequest& request_;
  const Group& group_;
  Plan& plan_;
  std::vector<std::int64_t> copies_;
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
                     formatMm(request.parts[part].thickness))});
}

void addTotals(const NestRequest& request, Plan& plan) {
  for (const PlannedSheet& sheet : plan.sheets) {
    const StockSupply& stock = request.stock[sheet.stock];
    plan.cost += stock.price;
    plan.sheetArea += stock.length * stock.width;
    for (const Placement& placement : sheet.placements)
      plan.partArea += placement.dx * placement.dy;
    for (const Leftover& leftover : sheet.leftovers) plan.leftoverArea += leftover.dx * leftover.dy;
  }
}

}  // namespace

Plan toPlan(const NestRequest& request, const Grouped& grouped,
            const std::vector<Arrangement>& arrangements, const std::vector<GroupBound>& bounds,
            const saw::Shop& shop) {
  Plan plan;
  plan.unplaced = grouped.impossible;
  plan.bound.method = "area and kerf";
  for (std::size_t g = 0; g < grouped.groups.size(); ++g) {
    Converter converter(request, grouped.groups[g], plan);
    for (const SlackTree& tree : arrangements[g].sheets) converter.sheet(tree);
    addPool(request, grouped.groups[g], arrangements[g].pool, plan);
    plan.bound.cost += priceOf(bounds[g].cost);
    plan.bound.sheets += bounds[g].sheets;
  }
  std::stable_sort(plan.unplaced.begin(), plan.unplaced.end(),
                   [](const Unplaced& a, const Unplaced& b) { return a.part < b.part; });
  saw::sequence(request, shop, plan);
  addTotals(request, plan);
  if (const Problems wrong = saw::verify(request, plan); !wrong.empty())
    throw std::logic_error("a plan failed its playback: " + describe(wrong, 1000));
  return plan;
}

}  // namespace pp::nest
