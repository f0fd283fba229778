// What lasts in the window: the plan that was shown, numbers, and what hangs on parts.
#include <gtest/gtest.h>

#include <QDialog>
#include <QLineEdit>
#include <QTemporaryDir>
#include <QTest>

#include "app/shell/main_window.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::lasting_test {
namespace {

using test::press;
using test::textOf;
using test::waitFor;

class Lasting : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley");
    ASSERT_TRUE(planned());
  }
};

TEST_F(Lasting, closeAndOpenShowsTheSamePlanWithoutASearch) {
  ASSERT_FALSE(session().save(path()).has_value());
  const Plan before = *session().plans().shown().plan;
  window_ = std::make_unique<MainWindow>();
  test::appear(window_.get());
  ASSERT_TRUE(window_->openFile(path()));
  EXPECT_FALSE(session().plans().runner().isRunning());
  ASSERT_TRUE(session().plans().shown().plan);
  EXPECT_TRUE(session().plans().isCurrent());
  EXPECT_EQ(session().plans().shown().plan->cuts, before.cuts);
  EXPECT_EQ(session().plans().shown().plan->sheets.size(), before.sheets.size());
  EXPECT_FALSE(session().isModified());
}

TEST_F(Lasting, thePlanShownWhenTheWindowIsLeftIsTheOneInTheFile) {
  ASSERT_FALSE(session().save(path()).has_value());
  // Another plan of the same job, as a longer search finds it.
  session().plans().layOut(1);
  ASSERT_TRUE(planned());
  const Plan last = *session().plans().shown().plan;
  window_->close();
  const auto read = readJobWithRecord("f", readFile(path().toStdString()).value());
  ASSERT_TRUE(read.ok());
  ASSERT_TRUE(read->record.plan.has_value());
  EXPECT_EQ(read->record.plan->plan.cuts, last.cuts);
}

TEST_F(Lasting, whatIsNotNestedLeavesThePlanAsItIs) {
  const auto plan = session().plans().shown().plan;
  edit([](Job& j) { j.unit = Unit::Millimetre; });
  edit([](Job& j) { j.labels.columns = 2; });
  edit([](Job& j) { j.name = "another name"; });
  edit([](Job& j) { j.assemblies[0].code = "Z1"; });
  EXPECT_EQ(session().plans().shown().plan, plan);
  EXPECT_TRUE(session().plans().isCurrent());
  EXPECT_FALSE(session().plans().runner().isRunning());
  EXPECT_TRUE(session().plans().shown().parts->front().code.starts_with("Z1-"))
      << "but says it as it is";
  session().undo();
  EXPECT_EQ(session().plans().shown().plan, plan);
  edit([](Job& j) { j.assemblies[0].carcass().width += Length::mm(1); });
  EXPECT_FALSE(session().plans().isCurrent());
  EXPECT_TRUE(session().plans().runner().isRunning());
}

TEST_F(Lasting, numbersThatAFileCarriedAreNotGivenAgain) {
  const auto codes = [this] {
    std::set<std::string> out;
    for (const Part& part : session().breakdown().parts) out.insert(part.code);
    return out;
  };
  const std::set<std::string> before = codes();
  edit([](Job& j) { j.assemblies[0].carcass().liningLeft = true; });
  std::string lining;
  for (const std::string& code : codes())
    if (before.count(code) == 0) lining = code;
  ASSERT_FALSE(lining.empty());
  ASSERT_FALSE(session().save(path()).has_value());
  session().undo();
  EXPECT_EQ(codes(), before);
  edit([](Job& j) { j.assemblies[0].carcass().liningRight = true; });
  EXPECT_EQ(codes().count(lining), 0U) << lining << " is the left lining's for good";
}

TEST_F(Lasting, whatGoesWithARemovedAssemblyIsSaid) {
  Job next = job();
  const Part part = session().breakdown().parts.front();
  PartOverride made;
  made.part = part.keys.front();
  made.why = "the wall bows";
  next.overrides.push_back(made);
  ASSERT_TRUE(session().edit(QStringLiteral("by hand"), next).empty());
  edit([](Job& j) { j.assemblies.erase(0); });
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Message")).trimmed(),
            QStringLiteral("1 choice made by hand went with it; undo brings all back."));
  EXPECT_TRUE(job().overrides.empty());
  session().undo();
  EXPECT_EQ(job().overrides.size(), 1U);
}

TEST_F(Lasting, aJobHasAnIdOfItsOwnAndKeepsIt) {
  const std::string first = job().id;
  EXPECT_EQ(first.size(), 16U);
  ASSERT_FALSE(session().save(path()).has_value());
  ASSERT_TRUE(window_->openDemo(QStringLiteral("ringing-trolley")));
  EXPECT_NE(job().id, first) << "a demo that is opened becomes another job";
  ASSERT_TRUE(window_->openFile(path()));
  EXPECT_EQ(job().id, first);
}

TEST_F(Lasting, aFileOfVersionOneIsNotRewrittenUntilItIsSaved) {
  const std::string old = readFile(KEPT_DIR "/version-1/ringing-trolley.plainpatch").value();
  ASSERT_FALSE(writeFile(path().toStdString(), old).has_value());
  ASSERT_TRUE(window_->openFile(path()));
  ASSERT_TRUE(planned());
  window_->close();
  EXPECT_EQ(readFile(path().toStdString()).value(), old);
}

TEST_F(Lasting, nameAndPlaceAreChangedInTheirDialogAndUndone) {
  const std::string before = job().name;
  const auto dialog = [this] { return window_->findChild<QDialog*>(); };
  const auto put = [&](const char* field, const QString& text) {
    auto* edit = test::named<QLineEdit>(dialog(), QString::fromLatin1(field));
    ASSERT_NE(edit, nullptr) << field;
    edit->setFocus();
    edit->selectAll();
    test::type(text);
    if (text.isEmpty()) press(Qt::Key_Delete);
  };
  press(Qt::Key_F4);
  ASSERT_TRUE(waitFor([&] { return dialog() != nullptr && dialog()->isVisible(); }));
  put("Name of the job", {});
  press(Qt::Key_Return);
  ASSERT_NE(dialog(), nullptr) << "a job without a name is not taken";
  EXPECT_EQ(job().name, before);
  put("Name of the job", QStringLiteral("Trolley for the bells"));
  put("Where it will stand", QStringLiteral("ringing chamber"));
  press(Qt::Key_Return);
  EXPECT_TRUE(waitFor([&] { return dialog() == nullptr; }));
  EXPECT_EQ(job().name, "Trolley for the bells");
  EXPECT_EQ(job().place, "ringing chamber");
  EXPECT_TRUE(waitFor([this] {
    return textOf(window_.get(), QStringLiteral("Job")).startsWith(QStringLiteral("Trolley for"));
  }));
  session().undo();
  EXPECT_EQ(job().name, before);
}

}  // namespace
}  // namespace pp::lasting_test
