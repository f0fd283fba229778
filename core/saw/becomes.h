// What the pieces of a plan become that a cut leaves.
#pragma once

#include <map>

#include "core/plan/plan.h"

namespace pp::saw {

struct Becomes {
  enum class What { Nothing, CutFurther, Part, Leftover, Waste };
  What what = What::Nothing;
  std::string name;         // of the piece, the code of the part, or the leftover's id
  int nextStep = 0;         // CutFurther: the cut that divides it
  std::int64_t number = 0;  // Part: of its piece; 0: it is the only one
  // A finished part or a leftover that is kept.
  bool isKept() const { return what == What::Part || what == What::Leftover; }
};

// Both are kept by reference.
class Pieces {
 public:
  Pieces(const NestRequest& request, const Plan& plan);
  Becomes of(const std::optional<std::string>& piece) const;

 private:
  const NestRequest& request_;
  const Plan& plan_;
  std::map<std::string, const PieceEnd*> ends_;
  std::map<std::string, int> dividedBy_;  // piece to the step of its cut
};

}  // namespace pp::saw
