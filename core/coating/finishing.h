// What gets which finish, and when each coat goes on and is dry.
#pragma once

#include "core/floor/pieces.h"
#include "core/job/job.h"
#include "core/parts/finish_area.h"
#include "core/shop/rows.h"

namespace pp::bench {

// Parts that get one finish. One with another finish outside is in two groups, with a face each.
struct Finished {
  struct Row {
    std::size_t row = 0;  // of the pieces
    bool inside = true, outside = true, edges = true;
    FinishArea area;  // of a piece; what is not of this group is none
    bool operator==(const Row&) const = default;
  };
  Finish finish = Finish::Clear;
  bool isWhole = false;  // when it is put together; else as parts, before that
  std::vector<Row> rows;
  std::int64_t cm2 = 0;   // of all pieces, up
  std::int64_t bare = 0;  // kept free for the glue
};
// What is finished as parts first. Put together the joints are closed: nothing is kept bare.
std::vector<Finished> finished(const std::vector<Pieces>& pieces, const Job& job);

// When the shop works: minutes of a day.
struct Hours {
  std::int64_t from = 8 * 60, to = 17 * 60;
};

// Times are minutes from the midnight before the first day.
struct Coat {
  std::size_t group = 0;          // of what is finished
  FinishProduct product;          // with no name: the shop knows no such finish
  std::int64_t coat = 1, of = 1;  // of all coats of the finish
  std::int64_t millilitres = 0;   // of the product as it is bought
  std::int64_t thinner = 0;
  std::int64_t begin = 0, end = 0;  // of the work
  std::int64_t dry = 0;             // the next may go on, or it is ready
};

// One after the other by one pair of hands, the first at `start`: each coat when the one before is
// dry, the finish that can go on soonest first; work that would not be done by the evening waits
// for the morning, unless no day is long enough. What is finished whole comes when all parts are
// dry.
std::vector<Coat> coats(const std::vector<Finished>& groups,
                        const std::vector<ShopFinish>& finishes, std::int64_t start,
                        Hours hours = {});

// A product, how much of it, and how many cans.
struct Can {
  std::string product;
  std::int64_t millilitres = 0;
  std::int64_t have = 0;
  std::int64_t cans = 0;  // to buy
  bool operator==(const Can&) const = default;
};
std::vector<Can> cansFor(const std::vector<Coat>& coats);

// How much thinner to so much of a product: per cent of the two together.
std::int64_t thinnerFor(std::int64_t millilitres, std::int64_t percent);

// What the record calls a coat: "coat clear 2".
std::string coatName(Finish finish, std::int64_t coat);

}  // namespace pp::bench
