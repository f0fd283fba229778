#include "app/shop/store_model.h"

#include "app/grid/table.h"

namespace pp {

StoreModel::StoreModel(StoreDesk& desk, std::unique_ptr<StoreRows> rows, QObject* parent)
    : QAbstractTableModel(parent), desk_(desk), rows_(std::move(rows)) {
  connect(&desk, &StoreDesk::changed, this, &StoreModel::follow);
  follow();
}

void StoreModel::follow() {
  state_ = desk_.state();
  const StoreState nothing;
  const StoreState& state = state_ ? *state_ : nothing;
  const int before = rows_->count();
  const int now = rows_->countIn(state);
  // Rows come and go at the end; what is chosen, or being typed, stays where it is.
  if (now > before) beginInsertRows({}, before, now - 1);
  if (now < before) beginRemoveRows({}, now, before - 1);
  rows_->take(state);
  if (now > before) endInsertRows();
  if (now < before) endRemoveRows();
  if (now > 0) emit dataChanged(index(0, 0), index(now - 1, columnCount() - 1));
}

int StoreModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : rows_->count();
}
int StoreModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : rows_->columns();
}

QVariant StoreModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid() || index.row() >= rows_->count() || !state_) return {};
  if (role == Qt::DisplayRole || role == Qt::EditRole)
    return rows_->shown(index.row(), index.column(), *state_);
  if (role == Qt::TextAlignmentRole)
    return QVariant(Qt::AlignVCenter |
                    (rows_->isNumber(index.column()) ? Qt::AlignRight : Qt::AlignLeft));
  return {};
}

bool StoreModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || !index.isValid() || index.row() >= rows_->count()) return false;
  const Problems problems =
      rows_->set(index.row(), index.column(), value.toString().trimmed(), desk_);
  emit refused(problems);
  if (!problems.empty()) return false;
  emit dataChanged(index, index);
  return true;
}

QVariant StoreModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (orientation != Qt::Horizontal) return {};
  if (role == Qt::DisplayRole) return rows_->title(section);
  if (role == kChoicesRole) return rows_->choices(section);
  if (role == Qt::TextAlignmentRole)
    return QVariant(Qt::AlignVCenter | (rows_->isNumber(section) ? Qt::AlignRight : Qt::AlignLeft));
  return {};
}

Qt::ItemFlags StoreModel::flags(const QModelIndex& index) const {
  Qt::ItemFlags out = QAbstractTableModel::flags(index);
  if (index.isValid() && rows_->isEditable(index.column())) out |= Qt::ItemIsEditable;
  return out;
}

}  // namespace pp
