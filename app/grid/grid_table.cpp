#include "app/grid/grid_table.h"

#include "app/fields/sum_field.h"

#include <QComboBox>

namespace pp {
namespace {

// Offers a list where only some words will do.
class GridDelegate : public FigureDelegate {
 public:
  using FigureDelegate::FigureDelegate;
  QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                        const QModelIndex& index) const override {
    const auto* model = static_cast<const GridModel*>(index.model());
    const QStringList choices = model->choices(index.column());
    QWidget* editor = nullptr;
    if (index.model()->headerData(index.column(), Qt::Horizontal, kLengthRole).toBool()) {
      auto* field = new SumField(model->style(), 0, parent);
      field->setFrame(false);
      editor = field;
    } else if (choices.isEmpty()) {
      editor = FigureDelegate::createEditor(parent, option, index);
    } else {
      auto* box = new QComboBox(parent);
      box->addItems(choices);
      editor = box;
    }
    editor->setAccessibleName(
        index.model()->headerData(index.column(), Qt::Horizontal, Qt::DisplayRole).toString());
    return editor;
  }
  void setEditorData(QWidget* editor, const QModelIndex& index) const override {
    if (auto* box = qobject_cast<QComboBox*>(editor))
      box->setCurrentText(index.data(Qt::EditRole).toString());
    else
      FigureDelegate::setEditorData(editor, index);
  }
  void setModelData(QWidget* editor, QAbstractItemModel* model,
                    const QModelIndex& index) const override {
    if (auto* box = qobject_cast<QComboBox*>(editor))
      model->setData(index, box->currentText(), Qt::EditRole);
    else
      FigureDelegate::setModelData(editor, model, index);
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
