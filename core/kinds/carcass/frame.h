// Face frames: stiles and rails over the front edges of one carcass or of a group.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// Kept free round a moulding.
inline constexpr Length kMouldingAir = Length::mm(3);

// The frame's outer size over panels `outer`, from `foot` up: the overhang on every open side, the
// allowance at a wall.
FrontRect frameOutline(const FrontRect& outer, Length foot, const Carcass& carcass,
                       const FaceFrame& frame);
Reason frameWidth(const FrontRect& outer, const Carcass& carcass, const FaceFrame& frame);

// The parts of the frame of a carcass that has its own, outer stiles included.
std::vector<Part> frameParts(const PartBuilder& builder, const Carcass& carcass,
                             const CarcassLayout& layout);

// A part for a member; panels behind it are let in where the frame goes on a tongue. `shift` is
// added to every x of the layout.
Part memberPart(const PartBuilder& builder, const FaceFrame& frame, const FrameMember& member,
                Length frameFront);
// Pockets in the ends of a stile that stands on rails of the frame.
void screwToRails(const PartBuilder& builder, const FrameMember& member,
                  const std::vector<FrameMember>& members, Part& part);
void letIn(Part& part, const FrameMember& member, const FaceFrame& frame,
           const CarcassLayout& layout, Length shift);

}  // namespace pp
