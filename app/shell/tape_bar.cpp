#include "app/shell/tape_bar.h"

#include <QPainter>

#include "app/paint/figures.h"
#include "app/paint/look.h"
#include "app/paint/tape_picture.h"

namespace pp {

TapeBar::TapeBar(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
  setFixedHeight(58);
  setAccessibleName(tr("Tape"));
  connect(&document, &Document::measuredChanged, this, &TapeBar::follow);
  connect(&document, &Document::changed, this, &TapeBar::follow);
  follow();
}

void TapeBar::follow() {
  setAccessibleDescription(QStringLiteral("%1: %2").arg(
      document_.measuredWhat(), qs(formatWithUnit(document_.measured(), document_.style()))));
  update();
}

void TapeBar::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kCard);
  painter.setPen(look::kRule);
  painter.drawLine(0, 0, width(), 0);
  paintTape(painter, rect(), document_.measuredWhat(), document_.measured(), document_.style());
}

}  // namespace pp
