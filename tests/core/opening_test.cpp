#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <numeric>

#include "core/designs/size_list.h"
#include "core/kinds/carcass/layout.h"
#include "tests/core/support.h"

namespace pp::opening_test {
namespace {

using test::mm;

std::string listed(const char* text, bool countAlone = false) {
  const auto sizes = parseSizeList(text, Unit::Inch, countAlone);
  if (!sizes) return "refused";
  LengthStyle style;
  style.unit = Unit::Inch;
  return formatSizeList(sizes.value(), style);
}

TEST(SizeList, readsWhatMakersType) {
  EXPECT_EQ(listed("9 1/2, rest, 9 1/2"), "9 1/2, rest, 9 1/2");
  EXPECT_EQ(listed("3 equal"), "3 equal");
  EXPECT_EQ(listed("rest, rest, rest"), "3 equal");
  EXPECT_EQ(listed("4 1/2, 6, rest"), "4 1/2, 6, rest");
  EXPECT_EQ(listed("31 - 5 - 1 1/2,rest"), "24 1/2, rest");
  EXPECT_EQ(listed("3", true), "3 equal");
  EXPECT_EQ(listed("3"), "3");
  for (const char* text :
       {"", ",", "5,", "0, rest", "-1, rest", "x", "0 equal", "51 equal", "rest rest"})
    EXPECT_EQ(listed(text), "refused") << text;
}

TEST(ShareOut, keepsTheSumAndSaysWhenItCannot) {
  const LengthStyle style;
  const auto sizes = [&](Length total, std::vector<Share> shares) {
    return shareOut(total, shares, style);
  };
  EXPECT_EQ(sizes(mm(1000), {{mm(300)}, {}, {}}).value(), (std::vector{mm(300), mm(350), mm(350)}));
  // 100 nm into three: what does not share evenly goes to the last.
  EXPECT_EQ(sizes(Length::nm(100), {{}, {}, {}}).value(),
            (std::vector{Length::nm(33), Length::nm(33), Length::nm(34)}));
  EXPECT_EQ(sizes(mm(600), {{mm(200)}, {mm(400)}}).value(), (std::vector{mm(200), mm(400)}));
  EXPECT_FALSE(sizes(mm(600), {{mm(200)}, {mm(410)}}).ok()) << "nothing gives";
  EXPECT_EQ(sizes(mm(600), {{mm(200)}, {mm(410)}}).problems().front().found,
            "sizes that add up to 610 mm, 10 mm too much");
  EXPECT_FALSE(sizes(mm(600), {{mm(600)}, {}}).ok()) << "nothing is left for the rest";
}

TEST(ShareOut, landsOnAStep) {
  const Length half = Length::um(500);
  const Length thirtysecond = Length::in(0, 1, 32);
  const auto um = [](std::int64_t n) { return Length::um(n); };
  struct Case {
    const char* what;
    Length total, step;
    std::vector<Share> shares;
    std::vector<Length> expected;
  };
  const std::vector<Case> cases = {
      {"ends at 188.4 and 376.8 of 565.2: 188.5, 377, 565.2",
       um(565'200),
       half,
       {{}, {}, {}},
       {um(188'500), um(188'500), um(188'200)}},
      {"typed sizes keep out of it",
       um(665'200),
       half,
       {{}, {mm(100)}, {}, {}},
       {um(188'500), mm(100), um(188'500), um(188'200)}},
      {"what lands by itself is not moved",
       mm(600),
       half,
       {{}, {}, {}},
       {mm(200), mm(200), mm(200)}},
      {"28 9/16 in two: 14 9/32 each",
       Length::in(28, 9, 16),
       thirtysecond,
       {{}, {}},
       {Length::in(14, 9, 32), Length::in(14, 9, 32)}},
      {"28 9/16 in three ends at 9 17/32 (305 of 914/3) and 19 1/32 (609)",
       Length::in(28, 9, 16),
       thirtysecond,
       {{}, {}, {}},
       {Length::in(9, 17, 32), Length::in(9, 16, 32), Length::in(9, 17, 32)}},
      {"half way goes up", um(1'000'500), Length::mm(1), {{}, {}}, {mm(500), um(500'500)}},
      {"a share of few steps is exact", mm(3), Length::mm(1), {{}, {}}, {um(1'500), um(1'500)}}};
  for (const Case& one : cases)
    EXPECT_EQ(shareOut(one.total, one.shares, {}, one.step).value(), one.expected) << one.what;
}

RC_GTEST_PROP(ShareOut, keepsTheSumAndIsNeverOffByMoreThanAStep, ()) {
  const Length total = Length::nm(*rc::gen::inRange<std::int64_t>(50'000'000, 3'000'000'000));
  const Length step = *rc::gen::element(Length::um(500), Length::in(0, 1, 32), Length::in(0, 1, 8));
  const auto n = *rc::gen::inRange<std::int64_t>(1, 12);
  const auto sizes =
      shareOut(total, std::vector<Share>(static_cast<std::size_t>(n)), {}, step).value();
  Length sum;
  for (std::size_t i = 0; i < sizes.size(); ++i) {
    sum += sizes[i];
    const Length off = n * sizes[i] - total;
    RC_ASSERT((off < Length{} ? -off : off) <= n * step + Length::nm(n));
    if (i + 1 < sizes.size() && total / n >= 4 * step)
      RC_ASSERT(sizes[i].inNm() % step.inNm() == 0);
  }
  RC_ASSERT(sum == total);
}

TEST(Layout, openingsOfAHandDrawnCarcass) {
  // 900 x 850 x 600 of 18, toe 100: inside 864 x 714 from (18, 118).
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = mm(900);
  carcass.height = mm(850);
  carcass.depth = mm(600);
  carcass.toe = Toe{mm(100), mm(75)};
  Split columns{SplitBy::Dividers, {{mm(300)}, {}}, {{}, {}}};
  Split rows{SplitBy::Shelves, {{mm(200)}, {}, {}}, {{}, {}, {}}};
  columns.children[1].content = rows;
  carcass.inside.content = columns;
  const auto layout = layOut(test::jobWith(carcass), carcass);
  ASSERT_TRUE(layout.ok());
  EXPECT_EQ(layout->clear, (FrontRect{mm(18), mm(118), mm(864), mm(714)}));
  EXPECT_EQ(layout->clearDepth, mm(594));
  ASSERT_EQ(layout->leaves.size(), 4U);
  EXPECT_EQ(layout->leaves[0].rect, (FrontRect{mm(18), mm(118), mm(300), mm(714)}));
  // The rest of the width is 864 - 300 - 18 = 546; heights 200, then (714 - 200 - 36) / 2 = 239.
  EXPECT_EQ(layout->leaves[1].rect, (FrontRect{mm(336), mm(632), mm(546), mm(200)}));
  EXPECT_EQ(layout->leaves[2].rect, (FrontRect{mm(336), mm(375), mm(546), mm(239)}));
  EXPECT_EQ(layout->leaves[3].rect, (FrontRect{mm(336), mm(118), mm(546), mm(239)}));
}

TEST(Layout, refusesWhatCannotStand) {
  const Job job = test::metricJob();
  const auto refusedFor = [&](auto change) {
    Carcass carcass = test::metricCarcass().carcass();
    change(carcass);
    const auto layout = layOut(job, carcass);
    return layout.ok() ? std::string("built") : layout.problems().front().field;
  };
  EXPECT_EQ(refusedFor([](Carcass&) {}), "built");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.width = mm(36); }), "width");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.height = mm(36); }), "height");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.depth = mm(6); }), "depth");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.dadoDepth = mm(18); }), "dado depth");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.back.rabbetDepth = mm(18); }), "rabbet depth");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.back.clearance = mm(18); }), "back clearance");
  EXPECT_EQ(refusedFor([](Carcass& c) { c.toe = Toe{mm(100), mm(540)}; }), "toe depth");
  EXPECT_EQ(refusedFor([](Carcass& c) {
              c.inside.content = Split{SplitBy::Dividers, {{mm(300)}, {mm(300)}}, {{}, {}}};
            }),
            "openings side by side");
}

