#include "pictures/paint/sheet_picture.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"

namespace pp {
namespace {

class Drawing {
 public:
  Drawing(QPainter& painter, const SheetPicture& picture, const QRectF& room)
      : painter_(painter),
        picture_(picture),
        stock_(picture.request->stock[picture.sheet->stock]),
        map_(picture.mapping(room)),
        style_(styleOf(*picture.job)) {}

  void run() {
    const QRectF sheet = map_.rect(Length{}, Length{}, stock_.length, stock_.width);
    painter_.setFont(look::text(12, true));
    painter_.setPen(look::kGraphite);
    painter_.drawText(
        QRectF(sheet.x(), sheet.y() - SheetPicture::kTitle, 2000, SheetPicture::kTitle - 4),
        Qt::AlignLeft | Qt::AlignBottom, picture_.title());
    // What is between the parts is bare paper; the kerfs show as the dark gaps they are.
    painter_.fillRect(sheet, look::kCard);
    for (std::size_t i = 0; i < picture_.sheet->placements.size(); ++i) kerf(i);
    for (const Leftover& leftover : picture_.sheet->leftovers) tag(leftover);
    for (std::size_t i = 0; i < picture_.sheet->placements.size(); ++i) part(i);
    painter_.setPen(QPen(look::kGraphite, 1.5));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(sheet);
  }

 private:
  QRectF rect(const Placement& p) const { return map_.rect(p.x, p.y, p.dx, p.dy); }

  void kerf(std::size_t i) {
    const Placement& p = picture_.sheet->placements[i];
    const double k = std::max(1.0, map_.size(picture_.request->kerf));
    painter_.fillRect(
        rect(p).adjusted(-k, -k, k, k) & map_.rect(Length{}, Length{}, stock_.length, stock_.width),
        look::kPencil);
  }

  void tag(const Leftover& leftover) {
    const QRectF r = map_.rect(leftover.x, leftover.y, leftover.dx, leftover.dy);
    painter_.setPen(QPen(look::kPencil, 1, Qt::DashLine));
    painter_.setBrush(look::kPaper);
    painter_.drawRect(r);
    painter_.setFont(look::text(11));
    painter_.setPen(look::kGraphite);
    // A rack tag: a hole at the left of the words.
    const QString text = QStringLiteral("%1  keep  %2")
                             .arg(qs(leftover.id), figures(leftover.dx, leftover.dy, style_));
    words(r, {text, figures(leftover.dx, leftover.dy, style_), qs(leftover.id)}, 11, false);
  }

  // The first of the texts that fits, along the longer side of the rectangle.
  void words(const QRectF& r, const QStringList& texts, int pixels, bool bold) {
    painter_.setFont(look::text(pixels, bold));
    const bool upright = r.height() > r.width() * 1.2;
    const double along = upright ? r.height() : r.width();
    const double across = upright ? r.width() : r.height();
    if (across < pixels) return;
    for (const QString& text : texts) {
      if (painter_.fontMetrics().horizontalAdvance(text) + 6 > along) continue;
      painter_.save();
      painter_.translate(r.center());
      if (upright) painter_.rotate(-90);
      painter_.drawText(QRectF(-along / 2, -across / 2, along, across), Qt::AlignCenter, text);
      painter_.restore();
      return;
    }
  }

  void part(std::size_t i) {
    const Placement& p = picture_.sheet->placements[i];
    const Part& part = (*picture_.parts)[p.part];
    const QRectF r = rect(p);
    const bool grainX = stock_.grain != SheetGrain::Width;
    paintWood(painter_, r, findMaterial(*picture_.job, part.material)->tone, grainX,
              static_cast<unsigned>(i + 1));
    for (const Edge edge : kEdges) edgeMarks(part, p, edge, r);
    painter_.setBrush(Qt::NoBrush);
    const bool selected = picture_.selected == i;
    painter_.setPen(QPen(selected ? look::kSlate : look::kGraphite, selected ? 3 : 1));
    painter_.drawRect(selected ? r.adjusted(1.5, 1.5, -1.5, -1.5) : r);
    painter_.setPen(look::kGraphite);
    if (isPinned(part)) pinMark(r);
    const QString size = figures(p.dx, p.dy, style_);
    const bool two = r.height() > 34 && r.width() > 60 && r.height() <= r.width() * 1.2;
    if (!two)
      return words(r, {qs(part.code) + QStringLiteral("  ") + size, qs(part.code)}, 12, true);
    const QRectF upper(r.x(), r.center().y() - 17, r.width(), 17);
    words(upper, {qs(part.code)}, 13, true);
    words(upper.translated(0, 17), {size}, 11, false);
  }

