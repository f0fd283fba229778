#include "app/stages/saw/saw_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "pictures/paint/cut_picture.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kStacks = 200;  // pixels at the right of the bench

}  // namespace

SawView::SawView(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("The piece on the saw"));
  setMinimumHeight(150);
}

void SawView::show(std::shared_ptr<const floor::AtSaw> saw, std::optional<std::size_t> cut,
                   Tone tone, const LengthStyle& style, const QString& words) {
  saw_ = std::move(saw);
  cut_ = cut;
  tone_ = tone;
  style_ = style;
  words_ = words;
  QString what = words;
  if (saw_ && cut_)
    what = tr("%1 and %2 of %3")
               .arg(becomesWords(saw_->low(*cut_)), becomesWords(saw_->high(*cut_)),
                    qs(saw_->cut(*cut_).piece));
  setAccessibleDescription(what);
  update();
}

void SawView::setBench(bool all) {
  bench_ = all;
  update();
}

void SawView::setStacks(const QStringList& stacks) {
  stacks_ = stacks;
  if (bench_) update();
}

QStringList SawView::lying() const {
  QStringList out;
  for (const Lying& one : bench()) out << one.name;
  return out;
}

// Every piece that is still to be cut, to one scale in rows.
std::vector<SawView::Lying> SawView::bench() const {
  std::vector<Lying> out;
  if (!saw_) return out;
  std::vector<std::size_t> ready;
  double area = 0;
  for (std::size_t i = 0; i < saw_->cuts(); ++i)
    if (saw_->isReady(i)) {
      ready.push_back(i);
      const saw::PlayedPiece& piece = saw_->geometry(i).piece;
      area += piece.dx.inMm() * piece.dy.inMm();
    }
  if (ready.empty()) return out;
  const double across = width() - kStacks;
  constexpr double kGap = 12;
  constexpr double kName = 18;
  // As large as lets all rows in.
  for (double scale = std::sqrt(across * height() / std::max(area, 1.0)); scale > 1e-4;
       scale *= 0.9) {
    out.clear();
    double x = kGap;
    double y = kGap;
    double high = 0;
    for (const std::size_t i : ready) {
      const saw::PlayedPiece& piece = saw_->geometry(i).piece;
      const double w = std::max(28.0, piece.dx.inMm() * scale);
      const double h = std::max(14.0, piece.dy.inMm() * scale);
      if (x + w > across - kGap && x > kGap) {
        x = kGap;
        y += high + kName + kGap;
        high = 0;
      }
      out.push_back({qs(saw_->cut(i).piece), QRectF(x, y + kName, w, h), i});
      x += w + kGap;
      high = std::max(high, h);
    }
    const bool wide = std::any_of(out.begin(), out.end(), [across](const Lying& one) {
      return one.room.right() > across - 2;
    });
    if (!wide && y + kName + high <= height() - kGap) break;
  }
  return out;
}

void SawView::paintBench(QPainter& painter) const {
  painter.setFont(look::text(look::kBody));
  painter.setPen(look::kGraphite);
  constexpr double kLine = 21;
  for (qsizetype i = 0; i < stacks_.size(); ++i)
    drawText(painter,
             QRectF(width() - kStacks + 8, 8 + kLine * static_cast<double>(i), kStacks - 8, kLine),
             Qt::AlignLeft | Qt::AlignVCenter, stacks_[i]);
  for (const Lying& one : bench()) {
    const StockSupply* stock = saw_->stock(one.cut);
    paintWood(painter, one.room, tone_, stock == nullptr || stock->grain != SheetGrain::Width, 1);
    const bool next = cut_ == one.cut;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(next ? look::kRed : look::kGraphite, next ? 3 : 1));
    painter.drawRect(one.room);
    painter.setFont(look::text(look::kLeast, next));
    painter.setPen(look::kGraphite);
    drawText(painter, QRectF(one.room.x(), one.room.y() - 17, std::max(one.room.width(), 60.0), 16),
             Qt::AlignLeft | Qt::AlignBottom, one.name);
  }
}

void SawView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (bench_ && saw_) return paintBench(painter);
  if (saw_ && cut_) return paintCut(painter, rect(), *saw_, *cut_, tone_);
  painter.setFont(look::text(20));
  painter.setPen(look::kGraphite);
  painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap, words_);
}

void SawView::mousePressEvent(QMouseEvent* event) {
  if (!bench_) return;
  for (const Lying& one : bench())
    if (one.room.contains(event->position())) return emit cutChosen(one.cut);
}

}  // namespace pp
