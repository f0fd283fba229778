#include "app/stages/parts/parts_stage.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QPushButton>
#include <QSignalBlocker>

#include "app/grid/columns.h"
#include "app/grid/grid_table.h"
#include "app/words/said.h"
#include "core/breakdown/overrides.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/lists_csv.h"
#include "core/length/parse.h"
#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"

namespace pp {

PartsStage::PartsStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(12);
  auto* left = new QVBoxLayout;
  left->setContentsMargins(0, 10, 0, 8);
  total_ = new Label;
  total_->setFont(look::text(14));
  total_->setAccessibleName(tr("Totals"));
  total_->setWordWrap(true);
  left->addWidget(total_);
  model_ = new PartsModel(this);
  auto* tools = new QHBoxLayout;
  search_ = new QLineEdit;
  search_->setAccessibleName(tr("Search parts"));
  search_->setPlaceholderText(tr("Search: a word, a code, a size"));
  search_->setClearButtonEnabled(true);
  tools->addWidget(search_, 1);
  order_ = new QComboBox;
  order_->setAccessibleName(tr("Order of the parts"));
  order_->addItems({tr("by assembly"), tr("by material"), tr("equal sizes together")});
  tools->addWidget(order_);
  connect(search_, &QLineEdit::textChanged, this, [this](const QString& words) {
    model_->setSearch(words);
    arrange();
  });
  connect(order_, &QComboBox::currentIndexChanged, this, [this](int order) {
    model_->setOrder(static_cast<PartsModel::Order>(order));
    arrange();
  });
  const auto button = [&](const QString& words, const QString& name, auto slot) {
    auto* one = new QPushButton(words);
    one->setAccessibleName(name);
    connect(one, &QPushButton::clicked, this, slot);
    tools->addWidget(one);
  };
  button(tr("Drawing"), tr("Show where it is drawn"), &PartsStage::showOpening);
  button(tr("By hand"), tr("Change the part by hand"), &PartsStage::beginOverride);
  button(tr("CSV in"), tr("Read a parts list"), &PartsStage::readCsv);
  button(tr("CSV out"), tr("Write the parts list"), &PartsStage::writeCsv);
  left->addLayout(tools);
  table_ = new Table(tr("Parts"), PartsModel::Name);
  table_->setModel(model_);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  left->addWidget(table_, 1);
  override_ = makeOverride();
  left->addWidget(override_);
  auto* byHand = new QHBoxLayout;
  auto* words = new Label(tr("Parts added by hand"));
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
                             session, tr("part"), looseColumns(),
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
  part_ = new PartView;
  part_->setFixedWidth(360);
  row->addWidget(part_);
  connect(table_, &Table::sorted, this, &PartsStage::arrange);
  connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
          [this](const QModelIndex& current) { choose(current.row()); });
  connect(&session, &Session::changed, this, &PartsStage::stale);
  connect(&session.pointing(), &Pointing::selectionChanged, this, &PartsStage::stale);
}

std::vector<KeyHelp> PartsStage::keys() const {
  return {{tr("Up, Down"), tr("choose a part; its reasons and its picture are beside the list")},
          {tr("Tab"), tr("on to the search, the order and what can be done with the part")},
          {tr("Drawing"), tr("the opening the part came from")},
          {tr("By hand"), tr("a size, grain or banding of your own, with the reason; reversible")}};
}

void PartsStage::refresh() {
  if (model_->breakdown() == session().breakdownValue()) return followSelection();
  model_->setParts(session().jobValue(), session().breakdownValue());
  loose_->setVisible(!session().job().loose.empty());
  arrange();
}

// After the rows are others: headings, widths, sums, and the part that is chosen.
void PartsStage::arrange() {
  // Of the parts that are shown: the document may be a turn ahead.
  const Job& job = *model_->job();
  table_->clearSpans();
  for (int row = 0; row < model_->rowCount(); ++row)
    if (model_->isHeading(row)) table_->setSpan(row, 0, 1, PartsModel::Columns);
  const Breakdown& breakdown = *model_->breakdown();
  const PartTotals totals = totalsOf(job, breakdown.parts);
  const Unit unit = job.unit;
  QString words = tr("%1 pieces, %2 different, %3 of sheet")
                      .arg(totals.pieces)
                      .arg(breakdown.parts.size())
                      .arg(areaFigure(totals.sheet.inM2(), unit));
  if (totals.bars != Length{}) words += tr(", %1 of bar").arg(runFigure(totals.bars, unit));
  if (totals.banding != Length{})
    words += tr(", %1 of banding").arg(runFigure(totals.banding, unit));
  words += tr(", ") + weightFigure(totals.grams, unit);
  std::int64_t bought = 0;
  for (const BoughtIn& one : job.bought) bought += one.quantity;
  if (bought > 0) words += tr("; %1 bought in").arg(bought);
  if (breakdown.parts.empty())
    words = tr(
        "No parts yet: draw an assembly (Ctrl+2), read a parts list with CSV in, or add a part.");
  total_->setText(words);
  followSelection();
}

