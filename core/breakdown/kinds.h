// The parts of every kind of assembly that is not a carcass. Codes are not given yet. Each lies in
// its own coordinates: x from the left, y from the front, z from the foot.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/maker.h"

namespace pp {

// What a group shares, in the first member's coordinates.
Result<std::vector<Part>> groupParts(const Maker& maker, const CarcassGroup& group);
// Where a member's own coordinates begin in the group's.
Length memberOffset(const Job& job, const CarcassGroup& group, Id member);

// Worktop: the sheet is the finished size less the solid edging on its edges.
Reason topLength(const Top& top);
Reason topWidth(const Top& top);
// The strip along the front edge: mitred corners reach over the side strips, butted ones cover
// them.
Reason frontEdging(const Top& top);
Reason sideEdging(const Top& top);
Result<std::vector<Part>> topParts(const Maker& maker, const Top& top, Point at);

Result<std::vector<Part>> wallPanelParts(const Maker& maker, const WallPanel& panel);

Reason lidWidth(const SeatBox& seat);
Reason lidDepth(const SeatBox& seat);
// The leaning back along its slope, at its front face.
Reason leaningLength(const SeatBox& seat, Length thickness);
// The foot of the brackets behind it.
Reason bracketFoot(const SeatBox& seat);
Result<std::vector<Part>> seatBoxParts(const Maker& maker, const SeatBox& seat);

Result<std::vector<Part>> platformParts(const Maker& maker, const Platform& platform);

// Source of the bevel: the sum of a polygon's outer angles is a full turn, halved at each joint.
Angle ringBevel(int pieces);
Result<std::vector<Part>> ringParts(const Maker& maker, const Ring& ring);

// Two tapered boards may share a blank, cut on the slant.
Reason taperBlank(Length wide, Length narrow, Length length, Length kerf);
Result<Part> boardPart(const Maker& maker, const LooseBoard& board, std::int64_t copies);
Result<std::vector<Part>> boardsParts(const Maker& maker, const Boards& boards,
                                      std::int64_t copies);

}  // namespace pp
