// The parts as a table: by assembly, by material, or equal sizes together.
#pragma once

#include <QAbstractTableModel>
#include <memory>

#include "core/breakdown/breakdown.h"

namespace pp {

class PartsModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  enum Column {
    Code,
    Name,
    Quantity,
    PartLength,
    PartWidth,
    Thickness,
    MaterialName,
    Grain,
    Banding,
    Columns
  };
  enum class Order { ByAssembly, ByMaterial, BySize };
  explicit PartsModel(QObject* parent = nullptr) : QAbstractTableModel(parent) {}

  // Shows these parts; both are kept, so what is shown stays what it was until it is told
  // otherwise.
  void setParts(std::shared_ptr<const Job> job, std::shared_ptr<const Breakdown> breakdown);
  const std::shared_ptr<const Job>& job() const { return job_; }
  const std::shared_ptr<const Breakdown>& breakdown() const { return breakdown_; }

  void setOrder(Order order);
  // Only parts whose code, name, material or size has every word of it.
  void setSearch(const QString& words);

  // Rows within their headings; -1: as they are built.
  void sort(int column, Qt::SortOrder order) override;

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  // The part in a row, null for a row that is an assembly's heading.
  const Part* partAt(int row) const;
  bool isHeading(int row) const;
  int rowOf(const std::string& code) const;  // -1 where there is none

 private:
  struct Row {
    QString heading;             // where no part
    const Part* part = nullptr;  // of breakdown_
  };
  void refill();
  QString cell(const Part& part, int column) const;
  QString tip(const Part& part, int column) const;
  void sortRows(std::vector<const Part*>& parts) const;

  QString headingOf(const Part& part) const;
  bool sameHeading(const Part& a, const Part& b) const;

  std::shared_ptr<const Job> job_;
  std::shared_ptr<const Breakdown> breakdown_;
  Order order_ = Order::ByAssembly;
  QStringList search_;
  int sorted_ = -1;
  Qt::SortOrder direction_ = Qt::AscendingOrder;
  std::vector<Row> rows_;
};

}  // namespace pp
