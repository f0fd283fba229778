// What nobody sees where it stands: against walls and neighbours, under a top; and what comes into
// view when the place is another.
#include "core/breakdown/hidden.h"

#include <gtest/gtest.h>

#include "core/breakdown/assign_ids.h"
#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "tests/core/listed.h"

namespace pp::hidden_test {
namespace {

using test::mm;

// 600 wide in an alcove of 1 000: it fills it.
Job inAnAlcove() {
  Job job = test::jobOf(test::metricCarcass().carcass());
  job.site.kind = SiteKind::Alcove;
  for (const Length at : {mm(0), mm(2'000)})
    job.site.sizes.push_back(
        {SizeKind::Width, WallAt::Back, at, {mm(1'000), mm(1'000), std::nullopt}});
  job.site.sizes.push_back(
      {SizeKind::Plumb, WallAt::Left, mm(2'000), {Length{}, Length{}, std::nullopt}});
  SiteStand stand;
  stand.assembly = std::as_const(job).assemblies[0].id;
  stand.fills = true;
  job.site.stands.push_back(stand);
  EXPECT_TRUE(assignIdsAndCodes(job, job.lastId));
  return job;
}

// "left side: outside; back: outside", of an assembly.
std::string hiddenIn(const Job& job, const std::string& code) {
  std::string out;
  for (const Part& part : breakDown(job).parts) {
    if (part.assembly != code || (!part.hidden[0] && !part.hidden[1])) continue;
    out += (out.empty() ? "" : "; ") + part.name + ":";
    if (part.hidden[0]) out += " inside";
    if (part.hidden[1]) out += " outside";
  }
  return out;
}

TEST(Hidden, isWhatLiesAgainstTheWalls) {
  Job job = inAnAlcove();
  const std::string code = std::as_const(job).assemblies[0].code;
  EXPECT_EQ(hiddenIn(job, code), "left side: outside; right side: outside; back: outside");
  job.site.kind = SiteKind::Wall;
  EXPECT_EQ(hiddenIn(job, code), "back: outside");
  job.site.kind = SiteKind::LeftCorner;
  EXPECT_EQ(hiddenIn(job, code), "left side: outside; back: outside");
  // In the middle of the wall it is seen from both sides; 60 from the end of it nobody looks in.
  job.site.stands[0].fills = false;
  for (const auto& [along, words] : {std::pair{mm(100), "back: outside"},
                                     std::pair{mm(60), "left side: outside; back: outside"}}) {
    job.site.stands[0].along = along;
    EXPECT_EQ(hiddenIn(job, code), words);
  }
  // Along the wall on the right its left end is the one in the corner.
  job.site.kind = SiteKind::RightCorner;
  job.site.stands[0].wall = WallAt::Right;
  job.site.stands[0].along = Length{};
  EXPECT_EQ(hiddenIn(job, code), "left side: outside; back: outside");
  job.site.kind = SiteKind::Free;
  EXPECT_EQ(hiddenIn(job, code), "");
}

TEST(Hidden, comesIntoViewWithAnotherPlace) {
  Job job = inAnAlcove();
  const Breakdown before = breakDown(job);
  job.site.kind = SiteKind::LeftCorner;
  const std::vector<PartChange> seen = changedParts(before.parts, breakDown(job).parts);
  ASSERT_EQ(seen.size(), 1U);
  EXPECT_EQ(seen[0].name, "right side");
  EXPECT_EQ(seen[0].intoView, "outside face");
  EXPECT_EQ(seen[0].oldLength, seen[0].newLength);
  // What goes out of view is nobody's work.
  EXPECT_TRUE(changedParts(breakDown(job).parts, before.parts).empty());
}

Job threeInLine() {
  Job job = test::metricJob();
  CarcassGroup group;
  for (const char* code : {"A", "B", "C"}) {
    Assembly one = test::metricCarcass();
    one.code = code;
    job.assemblies.push_back(one);
  }
  giveIds(job);
  for (const Assembly& one : std::as_const(job).assemblies) group.members.push_back(one.id);
  Assembly line;
  line.code = "G";
  line.body = group;
  job.assemblies.push_back(line);
  EXPECT_TRUE(assignIdsAndCodes(job, job.lastId));
  return job;
}

TEST(Hidden, neighboursHideWhatTheyCover) {
  Job job = threeInLine();
  EXPECT_EQ(hiddenIn(job, "A"), "right side: outside");
  EXPECT_EQ(hiddenIn(job, "B"), "left side: outside; right side: outside");
  EXPECT_EQ(hiddenIn(job, "C"), "left side: outside");
  // A neighbour that is less deep leaves the front of the side in sight.
  job.assemblies[1].carcass().depth -= mm(50);
  EXPECT_EQ(hiddenIn(job, "A"), "");
  EXPECT_EQ(hiddenIn(job, "B"), "left side: outside; right side: outside");
  job.assemblies[1].carcass().depth += mm(50);
  job.assemblies[0].carcass().height += mm(1.5);
  EXPECT_EQ(hiddenIn(job, "A"), "");
}

TEST(Hidden, anAppliedEndHidesTheSide) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.endLeft = "b18";
  EXPECT_EQ(hiddenIn(test::jobOf(carcass), "K"), "left side: outside");
}

TEST(Hidden, edgesThereAreNotBanded) {
  Job job = test::metricJob();
  Assembly shelf;
  shelf.code = "H";
  HungShelf hung;
  hung.material = hung.cleatMaterial = "b18";
  hung.banding = "edge";
  hung.width = mm(800);
  shelf.body = hung;
  job.assemblies.push_back(shelf);
  const auto settled = assignIdsAndCodes(job, job.lastId);
  ASSERT_TRUE(settled) << describe(settled.problems());
  const auto board = [&job] {
    const auto parts = breakDown(job).parts;
    return *std::find_if(parts.begin(), parts.end(),
                         [](const Part& part) { return part.role == PartRole::HungBoard; });
  };
  const Part free = board();
  const auto bandedAt = [](const Part& part, Side side) {
    return !part.bands[static_cast<std::size_t>(*part.edgeAt(side))].empty();
  };
  ASSERT_TRUE(bandedAt(free, Side::Left));
  job.site.kind = SiteKind::LeftCorner;
  job.site.stands.push_back({std::as_const(job).assemblies[0].id, WallAt::Back, {}, {}, false});
  const Part cornered = board();
  EXPECT_FALSE(bandedAt(cornered, Side::Left));
  EXPECT_TRUE(bandedAt(cornered, Side::Right));
  // 2 thick banding that is no longer taken off.
  EXPECT_EQ(cornered.cutLength() - free.cutLength(), mm(2));
  EXPECT_EQ(cornered.length.total(), free.length.total());
  // What was chosen for that very edge stays.
  PartOverride chosen = test::byHand("it is seen from the stairs");
  chosen.part = cornered.keys.front();
  EdgeChoice edge;
  edge.side = Side::Left;
  edge.banding = "edge";
  chosen.edges = {edge};
  job.overrides.push_back(chosen);
  EXPECT_TRUE(bandedAt(board(), Side::Left));
}

TEST(Hidden, fillersCoverTheWidestGap) {
  Job job = inAnAlcove();
  job.site.sizes[2].read = {mm(25), mm(25), std::nullopt};
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.fillerLeft = carcass.fillerRight = true;
  carcass.wallLeft = mm(10);
  carcass.wallRight = mm(40);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  // 1 000 less the 9 that both walls lean over its height, 10 on the left and 40 on the right.
  EXPECT_EQ(std::as_const(job).assemblies[0].carcass().width, mm(941 + 10 + 40));
  const auto fillerWidth = [&job](PartRole role) {
    for (const Part& part : breakDown(job).parts)
      if (part.role == role) return part.width.total();
    return Length{};
  };
  // At the height of the case, 720 of 2 000, the walls lean 9.
  EXPECT_EQ(widthLeftTo(job, job.site.stands[0])->width.spreadLeft, mm(9));
  EXPECT_EQ(fillerWidth(PartRole::LeftFiller), mm(10 + 9));
  EXPECT_EQ(fillerWidth(PartRole::RightFiller), mm(40 + 9));
}

}  // namespace
}  // namespace pp::hidden_test
