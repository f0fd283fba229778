#include "app/shell/job_dialog.h"

#include <QFormLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/fields/field.h"
#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"

namespace pp {

JobDialog::JobDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setAttribute(Qt::WA_DeleteOnClose);
  setWindowTitle(tr("Name and place"));
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
  if (next.name.empty()) return problem_->show({{{}, 0, "name of the job", "nothing", "a name"}});
  if (const Problems problems = session_.edit(tr("name and place"), std::move(next));
      !problems.empty())
    return problem_->show(problems);
  accept();
}

}  // namespace pp
