// Why a size is what it is: the rule as a sum of named terms, or an equal share of such a sum.
// Sizes are computed from their reason, so the words can never say something else than the number.
#pragma once

#include <string>
#include <vector>

#include "core/length/format.h"

namespace pp {

struct Term {
  std::int64_t times = 1;  // negative where it is taken off
  std::string name;        // in the builder's words, such as "dado depth"
  Length value;
  bool operator==(const Term&) const = default;
};

class Reason {
 public:
  Reason() = default;
  Reason(std::string name, Length value, std::int64_t times = 1) {
    plus(std::move(name), value, times);
  }

  Reason& plus(std::string name, Length value, std::int64_t times = 1);
  Reason& minus(std::string name, Length value, std::int64_t times = 1);

  static Reason of(std::vector<Term> terms, std::int64_t among);

  // One of so many equal shares of this sum, rounded down to the nanometre.
  Reason shared(std::int64_t among) const;

  Length total() const;
  const std::vector<Term>& terms() const { return terms_; }
  std::int64_t among() const { return among_; }
  bool operator==(const Reason&) const = default;

 private:
  std::vector<Term> terms_;  // terms of no length are left out unless they come first
  std::int64_t among_ = 1;
};

// "clear width 564 + 2 × dado depth 6 = 576"
std::string format(const Reason& reason, const LengthStyle& style);

}  // namespace pp
