// A base frame, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/length/length.h"

namespace pp {

// A levelled frame that carcasses stand on.
struct BaseFrame {
  Length width = Length::mm(1'800);
  Length depth = Length::mm(500);
  Length height = Length::mm(100);
  std::string material;
  Length crossEvery = Length::mm(600);
  Length longest = Length::mm(2'400);  // a section is no longer
  bool operator==(const BaseFrame&) const = default;
};

}  // namespace pp
