#include "pictures/paper/page.h"

#include <algorithm>

#include "pictures/paint/look.h"

namespace pp {
namespace {

constexpr double kSteps = 100;  // fonts are set in whole pixels: enlarge, then scale back

}  // namespace

Page::Page(QPdfWriter& writer, QPainter& painter, QString title)
    : writer_(writer), painter_(painter), title_(std::move(title)) {
  const QSizeF size = writer.pageLayout().fullRectPoints().size();
  constexpr double kMmPerPoint = 25.4 / 72;
  width_ = size.width() * kMmPerPoint;
  height_ = size.height() * kMmPerPoint;
}

void Page::begin() {
  if (number_ > 0) writer_.newPage();
  ++number_;
  y_ = kMargin;
  text(left(), y_, width_ - 2 * kMargin - 20, 7, title_, 12, true);
  text(right() - 30, y_, 30, 7, QStringLiteral("page %1").arg(number_), 9, false,
       Qt::AlignRight | Qt::AlignVCenter);
  y_ += 8;
  rule(y_, 0.4);
  y_ += 3;
}

void Page::newSheet() {
  writer_.newPage();
}

bool Page::need(double mm) {
  if (y_ + mm <= bottom()) return false;
  begin();
  return true;
}

Page::Face::Face(int pixels, bool bold)
    : fonts{faceOf(look::text(pixels, bold), TextRun::Face::Plain),
            faceOf(look::text(pixels, bold), TextRun::Face::Raised),
            faceOf(look::text(pixels, bold), TextRun::Face::Lowered)},
      metrics(fonts.front()) {
  for (std::size_t face = 0; face < fonts.size(); ++face) {
    const QFontMetricsF of(fonts[face]);
    for (std::size_t c = ' '; c < widths[face].size(); ++c)
      widths[face][c] = of.horizontalAdvance(QChar(static_cast<char16_t>(c)));
  }
}

std::optional<double> Page::Face::width(const TextRun& run) const {
  double out = 0;
  const auto& of = widths[static_cast<std::size_t>(run.face)];
  for (const QChar c : run.text) {
    if (c.unicode() < ' ' || c.unicode() >= of.size()) return std::nullopt;
    out += of[c.unicode()];
  }
  return out;
}

std::optional<double> Page::Face::width(const std::vector<TextRun>& runs) const {
  double out = 0;
  for (const TextRun& run : runs) {
    const auto one = width(run);
    if (!one) return std::nullopt;
    out += *one;
  }
  return out;
}

const Page::Face& Page::face(double points, bool bold) {
  // The painter counts in millimetres; a font of so many points is that many 72nds of an inch high.
  constexpr double kMmPerPoint = 25.4 / 72;
  const int pixels = static_cast<int>(points * kMmPerPoint * kSteps);
  return faces_.try_emplace({pixels, bold}, pixels, bold).first->second;
}

void Page::text(double x, double y, double w, double h, const QString& text, double points,
                bool bold, int alignment) {
  const Face& face = this->face(points, bold);
  painter_.save();
  painter_.translate(x, y);
  painter_.scale(1 / kSteps, 1 / kSteps);
  painter_.setFont(face.fonts.front());
  painter_.setPen(Qt::black);
  const double room = w * kSteps;
  const std::vector<TextRun> runs = textRuns(text);
  const std::optional<double> width = face.width(runs);
  if (width && *width <= room) {
    // Laying out a line takes longer than drawing it, and thousands of labels have ten each.
    double left = (alignment & Qt::AlignRight) != 0     ? room - *width
                  : (alignment & Qt::AlignHCenter) != 0 ? (room - *width) / 2
                                                        : 0;
    const double spare = h * kSteps - face.metrics.height();
    const double top = (alignment & Qt::AlignVCenter) != 0  ? spare / 2
                       : (alignment & Qt::AlignBottom) != 0 ? spare
                                                            : 0;
    for (const TextRun& run : runs) {
      painter_.setFont(face.fonts[static_cast<std::size_t>(run.face)]);
      painter_.drawText(QPointF(left, top + face.metrics.ascent()), run.text);
      left += *face.width(run);
    }
  } else {
    const QString shown = face.metrics.elidedText(text, Qt::ElideRight, room);
    drawText(painter_, QRectF(0, 0, room, h * kSteps), alignment | Qt::TextSingleLine, shown);
  }
  painter_.restore();
}

void Page::rule(double y, double thickness) {
  painter_.fillRect(QRectF(left(), y, width_ - 2 * kMargin, thickness), Qt::black);
}

void Page::box(double x, double y, double size) {
  painter_.setPen(QPen(Qt::black, 0.3));
  painter_.setBrush(Qt::NoBrush);
  painter_.drawRect(QRectF(x, y, size, size));
}

}  // namespace pp
