// Independent tasks on a few threads.
#pragma once

#include <functional>
#include <vector>

namespace pp::nest {

// Runs every task once, on at most so many threads, this one among them; returns when all are done.
void runAll(const std::vector<std::function<void()>>& tasks, unsigned threads);

}  // namespace pp::nest