  // Whether one of the job's pins holds the part to this row of stock.
  bool isPinned(const Part& part) const {
    const auto& pins = picture_.job->pins;
    return std::any_of(pins.begin(), pins.end(), [&](const JobPin& pin) {
      return isOn(*picture_.job, pin, part, stock_.id);
    });
  }

  // A nail seen from above: a ring with its head filled, in the upper right corner.
  void pinMark(const QRectF& r) {
    const QPointF c(r.right() - 10, r.y() + 10);
    painter_.setPen(QPen(look::kRed, 1.5));
    painter_.setBrush(look::kPaper);
    painter_.drawEllipse(c, 6, 6);
    painter_.setBrush(look::kRed);
    painter_.drawEllipse(c, 2.5, 2.5);
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(look::kGraphite);
  }

  // Which side of the placed part an edge is on: 0 left, 1 right, 2 low y, 3 high y.
  static int sideOf(Edge edge, bool turned) {
    static constexpr std::array<int, 4> kStraight = {2, 3, 0, 1};
    static constexpr std::array<int, 4> kTurned = {0, 1, 2, 3};
    return (turned ? kTurned : kStraight)[static_cast<std::size_t>(edge)];
  }

  void edgeMarks(const Part& part, const Placement& p, Edge edge, const QRectF& r) {
    const auto index = static_cast<std::size_t>(edge);
    const auto inner = [&r](int side, double d) {
      switch (side) {
        case 0:
          return QRectF(r.x(), r.y(), d, r.height());
        case 1:
          return QRectF(r.right() - d, r.y(), d, r.height());
        case 2:
          return QRectF(r.x(), r.y(), r.width(), d);
        default:
          return QRectF(r.x(), r.bottom() - d, r.width(), d);
      }
    };
    const int side = sideOf(edge, p.turned);
    if (!part.bands[index].empty())
      painter_.fillRect(inner(side, 5), QBrush(look::kGraphite, Qt::BDiagPattern));
    // In a strip too narrow for wedge and code, the code is worth more.
    constexpr double kLeastAcross = 24;
    const double across = side < 2 ? r.width() : r.height();
    if (part.edges[index] != Side::Front || across < kLeastAcross) return;
    // The front edge carries a small solid wedge at its middle.
    const QRectF line = inner(side, 0);
    const QPointF c = line.center();
    const QPointF in = (r.center() - c) /
                       std::max(1.0, std::hypot(r.center().x() - c.x(), r.center().y() - c.y()));
    const QPointF along(-in.y(), in.x());
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(look::kGraphite);
    painter_.drawPolygon(QPolygonF({c - along * 5, c + along * 5, c + in * 8}));
  }

  QPainter& painter_;
  const SheetPicture& picture_;
  const StockSupply& stock_;
  Mapping map_;
  LengthStyle style_;
};

}  // namespace

QString SheetPicture::title() const {
  const StockSupply& stock = request->stock[sheet->stock];
  const LengthStyle style = styleOf(*job);
  Area used;
  for (const Placement& p : sheet->placements) used += p.dx * p.dy;
  const int percent =
      static_cast<int>(100 * used.inM2() / (stock.length * stock.width).inM2() + 0.5);
  return QStringLiteral("%1   %2   %3 %4   %5   %6 parts   %7 % used")
      .arg(qs(name), qs(stock.id), qs(stock.material), figure(stock.thickness, style),
           figures(stock.length, stock.width, style))
      .arg(sheet->placements.size())
      .arg(percent);
}

Mapping SheetPicture::mapping(const QRectF& room) const {
  const StockSupply& stock = request->stock[sheet->stock];
  Mapping map = Mapping::fit(stock.length, stock.width, room.adjusted(1, kTitle, -1, -1), false);
  map.origin.setX(room.x() + 1);
  map.origin.setY(room.y() + kTitle);
  return map;
}

void SheetPicture::paint(QPainter& painter, const QRectF& room) const {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  Drawing(painter, *this, room).run();
  painter.restore();
}

std::optional<std::size_t> SheetPicture::placementAt(const QPointF& point,
                                                     const QRectF& room) const {
  const Mapping map = mapping(room);
  for (std::size_t i = 0; i < sheet->placements.size(); ++i) {
    const Placement& p = sheet->placements[i];
    if (map.rect(p.x, p.y, p.dx, p.dy).contains(point)) return i;
  }
  return std::nullopt;
}

}  // namespace pp
