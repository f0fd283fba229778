// The linear program of a dive: the least cost of stock, sheets in fractions allowed, that holds
// what is left of a job, over patterns that are real sheets (Gilmore & Gomory 1965).
#pragma once

#include <memory>
#include <set>
#include <stop_token>

#include "core/nest/dive/full_sheet.h"
#include "core/nest/sheet/arrangement.h"
#include "core/nest/sheet/pattern_program.h"

namespace pp::nest {

using Counts = std::vector<std::int64_t>;

// A pattern: a sheet with blocks on it, none more often than the job wants it.
struct Column {
  std::size_t row = 0;
  Counts blocks;
  SlackTree sheet;
};

class DiveProgram {
 public:
  // Begins with the sheets of an arrangement and every block alone on a sheet.
  DiveProgram(const Group& group, const Arrangement& known, Random& random);
  ~DiveProgram();

  // Prices to use beside the program's own in the first rounds; may be empty.
  void setFirstPrices(std::vector<double> prices) { firstPrices_ = std::move(prices); }

  // The whole job is left, on all of the stock.
  void reset();
  // Takes what lies on a sheet, and the sheet, from what is left, or gives it back. Afterwards, and
  // before the next solution, narrow() or widen().
  void take(const SlackTree& sheet) { change(sheet, -1); }
  void giveBack(const SlackTree& sheet) { change(sheet, +1); }
  // Patterns that hold more than what is left take no part; what remains of the good ones does.
  void narrow();
  // All patterns that hold no more than what is left take part.
  void widen();

  bool isDone() const;            // nothing is left
  std::vector<int> left() const;  // the blocks, one entry a copy
  bool fits(const Column& column) const;

  // False when it cannot be solved.
  bool solve();
  double value() const;  // in sheets of the dearest row
  double inSheets(Cost cost) const { return static_cast<double>(cost) / unit_; }
  // How much of every pattern is taken.
  std::vector<double> solution() const;
  const Column& column(std::size_t i) const { return columns_[i]; }

  // Adds patterns worth more at the prices of the solution than they cost; false when none are
  // found. In the first rounds at prices nearer to those set, since the program's own swing wildly.
  bool price(bool atFirst, const std::stop_token& stop);

 private:
  double cost(std::size_t row) const { return inSheets(group_.stock[row].cost); }
  double leastWorth(std::size_t row) const;
  void change(const SlackTree& sheet, int sign);
  Counts countsOf(const SlackTree& sheet) const;
  bool add(const SlackTree& sheet);
  void addAlone(std::size_t block);
  void setRows();
  void forget();
  bool priceAt(const std::vector<double>& prices, const std::stop_token& stop);
  bool searchAt(const std::vector<double>& prices, const std::stop_token& stop);

  const Group& group_;
  Random& random_;
  double unit_ = 1;  // the dearest row's cost
  std::vector<double> firstPrices_;
  std::vector<FullSheet> fillers_;  // one a stock row
  std::vector<Column> columns_;
  std::set<std::pair<std::size_t, Counts>> known_;
  std::unique_ptr<PatternProgram> program_;
  std::size_t inProgram_ = 0;  // the first so many columns
  std::vector<double> prices_, rowPrices_;
  std::vector<double> wholePrices_;  // the last prices of the whole job
  Counts left_, free_;
  bool isWhole_ = true;  // nothing has been taken
};

}  // namespace pp::nest
