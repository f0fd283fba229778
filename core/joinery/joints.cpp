#include "core/joinery/joints.h"

#include <algorithm>
#include <set>

#include "core/joinery/rules.h"
#include "core/parts/machining.h"

namespace pp::joinery {
namespace {

using enum PartRole;

bool isOneOf(PartRole role, std::initializer_list<PartRole> roles) {
  return std::find(roles.begin(), roles.end(), role) != roles.end();
}
bool isLoose(PartRole role) {
  return isOneOf(role, {AdjustableShelf, LooseShelf, SeatLid, SeatHatch});
}
bool isOfBase(PartRole role) {
  return isOneOf(role, {BaseRail, BaseCrossPiece, BaseLeg, FootRunner});
}
// Lies flat on what it is fixed to; its ends and edges only touch.
bool isFixedFlat(PartRole role) {
  return isOneOf(role, {ShelfSupport, SlidePad, RightSlidePad, BoxRunner, HatchLedge, LeftLining,
                        RightLining, PanelSupport, BoardLayer, TopLowerLayer});
}
// Stands between two by its ends; its edges only touch.
bool isFixedByEnds(PartRole role) {
  return isOneOf(role, {NailingStrip, BackRail, RearRail, FrontStretcher, RearStretcher, KickBoard,
                        BackBatten});
}
bool isBuildUp(PartRole role) {
  return isOneOf(role, {FrontLongStrip, RearLongStrip, CrossStrip});
}

// How two are held where nothing was said of it.
enum class By { Nothing, Glue, GlueAndScrews, Screws, GlueAndBrads, Brads };

class Maker {
 public:
  Maker(const std::vector<PlacedBoard>& boards, Unit unit) : boards_(boards), unit_(unit) {
    for (const PlacedBoard& board : boards)
      if (isOneOf(role(board), {NailingStrip, BackBatten})) strips_ = true;
  }

  std::vector<Joint> run() {
    for (const Contact& contact : contactsOf(boards_)) out_.push_back(joint(contact));
    ring();
    return std::move(out_);
  }

 private:
  static PartRole role(const PlacedBoard& board) { return board.key.role; }
  const PlacedBoard& a(const Joint& joint) const { return boards_[joint.contact.a]; }
  const PlacedBoard& b(const Joint& joint) const { return boards_[joint.contact.b]; }
  static Length thickness(const PlacedBoard& board) { return board.part->thickness; }

  Joint joint(Contact contact) {
    Joint out;
    // What was said of either of two that meet edge to edge counts.
    auto said = saidOf(contact.a, contact.edge, contact.b);
    if (!said && contact.onto) {
      said = saidOf(contact.b, contact.onto, contact.a);
      if (said) {
        std::swap(contact.a, contact.b);
        std::swap(contact.edge, contact.onto);
      }
    }
    out.contact = std::move(contact);
    out.kind = kindOf(out.contact);
    if (said) {
      out.chosen = said;
      bySaying(out, *said);
    } else {
      hold(out, byOf(out));
    }
    if (out.kind == JointKind::Rabbet || out.kind == JointKind::Mitre) return out;
    // Where the shortest that is sold would come out, glue alone holds it.
    const Length deep = isOfTop(role(a(out))) != isOfTop(role(b(out)))
                            ? thickness(isOfTop(role(a(out))) ? b(out) : a(out)) + topOver(out)
                            : deepOf(a(out), out) + deepOf(b(out), out) + out.contact.sits;
    std::erase_if(out.means, [deep](const Means& one) { return one.length >= deep; });
    out.glued = out.glued || (out.means.empty() && !out.rests);
    return out;
  }

  static JointKind kindOf(const Contact& contact) {
    if (contact.sits == Length{})
      return !contact.edge ? JointKind::Face : contact.onto ? JointKind::Edge : JointKind::Butt;
    if (!contact.in) return JointKind::Lap;
    switch (*contact.in) {
      case MachiningKind::Bevel:
        return JointKind::Mitre;
      case MachiningKind::Dado:
        return JointKind::Dado;
      case MachiningKind::Rabbet:
        return JointKind::Rabbet;
      case MachiningKind::Groove:
      case MachiningKind::EdgeGroove:
        return JointKind::Groove;
      default:
        return JointKind::Lap;
    }
  }

