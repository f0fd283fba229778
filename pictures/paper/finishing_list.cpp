#include <memory>

#include "core/assembly/pages.h"
#include "core/breakdown/fittings.h"
#include "pictures/paint/finish_picture.h"
#include "pictures/paper/bench_rows.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kCm2PerM2 = 10'000;
constexpr double kCoatLine = 5;
constexpr double kFinishHead = 8;
constexpr double kCoat = 11;
constexpr double kCoatRow = 19;

class FinishingPages {
 public:
  FinishingPages(Page& page, const Job& job, const bench::Finishings& of)
      : page_(page), job_(job), of_(of) {}

  void run(const PrintWatch& watch) {
    page_.begin();
    said(
        QStringLiteral("Mask and suction for the dust, fresh air for the fumes. Rags with oil are "
                       "laid out flat or drowned: balled up they catch fire."));
    said(
        QStringLiteral("A sample first, on a sanded offcut of every lot that shows. What is "
                       "hatched stays bare for the glue."));
    if (const QString heads = headsWords(bench::seenHeads(of_.list.pieces(), job_));
        !heads.isEmpty())
      said(heads);
    page_.down(3);
    schedule();
    for (std::size_t i = 0; i < of_.groups.size() && !page_.isFull(); ++i) {
      if (watch.isStopped()) return;
      watch.tell(i, of_.groups.size());
      parts(of_.groups[i]);
    }
  }

 private:
  double wide() const { return page_.right() - page_.left(); }
  QString area(std::int64_t cm2) const {
    return areaFigure(static_cast<double>(cm2) / kCm2PerM2, job_.unit);
  }
  void said(const QString& words) {
    page_.text(page_.left(), page_.y(), wide(), kCoatLine, words, 9);
    page_.down(kCoatLine);
  }
  void head(const QString& words) {
    page_.rule(page_.y() - 0.6, 0.3);
    page_.text(page_.left(), page_.y() + 0.5, wide(), 6, words, 11, true);
    page_.down(kFinishHead);
  }

  // The coats in the order in which they go on.
  void schedule() {
    for (const bench::Coat& coat : of_.coats) {
      page_.need(kCoat);
      if (page_.isFull()) return;
      const double y = page_.y();
      constexpr double kBox = 5, kWhen = 46, kMuch = 40;
      page_.box(page_.left(), y + 0.5, kBox);
      const double at = page_.left() + kBox + 3;
      const QString finish = groupWords(of_.group(coat));
      if (coat.product.name.empty()) {
        page_.text(at, y, wide() - kBox - 3, 6,
                   finish + QStringLiteral(": not among the shop's finishes"), 11, true);
        page_.down(kCoat);
        continue;
      }
      const double w = wide() - kBox - 3 - kWhen - kMuch;
      page_.text(at, y, w, 6,
                 QStringLiteral("%1, %2, coat %3 of %4")
                     .arg(finish, qs(coat.product.name))
                     .arg(coat.coat)
                     .arg(coat.of),
                 11, true);
      QString how = methodWords(coat.product.method);
      if (coat.product.grit > 0)
        how += QStringLiteral(", sand with %1 before").arg(coat.product.grit);
      page_.text(at, y + 5.4, w, kCoatLine, how, 9);
      page_.text(at + w, y, kMuch, 6, volumeFigure(coat.millilitres, job_.unit), 11, true);
      if (coat.thinner > 0)
        page_.text(at + w, y + 5.4, kMuch, kCoatLine,
                   QStringLiteral("and %1 thinner").arg(volumeFigure(coat.thinner, job_.unit)), 9);
      page_.text(at + w + kMuch, y, kWhen, 6, timeWords(coat.begin), 11);
      page_.text(at + w + kMuch, y + 5.4, kWhen, kCoatLine,
                 QStringLiteral("dry %1").arg(timeWords(coat.dry)), 9);
      page_.down(kCoat);
    }
    for (const bench::Can& can : of_.cans) {
      page_.need(kCoatLine);
      if (page_.isFull()) return;
      said(QStringLiteral("%1: %2, the shop has %3, %4 to buy")
               .arg(qs(can.product), volumeFigure(can.millilitres, job_.unit),
                    volumeFigure(can.have, job_.unit),
                    counted(can.cans, QStringLiteral("can"), QStringLiteral("cans"))));
    }
    page_.down(4);
  }

  void parts(const bench::Finished& group) {
    const QString words = QStringLiteral("%1: %2, bare for the glue %3")
                              .arg(groupWords(group), area(group.cm2), area(group.bare));
    page_.need(kFinishHead + kCoatRow);
    if (page_.isFull()) return;
    head(words);
    for (const bench::Finished::Row& row : group.rows) {
      if (page_.need(kCoatRow)) {
        if (page_.isFull()) return;
        head(words);
      }
      constexpr double kPicture = 40;
      const double y = page_.y();
      const bench::Pieces& of = of_.list.pieces()[row.row];
      paintFinishedOnPaper(page_.painter(), QRectF(page_.left(), y, kPicture, kCoatRow - 2), row,
                           of.part);
      const double at = page_.left() + kPicture + 3;
      const double w = page_.right() - at;
      page_.text(at, y, w, 5.4, pieceHead(of.part), 11, true);
      page_.text(at, y + 5.4, w, 4.4,
                 QStringLiteral("%1, %2 a piece")
                     .arg(finishedWords(row), areaFigure(row.area.all().inM2(), job_.unit)),
                 9);
      tickBoxes(page_, at, y + 11, w, of.numbers);
      page_.down(kCoatRow);
    }
  }

  Page& page_;
  const Job& job_;
  const bench::Finishings& of_;
};

}  // namespace

Result<Sheaf> finishingPages(const PrintInput& input) {
  static const std::vector<ShopFinish> kNone;
  auto of = std::make_shared<const bench::Finishings>(
      bench::piecesAtBench({}, {}, input.parts), input.job,
      input.finishes == nullptr ? kNone : *input.finishes);
  if (of->groups.empty())
    return Problem{{}, 0, "finishing", "no part with a finish", "one that has"};
  return Sheaf{QStringLiteral("%1: finishing").arg(qs(input.job.name)),
               [&job = input.job, of](Page& page, const PrintWatch& watch) {
                 FinishingPages(page, job, *of).run(watch);
               }};
}

}  // namespace pp
