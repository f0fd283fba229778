// What is read off the bodies of a step: what it is set by instead of measuring, the gaps round a
// front, and what is checked when a unit closes.
#pragma once

#include "core/assembly/order.h"

namespace pp::bench {

template <class One>
bool isIn(const std::vector<One>& of, const One& one) {
  return std::find(of.begin(), of.end(), one) != of.end();
}

inline constexpr double kFlush = 0.05;  // millimetres: no further apart is flush

class ReadOff {
 public:
  // Both are kept by reference.
  ReadOff(const std::vector<Body>& bodies, const std::vector<JointAt>& joints)
      : bodies_(bodies), joints_(joints) {}

  // A spacer for what nothing but screws hold in its place, beside what is `there`.
  void setBy(AssemblyStep& step, std::size_t body, const std::vector<std::size_t>& there) const;
  // To what stands beside a front, as near as gaps are.
  void gaps(AssemblyStep& step, const std::vector<std::size_t>& front,
            const std::vector<std::size_t>& there) const;
  // Diagonals, clamps and whether it is put together dry, when all steps of a unit are there.
  void finish(UnitOrder& unit) const;

 private:
  static constexpr std::size_t kNone = static_cast<std::size_t>(-1);
  struct Beside {
    double off = 1e9;
    std::size_t body = kNone;
  };
  // The nearest along an axis, below a body or above it; `slack`: how much of it, from front to
  // back, may be beside the other and still count.
  Beside beside(std::size_t body, int axis, bool above, const std::vector<std::size_t>& there,
                double slack) const;
  std::size_t bodyOf(const PieceAt& piece) const;
  int axisOf(const Closed& joint) const;

  const std::vector<Body>& bodies_;
  const std::vector<JointAt>& joints_;
};

}  // namespace pp::bench
