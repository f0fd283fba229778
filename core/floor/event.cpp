#include "core/floor/event.h"

#include "core/plan/hash.h"

namespace pp {

std::string hashOf(const Event& event) {
  Hash out;
  out.add(event.seq);
  out.add(event.time);
  out.add(event.offset);
  out.add(event.kind);
  out.add(event.cutting);
  out.add(event.plan);
  out.add(event.step);
  out.add(event.piece.has_value());
  if (event.piece) {
    out.add(event.piece->code);
    out.add(event.piece->number);
  }
  out.add(event.name);
  out.add(event.length);
  out.add(event.width);
  out.add(event.thickness);
  out.add(event.note);
  return out.text();
}

Event following(const std::vector<Event>& events, Event event) {
  event.seq = events.empty() ? 1 : events.back().seq + 1;
  return event;
}

}  // namespace pp
