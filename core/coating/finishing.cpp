#include "core/coating/finishing.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

#include "core/breakdown/fittings.h"
#include "core/breakdown/glued.h"
#include "core/shop/shopping.h"

namespace pp::bench {
namespace {

constexpr std::int64_t kDay = 24 * 60;
constexpr std::int64_t kCm2PerM2 = 10'000;

std::int64_t upTo(std::int64_t amount, std::int64_t of) {
  return (amount + of - 1) / of;
}

// Work of so many minutes that can begin then.
std::int64_t beginOf(std::int64_t from, std::int64_t minutes, Hours hours) {
  const std::int64_t day = from / kDay;
  const std::int64_t time = std::max(from % kDay, hours.from);
  if (time + minutes <= hours.to || (time == hours.from && minutes > hours.to - hours.from))
    return day * kDay + time;
  return (day + 1) * kDay + hours.from;
}

const ShopFinish* finishFor(Finish finish, const std::vector<ShopFinish>& finishes) {
  const auto at = std::find_if(finishes.begin(), finishes.end(), [&](const ShopFinish& one) {
    return isFinish(one, finishName(finish));
  });
  return at == finishes.end() ? nullptr : &*at;
}

// All coats of a group, not yet in time.
std::vector<Coat> coatsOf(const Finished& group, std::size_t index, const ShopFinish* finish) {
  std::vector<Coat> out;
  if (finish == nullptr || finish->products.empty()) {
    out.emplace_back().group = index;
    return out;
  }
  for (const FinishProduct& product : finish->products)
    for (std::int64_t i = 0; i < product.coats; ++i) {
      Coat& coat = out.emplace_back();
      coat.group = index;
      coat.product = product;
      FinishProduct one = product;
      one.coats = 1;
      coat.millilitres = millilitresFor(one, group.cm2);
      coat.thinner = thinnerFor(coat.millilitres, product.thinning);
      coat.end = upTo(group.cm2 * product.minutes, kCm2PerM2);
      coat.coat = std::ssize(out);
    }
  for (Coat& coat : out) coat.of = std::ssize(out);
  return out;
}

}  // namespace

std::vector<Finished> finished(const std::vector<Pieces>& pieces, const Job& job) {
  using Key = std::pair<bool, Finish>;
  std::map<Key, Finished> byKey;
  std::map<Key, Area> areas, bare;
  std::set<std::string> whole;
  for (const Assembly& assembly : job.assemblies)
    if (assembly.finishedWhole) whole.insert(assembly.code);
  bool isWhole = false;
  const auto add = [&](Finish finish, Finished::Row row, std::size_t copies) {
    if (finish == Finish::None || row.area.all() == Area{}) return;
    if (isWhole) row.area.bare = {};
    const Key key(isWhole, finish);
    Finished& group = byKey[key];
    group.finish = finish;
    group.isWhole = isWhole;
    const auto times = static_cast<std::int64_t>(copies);
    areas[key] += times * row.area.all();
    bare[key] += times * row.area.bare;
    group.rows.push_back(row);
  };
  const std::vector<Part> parts = whereTheyStand(pieces);
  const std::vector<FinishArea> each = finishAreasOf(job, parts);
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    const Part& part = parts[row];
    const std::size_t copies = pieces[row].numbers.size();
    const FinishArea& area = each[row];
    isWhole = whole.count(part.assembly) > 0;
    if (!part.finishOutside || *part.finishOutside == part.finish) {
      add(part.finish, {row, true, true, true, area}, copies);
      continue;
    }
    add(part.finish, {row, true, false, true, {area.inside, {}, area.edges, area.bare}}, copies);
    add(*part.finishOutside, {row, false, true, false, {{}, area.outside, {}, {}}}, copies);
  }
  std::vector<Finished> out;
  for (auto& [key, group] : byKey) {
    group.cm2 = inCm2(areas[key]);
    group.bare = inCm2(bare[key]);
    out.push_back(std::move(group));
  }
  return out;
}

std::vector<Coat> coats(const std::vector<Finished>& groups,
                        const std::vector<ShopFinish>& finishes, std::int64_t start, Hours hours) {
  std::vector<std::vector<Coat>> waiting;
  for (std::size_t i = 0; i < groups.size(); ++i)
    waiting.push_back(coatsOf(groups[i], i, finishFor(groups[i].finish, finishes)));
  std::vector<std::int64_t> ready(groups.size(), start);
  std::vector<std::size_t> next(groups.size(), 0);
  const auto partsLeft = [&] {
    for (std::size_t i = 0; i < groups.size(); ++i)
      if (!groups[i].isWhole && next[i] < waiting[i].size()) return true;
    return false;
  };
  std::int64_t free = start;
  std::vector<Coat> out;
  for (;;) {
    std::optional<std::size_t> best;
    std::int64_t begin = 0;
    for (std::size_t i = 0; i < groups.size(); ++i) {
      if (next[i] == waiting[i].size() || (groups[i].isWhole && partsLeft())) continue;
      const std::int64_t at = beginOf(std::max(ready[i], free), waiting[i][next[i]].end, hours);
      if (best && at >= begin) continue;
      best = i;
      begin = at;
    }
    if (!best) return out;
    Coat coat = waiting[*best][next[*best]++];
    coat.begin = begin;
    coat.end += begin;
    coat.dry = coat.end + coat.product.drying;
    free = coat.end;
    ready[*best] = coat.dry;
    if (!groups[*best].isWhole)
      for (std::size_t i = 0; i < groups.size(); ++i)
        if (groups[i].isWhole) ready[i] = std::max(ready[i], coat.dry);
    out.push_back(std::move(coat));
  }
}

std::vector<Can> cansFor(const std::vector<Coat>& coats) {
  std::vector<Can> out;
  std::vector<std::int64_t> size;
  for (const Coat& coat : coats) {
    if (coat.product.name.empty()) continue;
    auto at = std::find_if(out.begin(), out.end(),
                           [&](const Can& can) { return can.product == coat.product.name; });
    if (at == out.end()) {
      out.push_back({coat.product.name, 0, coat.product.haveMillilitres, 0});
      size.push_back(coat.product.canMillilitres);
      at = std::prev(out.end());
    }
    at->millilitres += coat.millilitres;
  }
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i].cans = upTo(std::max<std::int64_t>(0, out[i].millilitres - out[i].have), size[i]);
  return out;
}

std::int64_t thinnerFor(std::int64_t millilitres, std::int64_t percent) {
  constexpr std::int64_t kAll = 100;
  if (percent <= 0 || percent >= kAll) return 0;
  return upTo(millilitres * percent, kAll - percent);
}

std::string coatName(Finish finish, std::int64_t coat) {
  return fmt::format("coat {} {}", finishName(finish), coat);
}

}  // namespace pp::bench
