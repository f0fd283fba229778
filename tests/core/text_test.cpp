// Texts that people read: what is refused in them, and how the rest is shown.
#include <gtest/gtest.h>

#include "core/formats/csv.h"
#include "core/job/job.h"
#include "core/kinds/validate.h"
#include "core/result/text.h"

namespace pp::text_test {
namespace {

TEST(Text, whatHidesOrTurnsIsNamed) {
  struct Row {
    const char* name;
    std::string text;
    Lines lines;
    const char* found;  // null: nothing
  };
  const Row rows[] = {
      {"plain", "chart drawers", Lines::One, nullptr},
      {"nothing", "", Lines::One, nullptr},
      {"umlaut, half, emoji", "Häher \xC2\xBD \xF0\x9F\xAA\xB5", Lines::One, nullptr},
      {"markup is only text", "<b>bold</b>", Lines::One, nullptr},
      {"NUL", std::string("a\0b", 3), Lines::One, "the control character U+0000"},
      {"bell", "a\ab", Lines::One, "the control character U+0007"},
      {"delete", "a\x7F", Lines::One, "the control character U+007F"},
      {"of the upper block", "a\xC2\x85", Lines::One, "the control character U+0085"},
      {"line end in a name", "a\nb", Lines::One, "the control character U+000A"},
      {"line end in a note", "a\nb\tc", Lines::Many, nullptr},
      {"carriage return in a note", "a\rb", Lines::Many, "the control character U+000D"},
      {"line separator", "a\xE2\x80\xA8", Lines::Many, "the control character U+2028"},
      {"override", "gnp\xE2\x80\xAE.exe", Lines::One,
       "U+202E, which turns the direction of writing"},
      {"isolate", "\xE2\x81\xA6x", Lines::One, "U+2066, which turns the direction of writing"},
      {"mark", "x\xE2\x80\x8F", Lines::One, "U+200F, which turns the direction of writing"},
      {"cut off", "a\xC3", Lines::One, "the byte 0xC3, which is no UTF-8"},
      {"overlong", "\xC0\x80", Lines::One, "the byte 0xC0, which is no UTF-8"},
      {"surrogate", "\xED\xA0\x80", Lines::One, "the byte 0xED, which is no UTF-8"},
      {"beyond the last", "\xF4\x90\x80\x80", Lines::One, "the byte 0xF4, which is no UTF-8"},
      {"the last there is", "\xF4\x8F\xBF\xBF", Lines::One, nullptr}};
  for (const Row& row : rows) {
    const auto found = hiddenCharacter(row.text, row.lines);
    EXPECT_EQ(found.has_value(), row.found != nullptr) << row.name;
    if (found && row.found != nullptr) {
      EXPECT_EQ(*found, row.found) << row.name;
    }
  }
}

TEST(Text, messagesShowForeignTextHarmless) {
  EXPECT_EQ(shown("gnp\xE2\x80\xAE.exe"), "gnp?.exe");
  EXPECT_EQ(shown("a\x1B[31mb"), "a?[31mb");
  EXPECT_EQ(shown(std::string(100, 'x'), 10), "xxxxxxxxxx...");
}

TEST(Text, namesThatHideAreRefusedWithTheirPlace) {
  Job job;
  job.name = "a\ab";
  job.materials = {{"m", "bi\xE2\x80\xAErch", Length::mm(18), Length::mm(18)}};
  LooseBoard board;
  board.name = std::string(501, 'n');
  board.material = "m";
  board.length = board.width = Length::mm(100);
  job.loose.push_back(board);
  std::vector<std::string> places;
  for (const Problem& problem : validate(job)) places.push_back(problem.field);
  EXPECT_EQ(places, (std::vector<std::string>{"/materials/0/name", "/loose/0/name", "/name"}));
}

// Written as a field, read from a table.
std::string throughCsv(const std::string& text) {
  const auto table = readCsv("t", "name,note\n" + csvText(text) + ",x\n", {"name"});
  if (!table) return "refused: " + describe(table.problems());
  return table->field(table->records.front(), "name");
}

TEST(Text, noListRunsInASpreadsheetAndAllAreReadBackAsTheyWere) {
  struct Row {
    const char* text;
    const char* field;
  };
  const Row rows[] = {{"side", "side"},
                      {"=1+1", "'=1+1"},
                      {"+44", "'+44"},
                      {"-5", "'-5"},
                      {"@sum", "'@sum"},
                      {"\ttab", "'\ttab"},
                      {"\rreturn", "\"'\rreturn\""},
                      {"=a,b", "\"'=a,b\""},
                      {"=\"x\"", "\"'=\"\"x\"\"\""},
                      {"'quoted'", "'quoted'"},
                      {"'=1", "''=1"},
                      {"''=1", "'''=1"},
                      {"'", "'"},
                      {"a=b", "a=b"},
                      {" =1", "' =1"},
                      {" a=1", "\" a=1\""}};
  for (const Row& row : rows) {
    EXPECT_EQ(csvText(row.text), row.field) << row.text;
    EXPECT_EQ(throughCsv(row.text), row.text) << row.field;
  }
}

}  // namespace
}  // namespace pp::text_test
