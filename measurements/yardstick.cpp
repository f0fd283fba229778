#include "measurements/yardstick.h"

#include <algorithm>
#include <chrono>
#include <limits>
#include <vector>

#include "core/nest/sheet/random.h"

namespace pp::bench {
namespace {

using Nm = std::int64_t;

struct Rect {
  Nm x, y, w, h;
};

struct Bin {
  std::vector<Rect> open;
};

void place(Bin& bin, const Rect& used) {
  std::vector<Rect> next;
  for (const Rect& r : bin.open) {
    if (used.x >= r.x + r.w || used.x + used.w <= r.x || used.y >= r.y + r.h ||
        used.y + used.h <= r.y) {
      next.push_back(r);
      continue;
    }
    if (used.x > r.x) next.push_back({r.x, r.y, used.x - r.x, r.h});
    if (used.x + used.w < r.x + r.w)
      next.push_back({used.x + used.w, r.y, r.x + r.w - used.x - used.w, r.h});
    if (used.y > r.y) next.push_back({r.x, r.y, r.w, used.y - r.y});
    if (used.y + used.h < r.y + r.h)
      next.push_back({r.x, used.y + used.h, r.w, r.y + r.h - used.y - used.h});
  }
  bin.open.clear();
  for (std::size_t i = 0; i < next.size(); ++i) {
    bool inside = false;
    for (std::size_t k = 0; k < next.size() && !inside; ++k)
      inside = k != i && next[i].x >= next[k].x && next[i].y >= next[k].y &&
               next[i].x + next[i].w <= next[k].x + next[k].w &&
               next[i].y + next[i].h <= next[k].y + next[k].h &&
               (k < i || next[i].w != next[k].w || next[i].h != next[k].h);
    if (!inside) bin.open.push_back(next[i]);
  }
}

struct Item {
  Nm w, h;
  bool turns;
};

// Which way round of the item suits the spot best; `rule` 0: short side, 1: long side, 2: area, 3:
// bottom left.
double fitting(const Rect& r, Nm w, Nm h, int rule) {
  const auto freeW = static_cast<double>(r.w - w);
  const auto freeH = static_cast<double>(r.h - h);
  switch (rule) {
    case 0:
      return std::min(freeW, freeH);
    case 1:
      return std::max(freeW, freeH);
    case 2:
      return static_cast<double>(r.w) * static_cast<double>(r.h);
    default:
      return static_cast<double>(r.y + h) * 1e3 + static_cast<double>(r.x) * 1e-6;
  }
}

std::int64_t packOnce(const std::vector<Item>& items, Nm w, Nm h, int rule) {
  std::vector<Bin> bins;
  for (const Item& item : items) {
    double best = std::numeric_limits<double>::infinity();
    std::size_t bestBin = bins.size();
    Rect at{0, 0, item.w, item.h};
    if (item.w > w || item.h > h) std::swap(at.w, at.h);
    for (std::size_t b = 0; b < bins.size(); ++b)
      for (const Rect& r : bins[b].open)
        for (const bool turned : {false, true}) {
          if (turned && !item.turns) continue;
          const Nm iw = turned ? item.h : item.w;
          const Nm ih = turned ? item.w : item.h;
          if (iw > r.w || ih > r.h) continue;
          const double value = fitting(r, iw, ih, rule);
          if (value >= best) continue;
          best = value;
          bestBin = b;
          at = {r.x, r.y, iw, ih};
        }
    if (bestBin == bins.size()) bins.push_back({{{0, 0, w, h}}});
    place(bins[bestBin], at);
  }
  return static_cast<std::int64_t>(bins.size());
}

}  // namespace

std::int64_t packFreely(const NestRequest& request, double seconds) {
  const auto begin = std::chrono::steady_clock::now();
  const StockSupply& stock = request.stock.front();
  const Nm kerf = request.kerf.inNm();
  const Nm w = (stock.length - 2 * stock.trim).inNm() + kerf;
  const Nm h = (stock.width - 2 * stock.trim).inNm() + kerf;
  std::vector<Item> items;
  for (const PartDemand& part : request.parts)
    for (std::int64_t k = 0; k < part.quantity; ++k)
      items.push_back({part.length.inNm() + kerf, part.width.inNm() + kerf,
                       part.grain == PartGrain::Any || stock.grain == SheetGrain::None});
  nest::Random random(1);
  std::int64_t best = std::numeric_limits<std::int64_t>::max();
  for (int round = 0;; ++round) {
    const double shake = round < 12 ? 0.0 : 0.3;
    std::vector<std::pair<double, Item>> order;
    for (const Item& item : items) {
      const auto iw = static_cast<double>(item.w);
      const auto ih = static_cast<double>(item.h);
      const double key = round % 3 == 0   ? iw * ih
                         : round % 3 == 1 ? std::max(iw, ih) * 1e9
                                          : (iw + ih) * 1e9;
      order.emplace_back(-key * (1 + shake * static_cast<double>(random.below(1000)) / 1000.0),
                         item);
    }
    std::stable_sort(order.begin(), order.end(),
                     [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<Item> sequence;
    for (const auto& [key, item] : order) sequence.push_back(item);
    best = std::min(best, packOnce(sequence, w, h, (round / 3) % 4));
    if (std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count() >= seconds)
      return best;
  }
}

}  // namespace pp::bench
