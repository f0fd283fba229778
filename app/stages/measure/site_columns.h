// What the tables of the place show and how they are changed.
#pragma once

#include "app/grid/grid_model.h"

namespace pp {

// The sizes read, a row each. A first reading is covered until there is a second one.
std::vector<GridColumn> sizeColumns();
std::vector<GridColumn> wallColumns();
std::vector<GridColumn> obstacleColumns();
// Which assembly stands where.
std::vector<GridColumn> standColumns();
// The way in, a gate a row.
std::vector<GridColumn> gateColumns();

}  // namespace pp
