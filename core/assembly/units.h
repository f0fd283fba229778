// Which pieces of an assembly are put together by themselves and then go in as one: drawers,
// frames, a panel and what is fixed flat on it, cases of a group, sections that nothing joins.
#pragma once

#include "core/assembly/joints.h"
#include "core/assembly/phases.h"

namespace pp::bench {

inline constexpr double kTouch = 0.6;  // millimetres between two that meet

// Bodies that go in as one.
struct Node {
  UnitKind kind = UnitKind::Panel;
  std::vector<std::size_t> bodies;
  std::vector<Node> of;               // of a section: what it is put together from
  std::size_t number = 0, among = 0;  // of a section, from the left, so many there are
};

// Whether two meet, as far as boxes round them say.
bool touch(const Body& a, const Body& b);

class Units {
 public:
  static constexpr std::size_t kNone = static_cast<std::size_t>(-1);
  // All are kept by reference. `member`: by body, which of a group's it is of; none: its own.
  Units(const std::vector<Body>& bodies, const std::vector<std::size_t>& member,
        const std::vector<JointAt>& joints)
      : bodies_(bodies), member_(member), joints_(joints) {}

  std::vector<Node> nodes() const { return inSections(nodesOf()); }
  // What a node is put together from.
  static std::vector<Node> apart(const Node& node);
  // The one that says what a node is: of a panel and what is fixed on it the panel.
  std::size_t first(const Node& node) const;
  // `alone`: it is part of what is put together, rather than put in.
  AssemblyPhase phaseOf(const Node& node, bool alone) const;
  // The higher, the later it goes in where nothing forces another order; of alike ones the upper,
  // the hindmost, then the right one is later.
  double late(const Node& node, bool alone) const;
  // Whether cases stand in it.
  bool isGroup() const;
  // What it is, never what happened to go in last: UnitOrder has such names.
  std::string nameOf(const Node& node, const Job& job) const;

 private:
  std::vector<Node> nodesOf() const;
  std::vector<Node> inSections(std::vector<Node> nodes) const;
  bool hang(std::size_t a, std::size_t b) const;
  std::optional<std::size_t> shelfOf(std::size_t lip) const;
  std::optional<std::size_t> hostOf(std::size_t i) const;
  double sharedFace(std::size_t a, std::size_t b) const;
  Room roomOf(const Node& node) const;
  bool isInside(const Node& node, const Room& room) const;
  static void put(Node& node, Node& section);
  double along(const Body& body) const;
  bool standsOnTop(const Node& node) const;
  bool isInFront(const Node& node) const;
  std::string namesOf(const Node& node) const;
  std::size_t host(const Node& node) const;
  const Part& part(std::size_t body) const { return *bodies_[body].part; }
  // Its own: equal parts are one, whatever they are.
  PartRole role(std::size_t body) const { return bodies_[body].key().role; }

  const std::vector<Body>& bodies_;
  const std::vector<std::size_t>& member_;
  const std::vector<JointAt>& joints_;
};

// "B1, base cabinet"; the code alone where it has no name.
std::string codeAndName(const Job& job, const std::string& code);

}  // namespace pp::bench
