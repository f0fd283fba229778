// The kinds of rows that the shop owns, with the columns of each.
#pragma once

#include "app/shop/store_model.h"

namespace pp {

// Lengths are shown and typed in the way of the job that is open.
std::unique_ptr<StoreRows> pieceRows(const Session& session);
std::unique_ptr<StoreRows> materialRows(const Session& session);
std::unique_ptr<StoreRows> readingRows(const Session& session);
std::unique_ptr<StoreRows> bandingRows(const Session& session);
std::unique_ptr<StoreRows> hardwareRows(const Session& session);
// A row a product, in the order in which they go on.
std::unique_ptr<StoreRows> finishRows();

}  // namespace pp
