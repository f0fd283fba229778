#include "core/kinds/carcass/fronts_cut.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

namespace pp {
namespace {

constexpr Length kMostCut = Length::mm(6);  // one cut and what is planed off

bool isWholeFront(const Part& part) {
  const auto piece = frontPieceOf(part.role);
  return piece && *piece == FrontPiece::Whole && part.show == Face::Outside;
}

// In the plane of the fronts.
bool isFiller(const Part& part) {
  return part.role == PartRole::LeftFiller || part.role == PartRole::RightFiller;
}

Box roomOf(const Part& part) {
  return part.poses.front().place(part.board());
}

// Fronts that follow one another, by their places in the list of parts.
struct Row {
  std::vector<std::size_t> parts;
  bool across = true;  // left to right, else from the top
};

class FrontsCutter {
 public:
  FrontsCutter(const PartBuilder& builder, std::vector<Part>& parts)
      : builder_(builder), parts_(parts) {}

  Problems run(const Opening& root) {
    OpeningPath path;
    walk(root, path);
    for (auto i = gone_.rbegin(); i != gone_.rend(); ++i)
      parts_.erase(parts_.begin() + static_cast<std::ptrdiff_t>(*i));
    return std::move(problems_);
  }

 private:
  void walk(const Opening& opening, OpeningPath& path) {
    if (opening.door && opening.door->hinge == Hinge::Pair && opening.door->cut != FrontsCut::Apart)
      cut(path, true, opening.door->cut, {});
    if (const auto* bank = std::get_if<DrawerBank>(&opening.content)) {
      if (bank->cut != FrontsCut::Apart) cut(path, false, bank->cut, PartRole::DrawerFront);
    } else if (const auto* split = std::get_if<Split>(&opening.content)) {
      const bool across = split->by == SplitBy::Dividers;
      if (split->fronts != FrontsCut::Apart) cut(path, across, split->fronts, {});
      for (std::size_t i = 0; i < split->children.size(); ++i) {
        path.push_back(i);
        walk(split->children[i], path);
        path.pop_back();
      }
    }
  }

  // The fronts inside that opening, in rows or columns.
  std::vector<Row> rowsIn(const OpeningPath& path, bool across,
                          std::optional<PartRole> role) const {
    std::map<std::pair<Length, Length>, Row> rows;
    for (std::size_t i = 0; i < parts_.size(); ++i) {
      const Part& part = parts_[i];
      if (gone_.count(i) > 0 || !isWholeFront(part) || (role && part.role != *role) ||
          part.opening.size() < path.size() ||
          !std::equal(path.begin(), path.end(), part.opening.begin()))
        continue;
      const Box room = roomOf(part);
      Row& row = rows[across ? std::pair{room.low[2], room.high[2]}
                             : std::pair{room.low[0], room.high[0]}];
      row.across = across;
      row.parts.push_back(i);
    }
    std::vector<Row> out;
    for (auto& [at, row] : rows) {
      if (row.parts.size() < 2) continue;
      std::sort(row.parts.begin(), row.parts.end(), [&](std::size_t a, std::size_t b) {
        return across ? roomOf(parts_[a]).low[0] < roomOf(parts_[b]).low[0]
                      : roomOf(parts_[a]).low[2] > roomOf(parts_[b]).low[2];
      });
      out.push_back(std::move(row));
    }
    return out;
  }

  void cut(const OpeningPath& path, bool across, FrontsCut how, std::optional<PartRole> role) {
    int number = 0;
    for (const Row& row : rowsIn(path, across, role)) {
      ++number;
      // Fronts over one another in a column of doors and drawers have their figure upright.
      if (!across && !role) upright(row);
      if (how == FrontsCut::Run)
        follow(row, path, number);
      else
        join(row);
    }
  }

  void upright(const Row& row) {
    for (const std::size_t i : row.parts) {
      Part& part = parts_[i];
      if (part.grain == PartGrain::Any) continue;
      part.grain = part.poses.front().u.axis == Axis::Z ? PartGrain::Length : PartGrain::Width;
    }
  }

  void follow(const Row& row, const OpeningPath& path, int number) {
    std::string name = builder_.assembly().code + "-fronts";
    for (const std::size_t index : path) name += fmt::format("-{}", index + 1);
    if (number > 1) name += fmt::format("-row-{}", number);
    int order = 0;
    for (const std::size_t i : row.parts) {
      Part& part = parts_[i];
      const bool lengthAcross = part.poses.front().u.axis == Axis::X;
      part.run = name;
      part.runOrder = ++order;
      part.series = lengthAcross == row.across ? RunSeries::Length : RunSeries::Width;
    }
  }

