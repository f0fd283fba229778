#include <utility>

#include "app/stages/bench/leaf.h"
#include "core/bench/leaves.h"
#include "pictures/paint/assembly_picture.h"
#include "pictures/paint/figures.h"

namespace pp {
namespace {

class AssemblyLeaf : public Leaf {
 public:
  AssemblyLeaf(const Session& session, std::vector<bench::Pieces> pieces)
      : session_(session), of_(std::move(pieces), session.job()) {
    QStringList cautions;
    for (const bench::UnitOrder& unit : of_.units)
      for (const bench::PutIn& step : unit.steps)
        cautions += wordsOf(unit, step, of_.list.pieces(), session.style()).cautions;
    cautions.removeDuplicates();
    remark_ = cautions.join(QLatin1Char('\n'));
  }

  const bench::Worklist& list() const override { return of_.list; }

  QString countWords() const override {
    std::size_t steps = 0;
    for (const bench::UnitOrder& unit : of_.units) steps += unit.steps.size();
    return counted(static_cast<std::int64_t>(steps), QObject::tr("step"), QObject::tr("steps"));
  }

  QString groupHead(std::size_t group) const override {
    return unitWords(of_.units[group], of_.list.pieces());
  }
  QString groupFoot(std::size_t group) const override {
    const auto steps = std::ssize(of_.units[group].steps);
    return counted(steps, QObject::tr("step"), QObject::tr("steps"));
  }

  StepWords words(const bench::Worklist::Step& step) const override {
    const bench::UnitOrder& unit = of_.unit(step);
    const bench::PutIn& one = of_.putIn(step);
    const PutInWords said = wordsOf(unit, one, of_.list.pieces(), session_.style());
    StepWords out;
    out.with = QObject::tr("step %1 of %2").arg(step.work + 1).arg(unit.steps.size());
    if (one.isWhole) out.piece = putInWords(unit, one, of_.list.pieces());
    std::tie(out.figure, out.figureInOtherUnit) = inBothUnits(
        session_.style(), [&](const LengthStyle& style) { return putInFigure(one, style); });
    out.what = said.holds.join(QStringLiteral("; "));
    out.how = said.lies;
    out.first = (said.setBy + said.checks).join(QStringLiteral("; "));
    out.caution = said.cautions.join(QLatin1Char(' '));
    if (out.caution.isEmpty() && one.isWhole)
      out.caution = QObject::tr("What two carry is carried by two; hands out from under it.");
    return out;
  }

  void paint(QPainter& painter, const QRectF& room,
             const bench::Worklist::Step& step) const override {
    paintPutIn(painter, room, of_.unit(step), step.work, of_.list.pieces(), session_.job());
  }

  QString nothing() const override {
    return QObject::tr("Nothing is put together: loose boards have no place in the drawing.");
  }
  QString allDone() const override { return QObject::tr("Everything is put together."); }

  QString remark() const override { return remark_; }

 private:
  const Session& session_;
  bench::Assemblies of_;
  QString remark_;
};

}  // namespace

std::unique_ptr<Leaf> assemblyLeaf(const Session& session, std::vector<bench::Pieces> pieces) {
  return std::make_unique<AssemblyLeaf>(session, std::move(pieces));
}

}  // namespace pp
