#include "app/grid/leaves.h"

#include "app/grid/grid_table.h"

namespace pp {

Leaves::Leaves(Session& session, const QString& what, QWidget* parent)
    : QWidget(parent), session_(session) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  head_ = new QHBoxLayout;
  head_->setSpacing(4);
  column->addLayout(head_);
  tables_ = new QStackedWidget;
  column->addWidget(tables_);
  const auto button = [this](const QString& words, const QString& name, void (Leaves::*act)()) {
    auto* made = new QPushButton(words, this);
    made->setAccessibleName(name);
    connect(made, &QPushButton::clicked, this, act);
    return made;
  };
  add_ = button(tr("Add"), tr("Add %1").arg(what), &Leaves::addRow);
  remove_ = button(tr("Remove"), tr("Remove %1").arg(what), &Leaves::removeRow);
}

void Leaves::add(Leaf leaf) {
  auto* model = new GridModel(session_, leaf.name.toLower(), std::move(leaf.columns),
                              std::move(leaf.rows), this);
  connect(model, &GridModel::refused, this, &Leaves::refused);
  Row row{new QPushButton(leaf.choice), makeGridTable(leaf.name, model, leaf.wide),
          std::move(leaf)};
  tables_->addWidget(row.table);
  row.choice->setCheckable(true);
  row.choice->setAccessibleName(tr("Show %1").arg(row.leaf.name.toLower()));
  head_->addWidget(row.choice);
  connect(row.choice, &QPushButton::clicked, this, [this, at = leaves_.size()] { showLeaf(at); });
  leaves_.push_back(std::move(row));
}

void Leaves::finish(const std::vector<QWidget*>& beside) {
  head_->addStretch(1);
  head_->addWidget(add_);
  head_->addWidget(remove_);
  for (QWidget* one : beside) head_->addWidget(one);
  showLeaf(0);
}

void Leaves::showLeaf(std::size_t leaf) {
  shown_ = leaf;
  for (std::size_t i = 0; i < leaves_.size(); ++i) leaves_[i].choice->setChecked(i == leaf);
  tables_->setCurrentWidget(leaves_[leaf].table);
  add_->setVisible(leaves_[leaf].leaf.add != nullptr);
  remove_->setVisible(leaves_[leaf].leaf.remove != nullptr);
  emit leafShown(static_cast<int>(leaf));
}

void Leaves::addRow() {
  const Row& row = leaves_[shown_];
  if (!row.leaf.add) return;
  Job next = session_.draft();
  row.leaf.add(next);
  emit refused(session_.edit(row.leaf.addWhat, std::move(next)));
  chooseLast();
}

void Leaves::chooseLast() {
  Table& table = *leaves_[shown_].table;
  chooseRow(table, static_cast<std::size_t>(table.model()->rowCount() - 1));
}

std::optional<std::size_t> Leaves::chosen() const {
  return shownRow(*leaves_[shown_].table);
}

void Leaves::removeRow() {
  const Row& row = leaves_[shown_];
  auto at = chosenRow(session_, *row.table);
  if (!at || !row.leaf.remove) return;
  row.leaf.remove(at->draft, at->row);
  emit refused(session_.edit(row.leaf.removeWhat, std::move(at->draft)));
}

}  // namespace pp