// Every split of every random carcass: children and panels add up to the parent, to the nanometre.
void sums(const Carcass& carcass, const CarcassLayout& layout, const OpeningPath& path,
          const FrontRect& rect, Length step) {
  const Opening& here = *find(carcass.inside, path);
  const auto* split = std::get_if<Split>(&here.content);
  if (split == nullptr) {
    const auto leaf = std::find_if(layout.leaves.begin(), layout.leaves.end(),
                                   [&](const OpeningRect& l) { return l.path == path; });
    RC_ASSERT(leaf != layout.leaves.end());
    RC_ASSERT(leaf->rect == rect);
    return;
  }
  const bool columns = split->by == SplitBy::Dividers;
  const Length whole = columns ? rect.width : rect.height;
  const auto panels = static_cast<std::int64_t>(split->children.size()) - 1;
  const Length between = split->doubled ? 2 * layout.thickness + *split->doubled : layout.thickness;
  const auto [shares, on] = keptEqual(*split, whole - panels * between, step);
  const auto sizes = shareOut(whole - panels * between, shares, {}, on);
  if (columns)
    for (std::size_t i = 1; i < split->children.size() && sizes.ok(); ++i) {
      const auto fitted = [&](std::size_t child) {
        const Opening& one = split->children[child];
        return !split->sizes[child].fixed &&
               (one.door || !std::holds_alternative<OpenSpace>(one.content));
      };
      if (fitted(i) && fitted(i - 1))
        RC_ASSERT(distance(sizes.value()[i], sizes.value()[i - 1]) <= Length::um(1));
    }
  RC_ASSERT(sizes.ok());
  Length sum;
  for (std::size_t i = 0; i < sizes->size(); ++i) {
    RC_ASSERT(sizes.value()[i] > Length{});
    if (split->sizes[i].fixed) RC_ASSERT(sizes.value()[i] == *split->sizes[i].fixed);
    OpeningPath child = path;
    child.push_back(i);
    const Length before = sum + static_cast<std::int64_t>(i) * between;
    const FrontRect place =
        columns ? FrontRect{rect.x + before, rect.z, sizes.value()[i], rect.height}
                : FrontRect{rect.x, rect.z + rect.height - before - sizes.value()[i], rect.width,
                            sizes.value()[i]};
    sums(carcass, layout, child, place, step);
    sum += sizes.value()[i];
  }
  RC_ASSERT(sum + panels * between == whole);
}

