// The keys of the present stage, laid over it while `?` is asked for.
#pragma once

#include <QWidget>

#include "app/stages/stage.h"

namespace pp {

class KeysOverlay : public QWidget {
  Q_OBJECT
 public:
  explicit KeysOverlay(QWidget* parent);
  void showFor(const Stage& stage);

 protected:
  void paintEvent(QPaintEvent*) override;
  void keyPressEvent(QKeyEvent* event) override;
  void mousePressEvent(QMouseEvent*) override { hide(); }

 private:
  QString title_;
  std::vector<KeyHelp> keys_;
};

}  // namespace pp
