#include "core/machining/settings.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <set>
#include <tuple>

#include "core/length/format.h"
#include "core/parts/machining.h"

namespace pp::bench {
namespace {

bool isSlot(MachiningKind cut) {
  return cut == MachiningKind::Dado || cut == MachiningKind::Rabbet ||
         cut == MachiningKind::Groove || cut == MachiningKind::EdgeGroove;
}
bool isHole(MachiningKind cut) {
  return cut == MachiningKind::PinHoles || cut == MachiningKind::Hole ||
         cut == MachiningKind::HoleRow || cut == MachiningKind::HingeCup ||
         cut == MachiningKind::Mortises;
}
// What changes an edge: nothing is measured from that edge afterwards.
bool takesTheEdge(MachiningKind cut) {
  return cut == MachiningKind::Bevel || cut == MachiningKind::Taper || cut == MachiningKind::Arc ||
         cut == MachiningKind::Bulge || cut == MachiningKind::RoundCorner ||
         cut == MachiningKind::RoundEnd || cut == MachiningKind::RoundOver ||
         cut == MachiningKind::Chamfer || cut == MachiningKind::Notch ||
         cut == MachiningKind::ThicknessTaper;
}

// The edge that goes first where the piece lies with `down` on the table and `against` at a fence
// to the right. Seen with the inside face up and W1 below, L1 is at the left; of a right hand at
// the right.
Edge leadingEdge(const Part& part, Edge against, Face down) {
  constexpr std::array<Edge, 4> kRound = {Edge::W1, Edge::L1, Edge::W2, Edge::L2};
  const auto at = std::find(kRound.begin(), kRound.end(), against) - kRound.begin();
  const bool reversed = (down == Face::Outside) != (part.hand == Hand::Right);
  return kRound[static_cast<std::size_t>(at + (reversed ? 3 : 1)) % kRound.size()];
}

// How long the part is across the fence, and along it.
Length acrossFence(const Part& part, Edge from) {
  return isEnd(from) ? part.length.total() : part.width.total();
}
Length alongFence(const Part& part, Edge from) {
  return isEnd(from) ? part.width.total() : part.length.total();
}

class Chooser {
 public:
  Chooser(const Job& job) : tools_(job.shop.tools), kerf_(job.saw.kerf) {
    for (const Machine& saw : job.shop.machines)
      if (saw.kind == SawKind::Table) {
        hasTable_ = true;
        tilts_ = tilts_ || saw.tilts;
        if (saw.kerf) kerf_ = *saw.kerf;
      }
  }

  // The setting of one machining of a part, with one work.
  Setting choose(const std::vector<Pieces>& pieces, std::size_t row, std::size_t index) const {
    const Part& part = pieces[row].part;
    const Machining& cut = part.machining[index];
    Setting out;
    out.cut = cut.cut;
    out.width = cut.width;
    out.depth = cut.depth;
    out.distance = cut.distance;
    out.assembled = cut.assembled;
    Work work{row, index, workName(part, index), cut.from, Edge::L1, cut.face, {}, {}};
    work.before = workNameOfVersion5(part, index);
    if (isSlot(cut.cut)) {
      slot(part, cut, out, work);
    } else if (isHole(cut.cut)) {
      out.tool = Tool::Drill;
      work.down = opposite(cut.face);
    } else if (cut.cut == MachiningKind::Pockets) {
      out.tool = Tool::PocketJig;
      out.distance = {};
      out.depth = part.thickness;
      out.width = cut.width;
      work.down = opposite(cut.face);
    } else {
      shape(part, cut, out, work);
    }
    work.leading = leadingEdge(part, work.against, work.down);
    ends(part, cut, work);
    out.works.push_back(std::move(work));
    return out;
  }

 private:
  bool stackHas(Length width) const {
    return hasTable_ && tools_.dadoMost > Length{} && width >= tools_.dadoLeast &&
           width <= tools_.dadoMost;
  }
  // The widest bit that goes in; 0: none does.
  Length bitFor(Length width) const {
    Length out;
    for (const Length bit : tools_.bits)
      if (bit <= width && bit > out) out = bit;
    return out;
  }
  static void inPasses(Setting& out, Length tool) {
    const std::int64_t width = out.width.inNm();
    const std::int64_t one = tool.inNm();
    out.passes =
        one <= 0 ? 1 : static_cast<int>(std::max<std::int64_t>(1, (width + one - 1) / one));
    out.step = out.passes > 1 ? Length::nm((width - one) / (out.passes - 1)) : Length{};
  }

