#include "core/saw/edges.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <map>
#include <set>
#include <tuple>

namespace pp::saw {
namespace {

constexpr Length kRoughEdge = Length::mm(2);  // comes off one

struct Edge {
  Length at;       // as planned, on the sheet
  int source = 0;  // the step of the rough cut that it moves with; 0: of none
  int step = 0;    // that made it; 0: as bought
  CutKind kind = CutKind::Final;
  bool clean = true;
};

// Low and high along x, then along y.
using Edges = std::array<Edge, 4>;
constexpr std::size_t kAlongX = 0;
constexpr std::size_t kAlongY = 2;

struct Range {
  Length least, most;
};

class Follower {
 public:
  Follower(const NestRequest& request, const Plan& plan) : request_(request), plan_(plan) {
    for (const Machine& machine : request.shop.machines)
      if (machine.kind == SawKind::Table)
        tables_.insert(machine.name);
      else if (machine.kind == SawKind::Circular)
        circular_.insert(machine.name);
    for (const PieceEnd& end : plan.ends)
      if (end.kind == PieceEnd::Kind::Waste) waste_.insert(end.piece);
    for (std::size_t i = 0; i < plan.sheets.size(); ++i) {
      const StockSupply& stock = request.stock[plan.sheets[i].stock];
      Edges whole;
      whole[kAlongX].clean = stock.lowX() == Length{};
      whole[kAlongX + 1].clean = stock.highX() == Length{};
      whole[kAlongY].clean = stock.lowY() == Length{};
      whole[kAlongY + 1].clean = stock.highY() == Length{};
      whole[kAlongX + 1].at = stock.length;
      whole[kAlongY + 1].at = stock.width;
      pieces_[sheetName(request, plan, i)] = whole;
      sheets_[sheetName(request, plan, i)] = i;
    }
  }

  std::map<std::string, SurePiece> lying(const std::set<int>& made) {
    for (const SawCut& cut : plan_.cuts)
      if (made.count(cut.step) > 0) make(cut);
    std::map<std::string, SurePiece> out;
    for (const auto& [name, edges] : pieces_) {
      SurePiece& piece = out[name];
      piece.at = {sheets_.at(name), edges[kAlongX].at, edges[kAlongY].at,
                  apart(edges[kAlongX + 1], edges[kAlongX]).least,
                  apart(edges[kAlongY + 1], edges[kAlongY]).least};
      const StockSupply& stock = request_.stock[plan_.sheets[piece.at.sheet].stock];
      const auto off = [](const Edge& edge, Length asBought) {
        return edge.clean ? Length{} : edge.step == 0 ? asBought : kRoughEdge;
      };
      piece.trims = {off(edges[kAlongX], stock.lowX()), off(edges[kAlongX + 1], stock.highX()),
                     off(edges[kAlongY], stock.lowY()), off(edges[kAlongY + 1], stock.highY())};
    }
    return out;
  }

  Problems run() {
    for (const SawCut& cut : plan_.cuts) {
      setting(cut);
      make(cut);
    }
    for (const PieceEnd& end : plan_.ends) {
      const auto at = pieces_.find(end.piece);
      if (at == pieces_.end()) continue;
      if (end.kind == PieceEnd::Kind::Part) part(end, at->second);
      if (end.kind == PieceEnd::Kind::Leftover) leftover(end, at->second);
    }
    return std::move(problems_);
  }

 private:
  void add(const std::string& field, const std::string& found, const std::string& expected) {
    problems_.push_back({{}, 0, field, found, expected});
  }
  static std::string name(const SawCut& cut) { return fmt::format("cut {}", cut.step); }

  // How far `a` lies from `b`, whatever the rough cuts come to.
  Range apart(const Edge& a, const Edge& b) const {
    Range out{a.at - b.at, a.at - b.at};
    if (a.source == b.source) return out;
    if (a.source != 0) {
      out.least += plays_.at(a.source).from;
      out.most += plays_.at(a.source).to;
    }
    if (b.source != 0) {
      out.least -= plays_.at(b.source).to;
      out.most -= plays_.at(b.source).from;
    }
    return out;
  }

  void setting(const SawCut& cut) {
    if (cut.kind != CutKind::Rough && circular_.count(cut.machine) > 0)
      add(name(cut), "a clean edge from the " + cut.machine, "a rough cut, or another saw");
    const bool isSet = cut.kind == CutKind::Final || cut.kind == CutKind::Over;
    if (!isSet) {
      if (cut.setup != 0) add(name(cut), "a cut to a mark with a setting", "none");
      if (tables_.count(cut.machine) > 0)
        add(name(cut), "a cut to a mark on the " + cut.machine, "another saw");
      return;
    }
    const std::tuple key{cut.machine, cut.direction, cut.distance};
    if (setups_ == 0 || key != set_) ++setups_;
    set_ = key;
    if (cut.setup != setups_)
      add(name(cut), fmt::format("setting {}", cut.setup), std::to_string(setups_));
  }

