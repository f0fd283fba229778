#include "pictures/paint/tape_picture.h"

#include <algorithm>

#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

const QColor kSteel{0xF7, 0xE9, 0xB0};

std::int64_t rounded(Length length, Length step) {
  return (2 * length.inNm() + step.inNm()) / (2 * step.inNm());
}

// Height of a tick as a share of the tape: whole units tallest, then halves, quarters ...
double tickHeight(std::int64_t n, std::int64_t perUnit) {
  if (n % perUnit == 0) return 0.62;
  double height = 0.46;
  for (std::int64_t part = perUnit / 2; part >= 1; part /= 2, height -= 0.08)
    if (n % part == 0) return std::max(height, 0.14);
  return 0.14;
}

}  // namespace

TapeScale tapeScale(Length length, const LengthStyle& style) {
  TapeScale out;
  if (style.unit == Unit::Inch) {
    const int denominator = std::min(style.denominator, 32);  // finer is not on a tape
    out.step = Length::in(0, 1, denominator);
    out.nearest = rounded(length, out.step);
    // The neighbours one binary place coarser: for 9/16 the eighths beside it.
    std::int64_t place = 1;
    while (place < denominator && out.nearest % (place * 2) == 0) place *= 2;
    out.lookAlike = place;
  } else {
    out.step = Length::mm(1);
    out.nearest = rounded(length, out.step);
    out.lookAlike = out.nearest % 5 == 0 ? 5 : 1;
  }
  return out;
}

void paintTape(QPainter& painter, const QRectF& room, const QString& what, Length length,
               const LengthStyle& style) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  const double words = 330;
  LengthStyle other = style;
  other.unit = style.unit == Unit::Inch ? Unit::Millimetre : Unit::Inch;
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(20, true));
  drawText(painter, QRectF(room.x() + 14, room.y() + 4, words, 28),
           Qt::AlignLeft | Qt::AlignVCenter, figureWithUnit(length, style));
  painter.setFont(look::text(look::kBody));
  drawText(painter, QRectF(room.x() + 14, room.y() + 32, words, 20),
           Qt::AlignLeft | Qt::AlignVCenter,
           QStringLiteral("%1   %2").arg(figureWithUnit(length, other), what));

  const QRectF tape(room.x() + words + 20, room.y() + 6, room.width() - words - 34,
                    room.height() - 12);
  painter.fillRect(tape, kSteel);
  painter.setClipRect(tape);
  const TapeScale scale = tapeScale(length, style);
  const bool inches = style.unit == Unit::Inch;
  const std::int64_t perUnit = inches ? Length::in(1).inNm() / scale.step.inNm() : 10;
  const double pixels = inches ? 360.0 / static_cast<double>(perUnit) : 9.0;
  const auto around = static_cast<std::int64_t>(tape.width() / pixels / 2) + 2;
  const auto at = [&](std::int64_t n) {
    return tape.center().x() + static_cast<double>(n - scale.nearest) * pixels;
  };
  for (std::int64_t n = std::max<std::int64_t>(0, scale.nearest - around);
       n <= scale.nearest + around; ++n) {
    const bool marked = n == scale.nearest;
    const bool alike = n == scale.nearest - scale.lookAlike || n == scale.nearest + scale.lookAlike;
    const double height = tape.height() * (inches        ? tickHeight(n, perUnit)
                                           : n % 10 == 0 ? 0.62
                                           : n % 5 == 0  ? 0.44
                                                         : 0.28);
    painter.setPen(QPen(marked ? look::kRed : look::kGraphite, marked ? 3 : 1));
    painter.drawLine(QPointF(at(n), tape.top()), QPointF(at(n), tape.top() + height));
    const bool whole = n % perUnit == 0;
    const bool cutOff = at(n) < tape.left() + 16 || at(n) > tape.right() - 16;
    if (cutOff || (!whole && !marked && !alike)) continue;
    painter.setPen(marked ? look::kRed : look::kGraphite);
    painter.setFont(look::text(whole || marked ? 13 : 11, whole || marked));
    const QString text = figure(n * scale.step, style);
    drawText(painter, QRectF(at(n) - 60, tape.bottom() - 18, 120, 16), Qt::AlignCenter, text);
  }
  painter.restore();
}

}  // namespace pp
