// Lists that go into a job and out of it: the shop's drawer slides, and parts lists from elsewhere.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/job/job.h"

namespace pp {

// Columns: name, length, thickness, kind (side or under), below, above, price; `name` and `length`
// are needed. A bare number takes the unit of a first line `# unit: mm`, else `unit`. Refused
// whole, with the line and column, as every exchange file is.
Result<std::vector<Slide>> readSlides(const std::string& file, std::string_view text, Unit unit);
std::string writeSlides(const std::vector<Slide>& slides);

// A parts list of the exchange format as boards of the job. `material` and `thickness` must name a
// material there is; bandings must be known. Runs and oversize are not taken over.
Result<std::vector<LooseBoard>> readLooseBoards(const std::string& file, std::string_view text,
                                                const Job& job);

// A new job of a parts list: its boards, with the materials and bandings that it names and a full
// sheet of every material to cut them from. In the unit of the list, else in `unit`.
Result<Job> readPartsJob(const std::string& file, std::string_view text, Unit unit);

}  // namespace pp
