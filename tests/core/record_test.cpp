// The record half of a job's file: numbers given away for good, and the plan that was looked at.
#include <gtest/gtest.h>

#include <functional>
#include <utility>

#include "core/breakdown/assign_ids.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/plan/fingerprint.h"
#include "core/saw/kept_plan.h"
#include "core/saw/playback.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"

namespace pp::record_test {
namespace {

using test::mm;

Job trolley() {
  Job job = readJob("trolley", test::demo("ringing-trolley")).value();
  EXPECT_TRUE(assignIdsAndCodes(job, 0).ok());
  return job;
}

std::string nestedOf(const Job& job) {
  return fingerprint(requestOf(job, breakDown(job).parts));
}

TEST(Fingerprint, saysWhatIsNestedAndNothingElse) {
  const Job job = trolley();
  const std::string as = nestedOf(job);
  using Change = std::function<void(Job&)>;
  const std::vector<std::pair<const char*, Change>> same = {
      {"name", [](Job& j) { j.name = "another"; }},
      {"place", [](Job& j) { j.place = "attic"; }},
      {"unit", [](Job& j) { j.unit = j.unit == Unit::Inch ? Unit::Millimetre : Unit::Inch; }},
      {"fraction", [](Job& j) { j.fraction = 8; }},
      {"label grid", [](Job& j) { j.labels.columns = 2; }},
      {"assembly's code", [](Job& j) { j.assemblies[0].code = "Z9"; }},
      {"assembly's name", [](Job& j) { j.assemblies[0].name = "cart"; }},
      {"finish", [](Job& j) { j.assemblies[0].finish = Finish::Painted; }},
      {"mark of a sheet", [](Job& j) { j.stock[0].mark = "by the door"; }},
      {"price of a banding", [](Job& j) { j.bandings[0].price = Money::whole(99); }},
      {"bought in", [](Job& j) { j.bought.emplace_back().name = "hook"; }}};
  for (const auto& [what, change] : same) {
    Job next = job;
    change(next);
    EXPECT_EQ(nestedOf(next), as) << what;
  }
  const std::vector<std::pair<const char*, Change>> other = {
      {"width", [](Job& j) { j.assemblies[0].carcass().width += Length::nm(1); }},
      {"copies", [](Job& j) { j.assemblies[0].copies = 2; }},
      {"grain", [](Job& j) { j.materials[0].grained = !j.materials[0].grained; }},
      {"sheet", [](Job& j) { j.stock[0].length -= Length::nm(1); }},
      {"quantity", [](Job& j) { j.stock[0].quantity = 77; }},
      {"price", [](Job& j) { j.stock[0].price = Money::whole(77); }},
      {"trim", [](Job& j) { j.saw.trim += Length::nm(1); }},
      {"kerf", [](Job& j) { j.saw.kerf += Length::nm(1); }},
      {"kept from", [](Job& j) { j.saw.keepLong += Length::nm(1); }},
      {"goal", [](Job& j) { j.saw.goal = j.saw.goal == Goal::Setups ? Goal::Cost : Goal::Setups; }},
      {"saw's limit", [](Job& j) { j.shop.machines[0].longestPiece = mm(900); }},
      {"carry", [](Job& j) { j.shop.carryGrams -= 1; }},
      {"pin", [](Job& j) {
         const Part part = sheetParts(breakDown(j).parts).front();
         for (const StockPiece& piece : j.stock)
           if (piece.material == part.material)
             j.pins.push_back({.part = part.keys.front(), .stock = piece.id, .x = {}, .y = {}});
       }}};
  for (const auto& [what, change] : other) {
    Job next = job;
    change(next);
    EXPECT_NE(nestedOf(next), as) << what;
  }
}

struct Kept {
  Job job = trolley();
  std::vector<Part> parts = sheetParts(breakDown(job).parts);
  NestRequest request = requestOf(job, parts);
  Plan plan = nest::nest(request, test::steps(40), {}, {});
  Record record;

