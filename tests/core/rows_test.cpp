// Rows that copies of a list share until one of them is changed, and how many pieces a job may ask
// for.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <nlohmann/json.hpp>

#include "core/breakdown/breakdown.h"
#include "core/fields/json_text.h"
#include "core/formats/job_json.h"
#include "core/kinds/pieces.h"
#include "core/kinds/validate.h"
#include "tests/core/support.h"

namespace pp::rows_test {
namespace {

// Any edits of a list leave every copy made before as it was, and the list as a plain one would be.
RC_GTEST_PROP(SharedRows, behaveAsAListOfValues, ()) {
  std::vector<std::pair<std::vector<int>, SharedRows<int>>> states = {{{}, {}}};
  const auto steps = *rc::gen::inRange(1, 40);
  for (int i = 0; i < steps; ++i) {
    const auto from = *rc::gen::inRange<std::size_t>(0, states.size());
    auto [plain, rows] = states[from];
    const auto at =
        plain.empty() ? std::size_t{0} : *rc::gen::inRange<std::size_t>(0, plain.size());
    const int value = *rc::gen::inRange(0, 1'000);
    switch (plain.empty() ? 0 : *rc::gen::inRange(0, 6)) {
      case 0:
        plain.push_back(value);
        rows.push_back(value);
        break;
      case 1:
        plain[at] = rows[at] = value;
        break;
      case 2:
        plain.erase(plain.begin() + static_cast<std::ptrdiff_t>(at));
        rows.erase(at);
        break;
      case 3:
        std::swap(plain.front(), plain[at]);
        rows.swapRows(0, at);
        break;
      case 4:
        std::erase_if(plain, [](int one) { return one % 3 == 0; });
        erase_if(rows, [](int one) { return one % 3 == 0; });
        break;
      default:
        plain.back() = rows.back() = value;
        break;
    }
    states.emplace_back(plain, rows);
  }
  for (const auto& [plain, rows] : states) {
    RC_ASSERT(rows.size() == plain.size());
    RC_ASSERT(std::equal(plain.begin(), plain.end(), rows.begin(), rows.end()));
  }
}

TEST(SharedRows, aCopyCostsNoRowsUntilOneIsChanged) {
  SharedRows<std::string> a = {"one", "two", "three"};
  SharedRows<std::string> b = a;
  b[1] = "other";
  EXPECT_TRUE(b.sharesRow(0, a, 0));
  EXPECT_FALSE(b.sharesRow(1, a, 1));
  EXPECT_EQ(std::as_const(a)[1], "two");
  EXPECT_FALSE(a == b);
  b[1] = "two";
  EXPECT_TRUE(a == b) << "equal is not the same as shared";
}

// The number by which a job is refused is never below what the break-down would make.
void neverBelow(const Job& job) {
  for (const Assembly& assembly : job.assemblies) {
    const Breakdown broken = breakDown(job, assembly);
    RC_ASSERT(pieceCount(broken.parts) <= piecesAtMost(job, assembly) * assembly.copies);
  }
}
RC_GTEST_PROP(Pieces, ofACarcassAreNeverMoreThanCounted, ()) {
  neverBelow(*test::buildableJob());
}
RC_GTEST_PROP(Pieces, ofAGroupAreNeverMoreThanCounted, ()) {
  neverBelow(*test::buildableGroup());
}
RC_GTEST_PROP(Pieces, ofAnyKindAreNeverMoreThanCounted, ()) {
  neverBelow(*test::buildableKind());
}

Job oneTop(Length longest, Length every) {
  Job job;
  job.materials = {{"m", "birch", Length::mm(18), Length::mm(18)}};
  Top top;
  top.material = "m";
  top.longest = longest;
  top.stripEvery = every;
  Assembly assembly;
  assembly.code = "W1";
  assembly.body = top;
  job.assemblies.push_back(assembly);
  return job;
}

TEST(Pieces, whatWouldMakeMillionsIsRefusedBeforeItIsMade) {
  EXPECT_TRUE(validate(oneTop(Length::mm(2400), Length::mm(600))).empty());
  struct Row {
    const char* name;
    Job job;
    const char* field;
  };
  Job far = oneTop(Length::mm(100), Length::mm(20));
  std::get<Top>(far.assemblies[0].body).width = Length::mm(200'000);
  Job copies = oneTop(Length::mm(100), Length::mm(20));
  std::get<Top>(copies.assemblies[0].body).width = Length::mm(20'000);
  copies.assemblies[0].copies = 1'000;
  Job boards;
  boards.materials = far.materials;
  LooseBoard board;
  board.name = "b";
  board.material = "m";
  board.quantity = 10'000;
  board.length = board.width = Length::mm(100);
  for (int i = 0; i < 11; ++i) boards.loose.push_back(board);
  Job pins;
  pins.materials = far.materials;
  Carcass carcass;
  carcass.material = carcass.back.material = carcass.fronts.material = carcass.drawers.boxMaterial =
      carcass.drawers.bottomMaterial = "m";
  carcass.height = Length::mm(300'000);
  carcass.shelves.pinPitch = Length::mm(5);
  carcass.inside.content = AdjustableShelves{1};
  Assembly assembly;
  assembly.code = "B1";
  assembly.body = carcass;
  pins.assemblies.push_back(assembly);
  const Row rows[] = {{"a worktop in thousandths", oneTop(Length::um(1), Length::mm(600)),
                       "/assemblies/0/top/longest"},
                      {"strips every half millimetre", oneTop(Length::mm(2400), Length::um(500)),
                       "/assemblies/0/top/stripEvery"},
                      {"a worktop of two hundred metres", far, "/assemblies/0"},
                      {"a thousand copies", copies, "/assemblies"},
                      {"eleven rows of ten thousand", boards, "/assemblies"},
                      {"pin holes up a tower", pins, "/assemblies/0"}};
  for (const Row& row : rows) {
    const Problems problems = validate(row.job);
    ASSERT_EQ(problems.size(), 1U) << row.name << "\n" << describe(problems);
    EXPECT_EQ(problems[0].field, row.field) << row.name;
  }
}

TEST(DeepFiles, areRefusedAndNotClimbedInto) {
  for (const std::size_t depth : {201UL, 3'000UL, 110'000UL}) {
    const std::string lists = std::string(depth, '[') + std::string(depth, ']');
    std::string objects;
    for (std::size_t i = 0; i < depth; ++i) objects += "{\"a\":";
    objects += "1" + std::string(depth, '}');
    for (const std::string& value : {lists, objects}) {
      const auto job = readJob(
          "deep", "{\"format\": \"plain-patch-job\", \"version\": 1, \"name\": " + value + "}");
      ASSERT_FALSE(job.ok()) << depth;
      EXPECT_EQ(job.problems()[0].found, "lists and objects nested too deep") << depth;
      EXPECT_EQ(job.problems()[0].line, 1U);
      EXPECT_EQ(job.problems()[0].field.substr(0, 5), "/name");
    }
  }
  const std::string shallow = std::string(150, '[') + std::string(150, ']');
  const auto job = readJob(
      "shallow", "{\"format\": \"plain-patch-job\", \"version\": 1, \"name\": " + shallow + "}");
  ASSERT_FALSE(job.ok());
  EXPECT_EQ(job.problems()[0].field, "/name");
}

TEST(JsonText, isRefusedWithItsPlaceAndLine) {
  struct Row {
    const char* text;
    std::size_t line;
    const char* field;
    const char* found;
  };
  const Row rows[] = {
      {"{\"a\": 1,\n \"b\": [0,\n {\"c\": 1, \"d\": 2,\n  \"c\": 3}]}", 4, "/b/1/c",
       "the field a second time in one object"},
      {"{\"a\": [\n1,\n2e999]}", 3, "/a/1", "a number out of range"},
      {"{\"a\":\n tru}", 2, "", "'{\"a\": tru}'"},
      {"{\"a\": 1}\n{}", 2, "", "'{\"a\": 1} {'"},
  };
  for (const Row& row : rows) {
    const auto read = parseJson("f", row.text);
    ASSERT_FALSE(read.ok()) << row.text;
    EXPECT_EQ(read.problems()[0].line, row.line) << row.text;
    EXPECT_EQ(read.problems()[0].field, row.field) << row.text;
    if (*row.field != 0) {
      EXPECT_EQ(read.problems()[0].found, row.found) << row.text;
    }
  }
  std::string many = "{\"a\": [0";
  for (int i = 0; i < 2'000'000; ++i) many += ",0";
  const auto read = parseJson("f", many + "]}");
  ASSERT_FALSE(read.ok());
  EXPECT_EQ(read.problems()[0].found, "more than two million values");
  EXPECT_EQ(read.problems()[0].field, "/a");
  // An object of many fields is read in one go.
  std::string wide = "{\"a\": 0";
  for (int i = 0; i < 50'000; ++i) wide += ",\"k" + std::to_string(i) + "\":0";
  EXPECT_TRUE(parseJson("f", wide + "}").ok());
  EXPECT_EQ(parseJson("f", wide + ",\"k9\":1}").problems()[0].field, "/k9");
}

}  // namespace
}  // namespace pp::rows_test
