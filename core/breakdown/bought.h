// How large a thing bought in is to be ordered, and where it goes.
#pragma once

#include "core/job/job.h"

namespace pp {

struct BoughtSize {
  Length length, width;  // as ordered, oversize included; 0: not said
};
// What is typed, else as wide and high as the opening it goes into is clear, less its clearance.
// The opening of a carcass that does not add up leaves what is not typed unsaid.
BoughtSize sizeOf(const Job& job, const BoughtIn& bought);

// "B1", "B1.2": the second opening of B1 in reading order; empty where it goes nowhere.
std::string placeOf(const Job& job, const BoughtIn& bought);
// Takes it back; what is wrong with it otherwise.
Problems setPlace(const Job& job, BoughtIn& bought, const std::string& text);

// "1 of 3 in the shop; for B1.2; 4 thick; cut 5 larger": what the columns of a list do not have.
std::string boughtRemarks(const Job& job, const BoughtIn& bought);

}  // namespace pp
