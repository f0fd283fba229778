#include "pictures/paint/assembly_picture.h"

#include <QImage>
#include <QObject>
#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

#include "core/assembly/phases.h"
#include "pictures/paint/fastener_picture.h"
#include "pictures/paint/look.h"
#include "pictures/paint/solid_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

using bench::AssemblyStep;
using bench::Closed;
using bench::UnitKind;
using bench::UnitOrder;
using Rows = std::vector<bench::Pieces>;

const Part& partAt(const Rows& pieces, const bench::PieceAt& at) {
  return pieces[at.row].part;
}

QString nameOf(const Rows& pieces, const bench::PieceAt& at) {
  return qs(partAt(pieces, at).name);
}

QString kindWord(JoinKind kind) {
  switch (kind) {
    case JoinKind::Dado:
      return QObject::tr("dado");
    case JoinKind::Pocket:
      return QObject::tr("pocket screws");
    case JoinKind::LooseTenon:
      return QObject::tr("loose tenons");
    case JoinKind::Dowel:
      return QObject::tr("dowels");
    case JoinKind::Brads:
      return QObject::tr("brads");
    case JoinKind::Rabbet:
      return QObject::tr("rabbet");
    case JoinKind::Mitre:
      return QObject::tr("mitre");
    case JoinKind::Glued:
      return {};
    case JoinKind::Butt:
      break;
  }
  return QObject::tr("screws");
}

QString glueWords(const Closed& joint) {
  if (!joint.glued) return QObject::tr("no glue");
  switch (joint.gluing) {
    case Gluing::InPlace:
      return QObject::tr("dry here, glued where it will stand");
    case Gluing::Never:
      return QObject::tr("no glue: it comes apart again");
    case Gluing::InShop:
      break;
  }
  return QObject::tr("glue");
}

// "70 mm, 646 mm"
QString placesWords(const std::vector<Length>& at, const LengthStyle& style) {
  QStringList out;
  for (const Length one : at) out << figureWithUnit(one, style);
  return out.join(QStringLiteral(", "));
}

// What is mounted with the piece, and where; then by what.
QStringList mountedWords(const Mounting& of, const LengthStyle& style) {
  QString out;
  const auto count = [&of](const QString& one, const QString& more) {
    return counted(of.count, one, more);
  };
  switch (of.kind) {
    case HardwareKind::Slide:
      out = QObject::tr("a pair of slides, %1").arg(qs(of.name));
      if (of.up)
        out += QObject::tr(": their middle %1 above what the box stands over")
                   .arg(figureWithUnit(*of.up, style));
      break;
    case HardwareKind::Hinge:
      if (of.length > Length{})
        out = QObject::tr("a continuous hinge, %1").arg(figureWithUnit(of.length, style));
      else if (of.name == "butt hinge")
        out = count(QObject::tr("butt hinge"), QObject::tr("butt hinges"));
      else
        out = QObject::tr("%1 at %2, their plates at the same heights")
                  .arg(count(QObject::tr("cup hinge"), QObject::tr("cup hinges")),
                       placesWords(of.at, style));
      break;
    case HardwareKind::Pin:
      return {QObject::tr("on %1").arg(count(QObject::tr("pin"), QObject::tr("pins")))};
    case HardwareKind::Pull:
      return {QObject::tr("%1, from behind").arg(count(QObject::tr("pull"), QObject::tr("pulls")))};
    case HardwareKind::Caster:
      out = QObject::tr("then, the case on its back: %1, each fit for a third of the load")
                .arg(count(QObject::tr("caster"), QObject::tr("casters")));
      break;
    default:
      out = QObject::tr("then, the case on its back: %1")
                .arg(counted(of.count, qs(of.name), qs(of.name + "s")));
      break;
  }
  if (of.screws == 0) return {out};
  return {out, QObject::tr("%1 each, no longer than %2")
                   .arg(counted(of.screws, QObject::tr("screw"), QObject::tr("screws")),
                        figureWithUnit(of.screw, style))};
}

