// The shop's store: rows kept and refused, pieces promised once, leftovers that come back once,
// files that are no store, failures in the midst of a change.
#include "core/store/store.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>
#include <sqlite3.h>

#include <filesystem>

#include "core/formats/file.h"
#include "core/store/schema.h"
#include "core/store/table.h"
#include "tests/core/store_support.h"

namespace pp::store_test {
namespace {

using test::mm;
using test::StoreFile;

TEST(Store, keepsEveryFieldOfEveryKindOfRow) {
  const StoreFile file;
  Store store = file.open();
  RackMaterial ash{0,   "ash",  mm(18), mm(17.8), true,   Tone::Ash,
                   690, 11'000, false,  mm(450),  mm(120)};
  ash.id = *store.add(ash);
  RackPiece piece;
  piece.kind = RackKind::Offcut;
  piece.material = ash.id;
  piece.tag = -1;
  piece.lot = "A7";
  piece.measured = mm(17.6);
  piece.length = mm(812.5);
  piece.width = mm(403);
  piece.grain = SheetGrain::Width;
  piece.twoGoodFaces = true;
  piece.count = 2;
  piece.price = Money::tenThousandths(123'456);
  piece.place = "rack 2, left";
  piece.note = "one corner is bruised; 'keep'";
  piece.defects = {{mm(10), mm(20), mm(30), mm(40)}, {mm(700), mm(0), mm(112.5), mm(403)}};
  piece.came = "2026-11-27";
  piece.id = *store.add(piece);
  piece.tag = 1;
  RackBanding banding{0, "ash 22", mm(0.6), mm(22), mm(50'000), true, Money::whole(18), mm(31'500)};
  banding.id = *store.add(banding);
  Hardware screw{0, HardwareKind::Screw, "4 × 40", mm(40), 180, 200, Money::whole(9), "torx"};
  screw.id = *store.add(screw);
  LotReading reading{0, ash.id, "A7", mm(17.62), "2026-11-27"};
  reading.id = *store.add(reading);
  ShopFinish finish;
  finish.name = "clear, two coats";
  finish.products = {
      {"sealer", ApplyMethod::Wipe, 1, 180, 240, 10, 14, 5, 3, 500, 250, Money::whole(12)},
      {"top coat", ApplyMethod::Spray, 2, 320, 60, 0, 9, 30, 2, 1'000, 0, {}}};
  finish.id = *store.add(finish);
  ASSERT_FALSE(store.set("house rules", "{\"kerf\": 3.2}"));
  Store again = file.open();
  EXPECT_EQ(*again.all<RackMaterial>(), std::vector{ash});
  EXPECT_EQ(*again.all<RackPiece>(), std::vector{piece});
  EXPECT_EQ(*again.all<RackBanding>(), std::vector{banding});
  EXPECT_EQ(*again.all<Hardware>(), std::vector{screw});
  EXPECT_EQ(*again.all<LotReading>(), std::vector{reading});
  EXPECT_EQ(*again.all<ShopFinish>(), std::vector{finish});
  EXPECT_EQ(*again.setting("house rules"), "{\"kerf\": 3.2}");
  EXPECT_EQ(*again.setting("never set"), "");
  // Changed, and gone.
  screw.have = 12;
  EXPECT_FALSE(again.change(screw));
  EXPECT_EQ(*store.all<Hardware>(), std::vector{screw});
  EXPECT_FALSE(again.remove<Hardware>(screw.id));
  EXPECT_TRUE(store.all<Hardware>()->empty());
  EXPECT_EQ(store.change(screw)->found, "nothing");
  EXPECT_EQ(store.remove<Hardware>(screw.id)->found, "nothing");
}

template <class Row>
void expectColumns(SQLite::Database& db) {
  std::vector<std::string> out;
  SQLite::Statement columns(db, std::string("PRAGMA table_info(") + TableOf<Row>::kName + ")");
  while (columns.executeStep()) out.push_back(columns.getColumn(1).getString());
  std::vector<std::string> wanted = columnsOf<Row>();
  wanted.insert(wanted.begin(), "id");
  EXPECT_EQ(out, wanted) << TableOf<Row>::kName;
}

TEST(Store, hasTheColumnsThatTheRowsSay) {
  const StoreFile file;
  { const Store store = file.open(); }
  SQLite::Database db(file.path());
  expectColumns<RackMaterial>(db);
  expectColumns<RackPiece>(db);
  expectColumns<LotReading>(db);
  expectColumns<RackBanding>(db);
  expectColumns<Hardware>(db);
  expectColumns<ShopFinish>(db);
  EXPECT_EQ(db.execAndGet("PRAGMA user_version").getInt(), storeVersion());
  EXPECT_EQ(db.execAndGet("PRAGMA journal_mode").getString(), "wal");
}

TEST(Store, refusesRowsThatCannotBe) {
  const StoreFile file;
  Store store = file.open();
  const Id birch = test::addMaterial(store, "birch", 18);
  const auto refused = [](const auto& result) {
    return result.ok() ? std::string("taken")
                       : result.problems().front().field + ": " + result.problems().front().found;
  };
  RackPiece piece = test::sheetOf(birch);
  piece.defects = {{mm(2'400), mm(0), mm(50), mm(10)}};
  EXPECT_EQ(refused(store.add(piece)), "defects/0: 50 by 10");
  piece.defects = {};
  piece.count = 0;
  EXPECT_EQ(refused(store.add(piece)), "count: 0");
  piece.count = 1;
  piece.width = Length{};
  EXPECT_EQ(refused(store.add(piece)), "width: 0");
  piece.width = mm(10);
  piece.material = birch + 1;
  EXPECT_FALSE(store.add(piece).ok()) << "of a material that is not there";
  EXPECT_FALSE(store.add(RackMaterial{0, "birch", mm(18), mm(18)}).ok()) << "the same once more";
  EXPECT_TRUE(store.add(RackMaterial{0, "birch", mm(12), mm(12)}).ok());
  EXPECT_EQ(refused(store.add(RackMaterial{0, "", mm(12), mm(12)})), "name: nothing");
  RackMaterial keepsNothing{0, "oak", mm(12), mm(12)};
  keepsNothing.keepShort = Length{};
  EXPECT_EQ(refused(store.add(keepsNothing)), "keepShort: 0");
  EXPECT_EQ(refused(store.add(Hardware{0, HardwareKind::Pin, "pin", {}, -1})), "have: -1");
  ShopFinish oil{0, "oil", {FinishProduct{"oil"}}};
  oil.products[0].loss = 91;
  EXPECT_EQ(refused(store.add(oil)), "products/0/loss: 91");
  // What something is made of stays.
  piece.material = birch;
  ASSERT_TRUE(store.add(piece).ok());
  EXPECT_EQ(store.remove<RackMaterial>(birch)->found, "pieces of it in the rack");
  EXPECT_EQ(store.all<RackMaterial>()->size(), 2U);
}

TEST(Store, isSearched) {
  const StoreFile file;
  Store store = file.open();
  const Id birch = test::addMaterial(store, "birch", 18);
  const Id walnut = test::addMaterial(store, "walnut 100%", 12);
  RackPiece sheet = test::sheetOf(birch);
  sheet.place = "north_wall";
  store.add(sheet);
  RackPiece offcut = test::sheetOf(walnut);
  offcut.kind = RackKind::Offcut;
  offcut.tag = -1;
  offcut.length = mm(400);
  offcut.width = mm(700);
  offcut.grain = SheetGrain::Width;
  store.add(offcut);
  RackPiece plain = offcut;
  plain.grain = SheetGrain::None;
  plain.lot = "B2";
  store.add(plain);
  struct Case {
    const char* name;
    RackSearch search;
    std::vector<Id> found;
  };
  const auto words = [](const char* text) {
    RackSearch out;
    out.words = text;
    return out;
  };
  const auto large = [](double length, double width) {
    RackSearch out;
    out.length = mm(length);
    out.width = mm(width);
    return out;
  };
  RackSearch offcuts;
  offcuts.kind = RackKind::Offcut;
  RackSearch ofBirch;
  ofBirch.material = birch;
  const Case cases[] = {
      {"all", {}, {1, 2, 3}},
      {"by material", ofBirch, {1}},
      {"by kind", offcuts, {2, 3}},
      {"by a word", words("walnut"), {2, 3}},
      {"each word counts", words("walnut b2"), {3}},
      {"a tag", words("R2"), {3}},
      {"what SQL would read otherwise", words("0%"), {2, 3}},
      {"an underscore is one", words("north_w"), {1}},
      {"and no other letter", words("northxw"), {}},
      {"a quote is harmless", words("' OR 1 --"), {}},
      // 700 along the grain of the offcut; the plain one lies either way.
      {"along the grain", large(600, 300), {1, 2, 3}},
      {"across it", large(300, 600), {1, 3}},
      {"larger than any offcut", large(701, 400), {1}},
  };
  for (const Case& one : cases) {
    std::vector<Id> found;
    for (const RackRow& row : test::rackOf(store, one.search)) found.push_back(row.piece.id);
    EXPECT_EQ(found, one.found) << one.name;
  }
}

TEST(Store, promisesAPieceOnce) {
  const StoreFile file;
  Store store = file.open();
  const Id birch = test::addMaterial(store, "birch", 18);
  RackPiece sheet = test::sheetOf(birch);
  sheet.count = 3;
  const Id three = *store.add(sheet);
  sheet.count = 1;
  const Id one = *store.add(sheet);
  Store other = file.open();
  EXPECT_TRUE(store.take("job-a", "Log wall", 1, {{three, 2}}).empty());
  const Problems refused = other.take("job-b", "Nook", 1, {{three, 2}, {one, 1}});
  ASSERT_EQ(refused.size(), 1U);
  EXPECT_EQ(refused[0].field, "birch 18, 2440 × 1220");
  EXPECT_EQ(refused[0].found, "1 free; 2 for Log wall");
  EXPECT_EQ(refused[0].expected, "2 for this cutting");
  // All or nothing.
  const auto freeOf = [&store](Id piece) {
    for (const RackRow& row : test::rackOf(store))
      if (row.piece.id == piece) return row.free;
    return std::int64_t{-1};
  };
  EXPECT_EQ(freeOf(one), 1);
  EXPECT_TRUE(other.take("job-b", "Nook", 1, {{three, 1}, {one, 1}}).empty());
  EXPECT_EQ(freeOf(three), 0);
  // Taken anew: what that cutting had is given up first.
  EXPECT_TRUE(other.take("job-b", "Nook", 1, {{three, 1}}).empty());
  EXPECT_EQ(freeOf(one), 1);
  EXPECT_EQ(other.take("job-b", "Nook", 2, {{99, 1}}).front().found, "nothing");
  EXPECT_EQ(store.remove<RackPiece>(three)->found, "promised to Log wall");
  EXPECT_TRUE(store.check().empty());
}

TEST(Store, followsAJob) {
  const StoreFile file;
  Store store = file.open();
  const Id birch = test::addMaterial(store, "birch", 18);
  RackPiece sheet = test::sheetOf(birch);
  sheet.count = 3;
  const Id sheets = *store.add(sheet);
  ASSERT_TRUE(store.take("a", "Log wall", 1, {{sheets, 2}}).empty());
  RackPiece left = test::sheetOf(birch);
  left.kind = RackKind::Offcut;
  left.length = mm(900);
  const auto row = [&](Id id) {
    RackSearch all;
    all.usedUpToo = true;
    for (const RackRow& one : test::rackOf(store, all))
      if (one.piece.id == id) return one;
    return RackRow{};
  };
  // The first cut of the first sheet, and a leftover of it in the rack.
  JobHolding now{"a", "Log wall", 7, {{sheets, 1, 1, 1}}, {{1, "S1/2", left}}};
  const auto tags = store.follow(now);
  ASSERT_TRUE(tags) << describe(tags.problems());
  EXPECT_EQ(tags->at({1, "S1/2"}), 1);
  EXPECT_EQ(row(sheets).left, 2);
  EXPECT_EQ(row(sheets).free, 1);
  // Once more, as after a crash: nothing is counted twice, and the tag is the same.
  EXPECT_EQ(store.follow(now)->at({1, "S1/2"}), 1);
  EXPECT_EQ(store.rack()->size(), 2U);
  // A window that is behind changes nothing.
  EXPECT_TRUE(store.follow({"a", "Log wall", 6, {{sheets, 1, 2, 0}}, {}}));
  EXPECT_EQ(row(sheets).left, 2);
  // Another leftover has the next tag; the untouched sheet is free again when the rest is given up.
  now = {"a", "Log wall", 9, {{sheets, 1, 0, 1}}, {{1, "S1/2", left}, {1, "S1/3", left}}};
  EXPECT_EQ(store.follow(now)->at({1, "S1/3"}), 2);
  EXPECT_EQ(row(sheets).free, 2);
  EXPECT_EQ(store.holders(sheets)->size(), 1U);
  // The offcuts are the rack's: another job takes one, and it stays away.
  EXPECT_TRUE(store.take("b", "Nook", 1, {{3, 1}}).empty());
  EXPECT_TRUE(store.follow({"b", "Nook", 3, {{3, 1, 0, 1}}, {}}));
  EXPECT_EQ(store.rack()->size(), 2U);
  EXPECT_EQ(store.follow(now)->size(), 2U);
  EXPECT_EQ(store.rack()->size(), 2U);
  EXPECT_TRUE(store.check().empty());
}

TEST(Store, saysWhatWasPromisedTwice) {
  const StoreFile file;
  Store store = file.open();
  const Id sheet = *store.add(test::sheetOf(test::addMaterial(store, "birch", 18)));
  // Two jobs that were cut while the store was away.
  for (const char* job : {"a", "b"})
    ASSERT_TRUE(store.follow({job, job, 1, {{sheet, 1, 1, 0}}, {}}));
  const Problems found = store.check();
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].field, "birch 18, 2440 × 1220");
  EXPECT_EQ(found[0].found, "1 more promised than there are");
}

TEST(Store, filesThatAreNoneAreRefused) {
  const StoreFile file;
  const auto refused = [&](const char* expected) {
    const auto opened = Store::open(file.path());
    ASSERT_FALSE(opened.ok()) << expected;
    EXPECT_EQ(opened.problems().front().file, file.path());
    EXPECT_EQ(opened.problems().front().found, expected);
  };
  ASSERT_FALSE(writeFile(file.path(), std::string(5'000, 'x')));
  refused("something that is no store, or a broken one");
  std::filesystem::remove(file.path());
  {
    SQLite::Database db(file.path(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    db.exec("CREATE TABLE recipe (name TEXT)");
  }
  refused("another program's tables");
  {
    SQLite::Database db(file.path(), SQLite::OPEN_READWRITE);
    db.exec("PRAGMA user_version = 99");
  }
  refused("a store of version 99");
  EXPECT_EQ(Store::openToRead(file.path()).problems().front().found, "a store of version 99");
  std::filesystem::remove(file.path());
  EXPECT_FALSE(Store::openToRead(file.path()).ok()) << "it is not there";
  std::filesystem::create_directory(file.path());
  refused("nothing that can be opened");
}

TEST(Store, aBrokenTableIsNamedAndTheRestStands) {
  const StoreFile file;
  {
    Store store = file.open();
    test::addMaterial(store, "birch", 18);
  }
  {
    SQLite::Database db(file.path(), SQLite::OPEN_READWRITE);
    db.exec("UPDATE material SET tone = 'mauve'");
  }
  Store store = file.open();
  const auto rows = store.all<RackMaterial>();
  ASSERT_FALSE(rows.ok());
  EXPECT_EQ(rows.problems().front().field, "tone");
  EXPECT_EQ(rows.problems().front().found, "mauve");
  EXPECT_TRUE(store.all<Hardware>().ok());
}

TEST(Store, waitsForAnotherAndNamesIt) {
  const StoreFile file;
  Store store = file.open();
  SQLite::Database other(file.path(), SQLite::OPEN_READWRITE);
  other.exec("BEGIN IMMEDIATE");
  const auto problem = store.set("a", "b");
  ASSERT_TRUE(problem);
  EXPECT_EQ(problem->found, "another window that is writing it");
  // It may be read all the while.
  EXPECT_EQ(*store.setting("a"), "");
  other.exec("ROLLBACK");
  EXPECT_FALSE(store.set("a", "b"));
}

// As the program of the version before wrote it.
TEST(Store, anOlderStoreIsCopiedAndMadeNew) {
  const StoreFile file;
  {
    SQLite::Database db(file.path(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    db.exec(readFile(std::string(STORES_DIR) + "/version-1.sql").value());
  }
  Store store = file.open();
  const auto rack = store.rack();
  ASSERT_TRUE(rack) << describe(rack.problems());
  ASSERT_EQ(rack->size(), 2U);
  EXPECT_EQ(rack->at(0).piece.lot, "A7");
  EXPECT_EQ(rack->at(0).left, 3);
  EXPECT_EQ(rack->at(0).free, 2);
  EXPECT_EQ(rack->at(1).piece.tag, 12);
  EXPECT_EQ(rack->at(1).piece.defects, (std::vector<Defect>{{mm(10), mm(10), mm(60), mm(40)}}));
  EXPECT_TRUE(store.all<LotReading>()->empty());
  EXPECT_TRUE(store.check().empty());
  SQLite::Database copy(file.path() + ".version-1");
  EXPECT_EQ(copy.execAndGet("PRAGMA user_version").getInt(), 1);
  EXPECT_EQ(copy.execAndGet("SELECT count(*) FROM piece").getInt(), 2);
}

TEST(Store, thoseOfLaterVersionsToo) {
  for (const int version : {2, 3}) {
    const StoreFile file;
    {
      SQLite::Database db(file.path(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
      db.exec(readFile(fmt::format("{}/version-{}.sql", STORES_DIR, version)).value());
    }
    Store store = file.open();
    EXPECT_EQ(store.rack()->at(0).free, 2);
    EXPECT_EQ(store.all<LotReading>()->at(0).thickness, mm(17.65));
    EXPECT_EQ(store.all<RackMaterial>()->at(0).keepLong, std::nullopt);
    ASSERT_TRUE(store.wants());
    EXPECT_TRUE(store.wants()->empty());
    EXPECT_TRUE(store.check().empty());
    SQLite::Database copy(fmt::format("{}.version-{}", file.path(), version));
    EXPECT_EQ(copy.execAndGet("PRAGMA user_version").getInt(), version);
  }
}

TEST(Store, isExportedAndImportedWhole) {
  const StoreFile file;
  Store store = file.open();
  test::fill(store);
  const std::string text = *store.exported();
  const StoreFile second;
  Store other = second.open();
  ASSERT_TRUE(other.add(Hardware{0, HardwareKind::Pin, "gone afterwards"}).ok());
  EXPECT_TRUE(other.import("shop.json", text).empty());
  EXPECT_EQ(*other.exported(), text);
  EXPECT_EQ(other.rack()->front().free, store.rack()->front().free);
  // Refused whole, with the place.
  std::string bad = text;
  bad.replace(bad.find("\"birch\""), 7, "\"beech\"");
  const auto at = bad.find("\"tone\": \"") + 9;
  bad.replace(at, bad.find('"', at) - at, "mauve");
  const Problems problems = other.import("shop.json", bad);
  ASSERT_FALSE(problems.empty());
  EXPECT_EQ(problems[0].file, "shop.json");
  EXPECT_EQ(problems[0].field, "/materials/0/tone");
  EXPECT_EQ(*other.exported(), text);
  EXPECT_FALSE(other.import("shop.json", "{\"format\": \"plain-patch-store\"").empty());
  EXPECT_EQ(other.import("x", "{\"format\": \"plain-patch-store\", \"version\": 7}").front().field,
            "/format");
}

// A statement stopped at its n-th step, for every n until all of the change is through: after each
// failure the store is as it was.
class Failing : public testing::Test {
 protected:
  void SetUp() override {
    left_ = -1;
    sqlite3_auto_extension(reinterpret_cast<void (*)()>(&Failing::begin));
  }
  void TearDown() override {
    left_ = -1;
    sqlite3_reset_auto_extension();
  }
  static int begin(sqlite3* db, const char**, const void*) {
    sqlite3_progress_handler(
        db, 1, [](void*) { return left_ >= 0 && left_-- == 0 ? 1 : 0; }, nullptr);
    return SQLITE_OK;
  }
  // How often it failed before it went through. `change` may be made twice.
  static int failures(Store& store, const std::function<Problems()>& change) {
    const std::string before = store.exported().value();
    for (int n = 0; n < 20'000; ++n) {
      left_ = n;
      const bool failed = !change().empty();
      left_ = -1;
      const std::string after = store.exported().value();
      if (failed && after == before) continue;
      // All of it is there: it was stopped, if at all, when nothing was left to do.
      EXPECT_TRUE(change().empty());
      EXPECT_EQ(store.exported().value(), after) << "at step " << n;
      EXPECT_NE(after, before);
      return n;
    }
    return -1;
  }
  static int left_;
};
int Failing::left_ = -1;

TEST_F(Failing, inTheMidstLosesNothing) {
  const StoreFile file;
  Store store = file.open();
  const Id birch = test::fill(store);
  const Id sheet = test::rackOf(store).front().piece.id;
  EXPECT_GT(failures(store, [&] { return store.take("c", "Chest", 1, {{sheet, 1}}); }), 20);
  EXPECT_GT(failures(store,
                     [&] {
                       RackPiece left = test::sheetOf(birch);
                       left.kind = RackKind::Offcut;
                       const auto out =
                           store.follow({"c", "Chest", 4, {{sheet, 1, 0, 1}}, {{1, "S1/1", left}}});
                       return out.ok() ? Problems{} : out.problems();
                     }),
            20);
  const std::string text = *store.exported();
  ASSERT_FALSE(store.set("more", "than there was"));
  EXPECT_GT(failures(store, [&] { return store.import("shop.json", text); }), 100);
  EXPECT_TRUE(store.check().empty());
}

TEST_F(Failing, aFullDiskIsNamed) {
  const StoreFile file;
  {
    Store store = file.open();
    test::fill(store);
  }
  sqlite3_auto_extension(reinterpret_cast<void (*)()>(+[](sqlite3* db, const char**, const void*) {
    return sqlite3_exec(db, "PRAGMA max_page_count = 1", nullptr, nullptr, nullptr);
  }));
  Store store = file.open();
  const std::string before = *store.exported();
  const auto problem = store.set("long", std::string(200'000, 'x'));
  ASSERT_TRUE(problem);
  EXPECT_EQ(problem->found, "a full disk");
  EXPECT_EQ(*store.exported(), before);
}

// Whatever is taken, cut, spoiled, given back and given up: the store has what a model in memory
// has that knows nothing of tables.
RC_GTEST_PROP(Store, agreesWithAModel, ()) {
  const StoreFile file;
  Store store = file.open();
  const Id birch = test::addMaterial(store, "birch", 18);
  std::map<Id, std::int64_t> owned;
  for (int i = *rc::gen::inRange(1, 4); i > 0; --i) {
    RackPiece piece = test::sheetOf(birch);
    piece.count = *rc::gen::inRange(1, 4);
    owned[*store.add(piece)] = piece.count;
  }
  std::map<std::string, JobHolding> jobs;
  std::int64_t cameBack = 0;
  const auto sums = [&](Id piece, std::optional<std::pair<std::string, int>> but = {}) {
    std::pair<std::int64_t, std::int64_t> out;  // reserved, used
    for (const auto& [id, job] : jobs)
      for (const Held& one : job.held)
        if (one.piece == piece && (!but || *but != std::pair(id, one.cutting))) {
          out.first += one.reserved;
          out.second += one.used;
        }
    return out;
  };
  for (int step = *rc::gen::inRange(1, 25); step > 0; --step) {
    const std::string id = *rc::gen::element<std::string>("a", "b", "c");
    JobHolding& job = jobs[id];
    job.job = job.name = id;
    const Id piece =
        std::next(owned.begin(), *rc::gen::inRange<int>(0, static_cast<int>(owned.size())))->first;
    const auto of = std::find_if(job.held.begin(), job.held.end(),
                                 [piece](const Held& one) { return one.piece == piece; });
    switch (*rc::gen::inRange(0, 5)) {
      case 0: {  // taken to the saw
        const int cutting = static_cast<int>(job.held.size()) + 1;
        const std::int64_t wanted = *rc::gen::inRange(1, 4);
        const auto [reserved, used] = sums(piece);
        const bool there = owned[piece] - reserved - used >= wanted;
        RC_ASSERT(store.take(id, id, cutting, {{piece, wanted}}).empty() == there);
        if (there) job.held.push_back({piece, cutting, wanted, 0});
        continue;
      }
      case 1:  // first cut
        if (of == job.held.end() || of->reserved == 0) continue;
        --of->reserved;
        ++of->used;
        break;
      case 2:  // the cut is taken back
        if (of == job.held.end() || of->used == 0) continue;
        ++of->reserved;
        --of->used;
        break;
      case 3:  // given up
        if (of == job.held.end()) continue;
        of->reserved = 0;
        break;
      default: {
        if (of == job.held.end() || of->used == 0) continue;
        RackPiece left = test::sheetOf(birch);
        left.kind = RackKind::Offcut;
        job.returned.push_back({of->cutting, "L" + std::to_string(job.returned.size()), left});
        ++cameBack;
      }
    }
    ++job.seq;
    RC_ASSERT(store.follow(job).ok());
    if (*rc::gen::inRange(0, 3) == 0) RC_ASSERT(store.follow(job).ok());
  }
  RackSearch all;
  all.usedUpToo = true;
  std::int64_t offcuts = 0;
  const auto rack = store.rack(all);
  for (const RackRow& row : *rack) {
    if (row.piece.kind == RackKind::Offcut) {
      ++offcuts;
      continue;
    }
    const auto [reserved, used] = sums(row.piece.id);
    RC_ASSERT(row.left == owned.at(row.piece.id) - used);
    RC_ASSERT(row.free == row.left - reserved);
    RC_ASSERT(row.free >= 0);
  }
  RC_ASSERT(offcuts == cameBack);
  RC_ASSERT(store.check().empty());
}

}  // namespace
}  // namespace pp::store_test
