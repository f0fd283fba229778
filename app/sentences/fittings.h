// The paragraphs about what goes into a carcass and before it: drawers, fronts, shelves that come
// out; those alone that it has.
#pragma once

#include "app/sentences/sentence.h"

namespace pp {

// Precondition: the assembly is a carcass.
std::vector<Paragraph> fittingSentences(const Job& job, const Assembly& assembly);

}  // namespace pp
