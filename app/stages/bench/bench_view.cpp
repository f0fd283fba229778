#include "app/stages/bench/bench_view.h"

#include <utility>

#include "pictures/paint/look.h"

namespace pp {

BenchView::BenchView(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("The piece at the tool"));
  setMinimumHeight(150);
}

void BenchView::show(Paint paint, const QString& words) {
  paint_ = std::move(paint);
  words_ = words;
  setAccessibleDescription(words);
  update();
}

void BenchView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (paint_) return paint_(painter, rect());
  painter.setFont(look::text(20));
  painter.setPen(look::kGraphite);
  painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap, words_);
}

}  // namespace pp
