#include "pictures/paint/rack_picture.h"

#include <QObject>
#include <algorithm>

#include "pictures/paint/look.h"
#include "pictures/paint/wood.h"
#include "words/figures.h"
#include "words/tr.h"

namespace pp {
namespace {

constexpr double kLeastCell = 60;
constexpr double kMostShown = 200;  // rows that are looked at: more have no room on any screen
constexpr double kWords = 48;       // three lines
constexpr double kBehind = 3;       // from one sheet to the next behind it
constexpr std::int64_t kMostBehind = 4;

QFont wordsFont() {
  return look::text(look::kLeast);
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

namespace {

// What stands beneath a row.
QStringList linesOf(const std::vector<RackMaterial>& materials, const RackRow& row,
                    const LengthStyle& style) {
  const RackPiece& piece = row.piece;
  return {(piece.tag > 0 ? tr("R%1  ").arg(piece.tag) : QString()) +
              rackMaterialWords(materials, piece.material, style),
          figures(piece.length, piece.width, style),
          row.free == row.left ? tr("%1 there").arg(row.left)
                               : tr("%1 of %2 free").arg(row.free).arg(row.left)};
}

}  // namespace

std::vector<RackPlace> rackPlaces(const QRectF& room, const std::vector<RackMaterial>& materials,
                                  const std::vector<RackRow>& rows, const LengthStyle& style) {
  const QFontMetricsF metrics(wordsFont());
  const double behind = kBehind * static_cast<double>(kMostBehind) + 2;
  const double high = room.height() - kWords - behind;
  if (high <= 0) return {};
  double highest = 1;
  std::vector<double> words;
  for (const RackRow& row : rows) {
    if (static_cast<double>(words.size()) >= kMostShown) break;
    highest = std::max(highest, row.piece.length.inMm());
    double wide = kLeastCell;
    for (const QString& line : linesOf(materials, row, style))
      wide = std::max(wide, metrics.horizontalAdvance(line));
    words.push_back(wide);
  }
  const double scale = high / highest;
  const double foot = room.bottom() - kWords;
  std::vector<RackPlace> out;
  double x = room.left();
  for (std::size_t i = 0; i < words.size(); ++i) {
    const RackPiece& piece = rows[i].piece;
    const double wide = piece.width.inMm() * scale;
    const double tall = piece.length.inMm() * scale;
    const double cell = std::max(words[i] + 4, wide + behind);
    if (x + cell > room.right()) break;
    out.push_back({piece.id, QRectF(x + 2, foot - tall, wide, tall),
                   QRectF(x + 2, foot + 3, cell, kWords - 3)});
    x += cell + 12;
  }
  return out;
}

void paintRack(QPainter& painter, const QRectF& room, const std::vector<RackMaterial>& materials,
               const std::vector<RackRow>& rows, Id chosen, const LengthStyle& style) {
  const std::vector<RackPlace> places = rackPlaces(room, materials, rows, style);
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
    painter.setFont(wordsFont());
    painter.setPen(look::kGraphite);
    double y = places[i].words.top();
    for (const QString& line : linesOf(materials, row, style)) {
      painter.drawText(QRectF(places[i].words.left(), y, places[i].words.width(), 15),
                       Qt::AlignLeft | Qt::AlignVCenter, line);
      y += 15;
    }
  }
}

}  // namespace pp
