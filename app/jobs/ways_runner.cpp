#include "app/jobs/ways_runner.h"

#include <QMetaObject>
#include <exception>
#include <utility>

#include "core/result/text.h"

namespace pp {

WaysRunner::~WaysRunner() {
  stop();
}

void WaysRunner::stop() {
  ++generation_;
  running_ = false;
  thread_.request_stop();
  if (thread_.joinable()) thread_.join();
}

void WaysRunner::start(floor::WayFrom from, double secondsEach) {
  stop();
  running_ = true;
  // The thread is joined before this object goes; what it posts is dropped by its generation.
  const auto post = [this, generation = generation_](auto act) {
    QMetaObject::invokeMethod(
        this,
        [this, generation, act] {
          if (generation == generation_) act();
        },
        Qt::QueuedConnection);
  };
  thread_ = std::jthread([this, post, from = std::move(from),
                          secondsEach](const std::stop_token& stop) {
    try {
      nest::NestOptions options;
      options.seconds = secondsEach;
      for (const nest::Disturb disturb :
           {nest::Disturb::Nothing, nest::Disturb::OnePiece, nest::Disturb::Freely}) {
        auto way = floor::wayOn(from, disturb, options, stop);
        if (!way) return;
        post([this, way = std::move(*way)] { emit found(way); });
      }
    } catch (const std::exception& error) {
      post([this, why = QString::fromStdString(shown(error.what(), 300))] { emit failed(why); });
    }
    post([this] {
      running_ = false;
      emit finished();
    });
  });
}

}  // namespace pp
