// The shopping list as a table: what of it is ticked, how many packs were bought, at what price, of
// what lot.
#pragma once

#include <QAbstractTableModel>

#include "core/shop/shopping.h"

namespace pp {

class BuyingModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  enum Column {
    kWhat,
    kNeed,
    kSpare,
    kThere,
    kPromised,
    kPacks,
    kPack,
    kPrice,
    kSum,
    kLeft,
    kLot,
    kJobs
  };
  using QAbstractTableModel::QAbstractTableModel;

  // What was said of rows that are still there stays.
  void setList(ShoppingList list, const LengthStyle& style);
  const ShoppingList& list() const { return list_; }
  // What is ticked, as it was bought.
  std::vector<BoughtRow> bought() const;
  // Whether nothing stands in a column.
  bool isEmpty(int column) const;

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;

 signals:
  void refused(const pp::Problems& problems);  // empty: what was typed was taken
  void changed();

 private:
  struct Said {
    bool ticked = false;
    std::optional<std::int64_t> packs;
    std::optional<Money> price;
    std::string lot;
  };
  QString words(const ShoppingRow& row, const Said& said, int column) const;

  ShoppingList list_;
  std::vector<Said> said_;
  LengthStyle style_;
};

}  // namespace pp
