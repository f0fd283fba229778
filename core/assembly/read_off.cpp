#include "core/assembly/read_off.h"

#include <array>
#include <cmath>
#include <set>
#include <tuple>

#include "core/assembly/phases.h"

namespace pp::bench {
namespace {

constexpr double kWidestGap = 15;  // millimetres between a front and what is beside it, at most
constexpr Length kClampsApart = Length::mm(300);

Length rounded(double mm) {
  return Length::um(std::llround(mm * 1000));
}

const PieceAt& mateOf(const Closed& joint, const PieceAt& of) {
  return joint.piece == of ? joint.mate : joint.piece;
}

}  // namespace

ReadOff::Beside ReadOff::beside(std::size_t body, int axis, bool above,
                                const std::vector<std::size_t>& there, double slack) const {
  const Body& one = bodies_[body];
  Beside out;
  for (const std::size_t k : there) {
    const Body& other = bodies_[k];
    bool over = true;
    for (int i = 0; i < 3; ++i) {
      if (i == axis) continue;
      const double margin = i == 1 ? slack : -5;
      over = over && at(other.high, i) + margin > at(one.low, i) &&
             at(one.high, i) + margin > at(other.low, i);
    }
    if (!over) continue;
    const double off =
        above ? at(other.low, axis) - at(one.high, axis) : at(one.low, axis) - at(other.high, axis);
    if (off > -kFlush && off < out.off) out = {off, k};
  }
  return out;
}

void ReadOff::setBy(AssemblyStep& step, std::size_t body,
                    const std::vector<std::size_t>& there) const {
  const Body& one = bodies_[body];
  const bool flat = isFixedFlat(bodies_[body].part->role);
  if (one.pose.turn || (step.joints.empty() && !flat)) return;
  for (const Closed& joint : step.joints)
    if (!isFastened(joint.kind)) return;
  const bool owns = flat || std::any_of(step.joints.begin(), step.joints.end(),
                                        [&](const Closed& c) { return c.piece == one.at; });
  if (!owns) return;
  const int axis = flat ? 2 : static_cast<int>(one.pose.w.axis);
  std::vector<std::pair<double, Spacer>> found;
  const auto add = [&](double off, std::size_t to, bool above) {
    static constexpr std::array<Side, 3> kLow = {Side::Left, Side::Front, Side::Bottom};
    static constexpr std::array<Side, 3> kHigh = {Side::Right, Side::Back, Side::Top};
    const auto side = static_cast<std::size_t>(axis);
    found.emplace_back(off, Spacer{rounded(off), bodies_[to].at, above ? kHigh[side] : kLow[side]});
  };
  for (const bool above : {false, true})
    if (const Beside by = beside(body, axis, above, there, -5); by.body != kNone)
      add(by.off, by.body, above);
  const bool hasNeighbours = !found.empty();
  // From an end of what it is fixed to, where it is flush with it or has no neighbour.
  const std::size_t mate = flat ? there.front() : bodyOf(mateOf(step.joints.front(), one.at));
  for (const bool above : {false, true}) {
    const double off = above ? at(bodies_[mate].high, axis) - at(one.high, axis)
                             : at(one.low, axis) - at(bodies_[mate].low, axis);
    if (std::abs(off) < kFlush || (!hasNeighbours && off > 0)) add(off, mate, above);
  }
  const auto least = std::min_element(
      found.begin(), found.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  if (least != found.end() && least->first > kFlush) step.spacers.push_back(least->second);
}

void ReadOff::gaps(AssemblyStep& step, const std::vector<std::size_t>& front,
                   const std::vector<std::size_t>& there) const {
  for (const auto& [axis, above, side] :
       {std::tuple{0, false, Side::Left}, std::tuple{0, true, Side::Right},
        std::tuple{2, false, Side::Bottom}, std::tuple{2, true, Side::Top}}) {
    Beside least;
    for (const std::size_t body : front) {
      const Beside one = beside(body, axis, above, there, -1);
      if (one.off < least.off) least = one;
    }
    if (least.off < kWidestGap && least.off > kFlush)
      step.spacers.push_back({rounded(least.off), bodies_[least.body].at, side});
  }
}

void ReadOff::finish(UnitOrder& unit) const {
  std::set<int> axes;
  std::set<PieceAt> joined;
  std::optional<std::size_t> closes;
  std::size_t glued = 0;
  Length run;
  for (std::size_t i = 0; i < unit.steps.size(); ++i) {
    std::set<PieceAt> mates;
    for (const Closed& joint : unit.steps[i].joints) {
      // Laid flat on one another they are clamped along both sides.
      if (!joint.drawn && joint.glued && joint.flat && joint.fasteners.at.empty() &&
          joint.gluing == Gluing::InShop)
        run += 2 * bodies_[bodyOf(joint.piece)].part->edgeLength(Edge::L1), ++glued;
      if (!joint.drawn) continue;
      joined.insert({joint.piece, joint.mate});
      mates.insert(isIn(unit.steps[i].pieces, joint.piece) ? joint.mate : joint.piece);
      axes.insert(axisOf(joint));
      if (!isFastened(joint.kind) && joint.gluing == Gluing::InShop) {
        ++glued;
        run += bodies_[bodyOf(joint.piece)].part->edgeLength(joint.edge);
      }
    }
    if (mates.size() > 1 || (mates.size() == 1 && unit.steps[i].joints.size() > 1)) closes = i;
  }
  if (glued > 2) {
    unit.steps[std::min<std::size_t>(1, unit.steps.size() - 1)].isDry = true;
    const auto clamps = (run.inNm() / 2 + kClampsApart.inNm() - 1) / kClampsApart.inNm();
    unit.steps[closes.value_or(unit.steps.size() - 1)].clamps =
        static_cast<int>(std::max<std::int64_t>(2, clamps));
  }
  axes.erase(-1);
  if (!closes || axes.empty() || axes.size() > 2) return;
  const int a = *axes.begin();
  const bool lies = unit.kind == UnitKind::Box || unit.kind == UnitKind::Base;
  const int b = axes.size() > 1 ? *axes.rbegin() : a != 0 ? 0 : lies ? 1 : 2;
  Room room;
  for (const PieceAt& piece : joined) room.take(bodies_[bodyOf(piece)]);
  const double p = at(room.high, a) - at(room.low, a), q = at(room.high, b) - at(room.low, b);
  unit.steps[*closes].diagonals =
      Diagonals{rounded(p), rounded(q), rounded(std::sqrt(p * p + q * q))};
}
std::size_t ReadOff::bodyOf(const PieceAt& piece) const {
  const auto found = std::find_if(bodies_.begin(), bodies_.end(),
                                  [&](const Body& body) { return body.at == piece; });
  return static_cast<std::size_t>(found - bodies_.begin());
}
// Along which a joint comes apart; -1: along none of the three.
int ReadOff::axisOf(const Closed& joint) const {
  for (const JointAt& one : joints_)
    if (bodies_[one.piece].at == joint.piece && bodies_[one.mate].at == joint.mate &&
        one.edge == joint.edge)
      for (int axis = 0; axis < 3; ++axis)
        if (std::abs(at(one.out, axis)) > 1 - 1e-6) return axis;
  return -1;
}

}  // namespace pp::bench
