#include <utility>

#include "app/stages/bench/bench_page.h"
#include "core/assembly/making.h"
#include "core/assembly/pages.h"
#include "core/breakdown/readings.h"
#include "pictures/paint/assembly_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

class AssemblyPage : public BenchPage {
 public:
  AssemblyPage(const Session& session, std::vector<bench::Pieces> pieces)
      : session_(session), of_(std::move(pieces), session.job()) {
    QStringList cautions;
    for (const bench::UnitOrder& unit : of_.units)
      for (const bench::AssemblyStep& step : unit.steps)
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

  QString groupHead(std::size_t group) const override { return unitWords(of_.units[group]); }
  QString groupFoot(std::size_t group) const override {
    const auto steps = std::ssize(of_.units[group].steps);
    return counted(steps, QObject::tr("step"), QObject::tr("steps"));
  }

  QStringList stepsOf(std::size_t group) const override {
    const bench::UnitOrder& unit = of_.units[group];
    QStringList out;
    for (const bench::AssemblyStep& step : unit.steps) {
      const bool isWrong = step.unreached || step.isForced || step.tooLate;
      out << (isWrong ? QStringLiteral("! ") : QString()) + putInWords(unit, step);
    }
    return out;
  }

  std::optional<Change> moved(std::size_t group, std::size_t from, std::size_t to) const override {
    const bench::UnitOrder& unit = of_.units[group];
    if (from >= unit.steps.size() || to >= unit.steps.size() || from == to) return std::nullopt;
    Change out;
    out.what = QObject::tr("move the %1").arg(putInWords(unit, unit.steps[from]));
    out.make = [this, unit, from, to](Job& job) {
      job.moved = bench::withMoved(job, of_.list.pieces(), unit, from, to);
    };
    return out;
  }

  std::vector<Change> changes(const bench::Worklist::Step& step) const override {
    std::vector<Change> out;
    const bench::UnitOrder& unit = of_.unit(step);
    const bench::AssemblyStep& one = of_.putIn(step);
    if (const auto gluing = bench::gluingOf(one)) {
      const Gluing next = *gluing == Gluing::Never
                              ? Gluing::InShop
                              : static_cast<Gluing>(1 + static_cast<int>(*gluing));
      Change& change = out.emplace_back();
      change.says = QObject::tr("%1   J").arg(gluingWords(*gluing));
      change.name = QObject::tr("When it is glued");
      change.key = Qt::Key_J;
      change.what = QObject::tr("%1: %2").arg(putInWords(unit, one), gluingWords(next).toLower());
      change.make = [this, one, next](Job& job) {
        job.gluing = bench::withGluing(job, of_.list.pieces(), one, next);
      };
    }
    if (bench::isMoved(session_.job(), of_.list.pieces(), unit)) {
      Change& change = out.emplace_back();
      change.says = QObject::tr("Order as found   O");
      change.name = QObject::tr("The order as it was found");
      change.key = Qt::Key_O;
      change.what = QObject::tr("the order as it was found");
      change.make = [this, unit](Job& job) {
        job.moved = bench::withoutMoved(job, of_.list.pieces(), unit);
      };
    }
    return out;
  }

  std::optional<ReadOffWork> reading(const bench::Worklist::Step& step) const override {
    for (const bench::PieceAt& at : of_.putIn(step).pieces) {
      const Part& part = of_.list.pieces()[at.row].part;
      const auto reads = readsOf(session_.job(), part);
      if (!reads || !isWaiting(part)) continue;
      const QString of = qs(part.name);
      ReadOffWork out;
      out.question = *reads == Reads::OpeningWidth
                         ? QObject::tr("How wide is the opening of the %1?").arg(of)
                     : *reads == Reads::Length ? QObject::tr("How long is the %1 to be?").arg(of)
                                               : QObject::tr("How wide is the %1 to be?").arg(of);
      out.take = [part](Job& job, Length reading) { return addReading(job, part, reading); };
      return out;
    }
    return std::nullopt;
  }

  StepWords words(const bench::Worklist::Step& step) const override {
    const bench::UnitOrder& unit = of_.unit(step);
    const bench::AssemblyStep& one = of_.putIn(step);
    const PutInWords said = wordsOf(unit, one, of_.list.pieces(), session_.style());
    StepWords out;
    out.with = QObject::tr("step %1 of %2").arg(step.work + 1).arg(unit.steps.size());
    if (one.isWhole) out.piece = putInWords(unit, one);
    std::tie(out.figure, out.figureInOtherUnit) = inBothUnits(
        session_.style(), [&](const LengthStyle& style) { return putInFigure(one, style); });
    out.what = said.holds.join(QStringLiteral("; "));
    out.how = said.lies;
    out.first = (said.setBy + said.checks).join(QStringLiteral("; "));
    const QString trim = trimWords(one);
    QStringList cautions = said.cautions;
    if (!trim.isEmpty() && !cautions.isEmpty()) cautions.removeFirst();
    if (!trim.isEmpty()) cautions.prepend(trim);
    out.caution = cautions.join(QLatin1Char(' '));
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
  static QString gluingWords(Gluing gluing) {
    switch (gluing) {
      case Gluing::InPlace:
        return QObject::tr("Glued in place");
      case Gluing::Never:
        return QObject::tr("Never glued");
      case Gluing::InShop:
        break;
    }
    return QObject::tr("Glued in the shop");
  }
  // As it is drawn now, whatever it was when it was cut.
  const Part* drawn(const Part& part) const {
    return findPart(session_.breakdown().parts, part.keys.front());
  }
  bool isWaiting(const Part& part) const {
    const Part* now = drawn(part);
    return now != nullptr ? now->waiting : part.waiting;
  }
  // What was read since it was cut larger.
  QString trimWords(const bench::AssemblyStep& step) const {
    QStringList out;
    if (!step.waits) return {};
    for (const bench::PieceAt& at : step.pieces) {
      const Part& part = of_.list.pieces()[at.row].part;
      const Part* now = drawn(part);
      if (!part.waiting || now == nullptr || now->waiting) continue;
      const QString line = QObject::tr("read: the %1 is trimmed to %2 × %3, or cut anew")
                               .arg(qs(part.name), figure(now->cutLength(), session_.style()),
                                    figureWithUnit(now->cutWidth(), session_.style()));
      if (!out.contains(line)) out << line;
    }
    return out.join(QStringLiteral("; "));
  }

  const Session& session_;
  bench::Assemblies of_;
  QString remark_;
};

}  // namespace

std::unique_ptr<BenchPage> assemblyLeaf(const Session& session, std::vector<bench::Pieces> pieces) {
  return std::make_unique<AssemblyPage>(session, std::move(pieces));
}

}  // namespace pp
