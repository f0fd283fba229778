// Assemblies that are not a carcass. Values; part of a job. Sizes are outer sizes, > 0 unless said
// otherwise; materials are ids.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/job/carcass.h"

namespace pp {

enum class TopBuild {
  Single,    // one sheet on strips round the edge and across
  Laminated  // two sheets; the lower is cut oversize and flush-trimmed
};
enum class EdgingCorner { Mitred, Butted };

// A worktop over a run of carcasses.
struct Top {
  Length width = Length::mm(1'800);  // the run it covers
  Length depth = Length::mm(600);
  Length overLeft, overRight, overFront = Length::mm(20), overBack;  // >= 0
  std::string material;
  TopBuild build = TopBuild::Single;
  std::string lowerMaterial;            // Laminated: of the lower sheet; empty: the same
  Length oversize = Length::mm(6);      // Laminated: of the lower sheet, each way
  Length strip = Length::mm(75);        // Single: width of the strips; 0: none
  Length stripEvery = Length::mm(600);  // Single: strips across are at most so far apart
  std::string edgingMaterial;           // solid edging; empty: none
  Length edging = Length::mm(10);       // its thickness, taken off the sheet
  bool edgeLeft = true, edgeRight = true, edgeFront = true, edgeBack = false;
  EdgingCorner corner = EdgingCorner::Mitred;
  Length longest = Length::mm(2'400);  // sheets are no longer; more are joined end to end
  bool operator==(const Top&) const = default;
};

// A levelled frame that carcasses stand on.
struct BaseFrame {
  Length width = Length::mm(1'800);
  Length depth = Length::mm(500);
  Length height = Length::mm(100);
  std::string material;
  Length crossEvery = Length::mm(600);
  Length longest = Length::mm(2'400);  // a section is no longer
  bool operator==(const BaseFrame&) const = default;
};

// Carcasses side by side, from the left, that share what stands under, before and on them. A member
// keeps its own sizes; its own frame and stand are left out.
struct CarcassGroup {
  std::vector<Id> members;  // ids of carcasses
  std::optional<Stand> stand;
  std::optional<FaceFrame> frame;
  std::optional<Top> top;  // its width and depth follow from the members
  bool operator==(const CarcassGroup&) const = default;
};

// A panel that hangs on strips ripped at 45 degrees.
struct WallPanel {
  Length width = Length::mm(1'200);
  Length height = Length::mm(600);
  std::string material;
  std::string cleatMaterial;
  Length cleatHeight = Length::mm(80);  // of each half at its long face
  Length setIn = Length::mm(50);        // cleats are shorter than the panel by this at each end
  int cleats = 2;                       // one above the other, 1..10
  std::string banding;
  PanelGrain grain = PanelGrain::Upright;
  bool operator==(const WallPanel&) const = default;
};

// A bench with lids over lockers and, where wanted, a back that leans.
struct SeatBox {
  Length width = Length::mm(1'500);
  Length height = Length::mm(450);  // to the top of the lids
  Length depth = Length::mm(450);
  std::string material;
  std::string banding;                  // on the lids' edges, or empty
  int lids = 2;                         // 1..10, a divider between two
  Length lidGap = Length::mm(3);        // between lids and behind them
  Length hingeRail = Length::mm(80);    // the fixed strip behind the lids
  Length overFront = Length::mm(20);    // the lids' overhang
  Length backHeight = Length::mm(400);  // of the leaning back above the lids; 0: none
  Angle lean = Angle::degrees(10);      // off upright, 0..45 degrees
  Length bracketTop = Length::mm(40);   // width of the brackets behind the back, at their upper end
  std::optional<Baseboard> batten;      // what the panels are notched over at the foot of the wall
  Joint joint = Joint::Pocket;
  bool operator==(const SeatBox&) const = default;
};

// Open boxes side by side under a deck.
struct Platform {
  Length width = Length::mm(2'000);
  Length depth = Length::mm(1'000);
  Length height = Length::mm(300);  // deck included
  std::string material;
  int across = 2, deep = 1;  // boxes, 1..20 each
  bool operator==(const Platform&) const = default;
};

// n equal pieces bevelled at both ends.
struct Ring {
  int pieces = 6;                 // 3..100
  Length side = Length::mm(200);  // outer side of one piece, at the long points
  Length width = Length::mm(80);  // of the board
  std::string material;
  bool operator==(const Ring&) const = default;
};

}  // namespace pp
