#include "pictures/paint/finish_picture.h"

#include <QObject>
#include <algorithm>

#include "core/breakdown/fittings.h"
#include "pictures/paint/lie.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

struct Inks {
  double unit;  // a pixel of the screen
  QColor line, wash;
};

// A face as it is looked at: the outside is turned over, left to right.
void drawFace(QPainter& painter, const Lie& lie, const Part& part, Face face, bool isFinished,
              const Inks& inks) {
  const QRectF& board = lie.board;
  if (isFinished) painter.fillRect(board, inks.wash);
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(inks.line, 1.2 * inks.unit));
  painter.drawRect(board);
  const QBrush bare(inks.line, Qt::BDiagPattern);
  const auto across = [&](Length v) {
    return face == Face::Inside ? lie.x(v) : board.left() + v.inMm() * lie.scale;
  };
  if (isFinished)
    for (const Machining& cut : part.machining) {
      if (cut.face != face || !keepsGlue(cut)) continue;
      const Box room = intersection(removed(cut, part), part.board());
      if (room.empty()) continue;
      const QRectF at = QRectF(QPointF(across(room.low[1]), lie.y(room.low[0])),
                               QPointF(across(room.high[1]), lie.y(room.high[0])))
                            .normalized();
      painter.fillRect(at, Qt::white);
      painter.fillRect(at, bare);
      painter.drawRect(at);
    }
  // Edges that are joined.
  for (const Join& join : part.joins) {
    const bool near = join.edge == Edge::L1 || join.edge == Edge::W1;
    constexpr double kThick = 5;
    const double thick = kThick * inks.unit;
    QRectF at;
    if (isEnd(join.edge)) {
      at = QRectF(board.left(), near ? board.top() - thick : board.bottom(), board.width(), thick);
    } else {
      const bool right = near == (face == Face::Inside);
      at = QRectF(right ? board.right() : board.left() - thick, board.top(), thick, board.height());
    }
    painter.fillRect(at, bare);
  }
}

void draw(QPainter& painter, const QRectF& room, const bench::Finished::Row& row, const Part& part,
          double gap, double least, const Inks& inks,
          const std::function<void(const QRectF&, Face)>& under) {
  const double half = (room.width() - gap) / 2;
  for (const Face face : {Face::Inside, Face::Outside}) {
    const bool inside = face == Face::Inside;
    const Lie lie(
        part, Edge::L1,
        QRectF(inside ? room.left() : room.left() + half + gap, room.top(), half, room.height()),
        least);
    under(lie.board, face);
    drawFace(
        painter, lie, part, face,
        inside ? row.inside && row.area.inside > Area{} : row.outside && row.area.outside > Area{},
        inks);
  }
}

}  // namespace

QString methodWords(ApplyMethod method) {
  switch (method) {
    case ApplyMethod::Brush:
      return QObject::tr("brush");
    case ApplyMethod::Roller:
      return QObject::tr("roller");
    case ApplyMethod::Spray:
      return QObject::tr("spray");
    case ApplyMethod::Wipe:
      break;
  }
  return QObject::tr("wipe");
}

QString finishedWords(const bench::Finished::Row& row) {
  const bool inside = row.inside && row.area.inside > Area{};
  const bool outside = row.outside && row.area.outside > Area{};
  const QString faces = inside && outside ? QObject::tr("both faces")
                        : inside          ? QObject::tr("the inside face")
                        : outside         ? QObject::tr("the outside face")
                                          : QString();
  if (!row.edges || row.area.edges == Area{}) return faces;
  return faces.isEmpty() ? QObject::tr("the edges") : QObject::tr("%1 and the edges").arg(faces);
}

QString groupWords(const bench::Finished& group) {
  const QString finish = QObject::tr(finishName(group.finish));
  return group.isWhole ? QObject::tr("%1, put together").arg(finish) : finish;
}

QString timeWords(std::int64_t minutes) {
  constexpr std::int64_t kHour = 60, kDay = 24 * kHour;
  return QObject::tr("day %1, %2:%3")
      .arg(minutes / kDay + 1)
      .arg(minutes % kDay / kHour)
      .arg(minutes % kHour, 2, 10, QLatin1Char('0'));
}

QString volumeFigure(std::int64_t millilitres, Unit unit) {
  constexpr double kOunce = 29.5735295625, kQuart = 32 * kOunce, kLitre = 1000;
  const auto amount = static_cast<double>(millilitres);
  if (unit == Unit::Inch)
    return amount < kQuart ? QObject::tr("%1 fl oz").arg(amount / kOunce, 0, 'f', 1)
                           : QObject::tr("%1 qt").arg(amount / kQuart, 0, 'f', 2);
  return amount < kLitre ? QObject::tr("%1 ml").arg(millilitres)
                         : QObject::tr("%1 l").arg(amount / kLitre, 0, 'f', 2);
}

QString headsWords(const bench::SeenHeads& heads) {
  QStringList out;
  if (heads.screws > 0)
    out << counted(heads.screws, QObject::tr("screw head"), QObject::tr("screw heads"));
  if (heads.brads > 0) out << counted(heads.brads, QObject::tr("brad"), QObject::tr("brads"));
  if (out.isEmpty()) return {};
  const std::int64_t plugs = heads.screws - heads.painted;
  const QString cover =
      plugs == 0 ? QObject::tr("filled")
      : heads.painted + heads.brads == 0
          ? QObject::tr("plugged")
          : QObject::tr("%1, the others filled")
                .arg(counted(plugs, QObject::tr("plugged"), QObject::tr("plugged")));
  return QObject::tr("seen: %1; %2 before sanding").arg(out.join(QStringLiteral(", ")), cover);
}

void paintFinished(QPainter& painter, const QRectF& room, const bench::Finished::Row& row,
                   const Part& part, Tone tone) {
  constexpr double kWords = 24, kGap = 60, kMargin = 14;
  QColor wash = look::kRed;
  wash.setAlpha(46);
  painter.setFont(look::text(15, true));
  draw(painter, room.adjusted(kMargin, kMargin, -kMargin, -kWords - kMargin), row, part, kGap, 8,
       {1, look::kGraphite, wash}, [&](const QRectF& board, Face face) {
         paintWood(painter, board, tone, part.grain == PartGrain::Width, 7);
         painter.setPen(look::kGraphite);
         drawText(painter, QRectF(board.center().x() - 120, room.bottom() - kWords, 240, kWords),
                  Qt::AlignCenter,
                  face == Face::Inside ? QObject::tr("inside") : QObject::tr("outside"));
       });
}

void paintFinishedOnPaper(QPainter& painter, const QRectF& room, const bench::Finished::Row& row,
                          const Part& part) {
  draw(painter, room.adjusted(1, 1, -1, -1), row, part, 3, 1.2,
       {0.16, Qt::black, QColor(0xDC, 0xDC, 0xDC)}, [](const QRectF&, Face) {});
}

}  // namespace pp
