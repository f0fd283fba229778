// A table of rows that can be edited cell by cell, described by its columns. Every edit goes
// through the session, so it can be undone; what is refused is said and the cell keeps its value.
#pragma once

#include <QAbstractTableModel>
#include <functional>
#include <vector>

#include "app/session/session.h"

namespace pp {

struct GridColumn {
  QString title;
  bool number = false;  // right-aligned
  bool length = false;
  std::function<QString(const Job&, std::size_t)> shown;  // as displayed
  std::function<QString(const Job&, std::size_t)> typed;  // as the editor starts
  std::function<Problems(Job&, std::size_t, const QString&)>
      set;  // changes the job or says why not; none: the cell only says something
  std::function<QStringList(const Job&)> choices;  // set where only some words will do
  std::function<QString(const Job&, std::size_t)> tip;
  // What rows are sorted by, where it is not the words shown.
  std::function<double(const Job&, std::size_t)> value;
};

class GridModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  GridModel(Session& session, QString what, std::vector<GridColumn> columns,
            std::function<std::size_t(const Job&)> rows, QObject* parent = nullptr);

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  void sort(int column, Qt::SortOrder order) override;
  QStringList choices(int column) const;
  LengthStyle style() const { return session_.style(); }

  // Rows of the table and rows of the job differ where the table is sorted.
  std::size_t jobRow(int row) const { return order_[static_cast<std::size_t>(row)]; }
  int rowOf(std::size_t jobRow) const;

 signals:
  void refused(const pp::Problems& problems);  // empty: the last edit was taken

 private:
  void follow();
  void arrange();

  Session& session_;
  QString what_;
  std::vector<GridColumn> columns_;
  std::function<std::size_t(const Job&)> rows_;
  std::vector<std::size_t> order_;  // rows of the job as they are shown
  int sorted_ = -1;                 // the column they are sorted by
  Qt::SortOrder direction_ = Qt::AscendingOrder;
};

}  // namespace pp
