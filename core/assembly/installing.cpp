#include "core/assembly/installing.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/assembly/phases.h"
#include "core/breakdown/breakdown.h"
#include "core/job/ids.h"
#include "core/joinery/contact.h"
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
    std::stable_sort(out_.begin(), out_.end(), [this](const Carried& a, const Carried& b) {
      return turnOf(a.of) < turnOf(b.of);
    });
    return std::move(out_);
  }

 private:
  // What hangs over others comes before them, what stands on them after.
  int turnOf(const std::string& code) const {
    const SiteStand* stand = standOf(code);
    if (stand == nullptr || stand->up <= Length{}) return 1;
    constexpr Length kOn = Length::mm(5);
    const auto isUnder = [&](const auto& other) {
      const SiteStand* its = standOf(other.first);
      return its != nullptr && its->wall == stand->wall && other.first != code &&
             distance(its->up + other.second, stand->up) <= kOn;
    };
    return std::any_of(tops_.begin(), tops_.end(), isUnder) ? 2 : 0;
  }
  const SiteStand* standOf(const std::string& code) const {
    const Assembly* assembly = findAssembly(job_, code);
    const auto& stands = job_.site.stands;
    const auto at = std::find_if(stands.begin(), stands.end(), [&](const SiteStand& stand) {
      return assembly != nullptr && stand.assembly == assembly->id;
    });
    return at == stands.end() ? nullptr : &*at;
  }

  const PartKey& keyOf(const PieceAt& at) const { return keyAt(pieces_[at.row].part, at.pose); }
  PartRole roleOf(const PieceAt& at) const { return keyOf(at).role; }
  // Of what goes in alone where the rest comes in parts.
  static bool goesAs(PartRole role, Carry kind) {
    const auto known = byItself(role);
    return kind == Carry::Panel ? !known : known == kind;
  }
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
    wallHalves(assembly);
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
      if (step.isWhole && (inParts || step.kind == UnitKind::Base)) {
        sections(taken, carryOf(step.kind), assembly);
      } else {
        whole.pieces.insert(whole.pieces.end(), taken.pieces.begin(), taken.pieces.end());
      }
    }
    if (inParts)
      single.insert(single.end(), whole.pieces.begin(), whole.pieces.end());
    else if (!whole.pieces.empty())
      sections(whole, Carry::Whole, assembly);
    if (inParts) singles(single, Carry::Panel, assembly);
    for (const Carry kind : {Carry::Drawer, Carry::Shelf, Carry::Front})
      singles(single, kind, assembly);
  }

  // Of the cleats of it and of what stands in it.
  void wallHalves(const Assembly& assembly) {
    std::vector<Id> ids = {assembly.id};
    if (const auto* group = std::get_if<CarcassGroup>(&assembly.body))
      for (const Id member : group->everyMember()) ids.push_back(member);
    for (std::size_t row = 0; row < pieces_.size(); ++row) {
      const Part& part = pieces_[row].part;
      for (std::size_t pose = 0; pose < part.poses.size() && !part.keys.empty(); ++pose) {
        const PartKey& key = keyAt(part, pose);
        if (!joinery::isOnWall(key.role, part.poses[pose]) ||
            std::find(ids.begin(), ids.end(), key.assembly) == ids.end())
          continue;
        add({{{{row, pose}, part.poses[pose]}}}, Carry::Cleat, assembly);
      }
    }
  }

  // What is glued in the shop goes as one; the rest is put together there.
  void sections(const Taken& all, Carry kind, const Assembly& of) {
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
    Length& top = tops_[of.code];
    for (const auto& [at, pose] : taken.pieces)
      top = std::max(top, pose.place(pieces_[at.row].part.board()).high[2]);
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
    one.isOnCasters = carcass.stand && carcass.stand->kind == StandKind::Casters;
    one.isHung = one.isHung || carcass.cleat.has_value();
    if (carcass.wallLeft > Length{}) one.gapLeft = carcass.wallLeft;
    if (carcass.wallRight > Length{}) one.gapRight = carcass.wallRight;
  }

  // Equal ones together: drawers by their fronts, each with the rest of its box.
  void singles(const std::vector<std::pair<PieceAt, Pose>>& from, Carry kind, const Assembly& of) {
    std::map<std::size_t, Carried> rows;
    for (const auto& [at, pose] : from) {
      const PartRole role = roleOf(at);
      if (!goesAs(role, kind) || (kind == Carry::Drawer && role != PartRole::BoxFront)) continue;
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
  Gluings gluings_{job_, pieces_};
  std::map<std::string, Length> tops_;  // of what stands there, above its foot
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
