// Undo: what it keeps, what it costs, and what ends what the user was in the middle of.
#include <gtest/gtest.h>

#include "app/session/file_names.h"
#include "app/session/history.h"
#include "app/session/modes.h"

namespace pp::history_test {
namespace {

std::shared_ptr<const Job> boards(std::size_t count) {
  auto job = std::make_shared<Job>();
  job->name = "0";
  job->materials = {{"m", "birch", Length::mm(18), Length::mm(18)}};
  LooseBoard board;
  board.material = "m";
  board.length = board.width = Length::mm(100);
  for (std::size_t i = 0; i < count; ++i) {
    board.name = "a board with a name that is not short, number " + std::to_string(i);
    job->loose.push_back(board);
  }
  return job;
}

std::shared_ptr<const Job> edited(const Job& job, std::size_t row) {
  auto next = std::make_shared<Job>(job);
  next->loose[row].length += Length::mm(1);
  return next;
}

TEST(History, aStateCostsWhatItsEditChanged) {
  constexpr std::size_t kBoards = 1'000;
  History history(boards(kBoards));
  for (std::size_t i = 0; i < 100; ++i) history.push("longer", edited(*history.now(), i));
  // A hundred states of a thousand boards, each with one board and a thousand pointers of its own.
  EXPECT_LT(history.bytes(), 100 * (kBoards * 16 + 4'000));
  EXPECT_EQ(history.states(), 101U);
  Job whole;
  EXPECT_GT(ownBytes(*history.now(), whole), kBoards * sizeof(LooseBoard))
      << "nothing to share with";
}

TEST(History, rowsPutInAndTakenOutLeaveTheOthersShared) {
  const auto job = boards(500);
  Job more = *job;
  more.loose.push_back(job->loose[0]);
  EXPECT_LT(ownBytes(more, *job), 500 * 16 + sizeof(Job) + 2'000);
  Job fewer = *job;
  fewer.loose.erase(3);
  EXPECT_LT(ownBytes(fewer, *job), 500 * 16 + sizeof(Job) + 2'000);
}

TEST(History, theOldestAreForgottenAndTheNewestUndoStays) {
  History history(boards(100), 40'000);
  for (std::size_t i = 0; i < 50; ++i) history.push(std::to_string(i), edited(*history.now(), i));
  EXPECT_LT(history.states(), 50U);
  EXPECT_LE(history.bytes(), 40'000U);
  EXPECT_EQ(history.undoText(), "49");
  std::size_t undone = 0;
  for (; history.canUndo(); ++undone) history.undo();
  EXPECT_EQ(undone + 1, history.states());
  for (std::size_t i = 0; i < undone; ++i) history.redo();
  EXPECT_EQ(history.now()->loose[49].length, Length::mm(101));
  History tiny(boards(100), 1);
  tiny.push("one", edited(*tiny.now(), 0));
  EXPECT_TRUE(tiny.canUndo()) << "the last edit can always be taken back";
}

TEST(History, knowsWhetherItIsAsSaved) {
  History history(boards(2));
  EXPECT_TRUE(history.isSaved());
  history.push("one", edited(*history.now(), 0));
  EXPECT_FALSE(history.isSaved());
  history.undo();
  EXPECT_TRUE(history.isSaved());
  history.redo();
  history.markSaved();
  history.undo();
  EXPECT_FALSE(history.isSaved());
  history.push("another", edited(*history.now(), 1));
  EXPECT_FALSE(history.isSaved()) << "what was saved cannot be come back to";
  history.undo();
  EXPECT_FALSE(history.isSaved());
  history.markUnsaved();
  EXPECT_FALSE(history.isSaved());
}

// B1 was renamed Z1 and printed; Z1 had been another's before, which takes B1 there.
TEST(History, whatPaperCarriesIsTheCodeInEveryState) {
  const auto job = [](const char* first, const char* second) {
    Job out;
    out.assemblies = {Assembly{}, Assembly{}};
    out.assemblies[0].id = 1;
    out.assemblies[0].code = first;
    out.assemblies[1].id = 2;
    out.assemblies[1].code = second;
    return std::make_shared<const Job>(std::move(out));
  };
  const auto codes = [](const History& history) {
    return history.now()->assemblies[0].code + " " + history.now()->assemblies[1].code;
  };
  History history(job("B1", "Z1"));
  history.markSaved();
  history.push("rename", job("B1", "B2"));
  history.push("rename", job("Z1", "B2"));
  history.keepCodes({1});
  EXPECT_EQ(codes(history), "Z1 B2");
  history.undo();
  EXPECT_EQ(codes(history), "Z1 B2");
  history.undo();
  EXPECT_EQ(codes(history), "Z1 B1");
  EXPECT_FALSE(history.isSaved()) << "its file has the old codes";
}

TEST(Modes, oneAtATimeEndedByWhatItIsAbout) {
  Modes modes;
  int a = 0;
  int b = 0;
  int owner = 0;
  int other = 0;
  modes.begin(&owner, Modes::About::Drawing, [&] { ++a; });
  EXPECT_TRUE(modes.isIn(&owner));
  modes.begin(&other, Modes::About::Plan, [&] { ++b; });
  EXPECT_EQ(a, 1) << "the one before is withdrawn";
  modes.end(&owner);
  EXPECT_EQ(b, 0) << "nobody ends another's";
  modes.selectionChanged();
  EXPECT_EQ(b, 0);
  modes.planChanged();
  EXPECT_EQ(b, 1);
  modes.planChanged();
  modes.jobChanged();
  EXPECT_EQ(b, 1) << "once only";
  modes.begin(&owner, Modes::About::Drawing, [&] { ++a; });
  modes.planChanged();
  EXPECT_EQ(a, 1);
  modes.jobChanged();
  EXPECT_EQ(a, 2);
  EXPECT_FALSE(modes.isIn(&owner));
}

TEST(FileNames, areMadeOfWhateverAThingIsCalled) {
  EXPECT_EQ(fileStem(QStringLiteral("Log wall")), QStringLiteral("Log wall"));
  EXPECT_EQ(fileStem(QStringLiteral("in/out")), QStringLiteral("in-out"));
  EXPECT_EQ(fileStem(QStringLiteral("../up")), QStringLiteral("-up"));
  EXPECT_EQ(fileStem(QStringLiteral("  ")), QStringLiteral("job"));
  const QString longest = fileStem(QString(400, QChar(0x00E4)));
  EXPECT_EQ(longest.toUtf8().size(), 200);
  EXPECT_FALSE(fileStem(QString::fromUcs4(std::u32string(99, U'\U0001FAB5').c_str()))
                   .back()
                   .isHighSurrogate());
}

}  // namespace
}  // namespace pp::history_test
