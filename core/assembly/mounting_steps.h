// What is mounted, in the steps of the pieces it is mounted on.
#pragma once

#include "core/assembly/order.h"
#include "core/assembly/units.h"

namespace pp::bench {

// By what they are on.
using Mounted = std::map<PartKey, std::vector<Mounting>>;

// The same on another piece.
bool isMountedAlike(const Mounting& a, const Mounting& b);

class MountingSteps {
 public:
  // All are kept by reference, `member` as Units has it.
  MountingSteps(const std::vector<Body>& bodies, const std::vector<std::size_t>& member,
                const Units& units, const Mounted& mounted)
      : bodies_(bodies), member_(member), units_(units), mounted_(mounted) {}

  // What goes on with it: all but what the whole stands on, which is put on last. What stands in a
  // row has had its own.
  void mount(AssemblyStep& step, const Node& node) const;
  // Casters and legs go on when the case is whole and lies on its back: with the last of what it is
  // made of.
  void feet(UnitOrder& unit, const std::vector<Node>& inOrder) const;

 private:
  const std::vector<Body>& bodies_;
  const std::vector<std::size_t>& member_;
  const Units& units_;
  const Mounted& mounted_;
};

}  // namespace pp::bench
