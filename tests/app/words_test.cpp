// Every word of every kind's sentence: changed as a user changes it, seen, and taken back.
#include <gtest/gtest.h>

#include <QApplication>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QTest>
#include <algorithm>
#include <set>

#include "app/sentences/sentence_view.h"
#include "app/shell/main_window.h"
#include "core/kinds/carcass/layout.h"
#include "tests/app/shown_window.h"

namespace pp::words_test {
namespace {

struct Outcome {
  int changed = 0, refused = 0, same = 0;
};

class Words : public test::ShownWindow, public testing::WithParamInterface<const char*> {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    const QString name = QString::fromLatin1(GetParam());
    if (name != QStringLiteral("kinds")) return open(GetParam());
    // A copy, since an open file has its lock beside it.
    ASSERT_TRUE(QFile::copy(QStringLiteral(GUIDE_DIR "/kinds.plainpatch"), path()));
    ASSERT_TRUE(window_->openFile(path()));
    window_->showStage(QStringLiteral("draw"));
  }

  std::vector<QPushButton*> words() {
    test::settle();
    std::vector<QPushButton*> out;
    for (auto* view : window_->findChildren<SentenceView*>())
      for (auto* word : view->findChildren<QPushButton*>(QStringLiteral("value")))
        if (!word->isHidden() && view->isVisible()) out.push_back(word);
    return out;
  }
  QStringList texts() {
    QStringList out;
    for (const QPushButton* word : words())
      out << word->accessibleName() + QStringLiteral(": ") + word->text();
    return out;
  }

  // Takes the next entry of the menu that opened.
  void pickAnother() {
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    const QList<QAction*> entries = menu->actions();
    qsizetype at = 0;
    while (at < entries.size() && !entries[at]->isChecked()) ++at;
    QAction* next = entries[(at + 1) % entries.size()];
    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(next).center());
  }
  // A little more than stands there; a list of sizes stays as it is.
  void typeMore(QLineEdit& field) {
    if (!field.text().contains(QLatin1Char(','))) {
      QTest::keyClick(&field, Qt::Key_End);
      QTest::keyClicks(
          &field, job().unit == Unit::Inch ? QStringLiteral(" + 1/8") : QStringLiteral(" + 1"));
    }
    QTest::keyClick(&field, Qt::Key_Return);
  }

  // Changes the word at that place, and undoes it where it was taken.
  void change(std::size_t index, Outcome& out) {
    const std::vector<QPushButton*> all = words();
    QPushButton* word = all[index];
    const QString name = word->accessibleName();
    const QStringList before = texts();
    const Job was = job();
    SCOPED_TRACE(name.toStdString());
    QTest::mouseClick(word, Qt::LeftButton);
    test::settle();
    if (QApplication::activePopupWidget() != nullptr) {
      pickAnother();
    } else {
      auto* field = test::named<QLineEdit>(window_.get(), name + QStringLiteral(", new value"));
      ASSERT_NE(field, nullptr);
      typeMore(*field);
    }
    test::settle();
    if (job() == was) {
      // Refused with words, or the same again.
      bool said = false;
      for (const QLabel* line : window_->findChildren<QLabel*>())
        said = said || (line->isVisible() && line->objectName() == QStringLiteral("problem") &&
                        !line->text().isEmpty());
      ++(said ? out.refused : out.same);
      window_->activateWindow();
      test::press(Qt::Key_Escape);
      EXPECT_EQ(texts(), before);
      return;
    }
    ++out.changed;
    EXPECT_NE(texts(), before) << "what was chosen is not to be read";
    EXPECT_FALSE(session().undoText().isEmpty());
    session().undo();
    EXPECT_EQ(job(), was);
    EXPECT_EQ(texts(), before);
  }
};

TEST_P(Words, allCanBeChangedReadAndTakenBack) {
  for (std::size_t k = 0; k < job().assemblies.size(); ++k) {
    const Assembly assembly = job().assemblies[k];
    SCOPED_TRACE(assembly.code);
    Outcome outcome;
    std::vector<std::optional<OpeningPath>> openings = {std::nullopt};
    if (assembly.isCarcass())
      if (const auto layout = layOut(job(), assembly))
        for (const OpeningRect& leaf : layout->leaves) openings.emplace_back(leaf.path);
    std::set<QString> seen;  // words about one opening are much like those about the next
    const std::string code = assembly.code;
    for (const auto& opening : openings) {
      session().pointing().select({code, opening, {}});
      const std::size_t count = words().size();
      for (std::size_t i = 0; i < count && i < words().size(); ++i)
        if (seen.insert(words()[i]->accessibleName()).second) change(i, outcome);
      if (HasFatalFailure()) return;
    }
    EXPECT_GT(outcome.changed, 2) << "of " << seen.size();
    // Of what can be chosen or typed, most can be so as things are.
    EXPECT_GE(outcome.changed * 10, static_cast<int>(seen.size()) * 6)
        << outcome.refused << " refused, " << outcome.same << " the same";
  }
}

INSTANTIATE_TEST_SUITE_P(Jobs, Words, testing::Values("kinds", "ringing-trolley"),
                         [](const auto& one) {
                           std::string name = one.param;
                           std::replace(name.begin(), name.end(), '-', '_');
                           return name;
                         });

}  // namespace
}  // namespace pp::words_test
