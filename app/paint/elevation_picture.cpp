#include "app/paint/elevation_picture.h"

#include <algorithm>
#include <cmath>

#include "app/paint/figures.h"
#include "app/paint/look.h"
#include "core/breakdown/drawer.h"

namespace pp {
namespace {

constexpr double kDimensionRoom = 46;

class Drawing {
 public:
  Drawing(QPainter& painter, const ElevationPicture& picture, const QRectF& room)
      : painter_(painter),
        picture_(picture),
        job_(*picture.job),
        carcass_(picture.assembly->carcass()),
        layout_(*picture.layout),
        map_(picture.mapping(room)),
        style_(styleOf(job_)) {}

  void run() {
    const QRectF clear = rect(layout_.clear);
    painter_.fillRect(clear, look::kCard);
    for (const OpeningRect& leaf : layout_.leaves) content(leaf);
    for (const PanelRect& panel : layout_.panels) wood(panel);
    if (picture_.selected) selection();
    dimensions();
  }

 private:
  QRectF rect(const FrontRect& r) const { return map_.rect(r.x, r.z, r.width, r.height); }

  void wood(const PanelRect& panel) {
    const QRectF r = rect(panel.rect);
    const bool lying = panel.rect.width > panel.rect.height;
    const Material& material = *findMaterial(job_, carcass_.material);
    paintWood(painter_, r, material.tone, lying, static_cast<unsigned>(panel.index + 3));
    painter_.setPen(QPen(look::kGraphite, 1));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(r);
  }

  void content(const OpeningRect& leaf) {
    const OpeningContent& content = find(carcass_.inside, leaf.path)->content;
    if (const auto* pins = std::get_if<AdjustableShelves>(&content)) shelves(leaf, pins->count);
    if (std::holds_alternative<DrawerBank>(content)) drawers(leaf);
    painter_.setPen(look::kPencil);
    painter_.setFont(look::text(11));
    const QRectF r = rect(leaf.rect);
    const QString size = figures(leaf.rect.width, leaf.rect.height, style_);
    const bool open = std::holds_alternative<OpenSpace>(content);
    if (open && r.height() > 18 && r.width() > painter_.fontMetrics().horizontalAdvance(size) + 8)
      painter_.drawText(r, Qt::AlignCenter, size);
  }

  void shelves(const OpeningRect& leaf, int count) {
    painter_.setPen(QPen(look::kPencil, 1, Qt::DashLine));
    painter_.setBrush(Qt::NoBrush);
    const Length space = (leaf.rect.height - count * layout_.thickness) / (count + 1);
    for (int i = 0; i < count; ++i)
      painter_.drawRect(map_.rect(leaf.rect.x,
                                  leaf.rect.z + (i + 1) * space + i * layout_.thickness,
                                  leaf.rect.width, layout_.thickness));
  }

  void drawers(const OpeningRect& leaf) {
    const auto plan = planDrawers(job_, carcass_, layout_, leaf);
    if (!plan) {
      painter_.fillRect(rect(leaf.rect), QBrush(look::kRed, Qt::BDiagPattern));
      return;
    }
    const Material& material = *findMaterial(job_, carcass_.fronts.material);
    unsigned seed = 20;
    for (const DrawerPlan& drawer : plan.value()) {
      const QRectF r = rect(drawer.front.rect);
      paintWood(painter_, r, material.tone, true, ++seed);
      painter_.setPen(QPen(look::kPencil, 1));
      painter_.setBrush(Qt::NoBrush);
      painter_.drawRect(r);
      const QPointF c = r.center();
      const double half = std::min(18.0, r.width() / 6);
      painter_.drawLine(QPointF(c.x() - half, c.y()), QPointF(c.x() + half, c.y()));
      painter_.setFont(look::text(11));
      painter_.setPen(look::kGraphite);
      if (r.height() > 20)
        painter_.drawText(r.adjusted(6, 0, -6, 0), Qt::AlignVCenter | Qt::AlignRight,
                          figure(drawer.front.rect.height, style_));
    }
  }

  void selection() {
    for (const OpeningRect& leaf : layout_.leaves) {
      if (leaf.path != *picture_.selected) continue;
      QColor wash = look::kSlate;
      wash.setAlpha(46);
      const QRectF r = rect(leaf.rect);
      painter_.fillRect(r, wash);
      painter_.setPen(QPen(look::kSlate, 2.5));
      painter_.setBrush(Qt::NoBrush);
      painter_.drawRect(r.adjusted(1, 1, -1, -1));
    }
  }

  // A dimension as a draughtsman puts it: thin line, oblique ticks, the figure on a gap in the
  // line.
  void across(Length from, Length to, double y) {
    line(QPointF(map_.x(from), y), QPointF(map_.x(to), y), figure(to - from, style_), false);
  }
  void upward(Length from, Length to, double x) {
    line(QPointF(x, map_.y(from)), QPointF(x, map_.y(to)), figure(to - from, style_), true);
  }

  void line(QPointF a, QPointF b, const QString& text, bool upright) {
    painter_.setPen(QPen(look::kPencil, 1));
    painter_.drawLine(a, b);
    for (const QPointF& end : {a, b}) painter_.drawLine(end + QPointF(-3, 3), end + QPointF(3, -3));
    painter_.setFont(look::text(12));
    const double width = painter_.fontMetrics().horizontalAdvance(text) + 8;
    const double length = upright ? std::abs(a.y() - b.y()) : std::abs(a.x() - b.x());
    if (length < width) return;
    painter_.save();
    painter_.translate((a + b) / 2);
    if (upright) painter_.rotate(-90);
    const QRectF box(-width / 2, -8, width, 16);
    painter_.fillRect(box, look::kPaper);
    painter_.setPen(look::kGraphite);
    painter_.drawText(box, Qt::AlignCenter, text);
    painter_.restore();
  }

  void dimensions() {
    const double bottom = map_.y(Length{});
    const double left = map_.x(Length{});
    across(Length{}, carcass_.width, bottom + 34);
    upward(Length{}, carcass_.height, left - 34);
    // The row of openings that the eye follows: along the foot and up the left-hand side.
    const FrontRect& clear = layout_.clear;
    for (const OpeningRect& leaf : layout_.leaves) {
      if (leaf.rect.z == clear.z) across(leaf.rect.x, leaf.rect.x + leaf.rect.width, bottom + 14);
      if (leaf.rect.x == clear.x) upward(leaf.rect.z, leaf.rect.z + leaf.rect.height, left - 14);
    }
    if (carcass_.toe) upward(Length{}, carcass_.toe->height, left - 14);
  }

  QPainter& painter_;
  const ElevationPicture& picture_;
  const Job& job_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  Mapping map_;
  LengthStyle style_;
};

}  // namespace

Mapping ElevationPicture::mapping(const QRectF& room) const {
  return Mapping::fit(assembly->carcass().width, assembly->carcass().height,
                      room.adjusted(kDimensionRoom, 16, -16, -kDimensionRoom), true);
}

void ElevationPicture::paint(QPainter& painter, const QRectF& room) const {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  Drawing(painter, *this, room).run();
  painter.restore();
}

std::optional<OpeningPath> ElevationPicture::openingAt(const QPointF& point,
                                                       const QRectF& room) const {
  const Mapping map = mapping(room);
  for (const OpeningRect& leaf : layout->leaves)
    if (map.rect(leaf.rect.x, leaf.rect.z, leaf.rect.width, leaf.rect.height).contains(point))
      return leaf.path;
  return std::nullopt;
}

}  // namespace pp
