#include "app/stages/rack/supplies.h"

#include <QFileDialog>
#include <algorithm>

#include "app/grid/columns.h"
#include "app/grid/grid_table.h"
#include "core/formats/file.h"
#include "core/formats/lists_csv.h"

namespace pp {
namespace {

// "slide 4": the first number that no row has taken.
template <class Row>
std::string freeName(const std::vector<Row>& rows, const QString& stem) {
  for (std::size_t n = rows.size() + 1;; ++n) {
    std::string name = (stem + QStringLiteral(" %1").arg(n)).toStdString();
    if (std::none_of(rows.begin(), rows.end(), [&](const Row& row) { return row.name == name; }))
      return name;
  }
}

template <class Row>
void eraseRow(std::vector<Row>& rows, std::size_t row) {
  rows.erase(rows.begin() + static_cast<std::ptrdiff_t>(row));
}

}  // namespace

Supplies::Supplies(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  head_ = new QHBoxLayout;
  head_->setSpacing(4);
  column->addLayout(head_);
  tables_ = new QStackedWidget;
  tables_->setFixedHeight(kLowTable);
  column->addWidget(tables_);
  addKind(tr("Drawer slides"), slideColumns(), [](const Job& job) { return job.slides.size(); },
          {.choice = new QPushButton(tr("Slides")),
           .table = nullptr,
           .addWhat = tr("add a slide"),
           .removeWhat = tr("remove a slide"),
           .add =
               [](Job& job) {
                 Slide slide;
                 slide.length = job.slides.empty() ? Length::mm(400)
                                                   : job.slides.back().length + Length::mm(50);
                 slide.name = freeName(job.slides, tr("slide"));
                 job.slides.push_back(slide);
               },
           .remove = [](Job& job, std::size_t row) { eraseRow(job.slides, row); }});
  addKind(tr("Edge banding"), bandingColumns(), [](const Job& job) { return job.bandings.size(); },
          {.choice = new QPushButton(tr("Banding")),
           .table = nullptr,
           .addWhat = tr("add a banding"),
           .removeWhat = tr("remove a banding"),
           .add =
               [](Job& job) {
                 Banding banding;
                 banding.id = "banding-" + std::to_string(++job.lastId);
                 banding.name = freeName(job.bandings, tr("banding"));
                 banding.thickness = Length::mm(1);
                 banding.width = Length::mm(22);
                 banding.rollLength = Length::mm(50'000);
                 job.bandings.push_back(banding);
               },
           .remove = [](Job& job, std::size_t row) { eraseRow(job.bandings, row); }});
  addKind(tr("Bought in"), boughtColumns(), [](const Job& job) { return job.bought.size(); },
          {.choice = new QPushButton(tr("Bought in")),
           .table = nullptr,
           .addWhat = tr("add a thing bought in"),
           .removeWhat = tr("remove a thing bought in"),
           .add =
               [](Job& job) {
                 BoughtIn bought;
                 bought.name = freeName(job.bought, tr("thing"));
                 job.bought.push_back(bought);
               },
           .remove = [](Job& job, std::size_t row) { eraseRow(job.bought, row); }});
  head_->addStretch(1);
  const auto button = [this](const QString& words, const QString& name, void (Supplies::*act)()) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(name);
    connect(made, &QPushButton::clicked, this, act);
    head_->addWidget(made);
    return made;
  };
  button(tr("Add"), tr("Add supply"), &Supplies::add);
  button(tr("Remove"), tr("Remove supply"), &Supplies::remove);
  in_ = button(tr("CSV in"), tr("Read slides"), &Supplies::readSlidesCsv);
  out_ = button(tr("CSV out"), tr("Write slides"), &Supplies::writeSlidesCsv);
  show(0);
}

void Supplies::addKind(const QString& name, std::vector<GridColumn> columns,
                       std::function<std::size_t(const Job&)> rows, Kind kind) {
  auto* model = new GridModel(session_, name.toLower(), std::move(columns), std::move(rows), this);
  connect(model, &GridModel::refused, this, &Supplies::refused);
  kind.table = makeGridTable(name, model);
  tables_->addWidget(kind.table);
  kind.choice->setCheckable(true);
  kind.choice->setAccessibleName(tr("Show %1").arg(name.toLower()));
  head_->addWidget(kind.choice);
  connect(kind.choice, &QPushButton::clicked, this, [this, at = kinds_.size()] { show(at); });
  kinds_.push_back(std::move(kind));
}

void Supplies::show(std::size_t kind) {
  shown_ = kind;
  for (std::size_t i = 0; i < kinds_.size(); ++i) kinds_[i].choice->setChecked(i == kind);
  tables_->setCurrentWidget(kinds_[kind].table);
  // Only the makers of slides give out lists of what they sell.
  in_->setVisible(kind == 0);
  out_->setVisible(kind == 0);
}

void Supplies::add() {
  const Kind& kind = kinds_[shown_];
  Job next = session_.draft();
  kind.add(next);
  emit refused(session_.edit(kind.addWhat, std::move(next)));
  chooseRow(*kind.table, static_cast<std::size_t>(kind.table->model()->rowCount() - 1));
}

void Supplies::remove() {
  const Kind& kind = kinds_[shown_];
  const auto row = chosenRow(*kind.table);
  if (!row) return;
  Job next = session_.draft();
  kind.remove(next, *row);
  emit refused(session_.edit(kind.removeWhat, std::move(next)));
}

void Supplies::readSlidesCsv() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Read slides"), {}, tr("CSV (*.csv)"));
  if (!path.isEmpty()) readSlidesFile(path);
}

bool Supplies::readSlidesFile(const QString& path) {
  const auto text = readFile(path.toStdString());
  auto slides = text ? readSlides(path.toStdString(), text.value(), session_.job().unit)
                     : Result<std::vector<Slide>>(text.problems());
  if (!slides) {
    emit refused(slides.problems());
    return false;
  }
  Job next = session_.draft();
  for (Slide& slide : slides.value())
    for (const Slide& known : next.slides)
      if (known.name == slide.name) slide.id = known.id;  // the same one, with what is new of it
  next.slides = std::move(slides).value();
  const Problems problems = session_.edit(tr("read slides"), std::move(next));
  emit refused(problems);
  return problems.empty();
}

void Supplies::writeSlidesCsv() {
  const QString path =
      QFileDialog::getSaveFileName(this, tr("Write slides"), {}, tr("CSV (*.csv)"));
  if (!path.isEmpty()) writeSlidesFile(path);
}

bool Supplies::writeSlidesFile(const QString& path) {
  const auto problem = writeFile(path.toStdString(), writeSlides(session_.job().slides));
  emit refused(problem ? Problems{*problem} : Problems{});
  return !problem;
}

}  // namespace pp
