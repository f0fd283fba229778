#include "core/secondlook/store_look.h"

#include <fmt/format.h>

#include <algorithm>

namespace pp {

std::vector<Finding> lookAtStore(const Job& job, const StoreState& state) {
  const std::vector<std::string> lines = differences(job, state);
  if (lines.empty()) return {};
  Finding out;
  out.severity = Severity::Mind;
  out.what =
      lines.size() == 1
          ? "The shop's rack is not as this job has it"
          : fmt::format("{} rows of the shop's rack are not as this job has them", lines.size());
  constexpr std::size_t kShown = 3;
  for (std::size_t i = 0; i < std::min(kShown, lines.size()); ++i)
    out.why += (i == 0 ? "" : "; ") + lines[i];
  out.why += lines.size() > kShown ? fmt::format("; and {} more.", lines.size() - kShown) : ".";
  out.fix = Fix{"Take over what the rack has", [state](Job& fixed) { takeOver(fixed, state); }};
  return {out};
}

}  // namespace pp
