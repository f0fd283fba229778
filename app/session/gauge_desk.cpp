#include "app/session/gauge_desk.h"

#include <utility>

namespace pp {
namespace {

constexpr int kBetweenGaugeLooks = 30;  // ms
constexpr int kMostLooks = 100;         // three seconds

}  // namespace

GaugeDesk::GaugeDesk(QObject* parent) : QObject(parent) {
  timer_.setInterval(kBetweenGaugeLooks);
  connect(&timer_, &QTimer::timeout, this, &GaugeDesk::look);
}

void GaugeDesk::plug(std::unique_ptr<Gauge> gauge) {
  timer_.stop();
  gauge_ = std::move(gauge);
}

void GaugeDesk::ask() {
  if (!gauge_) return;
  gauge_->ask();
  looks_ = kMostLooks;
  timer_.start();
}

void GaugeDesk::look() {
  const auto reading = gauge_->take();
  if (!reading && --looks_ > 0) return;
  timer_.stop();
  if (reading)
    emit read(*reading);
  else
    emit silent();
}

}  // namespace pp
