#include "app/stages/parts/parts_stage.h"

#include <QHBoxLayout>
#include <QHeaderView>

#include "app/paint/figures.h"
#include "app/paint/look.h"

namespace pp {

PartsStage::PartsStage(Document& document, QWidget* parent) : Stage(document, parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(12);
  auto* left = new QVBoxLayout;
  left->setContentsMargins(0, 10, 0, 8);
  total_ = new QLabel;
  total_->setFont(look::text(14));
  total_->setAccessibleName(tr("Totals"));
  left->addWidget(total_);
  model_ = new PartsModel(document, this);
  table_ = new QTableView;
  table_->setModel(model_);
  table_->setAccessibleName(tr("Parts"));
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setTabKeyNavigation(false);
  table_->setShowGrid(false);
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(26);
  table_->horizontalHeader()->setHighlightSections(false);
  left->addWidget(table_, 1);
  row->addLayout(left, 1);
  part_ = new PartView(document);
  part_->setFixedWidth(372);
  row->addWidget(part_);
  connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
          [this](const QModelIndex& current) { choose(current.row()); });
  connect(&document, &Document::changed, this, &PartsStage::follow);
  connect(&document, &Document::selectionChanged, this, &PartsStage::followSelection);
  follow();
}

std::vector<KeyHelp> PartsStage::keys() const {
  return {{tr("Up, Down"), tr("choose a part; its reasons and its picture are beside the list")}};
}

void PartsStage::follow() {
  table_->clearSpans();
  for (int row = 0; row < model_->rowCount(); ++row)
    if (model_->isHeading(row)) table_->setSpan(row, 0, 1, PartsModel::Columns);
  table_->resizeColumnsToContents();
  table_->setColumnWidth(PartsModel::Code, 72);
  const Breakdown& breakdown = document().breakdown();
  Area area;
  for (const Part& part : breakdown.parts)
    area += part.quantity * (part.cutLength() * part.cutWidth());
  total_->setText(tr("%1 pieces, %2 different, %3 m² of sheet")
                      .arg(pieceCount(breakdown.parts))
                      .arg(breakdown.parts.size())
                      .arg(area.inM2(), 0, 'f', 2));
  followSelection();
}

void PartsStage::followSelection() {
  int row = model_->rowOf(document().selection().part);
  if (row < 0) row = model_->rowCount() > 1 ? 1 : -1;
  if (row < 0) return part_->setPart(nullptr);
  if (table_->currentIndex().row() != row)
    table_->selectRow(row);
  else
    part_->setPart(model_->partAt(row));
}

void PartsStage::choose(int row) {
  const Part* part = model_->partAt(row);
  if (part == nullptr) return;  // a heading keeps what is shown
  part_->setPart(part);
  document().measure(tr("length of %1").arg(qs(part->code)), part->length.total());
  if (document().selection().part == part->code) return;
  Selection selection{part->assembly, std::nullopt, part->code};
  document().select(std::move(selection));
}

}  // namespace pp
