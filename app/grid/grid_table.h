// A table view on a grid model, with lists where only some words will do.
#pragma once

#include <QTableView>

#include "app/grid/grid_model.h"

namespace pp {

// Typing, F2 or a double click edits; Tab leaves the table.
QTableView* makeGridTable(const QString& name, GridModel* model);

}  // namespace pp
