#include "core/formats/csv.h"

#include <csv.h>
#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <memory>

#include "core/result/text.h"

namespace pp {
namespace {

// Position of the first byte that is not well-formed UTF-8 or is NUL, or none.
std::optional<std::size_t> badByte(std::string_view text) {
  for (std::size_t i = 0; i < text.size();) {
    const std::size_t length = sequenceLength(text, i);
    if (length == 0 || text[i] == '\0') return i;
    i += length;
  }
  return std::nullopt;
}

// Whether a spreadsheet would run it, once as many apostrophes as it begins with are gone.
bool wouldRun(std::string_view text) {
  const std::size_t first = std::min(text.find_first_not_of('\''), text.size());
  text.remove_prefix(first);
  if (!text.empty() && (text.front() == '\t' || text.front() == '\r')) return true;
  // Blanks before it are no hindrance, nor is its full width.
  const auto takeOff = [&text](std::string_view what) {
    const bool is = text.starts_with(what);
    if (is) text.remove_prefix(what.size());
    return is;
  };
  while (takeOff(" ") || takeOff("\u00a0") || takeOff("\u3000") || takeOff("\ufeff")) {
  }
  constexpr std::array<std::string_view, 8> kBegins = {"=",      "+",      "-",      "@",
                                                       "\uff1d", "\uff0b", "\uff0d", "\uff20"};
  return std::any_of(kBegins.begin(), kBegins.end(), takeOff);
}

std::size_t lineOf(std::string_view text, std::size_t at) {
  return 1 + static_cast<std::size_t>(
                 std::count(text.begin(), text.begin() + static_cast<std::ptrdiff_t>(at), '\n'));
}

// Feeds libcsv byte by byte, because that is the only way to know on which physical line a record
// begins when quoted fields hold line ends.
class RecordReader {
 public:
  static constexpr std::size_t kMostRecords = 50'000;
  static constexpr std::size_t kLongestRecord = 1'000'000;

  RecordReader(std::string_view text, std::size_t firstLine) : text_(text), line_(firstLine) {}

  struct Fault {
    std::size_t line;
    const char* found;
    const char* expected;
  };
  // Records in order, or what the first fault is.
  std::variant<std::vector<CsvRecord>, Fault> run() {
    const auto quote = [](std::size_t line) {
      return Fault{line, "a stray or unclosed quote",
                   "quotes only round a whole field, doubled inside"};
    };
    csv_parser parser;
    if (csv_init(&parser, CSV_STRICT | CSV_STRICT_FINI) != 0) return quote(line_);
    const std::unique_ptr<csv_parser, decltype(&csv_free)> guard(&parser, &csv_free);
    for (const char byte : text_) {
      if (!inRecord_ && byte != '\n' && byte != '\r') {
        inRecord_ = true;
        current_.line = line_;
      }
      if (csv_parse(&parser, &byte, 1, &onField, &onRecord, this) != 1) return quote(current_.line);
      if (byte == '\n') ++line_;
      // No list of a shop is that long: what is goes no further.
      if (records_.size() > kMostRecords)
        return Fault{line_, "more than 50000 rows", "a shorter list"};
      if (++inOne_ > kLongestRecord)
        return Fault{current_.line, "a row of more than a million bytes", "a shorter one"};
    }
    if (csv_fini(&parser, &onField, &onRecord, this) != 0) return quote(current_.line);
    return std::move(records_);
  }

 private:
  static void onField(void* data, std::size_t size, void* self) {
    std::string field(static_cast<const char*>(data), size);
    if (field.starts_with('\'') && wouldRun(field)) field.erase(0, 1);
    static_cast<RecordReader*>(self)->current_.fields.push_back(std::move(field));
  }
  static void onRecord(int, void* self) {
    auto& reader = *static_cast<RecordReader*>(self);
    reader.records_.push_back(std::move(reader.current_));
    reader.current_ = {};
    reader.inRecord_ = false;
    reader.inOne_ = 0;
  }

