#include "core/breakdown/glued.h"

#include <algorithm>

#include "core/breakdown/joint_sets.h"

namespace pp {
namespace {

// Of one piece. What a slot takes is the slot's floor and no part of it.
struct Glued {
  Area inside, outside;  // of its faces
  Area edges;            // of edges that do not say themselves that they are joined
};

class Gluer {
 public:
  explicit Gluer(const std::vector<Part>& parts) : parts_(parts), out_(parts.size()) {}

  void take(const JointSet& set) {
    for (const joinery::Joint& joint : set.joints) {
      if (!joint.glued || set.boards[joint.contact.a].pose.turn) continue;
      const joinery::PlacedBoard& a = set.boards[joint.contact.a];
      const joinery::PlacedBoard& b = set.boards[joint.contact.b];
      const Area area = joint.contact.area();
      switch (joint.kind) {
        case joinery::JointKind::Face:
          face(a, b, joint, area);
          face(b, a, joint, area);
          break;
        case joinery::JointKind::Butt:
          edge(a, joint.contact.edge, area);
          face(b, a, joint, area);
          break;
        case joinery::JointKind::Edge:
          edge(a, joint.contact.edge, area);
          edge(b, joint.contact.onto, area);
          break;
        default:
          break;
      }
    }
  }

  // No more than there is of it, and the share of one piece.
  std::vector<Glued> done() {
    for (std::size_t i = 0; i < out_.size(); ++i) {
      const auto pieces = std::max<std::int64_t>(1, std::ssize(parts_[i].poses));
      const Area face = parts_[i].length.total() * parts_[i].width.total();
      for (Area* one : {&out_[i].inside, &out_[i].outside})
        *one = std::min(face, Area::nm2(one->inNm2() / pieces));
      out_[i].edges = Area::nm2(out_[i].edges.inNm2() / pieces);
    }
    return std::move(out_);
  }

 private:
  Glued& of(const joinery::PlacedBoard& board) {
    return out_[static_cast<std::size_t>(board.part - parts_.data())];
  }

  // The face of the one that looks to the other.
  void face(const joinery::PlacedBoard& one, const joinery::PlacedBoard& other,
            const joinery::Joint& joint, Area area) {
    const auto axis = static_cast<std::size_t>(joint.contact.across);
    const Box mine = one.room(), theirs = other.room();
    const bool above = theirs.low[axis] + theirs.high[axis] > mine.low[axis] + mine.high[axis];
    ((one.pose.w.sign > 0) == above ? of(one).outside : of(one).inside) += area;
  }

  void edge(const joinery::PlacedBoard& board, const std::optional<Edge>& edge, Area area) {
    if (edge && !board.part->isJoined(*edge)) of(board).edges += area;
  }

  const std::vector<Part>& parts_;
  std::vector<Glued> out_;
};

// What of the piece gets a finish, and what is bare for glue.
FinishArea less(FinishArea out, const Glued& glued) {
  const auto take = [&out](Area& from, Area glue) {
    const Area bare = std::min(from, glue);
    from = Area::nm2(from.inNm2() - bare.inNm2());
    out.bare += bare;
  };
  take(out.inside, glued.inside);
  take(out.outside, glued.outside);
  take(out.edges, glued.edges);
  return out;
}

}  // namespace

std::vector<FinishArea> finishAreasOf(const Job& job, const std::vector<Part>& parts) {
  Gluer gluer(parts);
  for (const JointSet& set : jointSetsOf(job, parts)) gluer.take(set);
  const std::vector<Glued> glued = gluer.done();
  std::vector<FinishArea> out;
  for (std::size_t i = 0; i < parts.size(); ++i)
    out.push_back(less(finishArea(parts[i]), glued[i]));
  return out;
}

}  // namespace pp
