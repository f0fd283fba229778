#include "app/stages/draw/section_view.h"

#include <QMouseEvent>
#include <array>
#include <limits>

#include "core/kinds/kind.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

// Where to cut so that as little as can be of the boards that stand across the cut is met: through
// the middle, or beside it where a divider stands there.
Plane sectionAt(const SolidScene& scene, bool plan) {
  if (plan) {
    // Low, through what the boards on top stand or lie on.
    constexpr double kLow = 0.3;
    const double z = scene.low.z + kLow * (scene.high.z - scene.low.z);
    return {{0, 0, 1}, z};
  }
  constexpr std::array kPlaces = {0.5, 0.45, 0.4, 0.35, 0.3, 0.25};
  double best = 0;
  int least = std::numeric_limits<int>::max();
  for (const double place : kPlaces) {
    const double x = scene.low.x + place * (scene.high.x - scene.low.x);
    int met = 0;
    for (const SolidScene::Body& body : scene.bodies) {
      constexpr double kThin = 60;  // mm: an upright board
      if (body.low.x <= x && x <= body.high.x && body.high.x - body.low.x < kThin) ++met;
    }
    if (met < least) {
      least = met;
      best = x;
    }
  }
  return {{1, 0, 0}, best};
}

}  // namespace

SectionView::SectionView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setMinimumHeight(150);
}

void SectionView::refresh() {
  scene_ = {};
  const Assembly* of = findAssembly(session_.job(), session_.pointing().selection().assembly);
  // Boards one by one have nothing inside.
  if (of != nullptr && !std::holds_alternative<Boards>(of->body)) {
    scene_ = sceneOfOne(session_.job(), *of, session_.breakdown());
    plan_ = kindOf(*of).seen == SeenFrom::Above;
  }
  setVisible(!scene_.empty());
  if (scene_.empty()) return;
  // From the right, so that the front is at the left; or from above.
  view_.turn = plan_ ? 0 : -90;
  view_.tilt = plan_ ? 90 : 0;
  view_.section = sectionAt(scene_, plan_);
  view_.selected = qs(session_.pointing().selection().part);
  setAccessibleName(plan_ ? tr("Plan, cut through") : tr("Side section"));
  update();
}

QRectF SectionView::room() const {
  constexpr double kFigures = 44;
  return QRectF(rect()).adjusted(kFigures, 24, -10, -kFigures + 6);
}

void SectionView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kPaper);
  const SolidPicture picture(scene_);
  picture.paint(painter, room(), view_);
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(12, true));
  painter.drawText(QRectF(rect()).adjusted(8, 4, -8, 0), Qt::AlignTop | Qt::AlignLeft,
                   accessibleName());
  picture.paintSizes(painter, room(), view_, session_.style(), 18);
}

void SectionView::mouseReleaseEvent(QMouseEvent* event) {
  const QString code = SolidPicture(scene_).codeAt(event->position(), room(), view_);
  if (code.isEmpty()) return;
  Selection selection = session_.pointing().selection();
  selection.part = code.toStdString();
  selection.piece.reset();
  session_.pointing().select(std::move(selection));
}

}  // namespace pp