  // How the edge of the one is said to be joined to the other, by its name or a word of it.
  std::optional<JoinKind> saidOf(std::size_t one, std::optional<Edge> edge,
                                 std::size_t other) const {
    if (!edge) return std::nullopt;
    const std::string& name = boards_[other].part->name;
    const std::string role = roleName(boards_[other].part->role);
    for (const Join& join : boards_[one].part->joins)
      if (join.edge == *edge &&
          (join.to == name || join.to == role || name.find(join.to) != std::string::npos))
        return join.kind;
    return std::nullopt;
  }

  void bySaying(Joint& out, JoinKind said) const {
    switch (said) {
      case JoinKind::Butt:
        return hold(out, By::GlueAndScrews);
      case JoinKind::Brads:
        return hold(out, By::GlueAndBrads);
      case JoinKind::Dado:
      case JoinKind::Rabbet:
      case JoinKind::Mitre:
      case JoinKind::Glued:
        hold(out, By::Glue);
        if (said == JoinKind::Mitre) plugs(out, Hold::LooseTenon);
        return;
      case JoinKind::Pocket:
        return pockets(out);
      case JoinKind::LooseTenon:
        hold(out, By::Glue);
        return plugs(out, Hold::LooseTenon);
      case JoinKind::Dowel:
        hold(out, By::Glue);
        return plugs(out, Hold::Dowel);
    }
  }

  // --- what nothing was said of ---

  By byOf(const Joint& joint) const {
    const PartRole one = role(a(joint)), other = role(b(joint));
    if (isLoose(one) || isLoose(other))
      return one == ShelfLip || other == ShelfLip ? By::GlueAndBrads : By::Nothing;
    // Screwed to the wall, where the other half hangs in it.
    if (isOnWall(a(joint)) || isOnWall(b(joint))) return By::Nothing;
    if (isFront(one) || isFront(other)) return byOfFront(joint);
    // Pads and runners are of a box, and fixed to what it runs in.
    if (isOfBox(one) != isOfBox(other) && (isFixedFlat(one) || isFixedFlat(other)))
      return byOfFlat(joint);
    if (isOfBox(one) || isOfBox(other)) return byOfBox(joint);
    if (isOfTop(one) != isOfTop(other)) return byOfTop(joint);
    if (one == Back || other == Back) return byOfBack(joint);
    if (isOfFaceFrame(one) || isOfFaceFrame(other)) return byOfFrame(joint);
    if (one == Cleat && other == Cleat) return By::Nothing;  // the halves hang in one another
    if (one == WallSpacer || other == WallSpacer || one == Cleat || other == Cleat)
      return joint.kind == JointKind::Face || one == Cleat || other == Cleat ? By::Screws
                                                                             : By::Nothing;
    if (isFixedFlat(one) || isFixedFlat(other)) return byOfFlat(joint);
    if (joint.kind == JointKind::Butt && isFixedByEnds(one))
      return isEnd(*joint.contact.edge) ? By::GlueAndScrews : By::Nothing;
    if (isFixedByEnds(one) || isFixedByEnds(other))
      return joint.kind == JointKind::Lap ? By::GlueAndScrews : By::Nothing;
    if (isOneOf(one, {LeftFiller, RightFiller, CornerFiller}) ||
        isOneOf(other, {LeftFiller, RightFiller, CornerFiller}))
      return By::Screws;
    if (isOneOf(one, {LeftExposedEnd, RightExposedEnd}) ||
        isOneOf(other, {LeftExposedEnd, RightExposedEnd}))
      return joint.kind == JointKind::Face ? By::GlueAndScrews : By::Nothing;
    if (isSolidEdging(one) || isSolidEdging(other)) return By::Glue;
    if (isBuildUp(one) || isBuildUp(other))
      return joint.kind == JointKind::Face ? By::GlueAndBrads : By::Glue;
    // A case on its base, a deck on its boxes: from inside, so that they come apart; what ends on a
    // base rests there. Sections of a base stand beside one another.
    if (isOfBase(one) != isOfBase(other))
      return joint.kind == JointKind::Face || (joint.kind == JointKind::Butt && isOfBase(one))
                 ? By::Screws
                 : By::Nothing;
    if (one == BaseCrossPiece && other == BaseCrossPiece) return By::Screws;
    if (one == BaseRail && other == BaseRail && joint.kind == JointKind::Edge) return By::Nothing;
    if (isOneOf(one, {Deck, Slat, LeaningBack, StorageShelf}) ||
        isOneOf(other, {Deck, Slat, LeaningBack, StorageShelf}))
      return By::Screws;
    switch (joint.kind) {
      case JointKind::Edge:
      case JointKind::Dado:
      case JointKind::Rabbet:
      case JointKind::Mitre:
        return By::Glue;
      case JointKind::Groove:
        return By::Nothing;
      case JointKind::Butt:
      case JointKind::Face:
      case JointKind::Lap:
        break;
    }
    return By::GlueAndScrews;
  }

