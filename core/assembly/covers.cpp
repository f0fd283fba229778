#include "core/assembly/covers.h"

#include <algorithm>
#include <iterator>

namespace pp::bench {

SeenHeads seenHeads(const std::vector<Pieces>& pieces, const Job& job) {
  SeenHeads out;
  for (const Assembly& assembly : job.assemblies) {
    const std::vector<Body> bodies = bodiesOf(pieces, assembly.code);
    for (const JointAt& joint : jointsOf(bodies, job.unit).drawn) {
      const bool screws = joint.kind == JoinKind::Butt;
      const Body& mate = bodies[joint.mate];
      if ((!screws && joint.kind != JoinKind::Brads) || isOfBox(mate.key().role)) continue;
      // The face that the screw goes in at is the one away from the joint.
      const bool outside = dot(placed(mate.pose, {0, 0, 1}) - placed(mate.pose, {}), joint.out) > 0;
      if (mate.part->hidden[outside ? 1 : 0]) continue;
      // Every copy of the assembly has its own.
      const std::int64_t heads = std::ssize(joint.fasteners.at) * assembly.copies;
      (screws ? out.screws : out.brads) += heads;
      const Finish finish =
          outside ? mate.part->finishOutside.value_or(mate.part->finish) : mate.part->finish;
      if (screws && finish == Finish::Painted) out.painted += heads;
    }
  }
  return out;
}

std::vector<Need> coverNeeds(const SeenHeads& heads) {
  std::vector<Need> out;
  const auto add = [&out](const char* name, std::int64_t amount) {
    if (amount <= 0) return;
    Need& need = out.emplace_back();
    need.name = name;
    need.amount = amount;
  };
  add("wood plug", heads.screws - heads.painted);
  add("wood filler", heads.painted + heads.brads > 0 ? 1 : 0);
  return out;
}

std::vector<Need> coverNeeds(const std::vector<Part>& parts, const Job& job) {
  // Loose boards are joined to nothing, however many there are.
  std::vector<Part> joined;
  std::copy_if(parts.begin(), parts.end(), std::back_inserter(joined),
               [](const Part& part) { return part.assembly != kLooseCode; });
  return coverNeeds(seenHeads(piecesAtBench({}, {}, joined), job));
}

}  // namespace pp::bench