  void slot(const Part& part, const Machining& cut, Setting& out, Work& work) const {
    if (cut.cut == MachiningKind::EdgeGroove) {
      // Its face runs along the fence.
      out.distance = cut.w0;
      work.down = Face::Inside;
    }
    work.stopped = cut.cut != MachiningKind::EdgeGroove && !cut.through;
    const Length bit = bitFor(out.width);
    const Length across = acrossFence(part, work.against);
    // From the other end where the fence does not reach.
    const auto reachFrom = [&](Length reach) {
      if (reach == Length{} || out.distance <= reach || cut.cut == MachiningKind::EdgeGroove)
        return true;
      const Length other = across - out.distance - out.width;
      if (other < Length{} || other > reach) return false;
      out.distance = other;
      work.fromOtherEnd = true;
      work.against = opposite(work.against);
      return true;
    };
    if (!work.stopped && stackHas(out.width) && reachFrom(tools_.fenceReach)) {
      out.tool = Tool::DadoStack;
      return;
    }
    const bool routed = bit > Length{};
    const bool exact = routed && out.width - bit <= Length::um(100);
    if (routed && (exact || work.stopped) && tools_.tableReach > Length{} &&
        reachFrom(tools_.tableReach)) {
      out.tool = Tool::RouterTable;
      out.bit = bit;
      inPasses(out, exact ? out.width : bit);
      return;
    }
    if (!work.stopped && hasTable_ && out.width >= kerf_ && reachFrom(tools_.fenceReach)) {
      out.tool = Tool::TableSaw;
      inPasses(out, kerf_);
      return;
    }
    out.tool = routed ? Tool::Router : Tool::HandSaw;
    if (routed) {
      out.bit = bit;
      inPasses(out, exact ? out.width : bit);
      work.down = opposite(cut.face);
    }
  }

  void shape(const Part& part, const Machining& cut, Setting& out, Work& work) const {
    switch (cut.cut) {
      case MachiningKind::Bevel:
        out.tool = hasTable_ && tilts_ ? Tool::TableSaw : Tool::Router;
        out.tilt = cut.angle;
        out.width = out.depth = {};
        // Between the fence and the edge: the whole size, at the face that keeps it.
        work.against = opposite(cut.from);
        work.down = opposite(cut.face);
        out.distance = acrossFence(part, cut.from);
        return;
      case MachiningKind::Taper:
      case MachiningKind::ThicknessTaper:
        out.tool = hasTable_ ? Tool::Jig : Tool::HandSaw;
        out.tilt = cut.angle;
        out.distance = {};
        return;
      case MachiningKind::RoundOver:
      case MachiningKind::Chamfer:
        out.tool = Tool::EaseBit;
        out.distance = out.depth = {};
        return;
      case MachiningKind::Notch:
        out.tool = Tool::HandSaw;
        out.width = cut.u1 - cut.u0;
        out.depth = cut.v1 - cut.v0;
        out.distance = cut.u0;
        return;
      default:
        out.tool = Tool::Template;
        work.down = opposite(cut.face);
        return;
    }
  }

  // Where it begins and ends along the cut, from the leading edge.
  static void ends(const Part& part, const Machining& cut, Work& work) {
    const bool across = isEnd(cut.from);
    const auto [low, high] = spanOf(cut, part);
    const Length whole = alongFence(part, cut.from);
    const Edge first = across ? Edge::L1 : Edge::W1;
    work.begin = work.leading == first ? low : whole - high;
    work.end = work.leading == first ? high : whole - low;
  }

