// The openings of a carcass in a job's file, which have a form of their own.
#pragma once

#include "core/formats/json_fields.h"
#include "core/job/opening.h"

namespace pp {

OrderedJson openingJson(const Opening& opening, Unit unit);
// Reads what stands at `pointer`; what is wrong with it is added to `problems`.
void readOpening(const OrderedJson& json, const std::string& pointer, Problems& problems,
                 Opening& out);

}  // namespace pp
