// Every reader against thousands of damaged inputs: it must answer with a value or with problems,
// never crash, hang or throw. Under the sanitizers this also finds what reads out of bounds.
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/designs/size_list.h"
#include "core/formats/exchange.h"
#include "core/formats/job_json.h"
#include "core/formats/library.h"
#include "core/formats/lists_csv.h"
#include "core/kinds/validate.h"
#include "core/length/parse.h"
#include "core/nest/sheet/random.h"
#include "core/shop/needs.h"
#include "tests/core/store_support.h"
#include "tests/core/support.h"

namespace pp::fuzz_test {
namespace {

// Flips, drops, doubles and swaps bytes, and splices in pieces that are likely to hurt.
std::string damaged(std::string text, nest::Random& random) {
  static const char* const kNasty[] = {"\"",
                                       "\"\"",
                                       ",",
                                       "\n",
                                       "\r\n",
                                       "\t",
                                       "-1",
                                       "1e309",
                                       "{",
                                       "[",
                                       "}",
                                       "null",
                                       "9999999999999999",
                                       "\xFF",
                                       "\xED\xA0\x80",
                                       "rest",
                                       "''",
                                       "1/0",
                                       "\\u0000",
                                       "#"};
  const std::size_t blows = 1 + random.below(4);
  for (std::size_t i = 0; i < blows && !text.empty(); ++i) {
    const std::size_t at = random.below(text.size());
    switch (random.below(5)) {
      case 0:
        text[at] = static_cast<char>(random.below(256));
        break;
      case 1:
        text.erase(at, 1 + random.below(20));
        break;
      case 2:
        text.insert(at, text.substr(random.below(text.size()), random.below(40)));
        break;
      case 3:
        text.insert(at, kNasty[random.below(std::size(kNasty))]);
        break;
      default:
        text.resize(at);
        break;
    }
  }
  return text;
}

// What is accepted must also break down, into parts or into troubles.
TEST(Fuzz, jobFiles) {
  nest::Random random(11);
  int accepted = 0;
  int tries = 0;
  for (const char* demo : test::kDemos) {
    const std::string text = test::demo(demo);
    constexpr int kEach = 800;
    for (int i = 0; i < kEach; ++i) {
      ++tries;
      const auto job = readJob("job", damaged(text, random));
      if (job.ok()) {
        ++accepted;
        EXPECT_TRUE(validate(job.value()).empty());
        const Breakdown out = breakDown(job.value());
        EXPECT_TRUE(!out.parts.empty() || !out.troubles.empty() || job->assemblies.empty());
      } else {
        EXPECT_LE(describe(job.problems()).size(), 4000U);
      }
    }
  }
  EXPECT_LT(accepted, tries);
}

TEST(Fuzz, listsAndFragments) {
  nest::Random random(14);
  const Job job = test::metricJob();
  const std::string slides =
      "# unit: mm\nname,length,thickness,kind,below,above,price\na,400,12.7,side,,,9\n";
  const std::string parts = "code,qty,length,width,thickness,material\nA,2,600,300,18,birch\n";
  Assembly assembly = test::metricCarcass();
  const std::string fragment = writeLibraryItem("x", "y", assembly, job);
  for (int i = 0; i < 2000; ++i) {
    (void)readSlides("s", damaged(slides, random), Unit::Inch);
    (void)readLooseBoards("p", damaged(parts, random), job);
    if (const auto item = readLibraryItem("l", damaged(fragment, random)); item.ok())
      (void)placed(item.value(), job);
  }
}

TEST(Fuzz, exchangeTables) {
  nest::Random random(12);
  const std::string parts =
      "# unit: mm\ncode,name,qty,length,width,thickness,material,grain,band_l1,run,run_order\n"
      "A,\"left, side\",2,600,300,18,birch,length,edge,,\nB,x,1,24 1/2in,2' "
      "3\",18,birch,any,,r,1\n";
  const std::string stock =
      "id,material,thickness,length,width,qty,price,kind,trim\nS,birch,18mm,2440mm,1220mm,"
      "unlimited,62.5,sheet,\n";
  const std::string banding = "name,thickness,width,deduct\nedge,2mm,22mm,yes\n";
  for (int i = 0; i < 4000; ++i) {
    ExchangeInput input;
    input.parts = {"p", damaged(parts, random)};
    input.stock = {"s", i % 3 == 1 ? damaged(stock, random) : stock};
    input.banding = ExchangeText{"b", i % 3 == 2 ? damaged(banding, random) : banding};
    const auto request = readExchange(input);
    if (!request.ok()) {
      EXPECT_LE(describe(request.problems()).size(), 4000U);
      continue;
    }
    for (const PartDemand& part : request->parts)
      EXPECT_TRUE(part.length > Length{} && part.width > Length{} && part.quantity > 0);
  }
}

// What is damaged is taken whole or not at all; what is taken is written as it is read.
TEST(Fuzz, storeTexts) {
  nest::Random random(17);
  const test::StoreFile file;
  Store store = file.open();
  test::fill(store);
  ASSERT_FALSE(store.want({"a", "Log wall", {{Ware::Sheet, {}, "birch"}}, {}}));
  const std::string whole = *store.exported();
  int taken = 0;
  for (int i = 0; i < 400; ++i) {
    const std::string before = *store.exported();
    const Problems problems = store.import("s", damaged(whole, random));
    const auto after = store.exported();
    ASSERT_TRUE(after.ok());
    if (!problems.empty()) {
      EXPECT_EQ(*after, before);
      EXPECT_LE(describe(problems).size(), 4000U);
      continue;
    }
    ++taken;
    EXPECT_TRUE(store.import("s", *after).empty());
    EXPECT_EQ(*store.exported(), *after);
  }
  EXPECT_GT(taken, 0);
}

TEST(Fuzz, typedTexts) {
  nest::Random random(13);
  const std::string seeds[] = {"31 - 5 - 1 1/2", "2*3/4in + 10mm", "2' 0 1/2\"",
                               "9 1/2, rest, 3 equal", "(1+2)*3mm/4"};
  for (int i = 0; i < 20000; ++i) {
    const std::string text = damaged(seeds[random.below(std::size(seeds))], random);
    const auto length = parseLength(text, Unit::Inch);
    if (length.ok()) {
      EXPECT_TRUE(*length >= Length{} && *length <= kLongest);
    }
    const auto sum = parseExpression(text, Unit::Millimetre);
    if (sum.ok()) {
      EXPECT_TRUE(*sum >= -kLongest && *sum <= kLongest);
    }
    const auto sizes = parseSizeList(text, Unit::Inch, i % 2 == 0);
    if (sizes.ok()) {
      EXPECT_LE(sizes->size(), 50U);
    }
    (void)parseMoney(text);
  }
}

}  // namespace
}  // namespace pp::fuzz_test
