// A window that is shown and driven as a user drives it: what the tests of all stages begin with.
#pragma once

#include <gtest/gtest.h>

#include <QApplication>
#include <QLineEdit>
#include <QTableView>
#include <QTemporaryDir>
#include <functional>
#include <memory>

#include "app/shell/main_window.h"
#include "tests/app/driver.h"

namespace pp::test {

class ShownWindow : public testing::Test {
 protected:
  void SetUp() override { begin(); }
  void TearDown() override {
    if (window_) window_->session().plans().runner().stop();
    window_.reset();
  }

  void begin() {
    window_ = std::make_unique<MainWindow>();
    window_->resize(1280, 800);
    appear(window_.get());
  }
  void open(const char* demo, const char* stage = "draw") {
    ASSERT_TRUE(window_->openDemo(QString::fromLatin1(demo)));
    ASSERT_TRUE(window_->showStage(QString::fromLatin1(stage)));
    test::settle();
  }
  Session& session() { return window_->session(); }
  const Job& job() { return session().job(); }
  // Waits until there is a plan and nothing is searched.
  bool planned() {
    return waitFor([this] {
      return session().plans().shown().plan && !session().plans().runner().isRunning();
    });
  }
  void edit(const std::function<void(Job&)>& change) {
    Job next = job();
    change(next);
    const Problems problems = session().edit(QStringLiteral("change"), std::move(next));
    ASSERT_TRUE(problems.empty()) << describe(problems);
  }
  QString path(const char* name = "trolley.plainpatch") const {
    return folder_.filePath(QString::fromUtf8(name));
  }

  // Replaces the value of a word in the sentence.
  void change(const QString& word, const QString& value) {
    click(window_.get(), word);
    typeOver(value);
  }
  // Chooses another entry for a word in the sentence.
  void choose(const QString& word, const QString& entry) {
    click(window_.get(), word);
    chooseInMenu(entry);
    settle();
  }
  // A cell is chosen and its value typed over.
  void set(const char* table, int row, int column, const char* value) {
    auto* view = named<QTableView>(window_.get(), QString::fromUtf8(table));
    ASSERT_NE(view, nullptr) << table;
    view->setFocus();
    view->setCurrentIndex(view->model()->index(row, column));
    press(Qt::Key_F2);
    typeOver(QString::fromUtf8(value));
  }
  // In the field that has the keyboard.
  static void typeOver(const QString& value) {
    auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(field, nullptr) << value.toStdString();
    field->selectAll();
    type(value);
    press(Qt::Key_Return);
    QApplication::processEvents();
  }

  QTemporaryDir folder_;
  std::unique_ptr<MainWindow> window_;
};

}  // namespace pp::test
