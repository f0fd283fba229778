// Rows in the order of one of their columns.
#pragma once

#include <QCollator>
#include <algorithm>
#include <optional>
#include <vector>

namespace pp {

// By what `value` says of a row, or by its words where that is nothing, numbers in them as numbers.
// Rows that are equal stay as they are.
template <class Row, class Value, class Words>
void sortRows(std::vector<Row>& rows, Qt::SortOrder direction, const Value& value,
              const Words& words) {
  QCollator collator;
  collator.setNumericMode(true);
  const auto before = [&](const Row& a, const Row& b) {
    const std::optional<double> known = value(a);
    return known ? *known < *value(b) : collator.compare(words(a), words(b)) < 0;
  };
  std::stable_sort(rows.begin(), rows.end(), [&](const Row& a, const Row& b) {
    return direction == Qt::AscendingOrder ? before(a, b) : before(b, a);
  });
}

}  // namespace pp
