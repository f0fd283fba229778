// What went wrong at the saw, what is still good, and the ways to go on.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <functional>

#include "core/daybook/pace.h"
#include "core/floor/at_saw.h"
#include "core/floor/mishap.h"
#include "core/floor/taking.h"
#include "core/saw/edges.h"
#include "tests/core/taken.h"

namespace pp::mishap_test {
namespace {

using floor::Mishap;
using test::mm;

// The trolley at the saw, cut on and gone wrong with.
struct Sawing {
  explicit Sawing(const test::Taken& of = model()) : taken(of), first(of.plan()) {}
  test::Taken taken;
  CuttingPlan first;  // the plan that was taken

  static const test::Taken& model() {
    static const test::Taken kModel;
    return kModel;
  }
  // A few boards of one material.
  static const test::Taken& boards() {
    static const test::Taken kBoards = [] {
      Job job = test::metricJob();
      job.assemblies.clear();
      const double sizes[][2] = {{700, 400}, {560, 300}, {560, 118}, {320, 240}};
      for (const auto& size : sizes) {
        LooseBoard board;
        board.name = "board";
        board.material = "b18";
        board.quantity = 3;
        board.length = mm(size[0]);
        board.width = mm(size[1]);
        job.loose.push_back(board);
      }
      return test::Taken(std::move(job));
    }();
    return kBoards;
  }
  const floor::Ledger& ledger() const {
    if (!ledger_ || known_ != taken.record.events.size()) {
      ledger_ = std::make_shared<floor::Ledger>(taken.record.cuttings, taken.record.events);
      known_ = taken.record.events.size();
    }
    return *ledger_;
  }
  const floor::Progress& now() const { return ledger().now(); }
  int plans() const { return now().cuttings.at(1).plan; }
  const CuttingPlan& plan() const {
    return taken.record.cuttings[0].plans[static_cast<std::size_t>(plans() - 1)];
  }
  const std::set<int>& made() const { return now().cuttings.at(1).madeOf(plans()); }
  std::vector<int> ready() const {
    const floor::AtSaw saw(plan(), plans(), now().cuttings.at(1));
    std::vector<int> out;
    for (std::size_t i = 0; i < saw.cuts(); ++i)
      if (saw.isReady(i)) out.push_back(saw.cut(i).step);
    return out;
  }
  void cut(int step) { taken.note(EventKind::CutMade, 1, plans(), step); }
  void cutAll() {
    for (std::vector<int> next = ready(); !next.empty(); next = ready()) cut(next.front());
  }
  std::vector<floor::Lying> lying() const { return floor::lyingNow(ledger(), 1); }
  Result<floor::Aftermath> after(const Mishap& mishap) const {
    return floor::aftermath(ledger(), 1, mishap);
  }
  std::optional<floor::Way> way(const floor::Aftermath& after, nest::Disturb disturb) const {
    const floor::Holdings held = floor::holdingsOf(taken.record.cuttings, now());
    return floor::wayOn(floor::wayFrom(ledger(), held, 1, after), disturb, test::steps(12));
  }
  void goOn(const floor::Aftermath& after, const floor::Way& way) {
    auto gone = floor::goneOn(taken.record, now(), 1, after.events, way.plan);
    ASSERT_TRUE(gone);
    taken.record = std::move(gone->record);
    for (const Event& event : gone->events)
      taken.record.events.push_back(following(taken.record.events, event));
    ledger_ = nullptr;
  }
  // What of each code is good already and still to come by the plan that holds.
  std::map<std::string, std::int64_t> coming() const {
    const floor::Progress& at = now();
    std::map<std::string, std::int64_t> out;
    for (const auto& [piece, state] : at.pieces)
      if (!state.spoiled) ++out[piece.code];
    for (const PieceEnd& end : plan().plan.ends) {
      if (end.kind != PieceEnd::Kind::Part) continue;
      const Placement& placement = plan().plan.sheets[end.sheet].placements[end.index];
      const PieceId id = pieceAt(plan(), placement);
      if (at.pieces.count(id) == 0) ++out[id.code];
    }
    return out;
  }
  std::map<std::string, std::int64_t> wanted() const {
    std::map<std::string, std::int64_t> out;
    for (const PartDemand& part : first.request.parts) out[part.code] = part.quantity;
    return out;
  }

