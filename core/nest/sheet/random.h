// A small, fast generator whose numbers are the same on every machine (Steele, Lea & Flood 2014,
// splitmix64).
#pragma once

#include <cstdint>

namespace pp::nest {

class Random {
 public:
  explicit Random(std::uint64_t seed) : state_(seed) {}
  std::uint64_t next() {
    state_ += 0x9E3779B97F4A7C15ULL;
    std::uint64_t z = state_;
    z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9ULL;
    z = (z ^ (z >> 27)) * 0x94D049BB133111EBULL;
    return z ^ (z >> 31);
  }
  // 0 <= result < limit. Precondition: limit > 0.
  std::size_t below(std::size_t limit) { return static_cast<std::size_t>(next() % limit); }

 private:
  std::uint64_t state_;
};

}  // namespace pp::nest
