// What the maker has otherwise than it is worked out: steps that were moved, joints that are not
// glued in the shop. Each returns what the job has then.
#pragma once

#include "core/assembly/order.h"

namespace pp::bench {

// The step goes in where `to` does now, in all units that are alike. Precondition: both are steps
// of the unit.
std::vector<MovedStep> withMoved(const Job& job, const std::vector<Pieces>& pieces,
                                 const UnitOrder& unit, std::size_t step, std::size_t to);
// The unit as it is worked out.
std::vector<MovedStep> withoutMoved(const Job& job, const std::vector<Pieces>& pieces,
                                    const UnitOrder& unit);
bool isMoved(const Job& job, const std::vector<Pieces>& pieces, const UnitOrder& unit);
// All joints that the step closes.
std::vector<JointGluing> withGluing(const Job& job, const std::vector<Pieces>& pieces,
                                    const AssemblyStep& step, Gluing gluing);

}  // namespace pp::bench
