// Benches with lids.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// A bench as it can be carried: one of equal sections side by side, each a box of its own.
struct SeatSection {
  Length x;
  Reason width;
  int lids = 1;   // or hatches
  int seams = 0;  // ends that stand against another section: 0..2
  // What sizes of its parts begin with.
  Reason whole() const { return width.among() > 1 ? Reason("section", width.total()) : width; }
};
// Of a bench so wide; where the lids do not share evenly, the sections have one more each.
std::vector<SeatSection> seatSections(const SeatBox& seat, Length width, int lids);

Reason lidWidth(const SeatBox& seat, const SeatSection& section);
// Between two sides of the frame round the hatches.
Reason hatchOpening(const SeatBox& seat, const SeatSection& section);
// Of a shelf behind the leaning back, at the height of its upper face above the seat.
Reason storageDepth(const SeatBox& seat, Length upperFace);
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
SeatBox mirrored(const SeatBox& of);
void fields(Archive& archive, SeatBox& of);
void make(const PartBuilder& builder, const SeatBox& of, Made& out);

}  // namespace pp
