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
  bool number = false;                                    // right-aligned
  std::function<QString(const Job&, std::size_t)> shown;  // as displayed
  std::function<QString(const Job&, std::size_t)> typed;  // as the editor starts
  std::function<Problems(Job&, std::size_t, const QString&)>
      set;                                         // changes the job or says why not
  std::function<QStringList(const Job&)> choices;  // set where only some words will do
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
  QStringList choices(int column) const;

 signals:
  void refused(const pp::Problems& problems);  // empty: the last edit was taken

 private:
  void follow();

  Session& session_;
  QString what_;
  std::vector<GridColumn> columns_;
  std::function<std::size_t(const Job&)> rows_;
  int count_ = 0;
};

}  // namespace pp
