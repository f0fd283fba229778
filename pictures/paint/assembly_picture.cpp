#include "pictures/paint/assembly_picture.h"

#include <QImage>
#include <QObject>
#include <algorithm>
#include <map>

#include "core/assembly/phases.h"
#include "pictures/paint/fastener_picture.h"
#include "pictures/paint/solid_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

using bench::AssemblyStep;
using bench::Closed;
using bench::UnitKind;
using bench::UnitOrder;
using Rows = std::vector<bench::Pieces>;

// "drawer" of "drawer left side".
QString boxWord(const Part& part) {
  return qs(part.name).section(QLatin1Char(' '), 0, 0);
}

const Part& partAt(const Rows& pieces, const bench::PieceAt& at) {
  return pieces[at.row].part;
}

QString nameOf(const Rows& pieces, const bench::PieceAt& at) {
  return qs(partAt(pieces, at).name);
}

// The parts a whole is made of say what it is.
QString wholeWords(const AssemblyStep& step, const Rows& pieces) {
  const Part& part = pieces[step.row].part;
  switch (bench::unitKindOf(part.role).value_or(UnitKind::Panel)) {
    case UnitKind::Box:
      return boxWord(part);
    case UnitKind::FaceFrame:
      return QObject::tr("face frame");
    case UnitKind::Base:
      return QObject::tr("base frame");
    case UnitKind::Front:
      return QObject::tr("framed front");
    default:
      break;
  }
  return qs(part.name);
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
  // Boards that only lie on others: the drawing does not say how they are held.
  if (step.joints.empty() && step.lie != bench::Lie::First &&
      pieces[step.row].part.role == PartRole::Board)
    out << QObject::tr("what holds it is not drawn");
  if (step.screws)
    out << QObject::tr("%1 %2 through its box, from inside, no glue")
               .arg(counted(step.screws->count, QObject::tr("screw"), QObject::tr("screws")),
                    figureWithUnit(step.screws->length, style));
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

SolidScene sceneOf(const UnitOrder& unit, std::size_t step, const Rows& pieces, const Job& job) {
  SolidScene out;
  const auto add = [&](const AssemblyStep& one, const QString& code, Vec shift) {
    for (std::size_t i = 0; i < one.pieces.size(); ++i)
      addBody(out, job, partAt(pieces, one.pieces[i]), one.stand[i], code, shift);
  };
  for (std::size_t i = 0; i < step; ++i) add(unit.steps[i], {}, {});
  // So far off that it is seen to go in.
  const Vec size = out.high - out.low;
  const double off =
      step == 0 ? 0 : std::clamp(0.3 * std::max({size.x, size.y, size.z}), 60.0, 400.0);
  add(unit.steps[step], QStringLiteral("goes in"), -off * unit.steps[step].along);
  return out;
}

SolidView viewOf(const AssemblyStep& step) {
  SolidView out;
  out.selected = QStringLiteral("goes in");
  if (step.along.y < -0.5) out.turn = 145;
  if (step.along.x > 0.5) out.turn = 35;
  if (step.along.z > 0.5) out.tilt = -25;
  return out;
}

}  // namespace

QString unitWords(const UnitOrder& unit, const Rows& pieces) {
  const AssemblyStep& first = unit.steps.front();
  QString out;
  switch (unit.kind) {
    case UnitKind::Assembly:
      return qs(unit.assembly);
    case UnitKind::Box:
    case UnitKind::FaceFrame:
    case UnitKind::Base:
      out = wholeWords(first, pieces);
      break;
    case UnitKind::Top:
      out = QObject::tr("top");
      break;
    case UnitKind::Ring:
      out = QObject::tr("ring");
      break;
    case UnitKind::Front:
      out = QObject::tr("framed front");
      break;
    case UnitKind::Section:
      out = QObject::tr("section with the %1").arg(qs(unit.name));
      break;
    case UnitKind::Panel:
    case UnitKind::Several:
      out = QObject::tr("%1 and what it holds").arg(qs(unit.name));
      break;
  }
  out = QObject::tr("%1 %2").arg(qs(unit.assembly), out);
  return unit.alike > 1 ? QObject::tr("%1, %2 alike").arg(out).arg(unit.alike) : out;
}

QString putInWords(const UnitOrder& unit, const AssemblyStep& step, const Rows& pieces) {
  const QString name = step.isWhole ? QObject::tr("%1, put together").arg(wholeWords(step, pieces))
                                    : qs(pieces[step.row].part.name);
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
  if (step.lie == bench::Lie::First) return QObject::tr("lay down");
  if (step.joints.empty()) return QObject::tr("set in");
  // What the drawing does not join may be glued too, and is in the shop.
  const bool glued = std::any_of(step.joints.begin(), step.joints.end(),
                                 [](const Closed& joint) { return joint.glued; });
  return glued && bench::gluingOf(step).value_or(Gluing::InShop) == Gluing::InShop
             ? QObject::tr("glue")
             : QObject::tr("no glue");
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
  const SolidScene scene = sceneOf(unit, step, pieces, job);
  SolidPicture(scene).paint(painter, room, viewOf(unit.steps[step]));
}

void paintPutInOnPaper(QPainter& painter, const QRectF& room, const UnitOrder& unit,
                       std::size_t step, const Rows& pieces, const Job& job) {
  constexpr double kFine = 8;  // dots a millimetre
  const SolidScene scene = sceneOf(unit, step, pieces, job);
  SolidView view = viewOf(unit.steps[step]);
  view.onWhite = true;
  QImage image((room.size() * kFine).toSize(), QImage::Format_RGB32);
  QPainter on(&image);
  SolidPicture(scene).paint(on, QRectF({}, image.size()), view);
  on.end();
  painter.drawImage(room, image);
}

}  // namespace pp
