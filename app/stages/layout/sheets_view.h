// All sheets of a plan, one below the other.
#pragma once

#include <QWidget>

#include "app/shell/document.h"

namespace pp {

class SheetsView : public QWidget {
  Q_OBJECT
 public:
  explicit SheetsView(QWidget* parent = nullptr);
  void setPlan(const PlanShown& shown);
  void setSelected(const std::string& code);
  int sheetCount() const;

 signals:
  void chosen(std::size_t part);  // index into the shown parts

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void resizeEvent(QResizeEvent*) override { arrange(); }

 private:
  void arrange();
  QRectF room(std::size_t sheet) const;

  PlanShown shown_;
  std::string selected_;
  std::vector<QRectF> rooms_;
};

}  // namespace pp
