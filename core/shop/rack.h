// The rack across jobs: its rows, who has how much of them, and what comes into it.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/shop/rows.h"

namespace pp {

// What of a row of the rack is whose.
struct Held {
  Id piece = 0;
  int cutting = 0;            // number of the job's cutting
  std::int64_t reserved = 0;  // promised to it
  std::int64_t used = 0;      // cut into
  bool operator==(const Held&) const = default;
};

// A leftover that went back into the rack.
struct Returned {
  int cutting = 0;
  std::string leftover;  // its name in the cutting
  RackPiece piece;
  // Where it is not said of which: so called and so thick; made where there is none.
  std::string material = {};
  Length nominal = {};
};

// All that a job has of the rack, as its journal says after the event `seq`.
struct JobHolding {
  std::string job;   // its id, not empty
  std::string name;  // what it is called
  std::int64_t seq = 0;
  std::vector<Held> held;
  std::vector<Returned> returned;
};

// Who has how much of a piece.
struct RackHolder {
  std::string job, name;
  Held held;
};

struct RackRow {
  RackPiece piece;
  std::int64_t left = 0;  // not cut into
  std::int64_t free = 0;  // of those, promised to nobody; below 0 where too much was
};

struct RackSearch {
  std::string words;             // each in material, lot, place, note or tag
  std::optional<Id> material;    // of that
  std::optional<RackKind> kind;  // of that
  Length length, width;          // at least so large, either way round unless the grain forbids
  bool freeOnly = false;
  bool usedUpToo = false;
};

// What was bought.
struct Booking {
  struct Piece {
    RackPiece piece;
    RackMaterial like;  // what it is of; made where the store has no such
  };
  struct Can {
    std::string finish, product;
    std::int64_t millilitres = 0;
    Money price;  // of a can; 0: as before
  };
  std::vector<Piece> pieces;
  // Known by their names from now on; `left` and `have`: so much came, less than 0: it went back.
  std::vector<RackBanding> rolls;
  std::vector<Hardware> hardware;
  std::vector<Can> cans;
};

}  // namespace pp
