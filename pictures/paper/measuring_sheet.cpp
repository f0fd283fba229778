#include <algorithm>

#include "core/site/begin.h"
#include "core/site/words.h"
#include "pictures/paint/site_picture.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kReadingRow = 6.6;
constexpr double kPicture = 50;
constexpr double kPixelsPerMm = 3.4;  // of the picture, whose letters are set in pixels

void picture(Page& page, const Site& site, const LengthStyle& style) {
  if (!page.isFull()) {
    QPainter& painter = page.painter();
    painter.save();
    painter.scale(1 / kPixelsPerMm, 1 / kPixelsPerMm);
    paintSite(painter,
              QRectF(page.left() * kPixelsPerMm, page.y() * kPixelsPerMm,
                     (page.right() - page.left()) * kPixelsPerMm, kPicture * kPixelsPerMm),
              site, {}, style);
    painter.restore();
  }
  page.down(kPicture + 2);
}

void frame(Page& page, double x, double y, double w, double h) {
  if (page.isFull()) return;
  page.painter().setPen(QPen(Qt::black, 0.25));
  page.painter().setBrush(Qt::NoBrush);
  page.painter().drawRect(QRectF(x, y, w, h));
}

// What is to be read with a box for the figure; or what was read, and what counts.
void sizes(Page& page, const QString& title, const std::vector<SiteSize>& rows,
           const LengthStyle& style) {
  page.text(page.left(), page.y(), 150, kReadingRow, title, 10, true);
  page.down(kReadingRow);
  for (const SiteSize& size : rows) {
    page.text(page.left(), page.y(), 100, kReadingRow, qs(sizeWords(size, style)), 9.5);
    frame(page, page.left() + 104, page.y() + 0.7, 50, kReadingRow - 1.4);
    page.down(kReadingRow);
  }
}

void filled(Page& page, const Site& site, const LengthStyle& style) {
  constexpr double kFigures = 24;
  const char* const heads[] = {"First", "Second", "Third", "Counts"};
  page.text(page.left(), page.y(), 80, kReadingRow, QStringLiteral("Size"), 8, true);
  for (std::size_t i = 0; i < std::size(heads); ++i)
    page.text(page.left() + 84 + kFigures * static_cast<double>(i), page.y(), kFigures, kReadingRow,
              QString::fromUtf8(heads[i]), 8, true, Qt::AlignRight | Qt::AlignVCenter);
  page.down(kReadingRow);
  page.rule(page.y());
  for (const SiteSize& size : site.sizes) {
    if (!isOf(site.kind, size)) continue;
    page.need(kReadingRow);
    const Judged judged = judge(size.read, useOf(size.kind), style.unit);
    page.text(page.left(), page.y(), 84, kReadingRow, qs(sizeWords(size, style)), 9.5);
    const std::optional<Length> all[] = {size.read.first, size.read.second, size.read.third,
                                         judged.confirmed ? judged.size : std::nullopt};
    for (std::size_t i = 0; i < std::size(all); ++i)
      page.text(page.left() + 84 + kFigures * static_cast<double>(i), page.y(), kFigures,
                kReadingRow, all[i] ? figure(*all[i], style) : QStringLiteral("–"), 11, i == 3,
                Qt::AlignRight | Qt::AlignVCenter);
    page.down(kReadingRow);
  }
  page.down(3);
  for (const Obstacle& one : site.obstacles) {
    page.need(kReadingRow);
    const QString name = qs(obstacleName(one));
    const QString wall = !one.wall                    ? QStringLiteral("on the floor")
                         : *one.wall == WallAt::Left  ? QStringLiteral("on the left wall")
                         : *one.wall == WallAt::Right ? QStringLiteral("on the right wall")
                                                      : QStringLiteral("on the wall behind");
    page.text(page.left(), page.y(), 84, kReadingRow, name + QStringLiteral(", ") + wall, 9.5);
    page.text(page.left() + 84, page.y(), page.right() - page.left() - 84, kReadingRow,
              QStringLiteral("%1 along, %2 up, %3")
                  .arg(figure(one.along, style), figure(one.up, style),
                       figures(one.width, one.height, style)),
              9.5);
    page.down(kReadingRow);
  }
}

// Rows for what hangs on the walls or stands on the floor, as many as the page has room for.
void obstacleRows(Page& page) {
  struct Column {
    const char* title;
    double width;
  };
  constexpr Column kColumns[] = {{"What", 46}, {"On which wall", 34}, {"From the left", 26},
                                 {"Up", 20},   {"Width", 20},         {"Height", 20},
                                 {"Out", 20}};
  constexpr int kMost = 5;
  if (page.bottom() - page.y() < 3 * kReadingRow) return;
  page.down(2);
  double x = page.left();
  for (const Column& column : kColumns) {
    page.text(x, page.y(), column.width, kReadingRow, QString::fromUtf8(column.title), 8, true);
    x += column.width;
  }
  page.down(kReadingRow);
  for (int i = 0; i < kMost && page.y() + kReadingRow <= page.bottom(); ++i) {
    x = page.left();
    for (const Column& column : kColumns) {
      frame(page, x, page.y(), column.width, kReadingRow);
      x += column.width;
    }
    page.down(kReadingRow);
  }
}

// The second readings stand on the lower half, folded back while the first are read.
void empty(Page& page, const Site& site, const LengthStyle& style) {
  Site plain;
  setKind(plain, site.kind, style.unit);
  picture(page, plain, style);
  sizes(page, QStringLiteral("First readings"), plain.sizes, style);
  page.down(2);
  page.need(kReadingRow * static_cast<double>(plain.sizes.size() + 1));
  page.text(page.left(), page.y(), page.right() - page.left(), 5,
            QStringLiteral("– – –  fold here, and back: the second readings are taken without "
                           "seeing the first  – – –"),
            8, false, Qt::AlignCenter);
  page.down(6);
  sizes(page, QStringLiteral("Second readings"), plain.sizes, style);
  obstacleRows(page);
}

}  // namespace

Result<Sheaf> measuringPages(const PrintInput& input) {
  const Site& site = input.job.site;
  if (wallsOf(site.kind).empty())
    return Problem{{}, 0, {}, "no place that has walls", "where it will stand, in Measure"};
  const bool any = std::any_of(site.sizes.begin(), site.sizes.end(),
                               [](const SiteSize& size) { return size.read != SizeRead{}; });
  return Sheaf{QStringLiteral("Measuring sheet: ") + qs(input.job.name),
               [&site, style = styleOf(input.job), any](Page& page, const PrintWatch& watch) {
                 page.begin();
                 empty(page, site, style);
                 watch.tell(1, any ? 2 : 1);
                 if (!any || watch.isStopped()) return;
                 page.begin();
                 picture(page, site, style);
                 filled(page, site, style);
                 watch.tell(2, 2);
               }};
}

}  // namespace pp
