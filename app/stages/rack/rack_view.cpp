#include "app/stages/rack/rack_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <QRegularExpression>
#include <algorithm>
#include <map>

#include "core/length/parse.h"
#include "core/shop/good_for.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

RackView::RackView(QWidget* parent) : QWidget(parent) {
  setMinimumHeight(150);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The shop's rack"));
}

void RackView::setState(std::shared_ptr<const StoreState> state, const QString& words) {
  words_ = words;
  if (state == state_) return update();
  state_ = std::move(state);
  read();
}

void RackView::search(const QString& words) {
  sought_ = words;
  find();
}

void RackView::setStyle(const LengthStyle& style) {
  const bool other = style.unit != style_.unit || style.denominator != style_.denominator;
  style_ = style;
  if (other) read();
}

void RackView::read() {
  texts_.clear();
  std::map<Id, QString> materials;
  if (state_) {
    for (const RackMaterial& one : state_->materials)
      materials[one.id] = rackMaterialWords(state_->materials, one.id, style_);
    for (const RackRow& row : state_->rack) {
      const RackPiece& piece = row.piece;
      QString text = materials[piece.material];
      for (const std::string* words : {&piece.lot, &piece.place, &piece.note})
        text += QLatin1Char('\n') + qs(*words);
      text += QLatin1Char('\n') + qs(format(piece.length, style_)) + QStringLiteral(" × ") +
              qs(format(piece.width, style_));
      if (piece.tag > 0) text += QStringLiteral("\nR%1").arg(piece.tag);
      texts_.push_back(std::move(text));
    }
  }
  find();
}

// "600 x 400" in words that are sought: a piece at least so large, either way round; and what else
// is sought.
std::pair<std::optional<WantedPart>, QString> RackView::sizeIn(const QString& words) const {
  static const QRegularExpression kSize(QStringLiteral("(\\S+)\\s*[x×]\\s*(\\S+)"));
  const QRegularExpressionMatch match = kSize.match(words);
  if (!match.hasMatch()) return {std::nullopt, words};
  const auto length = parseLength(match.captured(1).toStdString(), style_.unit);
  const auto width = parseLength(match.captured(2).toStdString(), style_.unit);
  if (!length || !width) return {std::nullopt, words};
  WantedPart out;
  out.length = *length;
  out.width = *width;
  QString rest = words;
  rest.remove(match.capturedStart(), match.capturedLength());
  return {out, rest};
}

void RackView::find() {
  rows_.clear();
  const auto [size, rest] = sizeIn(sought_);
  const QStringList words = rest.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  for (std::size_t i = 0; i < texts_.size(); ++i)
    if ((!size || gives(state_->rack[i].piece, *size)) &&
        std::all_of(words.begin(), words.end(), [this, i](const QString& word) {
          return texts_[i].contains(word, Qt::CaseInsensitive);
        }))
      rows_.push_back(state_->rack[i]);
  setAccessibleDescription(
      counted(static_cast<std::int64_t>(rows_.size()), tr("piece shown"), tr("pieces shown")));
  update();
  emit chosenChanged();
}

std::vector<RackPlace> RackView::places() const {
  return state_ ? rackPlaces(rect(), state_->materials, rows_, style_) : std::vector<RackPlace>{};
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
  const auto shown = static_cast<std::int64_t>(places().size());
  const auto more = static_cast<std::int64_t>(rows_.size()) - shown;
  if (more <= 0) return;
  painter.setFont(look::text(look::kBody));
  painter.setPen(look::kGraphite);
  painter.drawText(rect().adjusted(0, 0, -4, 0), Qt::AlignTop | Qt::AlignRight,
                   tr("and %1 more: search").arg(more));
}

void RackView::mousePressEvent(QMouseEvent* event) {
  for (const RackPlace& place : places())
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
