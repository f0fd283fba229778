// What of a job is carried in one piece: a case, a section of a base or a bench, a top.
#pragma once

#include "core/breakdown/breakdown.h"
#include "core/site/way_in.h"

namespace pp {

enum class SectionKind { Case, Base, Top, Bench, Box, Whole, Loose };

struct Section {
  std::string assembly;  // code
  SectionKind kind = SectionKind::Whole;
  std::string what;  // "a section of its base"
  Load load;         // the first side is the one it would be built in shorter sections of
};

// Of every assembly, equal ones once. Doors, shelves and boards that are carried by themselves go
// in bundles, and no bundle is easier to carry than the largest piece of it; boxes are small enough
// to be left out.
std::vector<Section> sectionsOf(const Job& job, const Breakdown& breakdown);

// Builds what the section is of in sections no longer than that, where its kind can be; whether it
// can.
bool shorten(Assembly& assembly, SectionKind kind, Length longest);

}  // namespace pp
