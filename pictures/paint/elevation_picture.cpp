#include "pictures/paint/elevation_picture.h"

#include <algorithm>
#include <cmath>

#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/ends.h"
#include "core/kinds/carcass/frame.h"
#include "pictures/paint/dimension.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kDimensionRoom = 2 * kDimensionRow + 14;
// How far the two lines of dimensions are from what they measure.
constexpr double kNearLine = 14, kFarLine = 36;

class ElevationDrawing {
 public:
  ElevationDrawing(QPainter& painter, const ElevationPicture& picture, const QRectF& room)
      : painter_(painter),
        picture_(picture),
        job_(*picture.job),
        carcass_(picture.assembly->carcass()),
        layout_(*picture.layout),
        choices_(job_, picture.assembly->id),
        map_(picture.mapping(room)),
        style_(styleOf(job_)) {}

  void run() {
    if (carcass_.wallLeft > Length{}) wall(Length{}, carcass_.wallLeft);
    if (carcass_.wallRight > Length{}) wall(carcass_.width - carcass_.wallRight, carcass_.width);
    if (layout_.foot > Length{}) stand();
    painter_.fillRect(rect(layout_.clear), look::kCard);
    for (std::size_t i = 0; i < layout_.rails.size(); ++i)
      board(layout_.rails[i], choices_.material(PartRole::BackRail, 0, carcass_.material), true,
            static_cast<unsigned>(60 + i));
    for (const OpeningRect& leaf : layout_.leaves) content(leaf);
    for (const PanelRect& panel : layout_.panels) wood(panel);
    for (const OpeningRect& door : layout_.doors) doors(door);
    if (layout_.frame) frame();
    ends();
    if (picture_.selected && !picture_.chosen) selection();
    if (picture_.chosen) chosen(layout_.panels[*picture_.chosen].rect);
    dimensions();
  }

 private:
  QRectF rect(const FrontRect& r) const { return map_.rect(r.x, r.z, r.width, r.height); }
  const Material& material(const std::string& id) const { return *findMaterial(job_, id); }

  // A strip of wall: hatched, as masonry is.
  void wall(Length from, Length to) {
    const QRectF r = map_.rect(from, Length{}, to - from, carcass_.height);
    painter_.fillRect(r, QBrush(look::kPencil, Qt::BDiagPattern));
  }

  void stand() {
    const FrontRect& o = layout_.outer;
    painter_.setPen(QPen(look::kPencil, 1, Qt::DashLine));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(map_.rect(o.x, Length{}, o.width, layout_.foot));
  }

  void board(const FrontRect& r, const std::string& id, bool lying, unsigned seed) {
    paintWood(painter_, rect(r), material(id).tone, lying, seed);
    painter_.setPen(QPen(look::kGraphite, 1));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(rect(r));
  }

  void wood(const PanelRect& panel) {
    if (panel.kind == PanelKind::RearRail) return;  // behind the front one
    board(panel.rect,
          panelMaterial(choices_, panel.role(), panel.after, panel.layer, carcass_.material),
          panel.rect.width > panel.rect.height, static_cast<unsigned>(panel.index + 3));
  }

  void frame() {
    const FrontRect o = frameOutline(layout_.outer, layout_.outer.z + carcass_.underBottom(),
                                     carcass_, *layout_.frame);
    // The stiles reach from the frame's outer edge to the first opening.
    const auto rail =
        std::find_if(layout_.members.begin(), layout_.members.end(),
                     [](const FrameMember& m) { return m.kind == MemberKind::UpperRail; });
    if (rail != layout_.members.end()) {
      board({o.x, o.z, rail->rect.x - o.x, o.height}, layout_.frame->material, false, 31);
      board({rail->rect.right(), o.z, o.right() - rail->rect.right(), o.height},
            layout_.frame->material, false, 32);
    }
    unsigned seed = 40;
    for (const FrameMember& member : layout_.members)
      board(member.rect, layout_.frame->material, !member.upright(), ++seed);
  }

  // What is glued on outside, and what closes the gap to a wall.
  void ends() {
    const FrontRect& o = layout_.outer;
    const auto end = [&](PartRole role, const std::string& ruled, Length x, Length thick) {
      if (thick > Length{})
        board({x, o.z, thick, o.height}, choices_.material(role, 0, ruled), false, 50);
    };
    end(PartRole::LeftExposedEnd, carcass_.endLeft, o.x - layout_.endLeft, layout_.endLeft);
    end(PartRole::RightExposedEnd, carcass_.endRight, o.right(), layout_.endRight);
    for (const Filler& filler : fillersOf(carcass_, layout_))
      board(filler.rect, carcass_.fronts.material, false, 52);
  }

