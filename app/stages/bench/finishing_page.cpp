#include <utility>

#include "app/stages/bench/bench_page.h"
#include "core/assembly/covers.h"
#include "core/assembly/pages.h"
#include "core/breakdown/fittings.h"
#include "pictures/paint/finish_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

class FinishingPage : public BenchPage {
 public:
  FinishingPage(const Session& session, std::vector<bench::Pieces> pieces)
      : session_(session),
        of_(std::move(pieces), session.job(),
            session.store().state() ? session.store().state()->finishes
                                    : std::vector<ShopFinish>{}) {}

  const bench::Worklist& list() const override { return of_.list; }

  QString countWords() const override {
    return counted(std::ssize(of_.coats), QObject::tr("coat"), QObject::tr("coats"));
  }

  QString groupHead(std::size_t group) const override { return coatWords(of_.coats[group]); }
  QString groupFoot(std::size_t group) const override {
    return isKnown(of_.coats[group]) ? timeWords(of_.coats[group].begin)
                                     : QObject::tr("not in the shop's finishes");
  }

  StepWords words(const bench::Worklist::Step& step) const override {
    const bench::Coat& coat = of_.coat(step);
    const bench::Finished& group = of_.group(coat);
    const bench::Finished::Row& row = of_.row(step);
    StepWords out;
    out.with = coatWords(coat);
    if (isKnown(coat)) {
      out.with += QObject::tr(", %1").arg(methodWords(coat.product.method));
      std::tie(out.figure, out.figureInOtherUnit) = inBothUnits(
          session_.style(),
          [&](const LengthStyle& style) { return volumeFigure(coat.millilitres, style.unit); });
      if (coat.thinner > 0)
        out.figureInOtherUnit += QObject::tr("   and %1 thinner, %2 %")
                                     .arg(volumeFigure(coat.thinner, session_.job().unit))
                                     .arg(coat.product.thinning);
    } else {
      out.figure = area(group.cm2);
    }
    out.what = finishedWords(row);
    out.how = group.isWhole
                  ? QObject::tr("inside corners: mask beside them, wipe, little at a time")
              : row.area.bare > Area{} ? QObject::tr("hatched stays bare for the glue")
                                       : QObject::tr("nothing to keep bare");
    QStringList first;
    if (group.isWhole && coat.coat == 1)
      first << QObject::tr("when it is together: fill the seams");
    if (coat.product.grit > 0)
      first << QObject::tr("sand with %1 first, dust off").arg(coat.product.grit);
    if (const auto made = sample(step)) {
      const std::string result = resultOf(*made);
      first << (result.empty()
                    ? QObject::tr("a sample on an offcut of %1: T").arg(lotWords(*made))
                    : QObject::tr("the sample on %1: %2").arg(lotWords(*made), qs(result)));
    }
    out.first = first.join(QStringLiteral("; "));
    out.caution = QObject::tr(
        "Mask and suction for the dust, fresh air for the fumes, no flame near. Rags with oil are "
        "laid out flat or drowned: balled up they catch fire by themselves.");
    if (coat.coat == 1)
      out.caution += QObject::tr(" A sample first, on a sanded offcut of every lot that shows.");
    return out;
  }

  // On every lot that shows, before its first coat.
  std::optional<bench::Sample> sample(const bench::Worklist::Step& step) const override {
    if (of_.coat(step).coat != 1) return std::nullopt;
    const Part& part = of_.list.part(step);
    const Material* material = findMaterial(session_.job(), part.material);
    if (material == nullptr) return std::nullopt;
    return bench::Sample{
        finishName(of_.group(of_.coat(step)).finish), material->name, part.lot, {}};
  }

