#include "app/stages/layout/sheets_view.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPaintEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>

#include "app/fields/field.h"
#include "pictures/paint/cut_picture.h"
#include "pictures/paint/look.h"
#include "pictures/paint/sheet_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kSheetGap = 18;
constexpr double kLeastZoom = 0.5, kMostZoom = 6;

}  // namespace

SheetsView::SheetsView(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("Sheets with their parts"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
}

SheetPicture SheetsView::picture(std::size_t sheet) const {
  SheetPicture out;
  out.job = shown_.job.get();
  out.parts = shown_.parts.get();
  out.request = shown_.request.get();
  out.sheet = &shown_.plan->sheets[sheet];
  out.index = sheet;
  out.name = sheetName(*shown_.request, *shown_.plan, sheet);
  out.cuts = &cuts_;
  out.cutsShown = static_cast<std::size_t>(cutsShown_);
  return out;
}

int SheetsView::sheetCount() const {
  return shown_.plan ? static_cast<int>(shown_.plan->sheets.size()) : 0;
}

void SheetsView::setPlan(const PlanShown& shown) {
  const bool other = shown.plan != shown_.plan;
  shown_ = shown;
  if (other) {
    cuts_.clear();
    if (shown.plan)
      if (auto made = saw::madeCuts(*shown.request, *shown.plan)) cuts_ = std::move(made).value();
    cutsShown_ = std::min(cutsShown_, cutCount());
    if (only_ && *only_ >= static_cast<std::size_t>(sheetCount())) only_.reset();
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
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) return showOneOrAll();
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

bool SheetsView::find(const QString& code) {
  const QString wanted = code.trimmed().toUpper();
  if (wanted.isEmpty() || !shown_.plan) return false;
  std::vector<nest::PlacementRef> found;
  for (std::size_t s = 0; s < shown_.plan->sheets.size(); ++s)
    for (std::size_t p = 0; p < shown_.plan->sheets[s].placements.size(); ++p)
      if (qs((*shown_.parts)[shown_.plan->sheets[s].placements[p].part].code)
              .toUpper()
              .contains(wanted))
        found.push_back({s, p});
  if (found.empty()) return false;
  const auto now = at_ ? std::find(found.begin(), found.end(), *at_) : found.end();
  const auto next = now == found.end() || now + 1 == found.end() ? found.begin() : now + 1;
  if (only_) showOnly(next->sheet);
  choose(*next);
  const Placement& p = shown_.plan->sheets[next->sheet].placements[next->placement];
  const Mapping map = picture(next->sheet).mapping(rooms_[next->sheet]);
  emit wantsToBeSeen(map.rect(p.x, p.y, p.dx, p.dy).toAlignedRect());
  return true;
}

void SheetsView::setCutsShown(int cuts) {
  cutsShown_ = std::clamp(cuts, 0, cutCount());
  if (cutsShown_ > 0) {
    const saw::MadeCut& last = cuts_[static_cast<std::size_t>(cutsShown_) - 1];
    if (only_) showOnly(last.blade.sheet);
    const Mapping map = picture(last.blade.sheet).mapping(rooms_[last.blade.sheet]);
    emit wantsToBeSeen(
        map.rect(last.blade.x, last.blade.y, last.blade.dx, last.blade.dy).toAlignedRect());
  }
  update();
}

QString SheetsView::cutWords(int cut) const {
  if (cut < 1 || cut > cutCount()) return {};
  const std::size_t at = static_cast<std::size_t>(cut) - 1;
  const SawCut& made = shown_.plan->cuts[at];
  return tr("%1: %2, %3, %4")
      .arg(qs(made.piece), qs(made.machine), kindWords(made),
           readWords(made, cuts_[at], styleOf(*shown_.job)));
}

void SheetsView::setZoom(double zoom) {
  zoom_ = std::clamp(zoom, kLeastZoom, kMostZoom);
  arrange();
  update();
  emit zoomed();
}

void SheetsView::showOnly(std::optional<std::size_t> sheet) {
  if (sheet && *sheet >= static_cast<std::size_t>(sheetCount())) return;
  only_ = sheet;
  arrange();
  update();
  emit zoomed();
}

void SheetsView::showOneOrAll() {
  if (only_) return showOnly(std::nullopt);
  showOnly(at_ ? at_->sheet : 0);
}

// All sheets have one scale, so that a small panel looks small; two stand side by side where they
// fit. One alone is as large as the stage.
void SheetsView::arrange() {
  rooms_.assign(static_cast<std::size_t>(sheetCount()), QRectF());
  if (rooms_.empty()) return;
  const QSize seen = parentWidget() != nullptr ? parentWidget()->size() : size();
  int wide = 0;
  int high = 0;
  if (only_) {
    const QRectF room(0, 6, zoom_ * seen.width() - 4, zoom_ * (seen.height() - 12));
    rooms_[*only_] = room;
    wide = static_cast<int>(room.right());
    high = static_cast<int>(room.bottom());
  } else {
    Length longest;
    for (const PlannedSheet& sheet : shown_.plan->sheets)
      longest = std::max(longest, shown_.request->stock[sheet.stock].length);
    // Wide enough, the sheets stand in two columns.
    constexpr int kTwoColumns = 880;
    const double each =
        seen.width() >= kTwoColumns ? (seen.width() - kSheetGap) / 2 - 4 : seen.width() - 8.0;
    // With the margins that the codes of thin parts need.
    double beside = 2;
    for (std::size_t i = 0; i < rooms_.size(); ++i) {
      const SheetPicture one = picture(i);
      const double bare =
          one.request->stock[one.sheet->stock].length.inMm() * each / longest.inMm();
      beside = std::max(beside, one.sizeAt(each / longest.inMm()).width() - bare);
    }
    const double scale = zoom_ * (each - beside) / longest.inMm();
    double x = 0;
    double y = 6;
    double line = 0;
    for (std::size_t i = 0; i < rooms_.size(); ++i) {
      const QSizeF size = picture(i).sizeAt(scale);
      constexpr double kTitleWidth = 430;  // a title needs room even over a narrow piece
      // Columns stand below one another.
      const double w = std::max({size.width(), kTitleWidth, zoom_ * each});
      if (x > 0 && x + w > std::max<double>(seen.width(), zoom_ * seen.width())) {
        x = 0;
        y += line + kSheetGap;
        line = 0;
      }
      rooms_[i] = QRectF(QPointF(x, y), size);
      wide = std::max(wide, static_cast<int>(x + size.width()));
      x += w + kSheetGap;
      line = std::max(line, size.height());
    }
    high = static_cast<int>(y + line + kSheetGap);
  }
  // Sideways it is moved only where it was made larger.
  const QSize needed(zoom_ > 1 ? wide : 0, only_ && zoom_ <= 1 ? 0 : high);
  if (minimumSize() != needed) setMinimumSize(needed);
}

void SheetsView::paintEvent(QPaintEvent* event) {
  QPainter painter(this);
  painter.fillRect(event->rect(), look::kPaper);
  for (std::size_t i = 0; i < rooms_.size(); ++i) {
    if (!rooms_[i].intersects(event->rect())) continue;
    SheetPicture picture = this->picture(i);
    for (std::size_t k = 0; k < picture.sheet->placements.size(); ++k)
      if (at_ ? *at_ == nest::PlacementRef{i, k}
              : (*shown_.parts)[picture.sheet->placements[k].part].code == selected_)
        picture.selected = k;
    picture.paint(painter, rooms_[i]);
  }
}

std::optional<nest::PlacementRef> SheetsView::placementAt(const QPointF& point) const {
  for (std::size_t i = 0; i < rooms_.size(); ++i)
    if (!rooms_[i].isNull())
      if (const auto at = picture(i).placementAt(point, rooms_[i]))
        return nest::PlacementRef{i, *at};
  return std::nullopt;
}

void SheetsView::mousePressEvent(QMouseEvent* event) {
  if (const auto at = placementAt(event->position())) choose(*at);
}

void SheetsView::mouseDoubleClickEvent(QMouseEvent* event) {
  for (std::size_t i = 0; i < rooms_.size(); ++i)
    if (rooms_[i].contains(event->position()))
      return showOnly(only_ ? std::nullopt : std::optional(i));
}

void SheetsView::wheelEvent(QWheelEvent* event) {
  if ((event->modifiers() & Qt::ControlModifier) == 0) return QWidget::wheelEvent(event);
  constexpr double kNotch = 120;
  setZoom(zoom_ * std::pow(1.2, event->angleDelta().y() / kNotch));
  event->accept();
}

QString SheetsView::wordsFor(nest::PlacementRef at) const {
  const Plan& plan = *shown_.plan;
  const Placement& p = plan.sheets[at.sheet].placements[at.placement];
  const Part& part = (*shown_.parts)[p.part];
  QString out = tr("%1 %2, %3")
                    .arg(qs(part.code), qs(part.name),
                         figures(part.cutLength(), part.cutWidth(), styleOf(*shown_.job)));
  const std::int64_t of = shown_.request->parts[p.part].quantity;
  if (of > 1) out += tr(", %1 of %2").arg(p.copy).arg(of);
  for (const PieceEnd& end : plan.ends) {
    if (end.kind != PieceEnd::Kind::Part || end.sheet != at.sheet || end.index != at.placement)
      continue;
    for (const SawCut& cut : plan.cuts)
      if (cut.low == end.piece || cut.high == end.piece)
        out += tr(". It comes off with cut %1").arg(cut.step);
  }
  return out + QLatin1Char('.');
}

bool SheetsView::event(QEvent* event) {
  if (event->type() != QEvent::ToolTip) return QWidget::event(event);
  const auto* help = static_cast<QHelpEvent*>(event);
  const auto at = placementAt(help->pos());
  QToolTip::showText(help->globalPos(), at ? plainTip(wordsFor(*at)) : QString(), this);
  return true;
}

}  // namespace pp
