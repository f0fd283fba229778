#include "core/nest/sheet/pattern_program.h"

#include <coin/ClpEventHandler.hpp>
#include <coin/ClpSimplex.hpp>

namespace pp::nest {
namespace {

class StopAsked : public ClpEventHandler {
 public:
  explicit StopAsked(const std::stop_token& stop) : stop_(stop) {}
  int event(Event) override { return stop_.stop_requested() ? 5 : -1; }
  ClpEventHandler* clone() const override { return new StopAsked(*this); }  // Clp takes it over

 private:
  std::stop_token stop_;
};

}  // namespace

// Columns as Clp takes them: the places and values of all that are not 0, one after the other.
struct PatternProgram::Pending {
  std::vector<CoinBigIndex> starts = {0};
  std::vector<int> rows;
  std::vector<double> elements, lower, upper, costs;
};

PatternProgram::PatternProgram(const std::vector<std::int64_t>& wanted,
                               const std::vector<std::int64_t>& available,
                               const std::stop_token& stop)
    : items_(static_cast<int>(wanted.size())),
      rows_(static_cast<int>(available.size())),
      program_(std::make_unique<ClpSimplex>()),
      pending_(std::make_unique<Pending>()) {
  program_->setLogLevel(0);
  if (stop.stop_possible()) {
    const StopAsked handler(stop);
    program_->passInEventHandler(&handler);
  }
  program_->resize(items_ + rows_, 0);
  for (int i = 0; i < items_; ++i) program_->setRowUpper(i, COIN_DBL_MAX);
  for (int k = 0; k < rows_; ++k) program_->setRowLower(items_ + k, -COIN_DBL_MAX);
  setWanted(wanted);
  setAvailable(available);
}

PatternProgram::~PatternProgram() = default;

void PatternProgram::setWanted(const std::vector<std::int64_t>& wanted) {
  for (int i = 0; i < items_; ++i)
    program_->setRowLower(i, static_cast<double>(wanted[static_cast<std::size_t>(i)]));
}

void PatternProgram::setAvailable(const std::vector<std::int64_t>& available) {
  for (int k = 0; k < rows_; ++k)
    program_->setRowUpper(items_ + k, static_cast<double>(available[static_cast<std::size_t>(k)]));
}

void PatternProgram::add(const std::vector<std::int64_t>& items, std::optional<std::size_t> row,
                         double cost, bool allowed) {
  for (int i = 0; i < items_; ++i)
    if (const auto n = items[static_cast<std::size_t>(i)]; n > 0) {
      pending_->rows.push_back(i);
      pending_->elements.push_back(static_cast<double>(n));
    }
  if (row) {
    pending_->rows.push_back(items_ + static_cast<int>(*row));
    pending_->elements.push_back(1.0);
  }
  pending_->starts.push_back(static_cast<CoinBigIndex>(pending_->rows.size()));
  pending_->lower.push_back(0.0);
  pending_->upper.push_back(allowed ? COIN_DBL_MAX : 0.0);
  pending_->costs.push_back(cost);
}

void PatternProgram::allow(std::size_t pattern, bool allowed) {
  program_->setColumnUpper(static_cast<int>(pattern), allowed ? COIN_DBL_MAX : 0.0);
}

bool PatternProgram::isAllowed(std::size_t pattern) const {
  return program_->getColUpper()[pattern] != 0.0;
}

bool PatternProgram::solve() {
  if (const auto count = static_cast<int>(pending_->costs.size()); count > 0) {
    program_->addColumns(count, pending_->lower.data(), pending_->upper.data(),
                         pending_->costs.data(), pending_->starts.data(), pending_->rows.data(),
                         pending_->elements.data());
    patterns_ += count;
    *pending_ = {};
  }
  program_->primal();
  return program_->status() == 0;
}

double PatternProgram::value() const {
  return program_->objectiveValue();
}

std::vector<double> PatternProgram::prices() const {
  const double* duals = program_->dualRowSolution();
  return {duals, duals + items_};
}

std::vector<double> PatternProgram::rowPrices() const {
  const double* duals = program_->dualRowSolution() + items_;
  return {duals, duals + rows_};
}

std::vector<double> PatternProgram::solution() const {
  const double* taken = program_->primalColumnSolution();
  return {taken, taken + patterns_};
}

}  // namespace pp::nest
