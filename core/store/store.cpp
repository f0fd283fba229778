#include "core/store/store.h"

#include <SQLiteCpp/Backup.h>

#include <cstdlib>
#include <filesystem>

#include "core/shop/row_checks.h"
#include "core/store/inside.h"
#include "core/store/schema.h"

namespace pp {

Store::Store(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
Store::Store(Store&&) noexcept = default;
Store& Store::operator=(Store&&) noexcept = default;
Store::~Store() = default;

const std::string& Store::path() const {
  return inside_->path;
}

void Store::setPatience(int milliseconds) {
  inside_->db.setBusyTimeout(milliseconds);
}

namespace {

std::optional<Problem> tooNew(const std::string& path, int version) {
  if (version <= storeVersion()) return std::nullopt;
  return Problem{
      path,
      0,
      {},
      fmt::format("a store of version {}", version),
      fmt::format("one of version {} or before: a newer program wrote it", storeVersion())};
}

}  // namespace

Result<Store> Store::open(const std::string& path) {
  try {
    std::error_code error;
    const auto folder = std::filesystem::path(path).parent_path();
    if (!folder.empty()) std::filesystem::create_directories(folder, error);
    auto inside = std::make_unique<Inside>(path, SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    SQLite::Database& db = inside->db;
    const int version = db.execAndGet("PRAGMA user_version").getInt();
    if (auto problem = tooNew(path, version)) return *problem;
    if (version == 0 && inside->number("SELECT count(*) FROM sqlite_master") > 0)
      return Problem{path, 0, {}, "another program's tables", "the shop's store"};
    // A file that may only be read says so now and not in the midst of a cut.
    db.exec("PRAGMA journal_mode = WAL");
    db.exec("PRAGMA synchronous = FULL");
    db.exec("PRAGMA foreign_keys = ON");
    if (version > 0 && version < storeVersion()) {
      SQLite::Database copy(fmt::format("{}.version-{}", path, version),
                            SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
      SQLite::Backup(copy, db).executeStep();
    }
    migrate(db);
    return Store(std::move(inside));
  } catch (const SQLite::Exception& error) {
    return problemOf(path, error.getErrorCode(), error.what());
  }
}

Result<Store> Store::openToRead(const std::string& path) {
  try {
    auto inside = std::make_unique<Inside>(path, SQLite::OPEN_READONLY);
    const int version = inside->db.execAndGet("PRAGMA user_version").getInt();
    if (auto problem = tooNew(path, version)) return *problem;
    if (version != storeVersion())
      return Problem{path,
                     0,
                     {},
                     fmt::format("a store of version {}", version),
                     fmt::format("one of version {}: open it for writing once", storeVersion())};
    return Store(std::move(inside));
  } catch (const SQLite::Exception& error) {
    return problemOf(path, error.getErrorCode(), error.what());
  }
}

template <class Row>
Result<std::vector<Row>> Store::all() {
  Problems problems;
  auto out = inside_->read([&] { return inside_->rows<Row>("", problems); });
  if (!problems.empty()) return inside_->named(std::move(problems));
  return out;
}

template <class Row>
Result<Id> Store::add(Row row) {
  Id id = 0;
  Problems problems = inside_->write([&]() -> Problems {
    if constexpr (std::is_same_v<Row, RackPiece>) {
      constexpr std::int64_t kNext = -1;
      if (row.tag == kNext)
        row.tag = inside_->number("SELECT coalesce(max(tag), 0) + 1 FROM piece");
    }
    if (Problems wrong = problemsIn(row); !wrong.empty()) return wrong;
    id = inside_->insert(row);
    return {};
  });
  if (!problems.empty()) return problems;
  return id;
}

namespace {

std::optional<Problem> firstOf(const Problems& problems) {
  return problems.empty() ? std::nullopt : std::optional(problems.front());
}

Problem notThere(const char* table, Id id) {
  return {{}, 0, fmt::format("{} {}", table, id), "nothing", "a row of the store"};
}

}  // namespace

template <class Row>
std::optional<Problem> Store::change(const Row& row) {
  return firstOf(inside_->write([&]() -> Problems {
    if (Problems wrong = problemsIn(row); !wrong.empty()) return wrong;
    if (inside_->update(row) == 0) return {notThere(TableOf<Row>::kName, row.id)};
    return {};
  }));
}

template <class Row>
std::optional<Problem> Store::remove(Id id) {
  return firstOf(inside_->write([&]() -> Problems {
    if constexpr (std::is_same_v<Row, RackPiece>)
      for (const RackHolder& one : inside_->holders(id))
        if (one.held.reserved > 0)
          return {
              {{}, 0, inside_->named(id), "promised to " + one.name, "a piece that nobody has"}};
    if constexpr (std::is_same_v<Row, RackMaterial>)
      if (inside_->number(fmt::format("SELECT count(*) FROM piece WHERE material = {}", id)) > 0)
        return {{{},
                 0,
                 fmt::format("material {}", id),
                 "pieces of it in the rack",
                 "a material of which there is nothing"}};
    if constexpr (std::is_same_v<Row, RackMaterial>)
      inside_->db.exec(fmt::format("DELETE FROM reading WHERE material = {}", id));
    if constexpr (std::is_same_v<Row, RackPiece>) {
      inside_->db.exec(fmt::format("DELETE FROM returned WHERE piece = {}", id));
      inside_->db.exec(fmt::format("DELETE FROM holding WHERE piece = {}", id));
    }
    if (inside_->db.exec(fmt::format("DELETE FROM {} WHERE id = {}", TableOf<Row>::kName, id)) == 0)
      return {notThere(TableOf<Row>::kName, id)};
    return {};
  }));
}

template Result<std::vector<RackMaterial>> Store::all();
template Result<std::vector<RackPiece>> Store::all();
template Result<std::vector<LotReading>> Store::all();
template Result<std::vector<RackBanding>> Store::all();
template Result<std::vector<Hardware>> Store::all();
template Result<std::vector<ShopFinish>> Store::all();
template Result<Id> Store::add(RackMaterial);
template Result<Id> Store::add(RackPiece);
template Result<Id> Store::add(LotReading);
template Result<Id> Store::add(RackBanding);
template Result<Id> Store::add(Hardware);
template Result<Id> Store::add(ShopFinish);
template std::optional<Problem> Store::change(const RackMaterial&);
template std::optional<Problem> Store::change(const RackPiece&);
template std::optional<Problem> Store::change(const LotReading&);
template std::optional<Problem> Store::change(const RackBanding&);
template std::optional<Problem> Store::change(const Hardware&);
template std::optional<Problem> Store::change(const ShopFinish&);
template std::optional<Problem> Store::remove<RackMaterial>(Id);
template std::optional<Problem> Store::remove<RackPiece>(Id);
template std::optional<Problem> Store::remove<LotReading>(Id);
template std::optional<Problem> Store::remove<RackBanding>(Id);
template std::optional<Problem> Store::remove<Hardware>(Id);
template std::optional<Problem> Store::remove<ShopFinish>(Id);

Result<std::string> Store::setting(const std::string& name) {
  return inside_->read([&] {
    SQLite::Statement select(inside_->db, "SELECT value FROM setting WHERE name = ?");
    select.bind(1, name);
    return select.executeStep() ? select.getColumn(0).getString() : std::string();
  });
}

std::optional<Problem> Store::set(const std::string& name, const std::string& value) {
  return firstOf(inside_->write([&]() -> Problems {
    SQLite::Statement statement(inside_->db,
                                "INSERT INTO setting (name, value) VALUES (?, ?) "
                                "ON CONFLICT (name) DO UPDATE SET value = excluded.value");
    statement.bind(1, name);
    statement.bind(2, value);
    statement.exec();
    return {};
  }));
}

Problems Store::check() {
  Problems out;
  const auto looked = inside_->read([&] {
    SQLite::Statement whole(inside_->db, "PRAGMA integrity_check");
    while (whole.executeStep())
      if (const std::string said = whole.getColumn(0).getString(); said != "ok")
        out.push_back({{}, 0, "tables", shown(said), "a whole store"});
    SQLite::Statement keys(inside_->db, "PRAGMA foreign_key_check");
    while (keys.executeStep())
      out.push_back({{},
                     0,
                     keys.getColumn(0).getString(),
                     "a row that names one that is gone",
                     "rows that are there"});
    SQLite::Statement twice(
        inside_->db,
        fmt::format("SELECT p.id, {0} FROM piece p WHERE {0} < 0 ORDER BY p.id", kPiecesFree));
    while (twice.executeStep())
      out.push_back({{},
                     0,
                     inside_->named(twice.getColumn(0).getInt64()),
                     fmt::format("{} more promised than there are", -twice.getColumn(1).getInt64()),
                     "every piece promised once"});
    return true;
  });
  if (!looked) return looked.problems();
  return inside_->named(std::move(out));
}

std::string usualStorePath() {
  const auto set = [](const char* name) {
    const char* value = std::getenv(name);
    return value == nullptr ? std::string() : std::string(value);
  };
  std::filesystem::path base = set("XDG_DATA_HOME");
  if (!base.is_absolute()) base = std::filesystem::path(set("HOME")) / ".local" / "share";
  return (base / "plainpatch" / "shop.sqlite").string();
}

}  // namespace pp