  std::vector<Change> changes(const bench::Worklist::Step& step) const override {
    const Assembly* assembly = findAssembly(session_.job(), of_.list.part(step).assembly);
    if (assembly == nullptr) return {};
    const bool isWhole = assembly->finishedWhole;
    Change out;
    out.says = (isWhole ? QObject::tr("%1 is finished put together   F")
                        : QObject::tr("%1 is finished as parts   F"))
                   .arg(qs(assembly->code));
    out.name = QObject::tr("Finished as parts or put together");
    out.key = Qt::Key_F;
    out.what = (isWhole ? QObject::tr("finish %1 as parts") : QObject::tr("finish %1 put together"))
                   .arg(qs(assembly->code));
    out.make = [id = assembly->id, isWhole](Job& job) {
      for (std::size_t i = 0; i < job.assemblies.size(); ++i)
        if (std::as_const(job).assemblies[i].id == id) job.assemblies[i].finishedWhole = !isWhole;
    };
    return {out};
  }

  void paint(QPainter& painter, const QRectF& room,
             const bench::Worklist::Step& step) const override {
    const Part& part = of_.list.part(step);
    paintFinished(painter, room, of_.row(step), part, toneOf(session_.job(), part));
  }

  QString nothing() const override { return QObject::tr("No part gets a finish."); }
  QString allDone() const override { return QObject::tr("Everything has its finish."); }

  QString remark() const override {
    QStringList out;
    for (const bench::Finished& group : of_.groups)
      out << QObject::tr("%1: %2").arg(groupWords(group), area(group.cm2)) +
                 (group.bare > 0 ? QObject::tr(", bare for the glue %1").arg(area(group.bare))
                                 : QString());
    for (const bench::Can& can : of_.cans)
      out << QObject::tr("%1: %2, the shop has %3%4")
                 .arg(qs(can.product), volumeFigure(can.millilitres, session_.job().unit),
                      volumeFigure(can.have, session_.job().unit),
                      can.cans == 0
                          ? QString()
                          : QObject::tr("; buy %1")
                                .arg(counted(can.cans, QObject::tr("can"), QObject::tr("cans"))));
    // Worked out from solids: once, and only where it is shown.
    if (!heads_) heads_ = headsWords(bench::seenHeads(of_.list.pieces(), session_.job()));
    if (!heads_->isEmpty() && !of_.coats.empty()) out << *heads_;
    std::int64_t dry = 0;
    for (const bench::Coat& coat : of_.coats) dry = std::max(dry, coat.dry);
    if (dry > 0 && isKnown(of_.coats.front()))
      out << QObject::tr("the last is dry on %1").arg(timeWords(dry));
    return out.join(QLatin1Char('\n'));
  }

 private:
  static constexpr double kCm2PerM2 = 10'000;
  QString area(std::int64_t cm2) const {
    return areaFigure(static_cast<double>(cm2) / kCm2PerM2, session_.job().unit);
  }
  std::string resultOf(const bench::Sample& sample) const {
    const auto state = session_.store().state();
    return state ? bench::sampleOf(bench::readSamples(state->samples), sample) : std::string();
  }
  static QString lotWords(const bench::Sample& sample) {
    return sample.lot.empty() ? qs(sample.material)
                              : QObject::tr("%1, lot %2").arg(qs(sample.material), qs(sample.lot));
  }
  static bool isKnown(const bench::Coat& coat) { return !coat.product.name.empty(); }

  // "clear, hard varnish 2 of 3"
  QString coatWords(const bench::Coat& coat) const {
    const QString finish = groupWords(of_.group(coat));
    return isKnown(coat) ? QObject::tr("%1, %2 %3 of %4")
                               .arg(finish, qs(coat.product.name))
                               .arg(coat.coat)
                               .arg(coat.of)
                         : finish;
  }

  const Session& session_;
  bench::Finishings of_;
  mutable std::optional<QString> heads_;
};

}  // namespace

std::unique_ptr<BenchPage> finishingLeaf(const Session& session,
                                         std::vector<bench::Pieces> pieces) {
  return std::make_unique<FinishingPage>(session, std::move(pieces));
}

}  // namespace pp
