// The words that stand for the values of an enum in a file, for reading and writing.
#pragma once

#include <utility>
#include <vector>

namespace pp {

template <class T>
using Choices = std::vector<std::pair<const char*, T>>;

}  // namespace pp
