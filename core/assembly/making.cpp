#include "core/assembly/making.h"

#include <algorithm>
#include <set>

namespace pp::bench {
namespace {

// By which the steps of a unit are known, each alike one after the other.
std::set<PartKey> keysOf(const std::vector<Pieces>& pieces, const UnitOrder& unit) {
  std::set<PartKey> out;
  for (const AssemblyStep& step : unit.steps)
    for (const std::size_t pose : step.poses) out.insert(keyAt(pieces[step.row].part, pose));
  return out;
}

}  // namespace

std::vector<MovedStep> withMoved(const Job& job, const std::vector<Pieces>& pieces,
                                 const UnitOrder& unit, std::size_t step, std::size_t to) {
  std::vector<MovedStep> out = job.moved;
  if (step == to) return out;
  const AssemblyStep &one = unit.steps[step], &other = unit.steps[to];
  const auto alike = static_cast<std::size_t>(unit.alike);
  const std::size_t of = one.poses.size() / alike, ofOther = other.poses.size() / alike;
  for (std::size_t i = 0; i < alike; ++i) {
    const bool after = to > step;
    PartKey anchor =
        keyAt(pieces[other.row].part, other.poses[after ? (i + 1) * ofOther - 1 : i * ofOther]);
    for (std::size_t k = 0; k < of; ++k) {
      const PartKey& key = keyAt(pieces[one.row].part, one.poses[i * of + k]);
      // Nothing tells them apart.
      if (key == anchor) continue;
      out.push_back({key, anchor, after || k > 0});
      anchor = key;
    }
  }
  return out;
}

std::vector<MovedStep> withoutMoved(const Job& job, const std::vector<Pieces>& pieces,
                                    const UnitOrder& unit) {
  const std::set<PartKey> keys = keysOf(pieces, unit);
  std::vector<MovedStep> out = job.moved;
  std::erase_if(out, [&](const MovedStep& one) {
    return keys.count(one.part) > 0 && keys.count(one.other) > 0;
  });
  return out;
}

bool isMoved(const Job& job, const std::vector<Pieces>& pieces, const UnitOrder& unit) {
  return withoutMoved(job, pieces, unit).size() != job.moved.size();
}

std::vector<JointGluing> withGluing(const Job& job, const std::vector<Pieces>& pieces,
                                    const AssemblyStep& step, Gluing gluing) {
  std::set<std::pair<PartKey, PartKey>> pairs;
  for (const auto& [a, b] : step.joined) {
    const PartKey& one = keyAt(pieces[a.row].part, a.pose);
    const PartKey& other = keyAt(pieces[b.row].part, b.pose);
    pairs.insert(std::minmax(one, other));
  }
  std::vector<JointGluing> out = job.gluing;
  std::erase_if(out, [&](const JointGluing& one) {
    return pairs.count(std::minmax(one.part, one.mate)) > 0;
  });
  if (gluing != Gluing::InShop)
    for (const auto& [one, other] : pairs) out.push_back({one, other, gluing});
  return out;
}

}  // namespace pp::bench
