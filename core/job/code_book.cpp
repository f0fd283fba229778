#include "core/job/code_book.h"

#include <algorithm>
#include <map>
#include <set>

namespace pp {
namespace {

PartNumbers& rowOf(AssemblyCodes& book, const PartKey& key) {
  const auto at =
      std::lower_bound(book.parts.begin(), book.parts.end(), key,
                       [](const PartNumbers& row, const PartKey& k) { return row.part < k; });
  if (at != book.parts.end() && at->part == key) return *at;
  return *book.parts.insert(at, {key, {}});
}

}  // namespace

std::vector<int> numbered(const std::vector<std::vector<PartKey>>& groups, AssemblyCodes& book) {
  std::map<PartKey, const PartNumbers*> known;
  std::map<int, std::size_t> holders;  // of a number, as their present one
  for (const PartNumbers& row : book.parts) {
    if (row.numbers.empty()) continue;
    known.emplace(row.part, &row);
    ++holders[row.numbers.front()];
  }
  // Who claims a number as the one it has: the lowest key first.
  std::map<int, std::map<PartKey, std::size_t>> claims;
  for (std::size_t g = 0; g < groups.size(); ++g)
    for (const PartKey& key : groups[g])
      if (const auto at = known.find(key); at != known.end())
        claims[at->second->numbers.front()].emplace(key, g);
  std::vector<int> out(groups.size(), 0);
  std::set<int> taken;
  for (const auto& [number, keys] : claims)
    for (const auto& [key, g] : keys)
      if (out[g] == 0) {
        out[g] = number;
        taken.insert(number);
        break;
      }
  for (std::size_t g = 0; g < groups.size(); ++g) {
    if (out[g] != 0) continue;
    std::set<int> older;
    for (const PartKey& key : groups[g])
      if (const auto at = known.find(key); at != known.end())
        older.insert(at->second->numbers.begin() + 1, at->second->numbers.end());
    for (const int number : older)
      if (taken.count(number) == 0 && holders.count(number) == 0) {
        out[g] = number;
        break;
      }
    if (out[g] == 0) out[g] = ++book.last;
    taken.insert(out[g]);
  }
  known.clear();  // points into the book, which changes now
  for (std::size_t g = 0; g < groups.size(); ++g)
    for (const PartKey& key : groups[g]) {
      std::vector<int>& numbers = rowOf(book, key).numbers;
      std::erase(numbers, out[g]);
      numbers.insert(numbers.begin(), out[g]);
    }
  return out;
}

}  // namespace pp
