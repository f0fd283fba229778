#include "pictures/paint/site_picture.h"

#include <QObject>
#include <algorithm>
#include <cmath>

#include "core/site/words.h"
#include "pictures/paint/dimension.h"
#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"

namespace pp {
namespace {

constexpr double kWallThick = 9;  // pixels

QString tr(const char* text) {
  return QObject::tr(text);
}

struct Drawn {
  double mm;
  std::optional<Length> read;  // none: not yet
};

// The largest reading of a kind and wall: what the place is drawn by.
Drawn sizeOf(const Site& site, SizeKind kind, WallAt wall, Unit unit, double usual) {
  std::optional<Length> out;
  for (const SiteSize& size : site.sizes) {
    if (size.kind != kind || size.wall != wall) continue;
    const auto read = judge(size.read, useOf(kind), unit).size;
    if (read && (!out || *read > *out)) out = read;
  }
  return {out ? out->inMm() : usual, out};
}

QString wallWords(WallAt wall) {
  return wall == WallAt::Left ? tr("left") : wall == WallAt::Right ? tr("right") : tr("behind");
}

QString nameOf(const Obstacle& obstacle) {
  return obstacle.name.empty() ? qs(obstacleWords(obstacle.kind)) : qs(obstacle.name);
}

class SitePainter {
 public:
  SitePainter(QPainter& painter, const Site& site, const std::vector<StandPicture>& stands,
              const LengthStyle& style)
      : p_(painter),
        site_(site),
        stands_(stands),
        style_(style),
        width_(sizeOf(site, SizeKind::Width, WallAt::Back, style.unit, 2'400)),
        height_(sizeOf(site, SizeKind::Height, WallAt::Back, style.unit, 2'400)) {}

  void plan(const QRectF& room) {
    double deep = 900;
    for (const WallAt side : {WallAt::Left, WallAt::Right})
      if (hasWall(site_.kind, side)) deep = std::max(deep, depth(side).mm);
    for (const StandPicture& stand : stands_) deep = std::max(deep, stand.depth.inMm() + 100);
    for (const Obstacle& one : site_.obstacles)
      if (!one.wall) deep = std::max(deep, (one.up + one.height).inMm() + 100);
    const QRectF inner = room.adjusted(46, 34, -46, -24);
    const double scale = std::min(inner.width() / width_.mm, inner.height() / deep);
    const double x0 = inner.center().x() - width_.mm * scale / 2;
    const double y0 = inner.top();
    const auto at = [&](double x, double y) { return QPointF(x0 + x * scale, y0 + y * scale); };
    for (const WallAt wall : wallsOf(site_.kind)) {
      if (wall == WallAt::Back)
        thick(QRectF(at(0, 0), at(width_.mm, 0)).adjusted(-kWallThick, -kWallThick, kWallThick, 0));
      else if (wall == WallAt::Left)
        thick(QRectF(at(0, 0), at(0, depth(wall).mm)).adjusted(-kWallThick, 0, 0, 0));
      else
        thick(
            QRectF(at(width_.mm, 0), at(width_.mm, depth(wall).mm)).adjusted(0, 0, kWallThick, 0));
      moulding(wall, at, scale);
    }
    for (const StandPicture& stand : stands_) {
      const double a = stand.along.inMm();
      const double w = stand.width.inMm();
      const double d = stand.depth.inMm();
      const QRectF box =
          stand.wall == WallAt::Back ? QRectF(at(a, 0), at(a + w, d))
          : stand.wall == WallAt::Left
              ? QRectF(at(0, depth(WallAt::Left).mm - a - w), at(d, depth(WallAt::Left).mm - a))
              : QRectF(at(width_.mm - d, a), at(width_.mm, a + w));
      standBox(box, stand.code);
    }
    for (const Obstacle& one : site_.obstacles) obstacleInPlan(one, at, scale);
    const double above = at(0, 0).y() - kWallThick - 12;
    if (hasWall(site_.kind, WallAt::Back))
      dimension(QPointF(at(0, 0).x(), above), QPointF(at(width_.mm, 0).x(), above), width_);
    for (const WallAt side : {WallAt::Left, WallAt::Right}) {
      if (!hasWall(site_.kind, side)) continue;
      const Drawn deepness = depth(side);
      const double x = side == WallAt::Left ? at(0, 0).x() - kWallThick - 14
                                            : at(width_.mm, 0).x() + kWallThick + 14;
      dimension(QPointF(x, at(0, deepness.mm).y()), QPointF(x, at(0, 0).y()), deepness);
    }
  }

  // Side by side as one turns on the spot, each as one stands before it.
  void walls(const QRectF& room) {
    const std::vector<WallAt> all = wallsOf(site_.kind);
    if (all.empty()) return;
    constexpr double kGap = 34;
    const QRectF inner = room.adjusted(40, 22, -10, -8);
    double sum = 0;
    for (const WallAt wall : all) sum += shown(wall);
    const double scale =
        std::min((inner.width() - kGap * static_cast<double>(all.size() - 1)) / sum,
                 inner.height() / height_.mm);
    if (scale <= 0) return;
    const double used = sum * scale + kGap * static_cast<double>(all.size() - 1);
    double x = inner.center().x() - used / 2;
    const double foot = inner.top() + height_.mm * scale;
    dimension(QPointF(x - 16, foot), QPointF(x - 16, inner.top()), height_);
    for (const WallAt wall : all) {
      elevation(wall, QPointF(x, foot), scale);
      x += shown(wall) * scale + kGap;
    }
  }

 private:
  Drawn depth(WallAt side) const { return sizeOf(site_, SizeKind::Depth, side, style_.unit, 900); }
  Drawn length(WallAt wall) const { return wall == WallAt::Back ? width_ : depth(wall); }

  // How much of a wall is unfolded, from the corner on: of one at a side no more than something
  // stands or hangs at.
  double shown(WallAt wall) const {
    const double whole = length(wall).mm;
    if (wall == WallAt::Back) return whole;
    constexpr double kLeast = 900;
    constexpr double kBeside = 150;
    double out = kLeast;
    const auto reach = [&](Length along, Length width) {
      out = std::max(
          out, kBeside + (wall == WallAt::Left ? whole - along.inMm() : (along + width).inMm()));
    };
    for (const Obstacle& one : site_.obstacles)
      if (one.wall == wall) reach(one.along, one.width);
    for (const StandPicture& stand : stands_)
      if (stand.wall == wall)
        reach(stand.along, stand.width);
      else if (stand.wall == WallAt::Back)
        out = std::max(out, stand.depth.inMm() + kBeside);
    return std::min(out, whole);
  }

  void thick(const QRectF& band) {
    p_.fillRect(band, look::kRule);
    p_.setPen(QPen(look::kGraphite, 1.4));
    p_.drawRect(band);
  }

  template <class At>
  void moulding(WallAt wall, const At& at, double scale) {
    const double thickness = wallAt(site_, wall).mouldingThickness.inMm();
    if (thickness <= 0) return;
    const double t = std::max(2.0, thickness * scale) / scale;
    const double w = width_.mm;
    p_.setPen(QPen(look::kPencil, 1));
    if (wall == WallAt::Back)
      p_.drawLine(at(0, t), at(w, t));
    else if (wall == WallAt::Left)
      p_.drawLine(at(t, 0), at(t, depth(wall).mm));
    else
      p_.drawLine(at(w - t, 0), at(w - t, depth(wall).mm));
  }

  void standBox(const QRectF& box, const QString& code) {
    p_.setPen(QPen(look::kSlate, 1.6));
    p_.setBrush(look::kSlateWash);
    p_.drawRect(box);
    p_.setBrush(Qt::NoBrush);
    p_.setFont(look::text(look::kBody, true));
    p_.drawText(box, Qt::AlignCenter, code);
  }

  template <class At>
  void obstacleInPlan(const Obstacle& one, const At& at, double scale) {
    const double a = one.along.inMm();
    const double w = one.width.inMm();
    const double out = std::max(one.out.inMm(), 5 / scale);
    QRectF box;
    if (!one.wall)
      box = QRectF(at(a, one.up.inMm()), at(a + w, (one.up + one.height).inMm()));
    else if (*one.wall == WallAt::Back)
      box = QRectF(at(a, 0), at(a + w, out));
    else if (*one.wall == WallAt::Left)
      box = QRectF(at(0, depth(WallAt::Left).mm - a - w), at(out, depth(WallAt::Left).mm - a));
    else
      box = QRectF(at(width_.mm - out, a), at(width_.mm, a + w));
    if (one.wall && !hasWall(site_.kind, *one.wall)) return;
    obstacleBox(box, one, !one.wall);
  }

  void obstacleBox(const QRectF& box, const Obstacle& one, bool named) {
    p_.setPen(QPen(look::kRed, 1.4, one.wall ? Qt::SolidLine : Qt::DashLine));
    p_.drawRect(box.normalized());
    if (!named) return;
    p_.setFont(look::text(look::kLeast));
    p_.setPen(look::kRed);
    const QString name = nameOf(one);
    const QFontMetricsF metrics(p_.font());
    p_.drawText(QPointF(box.center().x() - metrics.horizontalAdvance(name) / 2, box.top() - 4),
                name);
  }

  void elevation(WallAt wall, QPointF foot, double scale) {
    const double w = shown(wall) * scale;
    const double h = height_.mm * scale;
    const QRectF face(foot.x(), foot.y() - h, w, h);
    // Where the wall's own left end lies.
    const double left = wall == WallAt::Left ? face.right() - length(wall).mm * scale : face.left();
    const SiteWall known = wallAt(site_, wall);
    p_.fillRect(face, look::kCard);
    if (known.studPitch > Length{}) {
      p_.setPen(QPen(look::kRule, 1.2, Qt::DashLine));
      for (double x = known.firstStud.inMm(); x < length(wall).mm; x += known.studPitch.inMm())
        if (const double at = left + x * scale; at > face.left() && at < face.right())
          p_.drawLine(QPointF(at, face.top()), QPointF(at, face.bottom()));
    }
    if (known.mouldingHeight > Length{}) {
      const double high = std::max(3.0, known.mouldingHeight.inMm() * scale);
      p_.fillRect(QRectF(face.left(), face.bottom() - high, w, high), look::kRule);
    }
    for (const StandPicture& stand : stands_)
      if (stand.wall == wall)
        standBox(QRectF(left + stand.along.inMm() * scale,
                        face.bottom() - (stand.up + stand.height).inMm() * scale,
                        stand.width.inMm() * scale, stand.height.inMm() * scale),
                 stand.code);
    p_.setBrush(Qt::NoBrush);
    p_.setPen(QPen(look::kGraphite, 1.4, length(wall).read ? Qt::SolidLine : Qt::DashLine));
    p_.drawRect(face);
    if (shown(wall) < length(wall).mm) {  // it goes on
      const double end = wall == WallAt::Left ? face.left() : face.right();
      p_.setPen(QPen(look::kCard, 2.5));
      p_.drawLine(QPointF(end, face.top()), QPointF(end, face.bottom()));
      p_.setPen(QPen(look::kPencil, 1.2, Qt::DotLine));
      p_.drawLine(QPointF(end, face.top()), QPointF(end, face.bottom()));
    }
    for (const Obstacle& one : site_.obstacles)
      if (one.wall == wall)
        obstacleBox(QRectF(left + one.along.inMm() * scale,
                           face.bottom() - (one.up + one.height).inMm() * scale,
                           one.width.inMm() * scale, one.height.inMm() * scale),
                    one, true);
    p_.setFont(look::text(look::kLeast));
    p_.setPen(look::kPencil);
    QString words = wallWords(wall);
    if (!known.madeOf.empty()) words += QStringLiteral(": ") + qs(known.madeOf);
    words = QFontMetricsF(p_.font()).elidedText(words, Qt::ElideRight, std::max(w, 44.0));
    p_.drawText(QPointF(face.left(), face.top() - 6), words);
  }

  void dimension(QPointF a, QPointF b, const Drawn& size) {
    p_.setPen(look::kGraphite);
    paintDimension(p_, a, b, size.read ? figure(*size.read, style_) : QStringLiteral("?"));
  }

  QPainter& p_;
  const Site& site_;
  const std::vector<StandPicture>& stands_;
  const LengthStyle& style_;
  Drawn width_, height_;
};

// What a gate leaves open as one walks up to it.
QSizeF openingOf(const Gate& gate) {
  return {gate.width.inMm(), gate.height.inMm()};
}

QString gateFigures(const Gate& gate, const LengthStyle& style) {
  if (gate.kind == GateKind::People)
    return tr("%1 × %2")
        .arg(gate.people)
        .arg(weightFigure(static_cast<double>(gate.grams), style.unit));
  if (gate.depth > Length{})
    return figures(gate.width, gate.depth, style) + QStringLiteral(" × ") +
           figure(gate.height, style);
  return figures(gate.width, gate.height, style);
}

}  // namespace

void paintSite(QPainter& painter, const QRectF& room, const Site& site,
               const std::vector<StandPicture>& stands, const LengthStyle& style) {
  painter.setRenderHint(QPainter::Antialiasing);
  SitePainter one(painter, site, stands, style);
  const double plan = wallsOf(site.kind).empty() ? 1.0 : 0.4;
  one.plan({room.left(), room.top(), room.width() * plan, room.height()});
  one.walls(
      {room.left() + room.width() * plan, room.top(), room.width() * (1 - plan), room.height()});
}

void paintWallBehind(QPainter& painter, const Mapping& map, const Site& site, WallAt wall,
                     Length left, Length floor, Unit unit) {
  const SizeKind along = wall == WallAt::Back ? SizeKind::Width : SizeKind::Depth;
  const Drawn length = sizeOf(site, along, wall, unit, 0);
  const Length end = left + length.read.value_or(Length{});
  painter.save();
  painter.setPen(QPen(look::kRule, 1.2));
  painter.setBrush(Qt::NoBrush);
  const double ground = map.y(floor);
  constexpr Length kHigh = Length::mm(5'000);  // off the picture
  if (wall == WallAt::Back && hasWall(site.kind, WallAt::Left))
    painter.drawLine(QPointF(map.x(left), ground), QPointF(map.x(left), map.y(floor + kHigh)));
  if (wall == WallAt::Back && hasWall(site.kind, WallAt::Right) && length.read)
    painter.drawLine(QPointF(map.x(end), ground), QPointF(map.x(end), map.y(floor + kHigh)));
  painter.drawLine(QPointF(map.x(left), ground),
                   QPointF(map.x(length.read ? end : left + kHigh), ground));
  const SiteWall known = wallAt(site, wall);
  if (known.mouldingHeight > Length{} && length.read)
    painter.drawRect(map.rect(left, floor, *length.read, known.mouldingHeight));
  painter.setFont(look::text(look::kLeast));
  for (const Obstacle& one : site.obstacles) {
    if (one.wall != wall) continue;
    const QRectF box = map.rect(left + one.along, floor + one.up, one.width, one.height);
    painter.setPen(QPen(look::kPencil, 1, Qt::DashLine));
    painter.drawRect(box);
    painter.setPen(look::kPencil);
    painter.drawText(QPointF(box.left(), box.top() - 3), nameOf(one));
  }
  painter.restore();
}

void paintRoute(QPainter& painter, const QRectF& room, const std::vector<Gate>& route,
                const LengthStyle& style) {
  if (route.empty()) return;
  double most = 0;
  for (const Gate& gate : route) most = std::max(most, openingOf(gate).height());
  const double cell = std::min(130.0, room.width() / static_cast<double>(route.size()));
  constexpr double kWords = 34;
  const double scale =
      most > 0 ? std::min((room.height() - kWords - 4) / most, cell * 0.6 / 1'400) : 1;
  const double floor = room.bottom() - kWords;
  painter.setPen(QPen(look::kPencil, 1.2));
  painter.drawLine(QPointF(room.left(), floor),
                   QPointF(room.left() + cell * static_cast<double>(route.size()), floor));
  for (std::size_t i = 0; i < route.size(); ++i) {
    const Gate& gate = route[i];
    const double x = room.left() + cell * (static_cast<double>(i) + 0.5);
    const QSizeF open = openingOf(gate) * scale;
    painter.setPen(QPen(look::kGraphite, 1.6));
    painter.setBrush(look::kCard);
    if (!open.isEmpty())
      painter.drawRect(
          QRectF(x - open.width() / 2, floor - open.height(), open.width(), open.height()));
    if (gate.kind == GateKind::Stair)
      for (int step = 0; step < 5; ++step)
        painter.drawLine(QPointF(x - open.width() / 2, floor - step * 5),
                         QPointF(x + open.width() / 2, floor - step * 5));
    painter.setFont(look::text(look::kLeast));
    painter.setPen(look::kGraphite);
    const QString name = gate.name.empty() ? qs(gateWords(gate.kind)) : qs(gate.name);
    const QRectF words(x - cell / 2 + 2, floor + 3, cell - 4, 15);
    painter.drawText(words, Qt::AlignCenter,
                     QFontMetricsF(painter.font()).elidedText(name, Qt::ElideRight, words.width()));
    painter.drawText(words.translated(0, 15), Qt::AlignCenter, gateFigures(gate, style));
  }
}

}  // namespace pp
