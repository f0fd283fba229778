#include "core/saw/machines.h"

#include <algorithm>

namespace pp::saw {
namespace {

bool within(Length size, Length limit) {
  return limit == Length{} || size <= limit;
}

bool canMake(const Machine& machine, const CutAsked& cut, Length distance) {
  if (cut.tilted && !machine.tilts) return false;
  const bool rip = cut.direction == CutDirection::Rip;
  const Length along = rip ? cut.dx : cut.dy;  // length of the cut
  switch (machine.kind) {
    case SawKind::Crosscut:
      return !rip && within(along, machine.longestCut) && within(distance, machine.reach);
    case SawKind::Table:
      return within(distance, machine.reach) &&
             within(std::max(cut.dx, cut.dy), machine.longestPiece);
    case SawKind::Track:
      return within(along, machine.longestCut);
    case SawKind::Circular:
      return cut.rough && within(along, machine.longestCut);
  }
  return false;
}

}  // namespace

bool isCarried(const Shop& shop, Length dx, Length dy, double grams) {
  const Length longest = std::min(dx, dy) <= shop.stripWidth
                             ? std::max(shop.carryLength, shop.stripLength)
                             : shop.carryLength;
  return grams <= static_cast<double>(shop.carryGrams) && std::max(dx, dy) <= longest;
}

CutChosen chooseMachine(const Shop& shop, const CutAsked& cut) {
  const bool carried = isCarried(shop, cut.dx, cut.dy, cut.grams);
  for (const bool helped : {false, true})
    for (const SawKind kind :
         {SawKind::Crosscut, SawKind::Table, SawKind::Track, SawKind::Circular})
      for (const FenceSide fence : {FenceSide::Low, FenceSide::High})
        for (std::size_t i = 0; i < shop.machines.size(); ++i) {
          const Machine& machine = shop.machines[i];
          const bool isLow = fence == FenceSide::Low;
          const Length distance = isLow ? cut.low : cut.high;
          const bool lies = kind == SawKind::Track || kind == SawKind::Circular;
          if (machine.kind != kind || (cut.byMark && kind == SawKind::Table) ||
              (!cut.byMark && !(isLow ? cut.lowClean : cut.highClean)) ||
              (!lies && !carried && !helped) || !canMake(machine, cut, distance))
            continue;
          return {static_cast<int>(i), fence, helped && !lies};
        }
  return {};
}

}  // namespace pp::saw
