// The assembly cut through: from the side, or from above where that shows more.
#pragma once

#include <QWidget>

#include "app/paint/solid_picture.h"
#include "app/shell/document.h"

namespace pp {

class SectionView : public QWidget {
  Q_OBJECT
 public:
  explicit SectionView(Document& document, QWidget* parent = nullptr);
  // Follows the document; told by the stage, once an edit.
  void refresh();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  QRectF room() const;

  Document& document_;
  SolidScene scene_;
  SolidView view_;
  bool plan_ = false;
};

}  // namespace pp
