#include "app/shell/tape_bar.h"

#include <QPainter>

#include "pictures/paint/look.h"
#include "pictures/paint/tape_picture.h"
#include "words/figures.h"

namespace pp {

TapeBar::TapeBar(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFixedHeight(58);
  setAccessibleName(tr("Tape"));
  connect(&session.pointing(), &Pointing::measuredChanged, this, &TapeBar::follow);
  connect(&session, &Session::changed, this, &TapeBar::follow);
  follow();
}

void TapeBar::follow() {
  setAccessibleDescription(QStringLiteral("%1: %2").arg(
      session_.pointing().measuredWhat(),
      qs(formatWithUnit(session_.pointing().measured(), session_.style()))));
  update();
}

void TapeBar::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kCard);
  painter.setPen(look::kRule);
  painter.drawLine(0, 0, width(), 0);
  paintTape(painter, rect(), session_.pointing().measuredWhat(), session_.pointing().measured(),
            session_.style());
}

}  // namespace pp
