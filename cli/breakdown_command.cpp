#include <iostream>
#include <memory>

#include "cli/commands.h"
#include "core/breakdown/breakdown.h"
#include "core/formats/breakdown_lists.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"

namespace pp::cli {
namespace {

struct Options {
  std::string job, parts, stock, banding, lumber, machining, edges, bought, hardware, finishes;
};

int run(const Options& options) {
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
  list(options.finishes, [&] { return writeFinishes(broken.parts); });
  if (files.empty())
    return refuse({{options.job, 0, {}, "no list to write", "at least one, such as --parts FILE"}});
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
  command->add_option("--parts", options->parts, "parts cut from sheets, CSV to write");
  command->add_option("--stock", options->stock, "the job's stock to write, CSV");
  command->add_option("--banding", options->banding, "the job's banding to write, CSV");
  command->add_option("--lumber", options->lumber, "parts cut from bars, CSV to write");
  command->add_option("--machining", options->machining,
                      "what is cut into the parts, CSV to write");
  command->add_option("--edges", options->edges, "the edges that are banded, CSV to write");
  command->add_option("--bought", options->bought, "what is bought ready, CSV to write");
  command->add_option("--hardware", options->hardware,
                      "slides, hinges, screws and glue, counted, CSV to write");
  command->add_option("--finishes", options->finishes, "areas by finish, CSV to write");
  command->callback([options, &status] { status = run(*options); });
}

}  // namespace pp::cli
