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

// Of all assemblies and loose boards, each thing once, by kind, name and length. A rule a joint:
// - butt: screws 2 to 2.5 times as long as what lies under the head is thick, the longest that is
//   sold; the first and last 50 mm from the ends, no more than 200 mm apart; one where the edge is
//   no longer than 100 mm
// - pocket: a pocket screw a hole, by the thickness; mortises: a tenon or dowel each
// - brads: no more than 100 mm apart; a back round its edge no more than 150 mm
// - all of them but those of pocket screws glued, 200 ml a square metre
// - four screws through a box into each drawer's front, four pins an adjustable shelf, a hinge a
//   cup, a pair of slides a box that runs on some
// What is anchored to the building is not counted.
std::vector<Fitting> fittingsOf(const Job& job, const std::vector<Part>& parts);

// The longest screw that is sold, in the lengths of the unit, and no longer than that; the shortest
// where none is.
Length screwFor(Length most, Unit unit);
// The pocket screw for stock so thick.
Length pocketScrewFor(Length thickness, Unit unit);
// Through the front of a box into a drawer's front, and not out of that.
inline constexpr int kFrontScrews = 4;
Length frontScrew(Length box, Length front, Unit unit);
// Screws, brads along an edge so long, the first and last `inset` from its ends and no more than
// `apart` between two.
std::int64_t alongEdge(Length edge, Length inset, Length apart);

// What of the job gets a finish: square centimetres by finish, without what is hidden or glued.
std::vector<std::pair<Finish, std::int64_t>> finishAreas(const std::vector<Part>& parts);
// "clear", "painted", "stained".
const char* finishName(Finish finish);

}  // namespace pp
