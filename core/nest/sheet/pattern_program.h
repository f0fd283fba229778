// The linear program over patterns: the least cost of patterns, in fractions, that give so many of
// every item (Gilmore & Gomory 1961). What bounds, dives and bars are all priced by.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <stop_token>
#include <vector>

class ClpSimplex;

namespace pp::nest {

class PatternProgram {
 public:
  // So many of every item are wanted at least, and so many pieces of every row of stock are there
  // at most. It gives up in the middle when a stop is asked for.
  PatternProgram(const std::vector<std::int64_t>& wanted,
                 const std::vector<std::int64_t>& available, const std::stop_token& stop = {});
  ~PatternProgram();

  void setWanted(const std::vector<std::int64_t>& wanted);
  void setAvailable(const std::vector<std::int64_t>& available);

  // How often every item lies on one piece of a row, where the rows are limited. Taken in by the
  // next solve(), all new ones at once: every addition copies the program.
  void add(const std::vector<std::int64_t>& items, std::optional<std::size_t> row, double cost,
           bool allowed = true);
  // Of those that solve() has taken in, by their place.
  void allow(std::size_t pattern, bool allowed);
  bool isAllowed(std::size_t pattern) const;

  // False when it cannot be solved, or was stopped. What follows is of the last that was.
  bool solve();
  double value() const;
  std::vector<double> prices() const;     // of the items
  std::vector<double> rowPrices() const;  // of the rows of stock, not above 0
  std::vector<double> solution() const;   // how much of each pattern is taken

 private:
  struct Pending;

  int items_ = 0, rows_ = 0, patterns_ = 0;
  std::unique_ptr<ClpSimplex> program_;
  std::unique_ptr<Pending> pending_;
};

}  // namespace pp::nest
