#include "pictures/paint/bench_picture.h"

#include <QObject>
#include <QPolygonF>
#include <algorithm>
#include <cmath>

#include "core/joinery/rules.h"
#include "core/parts/solid.h"
#include "pictures/paint/lie.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/tr.h"

namespace pp {
namespace {

QString degrees(Angle angle) {
  constexpr double kMillidegrees = 1000;
  return QStringLiteral("%1°").arg(static_cast<double>(angle.inMillidegrees()) / kMillidegrees);
}

bool isFromBelow(const bench::Work& work, const Part& part) {
  return work.down == part.machining[work.machining].face;
}

// What is cut away of a shape that no fence sets, along and across the board.
std::vector<std::vector<Flat>> shapesOf(const Machining& cut, const Part& part) {
  const auto corner = [](Length u, Length v) { return Flat{u.inMm(), v.inMm()}; };
  switch (cut.cut) {
    case MachiningKind::Notch:
    case MachiningKind::Recess:
    case MachiningKind::ThicknessTaper:
      return {{corner(cut.u0, cut.v0), corner(cut.u1, cut.v0), corner(cut.u1, cut.v1),
               corner(cut.u0, cut.v1)}};
    case MachiningKind::Taper: {
      const SlantedEdge at = slantedEdge(cut, part);
      const bool end = isEnd(cut.from);
      const bool low = cut.from == Edge::L1 || cut.from == Edge::W1;
      const Length edge = low ? Length{} : end ? part.length.total() : part.width.total();
      return {{corner(at.u0, at.v0), corner(at.u1, at.v1),
               corner(end ? edge : at.u1, end ? at.v1 : edge),
               corner(end ? edge : at.u0, end ? at.v0 : edge)}};
    }
    case MachiningKind::RoundOver:
    case MachiningKind::Chamfer: {
      const double whole = (isEnd(cut.from) ? part.width : part.length).total().inMm();
      const double in = cut.width.inMm();
      return {{atEdge(part, cut.from, 0, 0), atEdge(part, cut.from, whole, 0),
               atEdge(part, cut.from, whole, in), atEdge(part, cut.from, 0, in)}};
    }
    default:
      return cutOff(cut, part);
  }
}

// A point of the board as it lies before the maker.
QPointF onBench(const Lie& lie, const bench::Work& work, const Part& part, Flat at) {
  const auto from = [&](Edge edge) {
    switch (edge) {
      case Edge::L1:
        return at.v;
      case Edge::L2:
        return part.width.total().inMm() - at.v;
      case Edge::W1:
        return at.u;
      case Edge::W2:
        break;
    }
    return part.length.total().inMm() - at.u;
  };
  constexpr double kUm = 1000;
  const auto length = [](double mm) { return Length::um(std::llround(mm * kUm)); };
  return {lie.x(length(from(work.against))), lie.y(length(from(work.leading)))};
}

struct Inks {
  double unit;  // a pixel of the screen
  QColor line, cut, wash;
};

void draw(QPainter& painter, const Lie& lie, const bench::Setting& setting, const bench::Work& work,
          const Part& part, const Inks& inks) {
  const Machining& cut = part.machining[work.machining];
  const bool fromBelow = isFromBelow(work, part);
  const QRectF& board = lie.board;
  const double u = inks.unit;
  painter.setPen(QPen(inks.line, 1.2 * u));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(board);
  if (isFromFence(setting)) {
    const QRectF fence(board.right() + u, board.top() - 12 * u, 16 * u, board.height() + 24 * u);
    painter.fillRect(fence, QBrush(inks.line, Qt::BDiagPattern));
    painter.drawRect(fence);
    // The way it is fed.
    const QPointF tip(board.left() - 14 * u, board.top());
    painter.drawLine(tip, QPointF(tip.x(), board.bottom()));
    painter.drawLine(tip, tip + QPointF(-5, 9) * u);
    painter.drawLine(tip, tip + QPointF(5, 9) * u);
  }
  painter.setPen(QPen(inks.cut, 2 * u, fromBelow ? Qt::DashLine : Qt::SolidLine));
  painter.setBrush(inks.wash);
  if (setting.cut == MachiningKind::Bevel || setting.cut == MachiningKind::EdgeGroove) {
    const double at =
        setting.cut == MachiningKind::Bevel ? board.left() + u : board.right() - 2 * u;
    painter.drawLine(QPointF(at, board.top()), QPointF(at, board.bottom()));
  } else if (setting.tool == bench::Tool::Drill || setting.tool == bench::Tool::PocketJig) {
    const double radius = std::max(3 * u, cut.width.inMm() * lie.scale / 2);
    const Length from = setting.tool == bench::Tool::Drill ? setting.distance : cut.distance;
    for (int i = 0; i < std::max(cut.holes, 1); ++i) {
      const Length at = work.begin + static_cast<std::int64_t>(i) * cut.pitch;
      painter.drawEllipse(QPointF(lie.x(from), lie.y(std::min(at, lie.along))), radius, radius);
    }
  } else if (isFromFence(setting)) {
    const Length from = setting.distance;
    painter.drawRect(
        QRectF(QPointF(lie.x(from + setting.width), lie.y(work.begin)),
               QPointF(lie.x(from), lie.y(std::max(work.end, work.begin + Length::mm(1))))));
  } else {
    for (const std::vector<Flat>& shape : shapesOf(cut, part)) {
      QPolygonF outline;
      for (const Flat& at : shape) outline << onBench(lie, work, part, at);
      painter.drawPolygon(outline);
    }
  }
}

}  // namespace

namespace {

// Whether a cut-out reaches no edge.
bool isWithin(const Machining& cut, const Part& part) {
  return cut.cut == MachiningKind::Notch && cut.u0 > Length{} && cut.v0 > Length{} &&
         cut.u1 < part.length.total() && cut.v1 < part.width.total();
}

}  // namespace

QString settingWords(const bench::Setting& setting, const LengthStyle& style) {
  switch (setting.tool) {
    case bench::Tool::PocketJig:
      return figureWithUnit(setting.depth, style);
    case bench::Tool::Jig:
      return degrees(setting.tilt);
    case bench::Tool::HandSaw:
    case bench::Tool::Template:
      return qs(cutName(setting.cut));
    case bench::Tool::EaseBit:
      return figureWithUnit(setting.width, style);
    default:
      return figureWithUnit(setting.distance, style);
  }
}

QString cutWords(const bench::Setting& setting, const LengthStyle& style) {
  const auto size = [&](Length length) { return figureWithUnit(length, style); };
  QStringList out;
  const bool hole = setting.tool == bench::Tool::Drill;
  if (setting.tool == bench::Tool::PocketJig) return tr("jig and collar set for that thickness");
  if (setting.cut == MachiningKind::Bevel) out << tr("blade at %1").arg(degrees(setting.tilt));
  if (hole)
    out << tr("bit %1").arg(size(setting.width));
  else if (isFromFence(setting) && setting.width > Length{})
    out << tr("%1 wide").arg(size(setting.width));
  if (setting.depth > Length{} && setting.tool != bench::Tool::HandSaw)
    out << tr("%1 deep").arg(size(setting.depth));
  if (setting.bit > Length{} && setting.bit < setting.width)
    out << tr("bit %1").arg(size(setting.bit));
  if (setting.passes > 1)
    out << tr("%1 passes, %2 from one to the next").arg(setting.passes).arg(size(setting.step));
  return out.join(QStringLiteral(", "));
}

QString liesWords(const bench::Setting& setting, const bench::Work& work, const Part& part) {
  const QString face = work.down == Face::Inside ? tr("inside face down") : tr("outside face down");
  if (setting.cut == MachiningKind::EdgeGroove)
    return tr("on its %1 edge, inside face at the fence").arg(edgeWord(part, work.against));
  if (const Machining& cut = part.machining[work.machining]; isWithin(cut, part))
    return tr("inside the board, %1").arg(face);
  if (!isFromFence(setting))
    return tr("at the %1 edge, %2").arg(edgeWord(part, work.against), face);
  QString out = tr("%1 edge at the fence, %2 edge first, %3")
                    .arg(edgeWord(part, work.against), edgeWord(part, work.leading), face);
  if (work.stopped) out += tr(", stopped");
  if (work.fromOtherEnd) out += tr(", from the other end");
  return out;
}

QString rowWords(const bench::Work& work, const Part& part, const LengthStyle& style) {
  const Machining& cut = part.machining[work.machining];
  if (cut.holes <= 0) return {};
  const auto size = [&](Length length) { return figureWithUnit(length, style); };
  if (cut.cut == MachiningKind::Pockets)
    return tr("%1, screws %2 long")
        .arg(counted(cut.holes, tr("pocket"), tr("pockets")),
             size(joinery::pocketScrewFor(part.thickness, style.unit)));
  const QString first =
      tr("first %1 from the %2 edge").arg(size(work.begin), edgeWord(part, work.leading));
  return cut.holes == 1
             ? first
             : tr("%1, %2 in all, %3 apart").arg(first).arg(cut.holes).arg(size(cut.pitch));
}

bool isFromFence(const bench::Setting& setting) {
  switch (setting.tool) {
    case bench::Tool::DadoStack:
    case bench::Tool::RouterTable:
    case bench::Tool::TableSaw:
    case bench::Tool::Router:
    case bench::Tool::Drill:
      return true;
    default:
      return false;
  }
}

QString toolWords(bench::Tool tool) {
  switch (tool) {
    case bench::Tool::DadoStack:
      return tr("dado stack");
    case bench::Tool::RouterTable:
      return tr("router table");
    case bench::Tool::TableSaw:
      return tr("table saw");
    case bench::Tool::Router:
      return tr("router, straightedge");
    case bench::Tool::Drill:
      return tr("drill with a jig");
    case bench::Tool::PocketJig:
      return tr("pocket jig");
    case bench::Tool::Jig:
      return tr("taper jig on the saw");
    case bench::Tool::HandSaw:
      return tr("hand saw and chisel");
    case bench::Tool::Template:
      return tr("template");
    case bench::Tool::EaseBit:
      break;
  }
  return tr("easing bit");
}

QString testWords(const bench::Setting& setting) {
  if (!setting.testCut) return {};
  if (setting.cut == MachiningKind::Bevel)
    return tr("test first: two scraps against a square show twice the error");
  return tr("test first: on scrap, with the %1 that goes in").arg(qs(setting.goesIn));
}

void paintWork(QPainter& painter, const QRectF& room, const bench::Setting& setting,
               const bench::Work& work, const Part& part, Tone tone) {
  constexpr double kMargin = 34;  // for the names of the edges
  constexpr double kBeside = 66;
  constexpr double kFence = 24;
  const Lie lie(part, work.against,
                room.adjusted(kMargin + 50, kMargin, -kMargin - kBeside, -kMargin), 8);
  paintWood(painter, lie.board, tone, (part.grain != PartGrain::Width) == lie.ends, 7);
  QColor wash = look::kRed;
  wash.setAlpha(isFromBelow(work, part) ? 40 : 80);
  draw(painter, lie, setting, work, part, {1, look::kGraphite, look::kRed, wash});
  paintEdgeNames(painter, room, lie, part, work.against, work.leading, kFence);
}

void paintWorkOnPaper(QPainter& painter, const QRectF& room, const bench::Setting& setting,
                      const bench::Work& work, const Part& part) {
  const Lie lie(part, work.against, room.adjusted(3.5, 1.5, -4.5, -1.5), 1.2);
  draw(painter, lie, setting, work, part, {0.16, Qt::black, Qt::black, QColor(0xC8, 0xC8, 0xC8)});
}

}  // namespace pp
