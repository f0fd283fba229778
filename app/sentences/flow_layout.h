// Lays widgets out as words of a paragraph: left to right, breaking into lines.
#pragma once

#include <QLayout>
#include <QList>

namespace pp {

class FlowLayout : public QLayout {
  Q_OBJECT
 public:
  explicit FlowLayout(QWidget* parent = nullptr);
  ~FlowLayout() override;

  void addItem(QLayoutItem* item) override { items_.append(item); }
  int count() const override { return static_cast<int>(items_.size()); }
  QLayoutItem* itemAt(int index) const override { return items_.value(index); }
  QLayoutItem* takeAt(int index) override;
  Qt::Orientations expandingDirections() const override { return {}; }
  bool hasHeightForWidth() const override { return true; }
  int heightForWidth(int width) const override { return arrange(QRect(0, 0, width, 0), false); }
  QSize sizeHint() const override { return minimumSize(); }
  QSize minimumSize() const override;
  void setGeometry(const QRect& rect) override;

 private:
  int arrange(const QRect& rect, bool apply) const;
  QList<QLayoutItem*> items_;
};

}  // namespace pp
