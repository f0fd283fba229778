// A thickness gauge or caliper that sends what it reads, and one that stands in for it.
#pragma once

#include <memory>
#include <optional>
#include <string>

#include "core/length/length.h"

namespace pp {

class Gauge {
 public:
  virtual ~Gauge() = default;
  // It is asked for a reading; what was asked for before and has not come is forgotten.
  virtual void ask() = 0;
  // The reading that was asked for, once it is there; each comes once.
  virtual std::optional<Length> take() = 0;
};

enum class GaugeManner {
  Steady,  // always the same
  Noisy,   // a tenth of a millimetre off this way or that, now and then on a burr
  Late     // only the fourth time it is looked for
};

// Reads sheets of about that thickness. The same seed gives the same readings.
std::unique_ptr<Gauge> simulatedGauge(GaugeManner manner, Length about, unsigned seed);
// "steady", "noisy", "late"; none where it is no such word.
std::optional<GaugeManner> gaugeManner(const std::string& word);

}  // namespace pp
