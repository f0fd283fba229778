// How long the pictures of Draw take to paint anew, at the size they have in a window of 1280 x
// 800.
#include <benchmark/benchmark.h>

#include <QGuiApplication>

#include "measurements/demo_jobs.h"
#include "pictures/paint/elevation_picture.h"
#include "pictures/paint/look.h"
#include "pictures/paint/solid_picture.h"

namespace {

// The whole answer to a change of the drawing: lay out and paint.
void elevation(benchmark::State& state, const char* code) {
  const pp::Job job = pp::bench::logWall(1);
  const pp::Assembly* assembly = pp::findAssembly(job, code);
  QImage image(500, 590, QImage::Format_RGB32);
  for (auto _ : state) {
    const auto layout = pp::layOut(job, *assembly);
    image.fill(pp::look::kPaper);
    QPainter painter(&image);
    pp::ElevationPicture{&job, assembly, &layout.value(), {}, {}}.paint(painter, image.rect());
  }
}
BENCHMARK_CAPTURE(elevation, chart_drawers, "B1")->Unit(benchmark::kMicrosecond);
BENCHMARK_CAPTURE(elevation, cupboard_with_doors, "B2")->Unit(benchmark::kMicrosecond);

void space(benchmark::State& state) {
  const pp::Job job = pp::bench::wideGroup(state.range(0));
  const pp::Breakdown breakdown = pp::breakDown(job);
  const pp::SolidScene scene = pp::sceneOf(job, *pp::findAssembly(job, "G1"), breakdown);
  QImage image(330, 375, QImage::Format_RGB32);
  pp::SolidView view;
  view.apart = state.range(1) == 1 ? 1 : 0;
  view.codes = state.range(1) == 1;
  for (auto _ : state) {
    view.turn += 15;
    image.fill(pp::look::kPaper);
    QPainter painter(&image);
    pp::SolidPicture(scene).paint(painter, image.rect(), view);
  }
  state.counters["pieces"] = static_cast<double>(scene.bodies.size());
}
BENCHMARK(space)->Args({1, 0})->Args({4, 0})->Args({4, 1})->Unit(benchmark::kMicrosecond);

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  const QGuiApplication application(argc, argv);
  pp::look::loadFonts();
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
}
