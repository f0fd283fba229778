// What a job has of the shop's store: its copy brought up to what is there, what its cuttings want,
// what they have, what came back, and what a piece could still give.
#include "core/shop/job_rack.h"

#include "core/job/ids.h"
#include "core/kinds/validate.h"
#include "core/secondlook/store_look.h"
#include "core/shop/good_for.h"
#include "core/store/state.h"
#include "tests/core/listed.h"
#include "tests/core/store_support.h"
#include "tests/core/taken.h"

namespace pp::job_rack_test {
namespace {

using test::mm;
using test::StoreFile;
using test::Taken;

using Words = std::vector<std::string>;

StoreState stateIn(Store& store, const std::string& job = "a") {
  return stateOf(store, job).value();
}

// The trolley, its sheets copies of those in the store: of each row so many.
struct InTheShop {
  StoreFile file;
  Store store = file.open();
  Job job = readJob("trolley", test::demo("ringing-trolley")).value();

  explicit InTheShop(std::int64_t each = 4) {
    EXPECT_TRUE(assignIdsAndCodes(job, 0).ok());
    job.id = "a";
    for (std::size_t i = 0; i < job.stock.size(); ++i) {
      const StockPiece& row = std::as_const(job).stock[i];
      const Material& material = *findMaterial(job, row.material);
      RackPiece piece;
      piece.kind = material.lumber                 ? RackKind::Bar
                   : row.kind == StockKind::Offcut ? RackKind::Offcut
                                                   : RackKind::Sheet;
      piece.material =
          store.materialLike({0, material.name, material.nominal, material.measured}).value();
      piece.length = row.length;
      piece.width = row.width;
      piece.grain = row.grain;
      piece.lot = row.lot;
      piece.measured = row.measured;
      piece.price = row.price;
      piece.count = each;
      job.stock[i].store = store.add(piece).value();
    }
    takeOver(job, stateIn(store));
    EXPECT_TRUE(differences(job, stateIn(store)).empty());
    EXPECT_TRUE(validate(job).empty());
  }
};

TEST(JobRack, followsWhatTheStoreHas) {
  InTheShop shop;
  for (const StockPiece& piece : std::as_const(shop.job).stock) EXPECT_EQ(piece.quantity, 4);
  const StockPiece first = std::as_const(shop.job).stock[0];
  // Two of them go to another job, and the third is cut to another size.
  ASSERT_TRUE(shop.store.take("b", "Nook", 1, {{first.store, 2}}).empty());
  RackPiece piece = test::rackOf(shop.store)[0].piece;
  piece.length -= mm(100);
  ASSERT_FALSE(shop.store.change(piece));
  const StoreState state = stateIn(shop.store);
  const Words lines = differences(shop.job, state);
  ASSERT_EQ(lines.size(), 2U);
  EXPECT_EQ(lines[0], first.mark + ": counts on 4, the store has 2");
  EXPECT_EQ(lines[1].find(first.mark + ": is otherwise in the store, "), 0U) << lines[1];
  const std::vector<Finding> found = lookAtStore(shop.job, state);
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].severity, Severity::Mind);
  EXPECT_EQ(found[0].what, "2 rows of the shop's rack are not as this job has them");
  Job fixed = shop.job;
  found[0].fix->edit(fixed);
  EXPECT_EQ(std::as_const(fixed).stock[0].quantity, 2);
  EXPECT_EQ(std::as_const(fixed).stock[0].length, first.length - mm(100));
  EXPECT_TRUE(lookAtStore(fixed, state).empty());
  EXPECT_TRUE(validate(fixed).empty());
}

