#include <QBuffer>
#include <QGuiApplication>
#include <QImage>
#include <QPainter>
#include <iostream>
#include <memory>

#include "cli/commands.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "pictures/paint/look.h"
#include "pictures/paint/solid_picture.h"

namespace pp::cli {
namespace {

struct Options {
  std::string job, assembly, out;
  double turn = SolidView{}.turn;
  double tilt = SolidView{}.tilt;
  bool apart = false;
  int width = 640;
  int height = 420;
};

int run(const Options& options) {
  const auto text = readFile(options.job);
  if (!text) return refuse(text.problems());
  const auto job = readJob(options.job, text.value());
  if (!job) return refuse(job.problems());
  const Assembly* assembly = findAssembly(job.value(), options.assembly);
  if (assembly == nullptr)
    return refuse({{options.job, 0, "--assembly", "'" + options.assembly + "'",
                    "the code of an assembly of this job"}});
  const Breakdown broken = breakDown(job.value());
  const SolidScene scene = sceneOf(job.value(), *assembly, broken);
  if (scene.empty()) {
    Problems troubles;
    for (const Trouble& trouble : broken.troubles) troubles.push_back(trouble.problem);
    return refuse(troubles);
  }
  qputenv("QT_QPA_PLATFORM", "offscreen");
  int argc = 1;
  char name[] = "plainpatch-cli";
  char* argv[] = {name, nullptr};
  const QGuiApplication application(argc, argv);
  look::loadFonts();
  QImage image(options.width, options.height, QImage::Format_RGB32);
  image.fill(look::kPaper);
  SolidView view;
  view.turn = options.turn;
  view.tilt = options.tilt;
  view.apart = options.apart ? 1 : 0;
  view.codes = options.apart;
  QPainter painter(&image);
  SolidPicture(scene).paint(painter, image.rect(), view);
  painter.end();
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image.save(&buffer, "PNG"))
    return refuse({{options.out, 0, {}, "a picture that cannot be packed", "a PNG"}});
  if (const auto problem =
          writeFile(options.out, {bytes.constData(), static_cast<std::size_t>(bytes.size())}))
    return notWritten(*problem);
  std::cout << scene.bodies.size() << " pieces seen\n";
  return kComplete;
}

}  // namespace

void addPicture(CLI::App& app, int& status) {
  auto options = std::make_shared<Options>();
  CLI::App* command = app.add_subcommand("picture", "Paint an assembly in space, PNG");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--assembly", options->assembly, "its code")->required();
  command->add_option("--out", options->out, "PNG to write")->required();
  command->add_option("--turn", options->turn, "degrees round the upright axis");
  command->add_option("--tilt", options->tilt, "degrees from above");
  command->add_flag("--apart", options->apart, "drawn apart, with codes");
  constexpr int kMostPixels = 4000;
  command->add_option("--width", options->width, "pixels")->check(CLI::Range(100, kMostPixels));
  command->add_option("--height", options->height, "pixels")->check(CLI::Range(100, kMostPixels));
  command->callback([options, &status] { status = run(*options); });
}

}  // namespace pp::cli
