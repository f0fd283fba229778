#include "app/shell/print_dialog.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QPrintDialog>
#include <QPrintPreviewWidget>
#include <algorithm>
#include <map>
#include <utility>

#include "app/session/file_names.h"
#include "core/assembly/order.h"
#include "core/length/parse.h"
#include "core/parts/cut_line.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr int kDpi = 300;
// All labels of a large job would keep the window; what the pages look like is seen on the first.
constexpr int kMostPreviewed = 8;

}  // namespace

PrintDialog::PrintDialog(Session& session, QWidget* parent)
    : QDialog(parent),
      session_(session),
      previewing_([this] { pages_->updatePreview(); }, nullptr) {
  setWindowTitle(tr("Print"));
  setAccessibleName(tr("Print"));
  printer_.setFullPage(true);
  printer_.setResolution(kDpi);
  auto* row = new QHBoxLayout(this);
  row->setSpacing(14);
  row->addWidget(makeChoices());
  row->addWidget(makePreview(), 1);
  setWriting(false);
  resize(1080, 700);
  choose(kinds_->currentRow());
}

QWidget* PrintDialog::makeChoices() {
  auto* out = new QWidget;
  out->setFixedWidth(360);
  auto* column = new QVBoxLayout(out);
  column->setContentsMargins(0, 0, 0, 0);
  kinds_ = new QListWidget;
  kinds_->setAccessibleName(tr("Pages"));
  kinds_->setFont(look::text(look::kBody));
  const std::vector<Part>& parts = session_.breakdown().parts;
  const bool plan = session_.plans().shown().plan != nullptr && session_.plans().isCurrent();
  const auto some = [&parts](auto has) { return std::any_of(parts.begin(), parts.end(), has); };
  using Needs = PrintKind::Needs;
  // Whether it is there, and what is said where it is not.
  const std::map<Needs, std::pair<bool, QString>> there = {
      {Needs::Parts, {!parts.empty(), tr("Nothing is drawn yet.")}},
      {Needs::Plan, {plan, tr("There is no plan yet.")}},
      {Needs::Place,
       {!wallsOf(session_.job().site.kind).empty(), tr("Measure says of no wall yet.")}},
      {Needs::Machining,
       {some([](const Part& part) { return !part.machining.empty(); }),
        tr("Nothing is machined on any part.")}},
      {Needs::Banding,
       {some([](const Part& part) {
          return std::any_of(part.bands.begin(), part.bands.end(),
                             [](const std::string& band) { return !band.empty(); });
        }),
        tr("No edge is banded.")}},
      {Needs::Finish,
       {some([](const Part& part) {
          return part.finish != Finish::None ||
                 part.finishOutside.value_or(Finish::None) != Finish::None;
        }),
        tr("No part gets a finish.")}},
      {Needs::Order,
       {!bench::assemblyOrder(bench::piecesAtBench({}, {}, parts), session_.job()).empty(),
        tr("No two parts meet.")}},
      {Needs::Shape,
       {some([](const Part& part) {
          return std::any_of(part.machining.begin(), part.machining.end(),
                             [&](const Machining& cut) { return !cutLines(cut, part, 0).empty(); });
        }),
        tr("No part has a shape that wants a template.")}}};
  for (const PrintKind& kind : kPrintKinds) {
    const auto& [ready, why] = there.at(kind.needs);
    auto* item = new QListWidgetItem(QObject::tr(kind.words), kinds_);
    item->setFlags(ready ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable
                         : Qt::NoItemFlags);
    item->setCheckState(ready ? Qt::Checked : Qt::Unchecked);
    if (!ready) item->setToolTip(why);
  }
  constexpr int kRow = 30;
  kinds_->setFixedHeight(kRow * kinds_->count() + 4);
  kinds_->setCurrentRow(parts.empty() ? -1 : 0);
  connect(kinds_, &QListWidget::currentRowChanged, this, &PrintDialog::choose);
  column->addWidget(kinds_);
  auto* form = new QFormLayout;
  const LabelSheet& grid = session_.job().labels;
  paper_ = new QComboBox;
  paper_->addItems({QStringLiteral("A4"), QStringLiteral("Letter")});
  paper_->setCurrentIndex(grid.letter ? 1 : 0);
  paper_->setAccessibleName(tr("Paper"));
  connect(paper_, &QComboBox::currentIndexChanged, this, [this] { previewing_.ask(); });
  form->addRow(tr("Paper"), paper_);
  column->addLayout(form);
  grid_ = makeLabelGrid();
  column->addWidget(grid_);
  column->addStretch(1);
  folder_ = new QLineEdit(session_.path().isEmpty() ? QDir::homePath()
                                                    : QFileInfo(session_.path()).absolutePath());
  folder_->setAccessibleName(tr("Folder"));
  auto* choose = new QPushButton(tr("Choose …"));
  connect(choose, &QPushButton::clicked, this, &PrintDialog::chooseFolder);
  auto* folderRow = new QHBoxLayout;
  folderRow->addWidget(new Label(tr("Folder")));
  folderRow->addWidget(folder_, 1);
  folderRow->addWidget(choose);
  column->addLayout(folderRow);
  problem_ = new ProblemLine;
  done_ = new Label;
  done_->setWordWrap(true);
  done_->setAccessibleName(tr("Written"));
  column->addWidget(problem_);
  column->addWidget(done_);
  progress_ = new QProgressBar;
  progress_->setAccessibleName(tr("Writing"));
  progress_->setTextVisible(false);
  progress_->setFixedHeight(8);
  column->addWidget(progress_);
  print_ = new QPushButton(tr("Print …"));
  print_->setAccessibleName(tr("Print what is ticked"));
  print_->setDefault(true);
  write_ = new QPushButton(tr("Write the files"));
  close_ = new QPushButton;
  auto* buttons = new QHBoxLayout;
  for (QPushButton* one : {print_, write_, close_}) buttons->addWidget(one);
  column->addLayout(buttons);
  connect(print_, &QPushButton::clicked, this, &PrintDialog::printWhatIsTicked);
  connect(write_, &QPushButton::clicked, this, [this] { printInto(folder_->text()); });
  connect(close_, &QPushButton::clicked, this, [this] {
    if (writing_)
      thread_.request_stop();
    else
      accept();
  });
  return out;
}

