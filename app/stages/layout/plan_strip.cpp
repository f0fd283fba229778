#include "app/stages/layout/plan_strip.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "core/nest/goals/kept.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kCard = 214;
constexpr double kStripGap = 8;

}  // namespace

PlanStrip::PlanStrip(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("Plans"));
  setFocusPolicy(Qt::StrongFocus);
  setFixedHeight(kHeight);
}

void PlanStrip::setPlans(const PlanShown& shown, Unit unit) {
  unit_ = unit;
  shown_ = shown;
  QStringList all;
  for (std::size_t i = 0; i < shown_.kept.size(); ++i) all << words(i);
  setAccessibleDescription(all.join(QStringLiteral("; ")));
  update();
}

QString PlanStrip::title(std::size_t plan) const {
  const nest::BestAt best = nest::bestAt(shown_.kept, plan);
  QStringList out;
  if (best.cost) out << tr("least cost");
  if (best.settings) out << tr("fewest settings");
  if (best.leftovers) out << tr("best leftovers");
  return out.isEmpty() ? tr("in between") : out.join(QStringLiteral(", "));
}

QString PlanStrip::words(std::size_t plan) const {
  const Plan& one = *shown_.kept[plan];
  const QString whence = whenceWords(one);
  return tr("%1: %2, %3, %4%5")
      .arg(title(plan),
           counted(static_cast<std::int64_t>(one.sheets.size()), tr("sheet"), tr("sheets")),
           qs(format(one.cost)), counted(one.setups, tr("setting"), tr("settings")),
           whence.isEmpty() ? QString() : QStringLiteral(", ") + whence);
}

// "3 to buy, 2 in the rack"; nothing where the shop's rack has no part in it.
QString PlanStrip::whenceWords(const Plan& plan) const {
  const std::int64_t had = sheetsFrom(*shown_.request, plan, Whence::Had);
  const bool shops =
      std::any_of(shown_.request->stock.begin(), shown_.request->stock.end(),
                  [](const StockSupply& stock) { return whenceOf(stock) == Whence::Had; });
  if (!shops) return {};
  return tr("%1 to buy, %2 in the rack")
      .arg(sheetsFrom(*shown_.request, plan, Whence::Bought))
      .arg(had);
}

QRectF PlanStrip::card(std::size_t plan) const {
  const double count = std::max<double>(1, static_cast<double>(shown_.kept.size()));
  const double step = std::min(kCard + kStripGap, (width() - 2.0) / count);
  return {1 + static_cast<double>(plan) * step, 1, step - kStripGap, height() - 2.0};
}

int PlanStrip::current() const {
  for (std::size_t i = 0; i < shown_.kept.size(); ++i)
    if (shown_.kept[i] == shown_.plan) return static_cast<int>(i);
  return -1;
}

void PlanStrip::paintCard(QPainter& painter, std::size_t plan) const {
  const QRectF box = card(plan);
  const bool shown = static_cast<int>(plan) == current();
  const Plan& one = *shown_.kept[plan];
  painter.setPen(QPen(shown ? look::kSlate : look::kRule, shown ? 3 : 1));
  painter.setBrush(shown ? look::kSlateWash : look::kCard);
  painter.drawRect(box.adjusted(1, 1, -1, -1));
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(12, true));
  const QRectF line(box.x() + 8, box.y() + 5, box.width() - 14, 16);
  const QString cost = qs(format(one.cost));
  const int left =
      static_cast<int>(line.width()) - painter.fontMetrics().horizontalAdvance(cost) - 6;
  painter.drawText(line, Qt::AlignRight | Qt::AlignVCenter, cost);
  painter.drawText(line, Qt::AlignLeft | Qt::AlignVCenter,
                   painter.fontMetrics().elidedText(title(plan), Qt::ElideRight, left));
  painter.setFont(look::text(look::kLeast));
  painter.drawText(line.translated(0, 17), Qt::AlignLeft | Qt::AlignVCenter,
                   tr("%1 settings  %2 kept")
                       .arg(one.setups)
                       .arg(areaFigure(nest::largestLeftovers(one), unit_)));
  // The sheets in as many lines as let them be largest.
  constexpr double kLine = 15;
  double under = 41;
  if (const QString whence = whenceWords(one); !whence.isEmpty()) {
    painter.drawText(line.translated(0, 17 + kLine), Qt::AlignLeft | Qt::AlignVCenter, whence);
    under += kLine;
  }
  const QRectF room(box.x() + 8, box.y() + under, box.width() - 14, box.height() - under - 5);
  constexpr double kBetween = 3;
  Length longest;
  Length widest;
  for (const PlannedSheet& sheet : one.sheets) {
    longest = std::max(longest, shown_.request->stock[sheet.stock].length);
    widest = std::max(widest, shown_.request->stock[sheet.stock].width);
  }
  const auto count = static_cast<double>(one.sheets.size());
  double scale = 0;
  for (double lines = 1; lines <= 4; ++lines)
    scale = std::max(
        scale, std::min((room.height() - kBetween * (lines - 1)) / lines / widest.inMm(),
                        (room.width() / std::ceil(count / lines) - kBetween) / longest.inMm()));
  double x = room.x();
  double y = room.y();
  painter.setRenderHint(QPainter::Antialiasing, false);
  for (const PlannedSheet& sheet : one.sheets) {
    const StockSupply& stock = shown_.request->stock[sheet.stock];
    const double w = stock.length.inMm() * scale;
    if (x + w > room.right() + 1) {
      x = room.x();
      y += widest.inMm() * scale + kBetween;
    }
    painter.setPen(
        QPen(look::kPencil, 1, whenceOf(stock) == Whence::Bought ? Qt::DashLine : Qt::SolidLine));
    painter.setBrush(look::kPaper);
    painter.drawRect(QRectF(x, y, w, stock.width.inMm() * scale));
    for (const Placement& p : sheet.placements)
      painter.fillRect(QRectF(x + p.x.inMm() * scale, y + p.y.inMm() * scale,
                              std::max(1.0, p.dx.inMm() * scale - 0.8),
                              std::max(1.0, p.dy.inMm() * scale - 0.8)),
                       QColor(0xC9, 0xA9, 0x77));
    x += w + kBetween;
  }
}

void PlanStrip::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  for (std::size_t i = 0; i < shown_.kept.size(); ++i) paintCard(painter, i);
  if (!hasFocus() || current() < 0) return;
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(look::kSlate, 1, Qt::DashLine));
  painter.drawRect(card(static_cast<std::size_t>(current())).adjusted(5, 5, -5, -5));
}

void PlanStrip::mousePressEvent(QMouseEvent* event) {
  for (std::size_t i = 0; i < shown_.kept.size(); ++i)
    if (card(i).contains(event->position())) return emit chosen(shown_.kept[i]);
}

void PlanStrip::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  const int next = current() + step;
  if (step == 0 || next < 0 || next >= planCount()) return QWidget::keyPressEvent(event);
  emit chosen(shown_.kept[static_cast<std::size_t>(next)]);
}

}  // namespace pp
