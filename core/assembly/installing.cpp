#include "core/assembly/installing.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/assembly/phases.h"
#include "core/breakdown/breakdown.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/kind.h"
#include "core/parts/sets.h"

namespace pp::bench {
namespace {

constexpr double kOneCarries = 25'000;               // grams
constexpr Length kOneHandles = Length::mm(2'000);    // the longest side
constexpr Length kAnchoredFrom = Length::mm(1'200);  // high

class Carrying {
 public:
  Carrying(const std::vector<UnitOrder>& order, const std::vector<Pieces>& pieces, const Job& job)
      : order_(order), pieces_(pieces), job_(job) {}

  std::vector<Carried> run() {
    for (const UnitOrder& unit : order_) {
      const Assembly* assembly = findAssembly(job_, unit.assembly);
      if (assembly != nullptr && kindOf(*assembly).installing.carried == CarriedAs::Boxes) {
        box(unit, *assembly);
        continue;
      }
      const bool isRoot = unit.kind == UnitKind::Assembly || unit.kind == UnitKind::Ring;
      if (isRoot && assembly != nullptr && groupOf(job_, assembly->id) == nullptr)
        stand(unit, *assembly);
    }
    return std::move(out_);
  }

 private:
  const PartKey& keyOf(const PieceAt& at) const { return keyAt(pieces_[at.row].part, at.pose); }
  PartRole roleOf(const PieceAt& at) const { return keyOf(at).role; }
  static std::optional<Carry> byItself(PartRole role) {
    if (unitKindOf(role) == UnitKind::Box) return Carry::Drawer;
    switch (phaseOf(role)) {
      case AssemblyPhase::Loose:
        return Carry::Shelf;
      case AssemblyPhase::Front:
        return Carry::Front;
      default:
        return std::nullopt;
    }
  }

  // Something by where its pieces stand.
  struct Taken {
    std::vector<std::pair<PieceAt, Pose>> pieces;
  };

  // Of a set of boxes, each by itself.
  void box(const UnitOrder& unit, const Assembly& assembly) {
    Carried one;
    one.kind = Carry::Drawer;
    one.assembly = one.of = assembly.code;
    Taken taken;
    for (const AssemblyStep& step : unit.steps) {
      for (std::size_t i = 0; i < step.pieces.size(); ++i)
        taken.pieces.emplace_back(step.pieces[i], step.stand[i]);
      if (roleOf(step.pieces.front()) != PartRole::BoxFront) continue;
      one.row = step.row;
      one.poses = step.poses;
    }
    measure(one, taken);
    if (!one.poses.empty()) out_.push_back(std::move(one));
  }

  void stand(const UnitOrder& unit, const Assembly& assembly) {
    const bool inParts =
        std::any_of(unit.steps.begin(), unit.steps.end(), [](const AssemblyStep& step) {
          return step.kind == UnitKind::Assembly || step.kind == UnitKind::Section;
        });
    Taken whole;
    std::vector<std::pair<PieceAt, Pose>> single;
    for (const AssemblyStep& step : unit.steps) {
      Taken taken;
      for (std::size_t i = 0; i < step.pieces.size(); ++i) {
        const PartRole role = roleOf(step.pieces[i]);
        if (byItself(role))
          single.emplace_back(step.pieces[i], step.stand[i]);
        else
          taken.pieces.emplace_back(step.pieces[i], step.stand[i]);
      }
      if (taken.pieces.empty()) continue;
      if (inParts && step.isWhole) {
        sections(taken, carryOf(step.kind), assembly);
      } else {
        whole.pieces.insert(whole.pieces.end(), taken.pieces.begin(), taken.pieces.end());
      }
    }
    if (!whole.pieces.empty()) sections(whole, inParts ? Carry::Base : Carry::Whole, assembly);
    for (const Carry kind : {Carry::Drawer, Carry::Shelf, Carry::Front})
      singles(single, kind, assembly);
  }

  // What is glued in the shop goes as one; the rest is put together there.
  void sections(const Taken& all, Carry kind, const Assembly& of) {
    if (job_.gluing.empty()) return add(all, kind, of);
    std::map<PieceAt, std::size_t> at;
    for (std::size_t i = 0; i < all.pieces.size(); ++i) at[all.pieces[i].first] = i;
    Sets together(all.pieces.size());
    struct There {
      std::size_t one, other;
      Gluing gluing;
    };
    std::vector<There> there;
    std::vector<bool> isJoined(all.pieces.size(), false);
    for (const UnitOrder& unit : order_)
      for (const AssemblyStep& step : unit.steps)
        for (const auto& [a, b] : step.joined) {
          const auto one = at.find(a), other = at.find(b);
          if (one == at.end() || other == at.end()) continue;
          isJoined[one->second] = isJoined[other->second] = true;
          const Gluing gluing = gluings_.between(keyOf(a), keyOf(b));
          if (gluing == Gluing::InShop)
            together.join(one->second, other->second);
          else
            there.push_back({one->second, other->second, gluing});
        }
    if (there.empty()) return add(all, kind, of);
    // What is joined to nothing, such as a pad, goes with what its unit begins with.
    for (const UnitOrder& unit : order_)
      for (const AssemblyStep& step : unit.steps)
        for (const PieceAt& piece : step.pieces) {
          const auto one = at.find(piece), host = at.find(unit.steps.front().pieces.front());
          if (one == at.end() || host == at.end() || isJoined[one->second]) continue;
          together.join(one->second, host->second);
        }
    std::map<std::size_t, Taken> sets;
    for (std::size_t i = 0; i < all.pieces.size(); ++i)
      sets[together.find(i)].pieces.push_back(all.pieces[i]);
    for (const auto& [root, taken] : sets) {
      const bool isPanel = taken.pieces.size() == 1;
      add(taken, isPanel ? Carry::Panel : kind, of);
      for (const There& joint : there)
        for (const auto& [mine, other] :
             {std::pair(joint.one, joint.other), {joint.other, joint.one}}) {
          if (together.find(mine) != root || together.find(other) == root) continue;
          const std::pair row(all.pieces[other].first.row, joint.gluing);
          auto& rows = out_.back().joinedThere;
          if (std::find(rows.begin(), rows.end(), row) == rows.end()) rows.push_back(row);
        }
    }
  }

  static Carry carryOf(UnitKind kind) {
    switch (kind) {
      case UnitKind::Base:
        return Carry::Base;
      case UnitKind::FaceFrame:
        return Carry::Frame;
      case UnitKind::Top:
        return Carry::Top;
      default:
        return Carry::Case;
    }
  }

  void add(const Taken& taken, Carry kind, const Assembly& of) {
    Carried one;
    one.kind = kind;
    const auto area = [this](const std::pair<PieceAt, Pose>& piece) {
      const Part& part = pieces_[piece.first.row].part;
      return part.length.total().inMm() * part.width.total().inMm();
    };
    const auto largest =
        std::max_element(taken.pieces.begin(), taken.pieces.end(),
                         [&](const auto& a, const auto& b) { return area(a) < area(b); });
    one.row = largest->first.row;
    one.poses = {largest->first.pose};
    one.assembly = pieces_[one.row].part.assembly;
    one.of = of.code;
    measure(one, taken);
    if (kind == Carry::Case || kind == Carry::Whole) hang(one, of);
    out_.push_back(std::move(one));
  }

  void measure(Carried& one, const Taken& taken) const {
    Room room;
    for (const auto& [at, pose] : taken.pieces) {
      const Part& part = pieces_[at.row].part;
      one.pieces.push_back(at);
      one.grams += gramsOf(job_, part);
      room.take(
          roomOf(pose, {},
                 {part.length.total().inMm(), part.width.total().inMm(), part.thickness.inMm()}));
    }
    const auto length = [](double mm) { return Length::um(std::llround(mm * 1000)); };
    one.width = length(room.high.x - room.low.x);
    one.depth = length(room.high.y - room.low.y);
    one.height = length(room.high.z - room.low.z);
  }

  void hang(Carried& one, const Assembly& of) const {
    const Assembly* assembly = findAssembly(job_, one.assembly);
    if (assembly == nullptr) assembly = &of;
    one.isHung = kindOf(*assembly).installing.hung;
    for (const SiteStand& stand : job_.site.stands)
      if (stand.assembly == of.id && stand.up > Length{}) one.isHung = true;
    if (!assembly->isCarcass()) return;
    const Carcass& carcass = assembly->carcass();
    one.isHung = one.isHung || carcass.cleat.has_value();
    if (carcass.wallLeft > Length{}) one.gapLeft = carcass.wallLeft;
    if (carcass.wallRight > Length{}) one.gapRight = carcass.wallRight;
  }

  // Equal ones together: drawers by their fronts, each with the rest of its box.
  void singles(const std::vector<std::pair<PieceAt, Pose>>& from, Carry kind, const Assembly& of) {
    std::map<std::size_t, Carried> rows;
    for (const auto& [at, pose] : from) {
      const PartRole role = roleOf(at);
      if (byItself(role) != kind || (kind == Carry::Drawer && role != PartRole::BoxFront)) continue;
      const auto [found, isNew] = rows.try_emplace(at.row);
      Carried& one = found->second;
      one.poses.push_back(at.pose);
      if (!isNew) {
        one.pieces.push_back(at);
        continue;
      }
      one.kind = kind;
      one.row = at.row;
      one.assembly = pieces_[at.row].part.assembly;
      one.of = of.code;
      measure(one, kind == Carry::Drawer ? boxOf(at, from) : Taken{{{at, pose}}});
    }
    for (auto& [row, one] : rows) out_.push_back(std::move(one));
  }
  // The pieces of the box that a piece is of, where they stand.
  Taken boxOf(const PieceAt& at, const std::vector<std::pair<PieceAt, Pose>>& from) const {
    for (const UnitOrder& unit : order_) {
      if (unit.kind != UnitKind::Box) continue;
      std::vector<PieceAt> box;
      for (const AssemblyStep& step : unit.steps)
        box.insert(box.end(), step.pieces.begin(), step.pieces.end());
      const bool isIts = std::any_of(box.begin(), box.end(),
                                     [&](const PieceAt& one) { return one.row == at.row; });
      if (!isIts) continue;
      Taken out;
      for (const auto& one : from)
        if (std::find(box.begin(), box.end(), one.first) != box.end()) out.pieces.push_back(one);
      return out;
    }
    Taken out;
    for (const auto& one : from)
      if (one.first == at) out.pieces.push_back(one);
    return out;
  }

  const std::vector<UnitOrder>& order_;
  const std::vector<Pieces>& pieces_;
  const Job& job_;
  Gluings gluings_{job_};
  std::vector<Carried> out_;
};

}  // namespace

bool Carried::isForTwo() const {
  return grams > kOneCarries || std::max({width, depth, height}) > kOneHandles;
}

bool Carried::isAnchored() const {
  return isHung || ((kind == Carry::Case || kind == Carry::Whole) && height >= kAnchoredFrom);
}

std::vector<Carried> carriedOf(const std::vector<UnitOrder>& order,
                               const std::vector<Pieces>& pieces, const Job& job) {
  return Carrying(order, pieces, job).run();
}

}  // namespace pp::bench
