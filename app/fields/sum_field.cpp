#include "app/fields/sum_field.h"

#include <QLayout>
#include <algorithm>

#include "app/fields/field.h"
#include "core/length/parse.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {

SumField::SumField(LengthStyle style, int least, QWidget* parent)
    : QLineEdit(parent), style_(style), least_(least) {
  connect(this, &QLineEdit::textChanged, this, &SumField::grow);
  connect(this, &QLineEdit::textEdited, this, &SumField::follow);
  grow();
}

SumField::~SumField() {
  delete result_;
}

void SumField::grow() {
  constexpr int kFrame = 24, kMost = 420;
  const int needed = static_cast<int>(textWidth(font(), text())) + kFrame;
  // Over a cell of a table nobody else gives it room.
  if (parentWidget() != nullptr && parentWidget()->layout() == nullptr)
    resize(std::clamp(needed, width(), std::max(width(), kMost)), height());
  else
    setFixedWidth(std::clamp(needed, least_, std::max(least_, kMost)));
}

void SumField::follow() {
  const auto length = parseExpression(text().toStdString(), style_.unit);
  const bool plain = !length || text().trimmed() == figure(*length, style_) ||
                     text().trimmed() == typed(*length, style_);
  if (plain) {
    if (result_) result_->hide();
    return;
  }
  if (!result_) {
    result_ = new Label(QString(), window());
    result_->setObjectName(QStringLiteral("result"));
    result_->setAccessibleName(tr("Comes to"));
    result_->setFont(look::text(look::kFigure, true));
    result_->setAttribute(Qt::WA_TransparentForMouseEvents);
  }
  result_->setText(QStringLiteral("= ") + figureWithUnit(*length, style_));
  result_->adjustSize();
  const QPoint below = mapTo(window(), QPoint(0, height() + 2));
  result_->move(std::clamp(below.x(), 0, std::max(0, window()->width() - result_->width())),
                std::min(below.y(), window()->height() - result_->height()));
  result_->raise();
  result_->show();
}

void SumField::focusOutEvent(QFocusEvent* event) {
  if (result_) result_->hide();
  QLineEdit::focusOutEvent(event);
}

void SumField::hideEvent(QHideEvent* event) {
  if (result_) result_->hide();
  QLineEdit::hideEvent(event);
}

}  // namespace pp
