// The elevation on the screen: choose an opening by mouse or arrow keys, act on it by letter keys.
#pragma once

#include <QWidget>
#include <optional>

#include "app/shell/document.h"

namespace pp {

class ElevationView : public QWidget {
  Q_OBJECT
 public:
  explicit ElevationView(Document& document, QWidget* parent = nullptr);
  // Where an opening lies in the widget; empty where it is not drawn.
  QRectF openingRect(const OpeningPath& path) const;

 signals:
  void letter(int key);  // V, H, D, A or E on the opening that is selected

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void follow();
  void choose(const OpeningPath& path);
  void move(int key);
  const Assembly* assembly() const;

  Document& document_;
  std::optional<CarcassLayout> layout_;
};

}  // namespace pp
