// What Draw says of every kind of assembly: the paragraphs about it, and one sentence about what
// its choices of joinery cost or save, or what to mind; empty where there is nothing to say. A kind
// that leaves one out does not link.
#pragma once

#include "app/sentences/sentence.h"

namespace pp {

// Where an assembly is said: the job it is in, and the opening that is selected.
struct Saying {
  const Job& job;
  const Assembly& assembly;
  const std::optional<OpeningPath>& selected;
};

template <class T>
std::vector<Paragraph> sentence(const Saying& in, const T& of);
template <class T>
QString remark(const T& of);

}  // namespace pp
