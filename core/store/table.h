// A row of the store to and from SQL, by the same description of its fields that the JSON has.
#pragma once

#include <SQLiteCpp/Database.h>
#include <SQLiteCpp/Statement.h>
#include <fmt/format.h>

#include "core/store/fields.h"

namespace pp {

template <class Row>
struct TableOf;
template <>
struct TableOf<RackMaterial> {
  static constexpr const char* kName = "material";
};
template <>
struct TableOf<RackPiece> {
  static constexpr const char* kName = "piece";
};
template <>
struct TableOf<LotReading> {
  static constexpr const char* kName = "reading";
};
template <>
struct TableOf<RackBanding> {
  static constexpr const char* kName = "banding";
};
template <>
struct TableOf<Hardware> {
  static constexpr const char* kName = "hardware";
};
template <>
struct TableOf<ShopFinish> {
  static constexpr const char* kName = "finish";
};

// Collects the columns.
class ColumnNames {
 public:
  template <class T>
  void operator()(const char* name, const T&) {
    names_.push_back(name);
  }
  template <class T>
  void must(const char* name, const T&) {
    names_.push_back(name);
  }
  template <class T>
  void choice(const char* name, const T&, const Choices<T>&) {
    names_.push_back(name);
  }
  void id(const char*, Id) {}
  const std::vector<std::string>& names() const { return names_; }

 private:
  std::vector<std::string> names_;
};

template <class Row>
std::vector<std::string> columnsOf() {
  ColumnNames names;
  Row row;
  fields(names, row);
  return names.names();
}

// Binds the columns in turn.
class SqlWriter {
 public:
  explicit SqlWriter(SQLite::Statement& statement) : statement_(statement) {}
  void operator()(const char*, const std::string& value) { statement_.bind(++at_, value); }
  void operator()(const char*, std::int64_t value) { statement_.bind(++at_, value); }
  void operator()(const char*, bool value) { statement_.bind(++at_, value ? 1 : 0); }
  void operator()(const char*, const Length& value) { statement_.bind(++at_, value.inNm()); }
  void operator()(const char*, const Money& value) {
    statement_.bind(++at_, value.inTenThousandths());
  }
  void operator()(const char* name, const std::optional<Length>& value) {
    if (value)
      (*this)(name, *value);
    else
      statement_.bind(++at_);
  }
  template <class T>
  void operator()(const char* name, const std::vector<T>& values) {
    JsonWriter list;
    list(name, values);
    statement_.bind(++at_, list.take()[name].dump());
  }
  template <class T>
  void must(const char* name, const T& value) {
    (*this)(name, value);
  }
  template <class T>
  void choice(const char*, const T& value, const Choices<T>& choices) {
    for (const auto& [word, meaning] : choices)
      if (meaning == value) return statement_.bind(++at_, std::string(word));
  }
  void id(const char*, Id) {}
  int bound() const { return at_; }

 private:
  SQLite::Statement& statement_;
  int at_ = 0;
};

// Reads the columns in turn, the id first. What no program of this version has written is a
// problem.
class SqlReader {
 public:
  SqlReader(SQLite::Statement& statement, Problems& problems)
      : statement_(statement), problems_(problems) {}
  void operator()(const char*, std::string& value) { value = next().getString(); }
  void operator()(const char*, std::int64_t& value) { value = next().getInt64(); }
  void operator()(const char*, bool& value) { value = next().getInt() != 0; }
  void operator()(const char*, Length& value) { value = Length::nm(next().getInt64()); }
  void operator()(const char*, Money& value) { value = Money::tenThousandths(next().getInt64()); }
  void operator()(const char*, std::optional<Length>& value) {
    const SQLite::Column column = next();
    value.reset();
    if (!column.isNull()) value = Length::nm(column.getInt64());
  }
  template <class T>
  void operator()(const char* name, std::vector<T>& values) {
    const std::string text = next().getString();
    values.clear();
    if (text == "[]") return;  // as most are
    const auto json = parseJson({}, text);
    if (!json) return refuse(name, json.problems().front().found);
    OrderedJson object = {{name, json.value()}};
    JsonReader reader(object, {}, problems_);
    reader(name, values);
  }
  template <class T>
  void must(const char* name, T& value) {
    (*this)(name, value);
  }
  template <class T>
  void choice(const char* name, T& value, const Choices<T>& choices) {
    const std::string found = next().getString();
    for (const auto& [word, meaning] : choices)
      if (found == word) {
        value = meaning;
        return;
      }
    refuse(name, found);
  }
  // It stands before all others.
  void id(const char*, Id&) {}
  Id first() { return next().getInt64(); }

 private:
  SQLite::Column next() { return statement_.getColumn(at_++); }
  void refuse(const char* name, const std::string& found) {
    problems_.push_back({{}, 0, name, shown(found), "what a program of this version writes"});
  }

  SQLite::Statement& statement_;
  Problems& problems_;
  int at_ = 0;
};

}  // namespace pp
