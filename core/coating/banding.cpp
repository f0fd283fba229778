#include "core/coating/banding.h"

#include <algorithm>
#include <functional>
#include <map>
#include <tuple>

#include "core/parts/banding.h"
#include "core/parts/finish_area.h"

namespace pp::bench {
namespace {

// The two edges that end an edge.
std::array<Edge, 2> endsOf(Edge edge) {
  return isEnd(edge) ? std::array{Edge::L1, Edge::L2} : std::array{Edge::W1, Edge::W2};
}

// Whether the slot runs out at the edge, so that what sits in it is seen there.
bool comesOutAt(const Machining& cut, const Part& part, Edge edge) {
  if (isEnd(cut.from) == isEnd(edge)) return false;
  const bool near = edge == Edge::L1 || edge == Edge::W1;
  if (isEnd(edge)) return near ? cut.u0 <= Length{} : cut.u1 >= part.length.total();
  return near ? cut.v0 <= Length{} : cut.v1 >= part.width.total();
}

bool coversJoint(const Part& part, Edge edge) {
  return std::any_of(part.machining.begin(), part.machining.end(), [&](const Machining& cut) {
    return keepsGlue(cut) && comesOutAt(cut, part, edge);
  });
}

bool endsInBevel(const Part& part, Edge edge) {
  const auto ends = endsOf(edge);
  return std::any_of(part.machining.begin(), part.machining.end(), [&](const Machining& cut) {
    return cut.cut == MachiningKind::Bevel && (cut.from == ends[0] || cut.from == ends[1]);
  });
}

struct When {
  Glued glued = Glued::OnPart;
  int depth = 0;  // so many joints away from what runs through
};

// When edges are glued. On a case what sits in nothing runs through, and what sits in that goes in
// between.
class Gluer {
 public:
  explicit Gluer(const std::vector<Pieces>& pieces) {
    for (const auto& [part, numbers] : pieces)
      for (const Edge edge : kEdges)
        if (!part.band(edge).empty() && coversJoint(part, edge))
          hosts_[{part.assembly, part.name, sideOf(part, edge)}] = {&part, edge};
  }

  When when(const Part& part, Edge edge) const {
    if (endsInBevel(part, edge)) return {Glued::BeforeCuts, 0};
    constexpr int kDeepest = 8;
    const int depth = depthOf(part, edge, kDeepest);
    if (depth > 0) return {Glued::Between, depth};
    return {coversJoint(part, edge) ? Glued::OnCase : Glued::OnPart, 0};
  }

 private:
  static Side sideOf(const Part& part, Edge edge) {
    return part.edges[static_cast<std::size_t>(edge)];
  }

  // 0: it sits in no part whose edge beside its own is glued over the joint.
  int depthOf(const Part& part, Edge edge, int most) const {
    if (most == 0) return 0;
    const auto ends = endsOf(edge);
    int out = 0;
    for (const Join& join : part.joins) {
      if (join.edge != ends[0] && join.edge != ends[1]) continue;
      const auto host = hosts_.find({part.assembly, join.to, sideOf(part, edge)});
      if (host == hosts_.end() || host->second.first == &part) continue;
      out = std::max(out, 1 + depthOf(*host->second.first, host->second.second, most - 1));
    }
    return out;
  }

