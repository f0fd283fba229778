// What the columns of the rack's tables show and how they are changed.
#pragma once

#include "app/stages/rack/grid_model.h"

namespace pp {

std::vector<GridColumn> materialColumns();
std::vector<GridColumn> stockColumns();
// The shop's saw, one row: kerf, trim, smallest leftover worth keeping.
std::vector<GridColumn> sawColumns();

}  // namespace pp
