// What nobody sees of parts once they stand: what lies against a wall of the place, against a
// neighbour of the group, an applied end, or under a top.
#pragma once

#include <map>

#include "core/breakdown/breakdown.h"

namespace pp {

class Hidden {
 public:
  // The job is kept by reference.
  explicit Hidden(const Job& job);

  // Says which faces of the parts of an assembly are hidden, and takes the banding off edges that
  // are; not off those that a choice was made for. Of single parts, in the assembly's own
  // coordinates.
  void mark(const Assembly& assembly, const PartChoices& choices, std::vector<Part>& parts) const;

 private:
  // A plane of the assembly with something against it.
  struct Cover {
    Direction looks;          // what looks that way and lies at the plane is hidden
    Length at, reach;         // the plane, and how far from it
    std::optional<Box> over;  // how far it goes; none: all of it
  };
  // How an assembly stands on its wall.
  struct Stood {
    bool behind = false, left = false;
    std::optional<Length> toRight;  // from its left end to the next wall
  };
  Stood stood(const SiteStand& stand) const;
  void cover(const CarcassGroup& group, const Stood& by);
  std::vector<Cover> coversOf(const Assembly& assembly, const std::vector<Part>& parts) const;

  const Job& job_;
  std::map<Id, Stood> stood_;
  std::map<Id, std::vector<Cover>> inGroup_;  // of a member or of the group's own parts
};

}  // namespace pp
