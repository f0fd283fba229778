// The half of a job's file that is never undone: what was given away for good, what was settled and
// what happened. The design is the other half.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/floor/cutting.h"
#include "core/floor/event.h"
#include "core/saw/kept_plan.h"

namespace pp {

// Codes of an assembly that a saved file or a page has carried: they are never given to another.
struct ReservedCodes {
  Id assembly = 0;       // 0: what is loose
  std::string code;      // of the assembly, as it was carried
  int last = 0;          // the highest number
  bool onPaper = false;  // a page, label or cutting has it, not only the file
  bool operator==(const ReservedCodes&) const = default;
};

struct Record {
  std::vector<ReservedCodes> codes;
  Scope scope;  // what Lay out plans
  std::optional<KeptPlan> plan;
  std::vector<Cutting> cuttings;  // numbered 1, 2, 3 ...
  std::vector<Event> events;      // by seq
};

// Where codes are seen by others than the program.
enum class CodeExposure { InTheFile, OnPaper };
// Reserves all that the job's code book has given.
void reserve(Record& record, const Job& job, CodeExposure exposure = CodeExposure::InTheFile);
// The codes of assemblies that a page, label or cutting has, where the job would change them.
Problems changedCodes(const Record& record, const Job& job);
// Raises the job's book so that nothing reserved is given again.
void raise(Job& job, const Record& record);
// The assemblies whose code a page, label or cutting carries.
std::vector<Id> onPaper(const Record& record);
// Whether an assembly that is begun now may have that code.
bool isFree(const Record& record, const std::string& code);

}  // namespace pp
