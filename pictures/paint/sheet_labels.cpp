#include "pictures/paint/sheet_labels.h"

#include <algorithm>
#include <array>
#include <map>
#include <tuple>

#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"

namespace pp {
namespace {

constexpr double kAside = 4;

struct Line {
  QString text;
  bool bold = false;
};

double lineHeight(int pixels) {
  return pixels + 3.0;
}

// The text's letters beside one another, not fitted to each other. Shaping a text takes so long
// that thousands of labels, each tried in several sizes, would keep the window from answering.
double lettersWide(const QString& text, int pixels, bool bold) {
  thread_local std::map<std::tuple<int, bool, char16_t>, double> known;
  double out = 0;
  for (const QChar letter : text) {
    const auto [at, fresh] = known.try_emplace({pixels, bold, letter.unicode()});
    if (fresh) at->second = textWidth(look::text(pixels, bold), QString(letter));
    out += at->second;
  }
  return out;
}

bool fits(const std::vector<Line>& lines, int pixels, double along, double across) {
  if (static_cast<double>(lines.size()) * lineHeight(pixels) > across) return false;
  return std::all_of(lines.begin(), lines.end(), [&](const Line& line) {
    return lettersWide(line.text, pixels, line.bold) + 2 * kAside <= along;
  });
}

void put(std::vector<SheetLabel>& out, std::size_t of, const std::vector<Line>& lines, int pixels,
         const QRectF& room, bool upright) {
  const double height = lineHeight(pixels);
  double at = -height * static_cast<double>(lines.size()) / 2;
  for (const Line& line : lines) {
    SheetLabel label;
    label.of = of;
    label.text = line.text;
    label.font = look::text(pixels, line.bold);
    label.upright = upright;
    const double width = textWidth(label.font, line.text) + 2 * kAside;
    // Read from the right, a line below another is further to the right.
    label.box = upright
                    ? QRectF(room.center().x() + at, room.center().y() - width / 2, height, width)
                    : QRectF(room.center().x() - width / 2, room.center().y() + at, width, height);
    out.push_back(label);
    at += height;
  }
}

// The largest letters that say all, then those that say the name alone. False where even that has
// no room.
bool inside(std::vector<SheetLabel>& out, std::size_t of, const LabelWanted& wanted) {
  const std::array<std::vector<Line>, 3> says = {
      std::vector<Line>{{wanted.name, true}, {wanted.more, false}},
      std::vector<Line>{{wanted.name + QStringLiteral("  ") + wanted.more, true}},
      std::vector<Line>{{wanted.name, true}}};
  const QRectF& room = wanted.room;
  for (const bool all : {true, false})
    for (const int pixels : {look::kFigure, 14, look::kLeast})
      for (std::size_t i = all ? 0 : 2; i < (all ? 2U : 3U); ++i)
        for (const bool upright : {false, true}) {
          if (wanted.more.isEmpty() && all) continue;
          if (!fits(says[i], pixels, upright ? room.height() : room.width(),
                    upright ? room.width() : room.height()))
            continue;
          put(out, of, says[i], pixels, room, upright);
          return true;
        }
  return false;
}

}  // namespace

std::vector<SheetLabel> sheetLabels(const std::vector<LabelWanted>& wanted, const QRectF& sheet) {
  std::vector<SheetLabel> out;
  std::vector<SheetLabel> led;
  for (std::size_t i = 0; i < wanted.size(); ++i) {
    if (inside(out, i, wanted[i]) || !wanted[i].always) continue;
    const QRectF& room = wanted[i].room;
    SheetLabel label;
    label.of = i;
    label.text = wanted[i].name;
    label.font = look::text(look::kLeast, true);
    const QPointF from(room.right() - std::min(6.0, room.width() / 2), room.center().y());
    label.leader = QLineF(from, from);
    led.push_back(label);
  }
  // Beside what they are about, as far as the one above leaves room.
  std::stable_sort(led.begin(), led.end(), [](const SheetLabel& a, const SheetLabel& b) {
    return a.leader->y1() < b.leader->y1();
  });
  constexpr double kGap = 12;
  double least = sheet.top();
  for (std::size_t i = 0; i < led.size(); ++i) {
    const double below = static_cast<double>(led.size() - i) * kLabelLine;
    double y = std::max(least, led[i].leader->y1() - kLabelLine / 2);
    y = std::max(least, std::min(y, sheet.bottom() - below));
    led[i].box = QRectF(sheet.right() + kGap, y, kLabelMargin - kGap, kLabelLine);
    led[i].leader->setP2({sheet.right() + kGap - 2, y + kLabelLine / 2});
    least = y + kLabelLine;
  }
  out.insert(out.end(), led.begin(), led.end());
  std::stable_sort(out.begin(), out.end(),
                   [](const SheetLabel& a, const SheetLabel& b) { return a.of < b.of; });
  return out;
}

std::size_t ledOut(const std::vector<LabelWanted>& wanted) {
  std::vector<SheetLabel> unused;
  std::size_t out = 0;
  for (std::size_t i = 0; i < wanted.size(); ++i)
    if (wanted[i].always && !inside(unused, i, wanted[i])) ++out;
  return out;
}

}  // namespace pp