QWidget* PrintDialog::makeLabelGrid() {
  auto* out = new QWidget;
  auto* form = new QFormLayout(out);
  form->setContentsMargins(0, 0, 0, 0);
  const LabelSheet& grid = session_.job().labels;
  const auto count = [&](const QString& name, int value, int most) {
    auto* box = new QSpinBox;
    box->setRange(1, most);
    box->setValue(value);
    box->setAccessibleName(name);
    form->addRow(name, box);
    connect(box, &QSpinBox::valueChanged, this, [this] {
      firstFree_->setMaximum(columns_->value() * rows_->value());
      previewing_.ask();
    });
    return box;
  };
  firstFree_ = new QSpinBox;
  firstFree_->setRange(1, grid.columns * grid.rows);
  firstFree_->setAccessibleName(tr("First free label"));
  connect(firstFree_, &QSpinBox::valueChanged, this, [this] { previewing_.ask(); });
  columns_ = count(tr("Labels across"), grid.columns, 10);
  rows_ = count(tr("Labels down"), grid.rows, 30);
  const auto length = [&](const QString& name, Length value) {
    auto* field = new QLineEdit(typed(value, session_.style()));
    field->setAccessibleName(name);
    form->addRow(name, field);
    connect(field, &QLineEdit::editingFinished, this, [this] { previewing_.ask(); });
    return field;
  };
  marginLeft_ = length(tr("Margin at the sides"), grid.marginLeft);
  marginTop_ = length(tr("Margin above and below"), grid.marginTop);
  gapAcross_ = length(tr("Gap between columns"), grid.gapAcross);
  gapDown_ = length(tr("Gap between rows"), grid.gapDown);
  form->addRow(tr("First free label"), firstFree_);
  return out;
}

