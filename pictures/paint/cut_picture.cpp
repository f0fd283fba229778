#include "pictures/paint/cut_picture.h"

#include <QObject>

#include "core/saw/edges.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kFence = 14;

QRectF fenceOf(const QRectF& piece, const SawCut& cut) {
  const bool low = cut.fence == FenceSide::Low;
  if (cut.direction == CutDirection::Rip)
    return {piece.x() - kFence, low ? piece.top() - kFence : piece.bottom(),
            piece.width() + 2 * kFence, kFence};
  return {low ? piece.left() - kFence : piece.right(), piece.y() - kFence, kFence,
          piece.height() + 2 * kFence};
}

void name(QPainter& painter, const QRectF& side, const saw::Becomes& becomes) {
  if (side.width() < 24 || side.height() < 16) return;
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(becomes.what == saw::Becomes::What::Part ? 22 : 15, true));
  painter.save();
  if (side.width() < side.height() && side.width() < 110) {
    painter.translate(side.center());
    painter.rotate(-90);
    drawText(painter, QRectF(-side.height() / 2, -side.width() / 2, side.height(), side.width()),
             Qt::AlignCenter, becomesWords(becomes));
  } else {
    drawText(painter, side, Qt::AlignCenter, becomesWords(becomes));
  }
  painter.restore();
}

}  // namespace

QString becomesWords(const saw::Becomes& becomes) {
  using What = saw::Becomes::What;
  switch (becomes.what) {
    case What::Nothing:
      return QObject::tr("nothing");
    case What::CutFurther:
      return QObject::tr("%1, cut %2").arg(qs(becomes.name)).arg(becomes.nextStep);
    case What::Part:
      return becomes.number == 0
                 ? qs(becomes.name)
                 : QObject::tr("%1 no. %2").arg(qs(becomes.name)).arg(becomes.number);
    case What::Leftover:
      return QObject::tr("keep %1").arg(qs(becomes.name));
    case What::Waste:
      break;
  }
  return QObject::tr("waste");
}

QString readWords(const SawCut& cut, const saw::MadeCut& made, const LengthStyle& style) {
  if (cut.kind == CutKind::Trim)
    return QObject::tr("%1 off").arg(figureWithUnit(saw::trimmedOff(cut, made), style));
  if (!cut.play) return figureWithUnit(cut.distance, style);
  const bool low = cut.fence == FenceSide::Low;
  const Length from = cut.distance + (low ? cut.play->from - cut.at : cut.at - cut.play->to);
  const Length to = cut.distance + (low ? cut.play->to - cut.at : cut.at - cut.play->from);
  // Marks that can be drawn, inwards, so that each lies within the play.
  const Length step = style.unit == Unit::Inch ? Length::in(0, 1, 16) : Length::mm(1);
  const Length first = (from.inNm() + step.inNm() - 1) / step.inNm() * step;
  const Length last = to.inNm() / step.inNm() * step;
  if (first > last)
    return QObject::tr("%1 to %2").arg(figure(from, style), figureWithUnit(to, style));
  return QObject::tr("%1 to %2").arg(figure(first, style), figureWithUnit(last, style));
}

QString faceWords(const Shop& shop, const SawCut& cut) {
  for (const Machine& saw : shop.machines)
    if (cut.machine == saw.name || cut.machine.rfind(saw.name + ",", 0) == 0)
      return saw.goodFaceUp() ? QObject::tr("good face up") : QObject::tr("good face down");
  return {};
}

QString kindWords(const SawCut& cut) {
  if (cut.kind == CutKind::Trim) return QObject::tr("trim to a mark");
  if (cut.kind == CutKind::Rough) return QObject::tr("part roughly");
  return cut.direction == CutDirection::Rip ? QObject::tr("rip") : QObject::tr("crosscut");
}

void paintCut(QPainter& painter, const QRectF& room, const floor::AtSaw& saw, std::size_t cut,
              Tone tone) {
  const SawCut& one = saw.cut(cut);
  const saw::MadeCut& made = saw.geometry(cut);
  if (made.piece.dx <= Length{} || made.piece.dy <= Length{}) return;
  const double margin = kFence + 6;
  const Mapping map = Mapping::fit(made.piece.dx, made.piece.dy,
                                   room.adjusted(margin, margin, -margin, -margin), false);
  const auto rect = [&](const saw::PlayedPiece& of) {
    return map.rect(of.x - made.piece.x, of.y - made.piece.y, of.dx, of.dy);
  };
  const QRectF piece = rect(made.piece);
  QRectF blade = rect(made.blade);
  const StockSupply* stock = saw.stock(cut);  // none: a bar, whose grain runs along it
  paintWood(painter, piece, tone, stock == nullptr || stock->grain != SheetGrain::Width, 1);
  const bool rip = one.direction == CutDirection::Rip;
  QRectF low = piece;
  QRectF high = piece;
  (rip ? low.setBottom(blade.top()) : low.setRight(blade.left()));
  (rip ? high.setTop(blade.bottom()) : high.setLeft(blade.right()));
  // What comes off is washed.
  QColor wash = look::kPaper;
  wash.setAlpha(150);
  painter.fillRect(one.fence == FenceSide::Low ? high : low, wash);
  for (const Defect& defect : stock == nullptr ? std::vector<Defect>{} : stock->defects)
    if (defect.meets(made.piece.x, made.piece.y, made.piece.dx, made.piece.dy))
      painter.fillRect(
          map.rect(defect.x - made.piece.x, defect.y - made.piece.y, defect.width, defect.height) &
              piece,
          QBrush(look::kRed, Qt::DiagCrossPattern));
  painter.setPen(QPen(look::kGraphite, 1.6));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(piece);
  constexpr double kLeastBlade = 4;  // to be seen from two metres
  if (rip && blade.height() < kLeastBlade)
    blade = QRectF(blade.x(), blade.center().y() - kLeastBlade / 2, blade.width(), kLeastBlade);
  if (!rip && blade.width() < kLeastBlade)
    blade = QRectF(blade.center().x() - kLeastBlade / 2, blade.y(), kLeastBlade, blade.height());
  if (one.play) {
    const auto along = [&](Length at) {
      return rip ? map.rect({}, at, {}, {}).y() : map.rect(at, {}, {}, {}).x();
    };
    const double from = along(one.play->from);
    const double to = along(one.play->to + one.kerf);
    QColor band = look::kRed;
    band.setAlpha(60);
    painter.fillRect(rip ? QRectF(piece.x(), from, piece.width(), to - from)
                         : QRectF(from, piece.y(), to - from, piece.height()),
                     band);
  }
  painter.fillRect(blade, look::kRed);
  if (!one.isToMark())
    painter.fillRect(fenceOf(piece, one), QBrush(look::kGraphite, Qt::BDiagPattern));
  name(painter, low, saw.low(cut));
  name(painter, high, saw.high(cut));
}

}  // namespace pp
