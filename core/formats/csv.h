// Comma-separated tables with a header line (RFC 4180), as the exchange formats describe them.
#pragma once

#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <vector>

#include "core/length/length.h"
#include "core/result/result.h"

namespace pp {

struct CsvRecord {
  std::size_t line = 0;             // physical line on which the record begins
  std::vector<std::string> fields;  // as many as the header
};

struct CsvTable {
  std::string file;          // name used in problems
  std::optional<Unit> unit;  // from a first line `# unit: mm`
  std::size_t headerLine = 0;
  std::vector<std::string> header;
  std::vector<CsvRecord> records;

  // Index of a column, none where the table does not have it.
  std::optional<std::size_t> column(std::string_view name) const;
  // The field of that column, empty where the table does not have it.
  const std::string& field(const CsvRecord& record, std::string_view name) const;
};

// Reads a table, texts as they were before csvText() made them harmless. Refused: what is not
// UTF-8, NUL, stray quotes, a duplicate or missing column, a record shorter or longer than the
// header, and no record at all where the list may not be empty. A byte order mark and CRLF are
// taken.
enum class NoRow { Refused, Taken };
Result<CsvTable> readCsv(const std::string& file, std::string_view text,
                         const std::vector<std::string>& neededColumns,
                         NoRow noRow = NoRow::Refused);

// A text as a field, quoted where it must be. One that a spreadsheet would take for a formula (=,
// +,
// - or @, also of full width and behind blanks, or a tab or carriage return) gets an apostrophe
// before it, which readCsv() takes off.
std::string csvText(const std::string& text);

}  // namespace pp
