// The small view of the assembly in space: turned by keys and mouse in steps, assembled or apart.
#pragma once

#include <QWidget>

#include "app/session/session.h"
#include "pictures/paint/solid_picture.h"

namespace pp {

class SpaceView : public QWidget {
  Q_OBJECT
 public:
  explicit SpaceView(Session& session, QWidget* parent = nullptr);
  const SolidView& view() const { return view_; }
  // Follows the session; told by the stage, once an edit.
  void refresh();

 public slots:
  void toggleApart();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  void turn(double turn, double tilt);
  void look(double turn, double tilt);
  void describe();

  Session& session_;
  SolidScene scene_;
  SolidView view_;
  QPointF pressed_, last_;
  bool dragged_ = false;
};

}  // namespace pp
