// How long the cuts take, as they went so far.
#pragma once

#include "core/floor/record.h"

namespace pp::floor {

struct Pace {
  std::int64_t cutSeconds = 0, settingSeconds = 0;
  bool learned = false;  // else the shop's guesses
};

// The medians of what lay between one cut and the next of a cutting, at one setting and from one to
// another; pauses of more than ten minutes count for nothing. The shop's own figures until there
// are five of each.
Pace paceOf(const Record& record, const Shop& shop);

// What so many cuts and settings take.
std::int64_t secondsFor(const Pace& pace, std::int64_t cuts, std::int64_t settings);

}  // namespace pp::floor
