// Benches with lids.
#pragma once

#include "core/job/check.h"
#include "core/kinds/made.h"
#include "core/parts/maker.h"

namespace pp {

struct PlainMaterials;

Reason lidWidth(const SeatBox& seat);
Reason lidDepth(const SeatBox& seat);
// The leaning back along its slope, at its front face.
Reason leaningLength(const SeatBox& seat, Length thickness);
// The foot of the brackets behind it.
Reason bracketFoot(const SeatBox& seat);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const SeatBox& of);
std::int64_t mostPieces(const Job& job, const SeatBox& of);
void check(Check& to, const std::string& at, const SeatBox& of);
void begin(const Job& job, const PlainMaterials& materials, SeatBox& out);
void make(const Maker& maker, const SeatBox& of, Made& out);

}  // namespace pp
