// A row of the store to and from SQL, by the same description of its fields that the JSON has.
#pragma once

#include <SQLiteCpp/Database.h>
#include <SQLiteCpp/Statement.h>

#include "core/fields/archive.h"
#include "core/result/result.h"
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

// What a row of the store may hold, for each archive of rows: texts, whole numbers, sizes, prices,
// one word of several, and lists, which are kept as JSON. Its id is no column among the others.
class RowArchive : public Archive {
 public:
  using Archive::plain;
  void id(const char*, Id&) override {}
  bool required(const char*) override { return true; }
  void refuse(const char*, const std::string&) override {}
  void refuse(const char*, const std::string&, const std::string&) override {}
  std::vector<std::string> names() override { return {}; }
  bool isList(const char*) override { return false; }
  // No row has any of these.
  void plain(const char*, Angle&) override;
  void plain(const char*, PartKey&) override;
  void plain(const char*, std::size_t&) override;
  void lengthOr(const char*, std::optional<Length>&, const char*) override;
  void object(const char*, const Described&) override;
};

// Collects the columns.
class ColumnNames : public RowArchive {
 public:
  using RowArchive::plain;
  bool reads() const override { return false; }
  void plain(const char* name, std::string&) override { columns_.push_back(name); }
  void plain(const char* name, Length&) override { columns_.push_back(name); }
  void plain(const char* name, Money&) override { columns_.push_back(name); }
  void plain(const char* name, bool&) override { columns_.push_back(name); }
  void plain(const char* name, int&) override { columns_.push_back(name); }
  void plain(const char* name, std::int64_t&) override { columns_.push_back(name); }
  void word(const char* name, std::size_t&, const WordTable&) override { columns_.push_back(name); }
  void list(const char* name, const RowTable&) override { columns_.push_back(name); }
  bool present(const char* name, bool) override {
    columns_.push_back(name);
    return false;
  }
  const std::vector<std::string>& columns() const { return columns_; }

 private:
  std::vector<std::string> columns_;
};

template <class Row>
std::vector<std::string> columnsOf() {
  ColumnNames names;
  Row row;
  fields(names, row);
  return names.columns();
}

// Binds the columns in turn.
class SqlWriter : public RowArchive {
 public:
  using RowArchive::plain;
  explicit SqlWriter(SQLite::Statement& statement) : statement_(statement) {}
  bool reads() const override { return false; }
  void plain(const char*, std::string& value) override;
  void plain(const char*, Length& value) override;
  void plain(const char*, Money& value) override;
  void plain(const char*, bool& value) override;
  void plain(const char*, int& value) override;
  void plain(const char*, std::int64_t& value) override;
  void word(const char*, std::size_t& at, const WordTable& words) override;
  void list(const char* name, const RowTable& rows) override;
  bool present(const char*, bool has) override;
  int bound() const { return at_; }

 private:
  SQLite::Statement& statement_;
  int at_ = 0;
};

// Reads the columns in turn, the id first. What no program of this version has written is a
// problem.
class SqlReader : public RowArchive {
 public:
  using RowArchive::plain;
  SqlReader(SQLite::Statement& statement, Problems& problems)
      : statement_(statement), problems_(problems) {}
  bool reads() const override { return true; }
  void plain(const char*, std::string& value) override;
  void plain(const char*, Length& value) override;
  void plain(const char*, Money& value) override;
  void plain(const char*, bool& value) override;
  void plain(const char*, int& value) override;
  void plain(const char*, std::int64_t& value) override;
  void word(const char* name, std::size_t& at, const WordTable& words) override;
  void list(const char* name, const RowTable& rows) override;
  bool present(const char*, bool) override;
  // It stands before all others.
  Id first() { return next().getInt64(); }

 private:
  SQLite::Column next() { return statement_.getColumn(at_++); }
  void refused(const char* name, const std::string& found);

  SQLite::Statement& statement_;
  Problems& problems_;
  int at_ = 0;
};

}  // namespace pp
