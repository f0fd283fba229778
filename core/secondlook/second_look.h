// What someone standing beside the maker would point at: checks from the job to findings, the most
// expensive mistake first. Each check is a pure function.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "core/breakdown/breakdown.h"

namespace pp {

enum class Severity {
  Stop,  // it cannot be built, or a sheet would be wasted
  Mind,  // likely regretted
  Tip    // worth knowing
};

struct Place {
  std::string assembly;  // code
  OpeningPath opening;   // empty: the assembly as a whole
  std::string part;      // code, empty where no single part is meant
};

struct Fix {
  std::string what;  // "Share the fronts equally"
  std::function<void(Job&)> edit;
};

struct Finding {
  Severity severity = Severity::Mind;
  Place place;
  std::string what;  // one line
  std::string why;   // one sentence
  std::optional<Fix> fix;
};

// Parts that no sheet or offcut of their material takes in an allowed direction.
std::vector<Finding> checkPartFitsSheet(const Job& job, const Breakdown& breakdown);
// A part of lumber that is longer or wider than every bar of its material.
std::vector<Finding> checkPartFitsBar(const Job& job, const Breakdown& breakdown);
// Drawers that do not go into their opening. The fix shares the fronts equally, where that works.
std::vector<Finding> checkDrawerStacks(const Job& job, const Breakdown& breakdown);
// Edges that are seen and carry no banding, one finding an assembly and kind of edge. The fix bands
// them with the job's first banding.
std::vector<Finding> checkExposedEdges(const Job& job, const Breakdown& breakdown);
// Parts that are cut for a thickness that no measured lot of their material has. The fix cuts all
// of it from the lot of which there is most.
std::vector<Finding> checkLots(const Job& job, const Breakdown& breakdown);
// Edging of a worktop that is not as thick as the panel it is ripped from.
std::vector<Finding> checkEdging(const Job& job, const Breakdown& breakdown);
// Parts whose size is still to be read off the work, one finding an assembly; readings more than a
// millimetre off what was worked out, one a part.
std::vector<Finding> checkReadings(const Job& job, const Breakdown& breakdown);
// Slides whose rear end lies behind the pads they are screwed to, one finding an assembly.
std::vector<Finding> checkSlideEnds(const Job& job, const Breakdown& breakdown);
// Offcuts that parts which do not show could come from, were they as thick as those: what of the
// part's neighbours would follow is said.
std::vector<Finding> checkSubstitutes(const Job& job, const Breakdown& breakdown);
// Everything else that keeps an assembly from being built.
std::vector<Finding> checkBuildable(const Job& job, const Breakdown& breakdown);

// All checks, sorted by severity.
std::vector<Finding> secondLook(const Job& job, const Breakdown& breakdown);

}  // namespace pp
