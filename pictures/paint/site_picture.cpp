#include "pictures/paint/site_picture.h"

#include <QObject>
#include <algorithm>
#include <cmath>

#include "core/site/words.h"
#include "pictures/paint/dimension.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/tr.h"

namespace pp {
namespace {

constexpr double kWallThick = 9;  // pixels

struct Drawn {
  double mm;
  std::optional<Length> read;  // none: not yet
};

// What the place is drawn by.
Drawn sizeOf(const Site& site, SizeKind kind, WallAt wall, Unit unit, double usual) {
  const auto read = largestRead(site, kind, wall, unit);
  return {read ? read->inMm() : usual, read};
}

QString wallWords(WallAt wall) {
  return wall == WallAt::Left ? tr("left") : wall == WallAt::Right ? tr("right") : tr("behind");
}

class SiteMeasures {
 public:
  SiteMeasures(const Site& site, const std::vector<StandPicture>& stands, Unit unit)
      : site_(site),
        stands_(stands),
        unit_(unit),
        width_(sizeOf(site, SizeKind::Width, WallAt::Back, unit, 2'400)),
        height_(sizeOf(site, SizeKind::Height, WallAt::Back, unit, 2'400)) {}

  std::vector<WallRoom> rooms(const QRectF& room) const {
    constexpr double kGap = 34;
    const std::vector<WallAt> all = wallsOf(site_.kind);
    const QRectF inner = room.adjusted(40, 22, -10, -8);
    double sum = 0;
    for (const WallAt wall : all) sum += shown(wall);
    const double gaps = kGap * (static_cast<double>(all.size()) - 1);
    const double scale =
        std::max(1e-6, std::min((inner.width() - gaps) / sum, inner.height() / height_.mm));
    std::vector<WallRoom> out;
    double x = inner.center().x() - (sum * scale + gaps) / 2;
    for (const WallAt wall : all) {
      const QRectF face(x, inner.top(), shown(wall) * scale, height_.mm * scale);
      const double whole = length(wall).mm * scale;
      out.push_back({wall, face, wall == WallAt::Left ? face.right() - whole : face.left(), scale});
      x += face.width() + kGap;
    }
    return out;
  }

 protected:
  Drawn depth(WallAt side) const { return sizeOf(site_, SizeKind::Depth, side, unit_, 900); }
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

  const Site& site_;
  const std::vector<StandPicture>& stands_;
  Unit unit_;
  Drawn width_, height_;
};

class SitePainter : public SiteMeasures {
 public:
  SitePainter(QPainter& painter, const Site& site, const std::vector<StandPicture>& stands,
              const LengthStyle& style)
      : SiteMeasures(site, stands, style.unit), p_(painter), style_(style) {}

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
    if (wallsOf(site_.kind).empty()) return;
    const std::vector<WallRoom> all = rooms(room);
    dimensionOfHeight(all.front());
    for (const WallRoom& one : all) elevation(one);
  }

 private:
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
    const QString name = qs(obstacleName(one));
    const QFontMetricsF metrics(p_.font());
    p_.drawText(QPointF(box.center().x() - metrics.horizontalAdvance(name) / 2, box.top() - 4),
                name);
  }

  void dimensionOfHeight(const WallRoom& first) {
    const double x = first.face.left() - 16;
    dimension(QPointF(x, first.face.bottom()), QPointF(x, first.face.top()), height_);
  }

  void elevation(const WallRoom& at) {
    const WallAt wall = at.wall;
    const QRectF& face = at.face;
    const double left = at.left;
    const double scale = at.scale;
    const double w = face.width();
    const SiteWall known = wallAt(site_, wall);
    p_.fillRect(face, look::kCard);
    constexpr double kApart = 4;  // pixels; closer they say nothing
    if (known.studPitch.inMm() * scale > kApart) {
      p_.setPen(QPen(look::kRule, 1.2, Qt::DashLine));
      for (double x = known.firstStud.inMm(); x < length(wall).mm; x += known.studPitch.inMm())
        if (const double stud = left + x * scale; stud > face.left() && stud < face.right())
          p_.drawLine(QPointF(stud, face.top()), QPointF(stud, face.bottom()));
    }
    if (known.mouldingHeight > Length{}) {
      const double high = std::max(3.0, known.mouldingHeight.inMm() * scale);
      p_.fillRect(QRectF(face.left(), face.bottom() - high, w, high), look::kRule);
    }
    for (const StandPicture& stand : stands_)
      if (stand.wall == wall)
        standBox(at.rect(stand.along, stand.up, stand.width, stand.height), stand.code);
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
        obstacleBox(at.rect(one.along, one.up, one.width, one.height), one, true);
    p_.setFont(look::text(look::kLeast));
    p_.setPen(look::kPencil);
    QString words = wallWords(wall);
    const QString all = words + QStringLiteral(": ") + qs(known.madeOf);
    if (!known.madeOf.empty() && QFontMetricsF(p_.font()).horizontalAdvance(all) <= w) words = all;
    p_.drawText(QPointF(face.left(), face.top() - 6), words);
  }

  void dimension(QPointF a, QPointF b, const Drawn& size) {
    p_.setPen(look::kGraphite);
    paintDimension(p_, a, b, size.read ? figure(*size.read, style_) : QStringLiteral("?"));
  }

  QPainter& p_;
  const LengthStyle& style_;
};

// What a gate leaves open as one walks up to it.
QSizeF openingOf(const Gate& gate) {
  if (gate.kind == GateKind::Flat) return {};
  return {gate.width.inMm(), gate.height.inMm()};
}

QString gateFigures(const Gate& gate, const LengthStyle& style) {
  if (gate.kind == GateKind::People)
    return tr("%1 × %2")
        .arg(gate.people)
        .arg(weightFigure(static_cast<double>(gate.grams), style.unit));
  if (gate.kind == GateKind::Flat) return figureWithUnit(gate.width, style);
  if (gate.depth > Length{})
    return figures(gate.width, gate.depth, style) + QLatin1Char('\n') +
           tr("%1 high").arg(figure(gate.height, style));
  return figures(gate.width, gate.height, style);
}

}  // namespace

namespace {

// The plan takes the rest.
QRectF wallsIn(const QRectF& room, const Site& site) {
  const double plan = wallsOf(site.kind).empty() ? 1.0 : 0.4;
  return {room.left() + room.width() * plan, room.top(), room.width() * (1 - plan), room.height()};
}

}  // namespace

QRectF WallRoom::rect(Length along, Length up, Length width, Length height) const {
  return {left + along.inMm() * scale, face.bottom() - (up + height).inMm() * scale,
          width.inMm() * scale, height.inMm() * scale};
}

Length WallRoom::along(double x) const {
  return Length::um(std::llround((x - left) / scale * 1'000));
}

Length WallRoom::up(double y) const {
  return Length::um(std::llround((face.bottom() - y) / scale * 1'000));
}

std::vector<WallRoom> wallRooms(const QRectF& room, const Site& site,
                                const std::vector<StandPicture>& stands, Unit unit) {
  return SiteMeasures(site, stands, unit).rooms(wallsIn(room, site));
}

void paintSite(QPainter& painter, const QRectF& room, const Site& site,
               const std::vector<StandPicture>& stands, const LengthStyle& style) {
  painter.setRenderHint(QPainter::Antialiasing);
  SitePainter one(painter, site, stands, style);
  const QRectF walls = wallsIn(room, site);
  one.plan(wallsOf(site.kind).empty()
               ? room
               : QRectF(room.topLeft(), QPointF(walls.left(), room.bottom())));
  one.walls(walls);
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
    painter.drawText(QPointF(box.left(), box.top() - 3), qs(obstacleName(one)));
  }
  painter.restore();
}

void paintRoute(QPainter& painter, const QRectF& room, const std::vector<Gate>& route,
                const LengthStyle& style) {
  if (route.empty()) return;
  double most = 0;
  for (const Gate& gate : route) most = std::max(most, openingOf(gate).height());
  const double cell = std::min(130.0, room.width() / static_cast<double>(route.size()));
  constexpr double kWords = 49;
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
    if (gate.kind == GateKind::Flat) {
      const double half = std::min(cell * 0.4, gate.width.inMm() * scale / 2);
      const double top = floor - 850 * scale;
      painter.drawRect(QRectF(x - half, top, 2 * half, 4));
      for (const double leg : {x - half * 0.8, x + half * 0.8})
        painter.drawLine(QPointF(leg, top + 4), QPointF(leg, floor));
    }
    painter.setFont(look::text(look::kLeast));
    painter.setPen(look::kGraphite);
    const QString name = gate.name.empty() ? qs(gateWords(gate.kind)) : qs(gate.name);
    const QRectF words(x - cell / 2 + 2, floor + 3, cell - 4, 15);
    painter.drawText(words, Qt::AlignCenter,
                     QFontMetricsF(painter.font()).elidedText(name, Qt::ElideRight, words.width()));
    painter.drawText(QRectF(words.left(), words.bottom(), words.width(), 30),
                     Qt::AlignHCenter | Qt::AlignTop, gateFigures(gate, style));
  }
}

}  // namespace pp
