// A job whose plan was taken to the saw, for what follows from that.
#pragma once

#include <gtest/gtest.h>

#include "core/breakdown/assign_ids.h"
#include "core/floor/ledger.h"
#include "core/floor/open_parts.h"
#include "core/floor/record.h"
#include "core/formats/job_json.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"

namespace pp::test {

// The trolley of the demo with its plan taken, and events made as the shop makes them.
struct Taken {
  Job job;
  std::vector<Part> drawn;
  Record record;

  explicit Taken(Job of = readJob("trolley", demo("ringing-trolley")).value())
      : job(std::move(of)) {
    EXPECT_TRUE(assignIdsAndCodes(job, 0).ok());
    drawn = breakDown(job).parts;
    take();
  }
  void take() {
    const floor::OpenRequest open =
        floor::openRequest(job, drawn, record.scope, floor::holdingsOf(record.cuttings, now()));
    record.cuttings.push_back(floor::frozen(record, open, nest::nest(open.request, steps(60))));
    note(EventKind::Taken, record.cuttings.back().number);
  }
  Event& note(EventKind kind, int cutting, int plan = 0, int step = 0) {
    Event event;
    event.kind = kind;
    event.cutting = cutting;
    event.plan = plan;
    event.step = step;
    event.time = 1'764'144'062'345 + 1000 * std::ssize(record.events);
    event.offset = 60;
    record.events.push_back(following(record.events, std::move(event)));
    return record.events.back();
  }
  floor::Progress now() const { return floor::progress(record.cuttings, record.events); }
  floor::Ledger ledger() const { return floor::Ledger(record.cuttings, record.events); }
  // What lies at the saw, by its names.
  std::set<std::string> lying(int cutting = 1) const {
    std::set<std::string> out;
    const floor::Ledger at = ledger();
    for (const SawnPiece& piece : at.now().cuttings.at(cutting).bench)
      EXPECT_TRUE(out.insert(at.nameOf(cutting, piece)).second) << at.nameOf(cutting, piece);
    return out;
  }
  const CuttingPlan& plan(int cutting = 1) const {
    return record.cuttings[static_cast<std::size_t>(cutting - 1)].plans.back();
  }
  int cuts() const { return static_cast<int>(plan().plan.cuts.size()); }
  void cutAll() {
    for (int step = 1; step <= cuts(); ++step) note(EventKind::CutMade, 1, 1, step);
  }
  floor::OpenRequest open() const {
    return floor::openRequest(job, drawn, record.scope, floor::holdingsOf(record.cuttings, now()));
  }
  std::string ignored() const { return now().ignored.empty() ? "" : now().ignored.back().why; }
};

}  // namespace pp::test
