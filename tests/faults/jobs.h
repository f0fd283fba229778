// The jobs that faults are looked for in, from one case to more than any shop builds at once.
#pragma once

#include <string>
#include <vector>

#include "core/job/job.h"

namespace pp::test {

// case: one carcass. kinds: an assembly of every kind. sixty: sixty assemblies of all kinds.
// boards: five thousand boards added by hand.
const std::vector<std::string>& jobNames();
Job jobNamed(const std::string& name);

}  // namespace pp::test
