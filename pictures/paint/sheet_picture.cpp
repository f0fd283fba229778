#include "pictures/paint/sheet_picture.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

#include <QObject>

#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

class SheetDrawing {
 public:
  SheetDrawing(QPainter& painter, const SheetPicture& picture, const QRectF& room)
      : painter_(painter),
        picture_(picture),
        stock_(picture.request->stock[picture.sheet->stock]),
        map_(picture.mapping(room)),
        style_(styleOf(*picture.job)) {}

  void run() {
    const QRectF sheet = map_.rect(Length{}, Length{}, stock_.length, stock_.width);
    painter_.setFont(look::text(look::kBody, true));
    painter_.setPen(look::kGraphite);
    drawText(painter_,
             QRectF(sheet.x(), sheet.y() - SheetPicture::kTitle, 2000, SheetPicture::kTitle - 4),
             Qt::AlignLeft | Qt::AlignBottom, picture_.title());
    // What is between the parts is bare paper; the kerfs show as the dark gaps they are.
    painter_.fillRect(sheet, look::kCard);
    for (const Defect& defect : stock_.defects)
      painter_.fillRect(map_.rect(defect.x, defect.y, defect.width, defect.height),
                        QBrush(look::kRed, Qt::DiagCrossPattern));
    for (std::size_t i = 0; i < picture_.sheet->placements.size(); ++i) kerf(i);
    for (const Leftover& leftover : picture_.sheet->leftovers) tag(leftover);
    for (std::size_t i = 0; i < picture_.sheet->placements.size(); ++i) part(i);
    // What is still to be bought has a broken outline, as on the cards of the plans.
    painter_.setPen(QPen(look::kGraphite, 1.5,
                         whenceOf(stock_) == Whence::Bought ? Qt::DashLine : Qt::SolidLine));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(sheet);
    const std::vector<SheetLabel> labels = picture_.labels(map_);
    pyramids(labels);
    for (const SheetLabel& label : labels)
      if (label.leader) lead(*label.leader);
    for (const SheetLabel& label : labels) write(label);
    for (const CutMark& mark : picture_.cutMarks(map_, labels)) cut(mark);
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

  // The pyramid over parts whose figure runs on, as it is drawn in chalk before they are cut: its
  // foot along the first to the last, so that each piece of it says where its part belongs.
  void pyramids(const std::vector<SheetLabel>& labels) {
    QRegion written;
    for (const SheetLabel& label : labels) written += label.box.adjusted(-3, 0, 3, 0).toRect();
    std::map<std::pair<std::string, std::int64_t>, std::map<std::int64_t, QRectF>> runs;
    for (const Placement& p : picture_.sheet->placements) {
      const PartDemand& part = picture_.request->parts[p.part];
      if (!part.run.empty()) runs[{part.run, p.copy}][part.runOrder] = rect(p);
    }
    for (const auto& [name, members] : runs) {
      if (members.size() < 2) continue;
      const QRectF first = members.begin()->second;
      const QRectF last = members.rbegin()->second;
      QRectF all;
      for (const auto& [order, room] : members) all |= room;
      const bool across = std::abs(last.center().x() - first.center().x()) >
                          std::abs(last.center().y() - first.center().y());
      const QPointF a = across ? all.bottomLeft() : all.bottomRight();
      const QPointF b = across ? all.bottomRight() : all.topRight();
      const QPointF apex =
          across ? QPointF(all.center().x(), all.top()) : QPointF(all.left(), all.center().y());
      painter_.setPen(QPen(look::kPencil, 1.2));
      for (const auto& [order, room] : members) {
        painter_.save();
        painter_.setClipRegion(QRegion(room.toRect()) - written);
        painter_.drawLine(a, apex);
        painter_.drawLine(apex, b);
        painter_.restore();
      }
    }
  }

  void tag(const Leftover& leftover) {
    painter_.setPen(QPen(look::kPencil, 1, Qt::DashLine));
    painter_.setBrush(look::kPaper);
    painter_.drawRect(map_.rect(leftover.x, leftover.y, leftover.dx, leftover.dy));
  }

  void lead(const QLineF& line) {
    painter_.setPen(QPen(look::kGraphite, 1));
    painter_.setBrush(look::kGraphite);
    painter_.drawLine(line);
    painter_.drawEllipse(line.p1(), 2, 2);
  }

  void write(const SheetLabel& label) {
    painter_.setFont(label.font);
    painter_.setPen(QPen(look::kGraphite, 1));
    if (label.leader)
      return drawText(painter_, label.box, Qt::AlignLeft | Qt::AlignVCenter, label.text);
    if (!label.upright) return drawText(painter_, label.box, Qt::AlignCenter, label.text);
    painter_.save();
    painter_.translate(label.box.center());
    painter_.rotate(-90);
    const QSizeF size = label.box.size().transposed();
    drawText(painter_, {QPointF(-size.width() / 2, -size.height() / 2), size}, Qt::AlignCenter,
             label.text);
    painter_.restore();
  }

  // A cut that was made stays as a thin line; the last one is the one looked at.
  void cut(const CutMark& mark) {
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(mark.last ? look::kRed : look::kGraphite);
    painter_.drawRect(mark.blade);
    if (mark.tag.isNull()) return;
    painter_.setPen(QPen(mark.last ? look::kRed : look::kGraphite, 1));
    painter_.setBrush(look::kCard);
    painter_.drawRect(mark.tag);
    painter_.setFont(look::text(look::kLeast, mark.last));
    painter_.setPen(look::kGraphite);
    drawText(painter_, mark.tag, Qt::AlignCenter, QString::number(mark.step));
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
    // In a thin part the hatching leaves its code free.
    constexpr double kHatch = 5, kMostOfIt = 0.1;
    const double across = side < 2 ? r.width() : r.height();
    if (!part.bands[index].empty())
      painter_.fillRect(inner(side, std::min(kHatch, kMostOfIt * across)),
                        QBrush(look::kGraphite, Qt::BDiagPattern));
    // In a strip too narrow for wedge and code, the code is worth more.
    constexpr double kLeastAcross = 24;
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
  const Whence whence = whenceOf(stock);
  const QString where = whence == Whence::Bought ? QObject::tr("   to buy")
                        : whence == Whence::Had  ? QObject::tr("   in the rack")
                                                 : QString();
  return QStringLiteral("%1   %2   %3 %4   %5   %6 parts   %7 % used%8")
      .arg(qs(name), qs(stock.id), qs(stock.material), figure(stock.thickness, style),
           figures(stock.length, stock.width, style))
      .arg(sheet->placements.size())
      .arg(percent)
      .arg(where);
}

std::vector<LabelWanted> SheetPicture::wanted(const Mapping& map) const {
  const LengthStyle style = styleOf(*job);
  std::vector<LabelWanted> out;
  for (const Placement& p : sheet->placements)
    out.push_back({map.rect(p.x, p.y, p.dx, p.dy), qs((*parts)[p.part].code),
                   figures(p.dx, p.dy, style), true});
  for (const Leftover& leftover : sheet->leftovers)
    out.push_back({map.rect(leftover.x, leftover.y, leftover.dx, leftover.dy),
                   QObject::tr("%1 keep").arg(qs(leftover.id)),
                   figures(leftover.dx, leftover.dy, style), false});
  return out;
}

std::vector<SheetLabel> SheetPicture::labels(const Mapping& map) const {
  const StockSupply& stock = request->stock[sheet->stock];
  return sheetLabels(wanted(map), map.rect(Length{}, Length{}, stock.length, stock.width));
}

std::vector<CutMark> SheetPicture::cutMarks(const Mapping& map,
                                            const std::vector<SheetLabel>& labels) const {
  std::vector<CutMark> out;
  if (cuts == nullptr || cutsShown == 0) return out;
  // What is written is not covered, and no number by another.
  std::vector<QRectF> taken;
  for (const SheetLabel& label : labels) taken.push_back(label.box);
  taken.emplace_back(map.origin.x(), map.origin.y() - kTitle,
                     textWidth(look::text(look::kBody, true), title()), kTitle - 4);
  for (std::size_t i = 0; i < std::min(cutsShown, cuts->size()); ++i) {
    const saw::PlayedPiece& blade = (*cuts)[i].blade;
    if (blade.sheet != index) continue;
    CutMark mark;
    mark.step = static_cast<int>(i) + 1;
    mark.last = i + 1 == cutsShown;
    mark.blade = map.rect(blade.x, blade.y, blade.dx, blade.dy);
    const bool level = blade.dx > blade.dy;
    const double least = mark.last ? 3 : 1.5;
    if (level && mark.blade.height() < least)
      mark.blade =
          QRectF(mark.blade.x(), mark.blade.center().y() - least / 2, mark.blade.width(), least);
    if (!level && mark.blade.width() < least)
      mark.blade =
          QRectF(mark.blade.center().x() - least / 2, mark.blade.y(), least, mark.blade.height());
    // Where the blade goes in, or as near to it as there is room.
    const QSizeF size(textWidth(look::text(look::kLeast, true), QString::number(mark.step)) + 6,
                      15);
    constexpr int kTries = 24;
    for (int k = 0; k < kTries && mark.tag.isNull(); ++k) {
      const double along = (k + 0.5) / kTries;
      const QPointF at =
          level ? QPointF(mark.blade.left() + along * mark.blade.width(), mark.blade.center().y())
                : QPointF(mark.blade.center().x(), mark.blade.top() + along * mark.blade.height());
      const QRectF tag(at - QPointF(size.width() / 2, size.height() / 2), size);
      if (std::none_of(taken.begin(), taken.end(),
                       [&](const QRectF& other) { return other.intersects(tag); }))
        mark.tag = tag;
    }
    if (!mark.tag.isNull()) taken.push_back(mark.tag);
    out.push_back(mark);
  }
  return out;
}

QSizeF SheetPicture::sizeAt(double scale) const {
  const StockSupply& stock = request->stock[sheet->stock];
  Mapping map;
  map.scale = scale;
  const std::size_t led = ledOut(wanted(map));
  const double width = stock.length.inMm() * scale;
  const double height = stock.width.inMm() * scale;
  return {width + (led > 0 ? kLabelMargin : 0) + 2,
          kTitle + std::max(height, static_cast<double>(led) * kLabelLine) + 2};
}

// The largest scale at which all of it fits: a smaller one may need a margin that a larger did not.
Mapping SheetPicture::mapping(const QRectF& room) const {
  const StockSupply& stock = request->stock[sheet->stock];
  Mapping map = Mapping::fit(stock.length, stock.width, room.adjusted(1, kTitle, -1, -1), false);
  constexpr double kSmaller = 0.98;
  constexpr int kMost = 60;
  for (int i = 0; i < kMost; ++i) {
    const QSizeF size = sizeAt(map.scale);
    if (size.width() <= room.width() + 0.5 && size.height() <= room.height() + 0.5) break;
    map.scale *= kSmaller;
  }
  map.origin.setX(room.x() + 1);
  map.origin.setY(room.y() + kTitle);
  return map;
}

void SheetPicture::paint(QPainter& painter, const QRectF& room) const {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  SheetDrawing(painter, *this, room).run();
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