  // Where the near side of the blade lies.
  Edge bladeOf(const SawCut& cut, const Edge& low, const Edge& high) {
    const bool isLow = cut.fence == FenceSide::Low;
    const Edge& fence = isLow ? low : high;
    Edge out{low.at + cut.at, 0, cut.step, cut.kind, cut.kind != CutKind::Rough};
    switch (cut.kind) {
      case CutKind::Rough:
        if (!cut.play || cut.play->from > cut.at || cut.play->to < cut.at) {
          add(name(cut), "outside its play", "a place within it");
          break;
        }
        plays_[cut.step] = {cut.play->from - cut.at, cut.play->to - cut.at};
        out.source = cut.step;
        break;
      case CutKind::Trim:
        // What stays is at the side that is given as the fence's.
        if (fence.clean) out.source = fence.source;
        break;
      case CutKind::Final:
        if (!fence.clean)
          add(name(cut), "measured from an edge that is not clean", "a clean one at the fence");
        out.source = fence.source;
        break;
      case CutKind::Over:
        out.source = fence.source;
        break;
    }
    if (cut.play && cut.kind != CutKind::Rough) add(name(cut), "a play", "none but of rough cuts");
    return out;
  }

  // Whether there is a piece of that size where one is cut on or kept; what comes off may be dust.
  void there(const SawCut& cut, const Range& size, const std::optional<std::string>& piece) {
    if (piece && waste_.count(*piece) == 0 && size.least <= Length{})
      add(name(cut), *piece + ", which may not be there", "the pieces it leaves, in any case");
  }

  void make(const SawCut& cut) {
    const Edges piece = pieces_[cut.piece];
    pieces_.erase(cut.piece);
    const std::size_t along = cut.direction == CutDirection::Rip ? kAlongY : kAlongX;
    const Edge near = bladeOf(cut, piece[along], piece[along + 1]);
    Edge far = near;
    far.at += cut.kerf;
    const Range low = apart(near, piece[along]);
    const Range high = apart(piece[along + 1], far);
    there(cut, low, cut.low);
    there(cut, high, cut.high);
    if (low.least <= -cut.kerf || high.least <= -cut.kerf)
      add(name(cut), "a cut that may miss its piece", "one that meets it in any case");
    for (const auto& left : {cut.low, cut.high})
      if (left) sheets_[*left] = cut.sheet;
    if (cut.low) {
      Edges left = piece;
      left[along + 1] = near;
      pieces_[*cut.low] = left;
    }
    if (cut.high) {
      Edges left = piece;
      left[along] = far;
      pieces_[*cut.high] = left;
    }
  }

  void part(const PieceEnd& end, const Edges& edges) {
    const Placement& placement = plan_.sheets[end.sheet].placements[end.index];
    for (const std::size_t along : {kAlongX, kAlongY}) {
      const Edge& a = edges[along];
      const Edge& b = edges[along + 1];
      if (!a.clean || !b.clean) add(end.piece, "an edge that is not clean", "four clean edges");
      const Edge& later = a.step > b.step ? a : b;
      if (later.step > 0 && later.kind != CutKind::Final)
        add(end.piece, "a size that no final cut gives", "one from a final cut");
      const Range size = apart(b, a);
      const Length wanted = along == kAlongX ? placement.dx : placement.dy;
      if (size.least != wanted || size.most != wanted)
        add(end.piece, formatMm(size.least) + " to " + formatMm(size.most), formatMm(wanted));
    }
  }

  void leftover(const PieceEnd& end, const Edges& edges) {
    const Leftover& kept = plan_.sheets[end.sheet].leftovers[end.index];
    for (const std::size_t along : {kAlongX, kAlongY}) {
      const Length least = apart(edges[along + 1], edges[along]).least;
      const Length said = along == kAlongX ? kept.dx : kept.dy;
      if (least < said) add(kept.id, formatMm(least), "at least " + formatMm(said));
    }
  }

  const NestRequest& request_;
  const Plan& plan_;
  std::set<std::string> tables_, circular_, waste_;
  std::map<std::string, Edges> pieces_;
  std::map<std::string, std::size_t> sheets_;  // that a piece was cut from
  std::map<int, Play> plays_;                  // by step, from the planned place
  std::tuple<std::string, CutDirection, Length> set_;
  int setups_ = 0;
  Problems problems_;
};

}  // namespace

std::map<std::string, SurePiece> sureAfter(const NestRequest& request, const Plan& plan,
                                           const std::set<int>& made) {
  return Follower(request, plan).lying(made);
}

Length trimmedOff(const SawCut& trim, const MadeCut& made) {
  if (trim.fence == FenceSide::High) return trim.at + trim.kerf;
  return (trim.direction == CutDirection::Rip ? made.piece.dy : made.piece.dx) - trim.at;
}

Problems verifyEdges(const NestRequest& request, const Plan& plan) {
  return Follower(request, plan).run();
}

}  // namespace pp::saw
