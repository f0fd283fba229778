#include "core/nest/sheet/arrangement.h"

#include <algorithm>
#include <iterator>
#include <limits>
#include <numeric>

namespace pp::nest {
namespace {

// Smaller is better. Sizes in metres keep the doubles small and equal on every machine.
// How many of a block's sides go with what lies beside the spot.
int matches(const SlackTree& tree, const Spot& spot, const Lie& lie) {
  if (spot.how == Spot::How::Empty) return 0;
  const Node& node = tree.node(spot.node);
  const bool joinsRow =
      spot.how == Spot::How::WrapRow || (spot.how == Spot::How::Join && node.kind == NodeKind::Row);
  int out = (joinsRow ? lie.h == node.h : lie.w == node.w) ? 2 : 0;
  if (lie.w == spot.w || lie.h == spot.h) ++out;
  if (node.kind == NodeKind::Leaf) return out + (joinsRow ? lie.w == node.w : lie.h == node.h);
  if (spot.how != Spot::How::Join) return out;
  for (int i = node.first; i >= 0; i = tree.node(i).next)
    if (joinsRow ? tree.node(i).w == lie.w : tree.node(i).h == lie.h) return out + 1;
  return out;
}

double score(Rule rule, const SlackTree& tree, const Spot& spot, const Lie& lie) {
  const double freeW = static_cast<double>(spot.w - lie.w);
  const double freeH = static_cast<double>(spot.h - lie.h);
  switch (rule) {
    case Rule::BestArea:
      return static_cast<double>(spot.w) * static_cast<double>(spot.h) -
             static_cast<double>(lie.w) * static_cast<double>(lie.h);
    case Rule::BestShortSide:
      return std::min(freeW, freeH);
    case Rule::BestLongSide:
      return std::max(freeW, freeH);
    case Rule::First:
      return 0;
    case Rule::Match:
      return std::min(freeW, freeH) - 1e10 * matches(tree, spot, lie);
  }
  return 0;
}

}  // namespace

Cost Arrangement::cost(const Group& group) const {
  Cost out = 0;
  for (const SlackTree& sheet : sheets)
    if (!sheet.empty()) out += group.stock[sheet.stock()].cost;
  return out;
}

std::vector<std::int64_t> Arrangement::used(const Group& group) const {
  std::vector<std::int64_t> out(group.stock.size());
  for (const SlackTree& sheet : sheets) ++out[sheet.stock()];
  return out;
}

bool findSpot(const Group& group, const std::vector<SlackTree>& sheets, int block, Rule rule,
              Random& random, unsigned blink, Found& found) {
  const Block& what = group.blocks[static_cast<std::size_t>(block)];
  const std::vector<Lie>& lies = what.lies;
  double best = std::numeric_limits<double>::infinity();
  for (std::size_t s = 0; s < sheets.size(); ++s) {
    const SlackTree& sheet = sheets[s];
    if (!what.mayLieOn(sheet.stock())) continue;
    const SheetGrain grain = group.stock[sheet.stock()].grain;
    for (std::size_t l = 0; l < lies.size(); ++l) {
      const Lie& lie = lies[l];
      if (!sheet.mayTake(lie.w, lie.h) || !lie.allowedOn(grain)) continue;
      for (const Spot& spot : sheet.spots()) {
        if (lie.w > spot.w || lie.h > spot.h) continue;
        const double value = score(rule, sheet, spot, lie);
        if (value >= best) continue;
        if (blink > 0 && (random.next() & 63U) < blink) continue;
        best = value;
        found = {s, spot, static_cast<int>(l)};
        if (rule == Rule::First) return true;
      }
    }
  }
  return best < std::numeric_limits<double>::infinity();
}

void put(const Group& group, std::vector<SlackTree>& sheets, int block, const Found& found) {
  const Lie& lie =
      group.blocks[static_cast<std::size_t>(block)].lies[static_cast<std::size_t>(found.lie)];
  sheets[found.sheet].insert(found.spot, block, found.lie, lie.w, lie.h);
}

SlackTree emptySheet(const Group& group, std::size_t row) {
  return {row, group.stock[row].w, group.stock[row].h, group.leastSide,
          group.stock[row].partings.get()};
}

double filledArea(const Group& group, const SlackTree& sheet) {
  double out = 0;
  for (const int leaf : sheet.leaves())
    out += group.blocks[static_cast<std::size_t>(sheet.node(leaf).block)].area;
  return out;
}

namespace {

enum class Order { Area, LongSide, ShortSide };
enum class Opening { Cheapest, Smallest, Largest };

double orderKey(const Block& block, Order order) {
  const Lie& lie = block.lies.front();
  const auto w = static_cast<double>(lie.w);
  const auto h = static_cast<double>(lie.h);
  switch (order) {
    case Order::Area:
      return w * h;
    case Order::LongSide:
      return std::max(w, h);
    case Order::ShortSide:
      return std::min(w, h);
  }
  return 0;
}

// The stock row a new sheet is taken from, or none when no row left takes the block.
std::optional<std::size_t> newSheet(const Group& group, const std::vector<std::int64_t>& used,
                                    const Block& block, Opening opening) {
  std::optional<std::size_t> best;
  double bestValue = 0;
  for (std::size_t i = 0; i < group.stock.size(); ++i) {
    const StockKindRow& row = group.stock[i];
    if (used[i] >= row.available || !block.mayLieOn(i)) continue;
    const bool fits = std::any_of(block.lies.begin(), block.lies.end(),
                                  [&row](const Lie& lie) { return row.takes(lie); });
    const double value = opening == Opening::Cheapest   ? static_cast<double>(row.cost) / row.area
                         : opening == Opening::Smallest ? row.area
                                                        : -row.area;
    if (fits && (!best || value < bestValue)) {
      best = i;
      bestValue = value;
    }
  }
  return best;
}

std::vector<int> inOrder(const Group& group, Order order) {
  std::vector<int> out(group.blocks.size());
  std::iota(out.begin(), out.end(), 0);
  std::stable_sort(out.begin(), out.end(), [&](int a, int b) {
    return orderKey(group.blocks[static_cast<std::size_t>(a)], order) >
           orderKey(group.blocks[static_cast<std::size_t>(b)], order);
  });
  return out;
}

// Puts copies on sheets one after the other, and what no sheet is left for into the pool.
class SheetFiller {
 public:
  SheetFiller(const Group& group, Opening opening, Arrangement& out,
              const std::function<bool()>& isStopped)
      : group_(group),
        opening_(opening),
        isStopped_(isStopped),
        used_(out.used(group)),
        pool_(out.pool),
        poolArea_(out.poolArea) {
    for (std::size_t i = 0; i < used_.size(); ++i)
      if (group.stock[i].alwaysThere() && used_[i] == 0) {
        out.sheets.push_back(emptySheet(group, i));
        ++used_[i];
      }
  }

