#include "app/grid/grid_table.h"

#include <QComboBox>
#include <QHeaderView>
#include <QStyledItemDelegate>

namespace pp {
namespace {

// Offers a list where only some words will do.
class GridDelegate : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;
  QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                        const QModelIndex& index) const override {
    const auto* model = static_cast<const GridModel*>(index.model());
    const QStringList choices = model->choices(index.column());
    QWidget* editor = nullptr;
    if (choices.isEmpty()) {
      editor = QStyledItemDelegate::createEditor(parent, option, index);
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
      QStyledItemDelegate::setEditorData(editor, index);
  }
  void setModelData(QWidget* editor, QAbstractItemModel* model,
                    const QModelIndex& index) const override {
    if (auto* box = qobject_cast<QComboBox*>(editor))
      model->setData(index, box->currentText(), Qt::EditRole);
    else
      QStyledItemDelegate::setModelData(editor, model, index);
  }
};

// Columns as wide as what is seen in them. A table that is not seen would measure all its rows.
class GridTable : public QTableView {
 public:
  GridTable() {
    horizontalHeader()->setResizeContentsPrecision(0);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
  }

 protected:
  void showEvent(QShowEvent* event) override {
    QTableView::showEvent(event);
    horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  }
  void hideEvent(QHideEvent* event) override {
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    QTableView::hideEvent(event);
  }
};

}  // namespace

QTableView* makeGridTable(const QString& name, GridModel* model) {
  auto* table = new GridTable;
  table->setModel(model);
  table->setAccessibleName(name);
  table->setItemDelegate(new GridDelegate(table));
  table->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                         QAbstractItemView::AnyKeyPressed);
  table->setSelectionMode(QAbstractItemView::SingleSelection);
  table->setTabKeyNavigation(false);
  table->setShowGrid(false);
  table->verticalHeader()->hide();
  table->verticalHeader()->setDefaultSectionSize(27);
  table->horizontalHeader()->setMinimumSectionSize(74);
  table->horizontalHeader()->setHighlightSections(false);
  return table;
}

}  // namespace pp
