// The open file behind the store, and what its parts share.
#pragma once

#include <SQLiteCpp/Database.h>
#include <fmt/format.h>

#include "core/store/store.h"
#include "core/store/table.h"

namespace pp {

// What is wrong, by what SQLite says of it.
Problem problemOf(const std::string& path, int code, const std::string& said);

// "a", "b": each with that before it and a quote behind.
std::string list(const std::vector<std::string>& names, const char* before = "\"");

// SQL: what of a piece `p` is not cut into, and what of that is promised to nobody.
inline constexpr const char* kPiecesLeft =
    "p.count - (SELECT coalesce(sum(used), 0) FROM holding WHERE piece = p.id)";
inline constexpr const char* kPiecesFree =
    "p.count - (SELECT coalesce(sum(used + reserved), 0) FROM holding WHERE piece = p.id)";

inline constexpr int kBusyMilliseconds = 2'000;

struct Store::Inside {
  std::string path;
  SQLite::Database db;

  Inside(std::string at, int flags) : path(std::move(at)), db(path, flags, kBusyMilliseconds) {}

  // Runs in one transaction; whatever fails in it leaves everything as it was.
  template <class Work>
  Problems write(const Work& work) {
    try {
      db.exec("BEGIN IMMEDIATE");
      if (Problems problems = work(); !problems.empty()) {
        giveUp();
        return named(std::move(problems));
      }
      db.exec("COMMIT");
      return {};
    } catch (const SQLite::Exception& error) {
      giveUp();
      return {problemOf(path, error.getErrorCode(), error.what())};
    }
  }
  // Sees one state of all tables, whatever others write meanwhile.
  template <class Work>
  auto read(const Work& work) -> Result<decltype(work())> {
    try {
      db.exec("BEGIN");
      auto out = work();
      giveUp();
      return out;
    } catch (const SQLite::Exception& error) {
      giveUp();
      return problemOf(path, error.getErrorCode(), error.what());
    }
  }
  Problems named(Problems problems) const {
    for (Problem& problem : problems) problem.file = path;
    return problems;
  }

  // With the id first; `where` may be empty.
  template <class Row>
  std::vector<Row> rows(const std::string& where, Problems& problems) {
    SQLite::Statement select(
        db, fmt::format("SELECT p.id, {} FROM {} p {} ORDER BY p.id",
                        list(columnsOf<Row>(), "p.\""), TableOf<Row>::kName, where));
    std::vector<Row> out;
    while (select.executeStep()) {
      SqlReader reader(select, problems);
      out.emplace_back();
      out.back().id = reader.first();
      fields(reader, out.back());
    }
    return out;
  }

  // The id of what was inserted, which is the row's own where it has one.
  template <class Row>
  Id insert(const Row& row) {
    const std::vector<std::string> columns = columnsOf<Row>();
    std::string places;
    for (std::size_t i = 0; i < columns.size(); ++i) places += ", ?";
    SQLite::Statement statement(
        db, fmt::format("INSERT INTO {} ({}, id) VALUES ({}, ?)", TableOf<Row>::kName,
                        list(columns), places.substr(2)));
    SqlWriter writer(statement);
    fields(writer, const_cast<Row&>(row));
    if (row.id != 0)
      statement.bind(writer.bound() + 1, row.id);
    else
      statement.bind(writer.bound() + 1);
    statement.exec();
    return db.getLastInsertRowid();
  }

  template <class Row>
  int update(const Row& row) {
    std::string sets;
    for (const std::string& column : columnsOf<Row>())
      sets += fmt::format("{}\"{}\" = ?", sets.empty() ? "" : ", ", column);
    SQLite::Statement statement(
        db, fmt::format("UPDATE {} SET {} WHERE id = ?", TableOf<Row>::kName, sets));
    SqlWriter writer(statement);
    fields(writer, const_cast<Row&>(row));
    statement.bind(writer.bound() + 1, row.id);
    return statement.exec();
  }

  std::int64_t number(const std::string& sql) { return db.execAndGet(sql).getInt64(); }

  // Ends what was begun and not done; a BEGIN that failed may have begun.
  void giveUp();
  // "R12, ash 18, 900 × 400".
  std::string named(Id piece);
  // The job is known from now on; its seq never falls.
  void mention(const std::string& job, const std::string& name, std::int64_t seq);
  void hold(const std::string& job, const Held& held);
  // Of all its cuttings where none is given.
  void release(const std::string& job, std::optional<int> cutting);
  Id materialLike(RackMaterial material);
  void returned(const std::string& job, int cutting, const std::string& leftover, Id piece);
  // The tags of what a job gave back, by cutting and leftover.
  std::map<std::pair<int, std::string>, std::int64_t> tags(const std::string& job);
  std::vector<RackHolder> holders(Id piece);
};

}  // namespace pp
