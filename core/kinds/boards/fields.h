// How a board stands in a job's file.
#pragma once

#include "core/designs/boards.h"

namespace pp {

class Archive;

void fields(Archive& a, Feature& v);
void fields(Archive& a, LooseBoard& v);

}  // namespace pp
