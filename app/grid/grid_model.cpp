#include "app/grid/grid_model.h"

#include "pictures/paint/look.h"

namespace pp {

GridModel::GridModel(Session& session, QString what, std::vector<GridColumn> columns,
                     std::function<std::size_t(const Job&)> rows, QObject* parent)
    : QAbstractTableModel(parent),
      session_(session),
      what_(std::move(what)),
      columns_(std::move(columns)),
      rows_(std::move(rows)) {
  count_ = static_cast<int>(rows_(session_.job()));
  connect(&session_, &Session::changed, this, &GridModel::follow);
}

void GridModel::follow() {
  const int now = static_cast<int>(rows_(session_.job()));
  if (now == count_) {
    if (count_ > 0) emit dataChanged(index(0, 0), index(count_ - 1, columnCount() - 1));
    return;
  }
  beginResetModel();
  count_ = now;
  endResetModel();
}

int GridModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : count_;
}
int GridModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(columns_.size());
}

QVariant GridModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid()) return {};
  const GridColumn& column = columns_[static_cast<std::size_t>(index.column())];
  const auto row = static_cast<std::size_t>(index.row());
  if (row >= rows_(session_.job())) return {};  // the job is ahead of this model for a moment
  switch (role) {
    case Qt::DisplayRole:
      return column.shown(session_.job(), row);
    case Qt::EditRole:
      return column.typed(session_.job(), row);
    case Qt::TextAlignmentRole:
      return QVariant::fromValue(Qt::AlignVCenter |
                                 (column.number ? Qt::AlignRight : Qt::AlignLeft));
    case Qt::FontRole:
      return look::text(14);
    default:
      return {};
  }
}

bool GridModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || !index.isValid()) return false;
  const GridColumn& column = columns_[static_cast<std::size_t>(index.column())];
  const auto row = static_cast<std::size_t>(index.row());
  if (value.toString() == column.typed(session_.job(), row)) return true;
  Job next = session_.job();
  Problems problems = column.set(next, row, value.toString().trimmed());
  if (problems.empty())
    problems = session_.edit(tr("%1: %2").arg(what_, column.title.toLower()), std::move(next));
  emit refused(problems);
  return problems.empty();
}

QVariant GridModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (orientation != Qt::Horizontal || section < 0 || section >= columnCount()) return {};
  const GridColumn& column = columns_[static_cast<std::size_t>(section)];
  if (role == Qt::DisplayRole) return column.title;
  if (role == Qt::TextAlignmentRole)
    return QVariant::fromValue(Qt::AlignVCenter | (column.number ? Qt::AlignRight : Qt::AlignLeft));
  return {};
}

Qt::ItemFlags GridModel::flags(const QModelIndex& index) const {
  return index.isValid() ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable
                         : Qt::NoItemFlags;
}

QStringList GridModel::choices(int column) const {
  const auto& of = columns_[static_cast<std::size_t>(column)].choices;
  return of ? of(session_.job()) : QStringList();
}

}  // namespace pp