 private:
  mutable std::shared_ptr<floor::Ledger> ledger_;  // after so many events
  mutable std::size_t known_ = 0;
};

Mishap mishap(Mishap::Kind kind, const std::string& piece, double length = 0, double width = 0) {
  Mishap out;
  out.kind = kind;
  out.piece = piece;
  out.length = mm(length);
  out.width = mm(width);
  return out;
}

const floor::Lying& firstPart(const std::vector<floor::Lying>& lying) {
  return *std::find_if(lying.begin(), lying.end(),
                       [](const floor::Lying& one) { return one.part.has_value(); });
}

TEST(Mishap, aSpoiledPartIsWantedAgain) {
  for (const nest::Disturb disturb :
       {nest::Disturb::Nothing, nest::Disturb::OnePiece, nest::Disturb::Freely}) {
    Sawing sawing;
    for (int i = 0; i < 30; ++i) sawing.cut(sawing.ready().front());
    const auto lying = sawing.lying();
    const floor::Lying part = firstPart(lying);
    const auto after = sawing.after(mishap(Mishap::Kind::Spoiled, part.piece));
    ASSERT_TRUE(after) << describe(after.problems());
    EXPECT_TRUE(after->goodFor.empty()) << "nothing of it is sound";
    const auto way = sawing.way(*after, disturb);
    ASSERT_TRUE(way);
    EXPECT_TRUE(way->plan.plan.complete());
    EXPECT_TRUE(saw::verify(way->plan.request, way->plan.plan).empty());
    EXPECT_TRUE(disturb != nest::Disturb::Nothing || (way->moved == 0 && way->movedCodes.empty()));
    sawing.goOn(*after, *way);
    EXPECT_EQ(sawing.taken.ignored(), "");
    sawing.cutAll();
    EXPECT_EQ(sawing.taken.ignored(), "");
    const floor::Progress now = sawing.now();
    for (const auto& [code, count] : sawing.wanted()) EXPECT_EQ(now.good(code), count) << code;
    EXPECT_TRUE(now.pieces.at(*part.part).spoiled);
    const PieceId again{part.part->code, sawing.wanted().at(part.part->code) + 1};
    EXPECT_EQ(now.pieces.count(again), 1U) << "a number that a piece has had is not given again";
  }
}

TEST(Mishap, whatIsSoundOfAPartIsGoodForWhatIsSmaller) {
  Sawing sawing;
  // The first part that comes off while smaller ones of its material are still to be cut.
  for (;;) {
    ASSERT_FALSE(sawing.ready().empty());
    sawing.cut(sawing.ready().front());
    for (const floor::Lying& part : sawing.lying()) {
      if (!part.part) continue;
      const auto after = sawing.after(
          mishap(Mishap::Kind::Spoiled, part.piece, part.length.inMm() - 10, part.width.inMm()));
      ASSERT_TRUE(after);
      EXPECT_TRUE(std::find(after->goodFor.begin(), after->goodFor.end(), part.part->code) ==
                  after->goodFor.end())
          << "it is 10 too short for itself";
      if (after->goodFor.empty()) continue;
      const auto way = sawing.way(*after, nest::Disturb::Freely);
      ASSERT_TRUE(way && way->plan.plan.complete());
      return;
    }
  }
}

TEST(Mishap, aPartThatCameOutOtherwise) {
  Sawing sawing;
  std::vector<floor::Lying> lying;
  while (std::none_of(lying.begin(), lying.end(),
                      [](const floor::Lying& one) { return one.part.has_value(); })) {
    sawing.cut(sawing.ready().front());
    lying = sawing.lying();
  }
  const floor::Lying part = firstPart(lying);
  const double length = part.length.inMm();
  const double width = part.width.inMm();
  struct Row {
    double byLength, byWidth;
    bool asWanted, trimmable, spoiled;
  };
  // The tolerance is 0.3.
  const Row rows[] = {{0, 0, true, false, false},     {0.3, -0.3, true, false, false},
                      {0.31, 0, false, true, false},  {2, -0.2, false, true, false},
                      {-0.31, 0, false, false, true}, {5, -1, false, false, true}};
  for (const Row& row : rows) {
    SCOPED_TRACE(std::to_string(row.byLength) + " and " + std::to_string(row.byWidth));
    const auto after = sawing.after(
        mishap(Mishap::Kind::CameOut, part.piece, length + row.byLength, width + row.byWidth));
    ASSERT_TRUE(after) << describe(after.problems());
    EXPECT_EQ(after->asWanted, row.asWanted);
    EXPECT_EQ(after->trimmable, row.trimmable);
    EXPECT_EQ(after->events.front().kind, EventKind::CameOutAt);
    EXPECT_EQ(after->events.front().length, mm(length + row.byLength)) << "its own length";
    EXPECT_EQ(after->events.size() == 2, row.spoiled);
    EXPECT_EQ(after->events.back().kind == EventKind::PartSpoiled, row.spoiled);
  }
}

TEST(Mishap, aSheetWithDamageIsLaidOutRoundIt) {
  Sawing sawing;
  Mishap dent = mishap(Mishap::Kind::Damaged, "S1");
  dent.damage = {mm(300), mm(300), mm(100), mm(80)};
  const auto after = sawing.after(dent);
  ASSERT_TRUE(after) << describe(after.problems());
  const auto way = sawing.way(*after, nest::Disturb::Freely);
  ASSERT_TRUE(way && way->plan.plan.complete());
  for (std::size_t i = 0; i < way->plan.plan.sheets.size(); ++i) {
    if (way->plan.request.stock[way->plan.plan.sheets[i].stock].piece != "S1") continue;
    for (const Placement& placement : way->plan.plan.sheets[i].placements)
      EXPECT_FALSE(dent.damage.meets(placement.x, placement.y, placement.dx, placement.dy));
  }
}

TEST(Mishap, aSawThatTakesMoreIsReckonedWith) {
  Sawing sawing;
  for (int i = 0; i < 12; ++i) sawing.cut(sawing.ready().front());
  Mishap wide;
  wide.kind = Mishap::Kind::Kerf;
  wide.machine = "table saw";
  wide.kerf = mm(4.5);
  const auto after = sawing.after(wide);
  ASSERT_TRUE(after) << describe(after.problems());
  const auto way = sawing.way(*after, nest::Disturb::Freely);
  ASSERT_TRUE(way && way->plan.plan.complete());
  bool any = false;
  for (const SawCut& cut : way->plan.plan.cuts) {
    if (cut.machine != "table saw") continue;
    any = true;
    EXPECT_EQ(cut.kerf, mm(4.5));
  }
  EXPECT_TRUE(any);
}

TEST(Mishap, aSheetThatIsShorterHoldsLess) {
  Sawing sawing;
  const auto lying = sawing.lying();
  ASSERT_TRUE(lying.front().whole);
  const auto after = sawing.after(mishap(Mishap::Kind::Sheet, "S1", 700, 0));
  ASSERT_TRUE(after) << describe(after.problems());
  EXPECT_EQ(after->events.front().kind, EventKind::SheetMeasured);
  const auto way = sawing.way(*after, nest::Disturb::Freely);
  ASSERT_TRUE(way);
  for (std::size_t i = 0; i < way->plan.plan.sheets.size(); ++i) {
    if (way->plan.request.stock[way->plan.plan.sheets[i].stock].piece != "S1") continue;
    for (const Placement& placement : way->plan.plan.sheets[i].placements)
      EXPECT_LE(placement.x + placement.dx, mm(700));
  }
}

TEST(Mishap, whatCannotHaveHappenedIsSaid) {
  Sawing sawing;
  for (int i = 0; i < 30; ++i) sawing.cut(sawing.ready().front());
  const auto lying = sawing.lying();
  const std::string part = firstPart(lying).piece;
  const std::string piece = std::find_if(lying.begin(), lying.end(), [](const floor::Lying& one) {
                              return !one.part && !one.whole;
                            })->piece;
  Mishap dent = mishap(Mishap::Kind::Damaged, piece);
  dent.damage = {mm(100'000), {}, mm(1), mm(1)};
  Mishap saw = mishap(Mishap::Kind::Kerf, "");
  saw.machine = "no saw";
  Mishap wide = saw;
  wide.machine = "table saw";
  wide.kerf = mm(31);
  const std::pair<Mishap, const char*> rows[] = {
      {mishap(Mishap::Kind::Spoiled, "S99"), "S99"},
      {mishap(Mishap::Kind::Spoiled, piece), piece.c_str()},
      {mishap(Mishap::Kind::Damaged, part), part.c_str()},
      {mishap(Mishap::Kind::CameOut, part, 0, 100), "0 in"},
      {dent, "1/32▴ in by 1/32▴ in"},
      {saw, "no saw"},
      {wide, "1 7/32▴ in"},
      {mishap(Mishap::Kind::Sheet, piece, 900, 600), piece.c_str()},
  };
  for (const auto& [what, found] : rows) {
    const auto after = sawing.after(what);
    ASSERT_FALSE(after) << found;
    EXPECT_EQ(after.problems().front().found, found);
  }
}

TEST(Mishap, sheetsThatAreGoneOnFromStayHeld) {
  Sawing sawing;
  sawing.cut(sawing.ready().front());
  const auto before = floor::heldStock(sawing.taken.record.cuttings, sawing.now());
  const auto after = sawing.after(mishap(Mishap::Kind::Damaged, "S1.2"));
  Mishap dent = mishap(Mishap::Kind::Damaged, sawing.lying().front().piece);
  dent.damage = {mm(1), mm(1), mm(1), mm(1)};
  const auto small = sawing.after(dent);
  ASSERT_TRUE(small) << describe(small.problems());
  const auto way = sawing.way(*small, nest::Disturb::Nothing);
  ASSERT_TRUE(way && way->plan.plan.complete());
  ASSERT_EQ(way->newSheets, 0);
  sawing.goOn(*small, *way);
  EXPECT_EQ(floor::heldStock(sawing.taken.record.cuttings, sawing.now()), before);
  // And it is in the file as it is.
  const auto read = readJobWithRecord("job", writeJob(sawing.taken.job, sawing.taken.record));
  ASSERT_TRUE(read) << describe(read.problems());
  EXPECT_EQ(floor::progress(read->record.cuttings, read->record.events), sawing.now());
}

int pick(int from, int to) {
  return *rc::gen::inRange(from, to + 1);
}

// Random cutting, and now and then something goes wrong: there is always a next cut or everything
// is cut, nothing wanted is lost, and pieces never lie over one another on their sheet.
RC_GTEST_PROP(Mishap, nothingIsLostWhateverGoesWrong, ()) {
  Sawing sawing(Sawing::boards());
  const auto sound = [&sawing] {
    RC_ASSERT(sawing.now().ignored.empty());
    RC_ASSERT(sawing.coming() == sawing.wanted());
    const auto lying = saw::sureAfter(sawing.plan().request, sawing.plan().plan, sawing.made());
    for (const auto& [name, piece] : lying)
      for (const auto& [other, second] : lying) {
        if (name >= other || piece.at.sheet != second.at.sheet) continue;
        const saw::PlayedPiece &a = piece.at, &b = second.at;
        RC_ASSERT(a.x + a.dx <= b.x || b.x + b.dx <= a.x || a.y + a.dy <= b.y || b.y + b.dy <= a.y);
      }
  };
  const int rounds = pick(1, 3);
  for (int round = 0; round < rounds; ++round) {
    for (int left = pick(0, 25); left > 0; --left) {
      const auto ready = sawing.ready();
      if (ready.empty()) break;
      sawing.cut(ready[static_cast<std::size_t>(pick(0, static_cast<int>(ready.size()) - 1))]);
    }
    sound();
    const auto lying = sawing.lying();
    const floor::Lying& what =
        lying[static_cast<std::size_t>(pick(0, static_cast<int>(lying.size()) - 1))];
    Mishap mishap;
    mishap.piece = what.piece;
    const Length length = what.length;
    const Length width = what.width;
    if (pick(0, 4) == 0) {
      mishap.kind = Mishap::Kind::Kerf;
      mishap.machine = "table saw";
      mishap.kerf = Length::um(pick(1'500, 4'500));
    } else if (what.part) {
      mishap.kind = pick(0, 1) == 0 ? Mishap::Kind::Spoiled : Mishap::Kind::CameOut;
      mishap.length = length - mm(pick(1, 40));
      mishap.width = width - mm(pick(0, 5));
    } else if (what.whole && pick(0, 1) == 0) {
      mishap.kind = Mishap::Kind::Sheet;
      mishap.length = length - mm(pick(0, 30));
    } else {
      mishap.kind = Mishap::Kind::Damaged;
      mishap.damage = {Length{}, Length{}, std::min(length, mm(pick(1, 60))),
                       std::min(width, mm(pick(1, 60)))};
    }
    const auto after = sawing.after(mishap);
    if (!after) continue;  // a part as small as what is taken off it
    const auto way = sawing.way(*after, static_cast<nest::Disturb>(pick(0, 2)));
    RC_ASSERT(way.has_value());
    RC_ASSERT(saw::verify(way->plan.request, way->plan.plan).empty());
    if (!way->plan.plan.complete()) continue;
    sawing.goOn(*after, *way);
    sound();
  }
  sawing.cutAll();
  sound();
  for (const auto& [code, count] : sawing.wanted()) RC_ASSERT(sawing.now().good(code) == count);
}

TEST(Pace, isTheMedianOnceThereAreEnough) {
  Sawing sawing;
  Shop shop;
  shop.cutSeconds = 40;
  shop.settingSeconds = 100;
  EXPECT_EQ(floor::paceOf(sawing.taken.record, shop).cutSeconds, 40);
  EXPECT_FALSE(floor::paceOf(sawing.taken.record, shop).learned);
  // Thirty seconds a cut, two minutes more for a setting, and a long pause in the middle.
  std::int64_t time = 1'764'144'000'000;
  int setup = -1;
  for (const SawCut& cut : sawing.taken.plan().plan.cuts) {
    sawing.cut(cut.step);
    time += cut.setup == setup ? 30'000 : 150'000;
    if (cut.step == 20) time += 4'000'000;
    setup = cut.setup;
    sawing.taken.record.events.back().time = time;
  }
  const floor::Pace pace = floor::paceOf(sawing.taken.record, shop);
  EXPECT_TRUE(pace.learned);
  EXPECT_EQ(pace.cutSeconds, 30);
  EXPECT_EQ(pace.settingSeconds, 120);
  EXPECT_EQ(floor::secondsFor(pace, 10, 3), 660);
}

// A part of 300 by 100 from a sheet of 1 000 by 500, trim 10, kerf 4: it is cut off a strip 100
// wide and 980 long, so that 676 come off, and (676 + 4) / (300 + 4) is 2.
TEST(Spare, countsWhatComesOffAtTheSameSetting) {
  CuttingPlan one;
  one.request.kerf = mm(4);
  one.request.parts = {test::demand("A", mm(300), mm(100), 1, PartGrain::Length)};
  one.request.stock = {test::supply("S", 1'000, 500, 1, 10)};
  one.request.stock[0].trim = mm(10);
  one.plan = nest::nest(one.request, test::steps(10));
  one.parts.emplace_back();
  const floor::CuttingProgress begun = floor::begun(one);
  const floor::AtSaw saw(one, 1, begun);
  std::vector<std::int64_t> spares;
  for (std::size_t i = 0; i < saw.cuts(); ++i) spares.push_back(saw.spares(i));
  ASSERT_FALSE(spares.empty());
  EXPECT_EQ(spares.back(), 2);
  spares.pop_back();
  EXPECT_EQ(spares, std::vector<std::int64_t>(spares.size())) << "before that no part stays";
}

TEST(Spare, isThereUntilItIsTakenBack) {
  Sawing sawing;
  const PieceId extra{sawing.plan().request.parts[0].code, 77};
  sawing.taken.note(EventKind::Spare, 1, 1, 1).piece = extra;
  EXPECT_TRUE(sawing.now().pieces.at(extra).spare);
  sawing.taken.note(EventKind::SpareTakenBack, 1).piece = extra;
  EXPECT_EQ(sawing.now().pieces.count(extra), 0U);
  EXPECT_EQ(sawing.taken.ignored(), "");
  sawing.taken.note(EventKind::SpareTakenBack, 1).piece = extra;
  EXPECT_EQ(sawing.taken.ignored(), "there is no such spare");
}

}  // namespace
}  // namespace pp::mishap_test
