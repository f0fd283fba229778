#include "app/stages/layout/sheets_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPaintEvent>
#include <QPainter>

#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"
#include "pictures/paint/sheet_picture.h"

namespace pp {
namespace {

constexpr double kGap = 18;

SheetPicture pictureOf(const PlanShown& shown, std::size_t sheet) {
  SheetPicture out;
  out.job = shown.job.get();
  out.parts = shown.parts.get();
  out.request = shown.request.get();
  out.sheet = &shown.plan->sheets[sheet];
  out.name = sheetName(*shown.request, *shown.plan, sheet);
  return out;
}

}  // namespace

SheetsView::SheetsView(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("Sheets with their parts"));
  setFocusPolicy(Qt::StrongFocus);
}

int SheetsView::sheetCount() const {
  return shown_.plan ? static_cast<int>(shown_.plan->sheets.size()) : 0;
}

void SheetsView::setPlan(const PlanShown& shown) {
  const bool other = shown.plan != shown_.plan;
  shown_ = shown;
  if (other) {
    at_.reset();
    setSelected(selected_);
  }
  setAccessibleDescription(counted(sheetCount(), tr("sheet"), tr("sheets")));
  arrange();
  update();
}

void SheetsView::setSelected(const std::string& code) {
  if (selected_ == code && at_) return;
  selected_ = code;
  const auto is = [this](nest::PlacementRef at) {
    return (*shown_.parts)[shown_.plan->sheets[at.sheet].placements[at.placement].part].code ==
           selected_;
  };
  if (!shown_.plan || !at_ || !is(*at_)) at_.reset();
  for (std::size_t s = 0; shown_.plan && !at_ && s < shown_.plan->sheets.size(); ++s)
    for (std::size_t p = 0; !at_ && p < shown_.plan->sheets[s].placements.size(); ++p)
      if (is({s, p})) at_ = nest::PlacementRef{s, p};
  update();
}

void SheetsView::choose(nest::PlacementRef at) {
  at_ = at;
  emit chosen(shown_.plan->sheets[at.sheet].placements[at.placement].part);
  // Following the choice must not lose which copy it was.
  at_ = at;
  update();
}

// The parts one after the other, sheet by sheet.
void SheetsView::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Right || event->key() == Qt::Key_Down ? 1
                   : event->key() == Qt::Key_Left || event->key() == Qt::Key_Up  ? -1
                                                                                 : 0;
  if (step == 0 || sheetCount() == 0) return QWidget::keyPressEvent(event);
  std::vector<nest::PlacementRef> all;
  std::size_t now = 0;
  for (std::size_t s = 0; s < shown_.plan->sheets.size(); ++s)
    for (std::size_t p = 0; p < shown_.plan->sheets[s].placements.size(); ++p) {
      if (at_ == nest::PlacementRef{s, p}) now = all.size();
      all.push_back({s, p});
    }
  const std::size_t next =
      at_ ? (now + all.size() + static_cast<std::size_t>(step)) % all.size() : 0;
  choose(all[next]);
}

// All sheets have one scale, so that a small panel looks small; two stand side by side where they
// fit.
void SheetsView::arrange() {
  rooms_.clear();
  if (sheetCount() == 0) return;
  Length longest;
  for (const PlannedSheet& sheet : shown_.plan->sheets)
    longest = std::max(longest, shown_.request->stock[sheet.stock].length);
  // Wide enough, the sheets stand in two columns.
  constexpr int kTwoColumns = 880;
  const double room = width() >= kTwoColumns ? (width() - kGap) / 2 - 4 : width() - 8.0;
  const double scale = room / longest.inMm();
  double x = 0;
  double y = 6;
  double line = 0;
  for (const PlannedSheet& sheet : shown_.plan->sheets) {
    const StockSupply& stock = shown_.request->stock[sheet.stock];
    constexpr double kTitleWidth = 400;  // a title needs room even over a narrow piece
    const double w = std::max(stock.length.inMm() * scale, kTitleWidth) + 3;
    const double h = stock.width.inMm() * scale + SheetPicture::kTitle + 3;
    if (x > 0 && x + w > width()) {
      x = 0;
      y += line + kGap;
      line = 0;
    }
    rooms_.emplace_back(x, y, stock.length.inMm() * scale + 3, h);
    x += w + kGap;
    line = std::max(line, h);
  }
  const int height = static_cast<int>(y + line + kGap);
  if (minimumHeight() != height) setMinimumHeight(height);
}

void SheetsView::paintEvent(QPaintEvent* event) {
  QPainter painter(this);
  painter.fillRect(event->rect(), look::kPaper);
  for (std::size_t i = 0; i < rooms_.size(); ++i) {
    if (!rooms_[i].intersects(event->rect())) continue;
    SheetPicture picture = pictureOf(shown_, i);
    for (std::size_t k = 0; k < picture.sheet->placements.size(); ++k)
      if (at_ ? *at_ == nest::PlacementRef{i, k}
              : (*shown_.parts)[picture.sheet->placements[k].part].code == selected_)
        picture.selected = k;
    picture.paint(painter, rooms_[i]);
  }
}

void SheetsView::mousePressEvent(QMouseEvent* event) {
  for (std::size_t i = 0; i < rooms_.size(); ++i) {
    const SheetPicture picture = pictureOf(shown_, i);
    if (const auto at = picture.placementAt(event->position(), rooms_[i])) return choose({i, *at});
  }
}

}  // namespace pp