  // The pieces of one front: its panel lies loose in its frame. A drawer's front goes on its box;
  // doors and lids hang on hinges.
  static bool isOfDrawer(const PlacedBoard& front, const PlacedBoard& box) {
    return isDrawerFront(front.key.role) && front.part->isOf(front.key, box.key.opening);
  }
  By byOfFront(const Joint& joint) const {
    const PlacedBoard &one = a(joint), &other = b(joint);
    const bool isBehind = role(one) == BoxFront || role(other) == BoxFront;
    if (isBehind && (isOfDrawer(one, other) || isOfDrawer(other, one))) return By::Screws;
    if (!isFront(role(one)) || !isFront(role(other)) || one.key.opening != other.key.opening ||
        joint.kind == JointKind::Face)
      return By::Nothing;
    const auto isPanel = [](const PlacedBoard& board) {
      return frontPieceOf(role(board)) == FrontPiece::Panel;
    };
    return isPanel(one) || isPanel(other) ? By::Nothing : By::Glue;
  }

  By byOfBox(const Joint& joint) const {
    const PlacedBoard &one = a(joint), &other = b(joint);
    if (!isOfBox(role(one)) || !isOfBox(role(other)) || one.key.opening != other.key.opening)
      return By::Nothing;  // it runs on slides, or lies there
    const bool bottom = role(one) == BoxBottom || role(other) == BoxBottom;
    if (!bottom) return By::GlueAndScrews;
    if (joint.kind == JointKind::Groove || joint.kind == JointKind::Lap) return By::Nothing;
    // Under the cut-down back it is screwed up into it; nailed on below, glued too.
    return role(one) == BoxBack || role(other) == BoxBack
               ? (nailedOn(one) || nailedOn(other) ? By::GlueAndBrads : By::Screws)
               : By::GlueAndBrads;
  }
  bool nailedOn(const PlacedBoard& bottom) const {
    return std::any_of(boards_.begin(), boards_.end(), [&bottom](const PlacedBoard& side) {
      return role(side) == BoxLeftSide && side.key.opening == bottom.key.opening &&
             std::none_of(side.part->machining.begin(), side.part->machining.end(),
                          [](const Machining& cut) { return cut.receives == "drawer bottom"; });
    });
  }

  By byOfBack(const Joint& joint) const {
    const PlacedBoard &one = a(joint), &other = b(joint);
    if (role(one) == Back && role(other) == Back) return By::Nothing;
    // It ends on its base.
    if (isOfBase(role(one)) || isOfBase(role(other))) return By::Nothing;
    const PlacedBoard& back = role(one) == Back ? one : other;
    constexpr Length kThin = Length::mm(10);
    const By fixed = thickness(back) <= kThin ? By::Brads : By::Screws;
    switch (joint.kind) {
      case JointKind::Groove:
        return By::Nothing;
      case JointKind::Rabbet:
      case JointKind::Face:
        return fixed;
      case JointKind::Butt:
        // Its face against edges; by its own edges it stands between, where no strip holds it.
        if (role(one) != Back) return fixed;
        return strips_ ? By::Nothing : fixed;
      default:
        return By::Nothing;
    }
  }

  By byOfFrame(const Joint& joint) const {
    const bool both = isOfFaceFrame(role(a(joint))) && isOfFaceFrame(role(b(joint)));
    if (both) return joint.kind == JointKind::Face ? By::Nothing : By::Glue;
    // On a tongue, or on the panels' front edges.
    if (joint.kind == JointKind::Groove || joint.kind == JointKind::Dado) return By::Glue;
    if (joint.kind != JointKind::Butt && joint.kind != JointKind::Face) return By::Nothing;
    // What only its corner lies on is glued there.
    return joint.contact.length() < bradSpacing(unit_).one ? By::Glue : By::GlueAndBrads;
  }

  // A worktop on what it lies on: from below, through what lies flat under it; it rests on the
  // rest.
  By byOfTop(const Joint& joint) const {
    const PartRole under = isOfTop(role(a(joint))) ? role(b(joint)) : role(a(joint));
    return joint.kind == JointKind::Face && isOneOf(under, {Top, FrontStretcher, RearStretcher})
               ? By::Screws
               : By::Nothing;
  }
  // How thick all layers of it are there.
  Length topOver(const Joint& joint) const {
    const auto axis = static_cast<std::size_t>(joint.contact.across);
    const Box& at = joint.contact.room;
    Length low = at.low[axis], high = low;
    for (const PlacedBoard& board : boards_) {
      if (!isOfTop(role(board))) continue;
      const Box room = board.room();
      bool isOver = true;
      for (std::size_t i = 0; i < 3; ++i)
        isOver = isOver && (i == axis || (room.low[i] < at.high[i] && room.high[i] > at.low[i]));
      if (isOver) high = std::max(high, room.high[axis]);
    }
    return high - low;
  }

