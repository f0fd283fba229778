#include "pictures/paint/job_picture.h"

#include <QPainter>
#include <algorithm>

#include "pictures/paint/look.h"
#include "pictures/paint/solid_picture.h"
#include "pictures/paint/wood.h"

namespace pp {
namespace {

double extentOf(const SolidScene& scene) {
  const Vec size = scene.high - scene.low;
  return scene.empty() ? 0 : size.x * size.y + size.y * size.z + size.x * size.z;
}

// Side by side, the longest first.
void paintBoards(QPainter& painter, const Job& job, const QRectF& room) {
  constexpr std::size_t kMost = 6;
  std::vector<const LooseBoard*> boards;
  for (const LooseBoard& board : job.loose) boards.push_back(&board);
  std::stable_sort(boards.begin(), boards.end(),
                   [](const LooseBoard* a, const LooseBoard* b) { return a->length > b->length; });
  if (boards.size() > kMost) boards.resize(kMost);
  Length across;
  for (const LooseBoard* board : boards) across += board->width;
  constexpr double kGap = 4;
  const double gaps = kGap * static_cast<double>(boards.size() - 1);
  const double scale = std::min((room.width() - gaps) / across.inMm(),
                                room.height() / boards.front()->length.inMm());
  double x = room.center().x() - (across.inMm() * scale + gaps) / 2;
  unsigned seed = 1;
  for (const LooseBoard* board : boards) {
    const QRectF rect(x, room.bottom() - board->length.inMm() * scale, board->width.inMm() * scale,
                      board->length.inMm() * scale);
    const Material* material = findMaterial(job, board->material);
    paintWood(painter, rect, material != nullptr ? material->tone : Tone::Birch, false, ++seed);
    painter.setPen(QPen(look::kGraphite, 1));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(rect);
    x += rect.width() + kGap;
  }
}

}  // namespace

QImage jobPicture(const Job& job, const Breakdown& breakdown, const QSize& size) {
  QImage image(size, QImage::Format_RGB32);
  image.fill(look::kCard);
  SolidScene best;
  for (const Assembly& assembly : job.assemblies) {
    SolidScene scene = sceneOf(job, assembly, breakdown);
    if (extentOf(scene) > extentOf(best)) best = std::move(scene);
  }
  QPainter painter(&image);
  painter.setRenderHint(QPainter::Antialiasing);
  if (!best.empty())
    SolidPicture(best).paint(painter, image.rect(), {});
  else if (!job.loose.empty())
    paintBoards(painter, job, QRectF(image.rect()).adjusted(8, 8, -8, -8));
  return image;
}

}  // namespace pp
