// How a board stands in a job's file.
#pragma once

#include "core/kinds/boards/boards.h"

namespace pp {

class Archive;

void fields(Archive& a, Feature& v);
void fields(Archive& a, LooseBoard& v);

}  // namespace pp
