#include <fmt/format.h>

#include <algorithm>
#include <iostream>

#include "cli/commands.h"
#include "core/fields/json_archive.h"
#include "core/floor/ledger.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/secondlook/floor_look.h"

namespace pp::cli {
namespace {

const char* severityWord(Severity severity) {
  switch (severity) {
    case Severity::Stop:
      return "stop";
    case Severity::Mind:
      return "mind";
    case Severity::Tip:
      break;
  }
  return "tip";
}

struct Row {
  std::string severity, assembly, part, what, why, fix;
};
void fields(Archive& a, Row& v) {
  a("severity", v.severity);
  a("assembly", v.assembly);
  a("part", v.part);
  a("what", v.what);
  a("why", v.why);
  a("fix", v.fix);
}

std::string asJson(const std::vector<Finding>& findings) {
  std::vector<Row> rows;
  for (const Finding& one : findings)
    rows.push_back({severityWord(one.severity), one.place.assembly, one.place.part, one.what,
                    one.why, one.fix ? one.fix->what : std::string()});
  return listText(rows, true);
}

}  // namespace

int run(const LookOptions& options) {
  const auto text = readFile(options.job);
  if (!text) return refuse(text.problems());
  const auto read = readJobWithRecord(options.job, text.value());
  if (!read) return refuse(read.problems());
  const Job& job = read->job;
  const Breakdown breakdown = breakDown(job);
  std::vector<Finding> findings = secondLook(job, breakdown);
  const floor::Progress progress = floor::progress(read->record.cuttings, read->record.events);
  for (Finding& one : lookAtFloor(job, breakdown.parts, read->record.cuttings, progress))
    findings.push_back(std::move(one));
  std::stable_sort(findings.begin(), findings.end(),
                   [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
  if (options.json)
    std::cout << asJson(findings);
  else
    for (const Finding& one : findings)
      std::cout << fmt::format("{}: {}\n      {}\n", severityWord(one.severity), one.what, one.why);
  return !findings.empty() && findings.front().severity == Severity::Stop ? kStopFound : kComplete;
}

}  // namespace pp::cli
