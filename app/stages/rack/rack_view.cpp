#include "app/stages/rack/rack_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"

namespace pp {

RackView::RackView(QWidget* parent) : QWidget(parent) {
  setMinimumHeight(150);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The shop's rack"));
}

void RackView::setState(std::shared_ptr<const StoreState> state, const QString& words) {
  state_ = std::move(state);
  words_ = words;
  find();
}

void RackView::search(const QString& words) {
  sought_ = words;
  find();
}

void RackView::setStyle(const LengthStyle& style) {
  style_ = style;
  update();
}

void RackView::find() {
  rows_.clear();
  const QStringList words = sought_.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  if (state_)
    for (const RackRow& row : state_->rack) {
      const RackPiece& piece = row.piece;
      const QString text = QStringList{rackMaterialWords(state_->materials, piece.material, style_),
                                       qs(piece.lot),
                                       qs(piece.place),
                                       qs(piece.note),
                                       QStringLiteral("R%1").arg(piece.tag),
                                       figures(piece.length, piece.width, style_)}
                               .join(QLatin1Char('\n'));
      if (std::all_of(words.begin(), words.end(), [&text](const QString& word) {
            return text.contains(word, Qt::CaseInsensitive);
          }))
        rows_.push_back(row);
    }
  setAccessibleDescription(
      counted(static_cast<std::int64_t>(rows_.size()), tr("piece shown"), tr("pieces shown")));
  update();
  emit chosenChanged();
}

const RackRow* RackView::chosen() const {
  const auto at = std::find_if(rows_.begin(), rows_.end(),
                               [this](const RackRow& row) { return row.piece.id == chosen_; });
  return at == rows_.end() ? nullptr : &*at;
}

void RackView::choose(Id piece) {
  chosen_ = piece;
  update();
  emit chosenChanged();
}

void RackView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (rows_.empty()) {
    painter.setFont(look::text(look::kBody));
    painter.setPen(look::kPencil);
    painter.drawText(
        rect(), Qt::AlignCenter | Qt::TextWordWrap,
        state_ && !state_->rack.empty() ? tr("Nothing in the rack has these words.") : words_);
    return;
  }
  paintRack(painter, rect(), state_->materials, rows_, chosen_, style_);
  const auto shown = static_cast<std::int64_t>(rackPlaces(rect(), rows_).size());
  const auto more = static_cast<std::int64_t>(rows_.size()) - shown;
  if (more <= 0) return;
  painter.setFont(look::text(look::kBody));
  painter.setPen(look::kGraphite);
  painter.drawText(rect().adjusted(0, 0, -4, 0), Qt::AlignTop | Qt::AlignRight,
                   tr("and %1 more: search").arg(more));
}

void RackView::mousePressEvent(QMouseEvent* event) {
  for (const RackPlace& place : rackPlaces(rect(), rows_))
    if (place.face.contains(event->position()) || place.words.contains(event->position()))
      return choose(place.piece);
}

void RackView::keyPressEvent(QKeyEvent* event) {
  const bool left = event->key() == Qt::Key_Left;
  if ((!left && event->key() != Qt::Key_Right) || rows_.empty())
    return QWidget::keyPressEvent(event);
  const auto at = std::find_if(rows_.begin(), rows_.end(),
                               [this](const RackRow& row) { return row.piece.id == chosen_; });
  if (at == rows_.end()) return choose(rows_.front().piece.id);
  if (left && at != rows_.begin()) return choose(std::prev(at)->piece.id);
  if (!left && std::next(at) != rows_.end()) choose(std::next(at)->piece.id);
}

}  // namespace pp
