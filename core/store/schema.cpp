#include "core/store/schema.h"

#include <SQLiteCpp/Transaction.h>
#include <fmt/format.h>

#include <array>

namespace pp {
namespace {

// The n-th takes version n to n + 1. One that was ever released is not changed again.
constexpr std::array kMigrations = {
    // Lengths are nanometres, money ten-thousandths; lists within a row are JSON.
    R"(
CREATE TABLE material (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL CHECK (name <> ''),
  nominal INTEGER NOT NULL CHECK (nominal > 0),
  measured INTEGER NOT NULL CHECK (measured > 0),
  grained INTEGER NOT NULL,
  tone TEXT NOT NULL,
  density INTEGER NOT NULL CHECK (density > 0),
  stiffness INTEGER NOT NULL CHECK (stiffness > 0),
  lumber INTEGER NOT NULL,
  UNIQUE (name, nominal)
);
CREATE TABLE piece (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  kind TEXT NOT NULL,
  material INTEGER NOT NULL REFERENCES material (id),
  tag INTEGER NOT NULL,
  lot TEXT NOT NULL,
  measured INTEGER CHECK (measured > 0),
  length INTEGER NOT NULL CHECK (length > 0),
  width INTEGER NOT NULL CHECK (width > 0),
  grain TEXT NOT NULL,
  twoGoodFaces INTEGER NOT NULL,
  count INTEGER NOT NULL CHECK (count > 0),
  price INTEGER NOT NULL,
  place TEXT NOT NULL,
  note TEXT NOT NULL,
  defects TEXT NOT NULL,
  came TEXT NOT NULL
);
CREATE UNIQUE INDEX piece_tag ON piece (tag) WHERE tag > 0;
CREATE INDEX piece_material ON piece (material, length, width);
CREATE TABLE banding (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (name <> ''),
  thickness INTEGER NOT NULL CHECK (thickness > 0),
  width INTEGER NOT NULL CHECK (width > 0),
  rollLength INTEGER NOT NULL CHECK (rollLength > 0),
  deduct INTEGER NOT NULL,
  price INTEGER NOT NULL,
  "left" INTEGER NOT NULL CHECK ("left" >= 0)
);
CREATE TABLE hardware (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  kind TEXT NOT NULL,
  name TEXT NOT NULL UNIQUE CHECK (name <> ''),
  length INTEGER NOT NULL CHECK (length >= 0),
  have INTEGER NOT NULL CHECK (have >= 0),
  pack INTEGER NOT NULL CHECK (pack > 0),
  price INTEGER NOT NULL,
  note TEXT NOT NULL
);
CREATE TABLE finish (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (name <> ''),
  products TEXT NOT NULL
);
-- Jobs that hold something of the rack, and how far their journals have been followed.
CREATE TABLE job (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  seq INTEGER NOT NULL
);
-- What a cutting of a job has of a row of the rack: promised to it, and cut into.
CREATE TABLE holding (
  job TEXT NOT NULL REFERENCES job (id),
  cutting INTEGER NOT NULL,
  piece INTEGER NOT NULL REFERENCES piece (id),
  reserved INTEGER NOT NULL CHECK (reserved >= 0),
  used INTEGER NOT NULL CHECK (used >= 0),
  PRIMARY KEY (job, cutting, piece)
) WITHOUT ROWID;
CREATE INDEX holding_piece ON holding (piece);
-- Leftovers that came back into the rack, each once.
CREATE TABLE returned (
  job TEXT NOT NULL REFERENCES job (id),
  cutting INTEGER NOT NULL,
  leftover TEXT NOT NULL,
  piece INTEGER NOT NULL UNIQUE REFERENCES piece (id),
  PRIMARY KEY (job, cutting, leftover)
) WITHOUT ROWID;
-- House rules and whatever else is one text.
CREATE TABLE setting (
  name TEXT PRIMARY KEY,
  value TEXT NOT NULL
) WITHOUT ROWID;
)",
    // How thick a lot was, reading by reading.
    R"(
CREATE TABLE reading (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  material INTEGER NOT NULL REFERENCES material (id),
  lot TEXT NOT NULL,
  thickness INTEGER NOT NULL CHECK (thickness > 0),
  taken TEXT NOT NULL
);
CREATE INDEX reading_lot ON reading (material, lot);
)",
    // What every job needs of the shop, as JSON; empty: nothing, or not said.
    R"(
ALTER TABLE job ADD COLUMN wants TEXT NOT NULL DEFAULT '';
)",
    // The smallest leftover of a material that the shop keeps; null: as the job has it.
    R"(
ALTER TABLE material ADD COLUMN keepLong INTEGER CHECK (keepLong > 0);
ALTER TABLE material ADD COLUMN keepShort INTEGER CHECK (keepShort > 0);
)",
};

}  // namespace

int storeVersion() {
  return static_cast<int>(kMigrations.size());
}

void migrate(SQLite::Database& db) {
  for (int version = db.execAndGet("PRAGMA user_version").getInt(); version < storeVersion();
       ++version) {
    SQLite::Transaction step(db, SQLite::TransactionBehavior::IMMEDIATE);
    // Another process may have been faster.
    if (db.execAndGet("PRAGMA user_version").getInt() != version) continue;
    db.exec(kMigrations[static_cast<std::size_t>(version)]);
    db.exec(fmt::format("PRAGMA user_version = {}", version + 1));
    step.commit();
  }
}

}  // namespace pp
