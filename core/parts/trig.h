// The few slanted sizes of the trade, rounded to the nanometre.
#pragma once

#include "core/length/length.h"

namespace pp {

Length timesTangent(Length length, Angle angle);
Length overCosine(Length length, Angle angle);
// A length times by / per, per not 0.
Length scaled(Length length, Length by, Length per);
// The angle whose tangent is rise / run, to a thousandth of a degree.
Angle slopeOf(Length rise, Length run);

}  // namespace pp
