// A plan is taken to the saw, or a cutting goes on by another: what the record is then, and what
// has happened. The record is saved first; without its event the plan is none.
#pragma once

#include "core/floor/ledger.h"
#include "core/floor/open_parts.h"

namespace pp::floor {

struct Taken {
  Record record;
  std::vector<Event> events;  // to be noted once the record is saved; the last is that it is taken
};

// A complete plan of the request as a cutting of its own. The next plan is of the rest.
Taken taken(Record record, const Job& job, const OpenRequest& open, Plan plan);

// A cutting under way goes on by that plan, after what has happened.
Result<Taken> goneOn(Record record, const Progress& progress, int cutting,
                     std::vector<Event> happened, CuttingPlan plan);

// What a file is to have: cuttings that were saved and never taken are not there, and the number of
// the last may be given again.
void dropNeverTaken(Record& record, const Progress& progress);

}  // namespace pp::floor
