// Makes every cut of a plan in order, starting from the whole sheets.
#pragma once

#include <stop_token>
#include <string>
#include <unordered_map>
#include <vector>

#include "core/plan/plan.h"

namespace pp::saw {

struct PlayedPiece {
  std::size_t sheet = 0;
  Length x, y, dx, dy;
  bool operator==(const PlayedPiece&) const = default;
};

using PlayedPieces = std::unordered_map<std::string, PlayedPiece>;  // by name

// The pieces that lie on the bench after all cuts. A problem when a cut names a piece that
// is not there, misses it, or leaves the wrong pieces.
Result<PlayedPieces> playback(const NestRequest& request, const Plan& plan,
                              const std::stop_token& stop = {});

// Where a cut is made: the piece that is on the saw and what the blade takes of it, on its sheet.
struct MadeCut {
  PlayedPiece piece;
  PlayedPiece blade;
};

// Every cut of a plan, in order. Fails as playback() does.
Result<std::vector<MadeCut>> madeCuts(const NestRequest& request, const Plan& plan);

// The first half of that: whether the playback leaves the pieces that the plan says, each as what
// it is to become and as large, every copy once, and bars give theirs. What is cut by it is then
// known.
Problems verifyPieces(const NestRequest& request, const Plan& plan);

// Whether the plan is what it claims: the playback leaves every placement and leftover exactly, as
// the piece that is said to become it, bars hold what is cut from them, sizes are the parts' sizes
// in an allowed direction, every wanted copy is placed once or counted unplaced, stock is not
// overdrawn, runs lie in order one kerf (mitred: two bevel cuts) apart, pinned parts where they
// were pinned, and the totals are the sums. Empty when it is.
Problems verify(const NestRequest& request, const Plan& plan, const std::stop_token& stop = {});

}  // namespace pp::saw
