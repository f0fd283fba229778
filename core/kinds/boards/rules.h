// Boards drawn one by one.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// Two tapered boards may share a blank, cut on the slant.
Reason taperBlank(Length wide, Length narrow, Length length, Length kerf);
// A board or a piece of a layer under it, without a place.
struct BoardPiece {
  Part part;
  Length along;  // where it begins along the board
  Length up;     // of its inside face from that of the board, below zero for what lies under it
};
// The board and its layers, a left one before a right one. `copies`: so many of all of them.
Result<std::vector<BoardPiece>> boardPieces(const PartBuilder& builder, const LooseBoard& board,
                                            std::int64_t copies);
void check(Check& to, const std::string& at, const Feature& of);
void check(Check& to, const std::string& at, const LooseBoard& of);
std::int64_t mostPieces(const SharedRows<LooseBoard>& boards);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const Boards& of);
std::int64_t mostPieces(const Job& job, const Boards& of);
void check(Check& to, const std::string& at, const Boards& of);
void begin(const Job& job, const PlainMaterials& materials, Boards& out);
Boards mirrored(const Boards& of);
void fields(Archive& archive, Boards& of);
void make(const PartBuilder& builder, const Boards& of, Made& out);

}  // namespace pp
