// Rows of whole numbers in a text, "1 2 3;4 5 6": what there is much of in a file stands so.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace pp {

class RowsWriter {
 public:
  void add(std::int64_t value);
  // Ends the row.
  void end();
  std::string take();

 private:
  std::string out_;
  bool begun_ = false;
};

// Reads them one by one; what is no number, or missing, ends it.
class RowsReader {
 public:
  explicit RowsReader(std::string_view text) : rest_(text) {}
  // Whether there is a row to be read; the one before must have been read to its end.
  bool row();
  // The next number of the row. 0 where there is none, and isWrong() from then on.
  std::int64_t next();
  // The same where it lies from `least` to `most`; else isWrong().
  std::int64_t next(std::int64_t least, std::int64_t most);
  // Whether the row has more.
  bool more() const { return !row_.empty(); }
  bool isWrong() const { return wrong_; }

 private:
  std::string_view rest_, row_;
  bool wrong_ = false;
};

}  // namespace pp