TEST(JobRack, newPiecesOfItsMaterialsAreTakenOver) {
  InTheShop shop;
  RackPiece offcut = test::rackOf(shop.store)[0].piece;
  offcut.id = 0;
  offcut.kind = RackKind::Offcut;
  offcut.tag = -1;
  offcut.count = 1;
  const Id there = shop.store.add(offcut).value();
  RackPiece foreign = test::sheetOf(test::addMaterial(shop.store, "walnut", 25));
  ASSERT_TRUE(shop.store.add(foreign).ok());
  const StoreState state = stateIn(shop.store);
  const NotTakenOver more = notTakenOver(shop.job, state);
  EXPECT_EQ(more.rows, 1U) << "the job has no walnut";
  EXPECT_EQ(more.first[0].substr(0, 3), "R1:");
  const std::size_t before = shop.job.stock.size();
  takeOver(shop.job, state);
  ASSERT_EQ(shop.job.stock.size(), before + 1);
  const StockPiece& last = std::as_const(shop.job).stock.back();
  EXPECT_EQ(last.mark, "R1");
  EXPECT_EQ(last.store, there);
  EXPECT_EQ(last.kind, StockKind::Offcut);
  EXPECT_EQ(last.quantity, 1);
  EXPECT_EQ(notTakenOver(shop.job, state).rows, 0U);
  // One whose piece is gone has none left, and keeps its row: pins may name it.
  ASSERT_FALSE(shop.store.remove<RackPiece>(there));
  takeOver(shop.job, stateIn(shop.store));
  EXPECT_EQ(std::as_const(shop.job).stock.back().quantity, 0);
  // A row of no store is what can be bought.
  StockPiece bought = std::as_const(shop.job).stock[0];
  bought.store = bought.id = 0;
  bought.mark = "to buy";
  bought.quantity.reset();
  shop.job.stock.push_back(bought);
  takeOver(shop.job, stateIn(shop.store));
  EXPECT_EQ(std::as_const(shop.job).stock.back().quantity, std::nullopt);
}

// What the job says itself stays.
TEST(JobRack, keepsLeftoversAsTheShopDoes) {
  InTheShop shop;
  RackMaterial theirs = shop.store.all<RackMaterial>()->at(0);
  theirs.keepLong = mm(500);
  theirs.keepShort = mm(140);
  ASSERT_FALSE(shop.store.change(theirs));
  const auto own = [&](Job& job) -> Material& {
    for (Material& one : job.materials)
      if (one.name == theirs.name && one.nominal == theirs.nominal) return one;
    return job.materials.front();
  };
  Job job = shop.job;
  own(job).keepShort = mm(90);
  takeOver(job, stateIn(shop.store));
  EXPECT_EQ(own(job).keepLong, mm(500));
  EXPECT_EQ(own(job).keepShort, mm(90));
  EXPECT_EQ(keepOf(job.saw, own(job)).along, mm(500));
  EXPECT_EQ(likeOf(own(job)).keepLong, mm(500));
}

TEST(JobRack, aCuttingWantsItsSheetsAndCutsIntoThem) {
  InTheShop shop;
  Taken taken(shop.job);
  const auto wanted = wantedOf(taken.plan());
  std::int64_t sum = 0;
  for (const auto& [piece, count] : wanted) sum += count;
  EXPECT_EQ(sum, std::ssize(taken.plan().plan.sheets));
  ASSERT_TRUE(shop.store.take("a", "Trolley", 1, wanted).empty());
  const auto sums = [&] {
    std::pair<std::int64_t, std::int64_t> out;
    for (const Held& one : holdingOf(taken.job, taken.record, taken.ledger()).held) {
      out.first += one.reserved;
      out.second += one.used;
    }
    return out;
  };
  EXPECT_EQ(sums(), std::pair(sum, std::int64_t{0}));
  // What the job counts on does not change by its own taking.
  EXPECT_TRUE(differences(taken.job, stateIn(shop.store)).empty());
  taken.note(EventKind::CutMade, 1, 1, 1);
  EXPECT_EQ(sums(), std::pair(sum - 1, std::int64_t{1}));
  taken.note(EventKind::CutMade, 1, 1, 2);
  ASSERT_TRUE(shop.store.follow(holdingOf(taken.job, taken.record, taken.ledger())).ok());
  EXPECT_TRUE(differences(taken.job, stateIn(shop.store)).empty());
  // Given up: what was cut into is gone, the rest is free.
  taken.note(EventKind::GivenUp, 1);
  const auto [reserved, used] = sums();
  EXPECT_EQ(reserved, 0);
  const auto& cuts = taken.plan().plan.cuts;
  const std::int64_t begun = cuts[0].sheet == cuts[1].sheet ? 1 : 2;
  EXPECT_EQ(used, begun);
  ASSERT_TRUE(shop.store.follow(holdingOf(taken.job, taken.record, taken.ledger())).ok());
  std::int64_t free = 0;
  for (const RackRow& row : test::rackOf(shop.store)) free += row.free;
  std::int64_t there = 0;
  for (const StockPiece& row : std::as_const(shop.job).stock) there += *row.quantity;
  EXPECT_EQ(free, there - begun);
  EXPECT_TRUE(shop.store.check().empty());
}

