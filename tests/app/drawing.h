// Draw in the real window, by keyboard alone or by mouse.
#pragma once

#include <QLineEdit>
#include <QMenu>
#include <QStandardPaths>
#include <QTest>
#include <string>

#include "app/stages/draw/elevation_view.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::test {

class Drawing : public ShownWindow {
 protected:
  void SetUp() override {
    QStandardPaths::setTestModeEnabled(true);
    ShownWindow::SetUp();
  }
  const Assembly& first() { return session().job().assemblies.front(); }
  ElevationView* elevation() {
    return named<ElevationView>(window_.get(), QStringLiteral("Elevation"));
  }

  // By keyboard: Tab until the word has the focus.
  void tabTo(const QString& name) {
    constexpr int kMost = 200;
    for (int i = 0; i < kMost; ++i) {
      const QWidget* focus = QApplication::focusWidget();
      if (focus != nullptr && focus->accessibleName() == name) return;
      press(Qt::Key_Tab);
    }
    FAIL() << "Tab never came to " << name.toStdString();
  }
  void begin(const QString& name) {
    QApplication::processEvents();  // new words show themselves in the next round of events
    QApplication::setActiveWindow(window_.get());  // a menu that closes may leave none
    if (byMouse_) return click(window_.get(), name);
    tabTo(name);
    press(Qt::Key_Space);
  }
  void pick(const QString& text) {
    if (byMouse_) return chooseInMenu(text);
    waitFor([] { return QApplication::activePopupWidget() != nullptr; });
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_NE(menu, nullptr);
    for (int i = 0; i <= menu->actions().size(); ++i) {
      if (menu->activeAction() != nullptr && menu->activeAction()->text() == text) {
        QTest::keyClick(menu, Qt::Key_Return);
        return;
      }
      QTest::keyClick(menu, Qt::Key_Down);
    }
    FAIL() << "the menu has no " << text.toStdString();
  }
  void choose(const char* word, const QString& text) {
    begin(QString::fromUtf8(word));
    pick(text);
  }
  void set(const char* word, const char* value) {
    begin(QString::fromUtf8(word));
    auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(field, nullptr) << word;
    field->selectAll();
    type(QString::fromUtf8(value));
    press(Qt::Key_Return);
  }
  // Nothing but a plain carcass, of what the open job has in its rack.
  void beginPlain() {
    begin(QStringLiteral("Remove assembly"));
    ASSERT_TRUE(job().assemblies.empty());
    begin(QStringLiteral("Add assembly"));
    pick(QStringLiteral("plain carcass"));
    ASSERT_EQ(job().assemblies.size(), 1U);
  }
  void chooseOpening(const OpeningPath& path, Qt::Key arrow) {
    QApplication::processEvents();
    QApplication::setActiveWindow(window_.get());
    if (byMouse_) return clickAt(elevation(), elevation()->openingRect(path).center());
    elevation()->setFocus();
    press(arrow);
    ASSERT_EQ(session().pointing().selection().opening, path);
  }
  void fill(const char* button, Qt::Key key, const char* answer) {
    if (byMouse_)
      click(window_.get(), QString::fromUtf8(button));
    else
      press(key);
    auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(field, nullptr) << button;
    field->selectAll();
    type(QString::fromUtf8(answer));
    press(Qt::Key_Return);
  }

  // The demo's parts without their codes, to compare drawings by.
  static std::string partsOf(const Job& job, const Assembly& assembly) {
    std::string out;
    LengthStyle style = styleOf(job);
    for (const Part& part : breakDown(job, assembly).parts) {
      out += part.name + " x" + std::to_string(part.quantity) + " " + format(part.length, style) +
             " | " + format(part.width, style) + " | " + part.material;
      for (const std::string& band : part.bands) out += " " + band;
      for (const Machining& machining : part.machining)
        out += " / " + describe(machining, part, style);
      out += "\n";
    }
    return out;
  }

  bool byMouse_ = false;
};

}  // namespace pp::test
