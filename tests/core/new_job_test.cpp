// What one begins with: a new job in either unit, and a job made of a parts list.
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/formats/job_json.h"
#include "core/formats/lists_csv.h"
#include "core/job/new_job.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"
#include "core/nest/nest.h"
#include "core/secondlook/second_look.h"

namespace pp::new_job_test {
namespace {

TEST(NewJob, isWholeAndWrittenAsItIs) {
  for (const Unit unit : {Unit::Millimetre, Unit::Inch}) {
    const Job job = newJob(unit);
    EXPECT_TRUE(validate(job).empty()) << describe(validate(job));
    EXPECT_EQ(job.unit, unit);
    EXPECT_TRUE(job.assemblies.empty());
    auto read = readJob("new", writeJob(job));
    ASSERT_TRUE(read.ok()) << describe(read.problems());
    EXPECT_EQ(read->shareStep, job.shareStep);
    EXPECT_EQ(read->saw, job.saw);
  }
}

// Everything that can be added to it can be built from its rack and laid out on it.
TEST(NewJob, hasARackForEveryKind) {
  for (const Unit unit : {Unit::Millimetre, Unit::Inch})
    for (const Kind& kind : kinds()) {
      if (kind.letter == 'G') continue;  // a group is of what is there
      Job job = newJob(unit);
      Assembly plain = plainAssembly(job, kind);
      plain.code = "A1";
      job.assemblies.push_back(plain);
      ASSERT_TRUE(validate(job).empty()) << kind.name << ": " << describe(validate(job));
      const Breakdown broken = breakDown(job);
      EXPECT_TRUE(broken.troubles.empty()) << kind.name;
      EXPECT_TRUE(checkPartFitsSheet(job, broken).empty()) << kind.name;
    }
}

TEST(NewJob, isInTheMeasuresOfItsUnit) {
  const Job metric = newJob(Unit::Millimetre);
  const Job inch = newJob(Unit::Inch);
  EXPECT_EQ(metric.stock[0].length, Length::mm(2440));
  EXPECT_EQ(inch.stock[0].length, Length::in(96));
  EXPECT_EQ(inch.saw.kerf, Length::in(0, 1, 8));
  EXPECT_EQ(inch.materials[0].nominal, Length::in(0, 3, 4));
  EXPECT_EQ(inch.materials[0].measured, Length::in(0, 23, 32)) << "it is sold by what it nearly is";
  EXPECT_EQ(metric.shareStep, Length::um(500));
  EXPECT_EQ(inch.shareStep, Length::in(0, 1, 32));
}

const char* const kHead = "code,qty,length,width,thickness,material,band_l1,band_w2\n";

TEST(PartsJob, hasWhatTheListNames) {
  const auto job = readPartsJob("p.csv",
                                std::string("# unit: mm\n") + kHead +
                                    "A,2,600,300,19,oak,oak strip,\n"
                                    "B,1,500,200,18,birch,,birch iron-on\n"
                                    "C,4,400,100,19,oak,,oak strip\n",
                                Unit::Inch);
  ASSERT_TRUE(job.ok()) << describe(job.problems());
  EXPECT_EQ(job->unit, Unit::Millimetre) << "the list's unit, not the one shown";
  ASSERT_EQ(job->loose.size(), 3U);
  // Oak is new, once; birch was there.
  EXPECT_EQ(job->materials.size(), newJob(Unit::Millimetre).materials.size() + 1);
  const Material* oak = findMaterial(*job, job->loose[0].material);
  ASSERT_NE(oak, nullptr);
  EXPECT_EQ(oak->name, "oak");
  EXPECT_EQ(oak->measured, Length::mm(19));
  EXPECT_EQ(job->loose[2].material, job->loose[0].material);
  EXPECT_EQ(job->loose[1].material, "birch-18");
  EXPECT_EQ(job->bandings.size(), newJob(Unit::Millimetre).bandings.size() + 1);
  EXPECT_EQ(job->loose[0].bandLong, "oak strip");
  EXPECT_TRUE(validate(*job).empty()) << describe(validate(*job));
  nest::NestOptions options;
  options.steps = 20;
  const std::vector<Part> parts = breakDown(*job).parts;
  EXPECT_TRUE(nest::nest(requestOf(*job, parts), options).complete())
      << "there is a sheet of everything";
}

TEST(PartsJob, isInTheUnitGivenWhereTheListHasNone) {
  const std::string row = std::string(kHead) + "A,1,29 1/16,20,3/4,birch,,\n";
  EXPECT_EQ(readPartsJob("p", row, Unit::Inch)->loose[0].length, Length::in(29, 1, 16));
  EXPECT_EQ(readPartsJob("p", row, Unit::Inch)->stock.size(), newJob(Unit::Inch).stock.size());
}

TEST(PartsJob, isRefusedWhole) {
  const std::pair<const char*, const char*> rows[] = {
      {"A,0,600,300,18,birch,,\n", "line 2, qty"},
      {"A,1,,300,18,birch,,\n", "line 2, length"},
      {"A,1,600,wide,18,birch,,\n", "line 2, width"},
      {"A,1,600,300,-18,birch,,\n", "line 2, thickness"},
      {"A,1,600,300,18,,,\n", "line 2, material"},
      {"A,1,600,300,18,birch,,\nA,1,600,300,18,birch,,\n", "line 3, code"},
      {"", "at least one"}};
  for (const auto& [row, message] : rows) {
    const auto job = readPartsJob("p.csv", std::string(kHead) + row, Unit::Millimetre);
    ASSERT_FALSE(job.ok()) << row;
    if (*row != '\0') {
      EXPECT_NE(describe(job.problems()).find(message), std::string::npos)
          << describe(job.problems());
    }
  }
  EXPECT_FALSE(readPartsJob("p.csv", "code,qty\nA,1\n", Unit::Millimetre).ok());
}

}  // namespace
}  // namespace pp::new_job_test
