#include "app/shell/dress.h"

#include <QApplication>
#include <QKeyEvent>
#include <QPalette>
#include <QPushButton>

#include "pictures/paint/look.h"

namespace pp {
namespace {

// Enter presses the button that has the keyboard, as people expect; without this only Space does.
class EnterPresses : public QObject {
 public:
  using QObject::QObject;
  bool eventFilter(QObject* watched, QEvent* event) override {
    if (event->type() != QEvent::KeyPress) return false;
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() != Qt::Key_Return && key->key() != Qt::Key_Enter) return false;
    auto* button = qobject_cast<QPushButton*>(watched);
    if (button == nullptr || !button->isEnabled()) return false;
    button->click();
    return true;
  }
};

}  // namespace

void dressUp() {
  qApp->installEventFilter(new EnterPresses(qApp));
  look::loadFonts();
  QApplication::setStyle(QStringLiteral("Fusion"));
  QApplication::setFont(look::text(13));
  QPalette palette;
  palette.setColor(QPalette::Window, look::kPaper);
  palette.setColor(QPalette::Base, look::kCard);
  palette.setColor(QPalette::AlternateBase, look::kPaper);
  palette.setColor(QPalette::Button, look::kPaper);
  palette.setColor(QPalette::WindowText, look::kGraphite);
  palette.setColor(QPalette::Text, look::kGraphite);
  palette.setColor(QPalette::ButtonText, look::kGraphite);
  palette.setColor(QPalette::Highlight, look::kSlate);
  palette.setColor(QPalette::HighlightedText, look::kCard);
  palette.setColor(QPalette::ToolTipBase, look::kCard);
  palette.setColor(QPalette::ToolTipText, look::kGraphite);
  palette.setColor(QPalette::PlaceholderText, look::kPencil);
  palette.setColor(QPalette::Disabled, QPalette::ButtonText, look::kPencil);
  palette.setColor(QPalette::Disabled, QPalette::WindowText, look::kPencil);
  QApplication::setPalette(palette);
  qApp->setStyleSheet(QStringLiteral(
      "QPushButton { background: #FCF9F3; border: 1px solid #8F877A; border-radius: 2px; padding: "
      "4px 9px; }"
      "QPushButton:hover { background: #DCE4E6; }"
      "QPushButton:focus { border: 2px solid #3D5A66; padding: 3px 8px; }"
      "QPushButton:disabled { color: #5C5750; border-color: #CFC6B4; }"
      "QPushButton:flat { background: transparent; border: 1px solid transparent; }"
      "QPushButton:flat:focus { border: 1px dashed #3D5A66; padding: 4px 9px; }"
      "QPushButton#value { color: #2B2926; border: none; border-bottom: 2px solid #3D5A66; "
      "border-radius: 0; padding: 0 1px; font: 600 14px 'Plain Patch'; text-align: left; }"
      "QPushButton#value:hover, QPushButton#value:focus { background: #DCE4E6; border: none; "
      "border-bottom: 2px solid #3D5A66; padding: 0 1px; }"
      "QPushButton#unit { min-width: 26px; } QPushButton:checked { background: #3D5A66; "
      "color: #FCF9F3; }"
      "QPushButton#fix { border: 1px solid #A8382B; }"
      "QFrame#stop { background: #FCF9F3; border: none; border-left: 5px solid #A8382B; }"
      "QFrame#mind { background: #FCF9F3; border: none; border-left: 5px dashed #5C5750; }"
      "QFrame#tip { background: #FCF9F3; border: none; border-left: 2px solid #5C5750; }"
      "QWidget#topStrip { border-bottom: 1px solid #CFC6B4; }"
      "QWidget#message, QLabel#message { background: #FCF9F3; border-left: 5px solid #A8382B; }"
      "QLabel#result { background: #FCF9F3; border: 2px solid #3D5A66; padding: 3px 8px; }"
      "QLabel#problem { color: #A8382B; font-weight: bold; }"
      "QLineEdit { background: #FCF9F3; border: 1px solid #8F877A; padding: 3px; } QLineEdit:focus "
      "{ border: 2px solid #3D5A66; padding: 2px; }"
      "QTableView, QListWidget { background: #FCF9F3; border: 1px solid #CFC6B4; "
      "selection-background-color: #3D5A66; selection-color: #FCF9F3; }"
      "QTableView:focus, QListWidget:focus { border: 1px solid #3D5A66; }"
      "QTableView::item { border: none; padding: 0 5px; }"
      "QHeaderView { background: #F5F0E6; border: none; }"
      "QHeaderView::section { background: #F5F0E6; border: none; border-bottom: 1px solid #8F877A; "
      "padding: 4px 8px; font-weight: bold; }"
      "QProgressBar { border: 1px solid #8F877A; background: #FCF9F3; } QProgressBar::chunk { "
      "background: #3D5A66; }"
      "QMenu { background: #FCF9F3; border: 1px solid #8F877A; } QMenu::item { padding: 5px 22px; "
      "} QMenu::item:selected { background: #3D5A66; color: #FCF9F3; }"));
}

}  // namespace pp
