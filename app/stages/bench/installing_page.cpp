#include <utility>

#include "app/stages/bench/bench_page.h"
#include "core/assembly/pages.h"
#include "pictures/paint/installing_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

class InstallingPage : public BenchPage {
 public:
  InstallingPage(const Session& session, std::vector<bench::Pieces> pieces)
      : session_(session), of_(std::move(pieces), session.job()) {}

  const bench::Worklist& list() const override { return of_.list; }

  QString countWords() const override {
    double grams = 0;
    for (std::size_t i = 0; i < of_.groups.size(); ++i)
      for (std::size_t k = 0; k < of_.groups[i].size(); ++k)
        grams += of_.of(i, k).grams * static_cast<double>(of_.list.groups()[i][k].numbers->size());
    return weightFigure(grams, session_.job().unit);
  }

  QString groupHead(std::size_t group) const override {
    const QString of = qs(of_.of(group, 0).of);
    return of_.isLoading(group) ? QObject::tr("%1, into the van").arg(of)
                                : QObject::tr("%1, in place").arg(of);
  }
  QString groupFoot(std::size_t) const override { return {}; }

  StepWords words(const bench::Worklist::Step& step) const override {
    const bench::Carried& one = of_.of(step);
    const LengthStyle style = session_.style();
    StepWords out;
    out.with = of_.isLoading(step.group) ? QObject::tr("into the van") : QObject::tr("in place");
    out.piece = carriedWords(one, of_.list.pieces());
    QStringList cautions = placeCautions(one);
    if (of_.isLoading(step.group)) {
      std::tie(out.figure, out.figureInOtherUnit) = inBothUnits(
          style, [&](const LengthStyle& in) { return weightFigure(one.grams, in.unit); });
      out.what = loadWords(one, style);
      out.how = carryWords(one);
      if (!one.isForTwo()) cautions.clear();
      cautions = cautions.mid(0, 1);
    } else {
      const auto gap = one.gapLeft ? one.gapLeft : one.gapRight;
      const auto say = [&](const LengthStyle& in) {
        return figureWithUnit(gap ? *gap : one.height, in);
      };
      std::tie(out.figure, out.figureInOtherUnit) = inBothUnits(style, say);
      out.what = gap ? QObject::tr("free of the wall") : QObject::tr("high");
      out.how = placeWords(one, of_.list.pieces(), style).join(QStringLiteral("; "));
    }
    out.caution = cautions.join(QLatin1Char(' '));
    return out;
  }

  void paint(QPainter& painter, const QRectF& room,
             const bench::Worklist::Step& step) const override {
    paintCarried(painter, room, of_.of(step), of_.units, of_.list.pieces(), session_.job());
  }

  QString nothing() const override {
    return QObject::tr("Nothing is carried: loose boards have no place in the drawing.");
  }
  QString allDone() const override { return QObject::tr("Everything stands in its place."); }

  QString remark() const override {
    return of_.carried.empty()
               ? QString()
               : QObject::tr(
                     "Into the van as well: the bag of screws, hinges, pins and pulls, "
                     "slides, glue, touch-up; level, shims, clamps, drill, blankets.");
  }

 private:
  const Session& session_;
  bench::Installings of_;
};

}  // namespace

std::unique_ptr<BenchPage> installingLeaf(const Session& session,
                                          std::vector<bench::Pieces> pieces) {
  return std::make_unique<InstallingPage>(session, std::move(pieces));
}

}  // namespace pp
