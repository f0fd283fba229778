#include "app/stages/saw/labels_dialog.h"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <set>

#include "app/fields/question.h"
#include "app/session/remembered.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/said.h"

namespace pp {
namespace {

constexpr const char* kFirstFree = "labels/first free";

}  // namespace

LabelsDialog::LabelsDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setAttribute(Qt::WA_DeleteOnClose);
  setWindowTitle(tr("Labels"));
  setAccessibleName(tr("Labels of what came off"));
  resize(620, 560);
  auto* column = new QVBoxLayout(this);
  head_ = new Label;
  head_->setAccessibleName(tr("Labels to be printed"));
  head_->setFont(look::text(15, true));
  head_->setWordWrap(true);
  column->addWidget(head_);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Pieces and their labels"));
  list_->setFont(look::text(look::kBody));
  list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  column->addWidget(list_, 1);
  const auto button = [&](QHBoxLayout* row, const QString& words, const QString& name, auto act) {
    auto* out = new QPushButton(words);
    out->setAccessibleName(name);
    out->setAutoDefault(false);
    row->addWidget(out);
    connect(out, &QPushButton::clicked, this, act);
    return out;
  };
  auto* paper = new QHBoxLayout;
  const LabelSheet& grid = session.job().labels;
  paper->addWidget(new Label(tr("First free label on the sheet")));
  firstFree_ = new QSpinBox;
  firstFree_->setRange(1, grid.columns * grid.rows);
  firstFree_->setValue(remembered().value(QLatin1String(kFirstFree), 1).toInt());
  firstFree_->setAccessibleName(tr("First free label"));
  paper->addWidget(firstFree_);
  paper->addStretch(1);
  sheet_ = button(paper, tr("Print on a sheet …"), tr("Print those that wait on a sheet"),
                  [this] { askForSheet(); });
  have_ = button(paper, tr("They have labels"), tr("Those that wait have labels"),
                 [this] { say(session_.labels().printed(session_.labels().owed())); });
  column->addLayout(paper);
  auto* row = new QHBoxLayout;
  again_ = button(row, tr("Once more"), tr("Print the chosen once more"), [this] { again(); });
  rack_ = button(row, {}, tr("Leftovers to the rack"), [this] { toTheRack(); });
  row->addStretch(1);
  button(row, tr("Close"), tr("Close"), [this] { accept(); });
  column->addLayout(row);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  connect(list_, &QListWidget::itemSelectionChanged, this,
          [this] { again_->setEnabled(!list_->selectedItems().isEmpty()); });
  connect(&session.labels(), &LabelDesk::changed, this, &LabelsDialog::follow);
  connect(&session.store(), &StoreDesk::changed, this, &LabelsDialog::follow);
  follow();
}

void LabelsDialog::follow() {
  const LabelDesk& desk = session_.labels();
  const floor::Progress& progress = session_.floor().progress();
  std::set<floor::Labelled> waiting;
  for (const floor::LabelOwed& one : desk.owed()) waiting.insert(one.on);
  std::vector<floor::Labelled> rows;
  for (const auto& [piece, state] : progress.pieces)
    if (!state.spoiled) rows.push_back({piece, 0, {}});
  for (const auto& [number, cutting] : progress.cuttings)
    for (const auto& [leftover, piece] : cutting.returned)
      rows.push_back({std::nullopt, number, leftover});
  const int chosen = rows == rows_ ? list_->currentRow() : -1;
  list_->clear();
  rows_ = std::move(rows);
  for (const floor::Labelled& one : rows_) {
    const auto says = desk.says(one);
    QString what = one.piece ? tr("%1 no. %2").arg(qs(one.piece->code)).arg(one.piece->number)
                             : qs(one.leftover);
    if (says && one.piece) {
      what += QStringLiteral("   ") + qs(std::get<PieceLabel>(*says).part.name);
    } else if (says) {
      const auto& tag = std::get<RackTag>(*says);
      what = tr("%1   %2, %3").arg(tag.tag, tag.material, tag.size);
    }
    const bool onItsWay = desk.sent() && desk.sent()->on == one;
    const auto count = progress.labels.find(one);
    const int printed = count == progress.labels.end() ? 0 : count->second.printed;
    list_->addItem(tr("%1   %2").arg(what, waiting.count(one) > 0
                                               ? (onItsWay ? tr("on its way") : tr("to be printed"))
                                           : printed > 1 ? tr("printed %1 times").arg(printed)
                                                         : tr("printed")));
  }
  list_->setCurrentRow(chosen);
  const auto wait = std::ssize(desk.owed());
  QString words = wait == 0 ? tr("Every piece has its label.")
                            : counted(wait, tr("label to be printed"), tr("labels to be printed"));
  if (desk.isPlugged()) words += tr(" Label printer: %1.").arg(said(desk.state()));
  head_->setText(words);
  const bool idle = !desk.sent();
  sheet_->setEnabled(wait > 0 && idle);
  have_->setEnabled(wait > 0 && idle);
  again_->setEnabled(!list_->selectedItems().isEmpty());
  const auto leftovers = std::ssize(session_.floor().ledger().leftovers());
  rack_->setText(
      leftovers == 0
          ? tr("No leftover lies there")
          : tr("%1 to the rack").arg(counted(leftovers, tr("leftover"), tr("leftovers"))));
  rack_->setEnabled(leftovers > 0);
}

void LabelsDialog::askForSheet() {
  askWhereToWrite(this, tr("Labels on a sheet"), tr("PDF (*.pdf)"), QStringLiteral("pdf"),
                  tr("labels"), [this](const QString& path) { writeSheet(path); });
}

void LabelsDialog::writeSheet(const QString& path) {
  std::vector<floor::LabelOwed> drawn;
  std::vector<LabelFor> labels;
  for (const floor::LabelOwed& one : session_.labels().owed())
    if (auto says = session_.labels().says(one.on)) {
      drawn.push_back(one);
      labels.push_back(std::move(*says));
    }
  PrintInput input{session_.job(), session_.breakdown().parts};
  input.labels = &labels;
  input.usedLabels = firstFree_->value() - 1;
  if (auto problem = printPages(Pages::Labels, input, Paper::A4, path))
    return problem_->show({*problem});
  problem_->clear();
  // The next sheet begins where this one ends.
  const int fields = firstFree_->maximum();
  const int next = (input.usedLabels + static_cast<int>(labels.size())) % fields + 1;
  firstFree_->setValue(next);
  remembered().setValue(QLatin1String(kFirstFree), next);
  say(session_.labels().printed(std::move(drawn)));
}

void LabelsDialog::say(const std::optional<Problem>& problem) {
  problem_->show(problem ? Problems{*problem} : Problems{});
}

void LabelsDialog::again() {
  problem_->clear();
  std::vector<floor::Labelled> chosen;
  for (const QModelIndex& index : list_->selectionModel()->selectedRows())
    chosen.push_back(rows_[static_cast<std::size_t>(index.row())]);
  for (const floor::Labelled& one : chosen)
    if (auto problem = session_.labels().again(one)) return problem_->show({*problem});
}

void LabelsDialog::toTheRack() {
  say(session_.happened(session_.floor().ledger().toTheRack()));
}

}  // namespace pp
