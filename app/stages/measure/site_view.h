// The place drawn to scale as it is typed.
#pragma once

#include <QWidget>

#include "app/session/session.h"

namespace pp {

class SiteView : public QWidget {
  Q_OBJECT
 public:
  explicit SiteView(Session& session, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Session& session_;
};

}  // namespace pp
