#include "tests/app/driver.h"

#include <gtest/gtest.h>

#include <QApplication>
#include <QDialogButtonBox>
#include <QLineEdit>
#include <QMenu>
#include <QMouseEvent>
#include <QPushButton>
#include <QTest>
#include <QTimer>
#include <deque>

namespace pp::test {

QWidget* named(QWidget* root, const QString& name) {
  settle();
  for (QWidget* widget : root->findChildren<QWidget*>())
    if (widget->isVisible() && widget->accessibleName() == name) return widget;
  for (QPushButton* button : root->findChildren<QPushButton*>())
    if (button->isVisible() && button->text() == name) return button;
  ADD_FAILURE() << "nothing visible is named " << name.toStdString();
  return nullptr;
}

void click(QWidget* root, const QString& name) {
  if (QWidget* widget = named(root, name)) QTest::mouseClick(widget, Qt::LeftButton);
  settle();
}

// Widgets put into a layout show themselves on the turn after the one they are made in.
void settle() {
  QApplication::processEvents();
  QApplication::processEvents();
}

namespace {

constexpr int kMinute = 60'000;

// Gives a window the keyboard; false when that cannot be had within a minute. Where there is no
// window manager only a window that is seen can become the active one, and whoever asks before that
// is not heard and has to ask again.
bool activate(QWidget* window) {
  return QTest::qWaitForWindowExposed(window, kMinute) && waitFor([window] {
           if (!window->isActiveWindow()) QApplication::setActiveWindow(window);
           return window->isActiveWindow();
         });
}

}  // namespace

void appear(QWidget* window) {
  window->show();
  ASSERT_TRUE(activate(window));
}

void clickAt(QWidget* widget, const QPointF& point) {
  QTest::mouseClick(widget, Qt::LeftButton, {}, point.toPoint());
  settle();
}

namespace {

QWidget* focusOf(QWidget* window) {
  if (window == nullptr || !window->isVisible() || window->focusWidget() == nullptr) return nullptr;
  return activate(window) ? window->focusWidget() : nullptr;
}

// A dialog chooses who has its keyboard when it first becomes the active window.
QWidget* focusOfDialog(QWidget* dialog) {
  if (!activate(dialog) || !waitFor([dialog] { return dialog->focusWidget() != nullptr; }))
    return nullptr;
  return dialog->focusWidget();
}

// What has the keyboard: a menu, else the widget that has it in its window. Without a window
// manager a window may not become active again after a menu, nor a dialog as it appears, but each
// keeps its focus widget; of a dialog that keeps others waiting nothing goes to them.
QWidget* keyboardTarget() {
  if (QWidget* popup = QApplication::activePopupWidget()) return popup;
  if (QWidget* dialog = QApplication::activeModalWidget()) return focusOfDialog(dialog);
  if (QWidget* focus = QApplication::focusWidget()) return focus;
  for (QWidget* window : QApplication::topLevelWidgets())
    if (QWidget* focus = focusOf(window)) return focus;
  return nullptr;
}

}  // namespace

void drag(QWidget* widget, QPoint from, QPoint to, std::optional<Qt::Key> held) {
  QTest::mousePress(widget, Qt::LeftButton, {}, from);
  for (const QPoint& at : {(from + to) / 2, to}) {
    // QTest::mouseMove says of no button that it is down.
    QMouseEvent move(QEvent::MouseMove, at, widget->mapToGlobal(at), Qt::NoButton, Qt::LeftButton,
                     Qt::NoModifier);
    QApplication::sendEvent(widget, &move);
  }
  if (held) QTest::keyClick(widget, *held);
  QTest::mouseRelease(widget, Qt::LeftButton, {}, to);
  QApplication::processEvents();
}

void type(const QString& text) {
  QWidget* target = keyboardTarget();
  ASSERT_NE(target, nullptr);
  QTest::keyClicks(target, text);
  settle();
}

void press(Qt::Key key, Qt::KeyboardModifiers modifiers) {
  QWidget* target = keyboardTarget();
  ASSERT_NE(target, nullptr);
  QTest::keyClick(target, key, modifiers);
  settle();
}

QString textOf(QWidget* root, const QString& name) {
  QWidget* widget = named(root, name);
  if (auto* label = qobject_cast<QLabel*>(widget)) return label->text();
  if (auto* button = qobject_cast<QPushButton*>(widget)) return button->text();
  return {};
}

bool waitFor(const std::function<bool()>& condition) {
  return QTest::qWaitFor(condition, kMinute);
}

namespace {

// What will be done to the dialogs that are to come, in turn.
std::deque<std::function<bool(QWidget&)>>& toDo() {
  static std::deque<std::function<bool(QWidget&)>> out;
  return out;
}

void lookForDialog() {
  if (toDo().empty()) return;
  QWidget* dialog = QApplication::activeModalWidget();
  if (dialog != nullptr && dialog->isVisible()) {
    const auto next = toDo().front();
    toDo().pop_front();
    EXPECT_TRUE(next(*dialog)) << dialog->windowTitle().toStdString();
  }
  if (!toDo().empty()) QTimer::singleShot(5, qApp, lookForDialog);
}

}  // namespace

void willDo(std::function<bool(QWidget&)> what) {
  toDo().push_back(std::move(what));
  if (toDo().size() == 1) QTimer::singleShot(5, qApp, lookForDialog);
}

void willAnswer(const QString& answer) {
  willDo([answer](QWidget& dialog) {
    for (auto* button : dialog.findChildren<QAbstractButton*>())
      if (button->text().remove(QLatin1Char('&')) == answer) {
        QTest::mouseClick(button, Qt::LeftButton);
        return true;
      }
    dialog.close();
    return false;
  });
}

void willChooseFile(const QString& path) {
  willDo([path](QWidget& dialog) {
    auto* name = dialog.findChild<QLineEdit*>(QStringLiteral("fileNameEdit"));
    auto* buttons = dialog.findChild<QDialogButtonBox*>();
    if (name == nullptr || buttons == nullptr) {
      dialog.close();
      return false;
    }
    name->setText(path);
    for (QAbstractButton* button : buttons->buttons())
      if (buttons->buttonRole(button) == QDialogButtonBox::AcceptRole)
        QTest::mouseClick(button, Qt::LeftButton);
    return true;
  });
}

void chooseInMenu(const QString& text) {
  // What a menu offers may have to be read first.
  waitFor([] { return QApplication::activePopupWidget() != nullptr; });
  auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
  ASSERT_NE(menu, nullptr);
  for (QAction* action : menu->actions())
    if (action->text() == text) {
      QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
      return settle();
    }
  ADD_FAILURE() << "the menu has no " << text.toStdString();
}

}  // namespace pp::test
