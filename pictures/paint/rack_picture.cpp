#include "pictures/paint/rack_picture.h"

#include <QObject>
#include <algorithm>

#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"
#include "pictures/paint/wood.h"

namespace pp {
namespace {

constexpr double kCell = 92;   // pixels that the words beneath want
constexpr double kWords = 48;  // three lines
constexpr double kBehind = 3;  // from one sheet to the next behind it
constexpr std::int64_t kMostBehind = 4;

QString tr(const char* text) {
  return QObject::tr(text);
}

double highest(const std::vector<RackRow>& rows) {
  double out = 1;
  for (const RackRow& row : rows) out = std::max(out, row.piece.length.inMm());
  return out;
}

const RackMaterial* materialOf(const std::vector<RackMaterial>& materials, Id id) {
  for (const RackMaterial& one : materials)
    if (one.id == id) return &one;
  return nullptr;
}

}  // namespace

QString rackMaterialWords(const std::vector<RackMaterial>& materials, Id id,
                          const LengthStyle& style) {
  const RackMaterial* material = materialOf(materials, id);
  return material == nullptr
             ? QString()
             : qs(material->name) + QLatin1Char(' ') + figure(material->nominal, style);
}

std::vector<RackPlace> rackPlaces(const QRectF& room, const std::vector<RackRow>& rows) {
  std::vector<RackPlace> out;
  const double top = kBehind * static_cast<double>(kMostBehind) + 2;
  const double scale = (room.height() - kWords - top) / highest(rows);
  if (scale <= 0) return out;
  const double foot = room.bottom() - kWords;
  double x = room.left();
  for (const RackRow& row : rows) {
    const double wide = row.piece.width.inMm() * scale;
    const double high = row.piece.length.inMm() * scale;
    const double cell = std::max(kCell, wide + top + 12);
    if (x + cell > room.right() + 1) break;
    out.push_back({row.piece.id, QRectF(x + 2, foot - high, wide, high),
                   QRectF(x + 2, foot + 3, cell - 6, kWords - 3)});
    x += cell;
  }
  return out;
}

void paintRack(QPainter& painter, const QRectF& room, const std::vector<RackMaterial>& materials,
               const std::vector<RackRow>& rows, Id chosen, const LengthStyle& style) {
  const std::vector<RackPlace> places = rackPlaces(room, rows);
  painter.setPen(QPen(look::kPencil, 1.2));
  painter.drawLine(QPointF(room.left(), room.bottom() - kWords),
                   QPointF(room.right(), room.bottom() - kWords));
  for (std::size_t i = 0; i < places.size(); ++i) {
    const RackRow& row = rows[i];
    const RackPiece& piece = row.piece;
    const RackMaterial* material = materialOf(materials, piece.material);
    const QColor wood = woodColour(material == nullptr ? Tone::Birch : material->tone);
    painter.setPen(QPen(look::kGraphite, 1));
    // The hindmost first.
    for (std::int64_t n = std::min(row.left, kMostBehind); n-- > 0;) {
      const double off = kBehind * static_cast<double>(n);
      painter.setBrush(wood);
      painter.drawRect(places[i].face.translated(off, -off));
    }
    if (row.free < row.left) {
      // From below as much as is promised.
      QRectF promised = places[i].face;
      const double share = 1 - static_cast<double>(std::max<std::int64_t>(0, row.free)) /
                                   static_cast<double>(row.left);
      promised.setTop(promised.bottom() - promised.height() * share);
      painter.fillRect(promised, QBrush(look::kGraphite, Qt::BDiagPattern));
    }
    for (const Defect& defect : piece.defects) {
      const double scale = places[i].face.height() / piece.length.inMm();
      painter.fillRect(QRectF(places[i].face.left() + defect.y.inMm() * scale,
                              places[i].face.bottom() - (defect.x + defect.width).inMm() * scale,
                              defect.height.inMm() * scale, defect.width.inMm() * scale),
                       QBrush(look::kRed, Qt::DiagCrossPattern));
    }
    painter.setBrush(Qt::NoBrush);
    if (piece.id == chosen) {
      painter.setPen(QPen(look::kSlate, 2.6));
      painter.drawRect(places[i].face.adjusted(-2, -2, 2, 2));
    }
    painter.setFont(look::text(look::kLeast));
    painter.setPen(look::kGraphite);
    const QString first = (piece.tag > 0 ? tr("R%1  ").arg(piece.tag) : QString()) +
                          rackMaterialWords(materials, piece.material, style);
    const QString count = row.free == row.left ? tr("%1 there").arg(row.left)
                                               : tr("%1 of %2 free").arg(row.free).arg(row.left);
    const QFontMetricsF metrics(painter.font());
    double y = places[i].words.top();
    for (const QString& line : {first, figures(piece.length, piece.width, style), count}) {
      painter.drawText(QRectF(places[i].words.left(), y, places[i].words.width(), 15),
                       Qt::AlignLeft | Qt::AlignVCenter,
                       metrics.elidedText(line, Qt::ElideRight, places[i].words.width()));
      y += 15;
    }
  }
}

}  // namespace pp
