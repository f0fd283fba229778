// The place drawn to scale as it is typed. What stands on a wall is dragged along it, up it or to
// another wall.
#pragma once

#include <QWidget>
#include <optional>

#include "app/session/session.h"
#include "pictures/paint/site_picture.h"

namespace pp {

class SiteView : public QWidget {
  Q_OBJECT
 public:
  explicit SiteView(Session& session, QWidget* parent = nullptr);
  // Follows the session; told by the stage, once an edit.
  void refresh();

 signals:
  void refused(const pp::Problems& problems);  // empty: the last edit was taken

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QRectF routeRoom() const;
  QRectF siteRoom() const;
  std::vector<WallRoom> walls() const;
  std::optional<std::size_t> standAt(QPointF at) const;
  void drop();

  // A stand under the mouse: where it was taken hold of, in its own measures, and what it was.
  struct Drag {
    std::size_t stand = 0;
    Length along, up;
    StandPicture before;
  };

  Session& session_;
  std::vector<StandPicture> stands_;
  std::optional<Drag> drag_;
};

}  // namespace pp
