// A carcass and everything that can be said about one. Values; part of a job.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/designs/opening.h"

namespace pp {

// What a part is finished with.
enum class Finish { None, Clear, Painted, Stained };

// How panels that meet at right angles are joined.
enum class Joint { Butt, Dado, Pocket, LooseTenon, Dowel, Brads };

enum class TopConstruction {
  Between,       // between the sides, joined as the rest
  Capping,       // lies on the sides, full width
  EndRabbets,    // between the sides, let into rabbets at their upper ends
  Mitred,        // all four outside panels meet at 45 degrees
  Stretchers,    // two rails instead of a panel
  StandingRail,  // two rails, the rear one stands on edge as a nailer
  None           // open above
};

enum class BackSchool {
  RabbetAll,    // let into a rabbet round all four outside panels
  RabbetSides,  // let into the sides only; covers the rear edges of top and bottom
  Groove,       // in a groove set in from the rear
  Behind,       // screwed on behind
  Between,      // set between, on nailing strips
  None,         // rails instead
  Channels      // in channels of the sides only, set in from the rear; covers the rear edges of top
                // and bottom
};

// Where rails instead of a back go.
enum class RailPlace {
  PerBay,   // between the uprights, one in every bay
  Notched,  // one across, in notches of the sides and dividers
  Behind    // one across, screwed on behind
};

struct BackRail {
  Length up;                       // its lower edge above the bottom, >= 0
  Length width = Length::mm(100);  // > 0
  bool operator==(const BackRail&) const = default;
};

// Rabbet and groove take their width from the back's own thickness.
struct Back {
  BackSchool school = BackSchool::RabbetAll;
  std::string material;                  // id of a Material
  Length rabbetDepth = Length::mm(9);    // into the panels; a groove's depth too; > 0
  Length setIn = Length::mm(12);         // Groove, Channels: from the rear edge to it, >= 0
  Length clearance = Length::um(1'500);  // in all, in each direction, >= 0
  Length strip = Length::mm(20);         // Between: of the nailing strips before it; 0: none, >= 0
  PanelGrain grain = PanelGrain::Upright;
  int pieces = 0;          // side by side, meeting on dividers; 0: as few as the sheets give
  bool fromRight = false;  // they are taken from the sheets, and counted, from the right
  // None: where rails are, from the bottom up; none: one under the top in every bay.
  std::vector<BackRail> rails;
  RailPlace railPlace = RailPlace::PerBay;
  bool operator==(const Back&) const = default;
};

// A notch in the lower front corner of both sides with a kick board across it.
struct Toe {
  Length height = Length::mm(100);  // the bottom's underside stands here, > 0
  Length depth = Length::mm(75);    // from the sides' front edge to the kick board's face, > 0
  bool operator==(const Toe&) const = default;
};

enum class StandKind {
  Frame,    // a frame of its own, levelled before the carcass stands on it
  Legs,     // legs or feet, bought
  Runners,  // two boards on edge from front to back
  Casters,  // bought
};

// What a carcass stands on; its height is part of the carcass's own.
struct Stand {
  StandKind kind = StandKind::Legs;
  Length height = Length::mm(100);      // > 0
  Length setIn = Length::mm(50);        // Frame, Runners: behind the carcass's front, >= 0
  std::string material;                 // Frame, Runners: id of a Material
  Length crossEvery = Length::mm(600);  // Frame: cross pieces are at most so far apart
  Length longest = Length::mm(2'400);   // Frame: built in sections no longer than this
  bool operator==(const Stand&) const = default;
};

// Hung on a wall by a strip ripped at 45 degrees: one half on the carcass, one on the wall.
struct Cleat {
  std::string material;            // id of a Material
  Length height = Length::mm(80);  // of each half at its long face, > thickness
  bool operator==(const Cleat&) const = default;
};

struct ShelfRules {
  Length clearance = Length::mm(3);  // in length and in depth
  Length setBack = Length::mm(0);    // behind the carcass front
  Length lip = Length::mm(0);        // a stiffener so high under the front edge; 0: none
  Length ledge = Length::mm(20);     // width of the strips that loose ones lie on, > 0
  Length pinPitch = Length::mm(32);
  Length pinSetBack = Length::mm(37);  // pin row from the front edge and from the back
  Length pinDiameter = Length::mm(5);
  Length pinDepth = Length::mm(10);
  bool operator==(const ShelfRules&) const = default;
};

// How a drawer box is put together.
enum class DrawerSchool {
  Between,        // front and back between the sides, bottom in four grooves
  RabbetedFront,  // front rabbeted over the sides, back in dados, bottom slides in under the back
  Over,           // front and back over the sides, bottom in four grooves
  CutDownBack,    // front between, back cut down, bottom slides in under it and is screwed up
  Brads           // butted and bradded, bottom fixed on below
};

enum class Running { SideSlides, UnderSlides, WoodenRunners, Loose };

struct DrawerRules {
  DrawerSchool school = DrawerSchool::Between;
  Running running = Running::SideSlides;
  std::string boxMaterial;        // sides, front and back of the box: id of a Material
  std::string bottomMaterial;     // id of a Material
  Length ease = Length::um(800);  // box narrower than its place by this
  Length lowerClearance = Length::mm(12);
  Length upperClearance = Length::mm(12);
  // Boxes behind equal fronts are as high as equal shares of the clear height leave; else, inset,
  // as high as their front and one gap.
  bool evenBoxes = true;
  Length slideReserve = Length::mm(10);  // a slide fits when slide + this <= depth
  Length grooveDepth = Length::mm(6);
  Length grooveUp = Length::mm(12);            // groove's lower edge above the box's lower edge
  Length bottomClearance = Length::um(1'500);  // in all
  Length frontRabbet = Length::mm(6);          // RabbetedFront: depth into the box front
  Length backDado = Length::mm(6);             // RabbetedFront: depth into the sides
  Length backSetIn = Length::mm(12);           // RabbetedFront: back from the sides' rear ends
  Length runnerHeight = Length::mm(20);        // WoodenRunners: height and width of a runner
  Length padWidth = Length::mm(45);            // SideSlides: of pads behind a frame, > 0
  Length padLength;                            // 0: as long as the slide
  bool operator==(const DrawerRules&) const = default;
};

enum class FrontFit { Inset, Overlay };
// What a lid or a flap turns on.
enum class LidHinge {
  Cups,       // as doors do
  Butt,       // two or more short ones
  Continuous  // one along the whole edge
};
// Doors and drawer fronts.
struct FrontRules {
  std::string material;  // id of a Material; frame pieces too
  std::string banding;   // on all four edges of a slab, or empty
  FrontFit fit = FrontFit::Inset;
  FrontStyle style = FrontStyle::Slab;
  Length gap = Length::mm(2);          // round an inset front and between neighbours, >= 0
  Length overlay = Length::mm(15);     // Overlay: over the edge of an outside panel, >= 0
  std::optional<Length> reveal;        // Overlay: what is left of such an edge instead, >= 0
  std::string panelMaterial;           // of a framed door: id of a Material; empty: the front's own
  Length frameWidth = Length::mm(60);  // stiles and rails, > 0
  Length tongue = Length::mm(10);      // GroovedFrame: groove's depth; LappedFrame: rabbet's width
  Length panelClearance = Length::mm(2);  // in all
  std::optional<Finish> finish;           // none: the assembly's
  Length slideGroove = Length::mm(5);     // sliding panels: the lower groove; the upper: twice that
  bool fingerPull = false;  // upper edge (a door's free edge) bevelled at 30 degrees behind
  Length pullFromEdge = Length::mm(60);  // doors: the pull's centre from the free edge
  LidHinge lidHinge = LidHinge::Cups;
  Length knuckle;  // lids and flaps on other hinges: kept free there beside the gap, >= 0
  bool operator==(const FrontRules&) const = default;
};

enum class FrameFixing { PocketScrews, Tongue };

// Where a frame's rails and stiles between openings lie on the panels they cover.
enum class FrameMiddle {
  Equal,           // openings that share alike show alike, whatever is behind; others centred
  Centred,         // on the panel's edge
  FlushUpperLeft,  // rails with the shelf's upper face, stiles with the divider's left one
  FlushLowerRight  // with the others
};

// A frame over the front edges. Stiles run full height, rails stand between them.
struct FaceFrame {
  std::string material;                // id of a Material
  Length stile = Length::mm(40);       // outer stiles, > 0
  Length rail = Length::mm(40);        // upper and lower rail, > 0
  Length middle = Length::mm(40);      // stiles and rails between openings, > 0
  Length overhangLeft, overhangRight;  // beyond the sides, >= 0; at a wall the allowance instead
  FrameFixing fixing = FrameFixing::PocketScrews;
  Length tongue = Length::mm(6);  // on the panels' front edges, in grooves of the frame
  bool depthIncludes = false;     // the carcass's depth as typed holds the frame too
  FrameMiddle middleAt = FrameMiddle::Equal;
  bool lowerRail = true;
  std::optional<Finish> finish;  // none: the assembly's
  bool operator==(const FaceFrame&) const = default;
};

// A moulding that stays on the wall behind.
struct Baseboard {
  Length thickness = Length::mm(14);  // > 0
  Length height = Length::mm(95);     // > 0
  bool operator==(const Baseboard&) const = default;
};

// Mitred: which outside panels are cut from one strip, their figure running on round the corners.
enum class Waterfall {
  None,
  Over,   // left side, top, right side
  Around  // and the bottom
};

struct Carcass {
  // Outer sizes: from wall to wall where there are allowances, from the floor where it stands on
  // something; front to rear edge, fronts and frame not counted unless the frame says so.
  Length width = Length::mm(600);
  Length height = Length::mm(720);
  Length depth = Length::mm(560);
  std::string material;  // id of a Material
  std::string banding;   // on all front edges, or empty
  Joint joint = Joint::Dado;
  Length dadoDepth = Length::mm(6);
  TopConstruction top = TopConstruction::Between;
  Length topRabbet = Length::mm(9);    // EndRabbets: depth into the sides
  Length stretcher = Length::mm(100);  // width of rails instead of a top or back
  Length raised;                       // the bottom above the sides' ends: they are feet, >= 0
  Length wallLeft, wallRight;          // kept free of a wall at that side, >= 0
  bool liningLeft = false, liningRight = false;  // a panel glued inside the side
  // Ids of Materials of panels glued on outside, flush with the frame; empty: none. The width has
  // them in it.
  std::string endLeft, endRight;
  bool fillerLeft = false, fillerRight = false;  // a strip closes what is kept free of a wall
  Length scribe = Length::mm(10);                // fillers: left on for the wall's shape, >= 0
  Waterfall waterfall = Waterfall::None;
  int mitreTenons = 0;  // Mitred: loose tenons in each corner, 0..20
  Back back;
  std::optional<Baseboard> baseboard;
  std::optional<Toe> toe;
  std::optional<Stand> stand;
  std::optional<Cleat> cleat;
  std::optional<FaceFrame> frame;
  ShelfRules shelves;
  DrawerRules drawers;
  FrontRules fronts;
  Opening inside;
  bool operator==(const Carcass&) const = default;

  // From the sides' lower ends to the bottom's underside.
  Length underBottom() const { return toe ? toe->height : raised; }
  // Where a face frame begins: in front of a raised bottom it reaches down to the feet.
  Length underFrame() const { return toe ? toe->height : Length{}; }
  bool hasRails() const {
    return top == TopConstruction::Stretchers || top == TopConstruction::StandingRail;
  }
  // The back stands in front of the panels' rear edges, in grooves.
  bool backSetIn() const {
    return back.school == BackSchool::Groove || back.school == BackSchool::Channels;
  }
};

// The same seen in a mirror: openings, hinges, walls and linings change sides.
Carcass mirrored(const Carcass& carcass);

}  // namespace pp
