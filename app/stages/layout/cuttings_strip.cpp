#include "app/stages/layout/cuttings_strip.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/fields/field.h"
#include "app/stages/layout/scope_dialog.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

QString wordsOf(const Job& job, const Cutting& cutting, const floor::CuttingProgress& at) {
  std::int64_t made = 0;
  for (const auto& steps : at.made) made += std::ssize(steps);
  const CuttingPlan& plan = cutting.plans[static_cast<std::size_t>(at.plan - 1)];
  return CuttingsStrip::tr("At the saw, cutting %1 (%2): %3, %4 of %5 cuts made.")
      .arg(cutting.number)
      .arg(scopeWords(job, cutting.scope),
           counted(std::ssize(plan.plan.sheets), CuttingsStrip::tr("sheet"),
                   CuttingsStrip::tr("sheets")))
      .arg(made)
      .arg(plan.plan.cuts.size());
}

}  // namespace

CuttingsStrip::CuttingsStrip(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("Cuttings"));
  lines_ = new QVBoxLayout(this);
  lines_->setContentsMargins(0, 0, 0, 0);
  lines_->setSpacing(2);
}

void CuttingsStrip::follow(const Job& job, const Record& record, const floor::Progress& progress) {
  QStringList words;
  std::vector<int> numbers;
  for (const Cutting& cutting : record.cuttings) {
    if (!progress.isUnderWay(cutting.number)) continue;
    words << wordsOf(job, cutting, progress.cuttings.at(cutting.number));
    numbers.push_back(cutting.number);
  }
  setVisible(!words.isEmpty());
  if (words == shown_) return;
  shown_ = words;
  while (QLayoutItem* item = lines_->takeAt(0)) {
    // One of its buttons may be what asked for this.
    item->widget()->hide();
    item->widget()->deleteLater();
    delete item;
  }
  for (int i = 0; i < words.size(); ++i) {
    const int number = numbers[static_cast<std::size_t>(i)];
    auto* line = new QWidget;
    auto* row = new QHBoxLayout(line);
    row->setContentsMargins(0, 0, 0, 0);
    auto* says = new Label;
    says->setFont(look::text(13));
    says->setAccessibleName(tr("Cutting %1").arg(number));
    says->setText(words[i]);
    row->addWidget(says);
    auto* give = new QPushButton(tr("Give up"));
    give->setAccessibleName(tr("Give up cutting %1").arg(number));
    row->addWidget(give);
    row->addStretch(1);
    connect(give, &QPushButton::clicked, this, [this, number] { emit giveUp(number); });
    lines_->addWidget(line);
  }
}

}  // namespace pp