  const Tools& tools_;
  Length kerf_;
  bool hasTable_ = false, tilts_ = false;
};

// Shares of a sum differ by nanometres and are one setting.
std::int64_t micrometres(Length length) {
  constexpr std::int64_t kNm = 1'000;
  return (length.inNm() + kNm / 2) / kNm;
}

// The later a group, the more has to be done before it.
int groupOf(const Setting& one) {
  if (one.assembled) return 5;
  if (one.tool == Tool::EaseBit) return 4;
  if (one.tool == Tool::Template || one.tool == Tool::Jig) return 3;
  if (takesTheEdge(one.cut)) return 2;
  return one.works.front().stopped ? 1 : 0;
}

// A template is of one shape, whatever it is measured from.
std::array<std::int64_t, 6> shapeOf(const Setting& one, const std::vector<Pieces>& pieces) {
  if (one.tool != Tool::Template && one.tool != Tool::HandSaw) return {};
  const Work& work = one.works.front();
  const Machining& cut = pieces[work.row].part.machining[work.machining];
  const auto from = isEnd(cut.from) ? 1 : 0;
  return {static_cast<std::int64_t>(cut.cut),
          micrometres(cut.u1 - cut.u0),
          micrometres(cut.v1 - cut.v0),
          micrometres(cut.depth),
          micrometres(cut.width),
          from};
}

// What is set: alike for all works of a setting.
using Set = std::tuple<int, std::int64_t, std::int64_t, std::int64_t, std::int64_t,
                       std::array<std::int64_t, 6>>;

Set setOf(const Setting& one) {
  const bool shaped = one.tool == Tool::Template;
  return {static_cast<int>(one.tool),
          shaped ? 0 : micrometres(one.width),
          one.tilt.inMillidegrees(),
          shaped ? 0 : micrometres(one.depth),
          shaped ? 0 : micrometres(one.distance),
          one.shape};
}

}  // namespace

namespace {

// Alike in all that the words say, such as two holes in a row of their own: counted.
template <class Words>
std::string counted(const Part& part, std::size_t machining, const Words& words) {
  const std::string out = words(part.machining[machining]);
  const auto before = std::count_if(part.machining.begin(),
                                    part.machining.begin() + static_cast<std::ptrdiff_t>(machining),
                                    [&](const Machining& one) { return words(one) == out; });
  return before == 0 ? out : fmt::format("{} #{}", out, before + 1);
}

std::string placeOf(const Machining& one) {
  return fmt::format("{} {} {} {}", one.face == Face::Inside ? "inside" : "outside",
                     kEdgeCodes[static_cast<std::size_t>(one.from)], formatMm(one.distance),
                     formatMm(isEnd(one.from) ? one.v0 : one.u0));
}

}  // namespace

std::string workName(const Part& part, std::size_t machining) {
  return counted(part, machining, [](const Machining& one) {
    return fmt::format("{} {}", cutName(one.cut), placeOf(one));
  });
}

std::string workNameOfVersion5(const Part& part, std::size_t machining) {
  return counted(part, machining, [](const Machining& one) {
    return fmt::format("{} {} {}", cutName(one.cut), one.receives, placeOf(one));
  });
}

std::vector<NewWidth> followThickness(std::vector<Pieces>& pieces, const std::vector<Part>& drawn) {
  std::vector<NewWidth> out;
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    Part& part = pieces[row].part;
    const auto now = std::find_if(drawn.begin(), drawn.end(),
                                  [&](const Part& one) { return one.code == part.code; });
    if (now == drawn.end()) continue;
    std::map<std::string, Length> widths;
    for (std::size_t i = 0; i < now->machining.size(); ++i)
      widths[workName(*now, i)] = now->machining[i].width;
    std::vector<std::string> names;
    for (std::size_t i = 0; i < part.machining.size(); ++i) names.push_back(workName(part, i));
    for (std::size_t i = 0; i < names.size(); ++i) {
      Machining& cut = part.machining[i];
      const auto width = widths.find(names[i]);
      if (!isSlot(cut.cut) || cut.receives.empty() || width == widths.end() ||
          cutAlike(width->second, cut.width))
        continue;
      out.push_back({row, i, cut.width, width->second});
      const Length more = width->second - cut.width;
      cut.width = width->second;
      // The near side keeps its distance.
      switch (cut.from) {
        case Edge::W1:
          cut.u1 += more;
          break;
        case Edge::W2:
          cut.u0 -= more;
          break;
        case Edge::L1:
          cut.v1 += more;
          break;
        case Edge::L2:
          cut.v0 -= more;
          break;
      }
    }
  }
  return out;
}

