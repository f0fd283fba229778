#include "core/store/table.h"

#include <stdexcept>

#include "core/fields/json_archive.h"

namespace pp {
namespace {

[[noreturn]] void notInARow(const char* name) {
  throw std::logic_error(std::string("no column can hold the field ") + name);
}

}  // namespace

void RowArchive::plain(const char* name, Angle&) {
  notInARow(name);
}
void RowArchive::plain(const char* name, PartKey&) {
  notInARow(name);
}
void RowArchive::plain(const char* name, std::size_t&) {
  notInARow(name);
}
void RowArchive::lengthOr(const char* name, std::optional<Length>&, const char*) {
  notInARow(name);
}
void RowArchive::object(const char* name, const Described&) {
  notInARow(name);
}

void SqlWriter::plain(const char*, std::string& value) {
  statement_.bind(++at_, value);
}
void SqlWriter::plain(const char*, Length& value) {
  statement_.bind(++at_, value.inNm());
}
void SqlWriter::plain(const char*, Money& value) {
  statement_.bind(++at_, value.inTenThousandths());
}
void SqlWriter::plain(const char*, bool& value) {
  statement_.bind(++at_, value ? 1 : 0);
}
void SqlWriter::plain(const char*, int& value) {
  statement_.bind(++at_, value);
}
void SqlWriter::plain(const char*, std::int64_t& value) {
  statement_.bind(++at_, value);
}
void SqlWriter::word(const char* name, std::size_t& at, const WordTable& words) {
  if (at >= words.count) notInARow(name);
  statement_.bind(++at_, std::string(words.word(words.rows, at)));
}
void SqlWriter::list(const char*, const RowTable& rows) {
  statement_.bind(++at_, listText(rows));
}
bool SqlWriter::present(const char*, bool has) {
  if (!has) statement_.bind(++at_);
  return has;
}

void SqlReader::plain(const char*, std::string& value) {
  value = next().getString();
}
void SqlReader::plain(const char*, Length& value) {
  value = Length::nm(next().getInt64());
}
void SqlReader::plain(const char*, Money& value) {
  value = Money::tenThousandths(next().getInt64());
}
void SqlReader::plain(const char*, bool& value) {
  value = next().getInt() != 0;
}
void SqlReader::plain(const char*, int& value) {
  value = next().getInt();
}
void SqlReader::plain(const char*, std::int64_t& value) {
  value = next().getInt64();
}
void SqlReader::word(const char* name, std::size_t& at, const WordTable& words) {
  const std::string found = next().getString();
  for (std::size_t i = 0; i < words.count; ++i)
    if (found == words.word(words.rows, i)) {
      at = i;
      return;
    }
  refused(name, found);
}
void SqlReader::list(const char* name, const RowTable& rows) {
  const std::string text = next().getString();
  rows.clear(rows.rows);
  if (text == "[]") return;  // as most are
  for (const Problem& problem : readList(text, name, rows)) refused(name, problem.found);
}
bool SqlReader::present(const char*, bool) {
  const bool has = !statement_.getColumn(at_).isNull();
  if (!has) ++at_;
  return has;
}
void SqlReader::refused(const char* name, const std::string& found) {
  problems_.push_back({{}, 0, name, shown(found), "what a program of this version writes"});
}

}  // namespace pp
