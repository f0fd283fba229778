// A table of rows of one kind that the shop owns, changed cell by cell. Every change is the store's
// own, so that all jobs and windows see it, and can be taken back there.
#pragma once

#include <QAbstractTableModel>
#include <algorithm>
#include <functional>
#include <memory>

#include "app/session/session.h"

namespace pp {

// A change of one row of the store, with the way back.
inline Problems listed(const std::optional<Problem>& problem) {
  return problem ? Problems{*problem} : Problems{};
}
template <class Row>
void changeRow(StoreDesk& desk, const QString& what, const Row& before, const Row& after) {
  if (after == before) return;
  const auto to = [](const Row& row) {
    return [row](Store& store) { return listed(store.change(row)); };
  };
  desk.change(what, to(after), to(before));
}
// It comes back under the number it had.
template <class Row>
void addRow(StoreDesk& desk, const QString& what, const Row& row) {
  auto known = std::make_shared<Row>(row);
  desk.change(
      what,
      [known](Store& store) -> Problems {
        const auto id = store.add(*known);
        if (!id) return id.problems();
        known->id = *id;
        return {};
      },
      [known](Store& store) { return listed(store.template remove<Row>(known->id)); });
}
template <class Row>
void removeRow(StoreDesk& desk, const QString& what, const Row& row) {
  desk.change(
      what, [row](Store& store) { return listed(store.template remove<Row>(row.id)); },
      [row](Store& store) -> Problems {
        const auto id = store.add(row);
        return id ? Problems{} : id.problems();
      });
}

// What a column shows of a row and how it takes what is typed in.
template <class Row>
struct StoreColumn {
  QString title;
  bool number = false;
  std::function<QString(const Row&, const StoreState&)> shown;
  std::function<Problems(Row&, const QString&, const StoreState&)> set;  // none: it only says
  QStringList choices = {};  // where only some words will do
};

// The rows of one kind, whatever kind it is.
class StoreRows {
 public:
  virtual ~StoreRows() = default;
  virtual int columns() const = 0;
  virtual QString title(int column) const = 0;
  virtual bool isNumber(int column) const = 0;
  virtual bool isEditable(int column) const = 0;
  virtual QStringList choices(int column) const = 0;
  virtual int countIn(const StoreState& state) const = 0;
  virtual void take(const StoreState& state) = 0;
  virtual int count() const = 0;
  virtual QString shown(int row, int column, const StoreState& state) const = 0;
  virtual Problems set(int row, int column, const QString& text, StoreDesk& desk) = 0;
  virtual bool canAdd() const = 0;
  virtual void add(StoreDesk& desk) = 0;
  virtual void remove(int row, StoreDesk& desk) = 0;
  // Puts one below that row, which belongs to it; false where rows belong to nothing.
  virtual bool addBelow(int /*row*/, StoreDesk& /*desk*/) { return false; }
};

template <class Row>
class StoreRowsOf : public StoreRows {
 public:
  // `all` of a state; `fresh`: what Add makes, none: rows come otherwise.
  StoreRowsOf(QString what, std::vector<StoreColumn<Row>> columns,
              std::function<std::vector<Row>(const StoreState&)> all,
              std::function<std::optional<Row>(const StoreState&)> fresh)
      : what_(std::move(what)),
        columns_(std::move(columns)),
        all_(std::move(all)),
        fresh_(std::move(fresh)) {}

  int columns() const override { return static_cast<int>(columns_.size()); }
  QString title(int column) const override { return at(column).title; }
  bool isNumber(int column) const override { return at(column).number; }
  bool isEditable(int column) const override { return at(column).set != nullptr; }
  QStringList choices(int column) const override { return at(column).choices; }
  int countIn(const StoreState& state) const override {
    return static_cast<int>(all_(state).size());
  }
  void take(const StoreState& state) override { rows_ = all_(state); }
  int count() const override { return static_cast<int>(rows_.size()); }
  QString shown(int row, int column, const StoreState& state) const override {
    return at(column).shown(rows_[static_cast<std::size_t>(row)], state);
  }
  Problems set(int row, int column, const QString& text, StoreDesk& desk) override {
    const Row before = rows_[static_cast<std::size_t>(row)];
    Row after = before;
    const auto state = desk.state();
    if (!state) return {};
    if (Problems problems = at(column).set(after, text, *state); !problems.empty()) return problems;
    rows_[static_cast<std::size_t>(row)] = after;
    changeRow(desk, what_, before, after);
    return {};
  }
  bool canAdd() const override { return fresh_ != nullptr; }
  void add(StoreDesk& desk) override {
    const auto state = desk.state();
    const auto row = state && fresh_ ? fresh_(*state) : std::nullopt;
    if (row) addRow(desk, what_, *row);
  }
  void remove(int row, StoreDesk& desk) override {
    removeRow(desk, what_, Row(rows_[static_cast<std::size_t>(row)]));
  }

 private:
  const StoreColumn<Row>& at(int column) const {
    return columns_[static_cast<std::size_t>(column)];
  }

  QString what_;
  std::vector<StoreColumn<Row>> columns_;
  std::function<std::vector<Row>(const StoreState&)> all_;
  std::function<std::optional<Row>(const StoreState&)> fresh_;
  std::vector<Row> rows_;
};

class StoreModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  StoreModel(StoreDesk& desk, std::unique_ptr<StoreRows> rows, QObject* parent = nullptr);

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  QStringList choices(int column) const { return rows_->choices(column); }
  bool canAdd() const { return rows_->canAdd(); }
  void add() { rows_->add(desk_); }
  bool addBelow(int row) { return rows_->addBelow(row, desk_); }
  // Precondition: there is such a row.
  void remove(int row) { rows_->remove(row, desk_); }

 signals:
  void refused(const pp::Problems& problems);  // empty: the last change was taken

 private:
  void follow();

  StoreDesk& desk_;
  std::unique_ptr<StoreRows> rows_;
  std::shared_ptr<const StoreState> state_;
};

}  // namespace pp
