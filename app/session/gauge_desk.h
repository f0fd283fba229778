// The gauge or caliper that is plugged in: asked by a key, its reading told as soon as it comes.
#pragma once

#include <QObject>
#include <QTimer>

#include "devices/gauge.h"

namespace pp {

class GaugeDesk : public QObject {
  Q_OBJECT
 public:
  explicit GaugeDesk(QObject* parent = nullptr);

  // Null: none is plugged in.
  void plug(std::unique_ptr<Gauge> gauge);
  bool isPlugged() const { return gauge_ != nullptr; }
  // Asks for a reading; read() brings it, or silent() says that none came.
  void ask();

 signals:
  void read(pp::Length length);
  void silent();

 private:
  void look();

  std::unique_ptr<Gauge> gauge_;
  QTimer timer_;
  int looks_ = 0;  // that are left before it is given up
};

}  // namespace pp
