#include "core/saw/edges.h"

#include <fmt/format.h>

#include <array>
#include <map>
#include <set>
#include <tuple>

namespace pp::saw {
namespace {

struct EdgeMade {
  int step = 0;  // 0: as bought
  CutKind kind = CutKind::Final;
  bool clean = true;
};

// Low and high along x, then along y.
using Edges = std::array<EdgeMade, 4>;
constexpr std::size_t kAlongX = 0;
constexpr std::size_t kAlongY = 2;

class Follower {
 public:
  Follower(const NestRequest& request, const Plan& plan) : plan_(plan) {
    for (const Machine& machine : request.shop.machines)
      if (machine.kind == SawKind::Table) tables_.insert(machine.name);
    for (std::size_t i = 0; i < plan.sheets.size(); ++i) {
      Edges whole;
      for (EdgeMade& edge : whole)
        edge.clean = request.stock[plan.sheets[i].stock].trim == Length{};
      pieces_[sheetName(request, plan, i)] = whole;
    }
  }

  Problems run() {
    for (const SawCut& cut : plan_.cuts) {
      setting(cut);
      make(cut);
    }
    for (const PieceEnd& end : plan_.ends)
      if (end.kind == PieceEnd::Kind::Part) part(end);
    return std::move(problems_);
  }

 private:
  void add(const std::string& field, const std::string& found, const std::string& expected) {
    problems_.push_back({{}, 0, field, found, expected});
  }
  static std::string name(const SawCut& cut) { return fmt::format("cut {}", cut.step); }

  void setting(const SawCut& cut) {
    const bool isSet = cut.kind == CutKind::Final || cut.kind == CutKind::Over;
    if (!isSet) {
      if (cut.setup != 0) add(name(cut), "a trim with a setting", "none");
      if (tables_.count(cut.machine) > 0)
        add(name(cut), "a trim on the " + cut.machine, "another saw");
      return;
    }
    const std::tuple key{cut.machine, cut.direction, cut.distance};
    if (setups_ == 0 || key != set_) ++setups_;
    set_ = key;
    if (cut.setup != setups_)
      add(name(cut), fmt::format("setting {}", cut.setup), std::to_string(setups_));
  }

  void make(const SawCut& cut) {
    Edges piece = pieces_[cut.piece];
    pieces_.erase(cut.piece);
    const std::size_t along = cut.direction == CutDirection::Rip ? kAlongY : kAlongX;
    const EdgeMade& fence = piece[along + (cut.fence == FenceSide::Low ? 0 : 1)];
    if (cut.kind == CutKind::Final && !fence.clean)
      add(name(cut), "measured from an edge that is not clean", "a clean one at the fence");
    const EdgeMade made{cut.step, cut.kind, true};
    if (cut.low) {
      Edges low = piece;
      low[along + 1] = made;
      pieces_[*cut.low] = low;
    }
    if (cut.high) {
      Edges high = piece;
      high[along] = made;
      pieces_[*cut.high] = high;
    }
  }

  void part(const PieceEnd& end) {
    const auto at = pieces_.find(end.piece);
    if (at == pieces_.end()) return;
    for (const std::size_t along : {kAlongX, kAlongY}) {
      const EdgeMade& a = at->second[along];
      const EdgeMade& b = at->second[along + 1];
      if (!a.clean || !b.clean) add(end.piece, "an edge as it was bought", "four clean edges");
      const EdgeMade& later = a.step > b.step ? a : b;
      if (later.step > 0 && later.kind != CutKind::Final)
        add(end.piece, "a size that no final cut gives", "one from a final cut");
    }
  }

  const Plan& plan_;
  std::set<std::string> tables_;
  std::map<std::string, Edges> pieces_;
  std::tuple<std::string, CutDirection, Length> set_;
  int setups_ = 0;
  Problems problems_;
};

}  // namespace

Length trimmedOff(const SawCut& trim, const MadeCut& made) {
  if (trim.fence == FenceSide::High) return trim.at + trim.kerf;
  return (trim.direction == CutDirection::Rip ? made.piece.dy : made.piece.dx) - trim.at;
}

Problems verifyEdges(const NestRequest& request, const Plan& plan) {
  return Follower(request, plan).run();
}

}  // namespace pp::saw
