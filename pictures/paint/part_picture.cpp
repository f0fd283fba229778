#include "pictures/paint/part_picture.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "core/parts/solid.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "pictures/paint/wood.h"
#include "words/figures.h"

namespace pp {

PartAspect aspectOf(const Part& part) {
  PartAspect out;
  const Side end = part.edges[static_cast<std::size_t>(Edge::W1)];
  out.lengthUp = end == Side::Bottom;
  // Seen from inside, the front edge of the left side is at the left, that of the right side at the
  // right.
  out.flipAcross = out.lengthUp && part.hand == Hand::Right;
  return out;
}

namespace {

constexpr double kPartMargin = 40;  // room for sizes and edge names

class PartDrawing {
 public:
  PartDrawing(QPainter& painter, const QRectF& room, const Job& job, const Part& part, Face face)
      : painter_(painter),
        job_(job),
        part_(part),
        face_(face),
        aspect_(aspectOf(part)),
        style_(styleOf(job)) {
    const Length across = aspect_.lengthUp ? part.width.total() : part.length.total();
    const Length up = aspect_.lengthUp ? part.length.total() : part.width.total();
    map_ = Mapping::fit(across, up,
                        room.adjusted(kPartMargin, kPartMargin, -kPartMargin, -kPartMargin), true);
    board_ = map_.rect(Length{}, Length{}, across, up);
  }

  void run() {
    const Material& material = *findMaterial(job_, part_.material);
    const bool alongLength = part_.grain != PartGrain::Width;
    paintWood(painter_, board_, material.tone, alongLength != aspect_.lengthUp, 7);
    QPainterPath outline;
    outline.addRect(board_);
    for (const Machining& machining : part_.machining) outline -= cutAway(machining);
    QPainterPath gone;
    gone.addRect(board_.adjusted(-1, -1, 1, 1));
    painter_.fillPath(gone - outline, look::kPaper);
    for (const Machining& machining : part_.machining) cut(machining);
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(QPen(look::kGraphite, 1.2));
    painter_.drawPath(outline);
    for (const Edge edge : kEdges) edgeMarks(edge);
    sizes();
  }

 private:
  // A rectangle in the part's own frame, on the picture.
  QRectF place(Length u0, Length u1, Length v0, Length v1) const {
    const Length width = part_.width.total();
    const Length length = part_.length.total();
    if (mirrorAcross()) std::swap(v0 = width - v0, v1 = width - v1);
    if (mirrorAlong()) std::swap(u0 = length - u0, u1 = length - u1);
    return aspect_.lengthUp ? map_.rect(v0, u0, v1 - v0, u1 - u0)
                            : map_.rect(u0, v0, u1 - u0, v1 - v0);
  }
  // The other face is seen from the other side: left and right change places.
  bool mirrorAcross() const {
    return aspect_.lengthUp && (aspect_.flipAcross != (face_ == Face::Outside));
  }
  bool mirrorAlong() const {
    return !aspect_.lengthUp && ((part_.hand == Hand::Right) != (face_ == Face::Outside));
  }

  // What is taken off the outline; nothing where the cut leaves it whole.
  QPainterPath cutAway(const Machining& machining) const {
    QPainterPath out;
    switch (machining.cut) {
      case MachiningKind::Notch:
        out.addRect(place(machining.u0, machining.u1, machining.v0, machining.v1).normalized());
        break;
      case MachiningKind::Taper: {
        const SlantedEdge at = slantedEdge(machining, part_);
        const bool end = isEnd(machining.from);
        const Length u = machining.from == Edge::W2 ? part_.length.total() : Length{};
        const Length v = machining.from == Edge::L2 ? part_.width.total() : Length{};
        out.addPolygon(QPolygonF({point(at.u0, at.v0), point(at.u1, at.v1),
                                  end ? point(u, at.v1) : point(at.u1, v),
                                  end ? point(u, at.v0) : point(at.u0, v)}));
        out.closeSubpath();
        break;
      }
      case MachiningKind::Arc:
      case MachiningKind::Bulge:
      case MachiningKind::RoundCorner:
      case MachiningKind::RoundEnd:
        for (const std::vector<Flat>& piece : cutOff(machining, part_)) {
          QPolygonF polygon;
          for (const Flat& at : piece) polygon << point(length(at.u), length(at.v));
          QPainterPath one;
          one.addPolygon(polygon);
          one.closeSubpath();
          out |= one;
        }
        break;
      default:
        break;
    }
    return out;
  }
  static Length length(double mm) {
    constexpr double kNanometres = 1e6;
    return Length::nm(std::llround(mm * kNanometres));
  }

