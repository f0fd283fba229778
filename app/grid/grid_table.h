// A table view on a grid model, with lists where only some words will do.
#pragma once

#include <optional>

#include "app/grid/grid_model.h"
#include "app/grid/table.h"

namespace pp {

// Typing, F2 or a double click edits; Tab leaves the table.
// `wide` is the column that takes the room left.
Table* makeGridTable(const QString& name, GridModel* model, int wide = 0);

// The row that is chosen in such a table, as the job that is shown has it.
std::optional<std::size_t> shownRow(const Table& table);

// The job to be changed with the row of it that is chosen in such a table; none where no row is.
// Rows may have gone that are still shown: the draft is taken first, and its row is looked for
// then.
struct ChosenRow {
  Job draft;
  std::size_t row;
};
std::optional<ChosenRow> chosenRow(Session& session, const Table& table);
void chooseRow(Table& table, std::size_t jobRow);

}  // namespace pp
