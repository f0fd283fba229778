// Several processes on one store: the last sheet goes to one of them, and one that is killed in the
// midst leaves nothing half done.
#include <sys/wait.h>

#include <array>
#include <csignal>
#include <functional>

#include "tests/core/store_support.h"

namespace pp::store_processes_test {
namespace {

using test::StoreFile;

class Pipe {
 public:
  Pipe() { EXPECT_EQ(pipe(ends_.data()), 0); }
  Pipe(const Pipe&) = delete;
  ~Pipe() {
    for (const int end : ends_)
      if (end >= 0) close(end);
  }
  void put(char c) const { EXPECT_EQ(write(ends_[1], &c, 1), 1); }
  // False when nobody is left who could write.
  bool get() const {
    char c = 0;
    return ::read(ends_[0], &c, 1) == 1;
  }
  void doneWriting() {
    close(ends_[1]);
    ends_[1] = -1;
  }

 private:
  std::array<int, 2> ends_{};
};

// Runs in a process of its own, without what the test has at its end.
pid_t child(const std::function<int()>& work) {
  const pid_t pid = fork();
  if (pid == 0) _exit(work());
  return pid;
}

int statusOf(pid_t pid) {
  int status = 0;
  EXPECT_EQ(waitpid(pid, &status, 0), pid);
  return WIFEXITED(status) ? WEXITSTATUS(status) : -WTERMSIG(status);
}

TEST(StoreProcesses, theLastSheetGoesToOne) {
  const StoreFile file;
  Id birch = 0;
  {
    Store store = file.open();
    birch = test::addMaterial(store, "birch", 18);
  }
  for (int round = 0; round < 25; ++round) {
    Id last = 0;
    {
      Store store = file.open();
      last = store.add(test::sheetOf(birch)).value();
    }
    Pipe start;
    const auto taker = [&](const char* job) {
      return child([&, job] {
        Store store = file.open();
        start.get();
        return store.take(job, job, 1, {{last, 1}}).empty() ? 0 : 3;
      });
    };
    const pid_t a = taker("a");
    const pid_t b = taker("b");
    start.put('g');
    start.put('g');
    const int sum = statusOf(a) + statusOf(b);
    EXPECT_EQ(sum, 3) << "one of them has it, the other was refused";
    Store store = file.open();
    const auto holders = store.holders(last);
    ASSERT_TRUE(holders.ok());
    EXPECT_EQ(holders->size(), 1U);
    EXPECT_TRUE(store.check().empty());
  }
}

// A job cuts its way through a pile of sheets, and each gives a leftover; the process is killed
// after any of its steps, and the journal is followed anew.
TEST(StoreProcesses, killedAtAnyMomentCountsNothingTwice) {
  constexpr std::int64_t kSheets = 12;
  const auto after = [](Id pile, Id material, std::int64_t cut) {
    JobHolding out{"a", "Log wall", cut, {{pile, 1, kSheets - cut, cut}}, {}};
    for (std::int64_t i = 1; i <= cut; ++i) {
      RackPiece left = test::sheetOf(material);
      left.kind = RackKind::Offcut;
      out.returned.push_back({1, "S" + std::to_string(i) + "/2", left});
    }
    return out;
  };
  for (std::int64_t stop = 1; stop <= kSheets; ++stop) {
    const StoreFile file;
    Id birch = 0;
    Id pile = 0;
    {
      Store store = file.open();
      birch = test::addMaterial(store, "birch", 18);
      RackPiece sheets = test::sheetOf(birch);
      sheets.count = kSheets;
      pile = store.add(sheets).value();
      ASSERT_TRUE(store.take("a", "Log wall", 1, {{pile, kSheets}}).empty());
    }
    Pipe journal;
    const pid_t saw = child([&] {
      Store store = file.open();
      for (std::int64_t cut = 1; cut <= kSheets; ++cut) {
        journal.put('c');  // the journal is ahead of the store
        if (!store.follow(after(pile, birch, cut)).ok()) return 1;
      }
      return 0;
    });
    journal.doneWriting();
    for (std::int64_t i = 0; i < stop; ++i) ASSERT_TRUE(journal.get());
    kill(saw, SIGKILL);
    statusOf(saw);
    std::int64_t journalled = stop;
    while (journal.get()) ++journalled;
    Store store = file.open();
    EXPECT_TRUE(store.check().empty());
    ASSERT_TRUE(store.follow(after(pile, birch, journalled)).ok());
    ASSERT_TRUE(store.follow(after(pile, birch, journalled)).ok());
    RackSearch all;
    all.usedUpToo = true;
    const auto rack = test::rackOf(store, all);
    ASSERT_EQ(rack.size(), static_cast<std::size_t>(journalled) + 1) << "each leftover once";
    EXPECT_EQ(rack[0].left, kSheets - journalled);
    for (std::size_t i = 1; i < rack.size(); ++i)
      EXPECT_EQ(rack[i].piece.tag, static_cast<std::int64_t>(i)) << "no number twice or left out";
  }
}

}  // namespace
}  // namespace pp::store_processes_test
