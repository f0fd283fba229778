#include "pictures/paint/fastener_picture.h"

#include <QObject>

#include "pictures/paint/lie.h"
#include "words/figures.h"

namespace pp {

QString fastenerWords(const bench::Fasteners& one, std::int64_t count, const LengthStyle& style) {
  QString out = counted(count, qs(one.name), qs(one.name) + QLatin1Char('s'));
  if (one.length > Length{}) out += QLatin1Char(' ') + figureWithUnit(one.length, style);
  return out;
}

QString positionWords(const Part& part, Edge edge, const bench::Fasteners& one,
                      const LengthStyle& style) {
  const std::vector<Length>& at = one.at;
  const Side side = part.edges[static_cast<std::size_t>(isEnd(edge) ? Edge::L1 : Edge::W1)];
  const QString from = QObject::tr("from the %1").arg(qs(sideName(side)));
  constexpr Length kSame = Length::um(10);
  bool even = at.size() > 2;
  for (std::size_t i = 2; i < at.size(); ++i) {
    const Length off = (at[i] - at[i - 1]) - (at[1] - at[0]);
    even = even && off < kSame && -off < kSame;
  }
  if (even)
    return QObject::tr("at %1 and every %2 %3")
        .arg(figure(at[0], style), figure(at[1] - at[0], style), from);
  QStringList all;
  for (const Length place : at) all << figure(place, style);
  return QObject::tr("at %1 %2").arg(all.join(QStringLiteral(", ")), from);
}

void paintFastenersOnPaper(QPainter& painter, const QRectF& room, const Part& part,
                           const std::vector<bench::Fastened>& rows) {
  constexpr double kLine = 0.16, kMark = 0.9, kLeast = 2;
  const Lie lie(part, Edge::L1, room.adjusted(kMark, kMark, -kMark, -kMark), kLeast);
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(Qt::black, kLine));
  painter.drawRect(lie.board);
  painter.setBrush(Qt::black);
  for (const bench::Fastened& row : rows)
    for (const Length at : row.fasteners.at) {
      const Flat mark = atEdge(part, row.edge, at.inMm(), 0);
      painter.drawEllipse(
          QPointF(lie.board.right() - mark.v * lie.scale, lie.board.top() + mark.u * lie.scale),
          kMark / 2, kMark / 2);
    }
}

}  // namespace pp
