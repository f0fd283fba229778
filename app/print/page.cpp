#include "app/print/page.h"

#include <QFontMetricsF>
#include <algorithm>

#include "app/paint/look.h"

namespace pp {

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

void Page::text(double x, double y, double w, double h, const QString& text, double points,
                bool bold, int alignment) {
  // The painter counts in millimetres; a font of so many points is that many 72nds of an inch high.
  constexpr double kSteps = 100;  // fonts are set in whole pixels: enlarge, then scale back
  constexpr double kMmPerPoint = 25.4 / 72;
  QFont font = look::text(static_cast<int>(points * kMmPerPoint * kSteps), bold);
  painter_.save();
  painter_.translate(x, y);
  painter_.scale(1 / kSteps, 1 / kSteps);
  painter_.setFont(font);
  painter_.setPen(Qt::black);
  const QFontMetricsF metrics(font);
  const QString shown = metrics.elidedText(text, Qt::ElideRight, w * kSteps);
  painter_.drawText(QRectF(0, 0, w * kSteps, h * kSteps), alignment | Qt::TextSingleLine, shown);
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
