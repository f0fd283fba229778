// Parts whose figure runs on from one into the next, as the maker has chosen: cut from one strip,
// in order.
#pragma once

#include <map>

#include "core/breakdown/breakdown.h"

namespace pp {

class Figure {
 public:
  explicit Figure(const Job& job);

  bool empty() const { return steps_.empty(); }
  // Says of the parts of one assembly which run they are in, and where.
  void mark(std::vector<Part>& parts) const;
  // What cannot run on into one another, among all parts of the job: of another material, several
  // pieces, more than one going on from the same, or round in a ring.
  std::vector<Trouble> troubles(const std::vector<Part>& parts) const;

 private:
  struct Step {
    PartKey from;   // the part before
    PartKey head;   // the first of the run
    int order = 2;  // in it
    bool ring = false;
  };
  std::map<PartKey, Step> steps_;
  std::map<PartKey, int> followers_;  // of each part that has any
};

// Notes on every part of a run which of how many it is and where its figure runs on to: "2 of 3 in
// a run, on to B1-07". For parts that have their codes.
void noteRuns(std::vector<Part>& parts);

}  // namespace pp
