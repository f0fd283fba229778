// Texts of JSON and the trees they are.
#pragma once

#include <nlohmann/json_fwd.hpp>
#include <string>
#include <string_view>

#include "core/result/result.h"

namespace pp {

using OrderedJson = nlohmann::ordered_json;

// The tree of a text. Refused while it is read, with the file, the line and what it stands in: what
// is no JSON, a field that stands twice in one object, numbers out of range, what is nested deeper
// than 200 levels, and more than two million values, which no file of ours has.
Result<OrderedJson> parseJson(const std::string& file, std::string_view text);

// A line a field. Of the field `dense`, which has lists of many rows four levels down, a line a
// row.
std::string linesOf(const OrderedJson& json, const char* dense = nullptr);

}  // namespace pp
