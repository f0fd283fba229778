#include <iostream>
#include <memory>

#include "cli/commands.h"
#include "core/breakdown/breakdown.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"

namespace pp::cli {
namespace {

struct Options {
  std::string job, parts, stock, banding;
};

int run(const Options& options) {
  const auto text = readFile(options.job);
  if (!text) return refuse(text.problems());
  const auto job = readJob(options.job, text.value());
  if (!job) return refuse(job.problems());
  const Breakdown broken = breakDown(job.value());
  // Half a parts list would be cut as if it were whole.
  Problems troubles;
  for (const Trouble& trouble : broken.troubles) {
    Problem problem = trouble.problem;
    problem.file = options.job;
    problem.field = "assembly " + trouble.assembly + ", " + problem.field;
    troubles.push_back(problem);
  }
  if (!troubles.empty()) return refuse(troubles);
  if (broken.parts.empty())
    return refuse({{options.job, 0, "/assemblies", "no parts", "at least one assembly"}});
  std::vector<FileText> files = {{options.parts, writeParts(job.value(), broken.parts)}};
  if (!options.stock.empty()) files.push_back({options.stock, writeStock(job.value())});
  if (!options.banding.empty()) files.push_back({options.banding, writeBanding(job.value())});
  if (const auto problem = writeFiles(files)) return notWritten(*problem);
  std::cout << broken.parts.size() << " different parts, " << pieceCount(broken.parts)
            << " pieces\n";
  return kComplete;
}

}  // namespace

void addBreakdown(CLI::App& app, int& status) {
  auto options = std::make_shared<Options>();
  CLI::App* command = app.add_subcommand("breakdown", "Break a job down to its parts");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--parts", options->parts, "parts list to write, CSV")->required();
  command->add_option("--stock", options->stock, "the job's stock to write, CSV");
  command->add_option("--banding", options->banding, "the job's banding to write, CSV");
  command->callback([options, &status] { status = run(*options); });
}

}  // namespace pp::cli
