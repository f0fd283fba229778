#include "app/shell/keys_overlay.h"

#include <QPainter>

#include "pictures/paint/look.h"

namespace pp {

KeysOverlay::KeysOverlay(QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Keys"));
  hide();
}

void KeysOverlay::showFor(const Stage& stage) {
  title_ = tr("Keys of %1").arg(stage.title());
  keys_ = stage.keys();
  for (const KeyHelp& everywhere :
       std::initializer_list<KeyHelp>{{tr("Ctrl+1 … Ctrl+6, PgUp, PgDn"), tr("another stage")},
                                      {tr("Ctrl+Z, Ctrl+Shift+Z"), tr("undo, redo")},
                                      {tr("F8"), tr("the first fix of the second look")},
                                      {tr("Ctrl+P"), tr("print")},
                                      {tr("Esc"), tr("put this away")}})
    keys_.push_back(everywhere);
  QString description;
  for (const KeyHelp& key : keys_)
    description += key.key + QStringLiteral(": ") + key.what + QStringLiteral("; ");
  setAccessibleDescription(description);
  setGeometry(parentWidget()->rect());
  show();
  raise();
  setFocus();
}

void KeysOverlay::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), QColor(0xF5, 0xF0, 0xE6, 244));
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(20, true));
  painter.drawText(QRectF(40, 30, width() - 80, 30), Qt::AlignLeft, title_);
  double y = 84;
  for (const KeyHelp& key : keys_) {
    painter.setFont(look::text(15, true));
    painter.drawText(QRectF(40, y, 280, 24), Qt::AlignLeft | Qt::AlignVCenter, key.key);
    painter.setFont(look::text(15));
    painter.drawText(QRectF(330, y, width() - 350, 24), Qt::AlignLeft | Qt::AlignVCenter, key.what);
    y += 30;
  }
}

void KeysOverlay::keyPressEvent(QKeyEvent*) {
  hide();
}

}  // namespace pp
