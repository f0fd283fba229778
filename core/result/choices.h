// The words that stand for the values of an enum in a file, for reading and writing.
#pragma once

#include <cstddef>
#include <span>

namespace pp {

template <class T>
struct Choice {
  const char* word;
  T value;
};

// Of an array that outlives it.
template <class T>
using Choices = std::span<const Choice<T>>;

}  // namespace pp
