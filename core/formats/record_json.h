// The record half of a job's file.
#pragma once

#include "core/fields/json_archive.h"
#include "core/floor/record.h"

namespace pp {

OrderedJson recordJson(const Record& record);
// Reads what stands at `pointer`; what is wrong with it is added to `problems`.
Record readRecord(const OrderedJson& json, const std::string& pointer, Problems& problems);

}  // namespace pp
