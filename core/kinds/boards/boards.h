// Boards drawn one by one, with what is cut into them. Values; part of a job.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/job/feature.h"
#include "core/job/id.h"
#include "core/job/shared_rows.h"
#include "core/length/length.h"

namespace pp {

// Which dimension of a board follows the grain.
enum class BoardGrain { Length, Width, Any };

// A board of a given size: a lid, a bracket, a spare shelf.
struct LooseBoard {
  std::string name;
  std::string material;       // id of a Material
  std::int64_t quantity = 1;  // 1..10 000
  Length length, width;       // finished, banding included, > 0
  BoardGrain grain = BoardGrain::Length;
  std::string bandLong, bandShort;  // on both edges along the length, and along the width; or empty
  std::optional<std::string> farLong, farShort;  // on the far edge, where that has another or none
  std::vector<Feature> features;
  Id id = 0;
  bool operator==(const LooseBoard&) const = default;
};

// Boards that make one thing together: a bracket, a leg, a nest box.
struct Boards {
  SharedRows<LooseBoard> boards;
  bool operator==(const Boards&) const = default;
};

}  // namespace pp