// Two that are alike are said once.
QStringList holdsWords(const AssemblyStep& step, const Rows& pieces, const LengthStyle& style) {
  struct Row {
    JoinKind kind;
    Gluing gluing;
    bench::Fasteners fasteners;
    std::int64_t count = 0;
    std::map<QString, int> to;
    const Closed* first = nullptr;
    int joints = 0;
  };
  std::vector<Row> rows;
  const auto isHere = [&](const bench::PieceAt& at) {
    return std::find(step.pieces.begin(), step.pieces.end(), at) != step.pieces.end();
  };
  for (const Closed& joint : step.joints) {
    auto row = std::find_if(rows.begin(), rows.end(), [&](const Row& one) {
      return one.kind == joint.kind && one.gluing == joint.gluing &&
             one.first->glued == joint.glued && one.fasteners.length == joint.fasteners.length;
    });
    if (row == rows.end())
      row = rows.insert(rows.end(), {joint.kind, joint.gluing, joint.fasteners, 0, {}, &joint, 0});
    row->count += std::ssize(joint.fasteners.at);
    ++row->joints;
    ++row->to[nameOf(pieces, isHere(joint.piece) ? joint.mate : joint.piece)];
  }
  QStringList out;
  for (const Row& row : rows) {
    QStringList to;
    for (const auto& [name, count] : row.to)
      to << (count > 1 ? QObject::tr("%1 ×%2").arg(name).arg(count) : name);
    QStringList by;
    if (!row.fasteners.at.empty()) {
      by << fastenerWords(row.fasteners, row.count, style);
      if (row.joints == 1 && !row.first->flat)
        by.last() += QLatin1Char(' ') + positionWords(partAt(pieces, row.first->piece),
                                                      row.first->edge, row.fasteners, style);
    } else if (row.kind != JoinKind::Glued) {
      by << kindWord(row.kind);
    }
    by << glueWords(*row.first);
    out << QObject::tr("to %1: %2")
               .arg(to.join(QStringLiteral(", ")), by.join(QStringLiteral(", ")));
  }
  // What only lies on others and neither slides in nor lies loose: the drawing does not say how it
  // is held.
  if (step.joints.empty() && step.lie != bench::Lie::First && !step.isWhole &&
      step.mounted.empty() && !bench::isHeldByNothing(pieces[step.row].part.role))
    out << QObject::tr("what holds it is not drawn");
  const PartRole role = pieces[step.row].part.role;
  if (step.joints.empty() && step.lie != bench::Lie::First && !step.isWhole &&
      (role == PartRole::Back || role == PartRole::BoxBottom))
    out << QObject::tr("loose in its grooves, no glue");
  if (step.screws)
    out << QObject::tr("%1 %2 through its box, from inside, no glue")
               .arg(counted(step.screws->count, QObject::tr("screw"), QObject::tr("screws")),
                    figureWithUnit(step.screws->length, style));
  for (const Mounting& one : step.mounted) out << mountedWords(one, style);
  return out;
}

QString liesWords(const AssemblyStep& step) {
  if (step.isLifted)
    return QObject::tr("up into the upper groove, in, and down into the lower one");
  switch (step.lie) {
    case bench::Lie::First:
      return QObject::tr("flat on the bench");
    case bench::Lie::Upright:
      return step.along.z < -0.5  ? QObject::tr("the work upright; it comes from above")
             : step.along.y > 0.5 ? QObject::tr("the work upright; it goes in from the front")
                                  : QObject::tr("the work upright");
    case bench::Lie::OnBack:
      return QObject::tr("the work on its back; it comes from above, the front");
    case bench::Lie::FaceDown:
      return QObject::tr("the work face down; it comes from above, the back");
    case bench::Lie::OnLeftSide:
      return QObject::tr("the work on its left side; it comes from above, the right");
    case bench::Lie::OnRightSide:
      return QObject::tr("the work on its right side; it comes from above, the left");
    case bench::Lie::UpsideDown:
      break;
  }
  return QObject::tr("the work upside down; it comes from above, the foot");
}

bool isFrontStep(const AssemblyStep& step, const Rows& pieces) {
  return bench::phaseOf(pieces[step.row].part.role) == bench::AssemblyPhase::Front;
}

