#include <algorithm>
#include <memory>

#include "core/assembly/pages.h"
#include "pictures/paint/assembly_picture.h"
#include "pictures/paper/bench_rows.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kTextLine = 4.6;
constexpr double kUnitHead = 9;
constexpr double kStepRow = 31;  // height of a step, at least
constexpr double kBoxes = 6.4;

class AssemblyPages {
 public:
  AssemblyPages(Page& page, const Job& job, const bench::Assemblies& of)
      : page_(page), job_(job), of_(of), style_(styleOf(job)) {}

  void run(const PrintWatch& watch) {
    page_.begin();
    page_.text(
        page_.left(), page_.y(), page_.right() - page_.left(), kTextLine,
        QStringLiteral("A box a piece. What is put together by itself comes first; what goes "
                       "in has red lines, off the place it goes to."),
        9);
    page_.down(kTextLine);
    page_.text(
        page_.left(), page_.y(), page_.right() - page_.left(), kTextLine,
        QStringLiteral("What two carry is carried by two. Anchoring, electrics, plumbing and "
                       "gas: by local codes, by licensed people."),
        9);
    page_.down(kTextLine + 2);
    for (std::size_t i = 0; i < of_.units.size(); ++i) {
      if (watch.isStopped()) return;
      watch.tell(i, of_.units.size());
      page_.need(kUnitHead + kStepRow);
      if (page_.isFull()) return;
      head(i);
      for (std::size_t k = 0; k < of_.units[i].steps.size(); ++k) {
        if (page_.need(heightOf(i, k))) {
          if (page_.isFull()) return;
          head(i);
        }
        row(i, k);
      }
    }
  }

 private:
  void head(std::size_t i) {
    page_.rule(page_.y() - 0.6, 0.3);
    page_.text(page_.left(), page_.y() + 0.5, page_.right() - page_.left() - 30, 6,
               unitWords(of_.units[i]), 12, true);
    page_.text(page_.right() - 30, page_.y() + 0.5, 30, 6,
               QStringLiteral("%1 of %2").arg(i + 1).arg(of_.units.size()), 8, false,
               Qt::AlignRight | Qt::AlignVCenter);
    page_.down(kUnitHead);
  }

  // What is said of a step, and whether in bold.
  std::vector<std::pair<QString, bool>> linesOf(std::size_t i, std::size_t k) const {
    const bench::UnitOrder& unit = of_.units[i];
    const PutInWords said = wordsOf(unit, unit.steps[k], of_.list.pieces(), style_);
    std::vector<std::pair<QString, bool>> out = {{said.lies, false}};
    for (const QString& one : said.holds) out.emplace_back(one, false);
    for (const QString& one : said.setBy) out.emplace_back(one, false);
    if (!said.checks.empty()) out.emplace_back(said.checks.join(QStringLiteral("; ")), true);
    for (const QString& one : said.cautions) out.emplace_back(one, true);
    return out;
  }
  double heightOf(std::size_t i, std::size_t k) const {
    return std::max(kStepRow,
                    5.8 + kTextLine * static_cast<double>(linesOf(i, k).size()) + kBoxes + 1);
  }

  void row(std::size_t i, std::size_t k) {
    const bench::UnitOrder& unit = of_.units[i];
    const bench::AssemblyStep& step = unit.steps[k];
    const std::vector<bench::Pieces>& pieces = of_.list.pieces();
    const double y = page_.y();
    constexpr double kPicture = 44;
    paintPutInOnPaper(page_.painter(), QRectF(page_.left(), y, kPicture, kStepRow - 2), unit, k,
                      pieces, job_);
    const double at = page_.left() + kPicture + 3;
    const double w = page_.right() - at;
    constexpr double kFigure = 44;
    page_.text(
        at, y, w - kFigure, 5.6,
        QStringLiteral("%1.  %2   %3")
            .arg(k + 1)
            .arg(step.isWhole ? QString() : qs(pieces[step.row].part.code), putInWords(unit, step))
            .simplified(),
        11, true);
    page_.text(page_.right() - kFigure, y, kFigure, 5.6, putInFigure(step, style_), 13, true,
               Qt::AlignRight | Qt::AlignVCenter);
    double line = y + 5.8;
    for (const auto& [words, bold] : linesOf(i, k)) {
      page_.text(at, line, w, kTextLine, words, 9, bold);
      line += kTextLine;
    }
    tickBoxes(page_, at, line + 0.6, w, *of_.list.groups()[i][k].numbers);
    page_.down(heightOf(i, k));
  }

  Page& page_;
  const Job& job_;
  const bench::Assemblies& of_;
  LengthStyle style_;
};

}  // namespace

Result<Sheaf> assemblyPages(const PrintInput& input) {
  auto of = std::make_shared<const bench::Assemblies>(bench::piecesAtBench({}, {}, input.parts),
                                                      input.job);
  if (of->units.empty())
    return Problem{{}, 0, "assembly", "no two parts that meet", "an assembly with some"};
  return Sheaf{QStringLiteral("%1: assembly").arg(qs(input.job.name)),
               [&job = input.job, of](Page& page, const PrintWatch& watch) {
                 AssemblyPages(page, job, *of).run(watch);
               }};
}

}  // namespace pp
