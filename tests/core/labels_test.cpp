// Labels of what comes off the saw, and the printer that stands in for one.
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>

#include "core/floor/labels.h"
#include "core/floor/stacks.h"
#include "devices/label_printer.h"
#include "tests/core/store_support.h"
#include "tests/core/taken.h"

namespace pp::labels_test {
namespace {

using test::Taken;

std::vector<std::string> linesOf(const std::string& path) {
  std::ifstream in(path);
  std::vector<std::string> out;
  for (std::string line; std::getline(in, line);) out.push_back(line);
  return out;
}

class Printers : public testing::Test {
 protected:
  void TearDown() override { std::filesystem::remove_all(folder_); }
  std::vector<std::string> out() const { return linesOf(folder_ + "/out.txt"); }
  // Sends it, and looks so often; whether it came out.
  static bool print(LabelPrinter& printer, const std::string& id, int looks = 1) {
    printer.send({id, "page", "picture"});
    for (int i = 0; i < looks; ++i)
      if (const auto came = printer.take()) return *came == id;
    return false;
  }
  std::string folder_ = testing::TempDir() + "labels-" + std::to_string(getpid());
};

TEST_F(Printers, keepWhatComesOut) {
  SimulatedPrinter printer(PrinterManner::Prompt, folder_);
  EXPECT_EQ(printer.state(), PrinterState::Ready);
  EXPECT_TRUE(print(printer, "a-1"));
  EXPECT_FALSE(printer.take());
  EXPECT_EQ(linesOf(folder_ + "/a-1.png"), (std::vector<std::string>{"picture"}));
  EXPECT_EQ(linesOf(folder_ + "/a-1.pdf"), (std::vector<std::string>{"page"}));
  EXPECT_EQ(out(), (std::vector<std::string>{"a-1"}));
}

TEST_F(Printers, aSlowOneTakesItsTime) {
  SimulatedPrinter printer(PrinterManner::Slow, folder_);
  EXPECT_FALSE(print(printer, "a-1", 3));
  EXPECT_EQ(printer.state(), PrinterState::Printing);
  EXPECT_EQ(printer.take(), "a-1");
}

TEST_F(Printers, theSameLabelComesOutOnceWhoeverSendsIt) {
  {
    SimulatedPrinter printer(PrinterManner::Prompt, folder_);
    EXPECT_TRUE(print(printer, "a-1"));
    EXPECT_TRUE(print(printer, "a-1")) << "it is told, and not printed";
  }
  SimulatedPrinter another(PrinterManner::Prompt, folder_);
  EXPECT_TRUE(print(another, "a-1"));
  EXPECT_EQ(out(), (std::vector<std::string>{"a-1"}));
}

TEST_F(Printers, troublesKeepTheLabelUntilTheyAreTendedTo) {
  const std::pair<PrinterManner, PrinterState> cases[] = {
      {PrinterManner::NoPaper, PrinterState::OutOfPaper},
      {PrinterManner::Jamming, PrinterState::Jammed}};
  for (const auto& [manner, state] : cases) {
    std::filesystem::remove_all(folder_);
    SimulatedPrinter printer(manner, folder_);
    for (const char* id : {"1", "2", "3"}) EXPECT_TRUE(print(printer, id));
    EXPECT_FALSE(print(printer, "4", 5));
    EXPECT_EQ(printer.state(), state);
    printer.tend();
    EXPECT_EQ(printer.take(), "4");
    EXPECT_EQ(out(), (std::vector<std::string>{"1", "2", "3", "4"}));
  }
}

TEST_F(Printers, oneThatIsNotThereTakesNothing) {
  SimulatedPrinter printer(PrinterManner::Unplugged, folder_);
  EXPECT_FALSE(print(printer, "1", 4));
  EXPECT_EQ(printer.state(), PrinterState::Absent);
  printer.tend();
  EXPECT_FALSE(printer.take()) << "what was sent before never reached it";
  EXPECT_TRUE(print(printer, "1"));
  printer.pullOut();
  EXPECT_EQ(printer.state(), PrinterState::Absent);
  EXPECT_EQ(printerManner("no-paper"), PrinterManner::NoPaper);
  EXPECT_FALSE(printerManner("nonsense"));
}

// What the labels of all pieces are called, so that lists of them can be read.
std::vector<std::string> names(const std::vector<floor::LabelOwed>& labels) {
  std::vector<std::string> out;
  for (const floor::LabelOwed& one : labels)
    out.push_back((one.on.piece ? one.on.piece->code + "/" + std::to_string(one.on.piece->number)
                                : one.on.leftover) +
                  "#" + std::to_string(one.nth));
  return out;
}

class Labels : public testing::Test {
 protected:
  std::vector<floor::LabelOwed> owed() const { return floor::labelsOwed(taken_.now()); }
  std::vector<floor::Labelled> leftovers() const {
    std::vector<floor::Labelled> out;
    for (const floor::LeftoverThere& one : taken_.ledger().leftovers()) out.push_back(one.on);
    return out;
  }
  void printed(const floor::Labelled& on, int nth) {
    Event& event = taken_.note(EventKind::LabelPrinted, on.cutting, 0, nth);
    event.piece = on.piece;
    event.name = on.leftover;
  }
  Taken taken_;
};

TEST_F(Labels, everyPieceThatIsCutWantsOne) {
  EXPECT_TRUE(owed().empty());
  taken_.cutAll();
  std::set<PieceId> wanted;
  for (const auto& [piece, state] : taken_.now().pieces) wanted.insert(piece);
  std::set<PieceId> waiting;
  for (const floor::LabelOwed& one : owed()) {
    ASSERT_TRUE(one.on.piece);
    EXPECT_EQ(one.nth, 1);
    waiting.insert(*one.on.piece);
  }
  EXPECT_EQ(waiting, wanted);
}

TEST_F(Labels, isPrintedOnceAndOnceMoreWhereAsked) {
  taken_.cutAll();
  const std::size_t all = owed().size();
  const floor::LabelOwed first = owed().front();
  printed(first.on, 1);
  EXPECT_EQ(taken_.ignored(), "");
  EXPECT_EQ(owed().size(), all - 1);
  printed(first.on, 1);
  EXPECT_EQ(taken_.ignored(), "that label was printed already");
  taken_.record.events.pop_back();
  const auto again = [&] { taken_.note(EventKind::LabelWanted, 0).piece = first.on.piece; };
  again();
  EXPECT_EQ(taken_.ignored(), "");
  EXPECT_EQ(
      names({owed().front()}),
      (std::vector<std::string>{names({first})[0].substr(0, names({first})[0].size() - 1) + "2"}));
  again();
  EXPECT_EQ(taken_.ignored(), "a label of it waits already");
  taken_.record.events.pop_back();
  printed(first.on, 2);
  EXPECT_EQ(taken_.ignored(), "");
  EXPECT_EQ(owed().size(), all - 1);
}

TEST_F(Labels, ofWhatIsSpoiledOrNotThereAreNotWanted) {
  taken_.cutAll();
  const std::size_t all = owed().size();
  const floor::LabelOwed first = owed().front();
  taken_.note(EventKind::PartSpoiled, 1).piece = first.on.piece;
  EXPECT_EQ(owed().size(), all - 1);
  // It was in the printer when its piece was spoiled.
  printed(first.on, 1);
  EXPECT_EQ(taken_.ignored(), "");
  printed({PieceId{"no such code", 1}, 0, {}}, 1);
  EXPECT_EQ(taken_.ignored(), "no cutting has such a piece");
}

TEST_F(Labels, ofACutThatIsMadeAgainIsNotPrintedAgain) {
  std::optional<int> step;
  for (const SawCut& cut : taken_.plan().plan.cuts) {
    taken_.note(EventKind::CutMade, 1, 1, cut.step);
    if (!owed().empty()) {
      step = cut.step;
      break;
    }
  }
  ASSERT_TRUE(step);
  for (const floor::LabelOwed& one : owed()) printed(one.on, 1);
  taken_.note(EventKind::CutTakenBack, 1, 1, *step);
  EXPECT_TRUE(owed().empty());
  taken_.note(EventKind::CutMade, 1, 1, *step);
  EXPECT_EQ(taken_.ignored(), "");
  EXPECT_TRUE(owed().empty());
}

TEST_F(Labels, ofLeftoversComeWhenTheyGoToTheRack) {
  EXPECT_TRUE(leftovers().empty());
  taken_.cutAll();
  const auto lying = leftovers();
  ASSERT_FALSE(lying.empty());
  for (const floor::LabelOwed& one : owed()) EXPECT_TRUE(one.on.piece);
  taken_.note(EventKind::PieceReturned, 1).name = lying.front().leftover;
  EXPECT_EQ(owed().back().on, lying.front());
  EXPECT_EQ(leftovers().size(), lying.size() - 1);
  printed(lying.front(), 1);
  EXPECT_EQ(taken_.ignored(), "");
  EXPECT_TRUE(owed().back().on.piece);
  ASSERT_TRUE(taken_.ledger().leftover(lying.front())) << "its label can be printed again";
}

// What came off last follows every cut, and a cut taken back leaves what came off before.
TEST_F(Labels, whatCameOffLastIsOfTheLastCutThatGaveSomething) {
  EXPECT_TRUE(taken_.ledger().cameOffLast().empty());
  std::set<PieceId> before;
  std::vector<std::string> last;
  for (const SawCut& cut : taken_.plan().plan.cuts) {
    const std::vector<std::string> wasLast = last;
    taken_.note(EventKind::CutMade, 1, 1, cut.step);
    std::set<PieceId> now;
    for (const auto& [piece, state] : taken_.now().pieces) now.insert(piece);
    last = names(taken_.ledger().cameOffLast());
    for (const PieceId& piece : now)
      if (before.count(piece) == 0) {
        const std::string name = piece.code + "/" + std::to_string(piece.number) + "#1";
        EXPECT_EQ(std::count(last.begin(), last.end(), name), 1) << name;
      }
    if (cut.step % 5 == 0) {
      taken_.note(EventKind::CutTakenBack, 1, 1, cut.step);
      EXPECT_EQ(names(taken_.ledger().cameOffLast()), wasLast) << cut.step;
      taken_.note(EventKind::CutMade, 1, 1, cut.step);
    }
    before = now;
  }
  EXPECT_FALSE(last.empty());
}

TEST_F(Labels, aLeftoverThatALaterPlanCutsStaysOnTheBench) {
  taken_.cutAll();
  const auto lying = leftovers();
  ASSERT_GT(lying.size(), 1U);
  std::string piece;
  for (const PieceEnd& end : taken_.plan().plan.ends)
    if (end.kind == PieceEnd::Kind::Leftover &&
        taken_.plan().plan.sheets[end.sheet].leftovers[end.index].id == lying[0].leftover)
      piece = end.piece;
  // A plan that goes on from that leftover.
  CuttingPlan next;
  StockSupply stock;
  stock.piece = piece;
  next.request.stock = {stock};
  next.plan.sheets.resize(1);
  taken_.record.cuttings[0].plans.push_back(std::move(next));
  taken_.note(EventKind::PlanTaken, 1, 2);
  ASSERT_EQ(taken_.ignored(), "");
  EXPECT_EQ(leftovers().size(), lying.size() - 1);
  taken_.note(EventKind::PieceReturned, 1).name = lying[0].leftover;
  EXPECT_EQ(taken_.ignored(), "no such leftover lies there");
  taken_.record.events.pop_back();
  taken_.note(EventKind::PieceReturned, 1).name = lying[1].leftover;
  EXPECT_EQ(taken_.ignored(), "");
}

// Parts lie by assembly and by sheet; what is spoiled lies nowhere, and every sheet has its parts.
TEST_F(Labels, stacksCountWhatIsCutAndGood) {
  const auto sum = [](const std::vector<floor::Stack>& stacks) {
    floor::Count out;
    for (const floor::Stack& one : stacks) {
      EXPECT_LE(one.parts.done, one.parts.of) << one.name;
      out.done += one.parts.done;
      out.of += one.parts.of;
    }
    return out;
  };
  const Cutting& cutting = taken_.record.cuttings[0];
  const std::int64_t all = floor::partsDone(cutting, taken_.now()).of;
  EXPECT_EQ(sum(floor::byAssembly(cutting, taken_.now())).done, 0);
  for (const SawCut& cut : taken_.plan().plan.cuts) {
    taken_.note(EventKind::CutMade, 1, 1, cut.step);
    if (cut.step % 4 != 0) continue;
    const std::int64_t done = floor::partsDone(cutting, taken_.now()).done;
    EXPECT_EQ(sum(floor::byAssembly(cutting, taken_.now())).done, done);
    EXPECT_EQ(sum(floor::bySheet(taken_.plan(), taken_.now())).done, done);
  }
  EXPECT_EQ(sum(floor::byAssembly(cutting, taken_.now())).of, all);
  const PieceId spoiled = taken_.now().pieces.begin()->first;
  taken_.note(EventKind::PartSpoiled, 1).piece = spoiled;
  EXPECT_EQ(sum(floor::byAssembly(cutting, taken_.now())).done, all - 1);
  EXPECT_EQ(sum(floor::bySheet(taken_.plan(), taken_.now())).done, all - 1);
}

TEST(NextOperations, areSaidOnceEach) {
  Part part;
  part.edges = {Side::Front, Side::Back, Side::Bottom, Side::Top};
  EXPECT_EQ(nextOperations(part), "");
  Machining dado;
  part.machining = {dado, dado};
  EXPECT_EQ(nextOperations(part), "dado");
  Machining eased;
  eased.cut = MachiningKind::RoundOver;
  eased.assembled = true;
  part.machining.push_back(eased);
  part.bands[0] = "birch";
  part.bands[3] = "birch";
  EXPECT_EQ(nextOperations(part), "dado, band front, top");
  part.bands[1] = part.bands[2] = "birch";
  EXPECT_EQ(nextOperations(part), "dado, band all round");
}

}  // namespace
}  // namespace pp::labels_test
