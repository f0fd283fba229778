// The half of a job's file that is never undone: what was given away for good and what was settled.
// The design is the other half.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/plan/plan.h"

namespace pp {

// Codes of an assembly that a saved file or a page has carried: they are never given to another.
struct ReservedCodes {
  Id assembly = 0;   // 0: what is loose
  std::string code;  // of the assembly, as it was carried
  int last = 0;      // the highest number
  bool operator==(const ReservedCodes&) const = default;
};

// A plan that was looked at, for the request whose fingerprint is `nested`.
struct KeptPlan {
  std::string nested;
  Plan plan;
};

struct Record {
  std::vector<ReservedCodes> codes;
  std::optional<KeptPlan> plan;
};

// Everything in the request that has a say in how it is nested, as sixteen hexadecimal digits: cut
// sizes, stock, saws, goal and pins, but no code and no mark. The same for equal requests, on any
// machine (FNV-1a, 64 bits).
std::string fingerprint(const NestRequest& request);

// Reserves all that the job's code book has given.
void reserve(Record& record, const Job& job);
// Raises the job's book so that nothing reserved is given again.
void raise(Job& job, const Record& record);

}  // namespace pp
