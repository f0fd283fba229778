// Pieces where they stand, who of them is joined to whom, and what holds a joint: how many screws
// of which length, where they sit, and the line that the driver needs for each.
#pragma once

#include <algorithm>
#include <map>
#include <utility>

#include "core/floor/pieces.h"
#include "core/job/job.h"
#include "core/job/making.h"
#include "core/joinery/joint.h"
#include "core/parts/way.h"

namespace pp::bench {

// A coordinate of a point: 0, 1, 2 for x, y, z.
double at(const Vec& vec, int axis);

// One of the places of a part: `pose` of its poses.
struct PieceAt {
  std::size_t row = 0;  // of the pieces
  std::size_t pose = 0;
  auto operator<=>(const PieceAt&) const = default;
};

// Of several that nothing tells apart the last key.
inline const PartKey& keyAt(const Part& part, std::size_t pose) {
  return part.keys[std::min(pose, part.keys.size() - 1)];
}

// A piece in space, in millimetres. Holes and rows of them are left out: nothing goes through them.
struct Body : Room {
  PieceAt at;
  const Part* part = nullptr;
  Pose pose;
  std::vector<Hull> hulls;
  const PartKey& key() const { return keyAt(*part, at.pose); }
};
// Of one copy of an assembly, by its code; the pieces are kept by reference.
std::vector<Body> bodiesOf(const std::vector<Pieces>& pieces, const std::string& assembly,
                           const Standing& standing = {});

// A row of alike fasteners along an edge.
struct Fasteners {
  std::string name;  // "screw", "pocket screw", "brad", "loose tenon", "dowel"; empty: glue alone
  Length length;     // 0: it has none
  std::vector<Length> at;  // along the edge, from where it begins: at end 1, or at edge 1
  bool operator==(const Fasteners&) const = default;
};

// Whether screws or brads hold it, and not what it sits in.
bool isFastened(JoinKind kind);

// An edge of `piece`, or where it is flat a face of it, against `mate`; both are numbers of the
// bodies.
struct JointAt {
  std::size_t piece = 0, mate = 0;
  Edge edge = Edge::W1;
  bool flat = false;
  bool glued = true;
  bool drawn = true;  // the drawing says that they are joined; else it follows from what they are
  JoinKind kind = JoinKind::Butt;
  Vec out;  // the way from the piece to its mate, a unit vector
  Fasteners fasteners;
  std::vector<std::pair<Vec, Vec>> lines;  // that a driver needs, from the head outwards

  // Comes apart along the edge's own way alone: tenons and dowels; dados that hold at both ends.
  bool isPlugged() const { return kind == JoinKind::LooseTenon || kind == JoinKind::Dowel; }
};

// What a driver needs in a straight line behind the head.
inline constexpr double kDriver = 150;  // millimetres

// All that holds the pieces of what stands together. The drawn ones are joined as the drawing says:
// what the order of putting together goes by. Screws and
// brads are moved aside where they would come out in a slot, a row of holes or another joint of
// either part. What else holds them where they meet is without lines, since it hinders nothing
// else; a drawer's front is screwed on by itself.
struct Joints {
  std::vector<JointAt> drawn, held;
};
Joints jointsOf(const std::vector<Body>& bodies, Unit unit);

// When the joints between two parts are glued, whichever is named first. A worktop of several
// sheets is laid sheet by sheet: what is of one sheet is glued in the shop, what joins two in
// place, unless the maker says otherwise.
class Gluings {
 public:
  Gluings(const Job& job, const std::vector<Pieces>& pieces);
  Gluing between(const PartKey& one, const PartKey& other) const;

 private:
  void sheets(const std::vector<Pieces>& pieces, const std::string& assembly);
  static constexpr std::size_t kNoSheet = static_cast<std::size_t>(-1);
  std::map<std::pair<PartKey, PartKey>, Gluing> said_;
  std::map<PartKey, std::size_t> sheetOf_;  // of the pieces of such tops; none: of several
};

// Along an edge of a part to one of its mates: the same for all its pieces that are joined so.
struct Fastened {
  std::size_t row = 0, mate = 0;  // of the pieces
  Edge edge = Edge::W1;
  JoinKind kind = JoinKind::Butt;
  Fasteners fasteners;
  bool operator==(const Fastened&) const = default;
};
// Of all that stand somewhere, each once, by part and edge.
std::vector<Fastened> fastenedOf(const std::vector<Pieces>& pieces, const Job& job);

// Moves what sits along an edge, from its low end, clear of `taken`: from and to along the edge.
// One that finds no free place between `low` and `high` stays where it is.
std::vector<Length> clearOf(std::vector<Length> at, Length low, Length high,
                            const std::vector<std::pair<Length, Length>>& taken);

}  // namespace pp::bench
