#include "app/shell/job_dialog.h"

#include <QComboBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>
#include <vector>

#include "app/fields/field.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

namespace {

// What sizes that are shared out may land on; 0: exact shares.
std::vector<Length> shareSteps() {
  std::vector<Length> out = {Length{}, Length::um(500), Length::mm(1)};
  for (const int parts : {4, 8, 16, 32, 64}) out.push_back(Length::in(0, 1, parts));
  return out;
}

QString stepWords(Length step) {
  if (step == Length{}) return JobDialog::tr("exactly");
  const bool metric = step.inNm() % Length::um(100).inNm() == 0;
  return JobDialog::tr("to %1").arg(qs(formatExact(step, metric ? Unit::Millimetre : Unit::Inch)));
}

}  // namespace

JobDialog::JobDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setAttribute(Qt::WA_DeleteOnClose);
  setWindowTitle(tr("The job"));
  auto* column = new QVBoxLayout(this);
  auto* form = new QFormLayout;
  form->setFieldGrowthPolicy(QFormLayout::AllNonFixedFieldsGrow);
  const auto field = [form](const QString& words, const QString& name, const std::string& value) {
    auto* edit = new QLineEdit(qs(value));
    edit->setAccessibleName(name);
    edit->setFont(look::text(14));
    edit->setMinimumWidth(320);
    form->addRow(words, edit);
    return edit;
  };
  name_ = field(tr("&Name of the job"), tr("Name of the job"), session.job().name);
  place_ = field(tr("&Where it will stand"), tr("Where it will stand"), session.job().place);
  shares_ = new QComboBox;
  shares_->setAccessibleName(tr("Sizes that are shared out"));
  shares_->setFont(look::text(look::kBody));
  for (const Length step : shareSteps()) shares_->addItem(stepWords(step));
  const std::vector<Length> steps = shareSteps();
  const auto now = std::find(steps.begin(), steps.end(), session.job().shareStep);
  if (now == steps.end()) shares_->addItem(stepWords(session.job().shareStep));
  shares_->setCurrentIndex(static_cast<int>(now - steps.begin()));
  form->addRow(tr("&Sizes shared out"), shares_);
  column->addLayout(form);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  auto* row = new QHBoxLayout;
  row->addStretch(1);
  auto* leave = new QPushButton(tr("Leave as it was"));
  auto* take = new QPushButton(tr("Take over"));
  take->setDefault(true);
  row->addWidget(leave);
  row->addWidget(take);
  column->addLayout(row);
  connect(leave, &QPushButton::clicked, this, &QDialog::reject);
  connect(take, &QPushButton::clicked, this, &JobDialog::takeOver);
  name_->selectAll();
  name_->setFocus();
}

void JobDialog::takeOver() {
  Job next = session_.draft();
  next.name = name_->text().trimmed().toStdString();
  next.place = place_->text().trimmed().toStdString();
  const std::vector<Length> steps = shareSteps();
  const auto chosen = static_cast<std::size_t>(shares_->currentIndex());
  if (chosen < steps.size()) next.shareStep = steps[chosen];
  if (next.name.empty()) return problem_->show({{{}, 0, "name of the job", "nothing", "a name"}});
  if (const Problems problems = session_.edit(tr("the job"), std::move(next)); !problems.empty())
    return problem_->show(problems);
  accept();
}

}  // namespace pp
