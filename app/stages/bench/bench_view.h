// What the step does to its piece, drawn; or why there is nothing to do.
#pragma once

#include <QPainter>
#include <QWidget>
#include <functional>

namespace pp {

class BenchView : public QWidget {
  Q_OBJECT
 public:
  using Paint = std::function<void(QPainter&, const QRectF&)>;
  explicit BenchView(QWidget* parent = nullptr);
  // `words` say the same to who does not see it; without `paint` they are what is seen.
  void show(Paint paint, const QString& words);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Paint paint_;
  QString words_;
};

}  // namespace pp
