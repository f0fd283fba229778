#include "app/shell/print_dialog.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <algorithm>

#include "app/session/file_names.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/plan_json.h"
#include "core/length/parse.h"
#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"
#include "pictures/paper/print.h"

namespace pp {

PrintDialog::PrintDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setWindowTitle(tr("Print"));
  setAccessibleName(tr("Print"));
  auto* form = new QFormLayout(this);
  form->setSpacing(8);
  const auto tick = [&](const QString& words, bool ready) {
    auto* box = new QCheckBox(words);
    box->setChecked(ready);
    box->setEnabled(ready);
    form->addRow(box);
    return box;
  };
  const bool parts = !session_.breakdown().parts.empty();
  const bool plan = session_.plans().shown().plan != nullptr && session_.plans().isCurrent();
  parts_ = tick(tr("Parts list (PDF and CSV)"), parts);
  sheets_ = tick(tr("Sheet drawings (PDF) and the plan (JSON)"), plan);
  cutting_ = tick(tr("Cutting list with boxes to tick (PDF)"), plan);
  labels_ = tick(tr("Labels, one a piece (PDF)"), parts);
  const LabelSheet& grid = session_.job().labels;
  paper_ = new QComboBox;
  paper_->addItems({QStringLiteral("A4"), QStringLiteral("Letter")});
  paper_->setCurrentIndex(grid.letter ? 1 : 0);
  paper_->setAccessibleName(tr("Paper"));
  form->addRow(tr("Paper"), paper_);
  const auto count = [&](const QString& name, int value, int most) {
    auto* box = new QSpinBox;
    box->setRange(1, most);
    box->setValue(value);
    box->setAccessibleName(name);
    form->addRow(name, box);
    return box;
  };
  columns_ = count(tr("Labels across"), grid.columns, 10);
  rows_ = count(tr("Labels down"), grid.rows, 30);
  const auto length = [&](const QString& name, Length value) {
    auto* field = lengthField(name, value);
    form->addRow(name, field);
    return field;
  };
  marginLeft_ = length(tr("Margin at the sides"), grid.marginLeft);
  marginTop_ = length(tr("Margin above and below"), grid.marginTop);
  gapAcross_ = length(tr("Gap between columns"), grid.gapAcross);
  gapDown_ = length(tr("Gap between rows"), grid.gapDown);
  folder_ = new QLineEdit(session_.path().isEmpty() ? QDir::homePath()
                                                    : QFileInfo(session_.path()).absolutePath());
  folder_->setAccessibleName(tr("Folder"));
  auto* choose = new QPushButton(tr("Choose …"));
  auto* folderRow = new QHBoxLayout;
  folderRow->addWidget(folder_, 1);
  folderRow->addWidget(choose);
  form->addRow(tr("Folder"), folderRow);
  connect(choose, &QPushButton::clicked, this, [this] {
    const QString chosen =
        QFileDialog::getExistingDirectory(this, tr("Folder for the files"), folder_->text());
    if (!chosen.isEmpty()) folder_->setText(chosen);
  });
  problem_ = new ProblemLine;
  done_ = new Label;
  done_->setWordWrap(true);
  done_->setAccessibleName(tr("Written"));
  form->addRow(problem_);
  form->addRow(done_);
  progress_ = new QProgressBar;
  progress_->setAccessibleName(tr("Writing"));
  progress_->setTextVisible(false);
  progress_->setFixedHeight(8);
  form->addRow(progress_);
  write_ = new QPushButton(tr("Write the files"));
  write_->setDefault(true);
  close_ = new QPushButton;
  auto* buttons = new QHBoxLayout;
  buttons->addStretch(1);
  buttons->addWidget(write_);
  buttons->addWidget(close_);
  form->addRow(buttons);
  connect(write_, &QPushButton::clicked, this, [this] { printInto(folder_->text()); });
  connect(close_, &QPushButton::clicked, this, [this] {
    if (writing_)
      thread_.request_stop();
    else
      accept();
  });
  setWriting(false);
  setMinimumWidth(520);
}

void PrintDialog::setWriting(bool writing) {
  writing_ = writing;
  write_->setEnabled(!writing);
  close_->setText(writing ? tr("Stop") : tr("Close"));
  progress_->setVisible(writing);
  progress_->setRange(0, 1000);
  progress_->setValue(0);
}

QLineEdit* PrintDialog::lengthField(const QString& name, Length value) {
  auto* field = new QLineEdit(typed(value, session_.style()));
  field->setAccessibleName(name);
  return field;
}

