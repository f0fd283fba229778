#include <cmath>
#include <iostream>

#include "cli/commands.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/plan_json.h"
#include "core/length/parse.h"
#include "core/nest/nest.h"

namespace pp::cli {
namespace {

Result<Length> lengthOption(const char* name, const std::string& text, std::optional<Unit> unit) {
  auto value = parseLength(text, unit);
  if (value) return value;
  Problem problem = value.problems().front();
  problem.field = name;
  return problem;
}

Result<NestRequest> request(const NestOptions& options) {
  ExchangeInput input;
  if (options.unit == "in") input.unit = Unit::Inch;
  if (options.unit == "mm") input.unit = Unit::Millimetre;
  const auto kerf = lengthOption("--kerf", options.kerf, input.unit);
  if (!kerf) return kerf.problems();
  const auto trim = lengthOption("--trim", options.trim, input.unit);
  if (!trim) return trim.problems();
  input.trim = trim.value();
  input.parts.file = options.parts;
  input.stock.file = options.stock;
  if (!options.banding.empty()) input.banding = ExchangeText{options.banding, ""};
  for (ExchangeText* text :
       {&input.parts, &input.stock, input.banding ? &*input.banding : nullptr}) {
    if (text == nullptr) continue;
    auto content = readFile(text->file);
    if (!content) return content.problems();
    text->content = std::move(content).value();
  }
  auto out = readExchange(input);
  if (!out) return out;
  out.value().kerf = kerf.value();
  out.value().goal = options.goal == "setups"    ? Goal::Setups
                     : options.goal == "offcuts" ? Goal::Offcuts
                                                 : Goal::Cost;
  return out;
}

}  // namespace

int run(const NestOptions& options) {
  if (!std::isfinite(options.seconds) || options.seconds < 0 || options.seconds > 1e6)
    return refuse(
        {{"", 0, "--seconds", std::to_string(options.seconds), "seconds from 0 to 1000000"}});
  if (const Problems wrong =
          wrongTargets({options.parts, options.stock, options.banding}, {options.out});
      !wrong.empty())
    return refuse(wrong);
  const auto input = request(options);
  if (!input) return refuse(input.problems());
  nest::NestOptions nesting;
  nesting.seconds = options.seconds;
  nesting.seed = options.seed;
  if (options.steps >= 0) nesting.steps = options.steps;
  const Plan plan = nest::nest(input.value(), nesting);
  const std::string json = writePlan(input.value(), plan);
  if (options.out.empty())
    std::cout << json;
  else if (const auto problem = writeFile(options.out, json))
    return notWritten(*problem);
  for (const Unplaced& unplaced : plan.unplaced) {
    constexpr std::size_t kLine = 200;
    std::cerr << shown(input->parts[unplaced.part].code + ": " + std::to_string(unplaced.count) +
                           " not placed: " + unplaced.reason,
                       kLine)
              << "\n";
  }
  return plan.complete() ? kComplete : kPartial;
}

}  // namespace pp::cli
