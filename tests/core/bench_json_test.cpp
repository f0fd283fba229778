// The bench as data, read back as a stranger would: its lists agree with one another and with what
// is bought.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <map>
#include <nlohmann/json.hpp>
#include <set>

#include "core/assembly/bench_json.h"
#include "core/breakdown/fittings.h"
#include "core/formats/job_json.h"
#include "core/kinds/validate.h"
#include "tests/core/ordered.h"

namespace pp::bench_json_test {
namespace {

using Json = nlohmann::json;

struct Read {
  explicit Read(const Job& of)
      : job(of), parts(breakDown(of).parts), json(Json::parse(bench::writeBench(of, parts))) {}
  Job job;
  std::vector<Part> parts;
  Json json;
};

double lengthOf(const Json& length) {
  return length.is_null() ? 0 : length.get<double>();
}

// Screws, brads, dowels, what is mounted: by name and length.
using Counts = std::map<std::pair<std::string, double>, std::int64_t>;

void countsAreThoseThatAreBought(const Read& of) {
  Counts joints, bought;
  for (const Json& joint : of.json["joints"]) {
    RC_ASSERT(joint["held"].get<bool>() ||
              (joint["means"].empty() && joint["glue_ml"].get<double>() == 0));
    for (const Json& by : joint["means"]) {
      RC_ASSERT(by["count"] == by["places"].size());
      joints[{by["what"], lengthOf(by["length"])}] +=
          by["count"].get<std::int64_t>() * joint["copies"].get<std::int64_t>();
    }
  }
  for (const Json& one : of.json["fittings"])
    joints[{one["name"], lengthOf(one["length"])}] +=
        one["count"].get<std::int64_t>() * one["pieces"].get<std::int64_t>();
  for (const Fitting& one : fittingsOf(of.job, of.parts))
    if (one.kind != HardwareKind::Glue) bought[{one.name, one.length.inMm()}] += one.count;
  RC_ASSERT(joints == bought);
}

// Every joint has its own name, and its contact is as long as it is said to be.
void jointsAreToldApart(const Read& of) {
  std::set<std::string> ids;
  for (const Json& joint : of.json["joints"]) {
    RC_ASSERT(ids.insert(joint["id"]).second);
    const Json& contact = joint["contact"];
    double most = 0;
    for (const Json& size : contact["size"]) most = std::max(most, size.get<double>());
    for (const Json& by : joint["means"])
      for (const Json& at : by["places"]) RC_ASSERT(at.get<double>() <= most);
  }
}

// No more of a part is carried than there are pieces of it.
void noPieceIsCarriedTwice(const Read& of) {
  std::map<std::string, std::int64_t> carried;
  for (const Json& load : of.json["loads"]) {
    RC_ASSERT(!load["pieces"].empty());
    RC_ASSERT(load["grams"].get<std::int64_t>() > 0);
    if (load["count"] != 1) continue;
    for (const Json& piece : load["pieces"]) ++carried[piece["code"]];
  }
  for (const Part& part : of.parts) RC_ASSERT(carried[part.code] <= part.quantity);
}

TEST(BenchAsData, ofTheDemosAgreesWithWhatIsBought) {
  for (const char* name : test::kDemos) {
    SCOPED_TRACE(name);
    const Read of(readJob(name, test::demo(name)).value());
    countsAreThoseThatAreBought(of);
    jointsAreToldApart(of);
    EXPECT_EQ(of.json["format"], "plain-patch-bench");
    EXPECT_EQ(of.json["unit"], "mm");
  }
}

// A case in dados with a back on behind: what one step says, field by field.
TEST(BenchAsData, aStepSaysWhatItPutsInAndCloses) {
  const Read of(bench::caseWith([](Carcass& c) { c.joint = Joint::Butt; }));
  const Json& unit = of.json["units"][0];
  EXPECT_EQ(unit["kind"], "assembly");
  const Json& steps = unit["steps"];
  EXPECT_EQ(steps[0]["name"], "left side");
  EXPECT_EQ(steps[0]["lies"], "first");
  EXPECT_TRUE(steps[0]["closes"].empty());
  const Json& bottom = steps[1];
  EXPECT_EQ(bottom["name"], "bottom");
  EXPECT_EQ(bottom["lies"], "left side");
  ASSERT_EQ(bottom["closes"].size(), 1U);
  EXPECT_EQ(bottom["closes"][0]["to"]["role"], "left side");
  EXPECT_EQ(bottom["closes"][0]["with"], "screw");
  EXPECT_EQ(bottom["closes"][0]["length"], 45);
  EXPECT_EQ(bottom["closes"][0]["places"].size(), 4U);
  EXPECT_EQ(bottom["closes"][0]["when"], "in the shop");
  const Json& load = of.json["loads"][0];
  EXPECT_EQ(load["kind"], "whole");
  EXPECT_EQ(load["width"], 600);
  EXPECT_EQ(load["height"], 720);
}

RC_GTEST_PROP(BenchAsDataAtRandom, ofACaseAgrees, ()) {
  const Job job = *test::buildableJob();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  const Read of(job);
  countsAreThoseThatAreBought(of);
  jointsAreToldApart(of);
  noPieceIsCarriedTwice(of);
}
RC_GTEST_PROP(BenchAsDataAtRandom, ofEveryOtherKindAgrees, ()) {
  const Job job = *test::buildableKind();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  const Read of(job);
  countsAreThoseThatAreBought(of);
  noPieceIsCarriedTwice(of);
}

}  // namespace
}  // namespace pp::bench_json_test