  void add(std::vector<SlackTree>& sheets, int block, std::int64_t copies) {
    const Block& what = group_.blocks[static_cast<std::size_t>(block)];
    for (; copies > 0; --copies) {
      if (isStopped_ && isStopped_()) return drop(block, copies);
      Found found;
      if (!findSpot(group_, sheets, block, Rule::BestShortSide, random_, 0, found)) {
        const auto row = newSheet(group_, used_, what, opening_);
        if (!row) {
          drop(block, 1);
          continue;
        }
        ++used_[*row];
        sheets.push_back(emptySheet(group_, *row));
        const std::vector<SlackTree> fresh = {sheets.back()};
        findSpot(group_, fresh, block, Rule::First, random_, 0, found);
        found.sheet = sheets.size() - 1;
      }
      put(group_, sheets, block, found);
    }
  }

 private:
  void drop(int block, std::int64_t copies) {
    pool_.insert(pool_.end(), static_cast<std::size_t>(copies), block);
    poolArea_ += static_cast<double>(copies) * group_.blocks[static_cast<std::size_t>(block)].area;
  }

  const Group& group_;
  Opening opening_;
  const std::function<bool()>& isStopped_;
  std::vector<std::int64_t> used_;
  std::vector<int>& pool_;
  double& poolArea_;
  Random random_{1};
};

void completeOnce(const Group& group, Order order, Opening opening, Arrangement& out,
                  const std::function<bool()>& isStopped = {}) {
  std::vector<std::int64_t> left;
  for (const Block& block : group.blocks) left.push_back(block.copies);
  for (const SlackTree& sheet : out.sheets)
    for (const int leaf : sheet.leaves()) --left[static_cast<std::size_t>(sheet.node(leaf).block)];
  SheetFiller filler(group, opening, out, isStopped);
  for (const int block : inOrder(group, order))
    filler.add(out.sheets, block, left[static_cast<std::size_t>(block)]);
}

constexpr std::int64_t kHandful = 1'500;  // copies; their sheets are looked through for each

// So many copies are dealt into hands of a mix of sizes, and each hand gets sheets of its own.
Arrangement inHands(const Group& group, std::int64_t copies,
                    const std::function<bool()>& isStopped) {
  Arrangement out;
  SheetFiller filler(group, Opening::Cheapest, out, isStopped);
  const auto hands = static_cast<std::size_t>((copies + kHandful - 1) / kHandful);
  std::vector<std::vector<std::pair<int, std::int64_t>>> dealt(hands);
  // A block in one hand where it can be, so that equal parts stay together; whoever has least is
  // dealt the next.
  std::vector<std::pair<std::int64_t, std::size_t>> load;
  for (std::size_t h = 0; h < hands; ++h) load.emplace_back(0, h);
  const auto least = [](const auto& a, const auto& b) { return a > b; };
  for (const int block : inOrder(group, Order::Area)) {
    std::int64_t left = group.blocks[static_cast<std::size_t>(block)].copies;
    while (left > 0) {
      std::pop_heap(load.begin(), load.end(), least);
      const std::int64_t some = std::min(left, kHandful);
      dealt[load.back().second].emplace_back(block, some);
      load.back().first += some;
      left -= some;
      std::push_heap(load.begin(), load.end(), least);
    }
  }
  std::vector<SlackTree> sheets = std::move(out.sheets);  // those that are there in any case
  for (const auto& hand : dealt) {
    for (const auto& [block, some] : hand) filler.add(sheets, block, some);
    out.sheets.insert(out.sheets.end(), std::make_move_iterator(sheets.begin()),
                      std::make_move_iterator(sheets.end()));
    sheets.clear();
  }
  return out;
}

}  // namespace

void complete(const Group& group, Arrangement& arrangement) {
  arrangement.pool.clear();
  arrangement.poolArea = 0;
  completeOnce(group, Order::Area, Opening::Cheapest, arrangement);
}

Arrangement construct(const Group& group, const std::function<bool()>& isStopped) {
  std::int64_t copies = 0;
  for (const Block& block : group.blocks) copies += block.copies;
  if (copies > 4 * kHandful) return inHands(group, copies, isStopped);
  constexpr std::int64_t kManyCopies = 600;  // beyond this one pass is what the first blink allows
  Arrangement best;
  bool first = true;
  for (const Order order : {Order::Area, Order::LongSide, Order::ShortSide})
    for (const Opening opening : {Opening::Cheapest, Opening::Smallest, Opening::Largest}) {
      if (!first &&
          (copies > kManyCopies || (group.stock.size() == 1 && opening != Opening::Cheapest)))
        continue;
      Arrangement one;
      completeOnce(group, order, opening, one, isStopped);
      if (first || one.poolArea < best.poolArea ||
          (one.poolArea == best.poolArea && one.cost(group) < best.cost(group)))
        best = std::move(one);
      first = false;
    }
  return best;
}

}  // namespace pp::nest
