#include "app/grid/grid_table.h"

#include "app/fields/sum_field.h"

namespace pp {
namespace {

// A field that adds up for lengths.
class GridDelegate : public ChoiceDelegate {
 public:
  using ChoiceDelegate::ChoiceDelegate;
  QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                        const QModelIndex& index) const override {
    const auto title = [&index](int role) {
      return index.model()->headerData(index.column(), Qt::Horizontal, role);
    };
    if (!title(kLengthRole).toBool()) return ChoiceDelegate::createEditor(parent, option, index);
    auto* field = new SumField(static_cast<const GridModel*>(index.model())->style(), 0, parent);
    field->setFrame(false);
    field->setAccessibleName(title(Qt::DisplayRole).toString());
    return field;
  }
};

}  // namespace

Table* makeGridTable(const QString& name, GridModel* model, int wide) {
  auto* table = new Table(name, wide);
  table->setModel(model);
  table->setItemDelegate(new GridDelegate(table));
  table->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                         QAbstractItemView::AnyKeyPressed);
  return table;
}

std::optional<std::size_t> shownRow(const Table& table) {
  const int row = table.currentIndex().row();
  if (row < 0) return std::nullopt;
  return static_cast<const GridModel*>(table.model())->jobRow(row);
}

std::optional<ChosenRow> chosenRow(Session& session, const Table& table) {
  Job draft = session.draft();
  const auto row = shownRow(table);
  if (!row) return std::nullopt;
  return ChosenRow{std::move(draft), *row};
}

void chooseRow(Table& table, std::size_t jobRow) {
  const int row = static_cast<const GridModel*>(table.model())->rowOf(jobRow);
  if (row >= 0) table.setCurrentIndex(table.model()->index(row, 0));
}

}  // namespace pp
