// The openings of a carcass in a job's file, which have a form of their own.
#pragma once

#include "core/formats/json_fields.h"
#include "core/kinds/carcass/opening.h"

namespace pp {

OrderedJson openingJson(const Opening& opening, Unit unit);
// Reads what stands at `pointer`; what is wrong with it is added to `problems`.
void readOpening(const OrderedJson& json, const std::string& pointer, Problems& problems,
                 Opening& out);

// As the field "inside" of a carcass.
inline void insideField(JsonReader& a, Opening& opening) {
  if (const OrderedJson* json = a.get("inside"))
    readOpening(*json, a.pointer() + "/inside", a.problems(), opening);
}
inline void insideField(JsonWriter& a, Opening& opening) {
  a.put("inside", openingJson(opening, a.unit()));
}

}  // namespace pp
