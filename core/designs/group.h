// Carcasses that stand together, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <algorithm>
#include <optional>
#include <string>
#include <vector>

#include "core/designs/carcass.h"
#include "core/designs/id.h"
#include "core/designs/top.h"

namespace pp {

// How two tops meet in a corner.
enum class CornerTop {
  Butted,  // the one along the rear wall runs through
  Mitred
};

// Carcasses along a side wall, before the end of those along the rear wall.
struct GroupLeg {
  std::vector<Id> members;         // ids of carcasses, from the corner on
  Length filler = Length::mm(50);  // kept free in the corner on both sides, >= 0
  bool blind = false;              // those along the rear wall run into the corner behind it
  bool operator==(const GroupLeg&) const = default;
};

// A gap between two members of a line that loose shelves lie across, on ledges screwed to the sides
// of both.
struct GroupBridge {
  Id after = 0;                    // the member on its left as one stands before them
  Length width = Length::mm(800);  // between the two, > 0
  int shelves = 1;                 // at equal heights, 1..20
  std::string material;            // of shelves and ledges
  Length ledge = Length::mm(40);   // height of a ledge, > 0
  bool operator==(const GroupBridge&) const = default;
};

// Carcasses side by side, from the left, that share what stands under, before and on them. A member
// keeps its own sizes; its own frame and stand are left out.
struct CarcassGroup {
  std::vector<Id> members;  // ids of carcasses
  std::optional<Stand> stand;
  std::optional<FaceFrame> frame;
  std::optional<Top> top;               // its width and depth follow from the members
  std::optional<Length> width;          // of the members along the rear wall: they share it
  std::vector<Id> fixed;                // those that keep their own width then
  std::optional<GroupLeg> left, right;  // round one corner, or both: in a nook
  std::vector<GroupBridge> bridges;
  std::string fillerMaterial;  // of the strips in the corners; empty: none
  CornerTop cornerTop = CornerTop::Butted;
  bool operator==(const CarcassGroup&) const = default;

  // Those that stand in one line with a member, from the left as one stands before them, and at
  // which ends of it another line stands; empty where it is none.
  struct Line {
    std::vector<Id> members;
    bool cornerLeft = false, cornerRight = false;
  };
  Line lineOf(Id member) const {
    const auto has = [member](const std::vector<Id>& ids) {
      return std::find(ids.begin(), ids.end(), member) != ids.end();
    };
    if (has(members)) return {members, left.has_value(), right.has_value()};
    if (right && has(right->members)) return {right->members, true, false};
    // From the corner on is from the right.
    if (left && has(left->members))
      return {{left->members.rbegin(), left->members.rend()}, false, true};
    return {};
  }
  std::vector<Id> everyMember() const {
    std::vector<Id> out = members;
    for (const auto& leg : {left, right})
      if (leg) out.insert(out.end(), leg->members.begin(), leg->members.end());
    return out;
  }
};

}  // namespace pp
