#include "app/stages/rack/supplies.h"

#include <QFileDialog>

#include "app/grid/columns.h"
#include "core/formats/file.h"
#include "core/formats/lists_csv.h"

namespace pp {
Supplies::Supplies(Session& session, QWidget* parent)
    : Leaves(session, tr("supply"), parent), session_(session) {
  setTableHeight(kLowTable);
  add({.choice = tr("Slides"),
       .name = tr("Drawer slides"),
       .columns = slideColumns(),
       .rows = [](const Job& job) { return job.slides.size(); },
       .addWhat = tr("add a slide"),
       .removeWhat = tr("remove a slide"),
       .add =
           [](Job& job) {
             Slide slide;
             slide.length =
                 job.slides.empty() ? Length::mm(400) : job.slides.back().length + Length::mm(50);
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
             banding.thickness = Length::mm(1);
             banding.width = Length::mm(22);
             banding.rollLength = Length::mm(50'000);
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
  const auto button = [this](const QString& words, const QString& name, void (Supplies::*act)()) {
    auto* made = new QPushButton(words, this);
    made->setAccessibleName(name);
    connect(made, &QPushButton::clicked, this, act);
    // Only the makers of slides give out lists of what they sell.
    connect(this, &Leaves::leafShown, made, [made](int leaf) { made->setVisible(leaf == 0); });
    return made;
  };
  finish({button(tr("CSV in"), tr("Read slides"), &Supplies::readSlidesCsv),
          button(tr("CSV out"), tr("Write slides"), &Supplies::writeSlidesCsv)});
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
