// A job with its pieces at the bench and the order in which they are put together.
#pragma once

#include <functional>
#include <stdexcept>
#include <string>

#include "core/assembly/order.h"
#include "core/breakdown/breakdown.h"
#include "core/job/ids.h"
#include "tests/core/support.h"

namespace pp::bench {

struct Ordered {
  Job job;
  std::vector<Pieces> pieces;
  std::vector<UnitOrder> units;

  explicit Ordered(Job of) : job(std::move(of)) {
    pieces = piecesAtBench({}, {}, breakDown(job).parts);
    units = assemblyOrder(pieces, job);
  }
  const Part& part(const PieceAt& at) const { return pieces[at.row].part; }

  // "left side", "right side, whole", a line each.
  std::string said(const UnitOrder& unit) const {
    std::string out;
    for (const AssemblyStep& step : unit.steps)
      out += pieces[step.row].part.name + (step.isWhole ? ", whole" : "") +
             (step.poses.size() > 1 ? " x" + std::to_string(step.poses.size()) : "") + "\n";
    return out;
  }
  const UnitOrder& last() const { return units.back(); }
  const UnitOrder& kind(UnitKind wanted) const {
    for (const UnitOrder& unit : units)
      if (unit.kind == wanted) return unit;
    throw std::runtime_error("no such unit");
  }
};

// A case of that job, open inside, 600 wide, 720 high, 560 deep.
inline Job caseWith(const std::function<void(Carcass&)>& change) {
  Carcass carcass = test::metricCarcass().carcass();
  change(carcass);
  Job job = test::jobWith(carcass);
  giveIds(job);
  return job;
}

// Shelves as high apart, their pockets in the lower faces.
inline Job shelved(int openings, Joint joint) {
  return caseWith([&](Carcass& carcass) {
    carcass.joint = joint;
    carcass.back.school = BackSchool::Behind;
    Split split;
    split.by = SplitBy::Shelves;
    split.children.resize(static_cast<std::size_t>(openings));
    split.sizes.resize(split.children.size());
    carcass.inside.content = split;
  });
}

}  // namespace pp::bench
