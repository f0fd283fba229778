#include "app/stages/rack/rack_leaves.h"

#include <QFileDialog>
#include <algorithm>

#include "app/fields/question.h"
#include "app/grid/columns.h"
#include "app/stages/rack/thickness_dialog.h"
#include "core/formats/file.h"
#include "core/formats/lists_csv.h"
#include "core/job/ids.h"
#include "words/figures.h"

namespace pp {

namespace {

enum Leaf { kStock, kMaterials, kSaws, kSawing, kSlides };

std::string freeMark(const Job& job, const std::string& stem) {
  const auto taken = [&job](const std::string& mark) {
    return std::any_of(job.stock.begin(), job.stock.end(),
                       [&](const StockPiece& piece) { return piece.mark == mark; }) ||
           findMaterial(job, mark) != nullptr;
  };
  for (int n = 1;; ++n)
    if (std::string mark = stem + std::to_string(n); !taken(mark)) return mark;
}

// Nothing is added where there is nothing it could be of.
void addPiece(Job& job, StockKind kind) {
  if (job.materials.empty()) return;
  StockPiece piece;
  const bool sheet = kind == StockKind::Sheet;
  piece.mark = freeMark(job, sheet ? "S-" : "R");
  piece.material = job.materials.front().id;
  piece.kind = kind;
  piece.length = sheet ? usual(job.unit, Length::mm(2'440), Length::in(96))
                       : usual(job.unit, Length::mm(600), Length::in(24));
  piece.width = sheet ? usual(job.unit, Length::mm(1'220), Length::in(48))
                      : usual(job.unit, Length::mm(300), Length::in(12));
  if (!sheet) piece.quantity = 1;
  job.stock.push_back(piece);
}

}  // namespace

RackLeaves::RackLeaves(Session& session, QWidget* parent)
    : Leaves(session, tr("row"), parent), session_(session) {
  addRack();
  addSaws();
  addFittings();
  const auto button = [this](const QString& words, const QString& name, int leaf,
                             void (RackLeaves::*act)()) {
    auto* made = new QPushButton(words, this);
    made->setAccessibleName(name);
    connect(made, &QPushButton::clicked, this, act);
    connect(this, &Leaves::leafShown, made,
            [made, leaf](int shown) { made->setVisible(shown == leaf); });
    return made;
  };
  // Only the makers of slides give out lists of what they sell.
  finish({button(tr("Add offcut"), tr("Add offcut"), kStock, &RackLeaves::addOffcut),
          button(tr("Measure …"), tr("Measure the thickness"), kStock, &RackLeaves::measure),
          button(tr("CSV in"), tr("Read slides"), kSlides, &RackLeaves::readSlidesCsv),
          button(tr("CSV out"), tr("Write slides"), kSlides, &RackLeaves::writeSlidesCsv)});
}

void RackLeaves::addRack() {
  add({.choice = tr("Sheets and offcuts"),
       .name = tr("Sheets and offcuts"),
       .columns = stockColumns(),
       .rows = [](const Job& job) { return job.stock.size(); },
       .addWhat = tr("add a sheet"),
       .removeWhat = tr("take out of the rack"),
       .add = [](Job& job) { addPiece(job, StockKind::Sheet); },
       .remove = [](Job& job, std::size_t row) { job.stock.erase(row); }});
  add({.choice = tr("Materials"),
       .name = tr("Materials"),
       .columns = materialColumns(),
       .rows = [](const Job& job) { return job.materials.size(); },
       .addWhat = tr("add a material"),
       .removeWhat = tr("remove a material"),
       .add =
           [](Job& job) {
             Material material;
             material.id = "material-" + std::to_string(++job.lastId);
             material.name = tr("plywood").toStdString();
             material.nominal = material.measured =
                 usual(job.unit, Length::mm(18), Length::in(0, 3, 4));
             job.materials.push_back(material);
           },
       .remove = [](Job& job, std::size_t row) { eraseRow(job.materials, row); }});
}

void RackLeaves::addSaws() {
  add({.choice = tr("Saws"),
       .name = tr("The saws"),
       .columns = machineColumns(),
       .rows = [](const Job& job) { return job.shop.machines.size(); },
       .addWhat = tr("add a saw"),
       .removeWhat = tr("remove a saw"),
       .add =
           [](Job& job) {
             Machine machine;
             machine.name = tr("saw %1").arg(job.shop.machines.size() + 1).toStdString();
             job.shop.machines.push_back(machine);
           },
       .remove = [](Job& job, std::size_t row) { eraseRow(job.shop.machines, row); }});
  add({.choice = tr("Sawing"),
       .name = tr("How the shop saws"),
       .columns = sawColumns(),
       .rows = [](const Job&) { return std::size_t{1}; },
       .addWhat = {},
       .removeWhat = {},
       .add = nullptr,
       .remove = nullptr});
}

std::optional<std::size_t> RackLeaves::chosenPiece() const {
  return shownLeaf() == kStock ? chosen() : std::nullopt;
}

void RackLeaves::addOffcut() {
  Job next = session_.draft();
  addPiece(next, StockKind::Offcut);
  emit refused(session_.edit(tr("add an offcut"), std::move(next)));
  chooseLast();
}

// A lot is as thick wherever it lies: all rows of it follow.
void RackLeaves::measure() {
  const auto at = chosen();
  if (!at || *at >= session_.job().stock.size())
    return emit refused({{{}, 0, {}, "no sheet or offcut chosen", "one that is measured"}});
  const StockPiece piece = session_.job().stock[*at];
  const Material* material = findMaterial(session_.job(), piece.material);
  if (material == nullptr) return;
  RackMaterial like = likeOf(*material);
  const QString what =
      piece.lot.empty() ? qs(piece.mark) : tr("%1, lot %2").arg(qs(material->name), qs(piece.lot));
  ThicknessDialog dialog(session_, what, this);
  if (dialog.exec() != QDialog::Accepted || dialog.readings().empty()) return;
  Job next = session_.draft();
  const Length thickness = dialog.thickness();
  for (std::size_t i = 0; i < next.stock.size(); ++i) {
    const StockPiece& row = std::as_const(next).stock[i];
    const bool sameLot = !piece.lot.empty() && row.lot == piece.lot;
    if (row.material == piece.material && (row.id == piece.id || sameLot))
      next.stock[i].measured = thickness;
  }
  const Problems problems = session_.edit(tr("measure %1").arg(what), std::move(next));
  emit refused(problems);
  if (problems.empty() && piece.store != 0)
    session_.store().keepReadings(std::move(like), piece.lot, dialog.readings());
}

void RackLeaves::addFittings() {
  add({.choice = tr("Slides"),
       .name = tr("Drawer slides"),
       .columns = slideColumns(),
       .rows = [](const Job& job) { return job.slides.size(); },
       .addWhat = tr("add a slide"),
       .removeWhat = tr("remove a slide"),
       .add =
           [](Job& job) {
             Slide slide;
             slide.length = job.slides.empty() ? usual(job.unit, Length::mm(400), Length::in(16))
                                               : job.slides.back().length +
                                                     usual(job.unit, Length::mm(50), Length::in(2));
             slide.name = freeName(job.slides, tr("slide"));
             job.slides.push_back(slide);
           },
       .remove = [](Job& job, std::size_t row) { eraseRow(job.slides, row); }});
  add({.choice = tr("Banding"),
       .name = tr("Edge banding"),
       .columns = bandingColumns(),
       .rows = [](const Job& job) { return job.bandings.size(); },
       .addWhat = tr("add a banding"),
       .removeWhat = tr("remove a banding"),
       .add =
           [](Job& job) {
             Banding banding;
             banding.id = "banding-" + std::to_string(++job.lastId);
             banding.name = freeName(job.bandings, tr("banding"));
             banding.thickness = usual(job.unit, Length::mm(1), Length::in(0, 1, 32));
             banding.width = usual(job.unit, Length::mm(22), Length::in(0, 7, 8));
             banding.rollLength = usual(job.unit, Length::mm(50'000), Length::in(1'968));
             job.bandings.push_back(banding);
           },
       .remove = [](Job& job, std::size_t row) { eraseRow(job.bandings, row); }});
  add({.choice = tr("Bought in"),
       .name = tr("Bought in"),
       .columns = boughtColumns(),
       .rows = [](const Job& job) { return job.bought.size(); },
       .addWhat = tr("add a thing bought in"),
       .removeWhat = tr("remove a thing bought in"),
       .add =
           [](Job& job) {
             BoughtIn bought;
             bought.name = freeName(job.bought, tr("thing"));
             job.bought.push_back(bought);
           },
       .remove = [](Job& job, std::size_t row) { eraseRow(job.bought, row); }});
}

void RackLeaves::readSlidesCsv() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Read slides"), {}, tr("CSV (*.csv)"));
  if (!path.isEmpty()) readSlidesFile(path);
}

bool RackLeaves::readSlidesFile(const QString& path) {
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

void RackLeaves::writeSlidesCsv() {
  askWhereToWrite(this, tr("Write slides"), tr("CSV (*.csv)"), QStringLiteral("csv"), {},
                  [this](const QString& path) { writeSlidesFile(path); });
}

bool RackLeaves::writeSlidesFile(const QString& path) {
  const auto problem = writeFile(path.toStdString(), writeSlides(session_.job().slides));
  emit refused(problem ? Problems{*problem} : Problems{});
  return !problem;
}

}  // namespace pp