  By byOfFlat(const Joint& joint) const {
    if (joint.kind != JointKind::Face) return By::Nothing;
    const PartRole one = role(a(joint)), other = role(b(joint));
    if (isOneOf(one, {BoardLayer, TopLowerLayer}) || isOneOf(other, {BoardLayer, TopLowerLayer}))
      return By::Glue;
    if (isOneOf(one, {LeftLining, RightLining}) || isOneOf(other, {LeftLining, RightLining}))
      return By::GlueAndBrads;
    return By::GlueAndScrews;
  }

  // --- by what ---

  void hold(Joint& out, By by) const {
    out.rests = by == By::Nothing;
    out.glued = by == By::Glue || by == By::GlueAndScrews || by == By::GlueAndBrads;
    if (by == By::GlueAndScrews || by == By::Screws) screws(out);
    if (by == By::GlueAndBrads || by == By::Brads) brads(out);
  }

  // How far a board reaches behind the contact, seen along it.
  Length deepOf(const PlacedBoard& board, const Joint& joint) const {
    const auto axis = static_cast<std::size_t>(joint.contact.across);
    const Box room = board.room();
    return room.high[axis] - room.low[axis] - joint.contact.sits;
  }

  void screws(Joint& out) const {
    const PlacedBoard &one = a(out), &other = b(out);
    std::optional<Length> length;
    std::vector<Length> at = rowAlong(out.contact.length(), screwSpacing(unit_));
    if (isDrawerFront(role(one)) || isDrawerFront(role(other))) {
      const PlacedBoard& front = isDrawerFront(role(one)) ? one : other;
      const PlacedBoard& box = isDrawerFront(role(one)) ? other : one;
      length = frontScrew(thickness(box), thickness(front), unit_);
      // Two beside one another at either end.
      const Length low = out.contact.length() / 5, high = 4 * out.contact.length() / 5;
      at = {low, low, high, high};
      static_assert(kFrontScrews == 4);
    } else if (isOfTop(role(one)) != isOfTop(role(other))) {
      length = screwIntoFace(thickness(isOfTop(role(one)) ? other : one), topOver(out), unit_);
    } else if (out.kind == JointKind::Face) {
      const Length p = thickness(one), q = thickness(other);
      length = screwIntoFace(std::min(p, q), std::max(p, q), unit_);
    } else if (out.kind == JointKind::Edge) {
      length = shortestScrew(2 * std::min(deepOf(one, out), deepOf(other, out)), unit_);
    } else {
      length = screwIntoEdge(deepOf(other, out), deepOf(one, out) + out.contact.sits, unit_);
    }
    if (length)
      out.means.push_back({Hold::Screw, *length, std::move(at)});
    else
      brads(out);
  }

  void brads(Joint& out) const {
    const PlacedBoard &one = a(out), &other = b(out);
    const bool back = role(one) == Back || role(other) == Back;
    const std::vector<Length> at =
        rowAlong(out.contact.length(), back ? backSpacing(unit_) : bradSpacing(unit_));
    Length through, behind;
    if (out.kind == JointKind::Rabbet && back) {
      // Through its face, into what is left beside the rabbet.
      const PlacedBoard& held = role(one) == Back ? other : one;
      through = thickness(role(one) == Back ? one : other);
      const auto w = static_cast<std::size_t>((role(one) == Back ? one : other).pose.w.axis);
      behind = held.room().high[w] - held.room().low[w] - through;
    } else if (out.kind == JointKind::Face) {
      through = std::min(thickness(one), thickness(other));
      behind = std::max(thickness(one), thickness(other));
    } else {
      through = deepOf(other, out);
      behind = deepOf(one, out);
    }
    out.means.push_back({Hold::Brad, bradFor(through, behind, unit_), at});
  }

