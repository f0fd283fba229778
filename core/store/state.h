// What the shop's values are made of, read from the store at one moment.
#pragma once

#include "core/shop/job_rack.h"
#include "core/store/store.h"

namespace pp {

Result<ShopGoods> goodsOf(Store& store);
Result<StoreState> stateOf(Store& store, const std::string& job);

}  // namespace pp
