#include "app/stages/layout/sheets_view.h"

#include <QMouseEvent>
#include <QPaintEvent>
#include <QPainter>

#include "app/paint/figures.h"
#include "app/paint/look.h"
#include "app/paint/sheet_picture.h"

namespace pp {
namespace {

constexpr double kGap = 18;

SheetPicture pictureOf(const PlanShown& shown, std::size_t sheet) {
  SheetPicture out;
  out.job = shown.job.get();
  out.parts = shown.parts.get();
  out.request = shown.request.get();
  out.sheet = &shown.plan->sheets[sheet];
  out.index = sheet;
  return out;
}

}  // namespace

SheetsView::SheetsView(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("Sheets"));
}

int SheetsView::sheetCount() const {
  return shown_.plan ? static_cast<int>(shown_.plan->sheets.size()) : 0;
}

void SheetsView::setPlan(const PlanShown& shown) {
  shown_ = shown;
  setAccessibleDescription(tr("%n sheets", nullptr, sheetCount()));
  arrange();
  update();
}

void SheetsView::setSelected(const std::string& code) {
  if (selected_ == code) return;
  selected_ = code;
  update();
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
      if ((*shown_.parts)[picture.sheet->placements[k].part].code == selected_)
        picture.selected = k;
    picture.paint(painter, rooms_[i]);
  }
}

void SheetsView::mousePressEvent(QMouseEvent* event) {
  for (std::size_t i = 0; i < rooms_.size(); ++i) {
    const SheetPicture picture = pictureOf(shown_, i);
    if (const auto at = picture.placementAt(event->position(), rooms_[i]))
      return emit chosen(picture.sheet->placements[*at].part);
  }
}

}  // namespace pp
