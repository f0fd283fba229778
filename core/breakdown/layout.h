// The solved elevation of a carcass: where every panel and every clear opening lies, in carcass
// coordinates (x from the left, z from the floor). The drawing, the break-down and the checks all
// read it, so they cannot disagree.
#pragma once

#include <vector>

#include "core/job/job.h"
#include "core/result/result.h"

namespace pp {

// A rectangle seen from the front.
struct FrontRect {
  Length x, z, width, height;
  bool operator==(const FrontRect&) const = default;
};

enum class PanelKind { LeftSide, RightSide, Bottom, Top, Kick, Divider, Shelf };

struct PanelRect {
  PanelKind kind = PanelKind::Divider;
  FrontRect rect;         // what is seen between the panels it meets, joints not counted
  OpeningPath path;       // of the split it belongs to; empty for the outside panels
  std::size_t index = 0;  // which of the split's panels
};

struct OpeningRect {
  OpeningPath path;
  FrontRect rect;  // clear opening
};

struct CarcassLayout {
  Length thickness;      // measured, of the carcass panels
  Length backThickness;  // measured
  FrontRect clear;       // the whole inside
  Length clearDepth;     // from the front to the back's face
  std::vector<PanelRect> panels;
  std::vector<OpeningRect> leaves;  // reading order
};

// Solves a carcass. Problems, worded for the maker, when a size leaves no room or the openings do
// not add up. Precondition: the materials it names are in the job.
Result<CarcassLayout> layOut(const Job& job, const Carcass& carcass);

}  // namespace pp
