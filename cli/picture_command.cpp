#include <QBuffer>
#include <QGuiApplication>
#include <QImage>
#include <QPainter>
#include <iostream>

#include "cli/commands.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "pictures/paint/look.h"
#include "pictures/paint/solid_picture.h"

namespace pp::cli {
int run(const PictureOptions& options) {
  if (const Problems wrong = wrongTargets({options.job}, {options.out}); !wrong.empty())
    return refuse(wrong);
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
  view.turn = options.turn.value_or(view.turn);
  view.tilt = options.tilt.value_or(view.tilt);
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

}  // namespace pp::cli
