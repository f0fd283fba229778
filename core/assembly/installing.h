// What is carried to the place, how large and how heavy, and what is done with it there, in order.
#pragma once

#include "core/assembly/order.h"

namespace pp::bench {

// A panel is carried flat and put together with the rest in its place; of a cleat the half that is
// on the wall, which comes before what hangs on it.
enum class Carry { Base, Case, Frame, Top, Whole, Panel, Drawer, Shelf, Front, Cleat };

// Carried as one: a case without its drawers, loose shelves and fronts, which are carried by
// themselves.
struct Carried {
  Carry kind = Carry::Whole;
  std::string assembly;  // code
  std::string of;        // the assembly that stands there: the group of a case
  // Known by one of its parts, the largest of a case; as many as have a pose here.
  std::size_t row = 0;
  std::vector<std::size_t> poses;
  std::vector<PieceAt> pieces;  // all that goes with it
  Length width, depth, height;  // as it stands
  double grams = 0;             // of one
  bool isHung = false;          // on a cleat or on the wall itself
  bool isOnCasters = false;     // as it is, so is its floor
  // Kept free of a wall beside it, to be scribed or filled; none: no wall there.
  std::optional<Length> gapLeft, gapRight;
  // What it is joined to there, by its row, and how.
  std::vector<std::pair<std::size_t, Gluing>> joinedThere;
  // Carried by two, for its weight or its length.
  bool isForTwo() const;
  // To be held to the wall whatever it stands on.
  bool isAnchored() const;
};

// In the order in which they are set: what hangs free on a wall, what stands on the floor, what
// stands on that; of each what it stands on, it, what goes before and on it, then drawers, shelves
// and fronts.
std::vector<Carried> carriedOf(const std::vector<UnitOrder>& order,
                               const std::vector<Pieces>& pieces, const Job& job);

}  // namespace pp::bench
