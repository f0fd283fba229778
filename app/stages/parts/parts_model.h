// The parts as a table: by assembly, by material, or equal sizes together.
#pragma once

#include <QAbstractTableModel>

#include "app/shell/document.h"

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
  explicit PartsModel(Document& document, QObject* parent = nullptr);

  void setOrder(Order order);
  // Only parts whose code, name, material or size has every word of it.
  void setSearch(const QString& words);

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
    QString heading;  // where no part
    std::optional<Part> part;
  };
  void refill();
  QString cell(const Part& part, int column) const;

  QString headingOf(const Part& part) const;

  Document& document_;
  Order order_ = Order::ByAssembly;
  QStringList search_;
  std::vector<Row> rows_;
};

}  // namespace pp
