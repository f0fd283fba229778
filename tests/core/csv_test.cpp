#include <gtest/gtest.h>

#include <filesystem>

#include "core/breakdown/breakdown.h"
#include "core/formats/csv.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/nest/nest.h"
#include "core/result/text.h"
#include "tests/core/support.h"

namespace pp::csv_test {
namespace {

const std::string kStock =
    "id,material,thickness,length,width,qty\nS,birch,18mm,2440mm,1220mm,unlimited\n";
const std::string kHead = "code,qty,length,width,thickness,material\n";

Result<NestRequest> readWith(const std::string& parts, const std::string& stock = kStock,
                             std::optional<std::string> banding = {}) {
  ExchangeInput input;
  input.parts = {"parts.csv", parts};
  input.stock = {"stock.csv", stock};
  if (banding) input.banding = ExchangeText{"banding.csv", *banding};
  input.trim = Length::mm(6);
  return readExchange(input);
}

std::string refusal(const Result<NestRequest>& result) {
  return result.ok() ? "accepted" : describe(result.problems());
}

TEST(Exchange, readsPartsStockAndBanding) {
  const auto request = readWith(
      "\xEF\xBB\xBF# unit: "
      "mm\r\nmaterial,code,qty,length,width,thickness,grain,band_l1,band_w1,oversize,extra\r\n"
      "birch,\"A,1\",2,600,300,18,length,edge,thin,3,kept\r\n",
      kStock, "name,thickness,deduct\nedge,2mm,yes\nthin,0.5mm,no\n");
  ASSERT_TRUE(request.ok()) << refusal(request);
  const PartDemand& part = request->parts[0];
  EXPECT_EQ(part.code, "A,1");
  EXPECT_EQ(part.quantity, 2);
  EXPECT_EQ(part.length, Length::mm(603));  // thin banding is not deducted
  EXPECT_EQ(part.width, Length::mm(301));   // 300 - 2 + 3
  EXPECT_EQ(part.grain, PartGrain::Length);
  const StockSupply& stock = request->stock[0];
  EXPECT_FALSE(stock.quantity.has_value());
  EXPECT_EQ(stock.trim, Length::mm(6));
  EXPECT_EQ(stock.measured, Length::mm(18));
}

TEST(Exchange, offcutsAreNotTrimmedUnlessTheySaySo) {
  const auto request = readWith(
      kHead + "A,1,5mm,5mm,18mm,birch\n",
      "id,material,thickness,length,width,qty,kind,trim,price,grain\n"
      "S,birch,18mm,9mm,9mm,1,offcut,,1.5,none\nT,birch,18mm,9mm,9mm,0,offcut,2mm,,width\n");
  ASSERT_TRUE(request.ok()) << refusal(request);
  EXPECT_EQ(request->stock[0].trim, Length{});
  EXPECT_EQ(request->stock[0].grain, SheetGrain::None);
  EXPECT_EQ(request->stock[0].price, Money::tenThousandths(15'000));
  EXPECT_EQ(request->stock[1].trim, Length::mm(2));
}

struct Refused {
  const char* name;
  std::string parts;
  const char* message;
};

TEST(Exchange, refusesWithFileLineFieldFoundAndExpected) {
  const Refused rows[] = {
      {"no unit", kHead + "A,1,600,300,18,birch\n",
       "parts.csv, line 2, length: found '600', expected a unit with the number"},
      {"zero size", kHead + "A,1,0mm,300mm,18mm,birch\n",
       "parts.csv, line 2, length: found '0mm', expected more than 0"},
      {"quantity", kHead + "A,1.5,6mm,3mm,18mm,birch\n",
       "parts.csv, line 2, qty: found '1.5', expected a whole number from 1 to 10000"},
      {"too many", kHead + "A,10001,6mm,3mm,18mm,birch\n",
       "parts.csv, line 2, qty: found '10001', expected a whole number from 1 to 10000"},
      {"unknown material", kHead + "A,1,6mm,3mm,18mm,oak\n",
       "parts.csv, line 2, material: found 'oak', expected a material that a row of the stock has"},
      {"duplicate code", kHead + "A,1,6mm,3mm,18mm,birch\nA,1,6mm,3mm,18mm,birch\n",
       "parts.csv, line 3, code: found 'A' a second time, expected each once"},
      {"short row", kHead + "A,1,6mm\n",
       "parts.csv, line 2: found 3 fields, expected 6 fields, as in the header"},
      {"line of a record after a quoted line end",
       kHead + "\"A\n1\",1,6mm,3mm,18mm,birch\nB,x,6mm,3mm,18mm,birch\n",
       "parts.csv, line 4, qty: found 'x'"},
      {"missing column", "code,qty,length,width,thickness\nA,1,6mm,3mm,18mm\n",
       "parts.csv, line 1, material: found no such column"},
      {"duplicate column", "code,code,qty,length,width,thickness,material\n",
       "parts.csv, line 1, code: found the column a second time"},
      {"no data", kHead, "parts.csv, line 1: found no data row, expected at least one row"},
      {"empty", "", "parts.csv, line 1: found nothing, expected a header line"},
      {"NUL", kHead + std::string("A\0,1", 4) + "\n",
       "parts.csv, line 2: found the byte 0x00, expected UTF-8 text"},
      {"Latin-1", kHead + "A\xE9,1,6mm,3mm,18mm,birch\n",
       "parts.csv, line 2: found the byte 0xE9, expected UTF-8 text"},
      {"surrogate", kHead + "A\xED\xA0\x80,1,6mm,3mm,18mm,birch\n",
       "found the byte 0xED, expected UTF-8 text"},
      {"stray quote", kHead + "A\"B,1,6mm,3mm,18mm,birch\n",
       "parts.csv, line 2: found a stray or unclosed quote"},
      {"open quote", kHead + "\"A,1,6mm,3mm,18mm,birch\n",
       "parts.csv, line 2: found a stray or unclosed quote"},
      {"unit directive", "# unit: furlong\n" + kHead,
       "parts.csv, line 1, unit: found '#unit:furlong'"},
      {"banding not given",
       "code,qty,length,width,thickness,material,band_l1\nA,1,6mm,3mm,18mm,birch,edge\n",
       "parts.csv, line 2, band_l1: found 'edge', expected the name of a banding that is given"},
      {"grain", "code,qty,length,width,thickness,material,grain\nA,1,6mm,3mm,18mm,birch,across\n",
       "parts.csv, line 2, grain: found 'across', expected one of length, width, any"},
      {"run without order",
       "code,qty,length,width,thickness,material,run,run_order\nA,1,6mm,3mm,18mm,birch,r,\n",
       "run_order: found ''"},
      {"run order twice",
       "code,qty,length,width,thickness,material,run,run_order\nA,1,6mm,3mm,18mm,birch,r,1\nB,1,"
       "6mm,3mm,18mm,birch,r,1\n",
       "line 3, run_order: found '1' a second time"},
      {"run of two quantities",
       "code,qty,length,width,thickness,material,run,run_order\nA,1,6mm,3mm,18mm,birch,r,1\nB,2,"
       "6mm,3mm,18mm,birch,r,2\n",
       "line 3, qty: found 2, expected the qty of its run, 1"},
  };
  for (const Refused& row : rows) {
    const std::string text = refusal(readWith(row.parts));
    EXPECT_NE(text.find(row.message), std::string::npos) << row.name << ": " << text;
  }
  const std::string cut = refusal(readWith(
      "code,qty,length,width,thickness,material,band_l1,band_l2\nA,1,6mm,3mm,18mm,birch,e,e\n",
      kStock, "name,thickness\ne,1.5mm\n"));
  EXPECT_NE(cut.find("width: found a cut size of 0 mm"), std::string::npos) << cut;
}

TEST(Exchange, messagesStayShortHoweverLongTheInput) {
  std::string parts = kHead;
  for (int i = 0; i < 500; ++i)
    parts += std::string(300, 'x') + std::to_string(i) + ",0," + std::string(3000, 'y') +
             ",1mm,18mm,birch\n";
  EXPECT_LE(refusal(readWith(parts)).size(), 4000U);
}

TEST(Exchange, aKnownMaterialInAnUnknownThicknessIsNotRefused) {
  EXPECT_TRUE(readWith(kHead + "A,1,6mm,3mm,12mm,birch\n").ok());
}

TEST(Exchange, whatTheBreakdownWritesReadsBackToTheSameCutSizes) {
  for (const char* name : test::kDemos) {
    const Job job = readJob(name, test::demo(name)).value();
    const std::vector<Part> parts = breakDown(job).parts;
    ExchangeInput input;
    input.parts = {"p", writeParts(job, parts)};
    input.stock = {"s", writeStock(job)};
    if (!job.bandings.empty()) input.banding = ExchangeText{"b", writeBanding(job)};
    input.trim = job.saw.trim;
    const auto read = readExchange(input);
    ASSERT_TRUE(read.ok()) << describe(read.problems());
    const NestRequest direct = requestOf(job, parts);
    ASSERT_EQ(read->parts.size(), direct.parts.size());
    for (std::size_t i = 0; i < direct.parts.size(); ++i) {
      EXPECT_EQ(read->parts[i].code, direct.parts[i].code);
      EXPECT_EQ(read->parts[i].length, direct.parts[i].length);
      EXPECT_EQ(read->parts[i].width, direct.parts[i].width);
      EXPECT_EQ(read->parts[i].run, direct.parts[i].run);
      EXPECT_EQ(read->parts[i].series, direct.parts[i].series);
      EXPECT_EQ(read->parts[i].mitred, direct.parts[i].mitred);
    }
    ASSERT_EQ(read->stock.size(), direct.stock.size());
    for (std::size_t i = 0; i < direct.stock.size(); ++i)
      EXPECT_EQ(read->stock[i].trim, direct.stock[i].trim);
  }
}

// A mitred case of 600 × 720 from one strip: 720 + 600 + 720 and between them two bevel cuts of
// 3.2 × √2 each, 2 058.1 in all. A sheet of 2 071 gives that with 6 trimmed off its ends, one of
// 2 060 does not.
TEST(Exchange, aRunRoundACornerIsWrittenWithItsMitresAndRefusedWithAFigureOneCanRead) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.top = TopConstruction::Mitred;
  carcass.waterfall = Waterfall::Over;
  carcass.banding.clear();
  Job job = test::jobWith(carcass);
  job.saw.kerf = test::mm(3.2);
  const std::vector<Part> parts = breakDown(job).parts;
  const std::string list = writeParts(job, parts);
  for (const bool fits : {true, false}) {
    const std::string stock = "# unit: mm\nid,material,thickness,length,width,qty\nS,birch,18," +
                              std::string(fits ? "2071" : "2060") +
                              ",1220,2\nT,birch,6,2440,1220,2\n";
    auto read = readExchange({{"p", list}, {"s", stock}, std::nullopt, {}, test::mm(6)});
    ASSERT_TRUE(read.ok()) << describe(read.problems());
    NestRequest request = read.value();
    request.kerf = test::mm(3.2);
    nest::NestOptions options;
    options.steps = 50;
    std::vector<std::string> left;
    for (const auto& one : nest::nest(request, options).unplaced) left.push_back(one.reason);
    if (fits)
      EXPECT_TRUE(left.empty()) << left[0];
    else
      EXPECT_EQ(left, (std::vector<std::string>(
                          3,
                          "the run B1-round: 10.1▴ mm too long for the nearest birch 18 mm (S, "
                          "trimmed)")));
  }
}

TEST(Csv, whatASpreadsheetWouldRunIsReadBackAsItWas) {
  for (const char* text : {"=1+1", "+1", "-1", "@a", " =1", "\u00a0=1", "\u3000\uff1d1", "\uff0b1",
                           "'=1", "'' =1", "\t=1", "plain", "' plain", "a=1", ""}) {
    const std::string field = csvText(text);
    const auto table = readCsv("f", "a,b\n" + field + ",1\n", {"a"});
    ASSERT_TRUE(table) << text;
    EXPECT_EQ(table->records[0].fields[0], text);
    const std::string bare = field.starts_with('"') ? field.substr(1) : field;
    const std::string_view begin = trimmed(bare);
    EXPECT_TRUE(begin.empty() ||
                std::string_view("=+-@").find(begin.front()) == std::string_view::npos)
        << field;
    for (const char* wide : {"\uff1d", "\uff0b", "\u3000", "\u00a0"})
      EXPECT_FALSE(begin.starts_with(wide)) << field;
  }
}

TEST(Csv, whatIsFarTooLongIsRefusedWhileItIsRead) {
  std::string rows = "a\n";
  for (int i = 0; i < 60'000; ++i) rows += "1\n";
  const auto many = readCsv("f", rows, {"a"});
  ASSERT_FALSE(many.ok());
  EXPECT_EQ(many.problems()[0].found, "more than 50000 rows");
  EXPECT_EQ(many.problems()[0].line, 50'002U);
  const auto wide = readCsv("f", "a\n1\n" + std::string(1'100'000, 'x') + "\n", {"a"});
  ASSERT_FALSE(wide.ok());
  EXPECT_EQ(wide.problems()[0].line, 3U);
}

TEST(File, isWrittenWholeOrNotAtAll) {
  const std::string folder = std::filesystem::temp_directory_path() / "plainpatch-file-test";
  std::filesystem::create_directories(folder);
  const std::string path = folder + "/a.txt";
  EXPECT_FALSE(writeFile(path, "one").has_value());
  EXPECT_EQ(readFile(path).value(), "one");
  EXPECT_FALSE(writeFile(path, "two").has_value());
  EXPECT_EQ(readFile(path).value(), "two");
  EXPECT_TRUE(writeFile(folder + "/no/such/a.txt", "x").has_value());
  // A full disk: nothing of the new content may replace the old, and nothing stays behind.
  EXPECT_TRUE(writeFile("/dev/full/x", "x").has_value());
  EXPECT_EQ(std::distance(std::filesystem::directory_iterator(folder), {}), 1);
  EXPECT_FALSE(readFile(folder + "/none").ok());
  EXPECT_FALSE(readFile(folder).ok()) << "a folder is no file";
  std::filesystem::remove_all(folder);
}

}  // namespace
}  // namespace pp::csv_test
