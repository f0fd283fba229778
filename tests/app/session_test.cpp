#include <gtest/gtest.h>

#include <QFile>
#include <QTemporaryDir>

#include "app/session/session.h"
#include "core/formats/file.h"
#include "core/job/ids.h"
#include "tests/app/driver.h"

namespace pp::session_test {
namespace {

Job widened(const Job& job, int mm) {
  Job out = job;
  out.assemblies.front().carcass().width += Length::mm(mm);
  return out;
}

TEST(Session, undoesAndRedoesWholeValues) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  const Job start = session.job();
  ASSERT_TRUE(session.edit(QStringLiteral("one"), widened(start, 10)).empty());
  ASSERT_TRUE(session.edit(QStringLiteral("two"), widened(start, 20)).empty());
  EXPECT_EQ(session.undoText(), QStringLiteral("two"));
  session.undo();
  EXPECT_EQ(session.job(), widened(start, 10));
  EXPECT_EQ(session.redoText(), QStringLiteral("two"));
  session.undo();
  EXPECT_EQ(session.job(), start);
  EXPECT_FALSE(session.canUndo());
  session.redo();
  ASSERT_TRUE(session.edit(QStringLiteral("three"), widened(start, 30)).empty());
  EXPECT_FALSE(session.canRedo()) << "a new edit ends what could be redone";
  EXPECT_TRUE(session.edit(QStringLiteral("nothing"), session.job()).empty());
  EXPECT_EQ(session.undoText(), QStringLiteral("three")) << "an equal job is no edit";
}

TEST(Session, refusedEditsChangeNothing) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("log-wall")).empty());
  const Job start = session.job();
  Job bad = start;
  bad.assemblies.front().carcass().width = Length{};
  EXPECT_FALSE(session.edit(QStringLiteral("bad"), bad).empty());
  Assembly narrow = start.assemblies.front();
  narrow.carcass().width = Length::mm(30);  // valid as data, but nothing can be drawn
  EXPECT_FALSE(session.editAssembly(QStringLiteral("narrow"), "B1", narrow).empty());
  EXPECT_EQ(session.job(), start);
  EXPECT_FALSE(session.canUndo());
}

// As for a job that takes longer than a frame to break down.
class LargeJob : public testing::Test {
 protected:
  void SetUp() override {
    ASSERT_TRUE(session_.openDemo(QStringLiteral("log-wall")).empty());
    start_ = session_.job();
    session_.deriver().setFrame(Deriver::Duration(0));
  }
  Problems widen(int mm) {
    return session_.edit(QStringLiteral("widen"), widened(session_.draft(), mm));
  }
  bool shown() {
    return test::waitFor([this] { return !session_.deriver().isBusy(); });
  }
  static Length widthOf(const Job& job) { return job.assemblies.front().carcass().width; }

  Session session_;
  Job start_;
};

TEST_F(LargeJob, isShownAsOneWhenAllThatFollowsIsThere) {
  int changes = 0;
  QObject::connect(&session_, &Session::changed, &session_, [&] {
    ++changes;
    // A job is never shown with the parts of another.
    EXPECT_EQ(breakDown(session_.job()).parts.size(), session_.breakdown().parts.size());
    EXPECT_EQ(session_.job().codes, session_.breakdown().codes);
  });
  Job next = session_.draft();
  Assembly copy = withoutIds(*findAssembly(next, "U1"));
  copy.code = "U3";
  next.assemblies.push_back(copy);
  ASSERT_TRUE(session_.edit(QStringLiteral("copy"), std::move(next)).empty());
  EXPECT_EQ(session_.job(), start_) << "what is shown is still whole";
  EXPECT_EQ(changes, 0);
  EXPECT_TRUE(session_.canUndo());
  EXPECT_TRUE(session_.isModified());
  ASSERT_TRUE(shown());
  EXPECT_EQ(changes, 1);
  EXPECT_EQ(session_.job().assemblies.size(), start_.assemblies.size() + 1);
  EXPECT_EQ(session_.job().codes.size(), start_.codes.size() + 1);
}

TEST_F(LargeJob, anEditMadeMeanwhileGoesOnFromTheLast) {
  ASSERT_TRUE(widen(10).empty());
  ASSERT_TRUE(widen(5).empty());
  ASSERT_TRUE(shown());
  EXPECT_EQ(widthOf(session_.job()), widthOf(start_) + Length::mm(15));
  session_.undo();
  session_.undo();
  ASSERT_TRUE(shown());
  EXPECT_EQ(session_.job(), start_);
}

