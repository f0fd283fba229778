// Rails instead of a back, where they are said.
#pragma once

#include "core/kinds/carcass/layout.h"

namespace pp {

bool hasBackRails(const Carcass& carcass);

// Whether one stands at the rear of an opening, inside the case. Precondition: the layout has its
// outline.
bool standBehind(const Carcass& carcass, const CarcassLayout& layout, const FrontRect& opening);

// Puts them into a layout that has its panels. Problems where one meets something.
Problems layRails(const Carcass& carcass, const LengthStyle& style, CarcassLayout& layout);

}  // namespace pp
