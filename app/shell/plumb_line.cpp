#include "app/shell/plumb_line.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "pictures/paint/look.h"

namespace pp {
namespace {

constexpr double kLineX = 26;
constexpr double kFirst = 44;
constexpr double kBelow = 30;  // what the last knot's words take
constexpr double kLeastStep = 44, kMostStep = 84;

}  // namespace

PlumbLine::PlumbLine(QWidget* parent) : QWidget(parent) {
  setFixedWidth(124);
  setFocusPolicy(Qt::TabFocus);
  setAccessibleName(tr("Stages of the work"));
}

void PlumbLine::setKnots(std::vector<Knot> knots) {
  knots_ = std::move(knots);
  update();
}

void PlumbLine::setCurrent(int index) {
  current_ = index;
  if (index >= 0 && index < static_cast<int>(knots_.size()))
    setAccessibleDescription(knots_[static_cast<std::size_t>(index)].title);
  update();
}

// As far apart as there is room for, so that all of them are seen in a low window too.
double PlumbLine::step() const {
  if (knots_.size() < 2) return kMostStep;
  const double room = height() - kFirst - kBelow;
  return std::clamp(room / static_cast<double>(knots_.size() - 1), kLeastStep, kMostStep);
}

double PlumbLine::knotY(int index) const {
  return kFirst + index * step();
}

void PlumbLine::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const double bobY = knotY(current_);
  // Taut down to the bob, slack and pale below it.
  painter.setPen(QPen(look::kGraphite, 1.4));
  painter.drawLine(QPointF(kLineX, 0), QPointF(kLineX, bobY));
  painter.setPen(QPen(look::kRule, 1.4, Qt::DotLine));
  painter.drawLine(QPointF(kLineX, bobY),
                   QPointF(kLineX, knotY(static_cast<int>(knots_.size()) - 1)));
  for (int i = 0; i < static_cast<int>(knots_.size()); ++i) {
    const Knot& knot = knots_[static_cast<std::size_t>(i)];
    const double y = knotY(i);
    if (i == current_) {
      // The bob: a turned weight on its point.
      painter.setPen(Qt::NoPen);
      painter.setBrush(look::kSlate);
      painter.drawRect(QRectF(kLineX - 4, y - 13, 8, 5));
      painter.drawPolygon(QPolygonF({{kLineX - 9, y - 7},
                                     {kLineX + 9, y - 7},
                                     {kLineX + 7, y + 4},
                                     {kLineX, y + 17},
                                     {kLineX - 7, y + 4}}));
    } else {
      painter.setPen(QPen(look::kGraphite, 1.4));
      painter.setBrush(knot.open == 0 ? look::kGraphite : look::kPaper);
      painter.drawEllipse(QPointF(kLineX, y), 5, 4);
    }
    painter.setPen(i == current_ ? look::kSlate : look::kGraphite);
    painter.setFont(look::text(15, i == current_));
    painter.drawText(QRectF(kLineX + 18, y - 18, 84, 22), Qt::AlignLeft | Qt::AlignVCenter,
                     knot.title);
    painter.setFont(look::text(look::kLeast));
    painter.setPen(knot.open > 0 ? look::kRed : look::kPencil);
    painter.drawText(QRectF(kLineX + 18, y + 3, 84, 16), Qt::AlignLeft | Qt::AlignVCenter,
                     knot.open > 0 ? tr("%1 to do").arg(knot.open) : tr("Ctrl+%1").arg(knot.key));
  }
  if (hasFocus()) {
    painter.setPen(QPen(look::kSlate, 1, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(QRectF(kLineX + 12, knotY(current_) - 22, 94, 44));
  }
}

void PlumbLine::mousePressEvent(QMouseEvent* event) {
  for (int i = 0; i < static_cast<int>(knots_.size()); ++i)
    if (std::abs(event->position().y() - knotY(i)) < step() / 2) return emit chosen(i);
}

void PlumbLine::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
  const int next = current_ + step;
  if (step == 0 || next < 0 || next >= static_cast<int>(knots_.size()))
    return QWidget::keyPressEvent(event);
  emit chosen(next);
}

}  // namespace pp
