#include <memory>

#include "core/assembly/pages.h"
#include "pictures/paint/banding_picture.h"
#include "pictures/paper/bench_rows.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kRollHead = 14;  // height of a roll's words
constexpr double kEdgeRow = 17;   // and of an edge

class BandingPages {
 public:
  BandingPages(Page& page, const Job& job, const bench::Bandings& of)
      : page_(page), job_(job), of_(of), style_(styleOf(job)) {}

  void run(const PrintWatch& watch) {
    page_.begin();
    said(
        QStringLiteral("A box an edge of a piece. Strips are cut so long as they are said here and "
                       "trimmed flush; the longest first."));
    for (const bench::RollCount& count : of_.counts)
      said(QStringLiteral("%1: %2, %3, %4")
               .arg(name(count.banding),
                    counted(count.strips, QStringLiteral("strip"), QStringLiteral("strips")),
                    runFigure(count.run, job_.unit),
                    counted(count.rolls, QStringLiteral("roll"), QStringLiteral("rolls"))));
    page_.down(3);
    for (std::size_t i = 0; i < of_.rolls.size(); ++i) {
      if (watch.isStopped()) return;
      watch.tell(i, of_.rolls.size());
      page_.need(kRollHead + kEdgeRow);
      if (page_.isFull()) return;
      head(i);
      for (const bench::Strip& strip : of_.rolls[i].strips) {
        if (page_.need(kEdgeRow)) {
          if (page_.isFull()) return;
          head(i);
        }
        row(strip);
      }
    }
    solid();
    bare();
  }

 private:
  QString name(const std::string& id) const { return bandingName(job_, id); }

  void said(const QString& words) {
    constexpr double kLine = 5;
    page_.text(page_.left(), page_.y(), page_.right() - page_.left(), kLine, words, 9);
    page_.down(kLine);
  }

  void head(std::size_t roll) {
    const bench::Roll& one = of_.rolls[roll];
    const double y = page_.y();
    const double w = page_.right() - page_.left();
    page_.rule(y - 0.6, 0.3);
    page_.text(
        page_.left(), y + 0.5, w - 34, 6,
        name(one.banding) + (one.ends ? QStringLiteral(", ends") : QStringLiteral(", long edges")),
        11, true);
    page_.text(page_.right() - 34, y + 0.5, 34, 6,
               QStringLiteral("%1 of %2").arg(roll + 1).arg(of_.rolls.size()), 8, false,
               Qt::AlignRight | Qt::AlignVCenter);
    page_.text(page_.left(), y + 6.4, w, 5, gluedWords(one.glued), 9);
    page_.down(kRollHead);
  }

  void row(const bench::Strip& strip) {
    constexpr double kPicture = 30, kFigure = 40;
    const double y = page_.y();
    const bench::Pieces& of = of_.list.pieces()[strip.row];
    paintStripOnPaper(page_.painter(), QRectF(page_.left(), y, kPicture, kEdgeRow - 2), strip,
                      of.part);
    const double at = page_.left() + kPicture + 3;
    page_.text(at, y + 1, kFigure, 8, figureWithUnit(strip.length, style_), 15, true);
    const double words = at + kFigure + 2;
    const double w = page_.right() - words;
    page_.text(words, y, w, 5, pieceHead(of.part), 10, true);
    page_.text(words, y + 5, w, 4.4, stripWords(strip, of.part, style_), 9);
    tickBoxes(page_, words, y + 9.8, w, of.numbers);
    page_.down(kEdgeRow);
  }

  void solid() {
    if (of_.solid.empty()) return;
    page_.need(kRollHead);
    if (page_.isFull()) return;
    page_.text(page_.left(), page_.y(), page_.right() - page_.left(), 6,
               QStringLiteral("Solid edging, on bars with the other lumber, in this order"), 11,
               true);
    page_.down(6.5);
    for (const bench::SolidEdging& one : of_.solid) {
      page_.need(5);
      if (page_.isFull()) return;
      said(solidWords(one, of_.list.pieces(), style_));
    }
  }

  void bare() {
    if (of_.bare.empty()) return;
    page_.need(kRollHead);
    if (page_.isFull()) return;
    page_.text(page_.left(), page_.y(), page_.right() - page_.left(), 6,
               QStringLiteral("Seen, and bare"), 11, true);
    page_.down(6.5);
    for (const bench::BareEdge& one : of_.bare) {
      page_.need(5);
      if (page_.isFull()) return;
      const Part& part = of_.list.pieces()[one.row].part;
      said(QStringLiteral("%1, %2 edge").arg(pieceHead(part), edgeWord(part, one.edge)));
    }
  }

  Page& page_;
  const Job& job_;
  const bench::Bandings& of_;
  LengthStyle style_;
};

}  // namespace

Result<Sheaf> bandingPages(const PrintInput& input) {
  auto of =
      std::make_shared<const bench::Bandings>(bench::piecesAtBench({}, {}, input.parts), input.job);
  if (of->rolls.empty() && of->solid.empty())
    return Problem{{}, 0, "banding", "no edge that is banded", "one that is"};
  return Sheaf{QStringLiteral("%1: banding").arg(qs(input.job.name)),
               [&job = input.job, of](Page& page, const PrintWatch& watch) {
                 BandingPages(page, job, *of).run(watch);
               }};
}

}  // namespace pp
