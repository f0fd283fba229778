// What a place and a way in begin with before anything was measured.
#pragma once

#include "core/site/route.h"
#include "core/site/site.h"

namespace pp {

// The place becomes one of that kind: a row for every wall and every size to be read. What was read
// already stays, also what this kind has no use for.
void setKind(Site& site, SiteKind kind, Unit unit);

// A gate as such gates usually are, so that only what differs is typed. The name is kept.
void setKind(Gate& gate, GateKind kind);

}  // namespace pp
