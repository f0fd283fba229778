#include "core/assembly/mounting_steps.h"

#include <algorithm>

#include "core/assembly/phases.h"
#include "core/assembly/read_off.h"

namespace pp::bench {
namespace {

// All that is mounted on its pieces was said in its own steps.
bool isPutTogether(const Node& node) {
  return node.kind == UnitKind::Section || node.kind == UnitKind::Several;
}

bool isFoot(const Mounting& one) {
  return one.kind == HardwareKind::Caster || one.kind == HardwareKind::Other;
}

void add(std::vector<Mounting>& to, Mounting one) {
  one.pieces = 1;
  to.push_back(std::move(one));
}

}  // namespace

bool isMountedAlike(const Mounting& a, const Mounting& b) {
  Mounting one = a;
  one.on = b.on;
  return one == b;
}

void MountingSteps::mount(AssemblyStep& step, const Node& node) const {
  if (isPutTogether(node)) return;
  for (const std::size_t body : node.bodies) {
    const PartKey& key = bodies_[body].key();
    const auto at = mounted_.find(key);
    if (at == mounted_.end() || (member_[body] != Units::kNone && !isFront(key.role))) continue;
    for (const Mounting& one : at->second)
      if (!isFoot(one)) add(step.mounted, one);
  }
}

void MountingSteps::feet(UnitOrder& unit, const std::vector<Node>& inOrder) const {
  const auto isOfTheCase = [this](const Node& node) {
    return units_.phaseOf(node, false) <= AssemblyPhase::Back;
  };
  const auto last = std::find_if(inOrder.rbegin(), inOrder.rend(), isOfTheCase);
  if (last == inOrder.rend()) return;
  const auto step = std::find_if(
      unit.steps.begin(), unit.steps.end(),
      [&](const AssemblyStep& one) { return isIn(one.pieces, bodies_[last->bodies.front()].at); });
  for (const Node& node : inOrder) {
    if (isPutTogether(node)) continue;
    for (const std::size_t body : node.bodies)
      if (const auto at = mounted_.find(bodies_[body].key());
          at != mounted_.end() && member_[body] == Units::kNone)
        for (const Mounting& one : at->second)
          if (isFoot(one)) add(step->mounted, one);
  }
}

}  // namespace pp::bench
