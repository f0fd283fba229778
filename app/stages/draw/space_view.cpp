#include "app/stages/draw/space_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>

#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kStep = 15;  // degrees a key or a stretch of the mouse turns by

}  // namespace

SpaceView::SpaceView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(200, 160);
  setAccessibleName(tr("View in space"));
}

void SpaceView::refresh() {
  scene_ = {};
  if (const Assembly* of = findAssembly(session_.job(), session_.pointing().selection().assembly))
    scene_ = sceneOf(session_.job(), *of, session_.breakdown());
  view_.selected = qs(session_.pointing().selection().part);
  describe();
  update();
}

void SpaceView::describe() {
  const QString state = view_.apart > 0 ? tr("drawn apart") : tr("assembled");
  setAccessibleDescription(
      tr("%1, turned %2°, tilted %3°").arg(state).arg(view_.turn).arg(view_.tilt));
}

void SpaceView::toggleApart() {
  view_.apart = view_.apart > 0 ? 0 : 1;
  view_.codes = view_.apart > 0;
  describe();
  update();
}

void SpaceView::turn(double turn, double tilt) {
  look(view_.turn + turn, view_.tilt + tilt);
}

void SpaceView::look(double turn, double tilt) {
  view_.turn = std::remainder(turn, 360);
  view_.tilt = std::clamp(tilt, -90.0, 90.0);
  describe();
  update();
}

void SpaceView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kPaper);
  SolidPicture(scene_).paint(painter, rect(), view_);
  painter.setPen(
      QPen(hasFocus() ? look::kSlate : look::kRule, 1, hasFocus() ? Qt::DashLine : Qt::SolidLine));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(rect().adjusted(0, 0, -1, -1));
}

void SpaceView::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
    case Qt::Key_Left:
      return turn(-kStep, 0);
    case Qt::Key_Right:
      return turn(kStep, 0);
    case Qt::Key_Up:
      return turn(0, kStep);
    case Qt::Key_Down:
      return turn(0, -kStep);
    case Qt::Key_X:
      return toggleApart();
    case Qt::Key_F:
      return look(0, 0);
    case Qt::Key_S:
      return look(90, 0);
    case Qt::Key_P:
      return look(0, 90);
    case Qt::Key_R:
      return look(SolidView{}.turn, SolidView{}.tilt);
    default:
      QWidget::keyPressEvent(event);
  }
}

void SpaceView::mousePressEvent(QMouseEvent* event) {
  pressed_ = last_ = event->position();
  dragged_ = false;
}

void SpaceView::mouseMoveEvent(QMouseEvent* event) {
  constexpr double kPixels = 24;  // a step
  const QPointF moved = event->position() - last_;
  const auto steps = [](double pixels) { return std::trunc(pixels / kPixels); };
  const QPointF whole(steps(moved.x()), steps(moved.y()));
  if (whole.isNull()) return;
  dragged_ = true;
  last_ += kPixels * whole;
  turn(kStep * whole.x(), kStep * whole.y());
}

void SpaceView::mouseReleaseEvent(QMouseEvent* event) {
  if (dragged_) return;
  const QString code = SolidPicture(scene_).codeAt(event->position(), rect(), view_);
  if (code.isEmpty()) return;
  Selection selection = session_.pointing().selection();
  selection.part = code.toStdString();
  selection.piece.reset();
  session_.pointing().select(std::move(selection));
}

void SpaceView::focusInEvent(QFocusEvent*) {
  update();
}
void SpaceView::focusOutEvent(QFocusEvent*) {
  update();
}

}  // namespace pp
