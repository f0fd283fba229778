// What the columns of the editable tables show and how they are changed.
#pragma once

#include "app/grid/grid_model.h"

namespace pp {

std::vector<GridColumn> materialColumns();
std::vector<GridColumn> stockColumns();
// How the shop saws, one row: kerf, trim, what is kept and carried, how long things take.
std::vector<GridColumn> sawColumns();
// The saws themselves, a row each.
std::vector<GridColumn> machineColumns();
// Drawer slides, a row a kind and length.
std::vector<GridColumn> slideColumns();
std::vector<GridColumn> bandingColumns();
// What is bought ready made, a row a thing.
std::vector<GridColumn> boughtColumns();
// Boards that belong to no assembly.
std::vector<GridColumn> looseColumns();

}  // namespace pp