TEST(JobRack, leftoversComeBackAsTheyWereCut) {
  InTheShop shop;
  Taken taken(shop.job);
  const CuttingPlan& plan = taken.plan();
  const Leftover* left = nullptr;
  const StockSupply* of = nullptr;
  for (const PlannedSheet& sheet : plan.plan.sheets)
    for (const Leftover& one : sheet.leftovers)
      if (left == nullptr) {
        left = &one;
        of = &plan.request.stock[sheet.stock];
      }
  ASSERT_NE(left, nullptr);
  taken.cutAll();
  taken.note(EventKind::PieceReturned, 1).name = left->id;
  ASSERT_EQ(taken.ignored(), "");
  const JobHolding holding = holdingOf(taken.job, taken.record, taken.ledger());
  ASSERT_EQ(holding.returned.size(), 1U);
  const Returned& back = holding.returned[0];
  EXPECT_EQ(back.leftover, left->id);
  EXPECT_EQ(back.piece.length, floor::wholeDown(left->dx, taken.job.unit));
  EXPECT_EQ(back.piece.width, floor::wholeDown(left->dy, taken.job.unit));
  EXPECT_EQ(back.material, of->material);
  EXPECT_EQ(holding.seq, taken.record.events.back().seq);
  const auto tags = shop.store.follow(holding);
  ASSERT_TRUE(tags.ok());
  EXPECT_EQ(tags->begin()->second, 1);
  // Another job finds it there.
  RackSearch r1;
  r1.words = "R1";
  const auto found = test::rackOf(shop.store, r1);
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].piece.note, "from " + taken.job.name);
  EXPECT_EQ(found[0].free, 1);
}

TEST(GoodFor, countsWhatAPieceCouldGive) {
  WantedPart part{"birch", mm(18), mm(600), mm(300), PartGrain::Any, 3};
  RackPiece piece;
  piece.material = 4;
  piece.length = mm(700);
  piece.width = mm(320);
  struct Case {
    const char* name;
    SheetGrain sheet;
    PartGrain wants;
    double length, width;
    bool gives;
  };
  const Case cases[] = {
      {"with the grain", SheetGrain::Length, PartGrain::Length, 700, 320, true},
      {"across it", SheetGrain::Length, PartGrain::Width, 700, 320, false},
      {"across a piece whose grain runs across", SheetGrain::Width, PartGrain::Width, 700, 320,
       true},
      {"either way of a piece without grain", SheetGrain::None, PartGrain::Length, 320, 700, true},
      {"turned where the part does not mind", SheetGrain::Length, PartGrain::Any, 320, 700, true},
      {"turned where it does", SheetGrain::Length, PartGrain::Length, 320, 700, false},
      {"its exact size", SheetGrain::Length, PartGrain::Length, 600, 300, true},
      {"a hair too short", SheetGrain::Length, PartGrain::Length, 599.999, 300, false}};
  for (const Case& one : cases) {
    piece.grain = one.sheet;
    piece.length = mm(one.length);
    piece.width = mm(one.width);
    part.grain = one.wants;
    EXPECT_EQ(gives(piece, part), one.gives) << one.name;
  }
  // A defect in one corner leaves the opposite one; one in the middle of a small piece leaves none.
  piece.grain = SheetGrain::Length;
  part.grain = PartGrain::Length;
  piece.length = mm(700);
  piece.width = mm(320);
  piece.defects = {{mm(0), mm(0), mm(90), mm(90)}};
  EXPECT_TRUE(gives(piece, part));
  piece.defects = {{mm(0), mm(100), mm(120), mm(90)}};
  EXPECT_FALSE(gives(piece, part)) << "600 of 700 reach into 120 from either end";
  piece.defects = {{mm(0), mm(100), mm(100), mm(90)}};
  EXPECT_TRUE(gives(piece, part));
  // Clear between two, in no corner.
  piece.length = mm(820);
  piece.defects = {{mm(0), mm(0), mm(100), mm(320)}, {mm(710), mm(0), mm(110), mm(320)}};
  EXPECT_TRUE(gives(piece, part));
  piece.defects[1].x = mm(699);
  EXPECT_FALSE(gives(piece, part));
  // Of its material and thickness alone.
  StoreState state;
  state.materials = {{4, "birch", mm(18), mm(18)}};
  piece.defects.clear();
  const WantedPart thin{"birch", mm(12), mm(600), mm(300), PartGrain::Any, 5};
  EXPECT_EQ(goodFor({part, thin, part}, state, piece), 6);
  EXPECT_EQ(goodFor({thin}, state, piece), 0);
}

}  // namespace
}  // namespace pp::job_rack_test
