// The place drawn to scale as it is typed.
#pragma once

#include <QWidget>

#include "app/session/session.h"
#include "pictures/paint/site_picture.h"

namespace pp {

class SiteView : public QWidget {
  Q_OBJECT
 public:
  explicit SiteView(Session& session, QWidget* parent = nullptr);
  // Follows the session; told by the stage, once an edit.
  void refresh();

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Session& session_;
  std::vector<StandPicture> stands_;
};

}  // namespace pp
