#include "app/stages/parts/parts_stage.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QPushButton>

#include "app/grid/columns.h"
#include "app/grid/grid_table.h"
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
  auto* byHand = new QHBoxLayout;
  auto* words = new QLabel(tr("Parts added by hand"));
  words->setFont(look::text(14, true));
  auto* more = new QPushButton(tr("Add a part"));
  auto* less = new QPushButton(tr("Remove"));
  less->setAccessibleName(tr("Remove the part added by hand"));
  byHand->addWidget(words);
  byHand->addStretch(1);
  byHand->addWidget(more);
  byHand->addWidget(less);
  left->addLayout(byHand);
  loose_ = makeGridTable(tr("Parts added by hand"),
                         new GridModel(
                             document, tr("part"), looseColumns(),
                             [](const Job& job) { return job.loose.size(); }, this));
  loose_->setFixedHeight(146);
  left->addWidget(loose_);
  problem_ = new ProblemLine;
  left->addWidget(problem_);
  connect(more, &QPushButton::clicked, this, &PartsStage::addLoose);
  connect(less, &QPushButton::clicked, this, &PartsStage::removeLoose);
  connect(static_cast<GridModel*>(loose_->model()), &GridModel::refused, problem_,
          &ProblemLine::show);
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
  loose_->setVisible(!document().job().loose.empty());
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

void PartsStage::addLoose() {
  Job next = document().job();
  if (next.materials.empty())
    return problem_->show({{{}, 0, {}, "no material in the rack", "one to cut the part from"}});
  LooseBoard board;
  board.name = tr("board").toStdString();
  board.material = next.materials.front().id;
  board.length = Length::mm(600);
  board.width = Length::mm(300);
  next.loose.push_back(board);
  problem_->show(document().edit(tr("add a part"), std::move(next)));
  loose_->setCurrentIndex(loose_->model()->index(loose_->model()->rowCount() - 1, 0));
  loose_->setFocus();
}

void PartsStage::removeLoose() {
  const int row = loose_->currentIndex().row();
  if (row < 0) return;
  Job next = document().job();
  next.loose.erase(next.loose.begin() + row);
  problem_->show(document().edit(tr("remove a part"), std::move(next)));
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
