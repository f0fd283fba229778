// How many pieces an assembly could come to, before anything of it is made: a job that would fill
// the memory is refused by its numbers alone.
#pragma once

#include "core/job/job.h"

namespace pp {

// Most pieces of one assembly, its copies not counted, and of a whole job with all copies.
inline constexpr std::int64_t kMostPiecesOfAssembly = 10'000;
inline constexpr std::int64_t kMostPiecesOfJob = 100'000;
// Most pin holes bored in one assembly.
inline constexpr std::int64_t kMostHolesOfAssembly = 100'000;

// Not fewer than the break-down makes of one copy, and at most a few times as many. A division by a
// spacing that is not above 0 counts as more than any limit.
std::int64_t piecesAtMost(const Job& job, const Assembly& assembly);
// Of all assemblies with their copies, and of the boards added by hand.
std::int64_t piecesAtMost(const Job& job);
// Pin holes for adjustable shelves of one copy, as an upper limit.
std::int64_t holesAtMost(const Assembly& assembly);

}  // namespace pp
