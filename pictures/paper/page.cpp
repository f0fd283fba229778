#include "pictures/paper/page.h"

#include <algorithm>

#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kLeastPoints = 7;
constexpr double kSteps = 100;  // fonts are set in whole pixels: enlarge, then scale back

}  // namespace

Page::Page(QPagedPaintDevice& device, QPainter& painter, QString title, int most,
           std::vector<TextLaid>* laid)
    : device_(&device),
      painter_(painter),
      title_(std::move(title)),
      base_(painter.transform()),
      most_(most),
      laid_(laid) {
  const QSizeF size = device.pageLayout().fullRectPoints().size();
  constexpr double kMmPerPoint = 25.4 / 72;
  width_ = size.width() * kMmPerPoint;
  height_ = size.height() * kMmPerPoint;
}

Page::Page(QPainter& painter, QSizeF size)
    : painter_(painter), base_(painter.transform()), width_(size.width()), height_(size.height()) {}

void Page::nextPage() {
  ++number_;
  if (number_ > 1 && device_ != nullptr && !isFull()) device_->newPage();
}

void Page::begin() {
  nextPage();
  y_ = kMargin;
  text(left(), y_, width_ - 2 * kMargin - 20, 7, title_, 12, true);
  text(right() - 18, y_, 18, 7, QStringLiteral("page %1").arg(number_), 9, false,
       Qt::AlignRight | Qt::AlignVCenter);
  y_ += 8;
  rule(y_, 0.4);
  y_ += 3;
}

void Page::newSheet() {
  nextPage();
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
  if (isFull() || text.isEmpty()) return;
  const std::vector<TextRun> runs = textRuns(text);
  const double room = w * kSteps;
  const auto fits = [&](const Face& face) {
    const auto width = face.width(runs);
    return (width ? *width : face.metrics.horizontalAdvance(text)) <= room;
  };
  constexpr double kLess = 0.5;
  while (points - kLess >= kLeastPoints && !fits(face(points, bold))) points -= kLess;
  const Face& face = this->face(points, bold);
  const bool cut = !fits(face);
  const QString shown = cut ? face.metrics.elidedText(text, Qt::ElideRight, room) : text;
  painter_.save();
  painter_.translate(x, y);
  painter_.scale(1 / kSteps, 1 / kSteps);
  painter_.setPen(Qt::black);
  set(QRectF(0, 0, room, h * kSteps), shown, face, alignment);
  painter_.restore();
  if (laid_ == nullptr) return;
  // What letters take of a line: no more than from the highest to the lowest of those there are.
  const double width = std::min(room, face.metrics.horizontalAdvance(shown));
  const QPointF base = baseIn(QRectF(0, 0, room, h * kSteps), alignment, width, face.metrics);
  const QRectF tight = face.metrics.tightBoundingRect(shown);
  const QTransform onPage = painter_.transform() * base_.inverted();
  laid_->push_back(
      {number_, onPage.mapRect(QRectF(x, y, w, h)),
       onPage.mapRect(QRectF(x + base.x() / kSteps, y + (base.y() + tight.top()) / kSteps,
                             width / kSteps, tight.height() / kSteps)),
       text, points, cut});
}

void Page::figure(double x, double y, double w, double h, const QString& text, double points,
                  const QString& tail) {
  const QFont& font = face(points, false).fonts.front();
  const qsizetype whole = wholeOf(text);
  double left = w - (widthBehind(font, tail) + textWidth(font, text.left(whole))) / kSteps;
  // A fraction alone stands where it would behind a whole number.
  if (whole == 0) left += spaceBefore(font) / kSteps;
  this->text(x + std::max(0.0, left), y, w - std::max(0.0, left), h, text, points);
}

// Laying out a line takes longer than drawing it, and thousands of labels have ten each: letters
// whose widths are known are set one run after the other.
void Page::set(const QRectF& room, const QString& text, const Face& face, int alignment) {
  const std::vector<TextRun> runs = textRuns(text);
  const std::optional<double> width = face.width(runs);
  painter_.setFont(face.fonts.front());
  if (!width) return drawText(painter_, room, alignment | Qt::TextSingleLine, text);
  QPointF base = baseIn(room, alignment, *width, face.metrics);
  for (const TextRun& run : runs) {
    painter_.setFont(face.fonts[static_cast<std::size_t>(run.face)]);
    painter_.drawText(base, run.text);
    base.rx() += *face.width(run);
  }
}

void Page::rule(double y, double thickness) {
  if (isFull()) return;
  painter_.fillRect(QRectF(left(), y, width_ - 2 * kMargin, thickness), Qt::black);
}

void Page::box(double x, double y, double size) {
  if (isFull()) return;
  painter_.setPen(QPen(Qt::black, 0.3));
  painter_.setBrush(Qt::NoBrush);
  painter_.drawRect(QRectF(x, y, size, size));
}

}  // namespace pp
