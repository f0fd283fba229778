#include "pictures/paper/bench_rows.h"

#include <algorithm>

#include "words/figures.h"

namespace pp {

QString pieceHead(const Part& part) {
  return qs(part.code) + QStringLiteral("   ") + nameWithHand(part);
}

void tickBoxes(Page& page, double x, double y, double w, const std::vector<std::int64_t>& numbers) {
  constexpr double kBox = 4.4, kApart = 14;
  const auto count = std::ssize(numbers);
  const auto most = static_cast<std::ptrdiff_t>(w / kApart) - 1;
  for (std::ptrdiff_t i = 0; i < std::min(count, most); ++i) {
    page.box(x, y, kBox);
    page.text(x + kBox + 0.8, y, 8, kBox, QString::number(numbers[static_cast<std::size_t>(i)]), 8);
    x += kApart;
  }
  if (count > most) page.text(x, y, kApart, kBox, QStringLiteral("of %1").arg(count), 8);
}

}  // namespace pp
