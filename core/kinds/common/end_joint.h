// An end that stands against the face of another board: what all kinds share.
#pragma once

#include "core/job/check.h"
#include "core/parts/machining.h"

namespace pp {

// All of an end.
EndSpan wholeEnd(const Part& part);
// Pocket holes from `face` along an end of a part, into the part of that name.
Machining pocketsAt(Unit unit, const Part& part, std::string into, Edge end, EndSpan span,
                    Face face);
// Mortises in an end, for loose tenons or dowels.
Machining mortisesAt(Unit unit, const Part& part, std::string into, Edge end, EndSpan span,
                     bool dowels);
// How deep they are in the face that the end stands against.
Length mortiseInFace(Unit unit);
// Joins both ends of a part to `into`, whose name it is: pocket holes from `face`, mortises in its
// ends, or nothing to cut. A dado lies in the other part, and is for who makes that.
void joinEnds(Unit unit, Part& part, Joint joint, const std::string& into,
              Face face = Face::Inside);
// So many mortises in an end, evenly, the outer ones half as far from the edges as from each other.
Machining mortisesIn(Unit unit, const Part& part, Edge end, int count, bool dowels,
                     std::string receives);

}  // namespace pp
