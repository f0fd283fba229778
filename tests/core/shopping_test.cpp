// What holds a job together, what has to be bought for jobs, and what they cost: tables worked by
// hand.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/fittings.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/nest/nest.h"
#include "core/shop/cost.h"
#include "core/shop/house_rules.h"
#include "core/shop/job_rack.h"
#include "core/store/state.h"
#include "tests/core/store_support.h"

namespace pp::shopping_test {
namespace {

using test::mm;

std::int64_t countOf(const std::vector<Fitting>& all, const std::string& name, Length length = {}) {
  for (const Fitting& one : all)
    if (one.name == name && one.length == length) return one.count;
  return 0;
}

// A case of four equal drawers on slides, an adjustable shelf and a door beside.
TEST(Fittings, aCaseHasSlidesPinsAndHinges) {
  Carcass carcass = test::metricCarcass().carcass();
  Opening drawers;
  DrawerBank bank;
  bank.fronts = {{}, {}, {}, {}};
  drawers.content = bank;
  Opening shelves;
  AdjustableShelves adjustable;
  adjustable.count = 2;
  shelves.content = adjustable;
  shelves.door = Door{};
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {drawers, shelves}};
  Job job = test::jobWith(carcass);
  job.assemblies[0].copies = 2;
  giveIds(job);
  const Breakdown breakdown = breakDown(job);
  ASSERT_TRUE(breakdown.troubles.empty());
  const std::vector<Fitting> all = fittingsOf(job, breakdown.parts);
  std::int64_t slides = 0;
  for (const Fitting& one : all)
    if (one.kind == HardwareKind::Slide) slides += one.count;
  EXPECT_EQ(slides, 8);
  EXPECT_EQ(countOf(all, "shelf pin"), 16);
  EXPECT_EQ(countOf(all, "cup hinge") % 2, 0);
  EXPECT_GE(countOf(all, "cup hinge"), 4);
}

Need need(Ware ware, const char* name, std::int64_t amount, std::int64_t price = 0) {
  Need out;
  out.ware = ware;
  out.name = name;
  out.amount = amount;
  out.price = Money::whole(price);
  return out;
}
Need sheets(std::int64_t count, std::int64_t price = 60) {
  Need out = need(Ware::Sheet, "birch", count, price);
  out.nominal = mm(18);
  out.length = mm(2'440);
  out.width = mm(1'220);
  return out;
}
Need screws(const char* name, std::int64_t count, int length) {
  Need out = need(Ware::Hardware, name, count);
  out.kind = HardwareKind::Screw;
  out.length = mm(length);
  return out;
}

struct Goods : ShopGoods {
  Goods() {
    materials = {{1, "birch", mm(18), mm(18)}};
    RackPiece piece = test::sheetOf(1);
    piece.price = Money::whole(55);
    rack = {{piece, 3, 2}};
    hardware = {{1, HardwareKind::Screw, "pocket screw 32", mm(32), 30, 100, Money::whole(7)},
                {2, HardwareKind::Screw, "screw 32", mm(32), 0, 200, Money::whole(9)}};
    bandings = {{1, "birch 22", mm(1), mm(22), mm(50'000), true, Money::whole(12), mm(4'000)}};
  }
};

// need + spare - have - promised = buy, in whole packs.
TEST(Shopping, isWhatIsNotThereInWholePacks) {
  struct Row {
    const char* name;
    Need need;
    std::int64_t spare, have, packs, pack, left, sum;
  };
  Need promised = sheets(5);
  promised.reserved = 1;
  Need tape = need(Ware::Banding, "birch 22", 60'000, 11);
  tape.pack = 50'000;
  Need other = need(Ware::Banding, "oak 22", 60'000, 11);
  other.pack = 50'000;
  const Row table[] = {
      {"two of five are there", sheets(5), 0, 2, 3, 1, 0, 180},
      {"and one is promised", promised, 0, 2, 2, 1, 0, 120},
      {"all are there", sheets(2), 0, 2, 0, 1, 0, 0},
      {"what the job does not price costs what it did", sheets(3, 0), 0, 2, 1, 1, 0, 55},
      {"a pack of 100", screws("pocket screw", 120, 32), 12, 30, 2, 100, 110, 14},
      {"none, with a tenth more", screws("pocket screw", 27, 32), 3, 30, 0, 100, 3, 0},
      {"no screw for pockets", screws("screw", 10, 32), 1, 0, 1, 200, 190, 9},
      {"of no such length", screws("screw", 10, 40), 1, 0, 11, 1, 1, 0},
      {"rolls", tape, 6'000, 4'000, 2, 50'000, 44'000, 24},
      {"rolls the shop does not know", other, 6'000, 0, 2, 50'000, 40'000, 22},
      {"a thing", need(Ware::Bought, "glass", 2, 30), 0, 0, 2, 1, 0, 60},
  };
  for (const Row& row : table) {
    const ShoppingList list = shoppingList({{"a", "A", {row.need}, {}}}, Goods(), 10);
    ASSERT_EQ(list.rows.size(), 1U) << row.name;
    const ShoppingRow& got = list.rows[0];
    EXPECT_EQ(got.spare, row.spare) << row.name;
    EXPECT_EQ(got.have, row.have) << row.name;
    EXPECT_EQ(got.packs, row.packs) << row.name;
    EXPECT_EQ(got.pack, row.pack) << row.name;
    EXPECT_EQ(got.left, row.left) << row.name;
    EXPECT_EQ(got.sum, Money::whole(row.sum)) << row.name;
    EXPECT_EQ(list.sum, got.sum);
    EXPECT_EQ(list.unpriced, row.packs > 0 && row.sum == 0 ? 1U : 0U) << row.name;
  }
}

TEST(Shopping, jobsShareWhatIsThere) {
  const JobWants one{"a", "Log wall", {sheets(2), screws("pocket screw", 20, 32)}, {}};
  const JobWants other{"b", "Trolley", {sheets(2)}, {}};
  EXPECT_EQ(shoppingList({one}, Goods(), 0).rows[0].packs, 0);
  EXPECT_EQ(shoppingList({other}, Goods(), 0).rows[0].packs, 0);
  const ShoppingList both = shoppingList({one, other}, Goods(), 0);
  ASSERT_EQ(both.rows.size(), 2U);
  EXPECT_EQ(both.rows[0].packs, 2);
  EXPECT_EQ(both.rows[0].jobs, (std::vector<std::string>{"Log wall", "Trolley"}));
  EXPECT_EQ(both.rows[1].jobs, (std::vector<std::string>{"Log wall"}));
}

// 10 square metres: a coat of oil thinned by 20 % at 10 m2/l with 20 % lost is 1 l of it; two coats
// of varnish at 8 m2/l are 2.5 l, half a litre is there, a can holds 750 ml.
TEST(Shopping, aFinishIsItsProductsInCans) {
  Goods goods;
  FinishProduct oil{"oil"};
  oil.thinning = 20;
  oil.loss = 20;
  FinishProduct varnish{"varnish"};
  varnish.coats = 2;
  varnish.coverage = 8;
  varnish.canMillilitres = 750;
  varnish.haveMillilitres = 500;
  varnish.price = Money::whole(20);
  goods.finishes = {{1, "Clear, hard", {oil, varnish}}};
  const JobWants job{"a", "A", {need(Ware::Finish, "clear", 100'000)}, {}};
  const ShoppingList list = shoppingList({job}, goods, 0);
  ASSERT_EQ(list.rows.size(), 2U);
  EXPECT_EQ(wareName(list.rows[0], {}), "Clear, hard: oil");
  EXPECT_EQ(list.rows[0].what.amount, 1'000);
  EXPECT_EQ(list.rows[0].packs, 1);
  EXPECT_EQ(list.rows[1].what.amount, 2'500);
  EXPECT_EQ(list.rows[1].packs, 3);
  EXPECT_EQ(list.rows[1].sum, Money::whole(60));
  EXPECT_EQ(amountWords(list.rows[1], list.rows[1].left), "250 ml");
  EXPECT_EQ(amountWords(list.rows[1], list.rows[1].what.amount), "2.5 l");
  goods.finishes.clear();
  const ShoppingList unknown = shoppingList({job}, goods, 0);
  EXPECT_EQ(amountWords(unknown.rows[0], 100'000), "10.0 m²");
  EXPECT_EQ(unknown.rows[0].packs, 0) << "nobody can buy square metres";
  EXPECT_EQ(unknown.unpriced, 1U);
  EXPECT_NE(writeShopping(unknown, Unit::Millimetre)
                .find("finish,clear finish for 10.0 m²,,,1,0,0,0,1,1,1,0,0,0,A\n"),
            std::string::npos);
}

TEST(Shopping, isWrittenAsATable) {
  const JobWants job{"a", "A, B", {sheets(5)}, {}};
  EXPECT_EQ(writeShopping(shoppingList({job}, Goods(), 0), Unit::Millimetre),
            "# unit: mm\n"
            "ware,name,length,width,need,spare,have,reserved,buy,pack,packs,price,sum,left,jobs\n"
            "sheet,\"birch 18, 2440 × 1220 mm\",2440mm,1220mm,5,0,2,0,3,1,3,60.00,180.00,0,"
            "\"A, B\"\n");
}

TEST(Shopping, whatWasBoughtIsThereAndCanGoBack) {
  const test::StoreFile file;
  Store store = file.open();
  test::fill(store);
  const std::string before = *store.exported();
  FinishProduct oil{"oil"};
  Need tape = need(Ware::Banding, "birch 22", 60'000);
  Need can = need(Ware::Finish, "oil", 50'000);
  const JobWants job{"b", "B", {sheets(6), screws("pocket screw", 20, 32), tape, can}, {}};
  ShoppingList list = shoppingList({job}, *goodsOf(store), 0);
  ASSERT_EQ(list.rows.size(), 4U);
  std::vector<BoughtRow> bought;
  for (const ShoppingRow& row : list.rows) {
    if (row.packs == 0) continue;
    BoughtRow& one = bought.emplace_back();
    one.row = row;
    one.packs = row.packs;
    one.price = Money::whole(40);
    one.lot = "K9";
  }
  Booking booking = bookingOf(bought, "2026-11-27");
  const auto ids = store.book(booking);
  ASSERT_TRUE(ids) << describe(ids.problems());
  ASSERT_EQ(ids->size(), 1U);
  const auto rack = store.rack();
  EXPECT_EQ(rack->back().piece.count, 3) << "three of six were free";
  EXPECT_EQ(rack->back().piece.lot, "K9");
  EXPECT_EQ(rack->back().piece.price, Money::whole(40));
  for (const ShoppingRow& row : shoppingList({job}, *goodsOf(store), 0).rows)
    EXPECT_EQ(row.packs, 0) << wareName(row, {});
  // And back.
  booking = takenBack(booking);
  ASSERT_TRUE(store.book(booking));
  ASSERT_FALSE(store.remove<RackPiece>(ids->front()));
  EXPECT_EQ(shoppingList({job}, *goodsOf(store), 0).rows[0].packs, 3);
  // Too much of it back: nothing changes.
  const std::string now = *store.exported();
  EXPECT_FALSE(store.book(booking));
  EXPECT_EQ(*store.exported(), now);
}

// The shop that comes with the demo jobs: sound, and with all that the log wall needs known.
TEST(Shopping, theDemoShopKnowsWhatTheLogWallNeeds) {
  const test::StoreFile file;
  Store store = file.open();
  const Problems problems =
      store.import("shop.json", readFile(std::string(DEMO_DIR) + "/shop.json").value());
  ASSERT_TRUE(problems.empty()) << describe(problems);
  EXPECT_TRUE(store.check().empty());
  const auto job =
      readJob("log-wall", readFile(std::string(DEMO_DIR) + "/log-wall.plainpatch").value());
  const std::vector<Part> parts = breakDown(*job).parts;
  const ShoppingList list = shoppingList({wantsOf(*job, parts, {})}, *goodsOf(store), 10);
  EXPECT_EQ(list.unpriced, 0U);
  for (const ShoppingRow& row : list.rows) {
    EXPECT_TRUE(row.price != Money{} || row.packs == 0) << wareName(row, {});
    // 41.4 square metres twice at 12 a litre, a tenth lost: 7.7 l, a tenth to spare: four cans.
    EXPECT_TRUE(row.product != "hard varnish" || row.packs == 4) << row.packs;
  }
}

TEST(Shopping, theStoreKnowsWhatJobsNeed) {
  const test::StoreFile file;
  Store store = file.open();
  JobWants job{"b", "B", {sheets(6), screws("screw", 20, 32)}, {}};
  job.parts = {{"birch", mm(18), mm(600), mm(400), PartGrain::Width, 3}};
  ASSERT_FALSE(store.want(job));
  ASSERT_FALSE(store.want({"c", "A", {sheets(1)}, {}}));
  auto all = store.wants();
  ASSERT_TRUE(all) << describe(all.problems());
  ASSERT_EQ(all->size(), 2U);
  EXPECT_EQ(all->at(0).name, "A");
  EXPECT_EQ(all->at(1), job);
  const std::string text = *store.exported();
  EXPECT_TRUE(store.import("x", text).empty());
  EXPECT_EQ(store.wants()->at(1), job);
  ASSERT_FALSE(store.want({"b", "B", {}, {}}));
  EXPECT_EQ(store.wants()->size(), 1U);
}

// The order of jobs and of their needs makes no difference, and every list closes: what is there
// and bought less what is needed is left, and a pack less would not do.
RC_GTEST_PROP(Shopping, everyListCloses, ()) {
  std::vector<JobWants> jobs;
  for (int n = *rc::gen::inRange(1, 4); n > 0; --n) {
    JobWants job{std::to_string(n), "J" + std::to_string(n), {}, {}};
    for (int k = *rc::gen::inRange(0, 5); k > 0; --k) {
      Need one = *rc::gen::arbitrary<bool>()
                     ? sheets(*rc::gen::inRange(1, 9))
                     : screws("pocket screw", *rc::gen::inRange(1, 400), 32);
      one.reserved = *rc::gen::inRange(0, 3);
      job.needs.push_back(one);
    }
    jobs.push_back(job);
  }
  const std::int64_t spare = *rc::gen::inRange(0, 50);
  const ShoppingList list = shoppingList(jobs, Goods(), spare);
  Money sum;
  for (const ShoppingRow& row : list.rows) {
    const std::int64_t there = row.have + row.what.reserved;
    RC_ASSERT(row.left == there + row.buy() - row.what.amount);
    RC_ASSERT(row.left >= row.spare || row.left >= 0);
    RC_ASSERT(there + row.buy() >= row.what.amount + row.spare);
    if (row.packs > 0) RC_ASSERT(there + row.buy() - row.pack < row.what.amount + row.spare);
    sum += row.sum;
  }
  RC_ASSERT(sum == list.sum);
  std::reverse(jobs.begin(), jobs.end());
  const ShoppingList other = shoppingList(jobs, Goods(), spare);
  RC_ASSERT(other.sum == list.sum);
  RC_ASSERT(other.rows.size() == list.rows.size());
}

// One sheet of 2000 × 1000 at 60, half of it kept; a job of 90 minutes at 40 with a tenth on it.
TEST(Cost, isWhatIsUsedAndWhatMustBePaid) {
  Job job;
  job.costing = {90, Money::whole(40), 10, 0};
  StockPiece piece;
  piece.id = 7;
  piece.price = Money::whole(60);
  job.stock.push_back(piece);
  NestRequest request;
  StockSupply stock;
  stock.material = "birch";
  stock.thickness = mm(18);
  stock.length = mm(2'000);
  stock.width = mm(1'000);
  stock.row = 7;
  request.stock = {stock};
  Plan plan;
  PlannedSheet sheet;
  sheet.leftovers = {{"S1-K1", {}, {}, mm(1'000), mm(1'000)}};
  plan.sheets = {sheet};
  const OpenWork open{&request, &plan};
  const JobWants wants = wantsOf(job, {}, open);
  JobCost cost = costOf(job, wants, open, {});
  ASSERT_EQ(cost.lines.size(), 2U);
  EXPECT_EQ(cost.lines[0].used, Money::whole(30));
  EXPECT_EQ(cost.lines[0].spent, Money::whole(60));
  EXPECT_EQ(cost.used, Money::whole(90));
  EXPECT_EQ(cost.spent, Money::whole(120));
  EXPECT_EQ(cost.margin, Money::whole(9));
  EXPECT_EQ(cost.price, Money::whole(99));
  // From the rack, where one stands: used as before, nothing to pay.
  ShopGoods goods;
  goods.materials = {{1, "birch", mm(18), mm(18)}};
  RackPiece there;
  there.material = 1;
  there.length = mm(2'000);
  there.width = mm(1'000);
  goods.rack = {{there, 1, 1}};
  cost = costOf(job, wants, open, goods);
  EXPECT_EQ(cost.used, Money::whole(90));
  EXPECT_EQ(cost.spent, Money::whole(60));
}

// What stands in the shop costs nothing to spend, and goes first: the offcut, then the sheet.
TEST(Cost, aPlanSpendsTheLeastAndUsesOffcutsFirst) {
  Job job = test::jobWith(test::metricCarcass().carcass());
  job.assemblies = {};
  job.stock = {};
  const Material material = job.materials.front();
  const auto row = [&](const char* mark, double length, double width, std::int64_t price, Id store,
                       StockKind kind) {
    StockPiece piece;
    piece.mark = mark;
    piece.material = material.id;
    piece.length = mm(length);
    piece.width = mm(width);
    piece.price = Money::whole(price);
    piece.store = store;
    piece.kind = kind;
    if (store != 0) piece.quantity = 1;
    job.stock.push_back(piece);
  };
  row("bought", 2'440, 1'220, 50, 0, StockKind::Sheet);
  row("had", 2'440, 1'220, 90, 1, StockKind::Sheet);
  row("offcut", 900, 700, 0, 2, StockKind::Offcut);
  giveIds(job);
  Part part;
  part.name = "part";
  part.length = Reason("length", mm(600));
  part.width = Reason("width", mm(500));
  part.thickness = mm(18);
  part.code = "P-1";
  part.material = material.id;
  part.quantity = 1;
  const auto used = [&](std::int64_t quantity) {
    part.quantity = quantity;
    const NestRequest request = requestOf(job, {part});
    nest::NestOptions options;
    options.steps = 500;
    const Plan plan = nest::nest(request, options);
    std::string out;
    for (const PlannedSheet& sheet : plan.sheets) out += request.stock[sheet.stock].id + " ";
    return out + format(plan.cost);
  };
  EXPECT_EQ(used(1), "offcut 0.00");
  EXPECT_EQ(used(4), "had 0.00");
  const NestRequest request = requestOf(job, {part});
  EXPECT_EQ(request.stock[0].price, Money::whole(50));
  EXPECT_EQ(request.stock[1].price, Money{});
}

TEST(HouseRules, beginANewJobAndAreComparedWithOthers) {
  Job model = test::jobWith(test::metricCarcass().carcass());
  model.unit = Unit::Millimetre;
  model.saw.kerf = mm(2.8);
  model.costing = {500, Money::whole(45), 20, 5};
  model.labels.rows = 9;
  const std::string rules = houseRulesOf(model);
  Job fresh;
  fresh.unit = Unit::Millimetre;
  const auto begun = withHouseRules(fresh, rules);
  ASSERT_TRUE(begun) << describe(begun.problems());
  EXPECT_EQ(begun->saw, model.saw);
  EXPECT_EQ(begun->costing.rate, Money::whole(45));
  EXPECT_EQ(begun->costing.minutes, 0) << "of that job";
  EXPECT_EQ(begun->labels, model.labels);
  EXPECT_EQ(begun->materials.size(), model.materials.size());
  EXPECT_TRUE(begun->assemblies.empty());
  EXPECT_TRUE(ruleDifferences(*begun, rules).empty());
  Job other = *begun;
  other.saw.kerf = mm(3.2);
  other.costing.margin = 25;
  EXPECT_EQ(
      ruleDifferences(other, rules),
      (std::vector<std::string>{"kerf 3.2 mm, the shop's 2.8 mm", "margin 25 %, the shop's 20 %"}));
  fresh.unit = Unit::Inch;
  EXPECT_FALSE(withHouseRules(fresh, rules));
  EXPECT_FALSE(withHouseRules(Job{}, "{}"));
  EXPECT_TRUE(ruleDifferences(other, "").empty());
}

}  // namespace
}  // namespace pp::shopping_test