  // The first stands for the board; the gaps between them are cut when they have been fitted.
  void join(const Row& row) {
    const Part& first = parts_[row.parts.front()];
    const std::size_t axis = row.across ? 0 : 2;
    Box whole = roomOf(first);
    std::string cuts;
    Length end = row.across ? whole.high[axis] : whole.low[axis];
    for (std::size_t k = 1; k < row.parts.size(); ++k) {
      const Part& part = parts_[row.parts[k]];
      const Box room = roomOf(part);
      if (part.material != first.material || part.poses.front().u != first.poses.front().u ||
          part.poses.front().origin[1] != first.poses.front().origin[1]) {
        problems_.push_back(cannot("fronts from one board",
                                   "fronts of another material, grain or plane beside one another",
                                   "fronts alike, or each cut by itself"));
        return;
      }
      const Length gap = row.across ? room.low[axis] - end : end - room.high[axis];
      if (gap > kMostCut) {
        problems_.push_back(cannot(
            "fronts from one board", builder_.shown(gap) + " between two of them",
            "fronts no more than " + builder_.shown(kMostCut) + " apart, with nothing between"));
        return;
      }
      cuts += (cuts.empty() ? "" : ", ") + builder_.shown(gap) + " after " +
              builder_.shown(row.across ? end - whole.low[axis] : whole.high[axis] - end);
      end = row.across ? room.high[axis] : room.low[axis];
      if (row.across)
        whole.high[axis] = room.high[axis];
      else
        whole.low[axis] = room.low[axis];
    }
    Part board = first;
    const Pose& pose = first.poses.front();
    const bool along = (pose.u.axis == Axis::X) == row.across;
    const Length size = whole.high[axis] - whole.low[axis];
    Length gaps = size;
    Reason reason;
    for (const std::size_t i : row.parts) {
      const Length one = along ? parts_[i].length.total() : parts_[i].width.total();
      reason.plus("front", one);
      gaps -= one;
    }
    reason.plus("cut between", gaps);
    (along ? board.length : board.width) = reason;
    board.poses.front().origin[axis] = whole.low[axis];
    board.machining.clear();
    for (const std::size_t i : row.parts) takeOver(parts_[i], along, axis, whole, board);
    board.note =
        "cut apart when fitted, from the " + std::string(row.across ? "left" : "top") + ": " + cuts;
    for (std::size_t k = 1; k < row.parts.size(); ++k) {
      const Part& part = parts_[row.parts[k]];
      // A code means one role for ever: a drawer's front is not to have that of the door over it.
      if (part.role == board.role)
        board.keys.insert(board.keys.end(), part.keys.begin(), part.keys.end());
      gone_.insert(row.parts[k]);
    }
    parts_[row.parts.front()] = std::move(board);
  }

  // What is cut into one of the fronts, where that lies on the board.
  static void takeOver(const Part& part, bool along, std::size_t axis, const Box& whole,
                       Part& board) {
    const Length shift = part.poses.front().origin[axis] - whole.low[axis];
    const Length beyond = (along ? board.length.total() - part.length.total()
                                 : board.width.total() - part.width.total()) -
                          shift;
    for (Machining cut : part.machining) {
      (along ? cut.u0 : cut.v0) += shift;
      (along ? cut.u1 : cut.v1) += shift;
      if (cut.from == (along ? Edge::W1 : Edge::L1)) cut.distance += shift;
      if (cut.from == (along ? Edge::W2 : Edge::L2)) cut.distance += beyond;
      board.machining.push_back(std::move(cut));
    }
  }

  const PartBuilder& builder_;
  std::vector<Part>& parts_;
  std::set<std::size_t> gone_;  // into a board with others
  Problems problems_;
};

}  // namespace

void refuseFrontsThatMeet(const PartBuilder& builder, Made& out) {
  std::vector<const Part*> fronts;
  for (const Part& part : out.parts)
    if ((isFront(part.role) && part.show == Face::Outside) || isFiller(part))
      fronts.push_back(&part);
  std::set<OpeningPath> refused;
  for (std::size_t i = 0; i < fronts.size(); ++i)
    for (std::size_t k = i + 1; k < fronts.size(); ++k) {
      const bool filled = isFiller(*fronts[i]) || isFiller(*fronts[k]);
      if (!filled && fronts[i]->opening == fronts[k]->opening) continue;
      const Box a = roomOf(*fronts[i]);
      const Box b = roomOf(*fronts[k]);
      bool apart = false;
      Length least;
      for (std::size_t axis = 0; axis < 3; ++axis) {
        const Length common =
            std::min(a.high[axis], b.high[axis]) - std::max(a.low[axis], b.low[axis]);
        apart = apart || common <= Length::um(1);  // rounding
        if (axis != 1) least = axis == 0 ? common : std::min(least, common);
      }
      if (apart) continue;
      if (refused.empty())
        out.refuse({cannot("fronts", builder.shown(least) + " over one another",
                           "less over the edge that the " + fronts[i]->name + " and the " +
                               fronts[k]->name + " share")},
                   fronts[i]->opening);
      refused.insert({fronts[i]->opening, fronts[k]->opening});
    }
  std::erase_if(out.parts, [&refused](const Part& part) {
    return isFront(part.role) && refused.count(part.opening) > 0;
  });
}

Problems cutFronts(const PartBuilder& builder, const Carcass& carcass, std::vector<Part>& parts) {
  return FrontsCutter(builder, parts).run(carcass.inside);
}

}  // namespace pp
