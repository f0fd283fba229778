// Sizes that are read off the work where a part will go, typed when that stands.
#pragma once

#include "core/parts/part.h"

namespace pp {

// What is read for a part.
enum class Reads { OpeningWidth, Length, Width };
// None: its size follows from the drawing.
std::optional<Reads> readsOf(const Job& job, const Part& part);

// One more reading of it, > 0; the smallest is built to. Whether there was room for it.
bool addReading(Job& job, const Part& part, Length reading);

}  // namespace pp
