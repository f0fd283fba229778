// Files as older versions of the program wrote them are read for ever, and mean the parts they
// meant then.
#include <gtest/gtest.h>

#include <map>
#include <set>
#include <sstream>

#include "core/breakdown/breakdown.h"
#include "core/floor/ledger.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/shop/job_rack.h"
#include "tests/core/support.h"

namespace pp::kept_files_test {
namespace {

std::string content(int version, const std::string& name) {
  return readFile(KEPT_DIR "/version-" + std::to_string(version) + "/" + name).value();
}

// What stands in codes.txt of a job: a line a part. Pads, which came to be made in layers with
// version 3, are left out.
std::string listed(const Job& job, int version) {
  std::ostringstream out;
  for (const Part& part : breakDown(job).parts) {
    const bool pad = part.role == PartRole::SlidePad || part.role == PartRole::RightSlidePad;
    if (pad && version < 3) continue;
    // In version 1 the panel of a framed drawer front stood upright; it lies as a slab does now.
    const bool turned = version == 1 && part.role == PartRole::DrawerFrontPanel;
    const Length length = (turned ? part.width : part.length).total();
    const Length width = (turned ? part.length : part.width).total();
    out << part.code << "|" << part.name << "|" << part.assembly << "|" << part.quantity << "|"
        << length.inNm() << "|" << width.inNm() << "|" << part.material << "|" << part.overridden
        << "\n";
  }
  return out.str();
}

// The lists of a version by the name of their job.
std::map<std::string, std::string> keptLists(int version) {
  std::map<std::string, std::string> out;
  std::istringstream in(content(version, "codes.txt"));
  std::string name;
  for (std::string line; std::getline(in, line);)
    if (line.starts_with("= "))
      name = line.substr(2);
    else if (version >= 3 || line.find(" slide pad|") == std::string::npos)
      out[name] += line + "\n";
  return out;
}

// Without the parts that have a size by hand, where one of them is refused by now because others
// hold the edge that would be moved for it: that is said.
std::string withoutRefused(const Job& job, const std::string& list, int& refused) {
  const Breakdown breakdown = breakDown(job);
  const bool any =
      std::any_of(breakdown.troubles.begin(), breakdown.troubles.end(),
                  [](const Trouble& one) { return one.problem.found.ends_with(" by hand"); });
  if (!any) return list;
  ++refused;
  std::string out;
  std::istringstream in(list);
  for (std::string line; std::getline(in, line);)
    if (line.find("|reason ") == std::string::npos) out += line + "\n";
  return out;
}

TEST(KeptFiles, jobsOfVersionOneHaveThePartsAndCodesTheyHad) {
  const std::map<std::string, std::string> lists = keptLists(1);
  ASSERT_EQ(lists.size(), 206U);
  const std::vector<std::string> files = {"log-wall",   "ringing-trolley", "hide-bench",
                                          "nest-boxes", "porthole",        "kinds"};
  for (const std::string& name : files) {
    const auto job = readJob(name, content(1, name + ".plainpatch"));
    ASSERT_TRUE(job) << name << ": " << describe(job.problems());
    EXPECT_EQ(listed(job.value(), 1), lists.at(name)) << name;
  }
  std::istringstream in(content(1, "jobs.jsonl"));
  int number = 0, refused = 0;
  for (std::string line; std::getline(in, line);) {
    const std::string name = "random " + std::to_string(++number);
    const auto job = readJob(name, line);
    ASSERT_TRUE(job) << name << ": " << describe(job.problems());
    int again = 0;
    EXPECT_EQ(withoutRefused(*job, listed(*job, 1), again),
              withoutRefused(*job, lists.at(name), refused))
        << name;
  }
  EXPECT_EQ(number, 200);
  EXPECT_EQ(refused, 34) << "of 200 that were made at random";
}

TEST(KeptFiles, laterVersionsHaveThePartsAndCodesTheyHad) {
  for (const int version : {2, 3, 4}) {
    const std::map<std::string, std::string> lists = keptLists(version);
    ASSERT_EQ(lists.size(), 6U);
    for (const auto& [name, list] : lists) {
      const auto job = readJob(name, content(version, name + ".plainpatch"));
      ASSERT_TRUE(job) << name << ": " << describe(job.problems());
      EXPECT_EQ(listed(job.value(), version), list) << name;
      EXPECT_NE(writeJob(job.value()).find("\"version\": 6"), std::string::npos)
          << "it is written in the version of now";
    }
  }
}

// What is noted of the trolley at the saw, as version 5 understood it when it wrote the file: half
// cut and laid out anew, a plan taken back and another in its place, and given up.
TEST(KeptFiles, whatVersionFiveHadAtTheSawIsThereStill) {
  for (const char* name : {"trolley-1", "trolley-2", "trolley-3"}) {
    SCOPED_TRACE(name);
    const auto read = readJobWithRecord(name, content(5, std::string(name) + ".plainpatch"));
    ASSERT_TRUE(read) << describe(read.problems());
    const Record& record = read->record;
    const floor::Ledger ledger(record.cuttings, record.events);
    const floor::Progress& now = ledger.now();
    EXPECT_TRUE(now.ignored.empty()) << now.ignored.front().why;
    std::ostringstream out;
    for (const auto& [id, state] : now.pieces) {
      out << "piece " << id.code << " " << id.number << (state.spoiled ? " spoiled" : "")
          << (state.spare ? " spare" : "");
      for (const std::string& done : state.done) out << " " << done;
      out << "\n";
    }
    for (const auto& [number, cutting] : now.cuttings)
      for (const auto& [left, piece] : cutting.returned)
        out << "returned " << number << " " << left << "\n";
    for (const auto& [on, count] : now.labels)
      out << "label "
          << (on.piece ? on.piece->code + " " + std::to_string(on.piece->number)
                       : std::to_string(on.cutting) + " " + on.leftover)
          << " " << count.printed << "\n";
    // The store knows them by these names: none comes back a second time.
    for (const Returned& one : holdingOf(read->job, record, ledger).returned)
      out << "told " << one.cutting << " " << one.leftover << "\n";
    std::set<std::string> lies;
    for (const auto& [number, cutting] : now.cuttings)
      for (const SawnPiece& piece : cutting.bench)
        EXPECT_TRUE(lies.insert(ledger.nameOf(number, piece)).second);
    for (const std::string& one : lies) out << "lies 1 " << one << "\n";
    EXPECT_EQ(out.str(), content(5, std::string(name) + ".txt"));
    // Written in the version of now it is the same again.
    const std::string written = writeJob(read->job, record);
    EXPECT_LT(written.size(), content(5, std::string(name) + ".plainpatch").size());
    const auto again = readJobWithRecord(name, written);
    ASSERT_TRUE(again) << describe(again.problems());
    EXPECT_EQ(floor::progress(again->record.cuttings, again->record.events), now);
    EXPECT_EQ(writeJob(again->job, again->record), written);
  }
}

// Sizes were shared out exactly before they could land on a step.
TEST(KeptFiles, whatIsSharedOutStaysAsItWas) {
  for (const int version : {1, 2, 3}) {
    const auto job = readJob("log-wall", content(version, "log-wall.plainpatch"));
    ASSERT_TRUE(job);
    EXPECT_EQ(job->shareStep, Length{}) << version;
  }
}

// The one on the right was the second pad of its drawer; layers, which came to be counted with
// version 3, must not take its code.
TEST(KeptFiles, padsKeepTheCodesOfTheirSides) {
  for (const int version : {1, 2}) {
    const auto job = readJob("log-wall", content(version, "log-wall.plainpatch"));
    ASSERT_TRUE(job);
    std::string left, right;
    for (const Part& part : breakDown(job.value()).parts) {
      if (part.assembly != "B1" || part.keys.front().index != 1) continue;
      if (part.role == PartRole::SlidePad) left += part.code;
      if (part.role == PartRole::RightSlidePad) right += part.code;
    }
    EXPECT_EQ(left, "B1-12") << version;
    EXPECT_EQ(right, "B1-13") << version;
  }
}

}  // namespace
}  // namespace pp::kept_files_test
