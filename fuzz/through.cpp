#include "fuzz/through.h"

#include <QGuiApplication>
#include <cstdio>
#include <cstdlib>

#include "core/formats/exchange.h"
#include "core/formats/job_json.h"
#include "core/formats/lists_csv.h"
#include "core/formats/plan_json.h"
#include "core/job/ids.h"
#include "core/nest/nest.h"
#include "core/saw/playback.h"
#include "core/secondlook/plan_look.h"
#include "pictures/paper/print.h"

namespace pp::fuzz {
namespace {

constexpr std::int64_t kFewPieces = 16;  // more are broken down, but take too long to lay out here

std::int64_t piecesOf(const NestRequest& request) {
  std::int64_t out = 0;
  for (const PartDemand& part : request.parts) out += part.quantity;
  return out;
}

// Pages need Qt's painting, but no display; made once, when the first labels are.
void startQt() {
  static int argc = 1;
  static char name[] = "fuzz";
  static char* argv[] = {name, nullptr};
  qputenv("QT_QPA_PLATFORM", "offscreen");
  static const QGuiApplication* const kApplication = new QGuiApplication(argc, argv);
  (void)kApplication;
}

}  // namespace

void must(bool holds, const char* what) {
  if (holds) return;
  std::fprintf(stderr, "not so: %s\n", what);
  std::abort();
}

void through(const NestRequest& request) {
  if (piecesOf(request) > kFewPieces) return;
  nest::NestOptions options;
  options.steps = 20;
  options.costOnly = true;
  options.threads = 1;
  const Plan plan = nest::nest(request, options);
  must(saw::verify(request, plan).empty(), "a plan passes its playback");
  writePlan(request, plan);
}

void through(const Job& given) {
  Job job = given;
  giveIds(job);  // as every edit does
  const std::string written = writeJob(job);
  const auto again = readJob("again", written);
  must(again.ok(), "what is written can be read");
  must(again.value() == job, "it is the same when read again");
  const Breakdown broken = breakDown(job);
  secondLook(job, broken);
  writeParts(job, broken.parts);
  writeStock(job);
  writeBanding(job);
  writeSlides(job.slides);
  if (pieceCount(broken.parts) > kFewPieces) return;
  through(requestOf(job, broken.parts));
  constexpr std::int64_t kFewLabels = 6;
  if (pieceCount(broken.parts) > kFewLabels) return;
  startQt();
  printPages(Pages::Labels, {job, broken.parts}, Paper::A4, QStringLiteral("/dev/null"));
}

}  // namespace pp::fuzz
