// A new plan in the middle of the work: some pieces are cut, some are spoiled, and what is really
// there becomes the stock.
#pragma once

#include <set>

#include "core/nest/nest.h"

namespace pp::nest {

// A piece that is really there.
struct PieceAtHand {
  std::string id;         // unique; the plan's name of the piece, such as "S1.4"
  std::size_t stock = 0;  // row of the old request it was cut from
  Length x, y;            // where it lay on its sheet
  Length dx, dy;
  std::vector<Placement>
      planned;                  // what the old plan still cuts from it, places from its low corner
  EdgeTrims trims;              // come off before anything is measured
  std::vector<Defect> damaged;  // what must stay free of it besides, from its low corner
};

// How the work stands.
struct Bench {
  std::vector<PieceAtHand> pieces;  // whole sheets and pieces that are not finished parts
  std::vector<std::int64_t> done;   // per part: good copies that lie ready
};

// The bench once the cuts of these steps are made, in whatever order. Parts that have come off
// count as done; a piece with a rough edge is as large as it is for sure. Problem: the plan has no
// such cut, or it cannot have been made yet.
Result<Bench> benchAfter(const NestRequest& request, const Plan& plan, const std::set<int>& made);

// How much of what is still planned may be planned anew.
enum class Disturb {
  Nothing,   // parts stay on the piece they are planned on; only what is missing finds a place
  OnePiece,  // one piece may be given up and its parts find other places, where that is cheaper
  Freely,    // everything that is not cut
};

struct Replanned {
  // The parts still to be cut, the rest of the rack and the pieces at hand that the plan takes up.
  NestRequest request;
  Plan plan;                            // of that request; without trees
  std::int64_t moved = 0;               // parts that lie on another piece than before
  std::vector<std::size_t> movedParts;  // which these are, each once
  std::int64_t newSheets = 0;           // pieces taken from the rack that the old plan did not take
  Money newCost;                        // of those
};

// The parts that are neither done nor spoiled beyond the bench are planned anew: cheapest first, so
// that an offcut at hand comes before a new sheet. `bench.done` says what need not be cut any more.
Replanned replan(const NestRequest& request, const Plan& plan, const Bench& bench, Disturb disturb,
                 const NestOptions& options, std::stop_token stop = {});

}  // namespace pp::nest
