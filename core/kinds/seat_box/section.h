// One section of a bench: a locker box with what lies on it and leans behind it.
#pragma once

#include "core/kinds/seat_box/rules.h"

namespace pp {

// `clearLeft`, `clearRight`: the box, not the seat, keeps off its ends by so much.
Result<std::vector<Part>> sectionParts(const PartBuilder& builder, const SeatBox& seat,
                                       const SeatSection& section, Length clearLeft,
                                       Length clearRight);

}  // namespace pp
