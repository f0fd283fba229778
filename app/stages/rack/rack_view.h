// The shop's rack as it stands, what of it was searched for; one piece is chosen by mouse or by the
// arrow keys.
#pragma once

#include <QWidget>

#include "pictures/paint/rack_picture.h"

namespace pp {

class RackView : public QWidget {
  Q_OBJECT
 public:
  explicit RackView(QWidget* parent = nullptr);

  // Null: there is nothing to show but the words.
  void setState(std::shared_ptr<const StoreState> state, const QString& words);
  // Each of these words is in the material, lot, place, note or tag of what is shown; where there
  // is a size among them, such as 600 x 400, what is shown is at least so large.
  void search(const QString& words);
  void setStyle(const LengthStyle& style);
  // What is shown, which may be older than what the store's desk has by now.
  const std::shared_ptr<const StoreState>& state() const { return state_; }
  // The piece that is chosen, while it is shown.
  const RackRow* chosen() const;
  // Where what is shown is drawn.
  std::vector<RackPlace> places() const;

 signals:
  void chosenChanged();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void read();
  void find();
  std::pair<std::optional<WantedPart>, QString> sizeIn(const QString& words) const;
  void choose(Id piece);

  std::shared_ptr<const StoreState> state_;
  QString words_, sought_;
  LengthStyle style_;
  std::vector<QString> texts_;  // what each row of the state is found by
  std::vector<RackRow> rows_;
  Id chosen_ = 0;
};

}  // namespace pp
