// The pieces that a plan of a cutting makes, each once.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/plan/cutting_plan.h"

namespace pp::floor {

// Of whatever plan: what names no piece of it is none. The plan is kept by reference; it is the one
// of that number.
class PlanPieces {
 public:
  struct Piece {
    std::string name;
    std::size_t sheet = 0;          // index into the plan's sheets
    int dividedBy = 0;              // the step that cuts it further; 0: none does
    const PieceEnd* end = nullptr;  // what it is that is not cut further; null: nothing
  };
  PlanPieces(const CuttingPlan& plan, int number);

  // Null: the plan makes no such piece.
  const Piece* find(const SawnPiece& piece) const;
  // What is on the saw at a step, and what it leaves there. None: no such step, or nothing.
  std::optional<SawnPiece> divided(int step) const;
  std::optional<SawnPiece> low(int step) const;
  std::optional<SawnPiece> high(int step) const;
  // The piece of a part that it is; none: it is no part.
  std::optional<PieceId> part(const Piece& piece) const;
  // The leftover that it is; null: it is none.
  const Leftover* leftover(const Piece& piece) const;

 private:
  struct Cut {
    std::optional<SawnPiece> divided;
    std::optional<Piece> off[2];
  };
  template <class Self>
  static auto* findIn(Self& self, const SawnPiece& piece);

  const CuttingPlan& plan_;
  const int number_;
  std::vector<Piece> sheets_;
  std::vector<Cut> cuts_;
};

}  // namespace pp::floor
