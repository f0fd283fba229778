#include <gtest/gtest.h>

#include <QFile>
#include <QTemporaryDir>

#include "app/shell/document.h"
#include "core/formats/file.h"

namespace pp {
namespace {

Job widened(const Job& job, int mm) {
  Job out = job;
  out.assemblies.front().carcass().width += Length::mm(mm);
  return out;
}

TEST(Document, undoesAndRedoesWholeValues) {
  Document document;
  ASSERT_TRUE(document.openDemo(QStringLiteral("log-wall")).empty());
  const Job start = document.job();
  ASSERT_TRUE(document.edit(QStringLiteral("one"), widened(start, 10)).empty());
  ASSERT_TRUE(document.edit(QStringLiteral("two"), widened(start, 20)).empty());
  EXPECT_EQ(document.undoText(), QStringLiteral("two"));
  document.undo();
  EXPECT_EQ(document.job(), widened(start, 10));
  EXPECT_EQ(document.redoText(), QStringLiteral("two"));
  document.undo();
  EXPECT_EQ(document.job(), start);
  EXPECT_FALSE(document.canUndo());
  document.redo();
  ASSERT_TRUE(document.edit(QStringLiteral("three"), widened(start, 30)).empty());
  EXPECT_FALSE(document.canRedo()) << "a new edit ends what could be redone";
  EXPECT_TRUE(document.edit(QStringLiteral("nothing"), document.job()).empty());
  EXPECT_EQ(document.undoText(), QStringLiteral("three")) << "an equal job is no edit";
}

TEST(Document, refusedEditsChangeNothing) {
  Document document;
  ASSERT_TRUE(document.openDemo(QStringLiteral("log-wall")).empty());
  const Job start = document.job();
  Job bad = start;
  bad.assemblies.front().carcass().width = Length{};
  EXPECT_FALSE(document.edit(QStringLiteral("bad"), bad).empty());
  Assembly narrow = start.assemblies.front();
  narrow.carcass().width = Length::mm(30);  // valid as data, but nothing can be drawn
  EXPECT_FALSE(document.editAssembly(QStringLiteral("narrow"), "B1", narrow).empty());
  EXPECT_EQ(document.job(), start);
  EXPECT_FALSE(document.canUndo());
}

// What sessions that ended badly have left of a file.
std::vector<Unsaved> leftOf(const Document& document, const QString& path) {
  std::vector<Unsaved> out;
  for (const Unsaved& one : document.file().unsaved())
    if (one.path == path) out.push_back(one);
  return out;
}

TEST(Document, savesAutosavesAndRecovers) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("a.plainpatch"));
  Job edited;
  {
    Document document;
    ASSERT_TRUE(document.openDemo(QStringLiteral("ringing-trolley")).empty());
    ASSERT_FALSE(document.save(path).has_value());
    EXPECT_FALSE(document.isModified());
    ASSERT_TRUE(document.edit(QStringLiteral("wider"), widened(document.job(), 5)).empty());
    EXPECT_TRUE(document.isModified());
    edited = document.job();
    document.file().settle();
    Document beside;
    EXPECT_TRUE(leftOf(beside, path).empty()) << "a session that goes on has left nothing";
  }  // ended without saving
  Document document;
  const std::vector<Unsaved> left = leftOf(document, path);
  ASSERT_EQ(left.size(), 1U);
  EXPECT_EQ(left[0].name, QStringLiteral("Ringing trolley"));
  EXPECT_FALSE(left[0].moved);
  ASSERT_TRUE(document.recover(left[0]).empty());
  EXPECT_EQ(document.job(), edited);
  EXPECT_TRUE(document.isModified());
  EXPECT_EQ(document.path(), path);
  ASSERT_FALSE(document.save(path).has_value());
  document.file().settle();
  Document again;
  EXPECT_TRUE(leftOf(again, path).empty()) << "saving puts the autosave away";
  ASSERT_TRUE(again.open(path).empty());
  EXPECT_EQ(again.job(), edited);
}

TEST(Document, aFailedSaveStaysModified) {
  Document document;
  ASSERT_TRUE(document.openDemo(QStringLiteral("ringing-trolley")).empty());
  ASSERT_TRUE(document.edit(QStringLiteral("wider"), widened(document.job(), 5)).empty());
  EXPECT_TRUE(document.save(QStringLiteral("/no/such/folder/a.plainpatch")).has_value());
  EXPECT_TRUE(document.isModified());
}

TEST(Document, aBrokenFileLeavesWhatIsOpen) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("bad.plainpatch"));
  writeFile(path.toStdString(), "{\"format\": \"plain-patch-job\"");
  Document document;
  ASSERT_TRUE(document.openDemo(QStringLiteral("ringing-trolley")).empty());
  const Job before = document.job();
  EXPECT_FALSE(document.open(path).empty());
  EXPECT_EQ(document.job(), before);
}

}  // namespace
}  // namespace pp
