// What is left open of a row of openings, seen from the front: by the panels alone, or by a face
// frame with its members between them.
#pragma once

#include "core/kinds/carcass/layout.h"

namespace pp {

// The children of a split in their room. Kept by reference.
struct SplitRow {
  const Split& split;
  const std::vector<Length>& sizes;   // of the children
  const std::vector<Length>& panels;  // how thick the panel before each child is; 0 for the first
  FrontRect rect;                     // clear opening of them all
};

// The openings themselves, as far as the face they lie behind leaves them.
std::vector<FrontRect> plainFaces(const SplitRow& row, const FrontRect& face);

// What the frame leaves of each, and the members between them. A problem where a member closes an
// opening or does not cover its panel.
struct FramedFaces {
  std::vector<FrontRect> faces;
  std::vector<FrameMember> members;
};
// The clear sizes of a split's children whose typed sizes are what the frame leaves of each.
// `panels`: as in a row; `rect`: the room of them all, panels included; `face`: what the frame
// leaves of that. A problem where they do not add up.
Result<std::vector<Length>> clearBehind(const Split& split, const std::vector<Length>& panels,
                                        const FrontRect& rect, const FrontRect& face,
                                        const FaceFrame& frame, const LengthStyle& style,
                                        Length step);

Result<FramedFaces> framedFaces(const SplitRow& row, const FrontRect& face, const FaceFrame& frame,
                                const LengthStyle& style);

// The members with nothing behind them: between the doors of a pair, and between drawers. For a
// layout that has all else.
void addLoneMembers(const Job& job, const Carcass& carcass, CarcassLayout& layout);

}  // namespace pp
