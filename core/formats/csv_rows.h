// Reads the fields of one record of a table after another and collects what is wrong with them.
#pragma once

#include <set>
#include <string>
#include <utility>
#include <vector>

#include "core/formats/csv.h"
#include "core/length/parse.h"

namespace pp {

// Reads the fields of one table's records and gathers what is wrong with them.
class Rows {
 public:
  Rows(const CsvTable& table, std::optional<Unit> fallback)
      : table_(table), unit_(table.unit ? table.unit : fallback) {}

  void at(const CsvRecord& record) { record_ = &record; }
  const std::string& text(const char* column) const { return table_.field(*record_, column); }
  static constexpr std::size_t kMostProblems = 50;
  bool full() const { return problems_.size() >= kMostProblems; }
  Problems take() { return std::move(problems_); }

  void refuse(const char* column, const std::string& found, const std::string& expected) {
    problems_.push_back({table_.file, record_->line, column, found, expected});
  }

  std::string needed(const char* column) {
    if (text(column).empty()) refuse(column, "nothing", "a value");
    return text(column);
  }

  Length length(const char* column, bool zeroAllowed) {
    const auto value = parseLength(text(column), unit_);
    if (!value) {
      refuse(column, value.problems().front().found, value.problems().front().expected);
      return {};
    }
    if (*value < Length{} || (!zeroAllowed && *value == Length{}))
      refuse(column, "'" + shown(text(column)) + "'", zeroAllowed ? "0 or more" : "more than 0");
    return *value;
  }

  std::optional<Length> optionalLength(const char* column, bool zeroAllowed) {
    if (text(column).empty()) return std::nullopt;
    return length(column, zeroAllowed);
  }

  std::int64_t count(const char* column, std::int64_t least, std::int64_t most) {
    const auto value = parseCount(text(column), least, most);
    if (!value) refuse(column, value.problems().front().found, value.problems().front().expected);
    return value ? *value : least;
  }

  Money money(const char* column) {
    if (text(column).empty()) return {};
    const auto value = parseMoney(text(column));
    if (!value) refuse(column, value.problems().front().found, value.problems().front().expected);
    return value ? *value : Money{};
  }

  template <class T>
  T choice(const char* column, const std::vector<std::pair<std::string, T>>& choices, T fallback) {
    const std::string& value = text(column);
    if (value.empty()) return fallback;
    std::string names;
    for (const auto& [name, meaning] : choices) {
      if (name == value) return meaning;
      names += (names.empty() ? "" : ", ") + name;
    }
    refuse(column, "'" + shown(value) + "'", "one of " + names);
    return fallback;
  }

  void unique(const char* column, std::set<std::string>& seen) {
    if (!text(column).empty() && !seen.insert(text(column)).second)
      refuse(column, "'" + shown(text(column)) + "' a second time", "each once");
  }

 private:
  const CsvTable& table_;
  std::optional<Unit> unit_;
  const CsvRecord* record_ = nullptr;
  Problems problems_;
};

}  // namespace pp
