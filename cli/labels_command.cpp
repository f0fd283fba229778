#include <QGuiApplication>
#include <iostream>

#include "cli/commands.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "pictures/paper/print.h"

namespace pp::cli {
int run(const LabelsOptions& options) {
  if (const Problems wrong = wrongTargets({options.job}, {options.out}); !wrong.empty())
    return refuse(wrong);
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

}  // namespace pp::cli