  void content(const OpeningRect& leaf) {
    const OpeningContent& content = find(carcass_.inside, leaf.path)->content;
    if (const auto* pins = std::get_if<AdjustableShelves>(&content)) shelves(leaf, pins->count);
    if (const auto* loose = std::get_if<LooseShelves>(&content)) shelves(leaf, loose->count);
    if (std::holds_alternative<DrawerBank>(content)) drawers(leaf);
    if (!std::holds_alternative<OpenSpace>(content)) return;
    const QRectF r = rect(leaf.rect);
    inside(r, figures(leaf.rect.width, leaf.rect.height, style_), Qt::AlignCenter);
  }

  // A figure in what it is about, as large as there is room.
  void inside(const QRectF& r, const QString& text, Qt::Alignment alignment) {
    constexpr double kAside = 6;
    const auto font = fittingFont(text, r.width() - 2 * kAside, r.height() - 4);
    if (!font) return;
    painter_.setFont(*font);
    painter_.setPen(look::kGraphite);
    drawText(painter_, r.adjusted(kAside, 0, -kAside, 0), static_cast<int>(alignment), text);
  }

  void shelves(const OpeningRect& leaf, int count) {
    painter_.setPen(QPen(look::kPencil, 1, Qt::DashLine));
    painter_.setBrush(Qt::NoBrush);
    const PartRole role =
        std::holds_alternative<AdjustableShelves>(find(carcass_.inside, leaf.path)->content)
            ? PartRole::AdjustableShelf
            : PartRole::LooseShelf;
    const Length t =
        findMaterial(job_, choices_.material(role, leaf.id, carcass_.material))->measured;
    const Length space = (leaf.rect.height - count * t) / (count + 1);
    for (int i = 0; i < count; ++i)
      painter_.drawRect(
          map_.rect(leaf.rect.x, leaf.rect.z + (i + 1) * space + i * t, leaf.rect.width, t));
  }

  void drawers(const OpeningRect& leaf) {
    const auto plan = planDrawers(job_, choices_, carcass_, layout_, leaf);
    if (!plan) {
      painter_.fillRect(rect(leaf.rect), QBrush(look::kRed, Qt::BDiagPattern));
      return;
    }
    const bool fronts =
        std::get<DrawerBank>(find(carcass_.inside, leaf.path)->content).kind == BankKind::Drawers;
    unsigned seed = 20;
    for (const DrawerPlan& drawer : plan.value()) {
      const FrontRect box{drawer.boxX, drawer.boxZ, drawer.box.width, drawer.box.height};
      if (!fronts) {
        board(box, carcass_.drawers.boxMaterial, true, ++seed);
        continue;
      }
      const FrontRect& front = drawer.front.rect;
      board(front, choices_.material(PartRole::DrawerFront, drawer.id, carcass_.fronts.material),
            true, ++seed);
      const QRectF r = rect(front);
      const QPointF c = r.center();
      const double half = std::min(18.0, r.width() / 6);
      painter_.setPen(QPen(look::kPencil, 1));
      painter_.drawLine(QPointF(c.x() - half, c.y()), QPointF(c.x() + half, c.y()));
      inside(r, figure(front.height, style_), Qt::AlignVCenter | Qt::AlignRight);
    }
  }

  // Doors are drawn as if of glass, so that what is inside stays to be seen: an outline, and the
  // two lines that meet where the hinges are.
  void doors(const OpeningRect& door) {
    const Hinge hinge = find(carcass_.inside, door.path)->door->hinge;
    int index = 0;
    for (const FrontRect& one : doorRects(carcass_, layout_, door)) {
      const QRectF r = rect(one);
      QColor wash = woodColour(material(carcass_.fronts.material).tone);
      wash.setAlpha(120);
      painter_.fillRect(r, wash);
      painter_.setPen(QPen(look::kGraphite, 1));
      painter_.setBrush(Qt::NoBrush);
      painter_.drawRect(r);
      if (hinge == Hinge::Sliding) {
        slides(r, index++ == 0);
        continue;
      }
      if (frontRules(carcass_, door.path).style != FrontStyle::Slab) {
        const double w = map_.size(carcass_.fronts.frameWidth);
        painter_.drawRect(r.adjusted(w, w, -w, -w));
      }
      const bool left = hinge == Hinge::Left || (hinge == Hinge::Pair && index == 0);
      painter_.setPen(QPen(look::kPencil, 1, Qt::DashLine));
      const QPointF at = hinge == Hinge::Top      ? QPointF(r.center().x(), r.top())
                         : hinge == Hinge::Bottom ? QPointF(r.center().x(), r.bottom())
                         : left                   ? QPointF(r.left(), r.center().y())
                                                  : QPointF(r.right(), r.center().y());
      const bool level = hinge == Hinge::Top || hinge == Hinge::Bottom;
      const QPointF a = level ? (hinge == Hinge::Top ? r.bottomLeft() : r.topLeft())
                              : (left ? r.topRight() : r.topLeft());
      const QPointF b = level ? (hinge == Hinge::Top ? r.bottomRight() : r.topRight())
                              : (left ? r.bottomRight() : r.bottomLeft());
      painter_.drawLine(a, at);
      painter_.drawLine(at, b);
      ++index;
    }
  }

