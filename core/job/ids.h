// Gives the things of a job their ids.
#pragma once

#include "core/job/job.h"

namespace pp {

// Everything that has no id yet gets one: assemblies, openings, drawers, boards, slides, saws,
// obstacles of the place and rows of stock. job.lastId counts on, so an id that was given is not
// given again.
void giveIds(Job& job);

// The assembly as a new thing, to be put beside the one it was made from.
Assembly withoutIds(Assembly assembly);

// Puts a copy of an assembly, of that job or another, after all others, under that code and with
// ids of its own; with what of `choices` is for its parts.
void addCopy(Job& job, const Assembly& original, const std::vector<PartOverride>& choices,
             const std::string& code);

// Null where the job has none of that id.
const Assembly* findAssembly(const Job& job, Id id);
const StockPiece* findStock(const Job& job, Id id);

// The id of the first opening inside, which is what panels before `opening` and doors over it are
// known by: it stays the same however the opening is divided further.
Id firstOpening(const Opening& opening);

// Every id that was given to something the job has, sorted.
std::vector<Id> allIds(const Job& job);

// What is wrong with the ids of a job, worded as validate() does: given twice, or above lastId.
Problems idProblems(const Job& job);

}  // namespace pp
