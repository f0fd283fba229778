// Hardware and parts lists as CSV, and the library's fragments.
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <sstream>

#include "core/breakdown/breakdown.h"
#include "core/formats/library.h"
#include "core/formats/lists_csv.h"
#include "core/job/ids.h"
#include "core/kinds/validate.h"
#include "tests/core/support.h"

namespace pp::lists_test {
namespace {

using test::mm;

TEST(SlidesCsv, comesBackTheSame) {
  const std::vector<Slide> slides = {
      {"side 400", mm(400)},
      {"under, soft", mm(450), mm(5), SlideKind::Under, mm(14), mm(7), Money::whole(21)}};
  const auto read = readSlides("s.csv", writeSlides(slides), Unit::Inch);
  ASSERT_TRUE(read.ok()) << describe(read.problems());
  EXPECT_EQ(read.value(), slides);
}

TEST(SlidesCsv, refusesWithLineAndColumn) {
  const std::pair<const char*, const char*> rows[] = {
      {"name,length\na,0\n", "line 2, length: found '0'"},
      {"name,length\na,10\na,12\n", "line 3, name: found 'a' a second time"},
      {"name,length,kind\na,10,rear\n", "line 2, kind: found 'rear', expected one of side, under"},
      {"name\na\n", "length"},
      {"name,length,thickness\na,10,-1\n", "line 2, thickness"},
  };
  for (const auto& [text, message] : rows) {
    const auto read = readSlides("s.csv", text, Unit::Millimetre);
    ASSERT_FALSE(read.ok()) << text;
    EXPECT_NE(describe(read.problems()).find(message), std::string::npos)
        << describe(read.problems());
  }
}

TEST(LooseCsv, becomesBoardsOrIsRefusedWhole) {
  const Job job = test::metricJob();
  const std::string head = "code,qty,length,width,thickness,material,band_l1\n";
  const auto read = readLooseBoards("p.csv", head + "A,2,600,300,18,birch,edge\n", job);
  ASSERT_TRUE(read.ok()) << describe(read.problems());
  EXPECT_EQ(read.value()[0].material, "b18");
  EXPECT_EQ(read.value()[0].quantity, 2);
  EXPECT_EQ(read.value()[0].bandLong, "edge");
  EXPECT_EQ(read.value()[0].farLong, "");
  EXPECT_FALSE(readLooseBoards("p.csv", head + "A,2,600,300,19,birch,\n", job).ok());
  EXPECT_FALSE(readLooseBoards("p.csv", head + "A,2,600,300,18,birch,tape\n", job).ok());
}

TEST(Library, everyFragmentGoesIntoAnyJobAndCanBeBuilt) {
  int count = 0;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DEMO_DIR) + "/library")) {
    std::ostringstream text;
    text << std::ifstream(entry.path()).rdbuf();
    const auto item = readLibraryItem(entry.path().filename(), text.str());
    ASSERT_TRUE(item.ok()) << describe(item.problems());
    Job job = test::metricJob();
    const auto fragment = placed(item.value(), job);
    ASSERT_TRUE(fragment.ok()) << describe(fragment.problems());
    addCopy(job, fragment->assembly, fragment->choices, fragment->assembly.code);
    EXPECT_TRUE(validate(job).empty()) << item->name << describe(validate(job));
    const Breakdown out = breakDown(job);
    EXPECT_TRUE(out.troubles.empty())
        << item->name << " " << (out.troubles.empty() ? "" : describe(out.troubles[0].problem));
    EXPECT_FALSE(out.parts.empty());
    // What is kept from a job goes back into it as it was.
    const auto again =
        readLibraryItem("x", writeLibraryItem(item->name, "", job.assemblies[0], job));
    ASSERT_TRUE(again.ok());
    EXPECT_EQ(withoutIds(placed(again.value(), job)->assembly), withoutIds(job.assemblies[0]));
    ++count;
  }
  EXPECT_GE(count, 12);
}

}  // namespace
}  // namespace pp::lists_test
