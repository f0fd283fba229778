// Sets that grow together, each known by one of its own.
#pragma once

#include <cstddef>
#include <numeric>
#include <vector>

namespace pp {

class Sets {
 public:
  explicit Sets(std::size_t count) : root_(count) {
    std::iota(root_.begin(), root_.end(), std::size_t{0});
  }
  std::size_t find(std::size_t i) {
    while (root_[i] != i) i = root_[i] = root_[root_[i]];
    return i;
  }
  void join(std::size_t a, std::size_t b) { root_[find(a)] = find(b); }

 private:
  std::vector<std::size_t> root_;
};

}  // namespace pp
