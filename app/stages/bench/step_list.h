// The steps of what is put together, small; one is dragged to another place among them.
#pragma once

#include <QListWidget>
#include <optional>

namespace pp {

class StepList : public QListWidget {
  Q_OBJECT
 public:
  explicit StepList(QWidget* parent = nullptr);
  void setSteps(const QStringList& steps);

 signals:
  void chosen(std::size_t step);
  // To go in where `to` does.
  void dragged(std::size_t from, std::size_t to);

 protected:
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void paintEvent(QPaintEvent* event) override;

 private:
  // Between which rows it would go in: before that one.
  int gapAt(int y) const;
  std::optional<int> pressed_;
  std::optional<int> gap_;  // while one is dragged
};

}  // namespace pp
