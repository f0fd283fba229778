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

std::vector<Paragraph> sentence(const Saying& in, const Carcass& of);
QString remark(const Carcass& of);
std::vector<Paragraph> sentence(const Saying& in, const CarcassGroup& of);
QString remark(const CarcassGroup& of);
std::vector<Paragraph> sentence(const Saying& in, const Top& of);
QString remark(const Top& of);
std::vector<Paragraph> sentence(const Saying& in, const BaseFrame& of);
QString remark(const BaseFrame& of);
std::vector<Paragraph> sentence(const Saying& in, const WallPanel& of);
QString remark(const WallPanel& of);
std::vector<Paragraph> sentence(const Saying& in, const SeatBox& of);
QString remark(const SeatBox& of);
std::vector<Paragraph> sentence(const Saying& in, const Platform& of);
QString remark(const Platform& of);
std::vector<Paragraph> sentence(const Saying& in, const Ring& of);
QString remark(const Ring& of);
std::vector<Paragraph> sentence(const Saying& in, const Boards& of);
QString remark(const Boards& of);
std::vector<Paragraph> sentence(const Saying& in, const BoxSet& of);
QString remark(const BoxSet& of);
std::vector<Paragraph> sentence(const Saying& in, const HungShelf& of);
QString remark(const HungShelf& of);

}  // namespace pp
