// Sets without waste: parts with an equal side are glued together, and so on, until whole sheets
// are left. Where everything must fit to the last nanometre, equal sides are rarely chance, so this
// finds in moments what a search that moves parts about hardly ever does.
#pragma once

#include <functional>
#include <optional>

#include "core/nest/sheet/arrangement.h"

namespace pp::nest {

class Glue {
 public:
  Glue(const Group& group, std::uint64_t seed);

  // Whether the group is of one stock row and its blocks fill whole sheets all but exactly.
  static bool isWorthTrying(const Group& group);

  // Up to `tries` attempts from scratch; a complete arrangement on exactly filled sheets.
  std::optional<Arrangement> run(std::int64_t tries, const std::function<bool()>& stop);

 private:
  struct Piece {
    Nm w = 0, h = 0;
    bool turns = false;
    int block = -1, lie = -1;  // a block, or two pieces side by side along x:
    int a = -1, b = -1;
    bool turnA = false, turnB = false;
  };
  struct Pair {
    int a, b;
    bool turnA, turnB;
    int score;
  };

  bool attempt();
  void pairs(std::vector<Pair>& out) const;
  void lay(int piece, bool turned, Nm x, Nm y, std::vector<Laid>& out) const;

  const Group& group_;
  Random random_;
  std::vector<Piece> leaves_;
  std::vector<Piece> pieces_;
  std::vector<int> open_;
};

}  // namespace pp::nest
