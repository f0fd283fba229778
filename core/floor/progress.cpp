#include "core/floor/progress.h"

#include <limits>

namespace pp::floor {

const std::set<int>& CuttingProgress::madeOf(int which) const {
  static const std::set<int> kNone;
  return which >= 1 && which <= static_cast<int>(made.size())
             ? made[static_cast<std::size_t>(which - 1)]
             : kNone;
}

bool Progress::isUnderWay(int cutting) const {
  const auto at = cuttings.find(cutting);
  return at != cuttings.end() && !at->second.givenUp;
}

std::int64_t Progress::good(const std::string& code) const {
  std::int64_t out = 0;
  for (auto at = pieces.lower_bound({code, std::numeric_limits<std::int64_t>::min()});
       at != pieces.end() && at->first.code == code; ++at)
    out += at->second.spoiled ? 0 : 1;
  return out;
}

}  // namespace pp::floor