RC_GTEST_PROP(Layout, openingTreeSums, ()) {
  const Job job = *test::buildableJob();
  Carcass carcass = job.assemblies.front().carcass();
  const std::function<void(Opening&)> byClear = [&byClear](Opening& opening) {
    if (auto* split = std::get_if<Split>(&opening.content)) {
      split->byFrame = false;
      for (Opening& child : split->children) byClear(child);
    }
  };
  byClear(carcass.inside);
  const auto layout = layOut(job, carcass);
  RC_PRE(layout.ok());
  sums(carcass, layout.value(), {}, layout->clear, job.shareStep);
}

// A panel between two openings of fixed size moves both; the rest that is shared stays a share.
TEST(PanelMoved, whatIsSharedStaysSharedAndSomethingAlwaysIs) {
  const std::vector<Length> sizes = {mm(100), mm(200), mm(300)};
  Split split;
  split.sizes = {{mm(100)}, {mm(200)}, {}};
  split.children.resize(3);
  const auto moved = panelMoved(split, sizes, 0, mm(30));
  ASSERT_TRUE(moved);
  EXPECT_EQ(moved->sizes[0].fixed, mm(130));
  EXPECT_EQ(moved->sizes[1].fixed, std::nullopt) << "else all three would be fixed";
  EXPECT_EQ(moved->sizes[2].fixed, mm(300))
      << "it does not give way to a panel that is not its own";
  const auto last = panelMoved(split, sizes, 1, mm(-50));
  ASSERT_TRUE(last);
  EXPECT_EQ(last->sizes[0].fixed, mm(100));
  EXPECT_EQ(last->sizes[1].fixed, mm(150));
  EXPECT_EQ(last->sizes[2].fixed, std::nullopt);
  EXPECT_FALSE(panelMoved(split, sizes, 0, mm(200))) << "nothing would be left of the second";
  EXPECT_FALSE(panelMoved(split, sizes, 0, mm(-100)));
}

}  // namespace
}  // namespace pp::opening_test
