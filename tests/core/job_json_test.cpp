#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/overrides.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"
#include "core/plan/request.h"
#include "tests/core/support.h"

namespace pp::job_json_test {
namespace {

TEST(JobFile, demoJobsReadAndComeBackTheSame) {
  for (const char* name : test::kDemos) {
    const auto job = readJob(name, test::demo(name));
    ASSERT_TRUE(job.ok()) << describe(job.problems());
    const std::string written = writeJob(job.value());
    EXPECT_EQ(readJob(name, written).value(), job.value());
    EXPECT_EQ(writeJob(readJob(name, written).value()), written);
  }
}

RC_GTEST_PROP(JobFile, everyJobComesBackTheSame, ()) {
  const Job job = *test::buildableJob();
  const auto read = readJob("x", writeJob(job));
  RC_ASSERT(read.ok());
  RC_ASSERT(read.value() == job);
}

std::string changed(const std::string& from, const std::string& to) {
  std::string text = test::demo("ringing-trolley");
  const std::size_t at = text.find(from);
  EXPECT_NE(at, std::string::npos) << from;
  return text.replace(at, from.size(), to);
}

std::string refusal(const std::string& text) {
  const auto job = readJob("job", text);
  return job.ok() ? "accepted" : describe(job.problems());
}

TEST(JobFile, refusesWithThePointerOfTheField) {
  const std::pair<std::string, const char*> rows[] = {
      {changed("\"place\"", "\"plaice\""), "job, /plaice: found an unknown field"},
      {changed("\"version\": 1", "\"version\": 7"),
       "job, /version: found 7, written by a newer Plain Patch, expected at most 6"},
      {changed("\"version\": 1", "\"version\": 0"), "job, /version: found 0, expected 1 to 6"},
      {changed("plain-patch-job", "other"), "job, /format: found 'other'"},
      {changed("\"kerf\": 3.175", "\"kerf\": 3.1750001"),
       "job, /saw/kerf: found 3.1750001, expected millimetres with at most six decimals"},
      {changed("\"kerf\": 3.175", "\"kerf\": -1"),
       "job, /saw/kerf: found -1, expected a length of 0 or more"},
      {changed("\"kerf\": 3.175", "\"kerf\": \"3\""), "job, /saw/kerf: found \"3\""},
      {changed("\"kerf\": 3.175", "\"kerf\": 1e300"), "job, /saw/kerf"},
      {changed("\"kerf\": 3.175", "\"kerf\": 3.175, \"kerf\": 4"),
       "job, line 9, /saw/kerf: found the field a second time in one object"},
      {changed("\"joint\": \"dado\"", "\"joint\": \"magic\""),
       "job, /assemblies/0/carcass/joint: found \"magic\", expected one of butt, dado"},
      {changed("\"width\": 762.0", "\"width\": 0"),
       "job, /assemblies/0/carcass/width: found 0, expected a length above 0"},
      {changed("\"material\": \"birch-34\"", "\"material\": \"gold\""),
       "found 'gold', expected the id of a material of this job"},
      {changed("\"kind\": \"drawers\"", "\"kind\": \"secret\""),
       "job, /assemblies/0/carcass/inside/children/1/kind"},
      {changed("\"by\": \"shelves\"", "\"by\": 3"), "job, /assemblies/0/carcass/inside/by"},
      {changed("\"fraction\": 32", "\"fraction\": 33"), "job, /fraction: found 33"},
      {test::demo("ringing-trolley") + "x", "job, line"},
      {"", "job, line 1: found the end of the text"},
      {"[]", "job: found a list, expected an object"},
      {"{}", "job, /format: found nothing"},
      {"{\"a\": 1e999}", "job, line 1, /a: found a number out of range"},
  };
  for (const auto& [text, message] : rows)
    EXPECT_NE(refusal(text).find(message), std::string::npos) << message << "\n" << refusal(text);
}

TEST(JobFile, everyTruncationIsRefused) {
  const std::string text = test::demo("ringing-trolley");
  const std::size_t end = text.find_last_of('}');
  for (std::size_t length = 0; length < end; ++length)
    ASSERT_FALSE(readJob("job", text.substr(0, length)).ok()) << length;
}

TEST(JobFile, openingsNestedTooDeepAreRefused) {
  std::string inside = "{\"kind\": \"open\"}";
  for (int i = 0; i < 60; ++i)
    inside =
        "{\"kind\":\"split\",\"by\":\"dividers\",\"sizes\":[\"rest\",\"rest\"],\"children\":[" +
        inside + ",{\"kind\":\"open\"}]}";
  std::string text = writeJob(test::jobWith(test::metricCarcass().carcass()));
  const std::size_t at = text.find("\"inside\": {");
  const std::size_t end = text.find('}', at);
  text.replace(at, end - at + 1, "\"inside\": " + inside);
  EXPECT_NE(refusal(text).find("at most 40 openings"), std::string::npos) << refusal(text);
}

// What speaks of an assembly, a banding or a row of stock knows it by its id.
TEST(Job, aNameChangedLeavesEverythingThatSpeaksOfIt) {
  Job job = test::jobWith(test::metricCarcass().carcass());
  job.assemblies[0].carcass().banding = "edge";
  Assembly group;
  group.code = "G1";
  giveIds(job);
  CarcassGroup body;
  body.members = {std::as_const(job).assemblies[0].id};
  group.body = body;
  job.assemblies.push_back(group);
  giveIds(job);
  const std::vector<Part> before = breakDown(job).parts;
  setOverride(job, before, before[1], test::byHand("bowed", test::mm(700)));
  job.pins = {{.part = before[2].keys.front(), .stock = job.stock[0].id, .x = {}, .y = {}}};
  ASSERT_EQ(requestOf(job, before).pins.size(), 1U);
  job.assemblies[0].code = "C7";
  job.bandings[0].name = "another edge";
  job.stock[0].mark = "another mark";
  ASSERT_TRUE(validate(job).empty()) << describe(validate(job));
  EXPECT_EQ(widthOf(job, job.assemblies[1]), std::as_const(job).assemblies[0].carcass().width);
  const std::vector<Part> after = breakDown(job).parts;
  EXPECT_EQ(after[1].code, "C7-02");
  EXPECT_EQ(after[1].overridden, "bowed");
  EXPECT_EQ(after[0].bands, before[0].bands);
  EXPECT_EQ(requestOf(job, after).pins.size(), 1U);
}

// An arc had all of its edge, a taper was of the upper edge; whatever else stood there meant
// nothing.
TEST(JobFile, shapesOfVersionFourMeanWhatTheyMeant) {
  const auto job = readJob("j", R"({"format": "plain-patch-job", "version": 4, "name": "shapes",
    "materials": [{"id": "p", "name": "ply", "nominal": 18, "measured": 18}],
    "assemblies": [{"code": "K1", "boards": {"boards": [
      {"material": "p", "length": 400, "width": 200, "features": [
        {"kind": "arc", "edge": "short 2", "depth": 30},
        {"kind": "taper", "across": 200, "size": 120}]}]}}]})");
  ASSERT_TRUE(job) << describe(job.problems());
  const auto& features = std::get<Boards>(job.value().assemblies[0].body).boards[0].features;
  EXPECT_EQ(features[0].kind, FeatureKind::Curve);
  EXPECT_EQ(features[0].edge, BoardEdge::Short2);
  EXPECT_EQ(features[0].length, Length{});
  EXPECT_EQ(features[1].edge, BoardEdge::Long2);
  const std::vector<Part> parts = breakDown(job.value()).parts;
  ASSERT_EQ(parts.size(), 1U);
  EXPECT_EQ(describe(parts[0].machining[1], parts[0], {}),
            "taper 11.31° along the top edge, from 200 wide to 120 wide");
}

}  // namespace
}  // namespace pp::job_json_test
