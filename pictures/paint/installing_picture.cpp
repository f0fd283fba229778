#include "pictures/paint/installing_picture.h"

#include <QObject>
#include <algorithm>

#include "pictures/paint/solid_picture.h"
#include "words/figures.h"

namespace pp {

using bench::Carried;
using bench::Carry;

QString carriedWords(const Carried& one, const std::vector<bench::Pieces>& pieces) {
  const Part& part = pieces[one.row].part;
  QString what;
  switch (one.kind) {
    case Carry::Base:
      what = QObject::tr("base");
      break;
    case Carry::Case:
      what = one.assembly == one.of ? QObject::tr("section with %1").arg(qs(part.code))
                                    : QObject::tr("case");
      break;
    case Carry::Frame:
      what = QObject::tr("face frame");
      break;
    case Carry::Top:
      what = QObject::tr("top");
      break;
    case Carry::Whole:
      what = QObject::tr("whole");
      break;
    case Carry::Drawer:
      what = qs(part.name).section(QLatin1Char(' '), 0, 0);
      break;
    case Carry::Cleat:
      what = QObject::tr("wall half of the cleat");
      break;
    case Carry::Panel:
    case Carry::Shelf:
    case Carry::Front:
      what = qs(part.name);
      break;
  }
  // What is carried by itself is known by its code.
  const bool isSmall = one.kind == Carry::Drawer || one.kind == Carry::Shelf ||
                       one.kind == Carry::Front || one.kind == Carry::Panel ||
                       one.kind == Carry::Cleat;
  return QObject::tr("%1, %2").arg(qs(isSmall ? part.code : one.assembly), what);
}

QString loadWords(const Carried& one, const LengthStyle& style) {
  return QObject::tr("%1 × %2 × %3, %4")
      .arg(figure(one.width, style), figure(one.depth, style), figureWithUnit(one.height, style),
           weightFigure(one.grams, style.unit));
}

QString carryWords(const Carried& one) {
  switch (one.kind) {
    case Carry::Drawer:
      return QObject::tr("out of its case, each marked with its place");
    case Carry::Front:
      return QObject::tr("off its hinges or slides, face to face with a blanket between");
    case Carry::Panel:
      return QObject::tr("flat, tied, paper between, each marked with its mate");
    case Carry::Shelf:
    case Carry::Cleat:
      return QObject::tr("flat, tied");
    case Carry::Top:
    case Carry::Frame:
      return QObject::tr("on edge, tied so that it cannot bend");
    default:
      break;
  }
  return QObject::tr("empty, on its back or its foot, a blanket under the straps");
}

QStringList placeWords(const Carried& one, const std::vector<bench::Pieces>& pieces,
                       const LengthStyle& style) {
  QStringList out;
  for (const Gluing gluing : {Gluing::InPlace, Gluing::Never}) {
    QStringList to;
    for (const auto& [row, how] : one.joinedThere)
      if (how == gluing) to << qs(pieces[row].part.name);
    if (to.isEmpty()) continue;
    out << (gluing == Gluing::InPlace ? QObject::tr("dry first, then glued to: %1")
                                      : QObject::tr("bolted, no glue, to: %1"))
               .arg(to.join(QStringLiteral(", ")));
  }
  switch (one.kind) {
    case Carry::Base:
      out << QObject::tr(
          "from the floor's highest point: level along and across, shims at every "
          "cross piece, then fixed");
      break;
    case Carry::Case:
      out << QObject::tr(
          "flush with what stands beside it, clamped, screwed to it near front and "
          "rear; level and plumb once more");
      break;
    case Carry::Whole:
      out << (one.isHung        ? QObject::tr("level line on the wall; hung, then fixed below")
              : one.isOnCasters ? QObject::tr("onto its casters, brakes on")
                                : QObject::tr("level and plumb, shims under the corners"));
      break;
    case Carry::Frame:
      out << QObject::tr("flush with the openings, clamped, fixed to every case");
      break;
    case Carry::Top:
      out << QObject::tr("overhang equal all along, fixed from below with room to move");
      break;
    case Carry::Panel:
      break;
    case Carry::Cleat:
      out << QObject::tr(
          "on the wall, level, its bevel up and open to the wall: two screws into every stud, or "
          "as "
          "masonry takes them");
      break;
    case Carry::Drawer:
      out << QObject::tr("onto its slides or runners, to its own place");
      break;
    case Carry::Shelf:
      out << QObject::tr("onto its pins or ledges");
      break;
    case Carry::Front:
      out << QObject::tr("with gap spacers all round, then fixed; gaps equal");
      break;
  }
  const auto gap = [&](const std::optional<Length>& free, const QString& side) {
    if (free)
      out << QObject::tr(
                 "%1 free of the wall at the %2: scribed or covered by a filler, then caulk")
                 .arg(figureWithUnit(*free, style), side);
  };
  gap(one.gapLeft, QObject::tr("left"));
  gap(one.gapRight, QObject::tr("right"));
  return out;
}

QStringList placeCautions(const Carried& one) {
  QStringList out;
  if (one.isForTwo()) out << QObject::tr("Two carry it, hands out from under it.");
  if (one.isAnchored())
    out << QObject::tr("It can come down: anchored to studs or masonry as the local code has it.");
  if (one.kind == Carry::Case || one.kind == Carry::Whole || one.kind == Carry::Base ||
      one.kind == Carry::Cleat)
    out << QObject::tr(
        "No screw where wires or pipes may run; electrics, plumbing and gas are for licensed "
        "people.");
  return out;
}

void paintCarried(QPainter& painter, const QRectF& room, const Carried& one,
                  const std::vector<bench::UnitOrder>& order,
                  const std::vector<bench::Pieces>& pieces, const Job& job) {
  SolidScene scene;
  for (const bench::UnitOrder& unit : order) {
    const bool isRoot =
        unit.kind == bench::UnitKind::Assembly || unit.kind == bench::UnitKind::Ring;
    if (!isRoot || unit.assembly != one.of) continue;
    for (const bench::AssemblyStep& step : unit.steps)
      for (std::size_t i = 0; i < step.pieces.size(); ++i) {
        const bool its =
            std::find(one.pieces.begin(), one.pieces.end(), step.pieces[i]) != one.pieces.end();
        addBody(scene, job, pieces[step.pieces[i].row].part, step.stand[i],
                its ? QStringLiteral("its") : QString(), {});
      }
  }
  // The half of a cleat that goes onto the wall is put into nothing.
  if (one.kind == Carry::Cleat)
    for (const bench::PieceAt& at : one.pieces) {
      const Part& part = pieces[at.row].part;
      addBody(scene, job, part, part.poses[at.pose], QStringLiteral("its"), {});
    }
  SolidView view;
  view.goesIn = std::any_of(scene.bodies.begin(), scene.bodies.end(),
                            [](const SolidScene::Body& body) { return body.code.isEmpty(); });
  // By itself there is nothing to tell it from.
  if (view.goesIn) view.selected = QStringLiteral("its");
  SolidPicture(scene).paint(painter, room, view);
}

}  // namespace pp