QWidget* PrintDialog::makePreview() {
  auto* out = new QWidget;
  auto* column = new QVBoxLayout(out);
  column->setContentsMargins(0, 0, 0, 0);
  pages_ = new QPrintPreviewWidget(&printer_);
  pages_->setAccessibleName(tr("How the pages look"));
  connect(pages_, &QPrintPreviewWidget::paintRequested, this, &PrintDialog::preview);
  column->addWidget(pages_, 1);
  auto* row = new QHBoxLayout;
  const auto button = [&](const QString& words, auto act) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(words);
    made->setAutoDefault(false);
    connect(made, &QPushButton::clicked, this, act);
    row->addWidget(made);
  };
  button(tr("Page before"), [this] { turn(-1); });
  button(tr("Next page"), [this] { turn(1); });
  page_ = new Label;
  page_->setAccessibleName(tr("Page shown"));
  row->addWidget(page_, 1, Qt::AlignCenter);
  button(tr("Whole page"), [this] { pages_->fitInView(); });
  button(tr("Larger page"), [this] { pages_->zoomIn(1.25); });
  button(tr("Smaller page"), [this] { pages_->zoomOut(1.25); });
  column->addLayout(row);
  connect(pages_, &QPrintPreviewWidget::previewChanged, this, [this] { turn(0); });
  return out;
}

void PrintDialog::turn(int by) {
  if (by != 0) pages_->setCurrentPage(pages_->currentPage() + by);
  const int pages = pages_->pageCount();
  page_->setText(cutShort_ ? tr("page %1 of the first %2").arg(pages_->currentPage()).arg(pages)
                           : tr("page %1 of %2").arg(pages_->currentPage()).arg(pages));
}

int PrintDialog::previewedPages() const {
  return pages_->pageCount();
}

Pages PrintDialog::shownKind() const {
  const int row = std::max(0, kinds_->currentRow());
  return kPrintKinds[row].pages;
}

void PrintDialog::choose(int row) {
  grid_->setVisible(row >= 0 && kPrintKinds[row].pages == Pages::Labels);
  if (row < 0) return;
  // Which way the paper lies is known before the pages are asked for.
  setPaper(printer_, shownKind(), paper_->currentIndex() == 1 ? Paper::Letter : Paper::A4,
           session_.job());
  previewing_.ask();
}

void PrintDialog::preview(QPrinter* printer) {
  if (kinds_->currentRow() < 0) return;
  PrintOrder order = this->order();
  Job job = *order.job;
  // What is wrong with the grid is said when it is taken over.
  if (!gridFrom(job.labels).empty()) return;
  order.job = std::make_shared<const Job>(std::move(job));
  PrintWatch watch;
  watch.mostPages = kMostPreviewed;
  std::size_t drawn = 0;
  std::size_t all = 0;
  watch.progress = [&](std::size_t done, std::size_t of) {
    drawn = done + 1;
    all = of;
  };
  const auto problem = order.draw(shownKind(), *printer, watch);
  cutShort_ = drawn < all;
  if (problem)
    problem_->show({*problem});
  else
    problem_->clear();
}

void PrintDialog::setWriting(bool writing) {
  writing_ = writing;
  print_->setEnabled(!writing);
  write_->setEnabled(!writing);
  close_->setText(writing ? tr("Stop") : tr("Close"));
  progress_->setVisible(writing);
  progress_->setRange(0, 1000);
  progress_->setValue(0);
}

Problems PrintDialog::gridFrom(LabelSheet& grid) const {
  grid.letter = paper_->currentIndex() == 1;
  grid.columns = columns_->value();
  grid.rows = rows_->value();
  const std::pair<QLineEdit*, Length*> fields[] = {{marginLeft_, &grid.marginLeft},
                                                   {marginTop_, &grid.marginTop},
                                                   {gapAcross_, &grid.gapAcross},
                                                   {gapDown_, &grid.gapDown}};
  for (const auto& [field, target] : fields) {
    const auto value = parseExpression(field->text().toStdString(), session_.job().unit);
    if (!value) {
      Problems problems = value.problems();
      problems.front().field = field->accessibleName().toStdString();
      return problems;
    }
    *target = value.value();
  }
  return {};
}

// The grid belongs to the job, so that the next sheet is right without setting it again; and what
// is printed carries its codes from then on.
bool PrintDialog::takeOver() {
  problem_->clear();
  done_->clear();
  Job next = session_.draft();
  Problems problems = gridFrom(next.labels);
  if (!problems.empty())
    kinds_->setCurrentRow(static_cast<int>(Pages::Labels));  // where that can be mended
  if (problems.empty()) problems = session_.edit(tr("label sheet"), std::move(next));
  problem_->show(problems);
  if (problems.empty()) session_.printed();
  return problems.empty();
}

