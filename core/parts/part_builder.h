// Makes the boards of one assembly: what all rule families do alike.
#pragma once

#include "core/parts/banding.h"
#include "core/parts/machining.h"
#include "core/parts/part.h"

namespace pp {

// The six directions of an assembly.
inline constexpr Direction kRight{Axis::X, 1}, kLeft{Axis::X, -1}, kBackwards{Axis::Y, 1},
    kForwards{Axis::Y, -1}, kUp{Axis::Z, 1}, kDown{Axis::Z, -1};

class PartBuilder {
 public:
  // All are kept by reference. `group`: the one a carcass stands in, or null.
  PartBuilder(const Job& drawn, const Assembly& assembly, const CarcassGroup* group = nullptr);

  // A board without a place. Its thickness, grain and whether it is lumber follow the material.
  // `box`: what kind of box it is of, where it is of one.
  Part board(PartRole role, const std::string& material, Reason length, Reason width,
             std::string_view box = "drawer") const;

  // Says which way the edges look, for a board that lies as `pose` has it: L1, L2, W1, W2 in turn.
  static void place(Part& part, const Pose& pose);

  // Puts parts that were made in coordinates of their own where they stand.
  static void stand(std::vector<Part>& parts, const Standing& standing);

  // The edge is seen when all is built; it is banded where a banding is named.
  void show(Part& part, Side side, const std::string& banding) const;

  Length thickness(const std::string& material) const;
  // What the maker has chosen for parts of this assembly.
  const PartChoices& choices() const { return choices_; }
  // The material of the part in that role, and how thick it is; `ruled` by the rules.
  const std::string& material(PartRole role, Id opening, const std::string& ruled) const {
    return choices_.material(role, opening, ruled);
  }
  Length thickness(PartRole role, Id opening, const std::string& ruled) const {
    return thickness(material(role, opening, ruled));
  }
  // Of a panel whose length is upright.
  PartGrain grainOf(const std::string& material, PanelGrain grain) const;
  // As it was measured in the lot the assembly is cut from.
  const Job& job() const { return lotted_ ? *lotted_ : drawn_; }
  const Job& drawn() const { return drawn_; }
  const CarcassGroup* group() const { return group_; }
  const Assembly& assembly() const { return assembly_; }
  std::string shown(Length length) const;  // with its unit

 private:
  const Job& drawn_;
  std::optional<Job> lotted_;
  const Assembly& assembly_;
  const CarcassGroup* group_;
  PartChoices choices_;
};

// "{field}: found, expected" for something that cannot be built.
Problem cannot(std::string field, std::string found, std::string expected);

}  // namespace pp