struct PutInScene {
  SolidScene scene;
  std::optional<std::pair<Vec, Vec>> way;  // of what goes in, from where it is drawn
};

PutInScene sceneOf(const UnitOrder& unit, std::size_t step, const Rows& pieces, const Job& job) {
  PutInScene out;
  SolidScene& scene = out.scene;
  const auto add = [&](const AssemblyStep& one, const QString& code, Vec shift) {
    for (std::size_t i = 0; i < one.pieces.size(); ++i)
      addBody(scene, job, partAt(pieces, one.pieces[i]), one.stand[i], code, shift);
  };
  for (std::size_t i = 0; i < step; ++i) add(unit.steps[i], {}, {});
  // So far off that it is seen to go in.
  const Vec size = scene.high - scene.low;
  const double off =
      step == 0 ? 0 : std::clamp(0.3 * std::max({size.x, size.y, size.z}), 60.0, 400.0);
  const std::size_t first = scene.bodies.size();
  add(unit.steps[step], QStringLiteral("goes in"), -off * unit.steps[step].along);
  if (step == 0 || scene.bodies.size() == first) return out;
  Room room;
  for (std::size_t i = first; i < scene.bodies.size(); ++i) {
    room.take(scene.bodies[i].low);
    room.take(scene.bodies[i].high);
  }
  out.way = {room.middle(), room.middle() + off * unit.steps[step].along};
  return out;
}

// A red arrow along the way that it goes.
void paintWay(QPainter& painter, const QPointF& from, const QPointF& to, double pen) {
  const QPointF way = to - from;
  const double length = std::hypot(way.x(), way.y());
  if (length < 6 * pen) return;  // straight towards the eye
  const QPointF one = way / length, across(-one.y(), one.x());
  const double head = 5 * pen;
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(look::kRed, pen, Qt::SolidLine, Qt::RoundCap));
  painter.drawLine(from, to - head * one);
  painter.setBrush(look::kRed);
  painter.drawPolygon(QPolygonF(
      {to, to - head * one + 0.5 * head * across, to - head * one - 0.5 * head * across}));
}

void paintScene(QPainter& painter, const QRectF& room, const PutInScene& of, const SolidView& view,
                double pen) {
  const SolidPicture picture(of.scene);
  picture.paint(painter, room, view);
  if (!of.way) return;
  painter.save();
  paintWay(painter, picture.place(of.way->first, room, view),
           picture.place(of.way->second, room, view), pen);
  painter.restore();
}

SolidView viewOf(const AssemblyStep& step) {
  SolidView out;
  out.selected = QStringLiteral("goes in");
  out.goesIn = true;
  if (step.along.y < -0.5) out.turn = 145;
  if (step.along.x > 0.5) out.turn = 35;
  if (step.along.z > 0.5) out.tilt = -25;
  return out;
}

}  // namespace

QString unitWords(const UnitOrder& unit) {
  QString out = qs(unit.name);
  if (unit.kind == UnitKind::Panel) out = QObject::tr("%1 and what it holds").arg(out);
  if (unit.kind != UnitKind::Assembly && unit.kind != UnitKind::Ring)
    out = QObject::tr("%1, %2").arg(qs(unit.assembly), out);
  return unit.alike > 1 ? QObject::tr("%1, %2 alike").arg(out).arg(unit.alike) : out;
}

QString putInWords(const UnitOrder& unit, const AssemblyStep& step) {
  const QString name =
      step.isWhole ? QObject::tr("%1, put together").arg(qs(step.name)) : qs(step.name);
  const auto times = std::ssize(step.pieces) / static_cast<std::ptrdiff_t>(step.each);
  return times > 1 && unit.kind != UnitKind::Ring ? QObject::tr("%1 × %2").arg(times).arg(name)
                                                  : name;
}

