// What of a part gets its finish: what is seen, less what is glued.
#pragma once

#include "core/parts/part.h"

namespace pp {

// Of one piece. Nothing of a face that is hidden where it stands.
struct FinishArea {
  Area inside, outside;
  Area edges;  // that are joined to nothing
  // Stays bare for the glue: edges that are joined, floors of dados, rabbets and grooves that take
  // something in.
  Area bare;
  Area all() const { return inside + outside + edges; }
  bool operator==(const FinishArea&) const = default;
};
FinishArea finishArea(const Part& part);
// In whole square centimetres, up.
std::int64_t inCm2(Area area);

// Whether something sits in it, on glue.
bool keepsGlue(const Machining& cut);

}  // namespace pp
