// Where the carcasses of a group stand: in one line along the rear wall and, round a corner or in a
// nook, in one along either side wall. x from the left wall, y from the first member's front edges
// back.
#pragma once

#include <vector>

#include "core/kinds/carcass/layout.h"
#include "core/parts/space.h"

namespace pp {

struct GroupMember {
  const Assembly* assembly;
  CarcassLayout layout;
  Length x;  // of its own coordinates in those of its line

  const Carcass& carcass() const { return assembly->carcass(); }
};

// A line of carcasses in coordinates of its own, x from its left as one stands before it.
struct GroupLine {
  std::vector<GroupMember> members;
  Standing standing;
  bool cornerLeft = false, cornerRight = false;  // ends that another line meets

  Length left() const { return members.front().x + members.front().layout.outer.x; }
  Length right() const { return members.back().x + members.back().layout.outer.right(); }
  Length width() const;  // from wall to wall where its ends keep clear of one
  Length front() const;  // y of what stands foremost, doors and drawer fronts included
  Length rear() const;   // y of what stands hindmost
  Length depth() const { return rear() - front(); }
};

struct GroupLines {
  GroupLine rear;
  std::optional<GroupLine> left, right;
  Length wall;  // x of the right-hand wall; 0 for the left one

  std::vector<const GroupLine*> all() const;
};

// Problems of whichever member does not add up.
Result<GroupLines> groupLines(const Job& job, const CarcassGroup& group);

// Where the own coordinates of every member stand in the group's, in the order of everyMember().
// Where the group does not add up, in one line with those before it.
std::vector<Standing> memberStandings(const Job& job, const CarcassGroup& group);

// Gives the members along the rear wall the width that is typed for the group, less the corners:
// those that are not fixed share what is left. No member that would vanish is changed.
// Whether anything changed.
bool shareWidths(Job& job);

}  // namespace pp
