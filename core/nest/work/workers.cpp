#include "core/nest/work/workers.h"

#include <algorithm>
#include <atomic>
#include <thread>

namespace pp::nest {

void runAll(const std::vector<std::function<void()>>& tasks, unsigned threads) {
  std::atomic<std::size_t> next = 0;
  const auto work = [&] {
    for (std::size_t i = next++; i < tasks.size(); i = next++) tasks[i]();
  };
  std::vector<std::jthread> helpers;
  for (unsigned t = 1; t < threads && t < tasks.size(); ++t) helpers.emplace_back(work);
  work();
}

}  // namespace pp::nest
