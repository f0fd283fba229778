// A platform, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/designs/carcass.h"

namespace pp {

// Open boxes side by side, in rows, under a deck or under slats.
struct Platform {
  Length width = Length::mm(2'000);
  Length depth = Length::mm(1'000);
  Length height = Length::mm(300);  // deck included
  std::string material;
  int across = 2, deep = 1;   // boxes, 1..20 each
  Joint joint = Joint::Butt;  // of a box's ends, between its sides
  Length dadoDepth = Length::mm(6);
  int slats = 0;  // from the front to the rear at equal gaps, 2..100; 0: a deck on every box
  Length slat = Length::mm(90);  // a slat's width
  std::string deckMaterial;      // of deck or slats; empty: the boxes' own
  bool operator==(const Platform&) const = default;
};

}  // namespace pp
