// A table view on a grid model, with lists where only some words will do.
#pragma once

#include <optional>

#include "app/grid/grid_model.h"
#include "app/grid/table.h"

namespace pp {

// Typing, F2 or a double click edits; Tab leaves the table.
// `wide` is the column that takes the room left.
Table* makeGridTable(const QString& name, GridModel* model, int wide = 0);

// The row of the job that is chosen in such a table, and how to choose one.
std::optional<std::size_t> chosenRow(const Table& table);
void chooseRow(Table& table, std::size_t jobRow);

}  // namespace pp
