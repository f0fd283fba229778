#include "pictures/paint/cut_picture.h"

#include <QObject>

#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"

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
      return qs(becomes.name);
    case What::Leftover:
      return QObject::tr("keep %1").arg(qs(becomes.name));
    case What::Waste:
      break;
  }
  return QObject::tr("waste");
}

void paintCut(QPainter& painter, const QRectF& room, const floor::AtSaw& saw, std::size_t cut,
              Tone tone) {
  const SawCut& one = saw.plan().cuts[cut];
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
  const StockSupply& stock = saw.cutting().request.stock[saw.plan().sheets[made.piece.sheet].stock];
  paintWood(painter, piece, tone, stock.grain != SheetGrain::Width, 1);
  const bool rip = one.direction == CutDirection::Rip;
  QRectF low = piece;
  QRectF high = piece;
  (rip ? low.setBottom(blade.top()) : low.setRight(blade.left()));
  (rip ? high.setTop(blade.bottom()) : high.setLeft(blade.right()));
  // What comes off is washed.
  QColor wash = look::kPaper;
  wash.setAlpha(150);
  painter.fillRect(one.fence == FenceSide::Low ? high : low, wash);
  for (const Defect& defect : stock.defects)
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
  painter.fillRect(blade, look::kRed);
  if (one.kind != CutKind::Trim)
    painter.fillRect(fenceOf(piece, one), QBrush(look::kGraphite, Qt::BDiagPattern));
  name(painter, low, saw.low(cut));
  name(painter, high, saw.high(cut));
}

}  // namespace pp
