// What of a job is carried in one piece, as the way in asks: the loads of the bench.
#pragma once

#include "core/breakdown/breakdown.h"
#include "core/job/making.h"
#include "core/site/way_in.h"

namespace pp {

enum class SectionKind { Case, Base, Top, Frame, Bench, Box, Whole, Loose };

struct Section {
  std::string assembly;  // code
  SectionKind kind = SectionKind::Whole;
  std::string what;  // "a section of its base"
  Load load;         // the first side is the one it would be built in shorter sections of
  // Top, Frame: its pieces by where each begins and ends along that side, to be joined in place.
  struct Piece {
    PartKey key;
    Length from, to;
  };
  std::vector<Piece> pieces;
};

// Of every assembly, equal ones once. Doors, shelves and boards that are carried by themselves go
// in bundles, and no bundle is easier to carry than the largest piece of it; boxes are small enough
// to be left out.
std::vector<Section> sectionsOf(const Job& job, const Breakdown& breakdown);

// Builds what the section is of in sections no longer than that, where its kind can be; whether it
// can.
bool shorten(Assembly& assembly, SectionKind kind, Length longest);

// What the job has then, where the pieces of a top or a frame are joined in place to sections no
// longer than that; a piece that is longer goes alone. None where it stays one.
std::optional<std::vector<JointGluing>> joinedInPlace(const Job& job, const Section& section,
                                                      Length longest);

}  // namespace pp