QString putInFigure(const AssemblyStep& step, const LengthStyle& style) {
  std::int64_t count = 0;
  Length length;
  for (const Closed& joint : step.joints)
    if (joint.fasteners.length > Length{} && (count == 0 || joint.fasteners.length == length)) {
      length = joint.fasteners.length;
      count += std::ssize(joint.fasteners.at);
    }
  if (count > 0) return QObject::tr("%1 × %2").arg(count).arg(figureWithUnit(length, style));
  if (step.screws)
    return QObject::tr("%1 × %2")
        .arg(step.screws->count)
        .arg(figureWithUnit(step.screws->length, style));
  if (!step.spacers.empty()) return figureWithUnit(step.spacers.front().size, style);
  if (step.diagonals) return figureWithUnit(step.diagonals->diagonal, style);
  for (const Mounting& one : step.mounted)
    if (one.up) return figureWithUnit(*one.up, style);
  return {};
}

PutInWords wordsOf(const UnitOrder& unit, const AssemblyStep& step, const Rows& pieces,
                   const LengthStyle& style) {
  PutInWords out;
  out.lies = liesWords(step);
  out.holds = holdsWords(step, pieces, style);
  if (unit.kind == UnitKind::Ring)
    out.lies = QObject::tr(
        "in a row, outside up, the long points touching: tape across, turn over, glue, roll up");
  const bool isGap = isFrontStep(step, pieces);
  for (const bench::Spacer& spacer : step.spacers)
    out.setBy << (isGap ? QObject::tr("gap of %1 to the %2")
                        : QObject::tr("spacer of %1 from the %2, front and rear"))
                     .arg(figureWithUnit(spacer.size, style), nameOf(pieces, spacer.to));
  // What the maker must know of the piece itself: on which side a pad goes and what is planed off.
  if (!step.isWhole && !step.pieces.empty())
    if (const std::string& note = pieces[step.pieces.front().row].part.note; !note.empty())
      out.checks << QString::fromStdString(note);
  if (step.isDry) out.checks << QObject::tr("together without glue first");
  if (step.diagonals)
    out.checks
        << QObject::tr("both diagonals %1").arg(figureWithUnit(step.diagonals->diagonal, style));
  if (step.clamps > 0)
    out.checks << QObject::tr("%1, half an hour to an hour as the glue says")
                      .arg(counted(step.clamps, QObject::tr("clamp"), QObject::tr("clamps")));
  if (step.waits)
    out.cautions << QObject::tr(
        "Waits for a reading off the work: measured at the front and the rear, typed at its step "
        "(R), cut "
        "by a later cutting.");
  if (step.unreached)
    out.cautions << (step.isMoved
                         ? QObject::tr("Here no driver gets to the screws of the %1 past "
                                       "the %2: earlier, or another joint there.")
                         : QObject::tr("In no order does a driver get to the screws of the %1 "
                                       "past the %2: another joint there."))
                        .arg(nameOf(pieces, step.unreached->joint.piece),
                             nameOf(pieces, step.unreached->by));
  if (step.isForced)
    out.cautions << (step.past ? QObject::tr("It does not get past the %1 along a straight line.")
                                     .arg(nameOf(pieces, *step.past))
                               : QObject::tr(
                                     "It does not get past what is there along a straight line."));
  if (step.tooLate)
    out.cautions
        << QObject::tr("It goes in before the %1: earlier.").arg(nameOf(pieces, *step.tooLate));
  return out;
}

void paintPutIn(QPainter& painter, const QRectF& room, const UnitOrder& unit, std::size_t step,
                const Rows& pieces, const Job& job) {
  constexpr double kPen = 3;
  paintScene(painter, room, sceneOf(unit, step, pieces, job), viewOf(unit.steps[step]), kPen);
}

void paintPutInOnPaper(QPainter& painter, const QRectF& room, const UnitOrder& unit,
                       std::size_t step, const Rows& pieces, const Job& job) {
  constexpr double kFine = 8;  // dots a millimetre
  constexpr double kPen = 0.5 * kFine;
  SolidView view = viewOf(unit.steps[step]);
  view.onWhite = true;
  QImage image((room.size() * kFine).toSize(), QImage::Format_RGB32);
  QPainter on(&image);
  paintScene(on, QRectF({}, image.size()), sceneOf(unit, step, pieces, job), view, kPen);
  on.end();
  painter.drawImage(room, image);
}

}  // namespace pp
