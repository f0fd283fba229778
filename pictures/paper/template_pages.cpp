#include <algorithm>
#include <cmath>
#include <memory>

#include "core/assembly/pages.h"
#include "core/machining/templates.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kTileHead = 12;  // of a tile, with its name
constexpr double kOverlap = 12;   // of neighbouring tiles
constexpr double kMark = 5;       // half a registration mark
constexpr double kSquare = 100;   // that is measured before anything is cut

struct Tiles {
  int across = 1, up = 1;
  double wide = 0, high = 0;  // of one, without what overlaps
};

class TemplatePages {
 public:
  TemplatePages(Page& page, const Job& job, const std::vector<bench::ShapeTemplate>& shapes)
      : page_(page), job_(job), shapes_(shapes) {}

  void run(const PrintWatch& watch) {
    page_.begin();
    cover();
    for (std::size_t i = 0; i < shapes_.size(); ++i) {
      if (watch.isStopped()) return;
      watch.tell(i, shapes_.size());
      const Tiles tiles = tilesFor(shapes_[i]);
      for (int row = 0; row < tiles.up; ++row)
        for (int column = 0; column < tiles.across; ++column) {
          page_.newSheet();
          if (page_.isFull()) return;
          tile(i, tiles, row, column);
        }
    }
  }

 private:
  double room() const { return page_.right() - page_.left(); }
  QString nameOf(std::size_t i) const {
    return QStringLiteral("template %1, %2").arg(i + 1).arg(qs(shapes_[i].name));
  }

  Tiles tilesFor(const bench::ShapeTemplate& shape) const {
    Tiles out;
    out.wide = room() - kOverlap;
    out.high = page_.bottom() - page_.left() - kTileHead - kOverlap;
    out.across = std::max(1, static_cast<int>(std::ceil(shape.size.u / out.wide)));
    out.up = std::max(1, static_cast<int>(std::ceil(shape.size.v / out.high)));
    return out;
  }

  void said(const QString& words, double points = 10, bool bold = false) {
    constexpr double kLine = 6;
    page_.text(page_.left(), page_.y(), room(), kLine, words, points, bold);
    page_.down(kLine);
  }

  // What there is, how it is put together, and a square that says whether the printer kept the
  // size.
  void cover() {
    said(
        QStringLiteral("Print at 100 %, not fitted to the page. Measure the square first: 100 mm, "
                       "or 3 15/16 in, both ways."));
    said(
        QStringLiteral("Cut along one row of marks, lay mark on mark, tape. The thick line is sawn "
                       "to, the thin ones are edges of the board."));
    said(QStringLiteral("Cut one, try it, then trace it or rout the others flush to it."));
    page_.down(4);
    for (std::size_t i = 0; i < shapes_.size(); ++i) {
      const bench::ShapeTemplate& shape = shapes_[i];
      const Tiles tiles = tilesFor(shape);
      page_.need(12);
      if (page_.isFull()) return;
      QStringList codes;
      for (const std::string& code : shape.codes) codes << qs(code);
      said(
          QStringLiteral("%1: %2, %3")
              .arg(nameOf(i), counted(shape.works, QStringLiteral("time"), QStringLiteral("times")),
                   counted(tiles.across * tiles.up, QStringLiteral("page"),
                           QStringLiteral("pages"))),
          11, true);
      said(codes.join(QStringLiteral(", ")), 9);
    }
    page_.need(kSquare + 8);
    if (page_.isFull()) return;
    QPainter& painter = page_.painter();
    painter.setPen(QPen(Qt::black, 0.2));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(QRectF(page_.left(), page_.y() + 4, kSquare, kSquare));
    page_.text(page_.left(), page_.y() + 4 + kSquare / 2 - 3, kSquare, 6,
               figureWithUnit(Length::mm(100), styleOf(job_)), 12, false, Qt::AlignCenter);
  }

  void tile(std::size_t i, const Tiles& tiles, int row, int column) {
    const bench::ShapeTemplate& shape = shapes_[i];
    page_.text(page_.left(), page_.left(), room(), 6,
               QStringLiteral("%1   %2%3 of %4%5")
                   .arg(nameOf(i), QString(QChar(u'A' + row)))
                   .arg(column + 1)
                   .arg(QString(QChar(u'A' + tiles.up - 1)))
                   .arg(tiles.across),
               9, true);
    // Where this tile begins on the template, from its upper left corner.
    const double u0 = column * tiles.wide, top = shape.size.v - row * tiles.high;
    const QRectF paper(page_.left(), page_.left() + kTileHead, tiles.wide + kOverlap,
                       tiles.high + kOverlap);
    const auto at = [&](const Flat& point) {
      return QPointF(paper.left() + point.u - u0, paper.top() + top - point.v);
    };
    QPainter& painter = page_.painter();
    painter.save();
    painter.setClipRect(paper);
    painter.setBrush(Qt::NoBrush);
    const auto draw = [&](const std::vector<Line>& lines, double width) {
      painter.setPen(QPen(Qt::black, width));
      for (const Line& line : lines) {
        QPolygonF polygon;
        for (const Flat& point : line.points) polygon << at(point);
        if (line.closed)
          painter.drawPolygon(polygon);
        else
          painter.drawPolyline(polygon);
      }
    };
    draw(shape.edges, 0.15);
    draw(shape.cut, 0.35);
    painter.restore();
    // The marks of neighbouring tiles are the same points of the template.
    painter.setPen(QPen(Qt::black, 0.1));
    for (const double x : {kOverlap / 2, tiles.wide + kOverlap / 2})
      for (const double y : {kOverlap / 2, tiles.high + kOverlap / 2}) {
        const QPointF mark(paper.left() + x, paper.top() + y);
        painter.drawLine(mark - QPointF(kMark, 0), mark + QPointF(kMark, 0));
        painter.drawLine(mark - QPointF(0, kMark), mark + QPointF(0, kMark));
      }
  }

  Page& page_;
  const Job& job_;
  const std::vector<bench::ShapeTemplate>& shapes_;
};

}  // namespace

Result<Sheaf> templatePages(const PrintInput& input) {
  const bench::Machinings of(bench::piecesAtBench({}, {}, input.parts), input.parts, input.job);
  auto shapes = std::make_shared<const std::vector<bench::ShapeTemplate>>(
      bench::templates(of.settings, of.list.pieces()));
  if (shapes->empty())
    return Problem{{}, 0, "templates", "no shape that wants a template", "a curve, a slot"};
  return Sheaf{QStringLiteral("%1: templates").arg(qs(input.job.name)),
               [&job = input.job, shapes](Page& page, const PrintWatch& watch) {
                 TemplatePages(page, job, *shapes).run(watch);
               }};
}

}  // namespace pp
