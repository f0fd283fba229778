// The paragraph about the opening of a carcass that is selected: its size, what fills and closes
// it.
#pragma once

#include "app/sentences/sentence.h"

namespace pp {

// Nothing where the carcass has no such opening. Precondition: the assembly is a carcass.
std::vector<Paragraph> openingSentence(const Job& job, const Assembly& assembly,
                                       const OpeningPath& path);

}  // namespace pp
