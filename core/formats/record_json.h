// The record half of a job's file.
#pragma once

#include "core/floor/record.h"

namespace pp {

class Archive;

// A plan that is nested deeper than a reader goes is left out.
void fields(Archive& a, Record& v);
// What is wrong with a record that was read, which stands at `pointer`.
void check(Record& record, const std::string& pointer, Problems& problems);

}  // namespace pp
