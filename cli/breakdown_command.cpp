#include <iostream>

#include "cli/commands.h"
#include "core/breakdown/breakdown.h"
#include "core/formats/breakdown_lists.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"

namespace pp::cli {
int run(const BreakdownOptions& options) {
  if (const Problems wrong =
          wrongTargets({options.job}, {options.parts, options.stock, options.banding,
                                       options.lumber, options.machining, options.edges,
                                       options.bought, options.hardware, options.finishes});
      !wrong.empty())
    return refuse(wrong);
  const auto text = readFile(options.job);
  if (!text) return refuse(text.problems());
  const auto job = readJob(options.job, text.value());
  if (!job) return refuse(job.problems());
  const Breakdown broken = breakDown(job.value());
  // Half a parts list would be cut as if it were whole.
  if (const Problems troubles = troublesIn(options.job, broken); !troubles.empty())
    return refuse(troubles);
  if (broken.parts.empty())
    return refuse({{options.job, 0, "/assemblies", "no parts", "at least one assembly"}});
  std::vector<FileText> files;
  const auto list = [&files](const std::string& file, const auto& write) {
    if (!file.empty()) files.push_back({file, write()});
  };
  list(options.parts, [&] { return writeParts(job.value(), broken.parts); });
  list(options.stock, [&] { return writeStock(job.value()); });
  list(options.banding, [&] { return writeBanding(job.value()); });
  list(options.lumber, [&] { return writeLumber(job.value(), broken.parts); });
  list(options.machining, [&] { return writeMachining(job.value(), broken.parts); });
  list(options.edges, [&] { return writeEdges(job.value(), broken.parts); });
  list(options.bought, [&] { return writeBought(job.value()); });
  list(options.hardware, [&] { return writeHardware(job.value(), broken.parts); });
  list(options.finishes, [&] { return writeFinishes(job.value(), broken.parts); });
  if (files.empty())
    return refuse({{options.job, 0, {}, "no list to write", "at least one, such as --parts FILE"}});
  if (const auto problem = writeFiles(files)) return notWritten(*problem);
  std::cout << broken.parts.size() << " different parts, " << pieceCount(broken.parts)
            << " pieces\n";
  return kComplete;
}

}  // namespace pp::cli
