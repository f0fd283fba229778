// What a break-down says beside the parts that are cut from sheets, a list each; docs/formats.md
// has the columns. In the job's unit.
#pragma once

#include <string>
#include <vector>

#include "core/parts/part.h"

namespace pp {

std::string writeLumber(const Job& job, const std::vector<Part>& parts);
// Everything that is cut into the parts, sheet parts and lumber.
std::string writeMachining(const Job& job, const std::vector<Part>& parts);
// The edges that are banded, each with the length it takes.
std::string writeEdges(const Job& job, const std::vector<Part>& parts);
std::string writeBought(const Job& job);
// What holds it together and lets it move: slides in pairs, glue in millilitres.
std::string writeHardware(const Job& job, const std::vector<Part>& parts);
// Square metres, faces and edges.
std::string writeFinishes(const Job& job, const std::vector<Part>& parts);

}  // namespace pp
