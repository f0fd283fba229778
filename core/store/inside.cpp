#include "core/store/inside.h"

#include <sqlite3.h>

#include "core/length/format.h"

namespace pp {

Problem problemOf(const std::string& path, int code, const std::string& said) {
  switch (code & 0xff) {
    case SQLITE_BUSY:
    case SQLITE_LOCKED:
      return {
          path, 0, {}, "another window that is writing it", "that it ends; nothing was changed"};
    case SQLITE_READONLY:
    case SQLITE_PERM:
    case SQLITE_AUTH:
      return {path, 0, {}, "a store that may only be read", "one that may be written"};
    case SQLITE_FULL:
      return {path, 0, {}, "a full disk", "room on it; nothing was changed"};
    case SQLITE_CANTOPEN:
      return {path, 0, {}, "nothing that can be opened", "the shop's store"};
    case SQLITE_CORRUPT:
    case SQLITE_NOTADB:
      return {path, 0, {}, "something that is no store, or a broken one", "the shop's store"};
    default:
      return {path, 0, {}, shown(said), "no failure of the store"};
  }
}

std::string list(const std::vector<std::string>& names, const char* before) {
  std::string out;
  for (const std::string& name : names) out += (out.empty() ? "" : ", ") + (before + name) + "\"";
  return out;
}

void Store::Inside::giveUp() {
  if (sqlite3_get_autocommit(db.getHandle()) == 0) db.tryExec("ROLLBACK");
}

std::string Store::Inside::named(Id piece) {
  SQLite::Statement select(db,
                           "SELECT m.name, m.nominal, p.length, p.width, p.tag FROM piece p "
                           "JOIN material m ON m.id = p.material WHERE p.id = ?");
  select.bind(1, piece);
  if (!select.executeStep()) return fmt::format("piece {}", piece);
  const auto mm = [&select](int column) {
    return formatMm(Length::nm(select.getColumn(column).getInt64()));
  };
  const std::int64_t tag = select.getColumn(4).getInt64();
  return fmt::format("{}{} {}, {} × {}", tag > 0 ? fmt::format("R{}, ", tag) : "",
                     select.getColumn(0).getString(), mm(1), mm(2), mm(3));
}

void Store::Inside::mention(const std::string& job, const std::string& name, std::int64_t seq) {
  SQLite::Statement known(db,
                          "INSERT INTO job (id, name, seq) VALUES (?, ?, ?) "
                          "ON CONFLICT (id) DO UPDATE SET name = excluded.name, "
                          "seq = max(seq, excluded.seq)");
  known.bind(1, job);
  known.bind(2, name);
  known.bind(3, seq);
  known.exec();
}

void Store::Inside::hold(const std::string& job, const Held& held) {
  SQLite::Statement statement(
      db, "INSERT INTO holding (job, cutting, piece, reserved, used) VALUES (?, ?, ?, ?, ?)");
  statement.bind(1, job);
  statement.bind(2, held.cutting);
  statement.bind(3, held.piece);
  statement.bind(4, held.reserved);
  statement.bind(5, held.used);
  statement.exec();
}

void Store::Inside::release(const std::string& job, std::optional<int> cutting) {
  SQLite::Statement statement(
      db, fmt::format("DELETE FROM holding WHERE job = ?{}", cutting ? " AND cutting = ?" : ""));
  statement.bind(1, job);
  if (cutting) statement.bind(2, *cutting);
  statement.exec();
}

std::vector<RackHolder> Store::Inside::holders(Id piece) {
  SQLite::Statement select(db,
                           "SELECT j.id, j.name, h.cutting, h.reserved, h.used FROM holding h "
                           "JOIN job j ON j.id = h.job WHERE h.piece = ? "
                           "ORDER BY j.name, j.id, h.cutting");
  select.bind(1, piece);
  std::vector<RackHolder> out;
  while (select.executeStep())
    out.push_back({select.getColumn(0).getString(),
                   select.getColumn(1).getString(),
                   {piece, select.getColumn(2).getInt(), select.getColumn(3).getInt64(),
                    select.getColumn(4).getInt64()}});
  return out;
}

Id Store::Inside::materialLike(RackMaterial material) {
  SQLite::Statement select(db, "SELECT id FROM material WHERE name = ? AND nominal = ?");
  select.bind(1, material.name);
  select.bind(2, material.nominal.inNm());
  if (select.executeStep()) return select.getColumn(0).getInt64();
  material.id = 0;
  return insert(material);
}

void Store::Inside::returned(const std::string& job, int cutting, const std::string& leftover,
                             Id piece) {
  SQLite::Statement came(
      db, "INSERT INTO returned (job, cutting, leftover, piece) VALUES (?, ?, ?, ?)");
  came.bind(1, job);
  came.bind(2, cutting);
  came.bind(3, leftover);
  came.bind(4, piece);
  came.exec();
}

std::map<std::pair<int, std::string>, std::int64_t> Store::Inside::tags(const std::string& job) {
  SQLite::Statement select(db,
                           "SELECT r.cutting, r.leftover, p.tag FROM returned r JOIN piece p "
                           "ON p.id = r.piece WHERE r.job = ?");
  select.bind(1, job);
  std::map<std::pair<int, std::string>, std::int64_t> out;
  while (select.executeStep())
    out[{select.getColumn(0).getInt(), select.getColumn(1).getString()}] =
        select.getColumn(2).getInt64();
  return out;
}

}  // namespace pp
