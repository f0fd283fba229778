// A table as the program shows them. Its columns are as wide as what is in them and one of them
// takes the room that is left; a width that the user has drawn is remembered. Figures line up at
// the whole number. A click on a header sorts, a third one goes back to the order of the job.
#pragma once

#include <QStyledItemDelegate>
#include <QTableView>

#include "app/session/later.h"

namespace pp {

// What a model says of a column in headerData(): whether it shows lengths.
constexpr int kLengthRole = Qt::UserRole + 1;

// And the words that are all it takes; none: whatever is typed.
constexpr int kChoicesRole = Qt::UserRole + 2;

class FigureDelegate : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;
  void paint(QPainter* painter, const QStyleOptionViewItem& option,
             const QModelIndex& index) const override;
  QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

 protected:
  bool eventFilter(QObject* editor, QEvent* event) override;
};

// Offers a list where only some words will do.
class ChoiceDelegate : public FigureDelegate {
 public:
  using FigureDelegate::FigureDelegate;
  QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                        const QModelIndex& index) const override;
  void setEditorData(QWidget* editor, const QModelIndex& index) const override;
  void setModelData(QWidget* editor, QAbstractItemModel* model,
                    const QModelIndex& index) const override;
};

class Table : public QTableView {
  Q_OBJECT
 public:
  // `wide` is the column that takes the room left.
  Table(const QString& name, int wide);

  void setModel(QAbstractItemModel* model) override;
  // Columns by what is in them now; does nothing while the table is not seen.
  void fit();
  // The room that is kept behind the whole numbers of a column.
  double tail(int column) const { return tails_.value(column); }

 signals:
  void sorted();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  bool viewportEvent(QEvent* event) override;

 private:
  QString title(int column) const;
  int neededWidth(int column) const;
  double widestTail(int column) const;
  void sortBy(int column);
  void keepDrawn(int column, int width);

  int wide_;
  int sorted_ = -1;
  Qt::SortOrder direction_ = Qt::AscendingOrder;  // the header turns its own with every click
  QList<double> tails_;                           // by column
  QList<int> drawn_;  // widths that the user has drawn, by column; 0: none
  bool fitting_ = false;
  Later fitting_later_{[this] { fit(); }, this};
};

}  // namespace pp
