// The plumb line down the left edge: a knot for every stage, the bob at the one in use.
#pragma once

#include <QWidget>
#include <vector>

namespace pp {

class PlumbLine : public QWidget {
  Q_OBJECT
 public:
  struct Knot {
    QString title;
    int key = 0;   // number of the stage in the order of work, the digit of its shortcut
    int open = 0;  // what is left to do, 0: settled
  };
  explicit PlumbLine(QWidget* parent = nullptr);
  void setKnots(std::vector<Knot> knots);
  void setCurrent(int index);

 signals:
  void chosen(int index);

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  double step() const;
  double knotY(int index) const;
  std::vector<Knot> knots_;
  int current_ = 0;
};

}  // namespace pp