void PartsStage::followSelection() {
  int row = model_->rowOf(session().pointing().selection().part);
  if (row < 0) row = model_->rowCount() > 1 ? 1 : -1;
  if (row < 0) return showPart(nullptr);
  // Choosing a part for want of another is nobody's selection.
  const QSignalBlocker quiet(
      session().pointing().selection().part.empty() ? table_->selectionModel() : nullptr);
  if (table_->currentIndex().row() != row) table_->selectRow(row);
  showPart(model_->partAt(row));
  table_->viewport()->update();
}

void PartsStage::showPart(const Part* part) {
  part_->setPart(model_->job(), *model_->breakdown(), session().plans().shown(), part);
}

QWidget* PartsStage::makeOverride() {
  auto* box = new QWidget;
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  const auto add = [&](QLineEdit* one, const QString& name, int stretch) {
    one->setAccessibleName(name);
    one->setPlaceholderText(name);
    row->addWidget(one, stretch);
    connect(one, &QLineEdit::returnPressed, this, &PartsStage::applyOverride);
  };
  constexpr int kSize = 92;
  lengthByHand_ = new SumField(session().style(), kSize);
  widthByHand_ = new SumField(session().style(), kSize);
  add(lengthByHand_, tr("Length by hand"), 0);
  add(widthByHand_, tr("Width by hand"), 0);
  grainByHand_ = new QComboBox;
  grainByHand_->setAccessibleName(tr("Grain by hand"));
  grainByHand_->addItems(QStringList{tr("grain as ruled")} + said<BoardGrain>());
  row->addWidget(grainByHand_);
  bandingByHand_ = new QComboBox;
  bandingByHand_->setAccessibleName(tr("Banding by hand"));
  row->addWidget(bandingByHand_);
  why_ = new QLineEdit;
  add(why_, tr("Why"), 1);
  auto* apply = new QPushButton(tr("Apply"));
  apply->setAccessibleName(tr("Apply by hand"));
  connect(apply, &QPushButton::clicked, this, &PartsStage::applyOverride);
  row->addWidget(apply);
  auto* drop = new QPushButton(tr("As ruled"));
  drop->setAccessibleName(tr("Back to the rules"));
  connect(drop, &QPushButton::clicked, this, &PartsStage::dropOverride);
  row->addWidget(drop);
  box->hide();
  return box;
}

void PartsStage::beginOverride() {
  const Part* part = model_->partAt(table_->currentIndex().row());
  if (part == nullptr) return;
  PartOverride known;
  if (const PartOverride* made = overrideOf(session().job(), *part)) known = *made;
  const LengthStyle style = session().style();
  lengthByHand_->setStyleOfLengths(style);
  widthByHand_->setStyleOfLengths(style);
  lengthByHand_->setText(known.length ? typed(*known.length, style) : QString());
  widthByHand_->setText(known.width ? typed(*known.width, style) : QString());
  lengthByHand_->setPlaceholderText(typed(part->length.total(), style));
  widthByHand_->setPlaceholderText(typed(part->width.total(), style));
  grainByHand_->setCurrentIndex(known.grain ? static_cast<int>(*known.grain) + 1 : 0);
  bandingByHand_->clear();
  bandingByHand_->addItems({tr("banding as ruled"), tr("no banding")});
  int chosen = known.banding ? 1 : 0;
  for (const Banding& banding : session().job().bandings) {
    if (known.banding && *known.banding == banding.id) chosen = bandingByHand_->count();
    bandingByHand_->addItem(qs(banding.name), qs(banding.id));
  }
  bandingByHand_->setCurrentIndex(chosen);
  why_->setText(qs(known.why));
  override_->show();
  lengthByHand_->setFocus();
}

