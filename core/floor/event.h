// What happened in the shop, one thing at a time, in the order in which it was noted. Nothing that
// was noted is changed; what is taken back is noted too.
#pragma once

#include "core/floor/cutting.h"

namespace pp {

enum class EventKind {
  Taken,           // the cutting begins with its first plan
  GivenUp,         // what is not cut yet is not cut any more
  PlanTaken,       // `plan` goes on from what is there
  PlanTakenBack,   // before any of its cuts
  CutMade,         // `step` of the plan; `plan` 0: of the cuts of bars
  CutTakenBack,    // while what it left is not cut further
  PartSpoiled,     // `piece`
  CameOutAt,       // `piece`, `length` by `width` as measured
  Spare,           // `piece`, one more than the plan has; `step`: cut at that cut's setting
  SpareTakenBack,  // `piece`
  SheetMeasured,   // `name`, a sheet of the plan, `length` by `width` by `thickness`
  Machined,        // `piece`, `name` says what
  Banded,          // `piece`, `name` says which edge
  CoatGiven,       // `piece`, `name` says of what
  StepAssembled,   // `piece` was put in its place; `name` says alone or with what it is part of
  WentWrong,       // `note`, and what it is about
  PieceReturned,   // `name`, a leftover that went to the rack
  ClockStarted,    // `name` says on what
  ClockStopped,
  MishapNoted,   // `note`
  LabelPrinted,  // of `piece`, or of the leftover `name` of the cutting; `step`: which of its
                 // labels
  LabelWanted,   // one more of the same
  DoneTakenBack  // at the bench: what was done to `piece`, by its `name`
};

struct Event {
  std::int64_t seq = 0;   // 1, 2, 3 ... in the job
  std::int64_t time = 0;  // milliseconds since 1970, UTC
  int offset = 0;         // minutes of the shop's own time east of that
  EventKind kind = EventKind::MishapNoted;
  int cutting = 0;  // its number
  int plan = 0;     // of the cutting, 1-based
  int step = 0;
  std::optional<PieceId> piece;
  std::string name;
  Length length, width, thickness;
  std::string note;
  bool operator==(const Event&) const = default;
};

// Of everything in the event, as sixteen hexadecimal digits (FNV-1a, 64 bits).
std::string hashOf(const Event& event);

// `event` as the next of them: with the seq after the last.
Event following(const std::vector<Event>& events, Event event);

}  // namespace pp
