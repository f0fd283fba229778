#include "core/store/state.h"

#include <utility>

#include "core/shop/house_rules.h"

namespace pp {

Result<ShopGoods> goodsOf(Store& store) {
  ShopGoods out;
  Problems problems;
  const auto into = [&problems](auto& rows, auto read) {
    if (read)
      rows = std::move(read).value();
    else
      problems = read.problems();
  };
  into(out.materials, store.all<RackMaterial>());
  into(out.rack, store.rack());
  into(out.bandings, store.all<RackBanding>());
  into(out.hardware, store.all<Hardware>());
  into(out.finishes, store.all<ShopFinish>());
  if (!problems.empty()) return problems;
  return out;
}

Result<StoreState> stateOf(Store& store, const std::string& job) {
  StoreState out;
  auto goods = goodsOf(store);
  if (!goods) return goods.problems();
  static_cast<ShopGoods&>(out) = std::move(goods).value();
  Problems problems;
  const auto into = [&problems](auto& to, auto read) {
    if (read)
      to = std::move(read).value();
    else
      problems = read.problems();
  };
  into(out.own, store.heldBy(job));
  into(out.tags, store.tags(job));
  into(out.jobs, store.wants());
  into(out.readings, store.all<LotReading>());
  into(out.rulesMm, store.setting(houseRulesName(Unit::Millimetre)));
  into(out.rulesIn, store.setting(houseRulesName(Unit::Inch)));
  into(out.testCuts, store.setting(kTestCuts));
  into(out.samples, store.setting(kSamples));
  if (!problems.empty()) return problems;
  return out;
}

}  // namespace pp
