// Doors and drawer fronts: slabs and two schools of frame and panel.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// A front where it hangs, with where its sizes come from.
struct FrontPlace {
  FrontRect rect;
  Reason width, height;
  Length face;  // y of its face
};

// "continuous hinge 748 long, 20 screws": a screw every 75 mm in either leaf; "3 butt hinges": one
// every 600 mm, two at least.
std::string lidHinges(LidHinge hinge, Length lid, const LengthStyle& style);
// Those on a lid so long, other than cups.
struct HingesAlong {
  int count = 1;
  Length length;   // of a continuous one; 0: short ones
  int screws = 0;  // of each
};
HingesAlong hingesAlong(LidHinge hinge, Length lid);

// What holds for the fronts of one opening.
FrontRules frontRules(const Carcass& carcass, const OpeningPath& opening);

// Between two fronts that meet on a middle member of a frame with nothing behind it.
Length betweenFronts(const FrontRules& rules, const FaceFrame& frame);

// Turns the grain of a front, whole or its panel, where its opening has it otherwise. `upright`: it
// runs up by the rules.
void turnGrain(const PartBuilder& builder, const Carcass& carcass, const OpeningPath& opening,
               bool upright, Part& part);

// How far a front lies over each edge of its opening; below zero: how far inside it stays.
struct FrontReach {
  Length left, right, bottom, top;
};
FrontReach frontReach(const Carcass& carcass, const CarcassLayout& layout,
                      const OpeningRect& opening);

// One of `count` fronts side by side over an opening.
// `between` is what lies between two neighbours.
Reason frontWidth(Length opening, Length reachLow, Length reachHigh, Length gap, std::int64_t count,
                  const char* between = "gap");

// Frame and panel, from the front's own size.
Reason railLength(const Reason& width, const FrontRules& rules);
Reason framedPanel(const Reason& size, const FrontRules& rules);

// Hinges a door needs: two up to 1000 mm, three to 1600, four above, one more over 15 kg. Centres
// from the door's lower end: the outer ones 100 mm from the ends, the rest shared; each is moved
// off what lies at `blocked` (from the door's lower end) by 30 mm at least.
struct Span {
  Length low, high;
};
std::vector<Length> hingePlaces(Length height, double grams, const std::vector<Span>& blocked);

// What a front closes, and in which role; `id` is of the drawer, or of the first opening behind.
struct FrontOf {
  PartRole role = PartRole::Door;  // of the whole front
  Id id = 0;
  OpeningPath opening;
};

// The boards of one front. `upright`: its grain runs up. Problems when a frame leaves no panel.
Result<std::vector<Part>> frontParts(const PartBuilder& builder, const FrontRules& rules,
                                     const FrontPlace& place, const FrontOf& of, bool upright);

// What a front is opened by, along its free edge (L1 or L2): the edge bevelled behind, or the screw
// hole of a pull in the middle of its length, `in` from the edge.
Machining opener(const FrontRules& rules, const Part& part, Edge free, Length in);

// Every door of the carcass.
Result<std::vector<Part>> doorParts(const PartBuilder& builder, const Carcass& carcass,
                                    const CarcassLayout& layout, const OpeningRect& door);

// The rectangles of the doors of an opening, for drawing.
std::vector<FrontRect> doorRects(const Carcass& carcass, const CarcassLayout& layout,
                                 const OpeningRect& door);

}  // namespace pp
