#include "app/stages/parts/parts_stage.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QPushButton>
#include <QScrollArea>
#include <QSignalBlocker>

#include "app/fields/question.h"
#include "app/grid/columns.h"
#include "app/grid/grid_table.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/lists_csv.h"
#include "core/length/parse.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/said.h"

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
  button(tr("By hand"), tr("Change the part by hand"), &PartsStage::toggleChoices);
  button(tr("CSV in"), tr("Read a parts list"), &PartsStage::readCsv);
  button(tr("CSV out"), tr("Write the parts list"), &PartsStage::writeCsv);
  left->addLayout(tools);
  table_ = new Table(tr("Parts"), PartsModel::Name);
  table_->setModel(model_);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  left->addWidget(table_, 1);
  choicesBox_ = makeChoices();
  left->addWidget(choicesBox_);
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
          {tr("By hand"),
           tr("what is chosen for this part: material, edges, joints, sizes, cuts; reversible")}};
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
  if (choicesBox_->isHidden()) return;
  std::vector<Paragraph> said;
  if (part != nullptr)
    said.push_back(describePart(*model_->job(), model_->breakdown()->parts, *part));
  choices_->setParagraphs(std::move(said), styleOf(*model_->job()));
}

QWidget* PartsStage::makeChoices() {
  choices_ = new SentenceView(session());
  auto* scroll = new QScrollArea;
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setWidgetResizable(true);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(choices_);
  scroll->setFocusPolicy(Qt::NoFocus);
  constexpr int kHeight = 190;
  scroll->setFixedHeight(kHeight);
  connect(choices_, &SentenceView::changed, this,
          [this](const QString& name, const std::function<Problems(Edited&)>& apply) {
            const Part* part = chosen();
            if (part == nullptr) return;
            const Selection selected{part->assembly, std::nullopt, part->code};
            const Problems problems =
                changeSaid(session(), tr("%1 of %2").arg(name, qs(selected.part)), selected, apply);
            problem_->show(problems);
            // What was typed and is refused, or changes nothing, gives way to what is.
            if (problems.empty()) stale();
          });
  connect(choices_, &SentenceView::refused, this,
          [this](const Problems& problems) { problem_->show(problems); });
  scroll->hide();
  return scroll;
}

const Part* PartsStage::chosen() const {
  return model_->partAt(table_->currentIndex().row());
}

void PartsStage::toggleChoices() {
  const bool show = choicesBox_->isHidden();
  session().modes().end(choices_);
  choicesBox_->setVisible(show);
  if (const Part* part = chosen()) showPart(part);
  if (show)
    choices_->focusFirst();
  else
    table_->setFocus();
}

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
  askWhereToWrite(this, tr("Write the parts list"), tr("CSV (*.csv)"), QStringLiteral("csv"), {},
                  [this](const QString& path) { writeCsvFile(path); });
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
  board.length = usual(next.unit, Length::mm(600), Length::in(24));
  board.width = usual(next.unit, Length::mm(300), Length::in(12));
  next.loose.push_back(board);
  problem_->show(session().edit(tr("add a part"), std::move(next)));
  chooseRow(*loose_, static_cast<std::size_t>(loose_->model()->rowCount() - 1));
  loose_->setFocus();
}

void PartsStage::removeLoose() {
  auto at = chosenRow(session(), *loose_);
  if (!at) return;
  at->draft.loose.erase(at->row);
  problem_->show(session().edit(tr("remove a part"), std::move(at->draft)));
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
