// What a new assembly of any kind begins with.
#pragma once

#include <string>

namespace pp {

// What a new assembly is made of; empty where the rack has none.
struct PlainMaterials {
  std::string thick, middle, thin;  // sheets
  std::string banding;
};

}  // namespace pp
