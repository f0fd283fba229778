// The steel tape along the bottom, around the length that is selected.
#pragma once

#include <QWidget>

#include "app/session/session.h"

namespace pp {

class TapeBar : public QWidget {
  Q_OBJECT
 public:
  explicit TapeBar(Session& session, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  void follow();
  Session& session_;
};

}  // namespace pp
