// Where boards stand that make one thing together, and what of them meets.
#pragma once

#include "core/job/check.h"
#include "core/parts/part_builder.h"

namespace pp {

// "0, 12, 40, up, right; 138, 12, 40, up, right, -21.6": where boards stand, and how far each is
// tilted. Empty: nowhere.
Result<std::vector<BoardPlace>> parsePlaces(std::string_view text, Unit bare);
// The text that reads back as these.
std::string formatPlaces(const std::vector<BoardPlace>& places, Unit unit);
// The same place in a mirror, of a board so thick whose faces are the other way round there.
BoardPlace mirrored(const BoardPlace& of, Length thickness);
void check(Check& to, const std::string& at, const BoardPlace& of);

// Of a piece of the board that begins so far along it, its inside face so far up from the board's.
Pose poseOf(const BoardPlace& place, Length along, Length up);
// Edges of boards that stand somewhere, against faces of others, are fixed there.
void joinPlaced(const SharedRows<LooseBoard>& boards, std::vector<Part>& parts);
// From the leftmost to the rightmost of those that stand somewhere, a tilt left out; none does:
// nothing.
std::optional<Length> widthOfPlaced(const Job& job, const Boards& of);

}  // namespace pp
