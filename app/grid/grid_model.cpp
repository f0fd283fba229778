#include "app/grid/grid_model.h"

#include <algorithm>
#include <numeric>

#include "app/grid/sort_rows.h"
#include "app/grid/table.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

GridModel::GridModel(Session& session, QString what, std::vector<GridColumn> columns,
                     std::function<std::size_t(const Job&)> rows, QObject* parent)
    : QAbstractTableModel(parent),
      session_(session),
      what_(std::move(what)),
      columns_(std::move(columns)),
      rows_(std::move(rows)) {
  arrange();
  connect(&session_, &Session::changed, this, &GridModel::follow);
}

// A row that is edited stays where it is until the table is sorted anew.
void GridModel::follow() {
  if (rows_(session_.job()) == order_.size()) {
    if (!order_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
    return;
  }
  beginResetModel();
  arrange();
  endResetModel();
}

void GridModel::arrange() {
  const Job& job = session_.job();
  order_.resize(rows_(job));
  std::iota(order_.begin(), order_.end(), std::size_t{0});
  if (sorted_ < 0) return;
  const GridColumn& column = columns_[static_cast<std::size_t>(sorted_)];
  sortRows(
      order_, direction_,
      [&](std::size_t row) {
        return column.value ? std::optional(column.value(job, row)) : std::nullopt;
      },
      [&](std::size_t row) { return column.shown(job, row); });
}

void GridModel::sort(int column, Qt::SortOrder order) {
  beginResetModel();
  sorted_ = column < columnCount() ? column : -1;
  direction_ = order;
  arrange();
  endResetModel();
}

int GridModel::rowOf(std::size_t jobRow) const {
  const auto at = std::find(order_.begin(), order_.end(), jobRow);
  return at == order_.end() ? -1 : static_cast<int>(at - order_.begin());
}

int GridModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(order_.size());
}
int GridModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(columns_.size());
}

QVariant GridModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid()) return {};
  const GridColumn& column = columns_[static_cast<std::size_t>(index.column())];
  const std::size_t row = jobRow(index.row());
  if (row >= rows_(session_.job())) return {};  // the job is ahead of this model for a moment
  switch (role) {
    case Qt::DisplayRole:
      return column.shown(session_.job(), row);
    case Qt::EditRole:
      return column.typed(session_.job(), row);
    case Qt::TextAlignmentRole:
      return QVariant::fromValue(Qt::AlignVCenter |
                                 (column.number ? Qt::AlignRight : Qt::AlignLeft));
    case Qt::AccessibleTextRole:
      return withoutWedge(column.shown(session_.job(), row));
    case Qt::ToolTipRole:
      return column.tip ? column.tip(session_.job(), row) : QString();
    case Qt::FontRole: {
      if (!column.number) return look::text(look::kBody);
      // "as needed" is no figure.
      const QString text = column.shown(session_.job(), row);
      return look::text(!text.isEmpty() && (text[0].isDigit() || text[0] == QChar(0x2212))
                            ? look::kFigure
                            : look::kBody);
    }
    default:
      return {};
  }
}

bool GridModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || !index.isValid()) return false;
  const GridColumn& column = columns_[static_cast<std::size_t>(index.column())];
  if (!column.set) return false;
  const std::size_t row = jobRow(index.row());
  const std::size_t rows = order_.size();
  if (rows != rows_(session_.job())) return false;  // the job is ahead of this model
  if (value.toString() == column.typed(session_.job(), row)) return true;
  Job next = session_.draft();
  if (order_.size() != rows) return false;  // rows came or went that were not shown yet
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
  if (role == kLengthRole) return column.length;
  if (role == kChoicesRole) return choices(section);
  if (role == Qt::TextAlignmentRole)
    return QVariant::fromValue(Qt::AlignVCenter | (column.number ? Qt::AlignRight : Qt::AlignLeft));
  return {};
}

Qt::ItemFlags GridModel::flags(const QModelIndex& index) const {
  if (!index.isValid()) return Qt::NoItemFlags;
  const bool changed = columns_[static_cast<std::size_t>(index.column())].set != nullptr;
  return Qt::ItemIsEnabled | Qt::ItemIsSelectable |
         (changed ? Qt::ItemIsEditable : Qt::NoItemFlags);
}

QStringList GridModel::choices(int column) const {
  const auto& of = columns_[static_cast<std::size_t>(column)].choices;
  return of ? of(session_.job()) : QStringList();
}

}  // namespace pp
