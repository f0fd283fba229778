// The tables of the store, version by version.
#pragma once

#include <SQLiteCpp/Database.h>

namespace pp {

// The version that this program writes.
int storeVersion();

// Takes the tables from whatever version they are of to the newest, a version a transaction.
// Precondition: not of a newer one.
void migrate(SQLite::Database& db);

}  // namespace pp
