#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/length/format.h"
#include "core/length/parse.h"

namespace pp::length_test {
namespace {

constexpr std::int64_t kInch = 25'400'000;

struct Spelling {
  const char* text;
  std::optional<Unit> bare;
  std::int64_t nm;
};

TEST(ParseLength, everySpellingOfTheExchangeFormats) {
  const Spelling rows[] = {
      {"24 1/2", Unit::Inch, 24 * kInch + kInch / 2},
      {"24-1/2", Unit::Inch, 24 * kInch + kInch / 2},
      {"24 1/2\"", std::nullopt, 24 * kInch + kInch / 2},
      {"24.5in", std::nullopt, 24 * kInch + kInch / 2},
      {"2' 0 1/2\"", std::nullopt, 24 * kInch + kInch / 2},
      {"2'0 1/2\"", std::nullopt, 24 * kInch + kInch / 2},
      {"2'", std::nullopt, 24 * kInch},
      {"622.3mm", std::nullopt, 622'300'000},
      {"622.3 mm", std::nullopt, 622'300'000},
      {"62.23cm", std::nullopt, 622'300'000},
      {"0.6223m", std::nullopt, 622'300'000},
      {"  18  ", Unit::Millimetre, 18'000'000},
      {"1/64in", std::nullopt, 396'875},
      {"3/4", Unit::Inch, 19'050'000},
      {"0", Unit::Inch, 0},
      {"0.000001mm", std::nullopt, 1},
      {"1000m", std::nullopt, 1'000'000'000'000},
  };
  for (const Spelling& row : rows) {
    const auto length = parseLength(row.text, row.bare);
    ASSERT_TRUE(length.ok()) << row.text;
    EXPECT_EQ(length->inNm(), row.nm) << row.text;
  }
}

TEST(ParseLength, refusesWhatTheFormatsRefuse) {
  for (const char* text : {"",       " ",        "abc",         "+5mm",    "-5mm",
                           "1e3mm",  "12,5mm",   "0x10mm",      "1/128in", "24.",
                           "1/0in",  "5 mm x",   "0.0000001mm", "1001m",   "24 1/2 1/2in",
                           "2' 3",   "2.5' 1\"", "241/",        "５mm",    "99999999999999999999mm",
                           "1//2in", "5mmm",     "5 5mm",       "in",      "'",
                           "1 / in"})
    EXPECT_FALSE(parseLength(text, Unit::Inch).ok()) << text;
  EXPECT_FALSE(parseLength("18", std::nullopt).ok()) << "a bare number without a unit of the file";
}

TEST(ParseExpression, simpleArithmetic) {
  const std::pair<const char*, std::int64_t> rows[] = {
      {"31 - 5 - 1 1/2", 24 * kInch + kInch / 2},
      {"2*3/4in + 10mm", 38'100'000 + 10'000'000},
      {"24-1/2", 24 * kInch + kInch / 2},
      {"24 - 1/2", 23 * kInch + kInch / 2},
      {"(31 - 5) / 2", 13 * kInch},
      {"12 1/2 / 2", 6 * kInch + kInch / 4},
      {"(10 + 10mm) * 2", 20 * kInch + 20'000'000},
      {"1/3", 8'466'667},  // divided, and rounded to the nearest nanometre
      {"2/3", 16'933'333},
      {"5 - 6", -kInch},
      {"3 * 2", 6 * kInch},
      {"100mm / 4", 25'000'000},
      {"600 mm - 2 × 18mm", 564'000'000},
      {".5", kInch / 2},
  };
  for (const auto& [text, nm] : rows) {
    const auto length = parseExpression(text, Unit::Inch);
    ASSERT_TRUE(length.ok()) << text;
    EXPECT_EQ(length->inNm(), nm) << text;
  }
  for (const char* text :
       {"", "1 +", "2in * 3in", "4 / 0", "(1", "1)", "5in / 2mm", "1e5", "a",
        "((((((((((((((((((((((((((((((((((((((((((((((((((((((1",
        "22*22*2*22*2*22*2*22*2*22*2*22*22*2*22*2*22*2*22222*2*22*2*22*2*22222*2*222"})
    EXPECT_FALSE(parseExpression(text, Unit::Inch).ok()) << text;
}

TEST(ParseMoney, decimalsAndRefusals) {
  EXPECT_EQ(parseMoney("62.5")->inTenThousandths(), 625'000);
  EXPECT_EQ(parseMoney("0")->inTenThousandths(), 0);
  EXPECT_EQ(parseMoney("0.0001")->inTenThousandths(), 1);
  for (const char* text : {"", "-1", "+1", "1,5", "1.", ".5", "1.00001", "1e3", "12345678901"})
    EXPECT_FALSE(parseMoney(text).ok()) << text;
}

TEST(Format, fractionsRoundToTheNearestAndSaySo) {
  LengthStyle style;
  style.unit = Unit::Inch;
  style.denominator = 16;
  EXPECT_EQ(format(Length::in(23, 7, 16), style), "23 7/16");
  EXPECT_EQ(format(Length::in(23, 7, 16) + Length::um(10), style), "23 7/16▴");
  EXPECT_EQ(format(Length::in(23, 7, 16) - Length::um(10), style), "23 7/16▾");
  EXPECT_EQ(format(Length::in(0, 1, 2), style), "1/2");
  EXPECT_EQ(format(Length::in(2), style), "2");
  EXPECT_EQ(format(Length{}, style), "0");
  EXPECT_EQ(format(-Length::in(1, 1, 4), style), "−1 1/4");
  style.denominator = 2;
  EXPECT_EQ(format(Length::in(0, 1, 4), style), "1/2▾") << "a half step rounds up";
  style.denominator = 64;
  EXPECT_EQ(format(Length::in(0, 63, 64), style), "63/64");
}

TEST(Format, millimetresDropTrailingZerosAndMarkRounding) {
  LengthStyle style;
  EXPECT_EQ(format(Length::um(595'300), style), "595.3");
  EXPECT_EQ(format(Length::mm(595), style), "595");
  EXPECT_EQ(format(Length::um(595'320), style), "595.3▴");
  EXPECT_EQ(format(Length::um(595'390), style), "595.4▾");
  EXPECT_EQ(offShown(Length::um(595'320), style), Length::um(20));
  EXPECT_EQ(offShown(Length::um(595'390), style), -Length::um(10));
  EXPECT_EQ(offShown(Length::um(595'300), style), Length{});
  EXPECT_EQ(formatMm(Length::nm(1)), "0.000001");
  EXPECT_EQ(formatMm(-Length::um(1'500)), "-1.5");
  EXPECT_EQ(formatExact(Length::in(1, 1, 64), Unit::Inch), "1 1/64 in");
  EXPECT_EQ(format(Money::tenThousandths(625'000)), "62.50");
  EXPECT_EQ(format(Money::tenThousandths(1)), "0.0001");
}

RC_GTEST_PROP(Format, exactTextReadsBackAsTheSameLength, ()) {
  const Length length = Length::nm(*rc::gen::inRange<std::int64_t>(0, 100'000'000'000));
  RC_ASSERT(parseExpression(formatExact(length, Unit::Millimetre), Unit::Inch).value() == length);
  RC_ASSERT(parseExpression(formatExact(length, Unit::Inch), Unit::Millimetre).value() == length);
  RC_ASSERT(parseLength(formatMm(length), Unit::Millimetre).value() == length);
}

RC_GTEST_PROP(Format, shownFractionIsWithinHalfAStepAndTheMarkIsRight, (unsigned shift)) {
  LengthStyle style;
  style.unit = Unit::Inch;
  style.denominator = 2 << (shift % 6);
  const Length length = Length::nm(*rc::gen::inRange<std::int64_t>(0, 5'000'000'000));
  std::string text = format(length, style);
  const bool more = text.ends_with("▴");
  const bool less = text.ends_with("▾");
  if (more || less) text.resize(text.size() - std::string("▴").size());
  const Length shown = parseLength(text, Unit::Inch).value();
  RC_ASSERT(more == (length > shown) && less == (length < shown));
  RC_ASSERT(offShown(length, style) == length - shown);
  const Length off = more ? length - shown : shown - length;
  RC_ASSERT(2 * style.denominator * off <= Length::in(1));
}

}  // namespace
}  // namespace pp::length_test
