// Sheets with blocks on them and the pool of blocks that lie on none.
#pragma once

#include <functional>
#include <vector>

#include "core/nest/sheet/random.h"
#include "core/nest/sheet/slack_tree.h"

namespace pp::nest {

// How a block chooses among the spots it fits.
enum class Rule {
  BestArea,
  BestShortSide,
  BestLongSide,
  First,
  Match  // beside blocks of the same size, so that one setting serves both
};

struct Arrangement {
  std::vector<SlackTree> sheets;
  std::vector<int> pool;  // block indices, one entry a copy
  double poolArea = 0;    // square metres

  Cost cost(const Group& group) const;
  std::vector<std::int64_t> used(const Group& group) const;  // sheets per stock row
};

// Puts one copy of a block on the sheet and spot the rule likes best; false when none takes it.
// `touched` gets the sheet's index. `blink` spots in 64 are overlooked, for variety.
struct Found {
  std::size_t sheet = 0;
  Spot spot;
  int lie = -1;
};
bool findSpot(const Group& group, const std::vector<SlackTree>& sheets, int block, Rule rule,
              Random& random, unsigned blink, Found& found);

// Puts a block where it was found to fit. Precondition: the sheets are as findSpot() saw them.
void put(const Group& group, std::vector<SlackTree>& sheets, int block, const Found& found);

// An empty sheet of a stock row.
SlackTree emptySheet(const Group& group, std::size_t row);

// The area of the blocks on a sheet, in square metres.
double filledArea(const Group& group, const SlackTree& sheet);

// Puts what lies nowhere yet on the sheets of an arrangement, from large to small, a new sheet when
// none takes the next; what no sheet is left for stays in the pool.
void complete(const Group& group, Arrangement& arrangement);

// A first complete plan: blocks from large to small, a new sheet when none takes the next. Tries a
// few orders and ways to choose a new sheet; what no sheet is left for stays in the pool. Thousands
// of copies are dealt into hands of a mix each, so that the time grows with their number. Once
// `isStopped` says so, what lies nowhere yet goes to the pool.
Arrangement construct(const Group& group, const std::function<bool()>& isStopped = {});

}  // namespace pp::nest