  std::string_view text_;
  std::size_t line_;
  bool inRecord_ = false;
  std::size_t inOne_ = 0;  // bytes of the record so far
  CsvRecord current_;
  std::vector<CsvRecord> records_;
};

// Takes a first line `# unit: mm` off the text.
Result<std::optional<Unit>> takeUnit(const std::string& file, std::string_view& text) {
  if (text.empty() || text.front() != '#') return std::optional<Unit>{};
  const std::size_t end = std::min(text.find('\n'), text.size());
  std::string line;
  for (const char c : text.substr(0, end))
    if (c != ' ' && c != '\t' && c != '\r') line += c;
  text.remove_prefix(std::min(end + 1, text.size()));
  if (line == "#unit:mm") return std::optional(Unit::Millimetre);
  if (line == "#unit:in") return std::optional(Unit::Inch);
  return Problem{file, 1, "unit", "'" + shown(line) + "'", "`# unit: mm` or `# unit: in`"};
}

Problems checkHeader(const CsvTable& table, const std::vector<std::string>& needed) {
  Problems out;
  std::set<std::string> seen;
  for (const std::string& name : table.header)
    if (!seen.insert(name).second)
      out.push_back(
          {table.file, table.headerLine, name, "the column a second time", "each column once"});
  for (const std::string& name : needed)
    if (seen.count(name) == 0)
      out.push_back({table.file, table.headerLine, name, "no such column", "the column " + name});
  return out;
}

}  // namespace

std::optional<std::size_t> CsvTable::column(std::string_view name) const {
  const auto at = std::find(header.begin(), header.end(), name);
  if (at == header.end()) return std::nullopt;
  return static_cast<std::size_t>(at - header.begin());
}

const std::string& CsvTable::field(const CsvRecord& record, std::string_view name) const {
  static const std::string kNone;
  const auto index = column(name);
  return index ? record.fields[*index] : kNone;
}

Result<CsvTable> readCsv(const std::string& file, std::string_view text,
                         const std::vector<std::string>& neededColumns, NoRow noRow) {
  if (const auto bad = badByte(text))
    return Problem{file,
                   lineOf(text, *bad),
                   {},
                   fmt::format("the byte 0x{:02X}", static_cast<unsigned char>(text[*bad])),
                   "UTF-8 text"};
  if (text.starts_with("\xEF\xBB\xBF")) text.remove_prefix(3);
  CsvTable table;
  table.file = file;
  const bool directive = text.starts_with("#");
  const auto unit = takeUnit(file, text);
  if (!unit) return unit.problems();
  table.unit = unit.value();
  auto outcome = RecordReader(text, directive ? 2 : 1).run();
  if (const auto* fault = std::get_if<RecordReader::Fault>(&outcome))
    return Problem{file, fault->line, {}, fault->found, fault->expected};
  auto& records = std::get<std::vector<CsvRecord>>(outcome);
  if (records.empty()) return Problem{file, 1, {}, "nothing", "a header line"};
  table.header = records.front().fields;
  table.headerLine = records.front().line;
  if (Problems problems = checkHeader(table, neededColumns); !problems.empty()) return problems;
  table.records.assign(std::make_move_iterator(records.begin() + 1),
                       std::make_move_iterator(records.end()));
  if (table.records.empty() && noRow == NoRow::Refused)
    return Problem{file, table.headerLine, {}, "no data row", "at least one row"};
  for (const CsvRecord& record : table.records)
    if (record.fields.size() != table.header.size())
      return Problem{file,
                     record.line,
                     {},
                     fmt::format("{} fields", record.fields.size()),
                     fmt::format("{} fields, as in the header", table.header.size())};
  return table;
}

std::string csvText(const std::string& plain) {
  const std::string text = wouldRun(plain) ? "'" + plain : plain;
  if (text.find_first_of(",\"\r\n") == std::string::npos &&
      (text.empty() || (text.front() != ' ' && text.back() != ' ')))
    return text;
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"') out += '"';
    out += c;
  }
  return out + '"';
}

}  // namespace pp
