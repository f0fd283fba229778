#include "devices/gauge.h"

#include <random>

namespace pp {
namespace {

class Simulated : public Gauge {
 public:
  Simulated(GaugeManner manner, Length about, unsigned seed)
      : manner_(manner), about_(about), random_(seed) {}

  void ask() override { waits_ = manner_ == GaugeManner::Late ? 3 : 0; }

  std::optional<Length> take() override {
    if (!waits_) return std::nullopt;
    if (*waits_ > 0) {
      --*waits_;
      return std::nullopt;
    }
    waits_.reset();
    return manner_ == GaugeManner::Noisy ? about_ + noise() : about_;
  }

 private:
  Length noise() {
    // A hundredth is what such gauges show.
    const std::int64_t hundredths = static_cast<std::int64_t>(random_() % 21) - 10;
    const Length tenth = hundredths * Length::um(10);
    constexpr unsigned kBurrs = 7;
    return ++readings_ % kBurrs == 0 ? tenth + Length::um(900) : tenth;
  }

  GaugeManner manner_;
  Length about_;
  std::minstd_rand random_;
  unsigned readings_ = 0;
  std::optional<int> waits_;
};

}  // namespace

std::unique_ptr<Gauge> simulatedGauge(GaugeManner manner, Length about, unsigned seed) {
  return std::make_unique<Simulated>(manner, about, seed);
}

std::optional<GaugeManner> gaugeManner(const std::string& word) {
  if (word == "steady") return GaugeManner::Steady;
  if (word == "noisy") return GaugeManner::Noisy;
  if (word == "late") return GaugeManner::Late;
  return std::nullopt;
}

}  // namespace pp
