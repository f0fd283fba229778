// The solved elevation of a carcass: where every panel and every clear opening lies, in carcass
// coordinates (x from the left wall or side, y from the panels' front edges, z from the floor). The
// drawing, the break-down and the checks all read it, so they cannot disagree.
#pragma once

#include <vector>

#include "core/job/job.h"
#include "core/result/result.h"

namespace pp {

// A rectangle seen from the front.
struct FrontRect {
  Length x, z, width, height;
  bool operator==(const FrontRect&) const = default;
  Length right() const { return x + width; }
  Length top() const { return z + height; }
};

enum class PanelKind {
  LeftSide,
  RightSide,
  Bottom,
  Top,
  FrontRail,  // instead of a top
  RearRail,
  Kick,
  LeftLining,
  RightLining,
  Divider,
  Shelf
};

struct PanelRect {
  PanelKind kind = PanelKind::Divider;
  FrontRect rect;         // what is seen between the panels it meets, joints not counted
  OpeningPath path;       // of the split it belongs to; empty for the outside panels
  std::size_t index = 0;  // which of the split's panels
  Id after = 0;           // the first opening after it; 0 for the outside panels
  Length setIn = {};      // behind an inset door: from the panels' front edges
  // How its lower or left end and the other are joined, where they meet another panel.
  Joint low = Joint::Butt, high = Joint::Butt;

  Length thickness = {};  // measured
  int layer = 1;          // 2: the second of two, the right or upper one

  PartRole role() const;
  bool upright() const;  // its length runs up
};

struct OpeningRect {
  OpeningPath path;
  Id id = 0;           // of the opening, or the first one in it
  FrontRect rect;      // clear opening
  FrontRect face;      // what the face frame leaves of it; the same where there is no frame
  Length setIn;        // what is inside begins here: behind an inset door, or a frame's back
  Length behind = {};  // what a rail or a moulding takes of the depth at its rear
  // What goes in and out passes through this.
  FrontRect passage() const;
};

enum class MemberKind {
  LeftStile,
  RightStile,
  MiddleStile,
  UpperRail,
  LowerRail,
  MiddleRail,
  CentreStile,  // between the doors of a pair, nothing behind it
  DrawerRail    // above a drawer, nothing behind it
};

struct FrameMember {
  MemberKind kind = MemberKind::LeftStile;
  FrontRect rect;
  // A middle one: the first opening after it; a rail of a group: the first of the member it is
  // before; else 0.
  Id opening = 0;
  bool outer() const { return kind == MemberKind::LeftStile || kind == MemberKind::RightStile; }
  bool upright() const {
    return outer() || kind == MemberKind::MiddleStile || kind == MemberKind::CentreStile;
  }
};

struct CarcassLayout {
  Length thickness;              // measured, of the carcass panels but those chosen otherwise
  Length backThickness;          // measured; 0 without a back
  Length frameThickness;         // measured; 0 without a frame
  Length frontThickness;         // of the thickest front; 0 without any
  Length frameLeft, frameRight;  // seen of the frame over either side
  Length frameFront;             // y of what stands foremost: 0, or the frame's face (below 0)
  FrontRect outer;               // of the panels: from the wall allowance, from the stand up
  FrontRect inner;               // between the sides, from bottom to top
  FrontRect clear;               // the same less linings
  Length sideDepth;              // of the sides, from their front edges
  Length lyingDepth;             // of top and bottom
  Length bottomDepth;            // of the bottom, which may stop before a moulding
  Length clearDepth;             // of shelves and dividers: to the back's face
  Length rear;                   // y of what stands hindmost, where the wall may be
  Length endLeft, endRight;      // measured, of panels glued on outside; 0: none
  // What keeps clear of a moulding behind that the bottom lies lower than: above this z, or in
  // front of this y.
  struct Moulding {
    Length z, y;
  };
  std::optional<Moulding> moulding;
  bool backMeetsMoulding() const { return moulding && clearDepth + backThickness > moulding->y; }
  Length foot;                     // height of the stand
  std::optional<FaceFrame> frame;  // own, or the group's
  std::vector<PanelRect> panels;
  std::vector<OpeningRect> leaves;   // reading order
  std::vector<OpeningRect> doors;    // every opening with a door, leaf or not
  std::vector<FrontRect> rails;      // at the rear instead of a back, where that is said
  std::vector<FrameMember> members;  // of the frame, those between this carcass's own sides
};

// Solves a carcass by itself, or as the assembly stands in its group. Problems, worded for the
// maker, when a size leaves no room or the openings do not add up. Precondition: the materials it
// names are in the job.
// By itself it has no choices for its parts.
Result<CarcassLayout> layOut(const Job& job, const Carcass& carcass);
Result<CarcassLayout> layOut(const Job& job, const Assembly& assembly);
// The same where the group it stands in is known; null: in none.
Result<CarcassLayout> layOut(const Job& job, const Assembly& assembly, const CarcassGroup* group);

// The material of a panel where `ruled` is what the rules say.
const std::string& panelMaterial(const PartChoices& choices, PartRole role, Id after, int layer,
                                 const std::string& ruled);

// The sizes of the children of the split at `path` as they are now, of what is typed for them:
// clear openings, or what the face frame leaves open.
std::vector<Length> sizesAsTyped(const CarcassLayout& layout, const Carcass& carcass,
                                 const OpeningPath& path);

// The panel of that kind, of those there is one of; null where there is none.
const PanelRect* panelOf(const CarcassLayout& layout, PanelKind kind);
// How thick it is, 0 where there is none.
Length thicknessOf(const CarcassLayout& layout, PanelKind kind);

// The group that has the carcass as a member, or null.
const CarcassGroup* groupOf(const Job& job, Id carcass);

// The shares of a split and the step they land on. What gets fronts, boxes or shelves stays equal,
// or there would be two sets of them: what the step leaves over goes to the shares that are open,
// and where none is no step is kept.
std::pair<std::vector<Share>, Length> keptEqual(const Split& split, Length room, Length step);

}  // namespace pp
