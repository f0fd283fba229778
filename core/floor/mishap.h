// What went wrong at the saw, what is still good after it, and the ways to go on.
#pragma once

#include <map>
#include <memory>
#include <set>

#include "core/floor/ledger.h"
#include "core/floor/open_parts.h"
#include "core/nest/changes/replan.h"

namespace pp::floor {

struct Mishap {
  enum class Kind {
    Spoiled,  // a part: it is wanted again
    CameOut,  // a piece at another size
    Damaged,  // a piece, at a place that must stay free
    Kerf,     // a saw takes other than was thought
    Sheet     // a sheet that is not cut into has another size or thickness
  };
  Kind kind = Kind::Spoiled;
  std::string piece;  // that lies there, by its name; Kerf: none
  // As it is: along x and y of its sheet, of a part along its own length and width. Spoiled: what
  // of it is still sound, from a corner; zero: nothing.
  Length length, width;
  Length thickness;  // Sheet: as it is; 0: as was thought
  Defect damage;     // Damaged: from the piece's low corner
  std::string machine;
  Length kerf;  // Kerf: what that saw takes
};

// What lies there and something can have happened to.
struct Lying {
  std::string piece;
  std::optional<PieceId> part;  // that it is; else it is to be cut further, or left over
  Length length, width;         // along x and y of its sheet, of a part its own
  bool whole = false;           // a sheet that is not cut into
};
// Of a cutting under way, by name; spoiled parts and waste left out.
std::vector<Lying> lyingNow(const Ledger& ledger, int cutting);

// What is really there after a mishap, and what of it can be used.
struct Aftermath {
  std::vector<Event> events;  // that say what happened, without plan and time
  NestRequest request;        // the plan's, with what has changed of the shop
  nest::Bench bench;
  std::map<std::string, SawnPiece> who;  // of what lies there, by its name in the request
  // What the piece is good for: codes of parts still to be cut that it holds; the part itself where
  // it can be cut down to its size, or is within the tolerance of it.
  std::vector<std::string> goodFor;
  bool asWanted = false;   // it is within the tolerance: nothing need be done
  bool trimmable = false;  // larger than wanted: cut it down
};

// A problem where nothing of that name lies there, or it cannot have come out so.
Result<Aftermath> aftermath(const Ledger& ledger, int cutting, const Mishap& mishap);

// Codes of the parts still to be cut that a sound piece of that size, of that row of stock, holds
// in an allowed direction. `done`: pieces of each part that are cut and good.
std::vector<std::string> goodFor(const NestRequest& request, const std::vector<std::int64_t>& done,
                                 std::size_t stock, Length dx, Length dy);

// One way to go on.
struct Way {
  nest::Disturb disturb = nest::Disturb::Nothing;
  CuttingPlan plan;
  std::int64_t moved = 0;  // parts that lie on another piece than before
  std::vector<std::string> movedCodes;
  std::int64_t newSheets = 0;  // from the rack
  Money newCost;               // of those
  int settings = 0;            // still to be made, after it
};

// What a way is looked for from: values, so that it can be done beside the interface.
struct WayFrom {
  std::shared_ptr<const CuttingPlan> plan;  // in force
  Aftermath after;
  Progress progress;
  std::map<std::string, std::set<std::int64_t>> numbers;  // of pieces, by code: not given again
  int firstSheet = 1;                                     // the next number for a sheet
};
WayFrom wayFrom(const Ledger& ledger, const Holdings& held, int cutting, Aftermath after);

// Plans what is still wanted anew, on what is there. None: stopped.
std::optional<Way> wayOn(const WayFrom& from, nest::Disturb disturb,
                         const nest::NestOptions& options, const std::stop_token& stop = {});

}  // namespace pp::floor
