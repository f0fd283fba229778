#include "pictures/paint/banding_picture.h"

#include <QObject>

#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

// The edge at the top when `edge` is at the right and the inside face up.
Edge above(Edge edge) {
  return isEnd(edge) ? Edge::L1 : Edge::W2;
}

QLineF lineOf(const QRectF& board, Edge edge, Edge right) {
  if (edge == right) return {board.topRight(), board.bottomRight()};
  if (edge == opposite(right)) return {board.topLeft(), board.bottomLeft()};
  return edge == above(right) ? QLineF(board.topLeft(), board.topRight())
                              : QLineF(board.bottomLeft(), board.bottomRight());
}

void draw(QPainter& painter, const Lie& lie, const bench::Strip& strip, const Part& part,
          double unit, const QColor& line, const QColor& band) {
  const QRectF& board = lie.board;
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(line, 1.2 * unit));
  painter.drawRect(board);
  for (const Edge edge : kEdges) {
    if (edge == strip.edge || part.band(edge).empty()) continue;
    painter.setPen(QPen(line, 4 * unit, Qt::SolidLine, Qt::FlatCap));
    painter.drawLine(lineOf(board, edge, strip.edge));
  }
  // Beside the edge, as long as it is cut.
  const double beyond = (strip.length - strip.edgeLength).inMm() * lie.scale / 2;
  painter.setPen(QPen(band, 6 * unit, Qt::SolidLine, Qt::FlatCap));
  const double at = board.right() + 6 * unit;
  painter.drawLine(QPointF(at, board.top() - beyond), QPointF(at, board.bottom() + beyond));
}

}  // namespace

QString bandingName(const Job& job, const std::string& id) {
  const Banding* banding = findBanding(job, id);
  return qs(banding == nullptr ? id : banding->name);
}

QString solidWords(const bench::SolidEdging& one, const std::vector<bench::Pieces>& pieces,
                   const LengthStyle& style) {
  const Part& part = pieces[one.row].part;
  const QString corners = !one.meetsOthers ? QString()
                          : one.isMitred   ? QObject::tr(", mitred corners")
                                           : QObject::tr(", butted corners");
  return QObject::tr("%1 %2, %3 × %4%5; flushed when the glue is dry")
      .arg(qs(part.code), qs(part.name), figure(part.length.total(), style),
           figureWithUnit(part.width.total(), style), corners);
}

QString gluedWords(bench::Glued glued) {
  switch (glued) {
    case bench::Glued::BeforeCuts:
      return QObject::tr("before the cut that ends it, so that the mitre is clean");
    case bench::Glued::OnPart:
      return QObject::tr("on the part");
    case bench::Glued::OnCase:
      return QObject::tr("on the case, over its joints");
    case bench::Glued::Between:
      break;
  }
  return QObject::tr("on the case, between what runs through");
}

QString stripWords(const bench::Strip& strip, const Part& part, const LengthStyle& style) {
  return QObject::tr("%1 edge, %2 long")
      .arg(edgeWord(part, strip.edge), figureWithUnit(strip.edgeLength, style));
}

void paintStrip(QPainter& painter, const QRectF& room, const bench::Strip& strip, const Part& part,
                Tone tone) {
  constexpr double kMargin = 44;  // for the names of the edges and what stands over
  constexpr double kSide = 90;
  constexpr double kBeyond = 22;
  const Lie lie(part, strip.edge, room.adjusted(kSide, kMargin, -kSide, -kMargin), 8);
  paintWood(painter, lie.board, tone, (part.grain != PartGrain::Width) == lie.ends, 7);
  draw(painter, lie, strip, part, 1, look::kGraphite, look::kRed);
  paintEdgeNames(painter, room, lie, part, strip.edge, above(strip.edge), kBeyond);
}

void paintStripOnPaper(QPainter& painter, const QRectF& room, const bench::Strip& strip,
                       const Part& part) {
  const Lie lie(part, strip.edge, room.adjusted(2, 2, -4, -2), 1.2);
  draw(painter, lie, strip, part, 0.16, Qt::black, Qt::black);
}

}  // namespace pp
