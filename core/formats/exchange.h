// The exchange tables: parts, stock and banding lists in CSV, read into a nesting request; and the
// break-down written as such tables. docs/formats.md describes every column.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/plan/request.h"

namespace pp {

struct ExchangeText {
  std::string file;  // name used in problems
  std::string content;
};

struct ExchangeInput {
  ExchangeText parts;
  ExchangeText stock;
  std::optional<ExchangeText> banding;
  std::optional<Unit> unit;  // of numbers without one, where the file does not say
  Length trim;               // of sheets without a trim of their own
};

// Parts at cut size and stock, checked against each other. Kerf, goal and the keepable size are
// left at their defaults. Refused whole, with every fault of the first file that has any (at most
// 50).
Result<NestRequest> readExchange(const ExchangeInput& input);

// The tables of a job that has been broken down, in millimetres, readable by readExchange.
std::string writeParts(const Job& job, const std::vector<Part>& parts);
std::string writeStock(const Job& job);
std::string writeBanding(const Job& job);

}  // namespace pp
