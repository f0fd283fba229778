#include "core/nest/changes/nearly.h"

#include <algorithm>
#include <map>
#include <set>
#include <tuple>

#include "core/nest/bounds/bound.h"

namespace pp::nest {
namespace {

// The parts of some materials alone; the stock stays whole, so that its rows keep their numbers.
NestRequest only(const NestRequest& request, const std::set<std::string>& materials,
                 Length thickness) {
  NestRequest out = request;
  out.parts.clear();
  out.barParts.clear();
  out.goal = Goal::Cost;
  std::map<std::size_t, std::size_t> at;
  for (std::size_t i = 0; i < request.parts.size(); ++i) {
    const PartDemand& part = request.parts[i];
    if (materials.count(part.material) == 0 || part.thickness != thickness) continue;
    at[i] = out.parts.size();
    out.parts.push_back(part);
  }
  out.pins.clear();
  for (Pin pin : request.pins)
    if (const auto found = at.find(pin.part); found != at.end()) {
      pin.part = found->second;
      out.pins.push_back(pin);
    }
  return out;
}

class Trial {
 public:
  Trial(const NestRequest& request, const Plan& plan, const NearlyOptions& options,
        std::stop_token stop)
      : request_(request), plan_(plan), options_(options), stop_(std::move(stop)) {}

  std::optional<Nearly> run() {
    std::optional<Nearly> found;
    Length least = options_.most;
    for (const auto& parts : equalParts())
      for (const bool length : {true, false}) {
        const PartDemand& part = request_.parts[parts.front()];
        const Length side = length ? part.length : part.width;
        if (stop_.stop_requested() || least <= Length{}) return found;
        if (side <= 2 * least) continue;
        if (auto one = smallest(parts, length, least)) {
          // The next one is of interest only where it is smaller still.
          least = one->by - kStep;
          found = one;
        }
      }
    return found ? found : otherMaterial();
  }

 private:
  static constexpr Length kStep = Length::um(100);

  // Whether the request, of these materials alone, can be done on fewer sheets and for less.
  bool saves(const NestRequest& changed, const std::set<std::string>& materials, Length thickness,
             Nearly& out) const {
    const NestRequest request = only(changed, materials, thickness);
    Money cost;
    std::int64_t sheets = 0;
    for (const PlannedSheet& sheet : plan_.sheets) {
      const StockSupply& stock = request_.stock[sheet.stock];
      if (materials.count(stock.material) == 0 || stock.thickness != thickness) continue;
      cost += stock.price;
      ++sheets;
    }
    const Grouped grouped = group(request);
    if (!grouped.impossible.empty()) return false;
    // Most changes are far from saving anything: the area says so at once.
    Cost bound = 0;
    for (const Group& one : grouped.groups) bound += Bounder(one).bound().cost;
    if (priceOf(bound) >= cost) return false;
    NestOptions options;
    options.steps = options_.steps;
    options.seed = options_.seed;
    options.costOnly = true;
    options.threads = 1;  // it runs beside whatever else is done
    options.enough = cost - Money::tenThousandths(1);
    const Plan plan = nest(request, options, stop_);
    if (!plan.complete() || plan.cost >= cost ||
        static_cast<std::int64_t>(plan.sheets.size()) >= sheets)
      return false;
    out.saved = cost - plan.cost;
    out.sheets = sheets - static_cast<std::int64_t>(plan.sheets.size());
    return true;
  }

  // Rows of one size and material belong together: a side is not made shorter than its mirror
  // image.
  std::vector<std::vector<std::size_t>> equalParts() const {
    std::map<std::tuple<std::string, Length, Length, Length>, std::vector<std::size_t>> groups;
    for (std::size_t i = 0; i < request_.parts.size(); ++i) {
      const PartDemand& part = request_.parts[i];
      groups[{part.material, part.thickness, part.length, part.width}].push_back(i);
    }
    std::vector<std::vector<std::size_t>> out;
    for (auto& [key, rows] : groups) out.push_back(std::move(rows));
    return out;
  }

  bool savesBy(const std::vector<std::size_t>& parts, bool length, Length by, Nearly& out) const {
    NestRequest changed = request_;
    for (const std::size_t i : parts)
      (length ? changed.parts[i].length : changed.parts[i].width) -= by;
    const PartDemand& first = changed.parts[parts.front()];
    return saves(changed, {first.material}, first.thickness, out);
  }

  // The smallest reduction of one side that saves a sheet, to the tenth of a millimetre.
  std::optional<Nearly> smallest(const std::vector<std::size_t>& parts, bool length,
                                 Length most) const {
    Nearly out;
    out.parts = parts;
    out.length = length;
    if (!savesBy(parts, length, most, out)) return std::nullopt;
    Length low;
    Length high = most;
    while (high - low > kStep && !stop_.stop_requested()) {
      const Length middle =
          Length::nm((low + (high - low) / 2).inNm() / kStep.inNm() * kStep.inNm());
      if (middle <= low) break;
      Nearly one = out;
      if (savesBy(parts, length, middle, one)) {
        out = one;
        high = middle;
      } else {
        low = middle;
      }
    }
    out.by = high;
    return out;
  }

  std::optional<Nearly> otherMaterial() const {
    for (std::size_t i = 0; i < request_.parts.size(); ++i) {
      std::set<std::string> materials;
      for (const StockSupply& row : request_.stock)
        if (row.thickness == request_.parts[i].thickness &&
            row.material != request_.parts[i].material)
          materials.insert(row.material);
      for (const std::string& material : materials) {
        if (stop_.stop_requested()) return std::nullopt;
        if (!request_.parts[i].run.empty() || request_.parts[i].shows) continue;
        NestRequest request = request_;
        request.parts[i].material = material;
        Nearly out;
        out.parts = {i};
        out.material = material;
        if (saves(request, {material, request_.parts[i].material}, request_.parts[i].thickness,
                  out))
          return out;
      }
    }
    return std::nullopt;
  }

  const NestRequest& request_;
  const Plan& plan_;
  const NearlyOptions& options_;
  std::stop_token stop_;
};

}  // namespace

std::optional<Nearly> nearly(const NestRequest& request, const Plan& plan,
                             const NearlyOptions& options, std::stop_token stop) {
  if (!plan.complete()) return std::nullopt;
  return Trial(request, plan, options, std::move(stop)).run();
}

}  // namespace pp::nest