  void cut(const Machining& machining) {
    const bool here = machining.face == face_;
    switch (machining.cut) {
      case MachiningKind::PinHoles:
      case MachiningKind::Pockets:
      case MachiningKind::Mortises:
        if (here) holes(machining);
        return;
      case MachiningKind::HingeCup:
        if (here) round(machining);
        return;
      case MachiningKind::Hole:
      case MachiningKind::Slot:
        round(machining);
        return;
      case MachiningKind::HoleRow:
        for (int i = 0; i < machining.holes; ++i) {
          Machining one = machining;
          (machining.u1 > machining.u0 ? one.u0 : one.v0) += i * machining.pitch;
          one.u1 = one.u0;
          one.v1 = one.v0;
          round(one);
        }
        return;
      case MachiningKind::Notch:
      case MachiningKind::Taper:
      case MachiningKind::Arc:
      case MachiningKind::Bulge:
      case MachiningKind::RoundCorner:
      case MachiningKind::RoundEnd:
        return;  // in the outline
      case MachiningKind::ThicknessTaper:
        thinned(machining);
        return;
      case MachiningKind::Bevel:
        bevelLine(machining);
        return;
      case MachiningKind::RoundOver:
      case MachiningKind::Chamfer:
        easedLine(machining);
        return;
      default:
        break;
    }
    const QRectF rect = place(machining.u0, machining.u1, machining.v0, machining.v1);
    if (here) painter_.fillRect(rect, QColor(0x2B, 0x29, 0x26, 60));
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(QPen(look::kGraphite, 1, here ? Qt::SolidLine : Qt::DotLine));
    painter_.drawRect(rect);
  }

  // To its true size, white where it goes through.
  void round(const Machining& machining) {
    const Length half = machining.width / 2;
    const QRectF rect =
        place(machining.u0 - (machining.cut == MachiningKind::Slot ? Length{} : half),
              machining.u1 + (machining.cut == MachiningKind::Slot ? Length{} : half),
              machining.v0 - half, machining.v0 + half)
            .normalized();
    const bool through = machining.depth >= part_.thickness;
    painter_.setBrush(through ? QBrush(look::kPaper) : QBrush(QColor(0x2B, 0x29, 0x26, 60)));
    painter_.setPen(QPen(look::kGraphite, 1.2));
    const double radius = std::min(rect.width(), rect.height()) / 2;
    painter_.drawRoundedRect(rect, radius, radius);
  }

  // Lines that lie closer where less is left.
  void thinned(const Machining& machining) {
    constexpr int kLines = 12;
    const bool falling = machining.depth < machining.w0;
    painter_.setPen(
        QPen(look::kGraphite, 0.8, machining.face == face_ ? Qt::SolidLine : Qt::DotLine));
    const double run = (machining.u1 - machining.u0).inMm();
    for (int i = 0; i <= kLines; ++i) {
      const double part = 1 - std::pow(1 - static_cast<double>(i) / kLines, 2);
      const Length u = machining.u0 + length(run * (falling ? part : 1 - part));
      painter_.drawLine(point(u, machining.v0), point(u, machining.v1));
    }
  }

  QPointF point(Length u, Length v) const { return place(u, u, v, v).center(); }

  // Where the bevel meets the face that it takes from.
  void bevelLine(const Machining& machining) {
    constexpr double kMillidegrees = 1000;
    const QRectF band = strip(machining.from, machining.face == face_ ? 3 : 9).normalized();
    painter_.setPen(
        QPen(look::kGraphite, 1, machining.face == face_ ? Qt::DotLine : Qt::SolidLine));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(band);
    painter_.setFont(look::text(look::kLeast));
    painter_.setPen(look::kGraphite);
    const QString words =
        QString::number(static_cast<double>(machining.angle.inMillidegrees()) / kMillidegrees) +
        QChar(0xB0);
    drawText(painter_, QRectF(band.center() - QPointF(30, 8), QSizeF(60, 16)), Qt::AlignCenter,
             words);
  }

