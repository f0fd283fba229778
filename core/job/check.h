// What the checks of a job's data share: every check adds a problem whose `field` is a JSON pointer
// into the job's file.
#pragma once

#include <initializer_list>
#include <set>
#include <string>
#include <utility>

#include "core/job/job.h"
#include "core/result/text.h"

namespace pp {

// Below these a spacing is a slip of the hand, and what it divides comes to thousands of pieces.
inline constexpr Length kLeastSpacing = Length::mm(20);
inline constexpr Length kLeastSection = Length::mm(100);

class Check {
 public:
  // The job is kept by reference.
  explicit Check(const Job& job) : job_(job) {}

  void add(const std::string& field, const std::string& found, const std::string& expected);
  void positive(const std::string& field, Length value);
  void notNegative(const std::string& field, Length value);
  void atLeast(const std::string& field, Length value, Length least);
  void within(const std::string& field, std::int64_t value, std::int64_t least, std::int64_t most);
  void within(const std::string& field, Angle value, std::int64_t least,
              std::int64_t most);  // degrees
  void text(const std::string& field, const std::string& value, Lines lines = Lines::One);
  // Not empty, and not in `seen`, where it is put.
  void unique(std::set<std::string>& seen, const std::string& field, const std::string& value);
  void knownMaterial(const std::string& field, const std::string& id);
  void knownBanding(const std::string& field, const std::string& id);  // or empty

  using Named = std::pair<const char*, Length>;
  void allPositive(const std::string& at, std::initializer_list<Named> rows);
  void noneNegative(const std::string& at, std::initializer_list<Named> rows);

  const Job& job() const { return job_; }
  const Problems& problems() const { return problems_; }

 private:
  const Job& job_;
  Problems problems_;
};

}  // namespace pp
