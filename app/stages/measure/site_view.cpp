#include "app/stages/measure/site_view.h"

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

}  // namespace

SiteView::SiteView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setMinimumHeight(200);
  setAccessibleName(tr("Plan and walls of the place"));
}

void SiteView::refresh() {
  stands_ = standsOf(session_.job(), session_.breakdown());
  update();
}

void SiteView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Job& job = session_.job();
  QRectF room = rect();
  if (!job.route.empty()) {
    const double wide =
        std::min(126.0 * static_cast<double>(job.route.size()), room.width() * 0.42);
    paintRoute(painter, {room.right() - wide, room.top(), wide, room.height() - 8}, job.route,
               session_.style());
    room.setWidth(room.width() - wide - 16);
  }
  if (job.site.kind == SiteKind::Free && job.site.obstacles.empty() && job.site.stands.empty()) {
    painter.setFont(look::text(look::kBody));
    painter.setPen(look::kPencil);
    painter.drawText(room, Qt::AlignCenter | Qt::TextWordWrap,
                     tr("Say where it will stand, and the place is drawn here as you measure it."));
    return;
  }
  paintSite(painter, room, job.site, stands_, session_.style());
}

}  // namespace pp
