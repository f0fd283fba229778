// A worktop, as a value; its material ids are of the job it is part of. Sizes are outer sizes, > 0
// unless said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/length/length.h"

namespace pp {

enum class TopBuild {
  Single,     // one sheet on strips round the edge and across
  Laminated,  // sheets; all but the uppermost are cut oversize and flush-trimmed
  GluedUp     // strips side by side, planed, glued edge to edge and trimmed
};
enum class EdgingCorner { Mitred, Butted };

// A worktop over a run of carcasses.
struct Top {
  Length width = Length::mm(1'800);  // the run it covers
  Length depth = Length::mm(600);
  Length overLeft, overRight, overFront = Length::mm(20), overBack;  // >= 0
  std::string material;
  TopBuild build = TopBuild::Single;
  int layers = 2;                       // Laminated: 2..8
  std::string lowerMaterial;            // Laminated: of the lower sheets; empty: the same
  Length oversize = Length::mm(6);      // Laminated: of the lower sheets, each way
  Length glueStrip = Length::mm(60);    // GluedUp: a planed strip is at most so wide
  Length planing = Length::mm(4);       // GluedUp: rough strips are so much larger
  Length strip = Length::mm(75);        // Single: width of the strips; 0: none
  Length stripEvery = Length::mm(600);  // Single: strips across are at most so far apart
  std::string edgingMaterial;           // solid edging; empty: none
  Length edging = Length::mm(10);       // its thickness, taken off the sheet
  bool edgeLeft = true, edgeRight = true, edgeFront = true, edgeBack = false;
  EdgingCorner corner = EdgingCorner::Mitred;
  Length proud, below;  // the edging stands above the sheet, and hangs below what lies under it
  // No piece is longer; more are joined end to end. 0: what the rack gives.
  Length longest = Length::mm(2'400);
  bool operator==(const Top&) const = default;
};

}  // namespace pp
