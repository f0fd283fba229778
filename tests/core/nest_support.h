// Requests for the tests of the nesting, made in a line or two.
#pragma once

#include <set>

#include "core/nest/nest.h"
#include "core/nest/sheet/random.h"

namespace pp::test {

inline PartDemand demand(std::string code, Length length, Length width, std::int64_t quantity,
                         PartGrain grain = PartGrain::Any) {
  PartDemand out;
  out.code = std::move(code);
  out.length = length;
  out.width = width;
  out.thickness = Length::mm(18);
  out.material = "birch";
  out.quantity = quantity;
  out.grain = grain;
  return out;
}

inline StockSupply supply(std::string id, int length, int width,
                          std::optional<std::int64_t> quantity, int price) {
  StockSupply out;
  out.id = std::move(id);
  out.material = "birch";
  out.thickness = out.measured = Length::mm(18);
  out.length = Length::mm(length);
  out.width = Length::mm(width);
  out.quantity = quantity;
  out.price = Money::whole(price);
  return out;
}

inline nest::NestOptions steps(std::int64_t count) {
  nest::NestOptions options;
  options.steps = count;
  return options;
}

// The steps of so many cuts from the first on.
inline std::set<int> firstCuts(std::size_t count) {
  std::set<int> out;
  for (std::size_t i = 1; i <= count; ++i) out.insert(static_cast<int>(i));
  return out;
}

// Cuts a piece apart at random, up to so many times, and returns what is left.
inline std::vector<std::pair<Length, Length>> cutApart(nest::Random& random, Length dx, Length dy,
                                                       Length kerf, Length grid, int cuts) {
  std::vector<std::pair<Length, Length>> pieces = {{dx, dy}};
  for (int cut = 0; cut < cuts; ++cut) {
    auto& piece = pieces[random.below(pieces.size())];
    auto other = piece;
    const bool alongX = random.below(2) == 0;
    Length& side = alongX ? piece.first : piece.second;
    const std::int64_t share = 20 + static_cast<std::int64_t>(random.below(61));
    const Length low = Length::nm(side.inNm() * share / 100 / grid.inNm() * grid.inNm());
    const Length high = side - low - kerf;
    if (low < Length::mm(20) || high < Length::mm(20)) continue;
    side = low;
    (alongX ? other.first : other.second) = high;
    pieces.push_back(other);
  }
  return pieces;
}

}  // namespace pp::test
