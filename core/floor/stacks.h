// The parts that are cut, as they are stacked: by assembly, and by the sheet they come from.
#pragma once

#include "core/floor/at_saw.h"

namespace pp::floor {

struct Stack {
  std::string name;  // code of an assembly, or name of a sheet
  Count parts;
};

// Of a cutting, in the order of its parts. Spares count for none; what is spoiled is not done.
std::vector<Stack> byAssembly(const Cutting& cutting, const Progress& progress);
// Of one of its plans, sheet by sheet.
std::vector<Stack> bySheet(const CuttingPlan& plan, const Progress& progress);

}  // namespace pp::floor
