#include <map>

#include "pictures/paint/figures.h"
#include "pictures/paper/pdf.h"

namespace pp {
namespace {

constexpr double kRow = 5.6;

// What a cut leaves that is finished: parts by their codes, leftovers to keep.
class Gives {
 public:
  explicit Gives(const PrintInput& input) : input_(input) {
    for (const PieceEnd& end : input.plan->ends) ends_.emplace(end.piece, &end);
  }

  QString of(const SawCut& cut) const {
    QStringList out;
    for (const auto& name : {cut.low, cut.high}) {
      const auto at = name ? ends_.find(*name) : ends_.end();
      if (at != ends_.end()) out << words(*at->second);
    }
    return out.join(QStringLiteral(" + "));
  }

 private:
  QString words(const PieceEnd& end) const {
    const PlannedSheet& sheet = input_.plan->sheets[end.sheet];
    switch (end.kind) {
      case PieceEnd::Kind::Part:
        return qs(input_.parts[sheet.placements[end.index].part].code);
      case PieceEnd::Kind::Leftover:
        return QStringLiteral("keep ") + qs(sheet.leftovers[end.index].id);
      case PieceEnd::Kind::Waste:
        break;
    }
    return QStringLiteral("waste");
  }

  const PrintInput& input_;
  std::map<std::string, const PieceEnd*> ends_;
};

void setting(Page& page, const SawCut& cut, const LengthStyle& style, int of) {
  page.need(kRow * 3);
  page.down(1.5);
  const QString what =
      cut.direction == CutDirection::Rip ? QStringLiteral("rip") : QStringLiteral("crosscut");
  page.text(page.left(), page.y(), 150, kRow + 1,
            QStringLiteral("%1 of %2   %3, %4 at %5")
                .arg(cut.setup)
                .arg(of)
                .arg(qs(cut.machine), what, figureWithUnit(cut.distance, style)),
            10, true);
  page.down(kRow + 1.4);
}

}  // namespace

std::optional<Problem> printCuttingList(const PrintInput& input, Paper paper, const QString& path,
                                        const PrintWatch& watch) {
  if (input.plan == nullptr || input.plan->sheets.empty())
    return Problem{path.toStdString(), 0, "cutting list", "no plan",
                   "sheets that have been laid out"};
  const LengthStyle style = styleOf(input.job);
  const Gives gives(input);
  return writePdf(
      path, paper, false, QStringLiteral("%1: cutting list").arg(qs(input.job.name)), watch,
      [&](Page& page) {
        page.begin();
        page.text(page.left(), page.y(), 180, kRow,
                  QStringLiteral("Blade guard and riving knife on. Full sheets: a second pair of "
                                 "hands or a support."),
                  9);
        page.down(kRow);
        page.text(page.left(), page.y(), 180, kRow,
                  QStringLiteral("Narrow rips with a push block; short pieces on the sled, never "
                                 "freehand at the fence."),
                  9);
        page.down(kRow + 1);
        int last = 0;
        std::size_t done = 0;
        for (const SawCut& cut : input.plan->cuts) {
          if (watch.isStopped()) return;
          watch.tell(done++, input.plan->cuts.size());
          if (cut.setup != last) setting(page, cut, style, input.plan->setups);
          last = cut.setup;
          page.need(kRow);
          page.box(page.left() + 1, page.y() + 1, 3.6);
          page.text(page.left() + 8, page.y(), 14, kRow, QString::number(cut.step), 8.5);
          page.text(page.left() + 22, page.y(), 34, kRow, qs(cut.piece), 9);
          page.text(page.left() + 56, page.y(), 40, kRow,
                    QStringLiteral("%1 from the %2")
                        .arg(figure(cut.distance, style), cut.direction == CutDirection::Rip
                                                              ? QStringLiteral("fence")
                                                              : QStringLiteral("stop")),
                    9);
          page.text(page.left() + 100, page.y(), 80, kRow, gives.of(cut), 9, true);
          page.down(kRow);
        }
      });
}

}  // namespace pp
