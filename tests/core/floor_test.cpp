// A plan taken to the saw, what happens to it, and the journal that keeps it.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>
#include <sys/stat.h>
#include <unistd.h>

#include <filesystem>
#include <fstream>
#include <functional>
#include <utility>

#include "core/breakdown/assign_ids.h"
#include "core/floor/open_parts.h"
#include "core/formats/event_json.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/formats/journal.h"
#include "core/saw/playback.h"
#include "core/secondlook/floor_look.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"
#include "tests/core/taken.h"

namespace pp::floor_test {
namespace {

using test::mm;

using test::Taken;

std::int64_t pieces(const std::vector<PartDemand>& parts) {
  std::int64_t out = 0;
  for (const PartDemand& part : parts) out += part.quantity;
  return out;
}

TEST(Floor, everyCutMadeGivesEveryPart) {
  Taken taken;
  taken.cutAll();
  const floor::Progress now = taken.now();
  EXPECT_TRUE(now.ignored.empty());
  EXPECT_EQ(std::ssize(now.pieces), pieces(taken.plan().request.parts));
  for (const PartDemand& part : taken.plan().request.parts)
    EXPECT_EQ(now.good(part.code), part.quantity) << part.code;
  // What is left on the bench is what the playback leaves there.
  const auto played = saw::playback(taken.plan().request, taken.plan().plan);
  ASSERT_TRUE(played.ok());
  std::set<std::string> lying;
  for (const auto& [name, piece] : played.value()) lying.insert(name);
  EXPECT_EQ(taken.lying(), lying);
}

// Folded one after the other, with some that cannot have happened between them, every event leaves
// what folding all of them from the beginning gives.
TEST(Floor, foldedOneByOneItIsTheSame) {
  Taken taken;
  const PieceId none{"no such code", 1};
  for (int step = 1; step <= taken.cuts(); ++step) {
    taken.note(EventKind::CutMade, 1, 1, step);
    if (step % 9 == 0) taken.note(EventKind::CutMade, 1, 1, step);
    if (step % 7 == 0) taken.note(EventKind::CutTakenBack, 1, 1, step);
    if (step % 7 == 0) taken.note(EventKind::CutMade, 1, 1, step);
    if (step % 11 == 0) taken.note(EventKind::PartSpoiled, 1).piece = none;
    if (step % 13 == 0) taken.note(EventKind::PlanTaken, 1, 2);
  }
  floor::Ledger ledger(taken.record.cuttings);
  std::vector<Event> so;
  std::size_t refused = 0;
  for (const Event& event : taken.record.events) {
    so.push_back(event);
    const bool refusedNow = !ledger.apply(event).empty();
    if (refusedNow) ++refused;
    if (!refusedNow && event.seq % 10 != 0) continue;
    floor::Progress all = floor::progress(taken.record.cuttings, so);
    ASSERT_EQ(all.ignored.size(), refused);
    all.ignored.clear();
    ASSERT_EQ(ledger.now(), all) << event.seq;
  }
  EXPECT_GT(refused, 5U);
}

TEST(Floor, aCuttingHoldsItsPartsUntilItIsGivenUp) {
  Taken taken;
  EXPECT_TRUE(taken.open().request.empty()) << "a cutting under way holds all";
  const int sheets = static_cast<int>(taken.plan().plan.sheets.size());
  taken.note(EventKind::GivenUp, 1);
  EXPECT_EQ(pieces(taken.open().request.parts), pieces(taken.plan().request.parts));
  EXPECT_EQ(taken.open().request.firstSheet, 1 + sheets) << "sheet numbers run on";
  EXPECT_TRUE(taken.open().request.parts.front().numbers.empty());
}

TEST(Floor, whatIsCutStaysHeldWhenTheRestIsGivenUp) {
  Taken taken;
  taken.cutAll();
  // One piece of the first part is spoiled, then the cutting is given up.
  const PartDemand& first = taken.plan().request.parts.front();
  taken.note(EventKind::PartSpoiled, 1).piece = PieceId{first.code, 1};
  taken.note(EventKind::GivenUp, 1);
  const floor::OpenRequest open = taken.open();
  ASSERT_EQ(open.request.parts.size(), 1U);
  EXPECT_EQ(open.request.parts[0].code, first.code);
  EXPECT_EQ(open.request.parts[0].quantity, 1);
  EXPECT_EQ(open.request.parts[0].numbers, std::vector<std::int64_t>{first.quantity + 1})
      << "a number that a piece has had is not given again";
}

TEST(Floor, partsDrawnLaterMakeTheNextCutting) {
  Taken taken;
  const std::int64_t before = pieces(taken.plan().request.parts);
  taken.job.assemblies[0].copies = 2;
  ASSERT_TRUE(assignIdsAndCodes(taken.job, 0).ok());
  taken.drawn = breakDown(taken.job).parts;
  const floor::OpenRequest open = taken.open();
  std::map<std::string, std::int64_t> wanted;
  for (const PartDemand& part : open.request.parts) wanted[part.code] = part.quantity;
  std::int64_t loose = 0;  // built once, whatever the copies of the assembly
  for (std::size_t i = 0; i < taken.plan().parts.size(); ++i) {
    const PartDemand& part = taken.plan().request.parts[i];
    const bool isLoose = taken.plan().parts[i].keys.front().assembly == 0;
    if (isLoose) loose += part.quantity;
    EXPECT_EQ(wanted[part.code], isLoose ? 0 : part.quantity) << part.code;
  }
  EXPECT_GT(loose, 0);
  EXPECT_EQ(pieces(open.request.parts), before - loose);
  for (const PartDemand& part : open.request.parts)
    for (const std::int64_t number : part.numbers)
      EXPECT_GT(number, part.quantity) << part.code << ": the first have theirs";
  taken.take();
  EXPECT_TRUE(taken.open().request.empty());
  EXPECT_EQ(taken.plan(2).plan.cuts.front().piece.substr(0, 1), "S");
  EXPECT_NE(sheetName(taken.plan(2).request, taken.plan(2).plan, 0), "S1");
}

TEST(Floor, aSheetIsPromisedOnce) {
  Taken taken;
  taken.job.assemblies[0].copies = 2;
  for (std::size_t i = 0; i < taken.job.stock.size(); ++i) taken.job.stock[i].quantity = 20;
  ASSERT_TRUE(assignIdsAndCodes(taken.job, 0).ok());
  taken.drawn = breakDown(taken.job).parts;
  std::map<Id, std::int64_t> used;
  for (const PlannedSheet& sheet : taken.plan().plan.sheets)
    ++used[taken.plan().request.stock[sheet.stock].row];
  EXPECT_GT(used.size(), 1U);
  for (const StockSupply& stock : taken.open().request.stock)
    EXPECT_EQ(stock.quantity, 20 - used[stock.row]) << stock.id;
  // Given up, only what is cut into stays used.
  taken.note(EventKind::CutMade, 1, 1, 1);
  const std::size_t cutInto = taken.plan().plan.cuts[0].sheet;
  const Id row = taken.plan().request.stock[taken.plan().plan.sheets[cutInto].stock].row;
  taken.note(EventKind::GivenUp, 1);
  for (const StockSupply& stock : taken.open().request.stock)
    EXPECT_EQ(stock.quantity, stock.row == row ? 19 : 20) << stock.id;
}

TEST(Floor, aPartStaysHeldWhenItsSizeChanges) {
  Taken taken;
  taken.job.assemblies[0].carcass().width += mm(30);
  ASSERT_TRUE(assignIdsAndCodes(taken.job, 0).ok());
  taken.drawn = breakDown(taken.job).parts;
  EXPECT_TRUE(taken.open().request.empty());
}

TEST(Floor, aScopeTakesSomeAssembliesOrRoles) {
  Taken taken;
  taken.note(EventKind::GivenUp, 1);
  taken.record.scope.roles = {PartRole::LeftSide, PartRole::RightSide};
  for (const Part& part : taken.open().parts)
    EXPECT_TRUE(part.role == PartRole::LeftSide || part.role == PartRole::RightSide);
  EXPECT_FALSE(taken.open().request.empty());
  taken.record.scope = {{9'999}, {}};
  EXPECT_TRUE(taken.open().request.empty());
}

TEST(Floor, whatCannotHaveHappenedHasNoEffect) {
  Taken taken;
  const auto refused = [&](const char* why, EventKind kind, int cutting, int plan, int step,
                           std::optional<PieceId> piece = {}, const std::string& name = {}) {
    const floor::Progress before = taken.now();
    Event& event = taken.note(kind, cutting, plan, step);
    event.piece = std::move(piece);
    event.name = name;
    floor::Progress after = taken.now();
    EXPECT_EQ(taken.ignored(), why);
    after.ignored = before.ignored;
    EXPECT_EQ(after, before) << why;
  };
  const std::string code = taken.plan().request.parts.front().code;
  refused("that cutting was taken already", EventKind::Taken, 1, 0, 0);
  refused("there is no such cutting", EventKind::Taken, 7, 0, 0);
  refused("that cutting was not taken", EventKind::CutMade, 7, 1, 1);
  refused("the plan in force has no such cut", EventKind::CutMade, 1, 1, 0);
  refused("the plan in force has no such cut", EventKind::CutMade, 1, 1, taken.cuts() + 1);
  refused("the plan in force has no such cut", EventKind::CutMade, 1, 2, 1);
  refused("that cut was not made", EventKind::CutTakenBack, 1, 1, 1);
  refused("that piece is not cut", EventKind::Banded, 1, 0, 0, PieceId{code, 1}, "front");
  refused("it names no piece", EventKind::PartSpoiled, 1, 0, 0);
  refused("there is no such plan", EventKind::PlanTaken, 1, 2, 0);
  refused("that plan is not in force", EventKind::PlanTakenBack, 1, 1, 0);
  refused("no such leftover lies there", EventKind::PieceReturned, 1, 0, 0, {}, "S1-K1x");
  refused("that clock does not run", EventKind::ClockStopped, 0, 0, 0, {}, "saw");
  taken.note(EventKind::CutMade, 1, 1, 1);
  refused("piece S1 is not there", EventKind::CutMade, 1, 1, 1);
}

TEST(Floor, aCutIsTakenBackWhileItsPiecesAreAsItLeftThem) {
  Taken taken;
  const floor::Progress before = taken.now();
  taken.note(EventKind::CutMade, 1, 1, 1);
  taken.note(EventKind::CutTakenBack, 1, 1, 1);
  EXPECT_EQ(taken.now(), before);
  // The cut whose piece the second divides further is not taken back before that one.
  taken.cutAll();
  const auto& cuts = taken.plan().plan.cuts;
  int firstOfAll = 0;
  for (const SawCut& cut : cuts)
    for (const SawCut& later : cuts)
      if (firstOfAll == 0 && (later.piece == cut.low || later.piece == cut.high))
        firstOfAll = cut.step;
  taken.note(EventKind::CutTakenBack, 1, 1, firstOfAll);
  EXPECT_NE(taken.ignored().find("is cut further or gone"), std::string::npos);
  // What is done to a part holds its cut.
  for (const PieceEnd& end : taken.plan().plan.ends) {
    if (end.kind != PieceEnd::Kind::Part) continue;
    const auto cut = std::find_if(cuts.begin(), cuts.end(), [&](const SawCut& one) {
      return one.low == end.piece || one.high == end.piece;
    });
    Event& banded = taken.note(EventKind::Banded, 1);
    banded.piece = pieceAt(taken.plan(), taken.plan().plan.sheets[end.sheet].placements[end.index]);
    banded.name = "front";
    taken.note(EventKind::CutTakenBack, 1, 1, cut->step);
    EXPECT_FALSE(taken.ignored().empty());
    break;
  }
}

TEST(Floor, aPlanGoesOnFromThePiecesThatLieThere) {
  Taken taken;
  taken.note(EventKind::CutMade, 1, 1, 1);
  const std::string lying = *taken.lying().begin();
  // A second plan that takes that piece as its only sheet, whole.
  CuttingPlan next = taken.plan();
  const auto played = [&] {
    Plan first = taken.plan().plan;
    first.cuts.resize(1);
    return saw::playback(taken.plan().request, first).value().at(lying);
  }();
  StockSupply& row = next.request.stock.emplace_back(next.request.stock.front());
  row.piece = lying;
  row.length = played.dx;
  row.width = played.dy;
  next.plan = {};
  next.plan.sheets.push_back({next.request.stock.size() - 1, {}, {}, {}});
  next.plan.ends.push_back({lying, PieceEnd::Kind::Waste, 0, 0});
  taken.record.cuttings[0].plans.push_back(next);
  EXPECT_EQ(taken.now().cuttings.at(1).plan, 1) << "without its event it is none";
  taken.note(EventKind::PlanTaken, 1, 2);
  EXPECT_EQ(taken.now().cuttings.at(1).plan, 2);
  EXPECT_EQ(taken.lying().count(lying), 1U);
  taken.note(EventKind::CutMade, 1, 1, 2);
  EXPECT_EQ(taken.ignored(), "the plan in force has no such cut") << "the first plan is over";
  taken.note(EventKind::PlanTakenBack, 1, 2);
  taken.note(EventKind::CutMade, 1, 1, 2);
  EXPECT_EQ(taken.now().ignored.size(), 1U);
}

TEST(Floor, clocksCountWhatTheyRanAndNeverLess) {
  Taken taken;
  const auto clock = [&](EventKind kind, std::int64_t time) {
    Event& event = taken.note(kind, 0);
    event.name = "saw";
    event.time = time;
  };
  clock(EventKind::ClockStarted, 1'000);
  clock(EventKind::ClockStopped, 61'000);
  clock(EventKind::ClockStarted, 90'000);
  EXPECT_EQ(taken.now().running.at("saw"), 90'000);
  clock(EventKind::ClockStopped, 80'000);  // the shop's clock was set back
  EXPECT_EQ(taken.now().milliseconds.at("saw"), 60'000);
  EXPECT_TRUE(taken.now().running.empty());
}

// Any list of events, sensible or not: every beginning of it is a state that holds together.
RC_GTEST_PROP(Floor, everyBeginningOfWhatHappenedIsConsistent, ()) {
  static const Taken kTaken;
  Taken taken = kTaken;
  const int count = *rc::gen::inRange(1, 60);
  int next = 1;
  for (int i = 0; i < count; ++i) {
    const int step = *rc::gen::inRange(0, 4) == 0 ? *rc::gen::inRange(1, taken.cuts() + 1) : next++;
    const auto kind = *rc::gen::elementOf(std::vector<EventKind>{
        EventKind::CutMade, EventKind::CutMade, EventKind::CutMade, EventKind::CutTakenBack,
        EventKind::PartSpoiled, EventKind::Banded, EventKind::GivenUp, EventKind::ClockStarted,
        EventKind::Spare, EventKind::PieceReturned});
    if (kind == EventKind::GivenUp && i % 7 != 0) continue;
    Event& event = taken.note(kind, 1, 1, step);
    const auto& parts = taken.plan().request.parts;
    event.piece = PieceId{parts[*rc::gen::inRange<std::size_t>(0, parts.size())].code,
                          *rc::gen::inRange(1, 4)};
    event.name = *rc::gen::elementOf(std::vector<std::string>{"front", "S1-K1", "saw"});
  }
  const auto& plan = taken.plan();
  for (std::size_t length = 0; length <= taken.record.events.size(); ++length) {
    const std::vector<Event> some(
        taken.record.events.begin(),
        taken.record.events.begin() + static_cast<std::ptrdiff_t>(length));
    const floor::Ledger ledger(taken.record.cuttings, some);
    const floor::Progress& now = ledger.now();
    if (length == 0) {
      RC_ASSERT(now == floor::Progress{});
      continue;
    }
    // The cuts that are made, made in turn, leave exactly the bench and the parts.
    const floor::CuttingProgress& at = now.cuttings.at(1);
    Plan made = plan.plan;
    made.cuts.clear();
    for (const int step : at.made[0])
      made.cuts.push_back(plan.plan.cuts[static_cast<std::size_t>(step - 1)]);
    // Steps in their own order are one order in which they can be made.
    for (std::size_t i = 0; i < made.cuts.size(); ++i) made.cuts[i].step = static_cast<int>(i) + 1;
    const auto played = saw::playback(plan.request, made);
    RC_ASSERT(played.ok());
    for (const SawnPiece& piece : at.bench) RC_ASSERT(played->count(ledger.nameOf(1, piece)) == 1);
    RC_ASSERT(played->size() == at.bench.size() + at.returned.size());
    std::set<PieceId> cut;
    for (const PieceEnd& end : plan.plan.ends)
      if (end.kind == PieceEnd::Kind::Part && played->count(end.piece) == 1)
        cut.insert(pieceAt(plan, plan.plan.sheets[end.sheet].placements[end.index]));
    for (const PieceId& id : cut) RC_ASSERT(now.pieces.count(id) == 1);
  }
}

TEST(Cutting, isReadBackFromTheFileAsItWasFrozen) {
  Taken taken;
  taken.cutAll();
  const auto read = readJobWithRecord("job", writeJob(taken.job, taken.record));
  ASSERT_TRUE(read.ok()) << describe(read.problems());
  EXPECT_EQ(read->record.events, taken.record.events);
  ASSERT_EQ(read->record.cuttings.size(), 1U);
  const CuttingPlan& again = read->record.cuttings[0].plans[0];
  const CuttingPlan& first = taken.plan();
  EXPECT_EQ(again.request.parts, first.request.parts);
  EXPECT_EQ(again.request.stock, first.request.stock);
  EXPECT_EQ(again.plan.cuts, first.plan.cuts);
  EXPECT_EQ(again.plan.ends, first.plan.ends);
  EXPECT_EQ(again.plan.bars, first.plan.bars);
  ASSERT_EQ(again.parts.size(), first.parts.size());
  for (std::size_t i = 0; i < again.parts.size(); ++i) {
    EXPECT_EQ(again.parts[i].keys, first.parts[i].keys);
    EXPECT_EQ(again.parts[i].role, first.parts[i].role);
    EXPECT_EQ(again.parts[i].length, first.parts[i].length);
    EXPECT_EQ(again.parts[i].blankWidth, first.parts[i].blankWidth);
    EXPECT_EQ(again.parts[i].machining, first.parts[i].machining);
    EXPECT_EQ(again.parts[i].joins, first.parts[i].joins);
    EXPECT_EQ(again.parts[i].poses, first.parts[i].poses);
    EXPECT_EQ(again.parts[i].bands, first.parts[i].bands);
    EXPECT_EQ(again.parts[i].edges, first.parts[i].edges);
    EXPECT_EQ(again.parts[i].exposed, first.parts[i].exposed);
  }
  EXPECT_EQ(floor::progress(read->record.cuttings, read->record.events), taken.now());
  EXPECT_EQ(writeJob(read->job, read->record), writeJob(taken.job, taken.record));
}

TEST(Cutting, oneThatDoesNotPlayBackIsRefusedWithItsPlace) {
  const Taken taken;
  const auto refused = [&](const char* place, const auto& spoil) {
    Record record = taken.record;
    spoil(record.cuttings[0]);
    const auto read = readJobWithRecord("job", writeJob(taken.job, record));
    ASSERT_FALSE(read.ok()) << place;
    EXPECT_EQ(read.problems().front().field, place);
  };
  const char* const plan = "/record/cuttings/0/plans/0";
  refused("/record/cuttings/0", [](Cutting& c) { c.number = 2; });
  refused("/record/cuttings/0", [](Cutting& c) { c.plans.clear(); });
  refused(plan, [](Cutting& c) { c.plans[0].plan.cuts[0].at += Length::nm(1); });
  refused(plan, [](Cutting& c) { c.plans[0].plan.ends.pop_back(); });
  refused(plan, [](Cutting& c) { c.plans[0].plan.sheets[0].stock = 99; });
  refused(plan, [](Cutting& c) { c.plans[0].parts.pop_back(); });
  refused(plan, [](Cutting& c) { c.plans[0].parts[0].keys.clear(); });
  refused(plan, [](Cutting& c) { c.plans[0].request.parts[0].numbers = {1, 2, 3, 4, 5, 6, 7}; });
  refused(plan, [](Cutting& c) { c.plans[0].plan.unplaced.push_back({0, 1, "none"}); });
  // What a number of it points at is there.
  refused("/record/cuttings/0/plans/0/sheets/0/placements",
          [](Cutting& c) { c.plans[0].plan.sheets[0].placements[0].copy = 99; });
  refused(plan, [](Cutting& c) { c.plans[0].plan.sheets[0].placements[0].dx += Length::nm(1); });
  const auto bars = [](std::size_t part, std::size_t stock) {
    return [=](Cutting& c) {
      BarList list;
      list.parts = {part};
      list.stock = {stock};
      list.plan.bars = {{0, {0}, {}}};
      c.plans[0].plan.bars = {list};
      c.bars.clear();
    };
  };
  refused(plan, bars(99, 0));
  refused(plan, bars(0, 99));
}

TEST(EventTime, isTheShopsOwnWithItsOffset) {
  struct Row {
    const char* text;
    std::int64_t time;
    int offset;
  };
  // 2026-11-26 is 20 783 days after 1970-01-01: 56 years of 365, 14 leap days, 329 days of the
  // year.
  constexpr std::int64_t kDay = 86'400'000;
  const Row rows[] = {{"1970-01-01T00:00:00.000+00:00", 0, 0},
                      {"2026-11-26T08:01:02.345+01:00", 20'783 * kDay + 7 * 3'600'000 + 62'345, 60},
                      {"2026-11-25T23:30:00.000-05:30", 20'783 * kDay + 5 * 3'600'000, -330},
                      {"1969-12-31T23:59:59.999+00:00", -1, 0}};
  for (const Row& row : rows) {
    EXPECT_EQ(timeText(row.time, row.offset), row.text);
    EXPECT_EQ(parseTime(row.text), std::pair(row.time, row.offset)) << row.text;
  }
  for (const char* wrong : {"", "2026-11-26", "2026-13-26T08:01:02.345+01:00",
                            "2026-02-30T08:01:02.345+01:00", "2026-11-26T25:01:02.345+01:00",
                            "2026-11-26T08:01:02.345+01:00x", "2026-11-26T08:01:02.345*01:00"})
    EXPECT_FALSE(parseTime(wrong).has_value()) << wrong;
}

class JournalFile : public testing::Test {
 protected:
  void SetUp() override {
    folder_ = testing::TempDir() + "journal-" + std::to_string(::getpid());
    std::filesystem::remove_all(folder_);
    std::filesystem::create_directory(folder_);
    path_ = journalOf(folder_ + "/wall.plainpatch");
  }
  void TearDown() override { std::filesystem::remove_all(folder_); }

  std::string text() const { return readFile(path_).value(); }
  void put(std::string_view content) const { std::ofstream(path_, std::ios::binary) << content; }
  Journal journal(const std::string& job = "AB12") const { return {path_, job}; }
  std::size_t files() const {
    return static_cast<std::size_t>(
        std::distance(std::filesystem::directory_iterator(folder_), {}));
  }

  // What is taken up where the file has none of it.
  struct TakenUp : Journal::Left {
    std::vector<Event> events;
  };
  static TakenUp takeUp(Journal journal, std::vector<Event> inFile = {}) {
    TakenUp out;
    out.events = std::move(inFile);
    static_cast<Journal::Left&>(out) = journal.takeUp(out.events);
    return out;
  }

  std::string folder_, path_;
  Taken taken_;
};

TEST_F(JournalFile, holdsEveryEventAsSoonAsItIsNoted) {
  EXPECT_TRUE(takeUp(journal()).events.empty());
  EXPECT_EQ(files(), 0U) << "nothing is made before the first event";
  taken_.cutAll();
  std::vector<Event> noted;
  for (const Event& event : taken_.record.events) {
    ASSERT_FALSE(journal().append(event).has_value());
    noted.push_back(event);
    ASSERT_EQ(takeUp(journal()).events, noted);
  }
  ASSERT_FALSE(journal().clear().has_value());
  EXPECT_EQ(files(), 0U);
  ASSERT_FALSE(journal().clear().has_value()) << "nothing to clear is no failure";
}

// A power cut can leave any beginning of what was being written.
TEST_F(JournalFile, everyTruncationKeepsEveryWholeEventAndSaysWhatItDrops) {
  for (int step = 1; step <= 3; ++step) taken_.note(EventKind::CutMade, 1, 1, step).note = "ä\"\n";
  for (const Event& event : taken_.record.events) ASSERT_FALSE(journal().append(event).has_value());
  const std::string whole = text();
  std::vector<std::size_t> ends;  // of lines
  for (std::size_t i = 0; i < whole.size(); ++i)
    if (whole[i] == '\n') ends.push_back(i + 1);
  ASSERT_EQ(ends.size(), 1 + taken_.record.events.size());
  for (std::size_t size = 0; size <= whole.size(); ++size) {
    put(std::string_view(whole).substr(0, size));
    const auto lines = static_cast<std::size_t>(
        std::count_if(ends.begin(), ends.end(), [size](std::size_t end) { return end <= size; }));
    const std::size_t events = lines == 0 ? 0 : lines - 1;
    const TakenUp left = takeUp(journal());
    ASSERT_EQ(left.events.size(), events) << size;
    const bool torn = lines > 0 && size > ends[lines - 1];
    ASSERT_EQ(left.said.size(), torn ? 1U : 0U) << size;
    // What follows is noted after what is whole.
    Event next = taken_.record.events.back();
    next.seq = 100;
    ASSERT_FALSE(journal().append(next).has_value());
    const TakenUp again = takeUp(journal());
    ASSERT_TRUE(again.said.empty()) << size;
    ASSERT_EQ(again.events.size(), events + 1) << size;
    ASSERT_EQ(again.events.back(), next);
  }
}

// Every line stands for itself.
TEST_F(JournalFile, aDamagedByteCostsItsLineAndTheWholeIsPutAside) {
  for (int step = 1; step <= 3; ++step) taken_.note(EventKind::CutMade, 1, 1, step);
  for (const Event& event : taken_.record.events) ASSERT_FALSE(journal().append(event).has_value());
  const std::string whole = text();
  nest::Random random(3);
  for (int i = 0; i < 300; ++i) {
    std::string damaged = whole;
    const std::size_t at = random.below(damaged.size());
    const char was = std::exchange(damaged[at], static_cast<char>('!' + random.below(90)));
    if (damaged[at] == was) continue;
    put(damaged);
    const TakenUp left = takeUp(journal());
    ASSERT_FALSE(left.said.empty()) << damaged;
    // A line's end that is hit costs two.
    ASSERT_GE(left.events.size() + (was == '\n' ? 2 : 1), taken_.record.events.size()) << damaged;
    for (const Event& event : left.events)
      ASSERT_EQ(event, taken_.record.events[static_cast<std::size_t>(event.seq - 1)])
          << "what is taken up is what was noted";
    ASSERT_TRUE(takeUp(journal()).said.empty()) << "said once";
  }
  EXPECT_GT(files(), 200U) << "nothing is thrown away";
}

TEST_F(JournalFile, aLineThatIsGoneIsMissed) {
  for (int step = 1; step <= 3; ++step) taken_.note(EventKind::CutMade, 1, 1, step);
  for (const Event& event : taken_.record.events) ASSERT_FALSE(journal().append(event).has_value());
  std::vector<std::string> lines;
  std::istringstream whole(text());
  for (std::string line; std::getline(whole, line);) lines.push_back(line + "\n");
  for (std::size_t gone = 0; gone + 1 < lines.size(); ++gone) {
    std::string left;
    for (std::size_t i = 0; i < lines.size(); ++i)
      if (i != gone) left += lines[i];
    put(left);
    const TakenUp up = takeUp(journal());
    EXPECT_EQ(up.said.size(), 1U) << gone;
    EXPECT_EQ(up.events.size(), taken_.record.events.size() - (gone == 0 ? 0 : 1)) << gone;
  }
  // As the version before wrote it.
  std::string before = "{\"format\":\"plain-patch-journal\",\"version\":1,\"job\":\"AB12\"}\n";
  for (std::size_t i = 1; i < lines.size(); ++i)
    before += "{" + lines[i].substr(lines[i].find("\"seq\""));
  put(before);
  const TakenUp up = takeUp(journal());
  EXPECT_TRUE(up.said.empty());
  EXPECT_EQ(up.events, taken_.record.events);
}

// By another program, while this one goes on.
TEST_F(JournalFile, thatIsRemovedOrChangedWhileItIsOpenIsWrittenAnew) {
  taken_.cutAll();
  const std::vector<Event>& all = taken_.record.events;
  ASSERT_GT(all.size(), 6U);
  Journal open = journal();
  std::vector<Event> none;
  (void)open.takeUp(none);
  for (std::size_t i = 0; i < 6; ++i) {
    if (i == 2) std::filesystem::remove(path_);
    if (i == 4) put("something else\n");
    ASSERT_FALSE(open.append(all[i]).has_value());
    EXPECT_EQ(open.takeSaid().empty(), i != 2 && i != 4);
    EXPECT_EQ(takeUp(journal()).events,
              std::vector<Event>(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(i + 1)));
  }
  EXPECT_EQ(readFile(path_ + ".aside-1").value(), "something else\n");
  EXPECT_TRUE(open.hasNoted());
  ASSERT_FALSE(open.clear().has_value());
  EXPECT_FALSE(open.hasNoted());
}

TEST_F(JournalFile, ofAnotherJobIsPutAside) {
  ASSERT_FALSE(journal("AB12").append(taken_.record.events.front()).has_value());
  const TakenUp left = takeUp(journal("CD34"));
  EXPECT_TRUE(left.events.empty());
  ASSERT_EQ(left.said.size(), 1U);
  EXPECT_NE(left.said.front().find("this job, CD34"), std::string::npos) << left.said.front();
  EXPECT_TRUE(std::filesystem::exists(path_ + ".aside-1"));
}

// The file was saved elsewhere, and the journal says otherwise from some event on.
TEST_F(JournalFile, thatContradictsTheFileIsPutAsideAndWhatIsGoodGoesOn) {
  taken_.cutAll();
  const std::vector<Event>& all = taken_.record.events;
  ASSERT_GT(all.size(), 8U);
  for (std::size_t i = 0; i < 8; ++i) {
    Event event = all[i];
    if (i >= 5) event.note = "otherwise";
    ASSERT_FALSE(journal().append(event).has_value());
  }
  const TakenUp left = takeUp(journal(), {all.begin(), all.begin() + 6});
  EXPECT_EQ(left.events, std::vector<Event>(all.begin(), all.begin() + 6));
  ASSERT_EQ(left.said.size(), 1U);
  EXPECT_NE(left.said.front().find(".aside-1"), std::string::npos) << left.said.front();
  EXPECT_EQ(left.beyond, all[7].seq) << "numbers go on past both";
  EXPECT_FALSE(left.isStuck);
  EXPECT_TRUE(std::filesystem::exists(path_ + ".aside-1"));
  // What comes next is there when it is opened again.
  Event next = all.back();
  next.seq = left.beyond + 1;
  ASSERT_FALSE(journal().append(next).has_value());
  const TakenUp again = takeUp(journal(), {all.begin(), all.begin() + 6});
  EXPECT_TRUE(again.said.empty());
  EXPECT_EQ(again.events.back(), next);
}

TEST_F(JournalFile, thatCannotBeReadIsPutAside) {
  std::filesystem::create_directory(path_);
  const TakenUp left = takeUp(journal());
  EXPECT_TRUE(left.events.empty());
  EXPECT_EQ(left.said.size(), 1U);
  EXPECT_TRUE(std::filesystem::is_directory(path_ + ".aside-1"));
  EXPECT_FALSE(journal().append(taken_.record.events.front()).has_value());
}

TEST_F(JournalFile, aDiskThatRefusesIsSaidAndLeavesWhatWasThere) {
  std::filesystem::create_directory(path_);
  EXPECT_TRUE(journal().append(taken_.record.events.front()).has_value());
}

TEST_F(JournalFile, foldingTwiceIsFoldingOnce) {
  taken_.cutAll();
  const std::vector<Event>& all = taken_.record.events;
  // The file was written, then the power went before the journal was emptied: both have them.
  for (std::size_t inFile = 0; inFile <= all.size(); inFile += 3) {
    std::vector<Event> events(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(inFile));
    ASSERT_FALSE(fold("j", all, events).has_value());
    ASSERT_EQ(events, all);
    ASSERT_FALSE(fold("j", all, events).has_value());
    ASSERT_EQ(events, all);
  }
  std::vector<Event> other = all;
  other[2].note = "another";
  std::vector<Event> events = all;
  const auto problem = fold("j", other, events);
  ASSERT_TRUE(problem.has_value());
  EXPECT_EQ(problem->field, "event 3");
  EXPECT_EQ(events, all);
}

// The trolley is at the saw, its cuts made or not, and its drawing is changed afterwards.
std::vector<Finding> lookAfter(Taken& taken, const std::function<void(Job&)>& change) {
  Job next = taken.job;
  change(next);
  EXPECT_TRUE(assignIdsAndCodes(next, taken.job.lastId).ok());
  const std::vector<Part> drawn = breakDown(next).parts;
  return lookAtFloor(next, drawn, taken.record.cuttings, taken.now());
}

const Finding* about(const std::vector<Finding>& findings, const std::string& part) {
  for (const Finding& finding : findings)
    if (finding.what.find(part) != std::string::npos) return &finding;
  return nullptr;
}

TEST(FloorLook, whatIsDrawnAsItWasIsNotMentioned) {
  Taken taken;
  EXPECT_TRUE(lookAfter(taken, [](Job&) {}).empty());
  taken.cutAll();
  EXPECT_TRUE(lookAfter(taken, [](Job& job) { job.name = "another name"; }).empty());
}

TEST(FloorLook, aNarrowerTrolleyIsTrimmedAWiderOneIsNot) {
  Taken taken;
  taken.cutAll();
  const auto width = [](int inches, int more) {
    return [=](Job& job) { job.assemblies[0].carcass().width += Length::in(inches, more, 8); };
  };
  const std::vector<Finding> narrower = lookAfter(taken, width(-1, 0));
  const Finding* bottom = about(narrower, "T1-03 bottom");
  ASSERT_NE(bottom, nullptr);
  EXPECT_EQ(bottom->severity, Severity::Mind);
  EXPECT_EQ(bottom->why, "1 piece can be trimmed.");
  EXPECT_EQ(bottom->place.part, "T1-03");
  EXPECT_EQ(about(narrower, "left side"), nullptr) << "the sides are as they were";
  const std::vector<Finding> wider = lookAfter(taken, width(1, 0));
  bottom = about(wider, "T1-03 bottom");
  ASSERT_NE(bottom, nullptr);
  EXPECT_EQ(bottom->severity, Severity::Stop);
  EXPECT_EQ(bottom->why, "1 piece cannot be used as drawn.");
}

TEST(FloorLook, whatIsNotCutYetIsCutAsItWasTaken) {
  Taken taken;
  const std::vector<Finding> found =
      lookAfter(taken, [](Job& job) { job.assemblies[0].carcass().width += mm(10); });
  const Finding* bottom = about(found, "T1-03 bottom is at the saw as");
  ASSERT_NE(bottom, nullptr);
  EXPECT_EQ(bottom->severity, Severity::Mind) << "nothing is spoiled yet";
  EXPECT_EQ(bottom->why,
            "1 piece will be cut as when the plan was taken; give the cutting up to lay them out "
            "anew.");
  taken.note(EventKind::GivenUp, 1);
  EXPECT_TRUE(
      lookAfter(taken, [](Job& job) { job.assemblies[0].carcass().width += mm(10); }).empty())
      << "nothing was cut, and nothing will be";
}

TEST(FloorLook, otherWoodAndWhatIsDrawnNoMore) {
  Taken taken;
  taken.cutAll();
  const std::vector<Finding> gone = lookAfter(taken, [](Job& job) { job.assemblies.clear(); });
  ASSERT_FALSE(gone.empty());
  for (const Finding& finding : gone)
    if (finding.what.starts_with("T1")) {
      EXPECT_EQ(finding.severity, Severity::Tip);
      EXPECT_TRUE(finding.what.ends_with("is cut and drawn no more")) << finding.what;
    }
  const std::vector<Finding> other = lookAfter(taken, [](Job& job) {
    Material oak = job.materials[0];
    oak.id = "oak";
    oak.name = "oak";
    job.materials.push_back(oak);
    job.assemblies[0].carcass().material = "oak";
  });
  const Finding* side = about(other, "T1-01 left side");
  ASSERT_NE(side, nullptr);
  EXPECT_EQ(side->severity, Severity::Stop);
  EXPECT_TRUE(side->what.ends_with("and now drawn of oak")) << side->what;
}

}  // namespace
}  // namespace pp::floor_test
