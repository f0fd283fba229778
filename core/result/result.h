// Expected failures as values: a Result is either a value or the list of problems that kept it from
// being made. Nothing here throws; exceptions are left for broken invariants.
#pragma once

#include <cstddef>
#include <stdexcept>
#include <string>
#include <utility>
#include <variant>
#include <vector>

namespace pp {

// One thing that is wrong with an input: where it is, what stands there and what should.
struct Problem {
  std::string file;  // name of the file, empty until a reader that knows it fills it in
  std::size_t line =
      0;  // physical line (1-based) on which the record begins, 0 where lines mean nothing
  std::string field;     // column, JSON pointer, option or the name of the value
  std::string found;     // what stands there, shortened to be readable
  std::string expected;  // what would have been accepted
};

using Problems = std::vector<Problem>;

// One sentence for a problem: "parts.csv, line 3, width: found '12,5', expected a length ...".
std::string describe(const Problem& problem);

// All problems, one a line, at most `limit` bytes: the last line then says how many are left out.
std::string describe(const Problems& problems, std::size_t limit = 4000);

// Makes foreign text safe to show: control bytes and broken UTF-8 are replaced, long text is cut.
std::string shown(const std::string& text, std::size_t limit = 80);

template <class T>
class Result {
 public:
  Result(T value) : state_(std::move(value)) {}                      // NOLINT: meant to be implicit
  Result(Problem problem) : state_(Problems{std::move(problem)}) {}  // NOLINT: meant to be implicit
  Result(Problems problems) : state_(std::move(problems)) {          // NOLINT: meant to be implicit
    if (std::get<Problems>(state_).empty()) throw std::logic_error("a failure needs a problem");
  }

  bool ok() const { return std::holds_alternative<T>(state_); }
  explicit operator bool() const { return ok(); }

  // Precondition: ok().
  const T& value() const& { return std::get<T>(state_); }
  T& value() & { return std::get<T>(state_); }
  T&& value() && { return std::get<T>(std::move(state_)); }
  const T& operator*() const& { return value(); }
  const T* operator->() const { return &value(); }

  // Precondition: !ok(). Never empty.
  const Problems& problems() const { return std::get<Problems>(state_); }

 private:
  std::variant<T, Problems> state_;
};

}  // namespace pp
