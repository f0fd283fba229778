// Files as older versions of the program wrote them are read for ever, and mean the parts they
// meant then.
#include <gtest/gtest.h>

#include <map>
#include <sstream>

#include "core/breakdown/breakdown.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "tests/core/support.h"

namespace pp {
namespace {

const std::string kFolder = KEPT_DIR "/version-1/";

std::string content(const std::string& name) {
  return readFile(kFolder + name).value();
}

// What stands in codes.txt of a job: a line a part.
std::string listed(const Job& job) {
  std::ostringstream out;
  for (const Part& part : breakDown(job).parts) {
    // In version 1 the panel of a framed drawer front stood upright; it lies as a slab does now.
    const bool turned = part.role == PartRole::DrawerFrontPanel;
    const Length length = (turned ? part.width : part.length).total();
    const Length width = (turned ? part.length : part.width).total();
    out << part.code << "|" << part.name << "|" << part.assembly << "|" << part.quantity << "|"
        << length.inNm() << "|" << width.inNm() << "|" << part.material << "|" << part.overridden
        << "\n";
  }
  return out.str();
}

// The lists of version 1 by the name of their job.
std::map<std::string, std::string> keptLists() {
  std::map<std::string, std::string> out;
  std::istringstream in(content("codes.txt"));
  std::string name;
  for (std::string line; std::getline(in, line);)
    if (line.starts_with("= "))
      name = line.substr(2);
    else
      out[name] += line + "\n";
  return out;
}

TEST(KeptFiles, jobsOfVersionOneHaveThePartsAndCodesTheyHad) {
  const std::map<std::string, std::string> lists = keptLists();
  ASSERT_EQ(lists.size(), 206U);
  std::vector<std::string> files(std::begin(test::kDemos), std::end(test::kDemos));
  files.push_back("kinds");
  for (const std::string& name : files) {
    const auto job = readJob(name, content(name + ".plainpatch"));
    ASSERT_TRUE(job) << name << ": " << describe(job.problems());
    EXPECT_EQ(listed(job.value()), lists.at(name)) << name;
  }
  std::istringstream in(content("jobs.jsonl"));
  int number = 0;
  for (std::string line; std::getline(in, line);) {
    const std::string name = "random " + std::to_string(++number);
    const auto job = readJob(name, line);
    ASSERT_TRUE(job) << name << ": " << describe(job.problems());
    EXPECT_EQ(listed(job.value()), lists.at(name)) << name;
  }
  EXPECT_EQ(number, 200);
}

}  // namespace
}  // namespace pp
