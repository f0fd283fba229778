// Drives the window as a user does: finds things by their accessible name, clicks, types, reads
// back.
#pragma once

#include <QAbstractItemView>
#include <QLabel>
#include <QWidget>
#include <functional>
#include <optional>

namespace pp::test {

// The visible widget with that accessible name; fails the test and returns null where there is
// none.
QWidget* named(QWidget* root, const QString& name);
template <class T>
T* named(QWidget* root, const QString& name) {
  return qobject_cast<T*>(named(root, name));
}

// Shows a window and gives it the keyboard; fails the test when that cannot be had.
void appear(QWidget* window);

// What waits for the event loop is done: a stage follows the job once an edit.
void settle();

void click(QWidget* root, const QString& name);
void clickAt(QWidget* widget, const QPointF& point);
// With the left button from one point to another; a key pressed before it is let go.
void drag(QWidget* widget, QPoint from, QPoint to, std::optional<Qt::Key> held = {});
// To whatever has the keyboard.
void type(const QString& text);
void press(Qt::Key key, Qt::KeyboardModifiers modifiers = Qt::NoModifier);

QString textOf(QWidget* root, const QString& name);  // of a label or button

// Runs the event loop until the condition holds; false when it does not within a minute.
bool waitFor(const std::function<bool()>& condition);

// Gives that answer to the question that the next thing done will ask, or chooses that file in the
// dialog that it will open. They wait for one another in the order in which they are called.
void willAnswer(const QString& answer);
// Does that in the dialog that the next thing done will open; false: it was not as expected. It
// must close it.
void willDo(std::function<bool(QWidget&)> what);
void willChooseFile(const QString& path);

// Chooses an entry of the menu that is open.
void chooseInMenu(const QString& text);

}  // namespace pp::test
