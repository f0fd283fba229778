#include "core/site/width.h"

#include <algorithm>

namespace pp {
namespace {

// off * up / over, rounded towards less room by whoever uses it.
Length share(Length off, Length up, Length over) {
  const Int128 product = static_cast<Int128>(off.inNm()) * up.inNm();
  return Length::nm(static_cast<std::int64_t>(product / over.inNm()));
}

Length widthAt(const std::vector<WidthAt>& sorted, Length up) {
  if (up <= sorted.front().up) return sorted.front().width;
  for (std::size_t i = 1; i < sorted.size(); ++i) {
    const WidthAt& low = sorted[i - 1];
    const WidthAt& high = sorted[i];
    if (up <= high.up)
      return low.width + share(high.width - low.width, up - low.up, high.up - low.up);
  }
  return sorted.back().width;
}

}  // namespace

FreeWidth freeWidth(std::vector<WidthAt> widths, Lean left, Length foot, Length top,
                    Length allowances) {
  std::sort(widths.begin(), widths.end(),
            [](const WidthAt& a, const WidthAt& b) { return a.up < b.up; });
  std::vector<Length> heights = {foot, top};
  for (const WidthAt& one : widths)
    if (one.up > foot && one.up < top) heights.push_back(one.up);
  Length greatestLeft = share(left.off, foot, left.over);
  Length leastLeft = greatestLeft;
  Length leastRight = greatestLeft + widthAt(widths, foot);
  Length greatestRight = leastRight;
  Length widest;
  for (const Length up : heights) {
    const Length wall = share(left.off, up, left.over);
    const Length width = widthAt(widths, up);
    greatestLeft = std::max(greatestLeft, wall);
    leastLeft = std::min(leastLeft, wall);
    leastRight = std::min(leastRight, wall + width);
    greatestRight = std::max(greatestRight, wall + width);
    widest = std::max(widest, width);
  }
  FreeWidth out;
  out.free = leastRight - greatestLeft;
  out.built = out.free - allowances;
  out.cover = widest - out.built;
  out.spreadLeft = greatestLeft - leastLeft;
  out.spreadRight = greatestRight - leastRight;
  return out;
}

}  // namespace pp
