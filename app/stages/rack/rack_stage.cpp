#include "app/stages/rack/rack_stage.h"

#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/grid/columns.h"
#include "app/grid/grid_table.h"
#include "pictures/paint/look.h"

namespace pp {
namespace {

QHBoxLayout* header(const QString& words, const std::vector<QPushButton*>& buttons) {
  auto* row = new QHBoxLayout;
  auto* label = new Label(words);
  label->setFont(look::text(15, true));
  row->addWidget(label);
  row->addStretch(1);
  for (QPushButton* button : buttons) row->addWidget(button);
  return row;
}

QPushButton* button(const QString& words, const QString& name) {
  auto* out = new QPushButton(words);
  out->setAccessibleName(name);
  return out;
}

}  // namespace

RackStage::RackStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(8);
  auto* moreMaterial = button(tr("Add"), tr("Add material"));
  auto* lessMaterial = button(tr("Remove"), tr("Remove material"));
  column->addLayout(header(tr("Materials: every part follows the measured thickness"),
                           {moreMaterial, lessMaterial}));
  materials_ = makeGridTable(tr("Materials"),
                             new GridModel(
                                 session, tr("material"), materialColumns(),
                                 [](const Job& job) { return job.materials.size(); }, this));
  column->addWidget(materials_, 4);
  auto* moreSheets = button(tr("Add sheet"), tr("Add sheet"));
  auto* moreOffcuts = button(tr("Add offcut"), tr("Add offcut"));
  auto* lessStock = button(tr("Remove"), tr("Remove from the rack"));
  column->addLayout(header(tr("Sheets and offcuts"), {moreSheets, moreOffcuts, lessStock}));
  stock_ = makeGridTable(tr("Sheets and offcuts"),
                         new GridModel(
                             session, tr("rack"), stockColumns(),
                             [](const Job& job) { return job.stock.size(); }, this));
  column->addWidget(stock_, 5);
  changes_ = new ChangedParts(session);
  column->addWidget(changes_);
  connect(&session, &Session::changed, this, &RackStage::stale);
  auto* below = new QHBoxLayout;
  auto* saws = new QVBoxLayout;
  below->addLayout(saws, 53);
  column->addLayout(below);
  auto* moreSaws = button(tr("Add"), tr("Add saw"));
  auto* lessSaws = button(tr("Remove"), tr("Remove saw"));
  saws->addLayout(header(tr("Saws, first to last; 0: no limit"), {moreSaws, lessSaws}));
  machines_ = makeGridTable(tr("The saws"),
                            new GridModel(
                                session, tr("saw"), machineColumns(),
                                [](const Job& job) { return job.shop.machines.size(); }, this));
  machines_->setFixedHeight(kLowTable);
  saws->addWidget(machines_);
  supplies_ = new Supplies(session);
  below->addWidget(supplies_, 60);
  connect(moreSaws, &QPushButton::clicked, this, &RackStage::addMachine);
  connect(lessSaws, &QPushButton::clicked, this, &RackStage::removeMachine);
  connect(supplies_, &Supplies::refused, this,
          [this](const Problems& problems) { problem_->show(problems); });
  saw_ = makeGridTable(
      tr("How the shop saws"),
      new GridModel(
          session, tr("saw"), sawColumns(), [](const Job&) { return std::size_t{1}; }, this));
  saw_->setFixedHeight(62);
  column->addWidget(saw_);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  connect(moreMaterial, &QPushButton::clicked, this, &RackStage::addMaterial);
  connect(lessMaterial, &QPushButton::clicked, this, &RackStage::removeMaterial);
  connect(moreSheets, &QPushButton::clicked, this, [this] { addStock(StockKind::Sheet); });
  connect(moreOffcuts, &QPushButton::clicked, this, [this] { addStock(StockKind::Offcut); });
  connect(lessStock, &QPushButton::clicked, this, &RackStage::removeStock);
  for (Table* table : {materials_, stock_, machines_, saw_})
    connect(static_cast<GridModel*>(table->model()), &GridModel::refused, this,
            [this](const Problems& problems) { problem_->show(problems); });
}

std::vector<KeyHelp> RackStage::keys() const {
  return {{tr("arrow keys"), tr("move in the table")},
          {tr("F2, or just type"), tr("change the value; arithmetic and any unit are understood")},
          {tr("Esc"), tr("leave the value as it was")}};
}

std::string RackStage::freeMark(const std::string& stem) const {
  const auto taken = [this](const std::string& mark) {
    return std::any_of(session().job().stock.begin(), session().job().stock.end(),
                       [&](const StockPiece& piece) { return piece.mark == mark; }) ||
           findMaterial(session().job(), mark) != nullptr;
  };
  for (int n = 1;; ++n)
    if (std::string mark = stem + std::to_string(n); !taken(mark)) return mark;
}

void RackStage::refresh() {
  changes_->follow();
}

void RackStage::hideEvent(QHideEvent* event) {
  Stage::hideEvent(event);
  changes_->forget();
  stale();
}

void RackStage::addMachine() {
  Job next = session().draft();
  Machine machine;
  machine.name = tr("saw %1").arg(next.shop.machines.size() + 1).toStdString();
  next.shop.machines.push_back(machine);
  problem_->show(session().edit(tr("add a saw"), std::move(next)));
}

void RackStage::removeMachine() {
  auto at = chosenRow(session(), *machines_);
  if (!at) return;
  eraseRow(at->draft.shop.machines, at->row);
  problem_->show(session().edit(tr("remove a saw"), std::move(at->draft)));
}

void RackStage::addMaterial() {
  Job next = session().draft();
  Material material;
  material.id = "material-" + std::to_string(++next.lastId);
  material.name = tr("plywood").toStdString();
  material.nominal = material.measured = Length::mm(18);
  next.materials.push_back(material);
  problem_->show(session().edit(tr("add a material"), std::move(next)));
}

void RackStage::removeMaterial() {
  auto at = chosenRow(session(), *materials_);
  if (!at) return;
  const std::string name = at->draft.materials[at->row].name;
  eraseRow(at->draft.materials, at->row);
  if (!session().edit(tr("remove a material"), std::move(at->draft)).empty())
    problem_->show({{{},
                     0,
                     {},
                     "'" + name + "' still used by an assembly, a sheet or an offcut",
                     "that nothing is made of it any more"}});
}

void RackStage::addStock(StockKind kind) {
  Job next = session().draft();
  if (next.materials.empty())
    return problem_->show({{{}, 0, {}, "no material", "one to add a sheet of"}});
  StockPiece piece;
  const bool sheet = kind == StockKind::Sheet;
  piece.mark = freeMark(sheet ? "S-" : "R");
  piece.material = next.materials.front().id;
  piece.kind = kind;
  piece.length = sheet ? Length::mm(2440) : Length::mm(600);
  piece.width = sheet ? Length::mm(1220) : Length::mm(300);
  if (!sheet) piece.quantity = 1;
  next.stock.push_back(piece);
  problem_->show(session().edit(sheet ? tr("add a sheet") : tr("add an offcut"), std::move(next)));
  chooseRow(*stock_, static_cast<std::size_t>(stock_->model()->rowCount() - 1));
}

void RackStage::removeStock() {
  auto at = chosenRow(session(), *stock_);
  if (!at) return;
  at->draft.stock.erase(at->row);
  problem_->show(session().edit(tr("take out of the rack"), std::move(at->draft)));
}

}  // namespace pp