  // Along the contact, where the row of the first board lies; what of it meets nothing is left out.
  std::vector<Length> rowOf(const Joint& joint, MachiningKind cut) const {
    std::vector<Length> out;
    const PlacedBoard& one = a(joint);
    const auto axis = static_cast<std::size_t>(joint.contact.along());
    const Direction along = isEnd(*joint.contact.edge) ? one.pose.v : one.pose.u;
    if (static_cast<std::size_t>(along.axis) != axis) return out;
    const Length low = joint.contact.room.low[axis], high = joint.contact.room.high[axis];
    for (const Machining& row : one.part->machining) {
      if (row.cut != cut || row.from != *joint.contact.edge) continue;
      // What ends on its face may be bored for from the same edge.
      if (boards_[joint.contact.b].part->name.find(row.receives) == std::string::npos) continue;
      for (const Length place : placesOf(row)) {
        const Length at = one.pose.origin[axis] + along.sign * place;
        if (at < low || at > high) continue;
        if (std::find(out.begin(), out.end(), at - low) == out.end()) out.push_back(at - low);
      }
    }
    std::sort(out.begin(), out.end());
    return out;
  }

  void pockets(Joint& out) const {
    std::vector<Length> at = rowOf(out, MachiningKind::Pockets);
    out.rests = at.empty();
    if (!at.empty())
      out.means.push_back(
          {Hold::PocketScrew, pocketScrewFor(thickness(a(out)), unit_), std::move(at)});
  }
  void plugs(Joint& out, Hold hold) const {
    std::vector<Length> at = rowOf(out, MachiningKind::Mortises);
    if (!at.empty()) out.means.push_back({hold, {}, std::move(at)});
  }

  // Pieces of a ring are turned: each meets the next with its second end.
  void ring() {
    std::vector<std::size_t> pieces;
    for (std::size_t i = 0; i < boards_.size(); ++i)
      if (role(boards_[i]) == RingPiece) pieces.push_back(i);
    if (pieces.size() < 3) return;
    std::erase_if(out_, [&](const Joint& joint) { return role(a(joint)) == RingPiece; });
    for (std::size_t i = 0; i < pieces.size(); ++i) {
      Joint out;
      out.contact.a = pieces[i];
      out.contact.b = pieces[(i + 1) % pieces.size()];
      out.contact.edge = Edge::W2;
      out.contact.in = MachiningKind::Bevel;
      out.kind = JointKind::Mitre;
      out.glued = true;
      const Part& part = *boards_[pieces[i]].part;
      // As wide as the board and as thick; where it stands is nobody's question.
      out.contact.across = Axis::X;
      out.contact.room = {{}, {Length{}, part.width.total(), part.thickness}};
      for (const Join& join : part.joins)
        if (join.edge == Edge::W2) out.chosen = join.kind;
      for (const Machining& row : part.machining) {
        if (row.cut != MachiningKind::Mortises || row.from != Edge::W2) continue;
        out.means.push_back(
            {row.receives == "dowels" ? Hold::Dowel : Hold::LooseTenon, {}, placesOf(row)});
      }
      out_.push_back(std::move(out));
    }
  }

  const std::vector<PlacedBoard>& boards_;
  Unit unit_;
  bool strips_ = false;  // hold a back that stands between the sides
  std::vector<Joint> out_;
};

}  // namespace

const char* holdName(Hold hold) {
  static constexpr const char* kNames[] = {"screw", "pocket screw", "brad", "dowel", "loose tenon"};
  return kNames[static_cast<std::size_t>(hold)];
}

std::vector<Joint> jointsOf(const std::vector<PlacedBoard>& boards, Unit unit) {
  return Maker(boards, unit).run();
}

std::vector<std::string> unmet(const std::vector<PlacedBoard>& boards) {
  std::set<std::pair<std::size_t, Edge>> met;
  for (const Joint& joint : jointsOf(boards, Unit::Millimetre)) {
    if (joint.contact.edge) met.emplace(joint.contact.a, *joint.contact.edge);
    if (joint.contact.onto) met.emplace(joint.contact.b, *joint.contact.onto);
    // Of a ring, and of two bevels, either end is met.
    if (joint.kind != JointKind::Mitre) continue;
    for (const Edge edge : kEdges) {
      met.emplace(joint.contact.a, edge);
      met.emplace(joint.contact.b, edge);
    }
  }
  std::vector<std::string> out;
  for (std::size_t i = 0; i < boards.size(); ++i) {
    if (boards[i].pose.turn) continue;
    for (const Join& join : boards[i].part->joins)
      if (met.count({i, join.edge}) == 0)
        out.push_back(sideName(boards[i].part->edges[static_cast<std::size_t>(join.edge)]) +
                      " of the " + boards[i].part->name + " to the " + join.to);
  }
  return out;
}

}  // namespace pp::joinery