// The grid belongs to the job, so that the next sheet is right without setting it again.
Problems PrintDialog::takeGrid() {
  Job next = session_.draft();
  LabelSheet& grid = next.labels;
  grid.letter = paper_->currentIndex() == 1;
  grid.columns = columns_->value();
  grid.rows = rows_->value();
  const std::pair<QLineEdit*, Length*> fields[] = {{marginLeft_, &grid.marginLeft},
                                                   {marginTop_, &grid.marginTop},
                                                   {gapAcross_, &grid.gapAcross},
                                                   {gapDown_, &grid.gapDown}};
  for (const auto& [field, target] : fields) {
    const auto value = parseExpression(field->text().toStdString(), next.unit);
    if (!value) {
      Problems problems = value.problems();
      problems.front().field = field->accessibleName().toStdString();
      return problems;
    }
    *target = value.value();
  }
  return session_.edit(tr("label sheet"), std::move(next));
}

// Everything that is printed, by value: the window goes on while it is written.
struct PrintDialog::Order {
  std::shared_ptr<const Job> job;
  std::shared_ptr<const Breakdown> breakdown;
  PlanShown plan;  // with no plan where it is not of the job as it is
  Paper paper = Paper::A4;
  QDir folder;
  QString stem;
  bool parts = false, sheets = false, cutting = false, labels = false;

  QString path(const QString& what) const {
    return folder.filePath(stem + QLatin1Char(' ') + what);
  }
  // Writes one after the other; the names of those that were, and what stopped the next.
  std::pair<QStringList, std::optional<Problem>> write(const PrintWatch& watch) const {
    QStringList written;
    std::optional<Problem> problem;
    const auto one = [&](bool wanted, const char* name, auto make) {
      if (!wanted || problem) return;
      const QString file = path(QString::fromLatin1(name));
      problem = make(file);
      if (!problem) written << QFileInfo(file).fileName();
    };
    const std::vector<Part>& all = breakdown->parts;
    const std::vector<Part> cut = sheetParts(all);
    const PrintInput input{*job, all};
    const PrintInput planned{*job, cut, plan.request.get(), plan.plan.get()};
    const bool laidOut = plan.plan != nullptr;
    one(parts, "parts.pdf",
        [&](const QString& file) { return printPartsList(input, paper, file, watch); });
    one(parts, "parts.csv",
        [&](const QString& file) { return writeFile(file.toStdString(), writeParts(*job, all)); });
    one(sheets && laidOut, "sheets.pdf",
        [&](const QString& file) { return printSheets(planned, paper, file, watch); });
    one(sheets && laidOut, "plan.json", [&](const QString& file) {
      return writeFile(file.toStdString(), writePlan(*plan.request, *plan.plan));
    });
    one(cutting && laidOut, "cutting list.pdf",
        [&](const QString& file) { return printCuttingList(planned, paper, file, watch); });
    one(labels, "labels.pdf", [&](const QString& file) { return printLabels(input, file, watch); });
    return {written, problem};
  }
};

void PrintDialog::printInto(const QString& folder) {
  if (writing_) return;
  problem_->clear();
  done_->clear();
  Order order;
  // What is printed is the plan that was shown, whatever the grid's edit sets going.
  if (session_.plans().isCurrent()) order.plan = session_.plans().shown();
  if (const Problems problems = takeGrid(); !problems.empty()) return problem_->show(problems);
  session_.printed();
  order.job = session_.jobValue();
  order.breakdown = session_.breakdownValue();
  order.paper = paper_->currentIndex() == 1 ? Paper::Letter : Paper::A4;
  order.folder = QDir(folder);
  order.stem = fileStem(session_.title());
  order.parts = parts_->isChecked();
  order.sheets = sheets_->isChecked();
  order.cutting = cutting_->isChecked();
  order.labels = labels_->isChecked();
  into_ = folder;
  setWriting(true);
  // Joined before this dialog goes, so `this` outlives the thread; what it posts goes with it.
  thread_ = std::jthread([this, order = std::move(order)](const std::stop_token& stop) {
    int shown = -1;
    const PrintWatch watch{
        stop, [&](std::size_t done, std::size_t of) {
          const int now = static_cast<int>(1000 * done / std::max<std::size_t>(of, 1));
          if (now == shown) return;
          shown = now;
          QMetaObject::invokeMethod(progress_, "setValue", Qt::QueuedConnection, Q_ARG(int, now));
        }};
    const auto outcome = order.write(watch);
    QMetaObject::invokeMethod(
        this, [this, outcome] { ended(outcome.first, outcome.second); }, Qt::QueuedConnection);
  });
}

void PrintDialog::ended(const QStringList& written, const std::optional<Problem>& problem) {
  setWriting(false);
  if (problem) problem_->show({*problem});
  done_->setText(written.isEmpty()
                     ? QString()
                     : tr("Written into %1: %2").arg(into_, written.join(QStringLiteral(", "))));
}

}  // namespace pp
