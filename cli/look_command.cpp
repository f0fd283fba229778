#include <fmt/format.h>

#include <algorithm>
#include <iostream>
#include <nlohmann/json.hpp>

#include "cli/commands.h"
#include "core/fields/json_archive.h"
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

std::string asJson(const std::vector<Finding>& findings) {
  OrderedJson out = OrderedJson::array();
  for (const Finding& one : findings)
    out.push_back({{"severity", severityWord(one.severity)},
                   {"assembly", one.place.assembly},
                   {"part", one.place.part},
                   {"what", one.what},
                   {"why", one.why},
                   {"fix", one.fix ? one.fix->what : std::string()}});
  return out.dump(1) + "\n";
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
