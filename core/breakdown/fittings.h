// Slides, hinges, pins, screws and glue of a job, counted from its parts and how they are joined.
#pragma once

#include "core/job/hardware_kind.h"
#include "core/parts/part.h"

namespace pp {

// So many of one thing.
struct Fitting {
  HardwareKind kind = HardwareKind::Other;
  std::string name;        // without its length: "pocket screw", or what a slide is called
  Length length;           // 0: it has none
  std::int64_t count = 0;  // pieces; of slides pairs, of glue millilitres
  bool operator==(const Fitting&) const = default;
};

// Of all assemblies, each thing once, by kind, name and length: what the joints hold by, glue at
// 180 ml a square metre, and what is mounted. Screws that come with what they hold are not counted,
// nor what is anchored to the building.
std::vector<Fitting> fittingsOf(const Job& job, const std::vector<Part>& parts);

// Whether the maker has it among what is bought in, so that it is not counted a second time:
// "hinge, 35 mm cup" are the hinges.
bool isBoughtIn(const Job& job, const Fitting& one);

// What of the job gets a finish: square centimetres by finish, without what is hidden or glued.
std::vector<std::pair<Finish, std::int64_t>> finishAreas(const Job& job,
                                                         const std::vector<Part>& parts);
// "clear", "painted", "stained".
const char* finishName(Finish finish);

}  // namespace pp