TEST_F(LargeJob, onlyTheNewestIsTaken) {
  int changes = 0;
  QObject::connect(&session_, &Session::changed, &session_, [&] { ++changes; });
  ASSERT_TRUE(widen(10).empty());
  session_.undo();
  session_.redo();
  session_.undo();
  EXPECT_EQ(changes, 0);
  ASSERT_TRUE(shown());
  EXPECT_EQ(changes, 1);
  EXPECT_EQ(session_.job(), start_);
}

TEST_F(LargeJob, isSavedAsTheLastEditLeftIt) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("large.plainpatch"));
  ASSERT_TRUE(widen(10).empty());
  ASSERT_FALSE(session_.save(path).has_value());
  Session other;
  ASSERT_TRUE(other.open(path).empty());
  EXPECT_EQ(widthOf(other.job()), widthOf(start_) + Length::mm(10));
  EXPECT_FALSE(session_.isModified());
}

TEST_F(LargeJob, isDoneAtOnceAgainWhereThatIsQuick) {
  ASSERT_TRUE(widen(10).empty());
  ASSERT_TRUE(shown());
  session_.deriver().setFrame(std::chrono::minutes(1));
  ASSERT_TRUE(widen(10).empty());
  EXPECT_EQ(widthOf(session_.job()), widthOf(start_) + Length::mm(20));
}

TEST(Session, canEndWhileAJobIsWorkedOut) {
  for (int i = 0; i < 20; ++i) {
    Session session;
    ASSERT_TRUE(session.openDemo(QStringLiteral("log-wall")).empty());
    session.deriver().setFrame(Deriver::Duration(0));
    ASSERT_TRUE(session.edit(QStringLiteral("widen"), widened(session.draft(), 10)).empty());
    EXPECT_TRUE(session.deriver().isBusy());
  }
}

// What sessions that ended badly have left of a file.
std::vector<Unsaved> leftOf(const Session& session, const QString& path) {
  std::vector<Unsaved> out;
  for (const Unsaved& one : session.file().unsaved())
    if (one.path == path) out.push_back(one);
  return out;
}

TEST(Session, savesAutosavesAndRecovers) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("a.plainpatch"));
  Job edited;
  {
    Session session;
    ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
    ASSERT_FALSE(session.save(path).has_value());
    EXPECT_FALSE(session.isModified());
    ASSERT_TRUE(session.edit(QStringLiteral("wider"), widened(session.job(), 5)).empty());
    EXPECT_TRUE(session.isModified());
    edited = session.job();
    session.file().settle();
    Session beside;
    EXPECT_TRUE(leftOf(beside, path).empty()) << "a session that goes on has left nothing";
  }  // ended without saving
  Session session;
  const std::vector<Unsaved> left = leftOf(session, path);
  ASSERT_EQ(left.size(), 1U);
  EXPECT_EQ(left[0].name, QStringLiteral("Ringing trolley"));
  EXPECT_FALSE(left[0].moved);
  ASSERT_TRUE(session.recover(left[0]).empty());
  EXPECT_EQ(session.job(), edited);
  EXPECT_TRUE(session.isModified());
  EXPECT_EQ(session.path(), path);
  ASSERT_FALSE(session.save(path).has_value());
  session.file().settle();
  Session again;
  EXPECT_TRUE(leftOf(again, path).empty()) << "saving puts the autosave away";
  ASSERT_TRUE(again.open(path).empty());
  EXPECT_EQ(again.job(), edited);
}

TEST(Session, aFailedSaveStaysModified) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  ASSERT_TRUE(session.edit(QStringLiteral("wider"), widened(session.job(), 5)).empty());
  EXPECT_TRUE(session.save(QStringLiteral("/no/such/folder/a.plainpatch")).has_value());
  EXPECT_TRUE(session.isModified());
}

TEST(Session, aBrokenFileLeavesWhatIsOpen) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("bad.plainpatch"));
  writeFile(path.toStdString(), "{\"format\": \"plain-patch-job\"");
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  const Job before = session.job();
  EXPECT_FALSE(session.open(path).empty());
  EXPECT_EQ(session.job(), before);
}

}  // namespace
}  // namespace pp::session_test
