#include "app/stages/measure/site_view.h"

#include <QMouseEvent>
#include <algorithm>
#include <utility>

#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "pictures/paint/look.h"
#include "pictures/paint/solid_picture.h"

namespace pp {
namespace {

// Each as large as its solids are.
std::vector<StandPicture> standsOf(const Job& job, const Breakdown& breakdown) {
  std::vector<StandPicture> out;
  for (const SiteStand& stand : job.site.stands) {
    const Assembly* one = findAssembly(job, stand.assembly);
    if (one == nullptr) continue;
    const SolidScene scene = sceneOfOne(job, *one, breakdown);
    if (scene.empty()) continue;
    const auto side = [](double low, double high) {
      return Length::um(static_cast<std::int64_t>((high - low) * 1'000));
    };
    StandPicture picture;
    picture.assembly = one->id;
    picture.fills = stand.fills && hasWall(job.site.kind, stand.wall);
    picture.code = QString::fromStdString(one->code);
    picture.wall = stand.wall;
    picture.along = alongWall(job, stand);
    picture.up = stand.up;
    picture.width = side(scene.low.x, scene.high.x);
    picture.depth = side(scene.low.y, scene.high.y);
    picture.height = side(scene.low.z, scene.high.z);
    out.push_back(std::move(picture));
  }
  return out;
}

// Where it is dropped: on whole centimetres or half inches, or where it meets an end of the wall or
// a neighbour, whichever is nearest.
Length snapped(Length at, const StandPicture& one, const std::vector<StandPicture>& all,
               std::optional<Length> wall, Unit unit) {
  const Length step = usual(unit, Length::mm(10), Length::in(0, 1, 2));
  const Length near = 4 * step;
  std::vector<Length> ends = {Length{}};
  if (wall) ends.push_back(*wall - one.width);
  for (const StandPicture& other : all) {
    if (other.assembly == one.assembly || other.wall != one.wall) continue;
    ends.push_back(other.along + other.width);
    ends.push_back(other.along - one.width);
  }
  const auto apart = [at](Length other) { return other < at ? at - other : other - at; };
  const Length end = *std::min_element(
      ends.begin(), ends.end(), [&apart](Length a, Length b) { return apart(a) < apart(b); });
  if (end >= Length{} && apart(end) <= near) return end;
  return std::max(Length{}, (at + step / 2).inNm() / step.inNm() * step);
}

}  // namespace

SiteView::SiteView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setMinimumHeight(200);
  setMouseTracking(true);
  setAccessibleName(tr("Plan and walls of the place"));
}

void SiteView::refresh() {
  drag_.reset();
  stands_ = standsOf(session_.job(), session_.breakdown());
  update();
}

QRectF SiteView::routeRoom() const {
  const auto gates = static_cast<double>(session_.job().route.size());
  const double wide = std::min(126.0 * gates, width() * 0.42);
  return {width() - wide, 0, wide, height() - 8.0};
}

QRectF SiteView::siteRoom() const {
  QRectF out = rect();
  if (!session_.job().route.empty()) out.setRight(routeRoom().left() - 16);
  return out;
}

std::vector<WallRoom> SiteView::walls() const {
  return wallRooms(siteRoom(), session_.job().site, stands_, session_.style().unit);
}

void SiteView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Job& job = session_.job();
  if (!job.route.empty()) paintRoute(painter, routeRoom(), job.route, session_.style());
  if (job.site.kind == SiteKind::Free && job.site.obstacles.empty() && job.site.stands.empty()) {
    painter.setFont(look::text(look::kBody));
    painter.setPen(look::kPencil);
    painter.drawText(siteRoom(), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("Say where it will stand, and the place is drawn here as you measure it."));
    return;
  }
  paintSite(painter, siteRoom(), job.site, stands_, session_.style());
}

std::optional<std::size_t> SiteView::standAt(QPointF at) const {
  for (const WallRoom& room : walls())
    for (std::size_t i = stands_.size(); i-- > 0;) {
      const StandPicture& one = stands_[i];
      if (one.wall == room.wall && room.face.contains(at) &&
          room.rect(one.along, one.up, one.width, one.height).contains(at))
        return i;
    }
  return std::nullopt;
}

void SiteView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const auto at = standAt(event->position());
  if (!at) return;
  const StandPicture& one = stands_[*at];
  for (const WallRoom& room : walls())
    if (room.wall == one.wall)
      drag_ = Drag{*at, room.along(event->position().x()) - one.along,
                   room.up(event->position().y()) - one.up, one};
  setFocus();
}

void SiteView::mouseMoveEvent(QMouseEvent* event) {
  if (!drag_) return setCursor(standAt(event->position()) ? Qt::OpenHandCursor : Qt::ArrowCursor);
  StandPicture& one = stands_[drag_->stand];
  const Site& site = session_.job().site;
  const Unit unit = session_.style().unit;
  for (const WallRoom& room : walls()) {
    if (!room.face.contains(event->position())) continue;
    one.wall = room.wall;
    // What fills a wall lies where the wall says.
    if (!one.fills)
      one.along = snapped(room.along(event->position().x()) - drag_->along, one, stands_,
                          wallLength(site, room.wall, unit), unit);
    one.up = snapped(room.up(event->position().y()) - drag_->up, one, {}, std::nullopt, unit);
  }
  update();
}

void SiteView::mouseReleaseEvent(QMouseEvent*) {
  if (drag_) drop();
}

void SiteView::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape && drag_) return refresh();
  QWidget::keyPressEvent(event);
}

void SiteView::drop() {
  const StandPicture one = stands_[drag_->stand];
  const StandPicture before = std::exchange(drag_, std::nullopt)->before;
  if (one.wall == before.wall && one.along == before.along && one.up == before.up) return;
  Job next = session_.draft();
  for (SiteStand& stand : next.site.stands) {
    if (stand.assembly != one.assembly) continue;
    stand.wall = one.wall;
    if (!one.fills) stand.along = one.along;
    stand.up = one.up;
  }
  emit refused(session_.edit(tr("move %1").arg(one.code), std::move(next)));
}

}  // namespace pp
