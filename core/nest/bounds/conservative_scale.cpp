#include "core/nest/bounds/conservative_scale.h"

#include <algorithm>
#include <limits>
#include <numeric>

namespace pp::nest {
namespace {

int floorOf(Nm length, int cells, Nm side) {
  return static_cast<int>(static_cast<Int128>(length) * cells / side);
}

// The shortest row of lengths for every sum of sizes; decides whether a scale is conservative.
class Rows {
 public:
  Rows(const std::vector<ScaleLength>& lengths, Nm side) : lengths_(lengths), side_(side) {}

  // The largest sum of sizes that some row within the side has, or more than `capacity` as soon as
  // one has more.
  int largest(const std::vector<int>& sizes, int capacity) {
    // A row above the capacity has part of it at most one size above, so longer ones need no look.
    const auto reach = static_cast<std::size_t>(
        capacity + (sizes.empty() ? 0 : *std::max_element(sizes.begin(), sizes.end())));
    shortest_.assign(reach + 1, kNever);
    shortest_[0] = 0;
    for (std::size_t i = 0; i < lengths_.size(); ++i) add(lengths_[i], sizes[i], reach);
    for (std::size_t sum = reach; sum > 0; --sum)
      if (shortest_[sum] <= side_) return static_cast<int>(sum);
    return 0;
  }

 private:
  static constexpr Nm kNever = std::numeric_limits<Nm>::max() / 4;

  // Copies in lots of 1, 2, 4 ... make every number of them.
  void add(const ScaleLength& one, int size, std::size_t reach) {
    if (size == 0) return;
    std::int64_t left = std::min<std::int64_t>(one.copies, side_ / one.length);
    for (std::int64_t lot = 1; left > 0; lot *= 2) {
      const std::int64_t n = std::min(lot, left);
      left -= n;
      const auto by = static_cast<std::size_t>(n * size);
      const Nm length = n * one.length;
      for (std::size_t sum = reach; sum >= by; --sum)
        shortest_[sum] = std::min(shortest_[sum], shortest_[sum - by] + length);
    }
  }

  const std::vector<ScaleLength>& lengths_;
  Nm side_;
  std::vector<Nm> shortest_;
};

double kept(const std::vector<ScaleLength>& lengths, const ConservativeScale& scale) {
  double out = 0;
  for (std::size_t i = 0; i < lengths.size(); ++i)
    out += lengths[i].weight * scale.sizes[i] / scale.capacity;
  return out;
}

// Lowers the capacity to what rows reach, then raises the sizes, the weightiest first, as long as
// no row passes it.
void raise(const std::vector<ScaleLength>& lengths, Nm side, const std::stop_token& stop,
           ConservativeScale& scale) {
  Rows rows(lengths, side);
  scale.capacity = std::max(1, rows.largest(scale.sizes, scale.capacity));
  std::vector<std::size_t> order(lengths.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
    return lengths[a].weight * static_cast<double>(lengths[b].length) >
           lengths[b].weight * static_cast<double>(lengths[a].length);
  });
  for (std::vector<std::size_t> next; !order.empty(); order = std::move(next)) {
    next.clear();
    for (const std::size_t i : order) {
      if (stop.stop_requested()) return;
      ++scale.sizes[i];
      if (rows.largest(scale.sizes, scale.capacity) <= scale.capacity)
        next.push_back(i);
      else
        --scale.sizes[i];
    }
  }
}

}  // namespace

ConservativeScale conservativeScale(const std::vector<ScaleLength>& lengths, Nm side, int cells,
                                    const std::stop_token& stop) {
  Nm unit = side;
  for (const ScaleLength& one : lengths) unit = std::gcd(unit, one.length);
  std::vector<ConservativeScale> grids;
  const auto grid = [&](int count) {
    ConservativeScale out;
    out.capacity = count;
    for (const ScaleLength& one : lengths) out.sizes.push_back(floorOf(one.length, count, side));
    return out;
  };
  if (side / unit <= cells) {
    grids.push_back(grid(static_cast<int>(side / unit)));
    grids.back().exact = true;
  } else {
    for (int count = std::max(2, cells * 2 / 3); count <= cells; ++count) {
      grids.push_back(grid(count));
      ConservativeScale& one = grids.back();
      // Where no length is a whole number of cells, a full row needs one cell less than there are.
      const bool whole = std::any_of(lengths.begin(), lengths.end(), [&](const ScaleLength& l) {
        return static_cast<Int128>(l.length) * count % side == 0;
      });
      if (!whole) --one.capacity;
    }
    constexpr std::size_t kRaised = 4;
    std::stable_sort(grids.begin(), grids.end(), [&](const auto& a, const auto& b) {
      return kept(lengths, a) > kept(lengths, b);
    });
    if (grids.size() > kRaised) grids.resize(kRaised);
  }
  for (ConservativeScale& one : grids) raise(lengths, side, stop, one);
  return *std::max_element(grids.begin(), grids.end(), [&](const auto& a, const auto& b) {
    return kept(lengths, a) < kept(lengths, b);
  });
}

}  // namespace pp::nest
