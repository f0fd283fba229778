// Hardware and parts lists as CSV, and the library's fragments.
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <sstream>

#include "core/breakdown/breakdown.h"
#include "core/formats/library.h"
#include "core/formats/lists_csv.h"
#include "core/formats/usual_sizes.h"
#include "core/job/ids.h"
#include "core/job/new_job.h"
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

// What one begins with in an inch job lies on 64ths, whatever unit its sizes were said in; what was
// kept from a job goes back into one of its unit to the nanometre.
TEST(Library, inInchesNothingIsOfMillimetres) {
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DEMO_DIR) + "/library")) {
    std::ostringstream text;
    text << std::ifstream(entry.path()).rdbuf();
    const auto item = readLibraryItem(entry.path().filename(), text.str());
    Job job = newJob(Unit::Inch);
    const auto fragment = placed(item.value(), job);
    ASSERT_TRUE(fragment.ok()) << describe(fragment.problems());
    addCopy(job, fragment->assembly, fragment->choices, fragment->assembly.code);
    ASSERT_TRUE(validate(job).empty()) << item->name << describe(validate(job));
    const Breakdown out = breakDown(job);
    EXPECT_TRUE(out.troubles.empty())
        << item->name << " " << (out.troubles.empty() ? "" : describe(out.troubles[0].problem));
    const auto onA64th = [](Length length) { return length.inNm() % 396'875 == 0; };
    // What follows from an angle, or keeps clear of a door, lies on no fraction.
    const auto leans = [](const Part& part) {
      return part.role == PartRole::LeaningBack || part.role == PartRole::StorageShelf ||
             part.role == PartRole::AdjustableShelf;
    };
    for (const Part& part : out.parts)
      EXPECT_TRUE(leans(part) || part.perBlank > 1 ||
                  (onA64th(part.length.total()) && onA64th(part.width.total())))
          << item->name << ": " << part.name << " " << format(part.length, styleOf(job)) << " by "
          << format(part.width, styleOf(job));
    Job own = job;
    own.assemblies[0].name = "own";
    const auto again =
        readLibraryItem("x", writeLibraryItem("own", "", std::as_const(own).assemblies[0], own));
    ASSERT_TRUE(again.ok()) << describe(again.problems());
    EXPECT_EQ(withoutIds(placed(again.value(), own)->assembly),
              withoutIds(std::as_const(own).assemblies[0]));
  }
}

// By hand, each as a maker would say it.
TEST(UsualSizes, areTheNearestThatAreSaid) {
  struct Row {
    double mm;
    Length in;
  };
  for (const Row& row :
       {Row{600, Length::in(24)}, Row{720, Length::in(28)}, Row{100, Length::in(4)},
        Row{75, Length::in(3)}, Row{37, Length::in(1, 1, 2)}, Row{32, Length::in(1, 1, 4)},
        Row{12, Length::in(0, 1, 2)}, Row{9, Length::in(0, 3, 8)}, Row{5, Length::in(0, 1, 4)},
        Row{2, Length::in(0, 3, 32)}, Row{0.8, Length::in(0, 1, 32)},
        Row{0.1, Length::in(0, 1, 32)}, Row{-5, -Length::in(0, 1, 4)}, Row{0, Length{}}})
    EXPECT_EQ(usualInInches(test::mm(row.mm)), row.in) << row.mm;
  EXPECT_EQ(usualInInches(Length::in(23, 27, 64)), Length::in(23, 27, 64));
  struct Back {
    Length in;
    double mm;
  };
  for (const Back& row :
       {Back{Length::in(24), 610}, Back{Length::in(4), 100}, Back{Length::in(0, 3, 4), 19},
        Back{Length::in(0, 1, 4), 6.5}, Back{Length::in(0, 1, 16), 1.6}})
    EXPECT_EQ(usualInMillimetres(row.in), test::mm(row.mm)) << formatMm(row.in);
  EXPECT_EQ(usualInMillimetres(test::mm(563.7)), test::mm(563.7));
}

}  // namespace
}  // namespace pp::lists_test
