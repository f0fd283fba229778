// Drawer fronts, drawer boxes, trays and pull-outs in one opening.
#pragma once

#include "core/kinds/carcass/front.h"

namespace pp {

// What the box rules need: sizes of the box as a whole and of what it is made of.
struct DrawerBox {
  Length width, depth, height;  // Bw, Bd, Bh
  Length side;                  // measured thickness of the left side
  Length front;                 // of the box's front
  Length bottom;                // of the bottom
  Length right = side;          // of the right side
  Length back = front;          // of the box's back
};

// A box of that size, as thick as what its parts are made of; `id`: of the drawer.
DrawerBox boxOf(const Job& job, const PartChoices& choices, const DrawerRules& rules, Id id,
                Length width, Length depth, Length height);

// Every part of a box in one school. Lengths run along the grain.
struct DrawerBoxSizes {
  Reason sideLength, sideHeight;
  Reason frontLength, frontHeight;
  Reason backLength, backHeight;
  Reason bottomWidth, bottomDepth;
};
DrawerBoxSizes drawerBoxSizes(const DrawerBox& box, const DrawerRules& rules);

// "drawer", "tray", "pull-out": what the parts of a box are called after.
std::string_view boxName(BankKind kind);

// Box width between slides in an opening; null for a box without slides.
Reason drawerBoxWidth(Length openingWidth, const Slide* slide, const DrawerRules& rules);

// Fronts and cells of a bank in its opening: the cell is the height a drawer has for itself. A
// drawer alone has the whole opening; behind equal fronts each has an equal share of it; else each
// has its front's height and one gap, so that no box stands behind a neighbour's front. `even`:
// also behind equal inset fronts, which without it are like all others. The fronts and gaps fill
// the opening, `low` and `high` beyond it, exactly; the nanometres that do not share evenly go to
// the lowest gap.
struct DrawerCell {
  Length frontBottom;  // from the opening's foot
  Reason frontHeight;
  Length bottom, height;  // of the cell, from the opening's foot
};
Result<std::vector<DrawerCell>> drawerCells(Length openingHeight, const std::vector<Share>& fronts,
                                            Length gap, const LengthStyle& style, Length step = {},
                                            bool even = true);
Result<std::vector<DrawerCell>> drawerCells(Length openingHeight, Length low, Length high,
                                            const std::vector<Share>& fronts, Length gap,
                                            const LengthStyle& style, Length step = {},
                                            bool even = true);

// The rails of the face frame between the fronts of a bank, from the top; none where it has none.
std::vector<FrontRect> bankRails(const Job& job, const Carcass& carcass,
                                 const CarcassLayout& layout, const OpeningRect& leaf);

// The longest slide of the kind with length + set-back + reserve <= depth; null when none fits.
const Slide* longestSlide(const std::vector<Slide>& slides, Length depth, Length reserve,
                          SlideKind kind = SlideKind::Side);

// One solved drawer, tray or pull-out, in carcass coordinates.
struct DrawerPlan {
  Id id = 0;
  DrawerCell cell;   // relative to the opening
  FrontPlace front;  // empty for what has none
  Length boxX, boxY, boxZ;
  DrawerBox box;
  Reason width, height, depth;  // where the box's outer sizes come from
  const Slide* slide = nullptr;
  bool waits = false;  // for its opening to be read off the work
  Length readOff;      // what was read less what was drawn
};

// Solves the bank in a leaf opening, top drawer first. Problems when the fronts do not add up, no
// stocked slide fits, or a box will not go into its place.
Result<std::vector<DrawerPlan>> planDrawers(const Job& job, const PartChoices& choices,
                                            const Carcass& carcass, const CarcassLayout& layout,
                                            const OpeningRect& leaf);

// The parts of all drawers of the opening, top first, with runners and pads.
Result<std::vector<Part>> drawerParts(const PartBuilder& builder, const Carcass& carcass,
                                      const std::vector<DrawerPlan>& drawers,
                                      const OpeningRect& leaf);

}  // namespace pp
