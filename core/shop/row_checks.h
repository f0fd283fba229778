// What is wrong with a row before it goes into the store; the field names are the columns.
#pragma once

#include "core/result/result.h"
#include "core/shop/rows.h"

namespace pp {

Problems problemsIn(const RackMaterial& row);
Problems problemsIn(const RackPiece& row);
Problems problemsIn(const LotReading& row);
Problems problemsIn(const RackBanding& row);
Problems problemsIn(const Hardware& row);
Problems problemsIn(const ShopFinish& row);

}  // namespace pp
