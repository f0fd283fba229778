#include <algorithm>
#include <memory>

#include "core/assembly/joints.h"
#include "core/machining/settings.h"
#include "pictures/paint/bench_picture.h"
#include "pictures/paint/fastener_picture.h"
#include "pictures/paper/bench_rows.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kSettingHead = 19;  // height of a setting
constexpr double kPartRow = 21;      // and of a part at it

// What the tool is set to, as large as it can be read from beside it.
void setting(Page& page, const bench::Setting& one, int which, std::size_t of,
             const LengthStyle& style) {
  const double y = page.y();
  const double w = page.right() - page.left();
  page.rule(y - 0.6, 0.3);
  page.text(page.left(), y + 0.5, w - 34, 6, toolWords(one.tool), 11, true);
  page.text(page.right() - 34, y + 0.5, 34, 6,
            QStringLiteral("setting %1 of %2").arg(which).arg(of), 8, false,
            Qt::AlignRight | Qt::AlignVCenter);
  page.text(page.left(), y + 6.6, 62, 10, settingWords(one, style), 22, true);
  const double at = page.left() + 64;
  page.text(at, y + 7, page.right() - at, 5,
            qs(cutName(one.cut)) + QStringLiteral("  ") + cutWords(one, style), 10);
  const QString test = testWords(one);
  if (!test.isEmpty()) page.text(at, y + 12, page.right() - at, 5, test, 9, true);
  page.down(kSettingHead);
}

void row(Page& page, const bench::Setting& one, const bench::Work& work,
         const bench::Pieces& pieces, const LengthStyle& style) {
  const double y = page.y();
  const Part& part = pieces.part;
  constexpr double kPicture = 40, kLine = 4.4;
  paintWorkOnPaper(page.painter(), QRectF(page.left(), y, kPicture, kPartRow - 2), one, work, part);
  const double at = page.left() + kPicture + 3;
  const double w = page.right() - at;
  page.text(at, y, w, 5.4, pieceHead(part), 11, true);
  page.text(at, y + 5.4, w, kLine, liesWords(one, work, part), 9);
  page.text(at, y + 9.8, w, kLine, qs(describe(part.machining[work.machining], part, style)), 7);
  tickBoxes(page, at, y + 14.4, w, pieces.numbers);
  page.down(kPartRow);
}

// Where screws go, a part after the other: pilot holes in the edge, clearance in what it meets.
void fasteners(Page& page, const std::vector<bench::Pieces>& pieces,
               const std::vector<bench::Fastened>& all, const LengthStyle& style) {
  constexpr double kPicture = 30, kLine = 4.4, kFastener = 9;
  const double w = page.right() - page.left();
  const auto head = [&] {
    page.rule(page.y() - 0.6, 0.3);
    page.text(page.left(), page.y() + 0.5, w, 6, QStringLiteral("Screws, and where they sit"), 11,
              true);
    page.down(kFastener);
  };
  page.need(kFastener + 22);
  if (page.isFull()) return;
  head();
  for (std::size_t i = 0; i < all.size();) {
    std::vector<bench::Fastened> rows;
    for (const std::size_t row = all[i].row; i < all.size() && all[i].row == row; ++i)
      rows.push_back(all[i]);
    const double high = std::max(20.0, 7 + kLine * static_cast<double>(rows.size()));
    if (page.need(high)) {
      if (page.isFull()) return;
      head();
    }
    const Part& part = pieces[rows.front().row].part;
    double y = page.y();
    paintFastenersOnPaper(page.painter(), QRectF(page.left(), y, kPicture, 18), part, rows);
    const double at = page.left() + kPicture + 3;
    page.text(at, y, page.right() - at, 5.4, pieceHead(part), 11, true);
    y += 5.6;
    for (const bench::Fastened& row : rows) {
      const std::string side = sideName(part.edges[static_cast<std::size_t>(row.edge)]);
      page.text(at, y, page.right() - at, kLine,
                QStringLiteral("%1 %2 to the %3: %4 %5")
                    .arg(qs(side), isEnd(row.edge) ? QStringLiteral("end") : QStringLiteral("edge"),
                         qs(pieces[row.mate].part.name),
                         fastenerWords(row.fasteners, std::ssize(row.fasteners.at), style),
                         positionWords(part, row.edge, row.fasteners, style)),
                9);
      y += kLine;
    }
    page.down(high);
  }
}

}  // namespace

Result<Sheaf> machiningPages(const PrintInput& input) {
  auto pieces =
      std::make_shared<const std::vector<bench::Pieces>>(bench::piecesAtBench({}, {}, input.parts));
  auto settings =
      std::make_shared<const std::vector<bench::Setting>>(bench::settings(*pieces, input.job));
  auto fastened =
      std::make_shared<const std::vector<bench::Fastened>>(bench::fastenedOf(*pieces, input.job));
  if (settings->empty())
    return Problem{{}, 0, "machining", "no part with anything machined on it", "one that has"};
  return Sheaf{QStringLiteral("%1: machining").arg(qs(input.job.name)),
               [&job = input.job, pieces, settings, fastened](Page& page, const PrintWatch& watch) {
                 const LengthStyle style = styleOf(job);
                 page.begin();
                 const double w = page.right() - page.left();
                 page.text(
                     page.left(), page.y(), w, 5,
                     QStringLiteral("Pull the plug before a blade or bit is changed. Push "
                                    "blocks, featherboard, guard wherever the cut allows it."),
                     9);
                 page.text(page.left(), page.y() + 5, w, 5,
                           QStringLiteral("Seen from above, the fence (hatched) at the right, fed "
                                          "upwards; what is cut from below is dashed."),
                           9);
                 page.down(12);
                 for (std::size_t i = 0; i < settings->size(); ++i) {
                   if (watch.isStopped()) return;
                   watch.tell(i, settings->size());
                   const bench::Setting& one = (*settings)[i];
                   page.need(kSettingHead + kPartRow);
                   if (page.isFull()) return;
                   setting(page, one, static_cast<int>(i) + 1, settings->size(), style);
                   for (const bench::Work& work : one.works) {
                     if (page.need(kPartRow)) {
                       if (page.isFull()) return;
                       setting(page, one, static_cast<int>(i) + 1, settings->size(), style);
                     }
                     row(page, one, work, (*pieces)[work.row], style);
                   }
                 }
                 if (!fastened->empty()) fasteners(page, *pieces, *fastened, style);
               }};
}

}  // namespace pp