  // A line where the easing ends on the face that is seen, dotted where it lies behind.
  void easedLine(const Machining& machining) {
    const bool seen = machining.bothFaces || machining.face == face_;
    painter_.setPen(QPen(look::kGraphite, 1, seen ? Qt::SolidLine : Qt::DotLine));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(strip(machining.from, 4).normalized());
  }

  void holes(const Machining& machining) {
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(look::kGraphite);
    const bool alongU = machining.u1 > machining.u0;
    for (int i = 0; i < machining.holes; ++i) {
      const Length u = machining.u0 + (alongU ? i * machining.pitch : Length{});
      const Length v = machining.v0 + (alongU ? Length{} : i * machining.pitch);
      const QPointF at = point(u, v);
      painter_.drawEllipse(at, 1.4, 1.4);
    }
  }

  // The strip just inside (or outside) an edge of the picture.
  QRectF strip(Edge edge, double inwards) const {
    const Length l = part_.length.total();
    const Length w = part_.width.total();
    QRectF line;
    switch (edge) {
      case Edge::L1:
        line = place(Length{}, l, Length{}, Length{});
        break;
      case Edge::L2:
        line = place(Length{}, l, w, w);
        break;
      case Edge::W1:
        line = place(Length{}, Length{}, Length{}, w);
        break;
      case Edge::W2:
        line = place(l, l, Length{}, w);
        break;
    }
    line = line.normalized();
    const QPointF in = board_.center() - line.center();
    if (line.width() > line.height())
      return in.y() > 0 ? QRectF(line.x(), line.y(), line.width(), inwards)
                        : QRectF(line.x(), line.y() - inwards, line.width(), inwards);
    return in.x() > 0 ? QRectF(line.x(), line.y(), inwards, line.height())
                      : QRectF(line.x() - inwards, line.y(), inwards, line.height());
  }

  void edgeMarks(Edge edge) {
    const auto i = static_cast<std::size_t>(edge);
    if (!part_.bands[i].empty()) {
      painter_.fillRect(strip(edge, 5), QBrush(look::kGraphite, Qt::BDiagPattern));
      painter_.setPen(QPen(look::kGraphite, 2.6));
      const QRectF s = strip(edge, 0).normalized();
      painter_.drawLine(s.topLeft(), s.bottomRight());
    }
    const Side side = part_.edges[i];
    if (side != Side::Front && side != Side::Top) return;
    const QRectF outside = strip(edge, -14).normalized();
    painter_.setPen(look::kGraphite);
    painter_.setFont(look::text(look::kLeast, true));
    const QString word = qs(sideName(side));
    if (outside.width() >= outside.height()) {
      drawText(painter_, outside, Qt::AlignCenter, word);
      return;
    }
    painter_.save();
    painter_.translate(outside.center());
    painter_.rotate(-90);
    drawText(painter_, QRectF(-60, -8, 120, 16), Qt::AlignCenter, word);
    painter_.restore();
  }

  void sizes() {
    painter_.setPen(look::kGraphite);
    painter_.setFont(look::text(look::kFigure));
    const Length across = aspect_.lengthUp ? part_.width.total() : part_.length.total();
    const Length up = aspect_.lengthUp ? part_.length.total() : part_.width.total();
    drawText(painter_, QRectF(board_.center().x() - 80, board_.bottom() + 15, 160, 20),
             Qt::AlignCenter, figure(across, style_));
    painter_.save();
    painter_.translate(board_.left() - 27, board_.center().y());
    painter_.rotate(-90);
    drawText(painter_, QRectF(-80, -10, 160, 20), Qt::AlignCenter, figure(up, style_));
    painter_.restore();
  }

  QPainter& painter_;
  const Job& job_;
  const Part& part_;
  Face face_;
  PartAspect aspect_;
  LengthStyle style_;
  Mapping map_;
  QRectF board_;
};

}  // namespace

void paintPart(QPainter& painter, const QRectF& room, const Job& job, const Part& part, Face face) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  PartDrawing(painter, room, job, part, face).run();
  painter.restore();
}

}  // namespace pp
