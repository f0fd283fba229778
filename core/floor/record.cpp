#include "core/floor/record.h"

#include <algorithm>
#include <utility>

#include "core/job/ids.h"

namespace pp {

Problems changedCodes(const Record& record, const Job& job) {
  Problems out;
  for (const ReservedCodes& one : record.codes) {
    if (!one.onPaper || one.assembly == 0) continue;
    const Assembly* assembly = findAssembly(job, one.assembly);
    if (assembly != nullptr && assembly->code != one.code)
      out.push_back({{},
                     0,
                     "code of " + one.code,
                     assembly->code,
                     one.code + ": labels or cuttings carry it; its name can be changed"});
  }
  return out;
}

void reserve(Record& record, const Job& job, CodeExposure exposure) {
  for (const AssemblyCodes& row : job.codes) {
    const Assembly* assembly = row.assembly == 0 ? nullptr : findAssembly(job, row.assembly);
    if (assembly == nullptr && row.assembly != 0) continue;
    const std::string code = assembly == nullptr ? std::string(kLooseCode) : assembly->code;
    const auto known = std::find_if(
        record.codes.begin(), record.codes.end(),
        [&](const ReservedCodes& one) { return one.assembly == row.assembly && one.code == code; });
    ReservedCodes& one = known == record.codes.end()
                             ? record.codes.emplace_back(ReservedCodes{row.assembly, code})
                             : *known;
    one.last = std::max(one.last, row.last);
    one.onPaper = one.onPaper || exposure == CodeExposure::OnPaper;
  }
}

std::vector<Id> onPaper(const Record& record) {
  std::vector<Id> out;
  for (const ReservedCodes& one : record.codes)
    if (one.onPaper && one.assembly != 0) out.push_back(one.assembly);
  return out;
}

bool isFree(const Record& record, const std::string& code) {
  return std::none_of(record.codes.begin(), record.codes.end(),
                      [&code](const ReservedCodes& one) { return one.code == code; });
}

void raise(Job& job, const Record& record) {
  for (std::size_t i = 0; i < job.codes.size(); ++i) {
    const AssemblyCodes& row = std::as_const(job).codes[i];
    int last = row.last;
    for (const ReservedCodes& one : record.codes)
      if (one.assembly == row.assembly) last = std::max(last, one.last);
    if (last != row.last) job.codes[i].last = last;
  }
}

}  // namespace pp
