#include "core/formats/whole_rows.h"

#include <fmt/format.h>

#include <charconv>
#include <iterator>
#include <utility>

namespace pp {

void RowsWriter::add(std::int64_t value) {
  if (begun_) out_ += ' ';
  begun_ = true;
  fmt::format_to(std::back_inserter(out_), "{}", value);
}

void RowsWriter::end() {
  out_ += ';';
  begun_ = false;
}

std::string RowsWriter::take() {
  if (out_.ends_with(';')) out_.pop_back();
  return std::exchange(out_, {});
}

bool RowsReader::row() {
  wrong_ = wrong_ || more();
  if (wrong_ || rest_.empty()) return false;
  const std::size_t end = std::min(rest_.find(';'), rest_.size());
  row_ = rest_.substr(0, end);
  rest_.remove_prefix(std::min(end + 1, rest_.size()));
  return true;
}

std::int64_t RowsReader::next() {
  std::int64_t out = 0;
  const auto [end, error] = std::from_chars(row_.data(), row_.data() + row_.size(), out);
  const auto length = static_cast<std::size_t>(end - row_.data());
  const bool ends = length == row_.size();
  if (wrong_ || error != std::errc() || (!ends && row_[length] != ' ') ||
      (!ends && length + 1 == row_.size())) {
    wrong_ = true;
    return 0;
  }
  row_.remove_prefix(ends ? length : length + 1);
  return out;
}

std::int64_t RowsReader::next(std::int64_t least, std::int64_t most) {
  const std::int64_t out = next();
  wrong_ = wrong_ || out < least || out > most;
  return wrong_ ? 0 : out;
}

}  // namespace pp
