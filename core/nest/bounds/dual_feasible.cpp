#include "core/nest/bounds/dual_feasible.h"

#include <algorithm>
#include <set>

namespace pp::nest {
namespace {

// f(side) = kUnit; kUnit * kUnit = kFullWeight.
constexpr std::int64_t kUnit = std::int64_t{1} << 20;

struct Function {
  enum class Kind { Staircase, Threshold, Steps } kind = Kind::Staircase;
  std::int64_t k = 0;  // Staircase: k = 0 is the identity
  Nm epsilon = 0;      // Threshold and Steps: <= side / 2

  // Rounded down, which keeps it dual feasible.
  std::int64_t of(Nm x, Nm side) const {
    const auto share = [&](Nm part, Nm whole) {
      return static_cast<std::int64_t>(static_cast<Int128>(part) * kUnit / whole);
    };
    switch (kind) {
      case Kind::Staircase: {
        if (k == 0) return share(x, side);
        const Int128 scaled = static_cast<Int128>(x) * (k + 1);
        if (scaled % side == 0) return share(x, side);
        return static_cast<std::int64_t>(scaled / side) * kUnit / k;
      }
      case Kind::Threshold:
        if (x > side - epsilon) return kUnit;
        return x < epsilon ? 0 : share(x, side);
      case Kind::Steps: {
        const Nm steps = side / epsilon;
        if (x < epsilon) return 0;
        if (2 * x <= side) return kUnit / steps;
        return kUnit - ((side - x) / epsilon) * ((kUnit + steps - 1) / steps);
      }
    }
    return 0;
  }
};

std::vector<Function> functionsFor(const std::set<Nm>& lengths, Nm side) {
  std::vector<Function> out = {{Function::Kind::Staircase, 0, 0}};
  constexpr std::int64_t kMostStairs = 5;
  for (std::int64_t k = 1; k <= kMostStairs; ++k) out.push_back({Function::Kind::Staircase, k, 0});
  std::vector<Nm> epsilons;
  for (const Nm length : lengths) {
    if (2 * length <= side) epsilons.push_back(length);
    if (2 * length > side && length < side) epsilons.push_back(side - length + 1);
  }
  epsilons.push_back(side / 2);
  std::sort(epsilons.begin(), epsilons.end());
  constexpr std::size_t kMostEpsilons = 14;
  const std::size_t every = std::max<std::size_t>(1, epsilons.size() / kMostEpsilons);
  for (std::size_t i = 0; i < epsilons.size(); i += every) {
    if (epsilons[i] <= 0 || 2 * epsilons[i] > side) continue;
    out.push_back({Function::Kind::Threshold, 0, epsilons[i]});
    out.push_back({Function::Kind::Steps, 0, epsilons[i]});
  }
  return out;
}

}  // namespace

std::vector<std::vector<std::int64_t>> dualFeasibleWeights(const std::vector<BoundItem>& items,
                                                           const StockKindRow& sheet,
                                                           std::size_t most,
                                                           const std::stop_token& stop) {
  struct Size {
    std::size_t item;
    Nm w, h;
  };
  std::vector<Size> sizes;
  std::set<Nm> alongX;
  std::set<Nm> alongY;
  for (std::size_t i = 0; i < items.size(); ++i)
    for (const Lie& lie : items[i].lies) {
      if (!lie.allowedOn(sheet.grain) || lie.w > sheet.w || lie.h > sheet.h) continue;
      sizes.push_back({i, lie.w, lie.h});
      alongX.insert(lie.w);
      alongY.insert(lie.h);
    }
  const std::vector<Function> fx = functionsFor(alongX, sheet.w);
  const std::vector<Function> fy = functionsFor(alongY, sheet.h);
  // On a square sheet whose items may all lie either way a pattern and its mirror image are both
  // patterns, so the mean of f(w)g(h) and f(h)g(w) may be taken instead of the lesser.
  const bool mirror = sheet.w == sheet.h && sheet.grain == SheetGrain::None;
  std::vector<std::pair<double, std::vector<std::int64_t>>> found;
  for (const Function& f : fx) {
    if (stop.stop_requested()) return {};
    for (const Function& g : fy) {
      std::vector<std::int64_t> weights(items.size(), kFullWeight);
      std::vector<char> seen(items.size());
      for (const Size& size : sizes) {
        std::int64_t value = f.of(size.w, sheet.w) * g.of(size.h, sheet.h);
        if (mirror) value = (value + f.of(size.h, sheet.w) * g.of(size.w, sheet.h)) / 2;
        weights[size.item] = std::min(weights[size.item], value);
        seen[size.item] = 1;
      }
      double sum = 0;
      for (std::size_t i = 0; i < items.size(); ++i) {
        if (seen[i] == 0) weights[i] = 0;
        sum += static_cast<double>(weights[i]) * static_cast<double>(items[i].copies);
      }
      found.emplace_back(sum, std::move(weights));
    }
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  std::vector<std::vector<std::int64_t>> out;
  for (auto& [sum, weights] : found)
    if (out.size() < most && (out.empty() || out.back() != weights))
      out.push_back(std::move(weights));
  return out;
}

}  // namespace pp::nest
