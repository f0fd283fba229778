#include "app/shell/print_dialog.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QPushButton>

#include "app/paint/figures.h"
#include "app/paint/look.h"
#include "app/print/print.h"
#include "app/session/file_names.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/plan_json.h"
#include "core/length/parse.h"

namespace pp {

PrintDialog::PrintDialog(Document& document, QWidget* parent)
    : QDialog(parent), document_(document) {
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
  const bool parts = !document_.breakdown().parts.empty();
  const bool plan = document_.plan().plan != nullptr && document_.isPlanCurrent();
  parts_ = tick(tr("Parts list (PDF and CSV)"), parts);
  sheets_ = tick(tr("Sheet drawings (PDF) and the plan (JSON)"), plan);
  cutting_ = tick(tr("Cutting list with boxes to tick (PDF)"), plan);
  labels_ = tick(tr("Labels, one a piece (PDF)"), parts);
  const LabelSheet& grid = document_.job().labels;
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
  folder_ = new QLineEdit(document_.path().isEmpty() ? QDir::homePath()
                                                     : QFileInfo(document_.path()).absolutePath());
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
  auto* write = new QPushButton(tr("Write the files"));
  write->setDefault(true);
  auto* close = new QPushButton(tr("Close"));
  auto* buttons = new QHBoxLayout;
  buttons->addStretch(1);
  buttons->addWidget(write);
  buttons->addWidget(close);
  form->addRow(buttons);
  connect(write, &QPushButton::clicked, this, [this] { printInto(folder_->text()); });
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  setMinimumWidth(520);
}

QLineEdit* PrintDialog::lengthField(const QString& name, Length value) {
  auto* field = new QLineEdit(typed(value, document_.style()));
  field->setAccessibleName(name);
  return field;
}

// The grid belongs to the job, so that the next sheet is right without setting it again.
Problems PrintDialog::takeGrid() {
  Job next = document_.job();
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
  return document_.edit(tr("label sheet"), std::move(next));
}

bool PrintDialog::printInto(const QString& folder) {
  problem_->clear();
  done_->clear();
  // What is printed is the plan that was shown, whatever the grid's edit sets going.
  const PlanShown plan = document_.plan();
  const bool current = document_.isPlanCurrent();
  if (const Problems problems = takeGrid(); !problems.empty()) {
    problem_->show(problems);
    return false;
  }
  const std::vector<Part> parts = document_.breakdown().parts;
  const PrintInput input{document_.job(), parts};
  const std::vector<Part> cut = sheetParts(parts);
  const PrintInput planned{document_.job(), cut, plan.request.get(),
                           current ? plan.plan.get() : nullptr};
  const Paper paper = paper_->currentIndex() == 1 ? Paper::Letter : Paper::A4;
  const QString stem = fileStem(document_.title());
  const auto path = [&](const QString& what) {
    return QDir(folder).filePath(stem + QLatin1Char(' ') + what);
  };
  QStringList written;
  const auto take = [&](const std::optional<Problem>& problem, const QString& file) {
    if (problem)
      problem_->show({*problem});
    else
      written << QFileInfo(file).fileName();
    return !problem;
  };
  bool good = true;
  if (parts_->isChecked()) {
    good = good && take(printPartsList(input, paper, path(QStringLiteral("parts.pdf"))),
                        path(QStringLiteral("parts.pdf")));
    const QString csv = path(QStringLiteral("parts.csv"));
    good = good && take(writeFile(csv.toStdString(), writeParts(document_.job(), parts)), csv);
  }
  if (sheets_->isChecked() && planned.plan != nullptr) {
    good = good && take(printSheets(planned, paper, path(QStringLiteral("sheets.pdf"))),
                        path(QStringLiteral("sheets.pdf")));
    const QString json = path(QStringLiteral("plan.json"));
    good = good && take(writeFile(json.toStdString(), writePlan(*plan.request, *plan.plan)), json);
  }
  if (cutting_->isChecked() && planned.plan != nullptr)
    good = good && take(printCuttingList(planned, paper, path(QStringLiteral("cutting list.pdf"))),
                        path(QStringLiteral("cutting list.pdf")));
  if (labels_->isChecked())
    good = good && take(printLabels(input, path(QStringLiteral("labels.pdf"))),
                        path(QStringLiteral("labels.pdf")));
  done_->setText(written.isEmpty()
                     ? QString()
                     : tr("Written into %1: %2").arg(folder, written.join(QStringLiteral(", "))));
  return good;
}

}  // namespace pp