  // Parts whose banding covers joints, by assembly, name and the side that it looks to.
  std::map<std::tuple<std::string, std::string, Side>, std::pair<const Part*, Edge>> hosts_;
};

// Strips are not pieced together: the longest goes into the first roll that has room for it.
std::int64_t rollsFor(std::vector<Length> strips, Length roll) {
  std::sort(strips.begin(), strips.end(), std::greater<>());
  std::vector<Length> left;
  for (const Length strip : strips) {
    const auto room =
        std::find_if(left.begin(), left.end(), [&](Length one) { return one >= strip; });
    if (room == left.end())
      left.push_back(std::max(roll, strip) - strip);
    else
      *room -= strip;
  }
  return std::ssize(left);
}

}  // namespace

std::vector<Roll> rolls(const std::vector<Pieces>& pieces, const Job& job) {
  const Gluer gluer(pieces);
  const Tools& tools = job.shop.tools;
  std::map<std::tuple<Glued, int, bool, std::string>, Roll> byKey;
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    const Part& part = pieces[row].part;
    for (const Edge edge : kEdges) {
      if (part.band(edge).empty()) continue;
      const auto [glued, depth] = gluer.when(part, edge);
      const bool later = isEnd(edge) != (tools.bandFirst == BandFirst::Ends);
      Roll& roll = byKey[{glued, depth, later, part.band(edge)}];
      roll.glued = glued;
      roll.ends = isEnd(edge);
      roll.banding = part.band(edge);
      roll.strips.push_back({row, edge, shapedLength(part, edge), stripFor(part, edge, tools)});
    }
  }
  std::vector<Roll> out;
  for (auto& [key, roll] : byKey) {
    std::stable_sort(roll.strips.begin(), roll.strips.end(),
                     [](const Strip& a, const Strip& b) { return a.length > b.length; });
    out.push_back(std::move(roll));
  }
  return out;
}

std::vector<RollCount> rollCounts(const std::vector<Roll>& rolls, const std::vector<Pieces>& pieces,
                                  const Job& job) {
  std::map<std::string, std::vector<Length>> byBanding;
  for (const Roll& roll : rolls)
    for (const Strip& strip : roll.strips)
      byBanding[roll.banding].insert(byBanding[roll.banding].end(),
                                     pieces[strip.row].numbers.size(), strip.length);
  std::vector<RollCount> out;
  for (const auto& [id, strips] : byBanding) {
    RollCount& count = out.emplace_back();
    count.banding = id;
    count.strips = std::ssize(strips);
    for (const Length strip : strips) count.run += strip;
    if (const Banding* banding = findBanding(job, id))
      count.rolls = rollsFor(strips, banding->rollLength);
  }
  return out;
}

std::vector<BareEdge> bareEdges(const std::vector<Pieces>& pieces) {
  std::vector<BareEdge> out;
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    const Part& part = pieces[row].part;
    if (part.lumber) continue;
    for (const Edge edge : kEdges)
      if (part.exposed[static_cast<std::size_t>(edge)] && part.band(edge).empty())
        out.push_back({row, edge});
  }
  return out;
}

namespace {

bool isMitred(const Part& part) {
  return std::any_of(part.machining.begin(), part.machining.end(),
                     [](const Machining& cut) { return cut.cut == MachiningKind::Bevel; });
}

}  // namespace

int turnOf(const Part& edging) {
  switch (edging.role) {
    case PartRole::FrontEdging:
      return isMitred(edging) ? 0 : 2;
    case PartRole::RearEdging:
      return 3;
    default:
      return 1;
  }
}

std::vector<SolidEdging> solidEdgings(const std::vector<Pieces>& pieces) {
  std::vector<SolidEdging> out;
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    const PartRole role = pieces[row].part.role;
    if (isSolidEdging(role)) out.push_back({row, isMitred(pieces[row].part), false});
  }
  std::stable_sort(out.begin(), out.end(), [&](const SolidEdging& a, const SolidEdging& b) {
    const Part &p = pieces[a.row].part, &q = pieces[b.row].part;
    return std::pair(p.assembly, turnOf(p)) < std::pair(q.assembly, turnOf(q));
  });
  const auto isBeside = [&](const SolidEdging& a, const SolidEdging& b) {
    const Part &p = pieces[a.row].part, &q = pieces[b.row].part;
    const auto isSide = [](PartRole role) {
      return role == PartRole::LeftEdging || role == PartRole::RightEdging;
    };
    return p.assembly == q.assembly && isSide(p.role) != isSide(q.role);
  };
  for (SolidEdging& one : out)
    one.meetsOthers = std::any_of(out.begin(), out.end(),
                                  [&](const SolidEdging& other) { return isBeside(one, other); });
  return out;
}

std::string bandName(Edge edge) {
  return std::string("band ") + kEdgeCodes[static_cast<std::size_t>(edge)];
}

}  // namespace pp::bench