PrintOrder PrintDialog::order() const {
  PrintOrder out;
  if (session_.plans().isCurrent()) out.plan = session_.plans().shown();
  out.job = session_.jobValue();
  out.breakdown = session_.breakdownValue();
  out.paper = paper_->currentIndex() == 1 ? Paper::Letter : Paper::A4;
  out.usedLabels = firstFree_->value() - 1;
  const auto state = session_.store().state();
  if (state) out.finishes = state->finishes;
  out.shopping = std::make_shared<const ShoppingList>(
      shoppingList({session_.wants()}, state ? static_cast<const ShopGoods&>(*state) : ShopGoods{},
                   session_.job().costing.spare));
  for (int row = 0; row < kinds_->count(); ++row)
    if (kinds_->item(row)->checkState() == Qt::Checked)
      out.wanted.push_back(kPrintKinds[row].pages);
  return out;
}

std::optional<PrintOrder> PrintDialog::takenOrder() {
  if (writing_) return std::nullopt;
  // What is printed is the plan that was shown, whatever the grid's edit sets going.
  PlanShown plan = order().plan;
  if (!takeOver()) return std::nullopt;
  PrintOrder out = order();
  out.plan = std::move(plan);
  return out;
}

void PrintDialog::printInto(const QString& folder) {
  auto order = takenOrder();
  if (!order) return;
  into_ = folder;
  begin([order = std::move(*order), folder = QDir(folder), stem = fileStem(session_.title())](
            const PrintWatch& watch) { return order.write(folder, stem, watch); });
}

// What is asked over this dialog is a child of it, never of a function that waits for it: this one
// can be closed, and gone, before the answer.
void PrintDialog::chooseFolder() {
  auto* dialog = new QFileDialog(this, tr("Folder for the files"), folder_->text());
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  dialog->setFileMode(QFileDialog::Directory);
  dialog->setOption(QFileDialog::ShowDirsOnly);
  connect(dialog, &QFileDialog::fileSelected, folder_, &QLineEdit::setText);
  dialog->open();
}

void PrintDialog::printWhatIsTicked() {
  auto printer = std::make_shared<QPrinter>(QPrinter::HighResolution);
  auto* dialog = new QPrintDialog(printer.get(), this);
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  connect(dialog, &QDialog::accepted, this, [this, printer] { printOn(printer); });
  dialog->open();
}

void PrintDialog::printOn(std::shared_ptr<QPrinter> printer) {
  auto order = takenOrder();
  if (!order) return;
  into_ = printer->printerName();
  printer->setFullPage(true);
  begin([order = std::move(*order), printer = std::move(printer),
         stem = fileStem(session_.title())](const PrintWatch& watch) {
    return order.print(*printer, stem, watch);
  });
}

void PrintDialog::begin(std::function<PrintOrder::Outcome(const PrintWatch&)> work) {
  setWriting(true);
  // Joined before this dialog goes, so `this` outlives the thread; what it posts goes with it.
  thread_ = std::jthread([this, work = std::move(work)](const std::stop_token& stop) {
    int shown = -1;
    const PrintWatch watch{
        stop, [&](std::size_t done, std::size_t of) {
          const int now = static_cast<int>(1000 * done / std::max<std::size_t>(of, 1));
          if (now == shown) return;
          shown = now;
          QMetaObject::invokeMethod(progress_, "setValue", Qt::QueuedConnection, Q_ARG(int, now));
        }};
    const auto outcome = work(watch);
    QMetaObject::invokeMethod(
        this, [this, outcome] { ended(outcome.first, outcome.second); }, Qt::QueuedConnection);
  });
}

void PrintDialog::ended(const QStringList& written, const std::optional<Problem>& problem) {
  setWriting(false);
  if (problem) problem_->show({*problem});
  done_->setText(written.isEmpty()
                     ? QString()
                     : tr("Into %1: %2").arg(into_, written.join(QStringLiteral(", "))));
}

}  // namespace pp
