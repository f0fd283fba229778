// A platform, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/length/length.h"

namespace pp {

// Open boxes side by side under a deck.
struct Platform {
  Length width = Length::mm(2'000);
  Length depth = Length::mm(1'000);
  Length height = Length::mm(300);  // deck included
  std::string material;
  int across = 2, deep = 1;  // boxes, 1..20 each
  bool operator==(const Platform&) const = default;
};

}  // namespace pp
