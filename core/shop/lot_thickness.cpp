#include "core/shop/lot_thickness.h"

#include <algorithm>

namespace pp {
namespace {

Length apart(Length a, Length b) {
  return a < b ? b - a : a - b;
}

// Precondition: not empty.
Length median(std::vector<Length> of) {
  std::sort(of.begin(), of.end());
  const std::size_t middle = of.size() / 2;
  return of.size() % 2 == 1 ? of[middle] : (of[middle - 1] + of[middle]) / 2;
}

}  // namespace

std::optional<LotThickness> thicknessOf(const std::vector<Length>& readings) {
  if (readings.empty()) return std::nullopt;
  const Length middle = median(readings);
  std::vector<Length> distances;
  for (const Length one : readings) distances.push_back(apart(one, middle));
  constexpr std::size_t kEnough = 4;
  constexpr Length kLeast = Length::um(200);
  // 1.4826 makes the median distance of normal readings their standard deviation.
  const Length scale = 14'826 * median(distances) / 10'000;
  const Length most = std::max(3 * scale, kLeast);
  LotThickness out;
  std::optional<Length> low, high;
  Length sum;
  std::int64_t count = 0;
  for (std::size_t i = 0; i < readings.size(); ++i) {
    if (readings.size() >= kEnough && distances[i] > most) {
      out.outliers.push_back(i);
      continue;
    }
    low = std::min(low.value_or(readings[i]), readings[i]);
    high = std::max(high.value_or(readings[i]), readings[i]);
    sum += readings[i];
    ++count;
  }
  const std::int64_t hundredth = Length::um(10).inNm();
  out.mean = (sum.inNm() / count + hundredth / 2) / hundredth * Length::um(10);
  out.spread = *high - *low;
  return out;
}

}  // namespace pp