  // Which way a sliding panel goes.
  void slides(const QRectF& r, bool right) {
    constexpr double kHead = 6;
    const double half = r.width() / 5;
    const double y = r.bottom() - r.height() / 5;  // clear of the size of what is behind
    const double tip = right ? r.center().x() + half : r.center().x() - half;
    const double back = right ? tip - kHead : tip + kHead;
    painter_.setPen(QPen(look::kPencil, 1));
    painter_.drawLine(QPointF(r.center().x() - half, y), QPointF(r.center().x() + half, y));
    painter_.drawLine(QPointF(back, y - kHead / 2), QPointF(tip, y));
    painter_.drawLine(QPointF(back, y + kHead / 2), QPointF(tip, y));
  }

  void chosen(const FrontRect& panel) {
    constexpr double kOut = 1.5;
    painter_.setPen(QPen(look::kSlate, 3));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(rect(panel).adjusted(-kOut, -kOut, kOut, kOut));
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

  void across(Length from, Length to, double y) {
    paintDimension(painter_, QPointF(map_.x(from), y), QPointF(map_.x(to), y),
                   figure(to - from, style_));
  }
  void upward(Length from, Length to, double x) {
    paintDimension(painter_, QPointF(x, map_.y(from)), QPointF(x, map_.y(to)),
                   figure(to - from, style_));
  }

  void dimensions() {
    const double bottom = map_.y(Length{});
    const double left = map_.x(Length{});
    across(Length{}, carcass_.width, bottom + kFarLine);
    upward(Length{}, carcass_.height, left - kFarLine);
    // The row of openings that the eye follows: along the foot and up the left-hand side.
    const FrontRect& clear = layout_.clear;
    for (const OpeningRect& leaf : layout_.leaves) {
      if (leaf.rect.z == clear.z) across(leaf.rect.x, leaf.rect.right(), bottom + kNearLine);
      if (leaf.rect.x == clear.x) upward(leaf.rect.z, leaf.rect.top(), left - kNearLine);
    }
    if (carcass_.underBottom() > Length{})
      upward(layout_.foot, layout_.foot + carcass_.underBottom(), left - kNearLine);
    if (layout_.foot > Length{}) upward(Length{}, layout_.foot, left - kNearLine);
  }

  QPainter& painter_;
  const ElevationPicture& picture_;
  const Job& job_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  PartChoices choices_;
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
  ElevationDrawing(painter, *this, room).run();
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

std::optional<std::size_t> ElevationPicture::anyPanelAt(const QPointF& point,
                                                        const QRectF& room) const {
  if (const auto movable = panelAt(point, room)) return movable;
  const Mapping map = mapping(room);
  for (std::size_t i = 0; i < layout->panels.size(); ++i) {
    const FrontRect& r = layout->panels[i].rect;
    if (layout->panels[i].kind != PanelKind::RearRail &&
        map.rect(r.x, r.z, r.width, r.height).contains(point))
      return i;
  }
  return std::nullopt;
}

std::optional<std::size_t> ElevationPicture::panelAt(const QPointF& point,
                                                     const QRectF& room) const {
  constexpr double kReach = 3;
  const Mapping map = mapping(room);
  for (std::size_t i = 0; i < layout->panels.size(); ++i) {
    const PanelRect& panel = layout->panels[i];
    if (panel.kind != PanelKind::Divider && panel.kind != PanelKind::Shelf) continue;
    const FrontRect& r = panel.rect;
    if (map.rect(r.x, r.z, r.width, r.height)
            .adjusted(-kReach, -kReach, kReach, kReach)
            .contains(point))
      return i;
  }
  return std::nullopt;
}

}  // namespace pp
