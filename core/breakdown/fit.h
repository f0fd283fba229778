// Widths that follow from something else than what was typed: from the place, from the group.
#pragma once

#include "core/job/job.h"
#include "core/parts/part.h"

namespace pp {

// What a wall leaves to the assembly that stands there. None where it does not fill the wall, no
// width was read, or it does not add up.
std::optional<SiteWidth> widthLeftTo(const Job& job, const SiteStand& stand);

// How far along its wall it begins: where it fills it, at what is kept clear of the wall beside it.
Length alongWall(const Job& job, const SiteStand& stand);
// What of it stands there, in its own measures: of what fills the wall its cases, since strips,
// tops and frames reach into what is kept clear. None: its leftmost board.
std::optional<Length> beginOf(const Job& job, const SiteStand& stand);

// Makes what fills a wall as wide as it leaves, on the job's step downwards, and shares out the
// widths typed for groups. Whether anything changed. Precondition: the job is valid.
bool fitWidths(Job& job);

// The strips beside an assembly that fills a wall cover the widest gap that the place leaves there.
void widenFillers(const Job& job, const Assembly& assembly, std::vector<Part>& parts);

// Says of every part of what fills a wall by sizes that are not confirmed that its own is not.
void noteUnconfirmed(const Job& job, std::vector<Part>& parts);

}  // namespace pp
