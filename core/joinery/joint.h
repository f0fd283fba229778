// What holds two boards together, as one value: where they meet, how, and by what.
#pragma once

#include "core/job/job.h"
#include "core/joinery/contact.h"

namespace pp::joinery {

enum class JointKind {
  Butt,    // an edge against a face
  Dado,    // an edge in a slot across
  Rabbet,  // an edge in a step along an edge
  Groove,  // an edge in a slot along
  Mitre,   // two bevels
  Lap,     // one in a notch of the other
  Face,    // face on face
  Edge     // edge to edge
};

enum class Hold { Screw, PocketScrew, Brad, Dowel, LooseTenon };

// A row of alike fasteners.
struct Means {
  Hold hold = Hold::Screw;
  Length length;           // 0: it has none
  std::vector<Length> at;  // along the contact, from its low end
  bool operator==(const Means&) const = default;
};

struct Joint {
  Contact contact;
  JointKind kind = JointKind::Butt;
  std::optional<JoinKind> chosen;  // as the assembly's school or the maker has it
  // Touches, or lies loose in a groove, and is held by something else or by nothing.
  bool rests = false;
  bool glued = false;
  std::vector<Means> means;
};

// What a fastener is called in lists.
const char* holdName(Hold hold);

}  // namespace pp::joinery
