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
  // Legs inside the corners and, in pairs, beside cross pieces, never further apart than that; the
  // rails stand above the floor by `legs`. 0: none.
  Length legs;
  std::string legMaterial;  // id of a Material; empty: the frame's own
  Length legWidth = Length::mm(60);
  Length legEvery = Length::mm(1'200);
  bool operator==(const BaseFrame&) const = default;
};

}  // namespace pp
