#include "app/stages/measure/measure_stage.h"

#include <QVBoxLayout>
#include <algorithm>

#include "app/stages/measure/site_columns.h"
#include "core/site/begin.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/said.h"

namespace pp {
namespace {

constexpr int kHigh = 2'000;  // mm: what most things stand below

bool isConfirmed(const Job& job, const SiteSize& size) {
  return judge(size.read, useOf(size.kind), job.unit).confirmed;
}

}  // namespace

MeasureStage::MeasureStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(8);
  auto* head = new QHBoxLayout;
  auto* words = new Label(tr("What is built"));
  words->setFont(look::text(15, true));
  head->addWidget(words);
  kind_ = new QComboBox;
  kind_->setAccessibleName(tr("The place"));
  kind_->addItems(said<SiteKind>());
  words->setBuddy(kind_);
  head->addWidget(kind_);
  head->addSpacing(12);
  column->addLayout(head);
  left_ = new Label;
  left_->setAccessibleName(tr("What the place leaves"));
  left_->setFont(look::text(look::kBody));
  head->addWidget(left_, 1);
  left_->setWordWrap(true);
  view_ = new SiteView(session);
  column->addWidget(view_, 52);
  leaves_ = new Leaves(session, tr("row of the place"));
  addLeaves();
  column->addWidget(leaves_, 48);
  changes_ = new ChangedParts(session);
  column->addWidget(changes_);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  connect(kind_, &QComboBox::activated, this, &MeasureStage::setKindOfPlace);
  connect(leaves_, &Leaves::refused, this,
          [this](const Problems& problems) { problem_->show(problems); });
  connect(view_, &SiteView::refused, this,
          [this](const Problems& problems) { problem_->show(problems); });
  connect(&session, &Session::changed, this, &MeasureStage::stale);
}

void MeasureStage::addLeaves() {
  leaves_->add({.choice = tr("Sizes"),
                .name = tr("Sizes of the place"),
                .columns = sizeColumns(),
                .rows = [](const Job& job) { return job.site.sizes.size(); },
                .addWhat = tr("add a size"),
                .removeWhat = tr("remove a size"),
                .add =
                    [](Job& job) {
                      SiteSize size;
                      size.at = Length::mm(kHigh);
                      job.site.sizes.push_back(size);
                    },
                .remove = [](Job& job, std::size_t at) { eraseRow(job.site.sizes, at); },
                .wide = 5});
  leaves_->add({.choice = tr("Walls"),
                .name = tr("Walls"),
                .columns = wallColumns(),
                .rows = [](const Job& job) { return job.site.walls.size(); },
                .addWhat = {},
                .removeWhat = {},
                .add = nullptr,
                .remove = nullptr,
                .wide = 4});
  leaves_->add({.choice = tr("On the walls"),
                .name = tr("On walls and floor"),
                .columns = obstacleColumns(),
                .rows = [](const Job& job) { return job.site.obstacles.size(); },
                .addWhat = tr("add what is on a wall"),
                .removeWhat = tr("remove what is on a wall"),
                .add =
                    [](Job& job) {
                      Obstacle outlet;
                      outlet.wall = WallAt::Back;
                      outlet.along = outlet.up = usual(job.unit, Length::mm(300), Length::in(12));
                      outlet.width = outlet.height = usual(job.unit, Length::mm(80), Length::in(3));
                      job.site.obstacles.push_back(outlet);
                    },
                .remove = [](Job& job, std::size_t at) { eraseRow(job.site.obstacles, at); },
                .wide = 1});
  leaves_->add({.choice = tr("What stands there"),
                .name = tr("What stands there"),
                .columns = standColumns(),
                .rows = [](const Job& job) { return job.site.stands.size(); },
                .addWhat = tr("put an assembly there"),
                .removeWhat = tr("take an assembly away"),
                .add =
                    [](Job& job) {
                      const auto stands = [&job](const Assembly& one) {
                        return std::any_of(
                            job.site.stands.begin(), job.site.stands.end(),
                            [&](const SiteStand& at) { return at.assembly == one.id; });
                      };
                      for (const Assembly& one : std::as_const(job).assemblies)
                        if (!stands(one)) {
                          job.site.stands.push_back({one.id, WallAt::Back, {}, {}, false});
                          return;
                        }
                    },
                .remove = [](Job& job, std::size_t at) { eraseRow(job.site.stands, at); },
                .wide = 5});
  leaves_->add({.choice = tr("The way in"),
                .name = tr("The way in"),
                .columns = gateColumns(),
                .rows = [](const Job& job) { return job.route.size(); },
                .addWhat = tr("add a gate"),
                .removeWhat = tr("remove a gate"),
                .add =
                    [](Job& job) {
                      Gate gate;
                      setKind(gate, GateKind::Door);
                      job.route.push_back(gate);
                    },
                .remove = [](Job& job, std::size_t at) { eraseRow(job.route, at); },
                .wide = 1});
  leaves_->finish();
}

int MeasureStage::openCount() const {
  const Job& job = session().job();
  return static_cast<int>(
      std::count_if(job.site.sizes.begin(), job.site.sizes.end(), [&job](const SiteSize& size) {
        return isOf(job.site.kind, size) && !isConfirmed(job, size);
      }));
}

std::vector<KeyHelp> MeasureStage::keys() const {
  return {{tr("arrow keys"), tr("move in the table")},
          {tr("F2, or just type"), tr("type a reading; any unit is understood")},
          {tr("drag"), tr("moves what stands on a wall")},
          {tr("a minus first"), tr("further left, or lower on the right")},
          {tr("Tab"), tr("to the next table and its buttons")}};
}

void MeasureStage::setKindOfPlace(int kind) {
  Job next = session().draft();
  if (next.site.kind == static_cast<SiteKind>(kind)) return;
  setKind(next.site, static_cast<SiteKind>(kind), next.unit);
  problem_->show(session().edit(tr("the place"), std::move(next)));
}

void MeasureStage::say() {
  const Job& job = session().job();
  const auto width = widthFor(job.site, job.unit, {}, Length::mm(kHigh));
  left_->setVisible(!wallsOf(job.site.kind).empty());
  if (!width) {
    left_->setText(
        tr("Read the width at three heights, each twice: the second without seeing the first."));
    return;
  }
  const LengthStyle style = session().style();
  QString words =
      tr("Up to %1 high it leaves %2; built %3 wide, fillers cover up to %4.")
          .arg(figureWithUnit(Length::mm(kHigh), style), figureWithUnit(width->width.free, style),
               figureWithUnit(width->width.built, style),
               figureWithUnit(width->width.cover, style));
  if (!width->confirmed) words += tr(" Not confirmed yet.");
  left_->setText(words);
}

void MeasureStage::refresh() {
  kind_->setCurrentIndex(static_cast<int>(session().job().site.kind));
  say();
  changes_->follow();
  view_->refresh();
}

void MeasureStage::hideEvent(QHideEvent* event) {
  Stage::hideEvent(event);
  changes_->forget();
  stale();
}

}  // namespace pp