  Kept() {
    reserve(record, job);
    record.plan = KeptPlan{fingerprint(request), plan};
  }
};

TEST(Record, aPlanIsReadBackAsItWasShown) {
  const Kept kept;
  const auto read = readJobWithRecord("job", writeJob(kept.job, kept.record));
  ASSERT_TRUE(read.ok()) << describe(read.problems());
  EXPECT_EQ(read->job, kept.job);
  EXPECT_EQ(read->record.codes, kept.record.codes);
  const auto plan = saw::planFor(*read->record.plan, kept.request);
  ASSERT_TRUE(plan.has_value());
  EXPECT_EQ(plan->cuts, kept.plan.cuts);
  ASSERT_EQ(plan->sheets.size(), kept.plan.sheets.size());
  for (std::size_t i = 0; i < plan->sheets.size(); ++i) {
    EXPECT_EQ(plan->sheets[i].placements, kept.plan.sheets[i].placements);
    EXPECT_EQ(plan->sheets[i].leftovers, kept.plan.sheets[i].leftovers);
  }
  EXPECT_EQ(plan->cost, kept.plan.cost);
  EXPECT_EQ(plan->bound.cost, kept.plan.bound.cost);
  EXPECT_EQ(plan->partArea, kept.plan.partArea);
  EXPECT_TRUE(saw::verify(kept.request, *plan).empty());
}

TEST(Record, aPlanOfAnotherJobOrOneThatDoesNotPlayBackIsNotShown) {
  Kept kept;
  NestRequest other = kept.request;
  other.kerf += Length::nm(1);
  EXPECT_FALSE(saw::planFor(*kept.record.plan, other).has_value());
  const auto refused = [&kept](const std::function<void(Plan&)>& spoil) {
    Record record = kept.record;
    spoil(record.plan->plan);
    return !saw::planFor(*record.plan, kept.request).has_value();
  };
  EXPECT_TRUE(refused([](Plan& p) { p.sheets[0].placements[0].x += Length::nm(1); }));
  EXPECT_TRUE(refused([](Plan& p) { p.sheets[0].placements[0].part = 10'000; }));
  EXPECT_TRUE(refused([](Plan& p) { p.sheets[0].stock = 10'000; }));
  EXPECT_TRUE(refused([](Plan& p) { p.cuts[0].at += Length::nm(1); }));
  EXPECT_TRUE(refused([](Plan& p) { p.cuts[0].sheet = 10'000; }));
  EXPECT_TRUE(refused([](Plan& p) { p.cost += Money::whole(1); }));
  EXPECT_TRUE(refused([](Plan& p) { p.unplaced.push_back({10'000, 1, "x"}); }));
}

TEST(Record, everyDamagedFileIsRefusedOrRead) {
  const Kept kept;
  const std::string text = writeJob(kept.job, kept.record);
  nest::Random random(7);
  int refused = 0;
  for (int i = 0; i < 400; ++i) {
    std::string damaged = text;
    damaged[random.below(damaged.size())] = static_cast<char>('!' + random.below(90));
    const auto read = readJobWithRecord("job", damaged);
    if (!read)
      ++refused;
    else if (read->record.plan)
      (void)saw::planFor(*read->record.plan,
                         requestOf(read->job, sheetParts(breakDown(read->job).parts)));
  }
  EXPECT_GT(refused, 50);
  EXPECT_LT(refused, 400);
}

// As every edit in the window: in order, broken down, its parts numbered.
void number(Job& job, Id lastId) {
  ASSERT_TRUE(assignIdsAndCodes(job, lastId).ok());
  job.codes = breakDown(job).codes;
}

TEST(Record, whatAFileHasCarriedIsNotGivenToAnotherPart) {
  Job job = test::jobWith(test::metricCarcass().carcass());
  number(job, 0);
  const Job before = job;
  job.assemblies[0].carcass().liningLeft = true;
  number(job, 0);
  const int lining = std::as_const(job).codes[0].last;
  Record record;
  reserve(record, job);
  // Undone; then something else is drawn.
  Job next = before;
  next.assemblies[0].carcass().inside.content = AdjustableShelves{1};
  Job free = next;
  raise(next, record);
  number(next, job.lastId);
  EXPECT_EQ(std::as_const(next).codes[0].last, lining + 1);
  number(free, job.lastId);
  EXPECT_EQ(std::as_const(free).codes[0].last, lining) << "free again where nothing carried it";
}

}  // namespace
}  // namespace pp::record_test
