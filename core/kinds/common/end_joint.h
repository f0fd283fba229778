// An end that stands against the face of another board: what the kinds without openings share.
#pragma once

#include "core/job/check.h"
#include "core/parts/machining.h"
#include "core/parts/part.h"

namespace pp {

// Joins both ends of a part to `into`, whose name it is: pocket holes from `face`, mortises in its
// ends, or nothing to cut. A dado lies in the other part, and is for who makes that.
void joinEnds(Part& part, Joint joint, const std::string& into, Face face = Face::Inside);
// So many mortises in an end, evenly, the outer ones half as far from the edges as from each other.
Machining mortisesIn(const Part& part, Edge end, int count, bool dowels, std::string receives);

}  // namespace pp
