// A piece of stock with pinned places, or places that must stay free, cut apart around them.
#pragma once

#include "core/nest/sheet/blocks.h"

namespace pp::nest {

// The free parts of the piece as large as may be, in a tree of cuts from edge to edge in which
// every pinned part comes off exactly where it was pinned and what must stay free as waste. A
// problem, with the reason in `found`, where a place is off the usable sheet, across the grain, on
// what must stay free, or the places cannot be cut apart.
Result<Skeleton> buildSkeleton(const NestRequest& request, std::size_t stock,
                               const std::vector<const Pin*>& pins);

// The ways worth trying to part a piece around what must stay free of it, those with larger rooms
// first: for every free rectangle that can grow no further one in which it is a room, the rest cut
// to large rooms too. Empty where nothing is free. A blade may run where nothing else may lie, so
// that what lies beside such a place touches it.
std::vector<Parting> partingsOf(const NestRequest& request, std::size_t stock);

// What of the usable area no part can have, in square micrometres: no more than is true.
Nm lostArea(const NestRequest& request, std::size_t stock);

}  // namespace pp::nest