std::vector<Setting> settings(const std::vector<Pieces>& pieces, const Job& job) {
  const Chooser chooser(job);
  std::map<std::pair<int, Set>, Setting> byKey;
  for (std::size_t row = 0; row < pieces.size(); ++row)
    for (std::size_t i = 0; i < pieces[row].part.machining.size(); ++i) {
      Setting one = chooser.choose(pieces, row, i);
      one.shape = shapeOf(one, pieces);
      const auto [at, isNew] = byKey.try_emplace({groupOf(one), setOf(one)}, one);
      if (!isNew) at->second.works.push_back(one.works.front());
    }
  // What is stopped goes with what runs through where the same is set.
  for (auto at = byKey.begin(); at != byKey.end();) {
    const auto through = at->first.first == 1 ? byKey.find({0, at->first.second}) : byKey.end();
    if (through == byKey.end()) {
      ++at;
      continue;
    }
    std::vector<Work>& works = through->second.works;
    works.insert(works.end(), at->second.works.begin(), at->second.works.end());
    at = byKey.erase(at);
  }
  std::vector<Setting> out;
  std::set<std::pair<Tool, std::int64_t>> widths;
  std::set<std::int64_t> tilts;
  for (auto& [key, one] : byKey) {
    std::stable_sort(one.works.begin(), one.works.end(), [&](const Work& a, const Work& b) {
      const auto of = [&](const Work& work) {
        return std::tuple(work.stopped, pieces[work.row].part.hand, work.leading, work.down);
      };
      return of(a) < of(b);
    });
    const Machining& first =
        pieces[one.works.front().row].part.machining[one.works.front().machining];
    if (isSlot(one.cut)) {
      one.goesIn = first.receives;
      one.testCut = widths.insert({one.tool, micrometres(one.width)}).second;
    } else if (one.cut == MachiningKind::Bevel) {
      one.testCut = tilts.insert(one.tilt.inMillidegrees()).second;
    }
    out.push_back(std::move(one));
  }
  return out;
}

std::size_t leastSettings(const std::vector<Setting>& settings) {
  std::set<Set> out;
  for (const Setting& one : settings) out.insert(setOf(one));
  return out.size();
}

std::int64_t worksOf(const Setting& setting, const std::vector<Pieces>& pieces) {
  std::int64_t out = 0;
  for (const Work& work : setting.works) out += std::ssize(pieces[work.row].numbers);
  return out;
}

Length cornerLead(Length blade, Length height, Length thickness) {
  const double r = blade.inMm();
  const double h = height.inMm();
  const double t = thickness.inMm();
  const double lead = std::sqrt(h * (2 * r - h)) - std::sqrt((h - t) * (2 * r - h + t));
  constexpr double kNm = 1e6;
  return Length::nm(std::llround(lead * kNm));
}

std::vector<Warning> warnings(const std::vector<Pieces>& pieces) {
  std::vector<Warning> out;
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    const Part& part = pieces[row].part;
    const auto warn = [&](std::string words) {
      if (std::none_of(out.begin(), out.end(),
                       [&](const Warning& one) { return one.row == row && one.words == words; }))
        out.push_back({row, std::move(words)});
    };
    for (std::size_t i = 0; i < part.machining.size(); ++i) {
      const Machining& cut = part.machining[i];
      const bool slot = isSlot(cut.cut) && cut.cut != MachiningKind::EdgeGroove;
      // A rabbet for a back is deep on purpose.
      if (slot && cut.cut != MachiningKind::Rabbet && 2 * cut.depth > part.thickness)
        warn(fmt::format("the {} for the {} takes more than half of its thickness",
                         cutName(cut.cut), cut.receives));
      for (std::size_t k = i + 1; k < part.machining.size(); ++k) {
        const Machining& other = part.machining[k];
        const bool both = slot && isSlot(other.cut) && other.cut != MachiningKind::EdgeGroove;
        const Length low = std::max(cut.u0, other.u0), high = std::min(cut.u1, other.u1);
        const Length left = std::max(cut.v0, other.v0), right = std::min(cut.v1, other.v1);
        if (low >= high || left >= right) continue;
        // Less than a third of the thickness between two from either side.
        if (both && cut.face != other.face &&
            3 * (part.thickness - cut.depth - other.depth) < part.thickness)
          warn(fmt::format("the {} for the {} and the {} for the {} leave too little between them",
                           cutName(cut.cut), cut.receives, cutName(other.cut), other.receives));
        // Alongside each other; those that cross at a corner are meant to.
        if (both && cut.face == other.face && isEnd(cut.from) == isEnd(other.from))
          warn(fmt::format("the {} for the {} runs into the {} for the {}", cutName(cut.cut),
                           cut.receives, cutName(other.cut), other.receives));
        if (isSlot(cut.cut) != isSlot(other.cut) && (isHole(cut.cut) || isHole(other.cut)) &&
            cut.face == other.face)
          warn(fmt::format("the {} for the {} and the {} for the {} meet", cutName(cut.cut),
                           cut.receives, cutName(other.cut), other.receives));
      }
    }
  }
  return out;
}

}  // namespace pp::bench
