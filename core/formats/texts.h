// Lists of texts that each stand for a value of another type.
#pragma once

#include <algorithm>
#include <array>
#include <optional>
#include <string>
#include <vector>

#include "core/fields/archive.h"

namespace pp {

// `say` makes a text of a value, `parse` gives nothing where it is none. A list that may be left
// out keeps its values then.
template <class T, class Say, class Parse>
void texts(Archive& a, const char* name, std::vector<T>& values, const Say& say, const Parse& parse,
           const char* expected) {
  if (!a.present(name, true)) return;
  std::vector<std::string> words;
  if (!a.reads())
    for (const T& value : values) words.push_back(say(value));
  a(name, words);
  if (!a.reads()) return;
  values.clear();
  for (const std::string& word : words) {
    if (const auto value = parse(word))
      values.push_back(*value);
    else
      a.refuse(name, '"' + word + '"', expected);
  }
}

// As many texts as the array has places.
template <class T, std::size_t N, class Say, class Parse>
void texts(Archive& a, const char* name, std::array<T, N>& values, const Say& say,
           const Parse& parse, const char* expected) {
  std::vector<T> list(values.begin(), values.end());
  texts(a, name, list, say, parse, expected);
  if (list.size() == N)
    std::copy(list.begin(), list.end(), values.begin());
  else
    a.refuse(name, std::to_string(list.size()), std::to_string(N) + " of them");
}

}  // namespace pp
