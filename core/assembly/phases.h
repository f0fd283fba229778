// What the order of work makes of a part by what it is.
#pragma once

#include <optional>

#include "core/assembly/order.h"

namespace pp::bench {

// From first to last.
enum class AssemblyPhase { Structure, Fitted, Back, Frame, Top, Loose, Front };
AssemblyPhase phaseOf(PartRole role);
// A bit each of those that one of them goes in before: what is fitted inside before the back, the
// face frame before the top, everything before the fronts.
std::uint64_t phasesAfter(AssemblyPhase sort);

// Where it comes where nothing forces another order: the higher, the later. Of two panels that face
// one another one goes in first and the other closes.
double removalPriority(PartRole role);
// Of what goes in whole.
double removalPriority(UnitKind kind, double ofParts);

// Which way a part comes off first, whatever it is joined to; none: as its joints and its face say.
std::optional<Vec> usuallyOff(PartRole role);

// What it is put together with by itself; none: it goes in alone.
std::optional<UnitKind> unitKindOf(PartRole role);
// Which front of an opening a piece is of: the doors of a pair are two.
int frontOf(PartRole role);
// Held by what it slides or lies in, or by what is mounted: loose shelves and hatches, sliding
// panels, backs and bottoms in grooves, panels in their frames.
bool isHeldByNothing(PartRole role);
// What a section is called whose largest panel that is: "seat frame".
const char* sectionWord(PartRole role);
// Fixed flat on a panel while that lies on the bench.
bool isFixedFlat(PartRole role);

}  // namespace pp::bench
