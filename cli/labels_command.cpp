#include <QGuiApplication>
#include <iostream>
#include <memory>

#include "cli/commands.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "pictures/paper/print.h"

namespace pp::cli {
namespace {

struct Options {
  std::string job, out, paper;
  int columns = 0;
  int rows = 0;
};

int run(const Options& options) {
  const auto text = readFile(options.job);
  if (!text) return refuse(text.problems());
  auto job = readJob(options.job, text.value());
  if (!job) return refuse(job.problems());
  LabelSheet& labels = job.value().labels;
  if (!options.paper.empty()) labels.letter = options.paper == "letter";
  if (options.columns > 0) labels.columns = options.columns;
  if (options.rows > 0) labels.rows = options.rows;
  const Breakdown broken = breakDown(job.value());
  if (const Problems troubles = troublesIn(options.job, broken); !troubles.empty())
    return refuse(troubles);
  // Fonts and pages need Qt's painting, but no display.
  qputenv("QT_QPA_PLATFORM", "offscreen");
  int argc = 1;
  char name[] = "plainpatch-cli";
  char* argv[] = {name, nullptr};
  const QGuiApplication application(argc, argv);
  if (const auto problem = printPages(Pages::Labels, {job.value(), broken.parts}, Paper::A4,
                                      QString::fromStdString(options.out)))
    return notWritten(*problem);
  std::cout << pieceCount(broken.parts) << " labels\n";
  return kComplete;
}

}  // namespace

void addLabels(CLI::App& app, int& status) {
  auto options = std::make_shared<Options>();
  CLI::App* command = app.add_subcommand("labels", "Print a label for every piece of a job, PDF");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--out", options->out, "PDF to write")->required();
  command->add_option("--paper", options->paper, "a4 or letter; the job's if not given")
      ->check(CLI::IsMember({"a4", "letter"}));
  command->add_option("--columns", options->columns, "labels across a sheet")
      ->check(CLI::Range(1, 10));
  command->add_option("--rows", options->rows, "labels down a sheet")->check(CLI::Range(1, 30));
  command->callback([options, &status] { status = run(*options); });
}

}  // namespace pp::cli