void PartsStage::applyOverride() {
  const Part* part = model_->partAt(table_->currentIndex().row());
  if (part == nullptr) return;
  PartOverride made;
  made.why = why_->text().trimmed().toStdString();
  const auto size = [this](const QLineEdit* field, std::optional<Length>& into) -> Problems {
    if (field->text().trimmed().isEmpty()) return {};
    const auto length = parseExpression(field->text().toStdString(), session().job().unit);
    if (!length) return length.problems();
    into = *length;
    return {};
  };
  for (const Problems& problems :
       {size(lengthByHand_, made.length), size(widthByHand_, made.width)})
    if (!problems.empty()) return problem_->show(problems);
  if (grainByHand_->currentIndex() > 0)
    made.grain = static_cast<BoardGrain>(grainByHand_->currentIndex() - 1);
  if (bandingByHand_->currentIndex() == 1) made.banding = std::string();
  if (bandingByHand_->currentIndex() > 1)
    made.banding = bandingByHand_->currentData().toString().toStdString();
  Job next = session().draft();
  const QString code = qs(part->code);
  setOverride(next, session().breakdown().parts, *part, made);
  const Problems problems = session().edit(tr("change %1 by hand").arg(code), std::move(next));
  problem_->show(problems);
  if (problems.empty()) {
    override_->hide();
    table_->setFocus();
  }
}

void PartsStage::dropOverride() {
  const Part* part = model_->partAt(table_->currentIndex().row());
  override_->hide();
  table_->setFocus();
  if (part == nullptr) return;
  Job next = session().draft();
  const QString code = qs(part->code);
  pp::dropOverride(next, *part);
  problem_->show(session().edit(tr("%1 as ruled").arg(code), std::move(next)));
}

// The way back from a part to where it came from.
void PartsStage::showOpening() {
  const Part* part = model_->partAt(table_->currentIndex().row());
  if (part == nullptr) return;
  const Assembly* of = findAssembly(session().job(), part->assembly);
  if (of == nullptr)
    return problem_->show({{{}, 0, {}, "a part added by hand", "a part of an assembly"}});
  Selection selection{part->assembly, std::nullopt, part->code};
  if (of->isCarcass() && !part->opening.empty()) selection.opening = part->opening;
  session().pointing().select(std::move(selection));
  emit showDrawing();
}

void PartsStage::readCsv() {
  const QString path =
      QFileDialog::getOpenFileName(this, tr("Read a parts list"), {}, tr("CSV (*.csv)"));
  if (!path.isEmpty()) readCsvFile(path);
}

bool PartsStage::readCsvFile(const QString& path) {
  const auto text = readFile(path.toStdString());
  if (!text) return problem_->show(text.problems()), false;
  const auto boards = readLooseBoards(path.toStdString(), text.value(), session().job());
  if (!boards) return problem_->show(boards.problems()), false;
  Job next = session().draft();
  next.loose.append(boards->begin(), boards->end());
  const Problems problems = session().edit(tr("read a parts list"), std::move(next));
  problem_->show(problems);
  return problems.empty();
}

void PartsStage::writeCsv() {
  const QString path =
      QFileDialog::getSaveFileName(this, tr("Write the parts list"), {}, tr("CSV (*.csv)"));
  if (!path.isEmpty()) writeCsvFile(path);
}

bool PartsStage::writeCsvFile(const QString& path) {
  const auto problem =
      writeFile(path.toStdString(), writeParts(session().job(), session().breakdown().parts));
  problem_->show(problem ? Problems{*problem} : Problems{});
  return !problem;
}

void PartsStage::addLoose() {
  Job next = session().draft();
  if (next.materials.empty())
    return problem_->show({{{}, 0, {}, "no material in the rack", "one to cut the part from"}});
  LooseBoard board;
  board.name = tr("board").toStdString();
  board.material = next.materials.front().id;
  board.length = Length::mm(600);
  board.width = Length::mm(300);
  next.loose.push_back(board);
  problem_->show(session().edit(tr("add a part"), std::move(next)));
  chooseRow(*loose_, static_cast<std::size_t>(loose_->model()->rowCount() - 1));
  loose_->setFocus();
}

void PartsStage::removeLoose() {
  const auto row = chosenRow(*loose_);
  if (!row) return;
  Job next = session().draft();
  next.loose.erase(*row);
  problem_->show(session().edit(tr("remove a part"), std::move(next)));
}

void PartsStage::choose(int row) {
  const Part* part = model_->partAt(row);
  if (part == nullptr) return;  // a heading keeps what is shown
  showPart(part);
  session().pointing().measure(tr("length of %1").arg(qs(part->code)), part->length.total());
  if (session().pointing().selection().part == part->code) return;
  Selection selection{part->assembly, std::nullopt, part->code};
  session().pointing().select(std::move(selection));
}

}  // namespace pp
