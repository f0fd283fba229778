// The assembly cut through: from the side, or from above where that shows more.
#pragma once

#include <QWidget>

#include "app/session/session.h"
#include "pictures/paint/solid_picture.h"

namespace pp {

class SectionView : public QWidget {
  Q_OBJECT
 public:
  explicit SectionView(Session& session, QWidget* parent = nullptr);
  // Follows the session; told by the stage, once an edit.
  void refresh();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  QRectF room() const;

  Session& session_;
  SolidScene scene_;
  SolidView view_;
  bool plan_ = false;
};

}  // namespace pp
