#include "app/stages/layout/scope_dialog.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>
#include <algorithm>
#include <set>

#include "core/job/ids.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

QString codeOfAssembly(const Job& job, Id id) {
  const Assembly* assembly = findAssembly(job, id);
  return assembly == nullptr ? ScopeDialog::tr("loose parts") : qs(assembly->code);
}

// Which of the rows are ticked: none where all are.
template <class T>
std::vector<T> ticked(const QListWidget& list) {
  std::vector<T> out;
  for (int row = 0; row < list.count(); ++row)
    if (list.item(row)->checkState() == Qt::Checked)
      out.push_back(static_cast<T>(list.item(row)->data(Qt::UserRole).toLongLong()));
  if (static_cast<int>(out.size()) == list.count()) out.clear();
  return out;
}

template <class T>
void addRow(QListWidget& list, const QString& words, T value, const std::vector<T>& chosen) {
  auto* item = new QListWidgetItem(words, &list);
  item->setData(Qt::UserRole, static_cast<qlonglong>(value));
  const bool is = chosen.empty() || std::find(chosen.begin(), chosen.end(), value) != chosen.end();
  item->setCheckState(is ? Qt::Checked : Qt::Unchecked);
}

}  // namespace

QString scopeWords(const Job& job, const Scope& scope) {
  if (scope.isAll()) return ScopeDialog::tr("all parts");
  QStringList roles;
  for (const PartRole role : scope.roles) roles << qs(roleName(role));
  QStringList assemblies;
  for (const Id id : scope.assemblies) assemblies << codeOfAssembly(job, id);
  const QString what = roles.join(QStringLiteral(", "));
  const QString where = assemblies.join(QStringLiteral(", "));
  if (roles.isEmpty()) return where;
  return assemblies.isEmpty() ? what : ScopeDialog::tr("%1 of %2").arg(what, where);
}

ScopeDialog::ScopeDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setAttribute(Qt::WA_DeleteOnClose);
  setWindowTitle(tr("What is laid out"));
  const Scope& scope = session.floor().record().scope;
  auto* column = new QVBoxLayout(this);
  auto* says =
      new QLabel(tr("Lay out the parts that are of both: a ticked assembly and a ticked "
                    "kind."));
  says->setWordWrap(true);
  column->addWidget(says);
  auto* lists = new QHBoxLayout;
  const auto list = [lists](const QString& words, const QString& name) {
    auto* half = new QVBoxLayout;
    auto* heading = new QLabel(words);
    heading->setFont(look::text(13, true));
    auto* made = new QListWidget;
    made->setAccessibleName(name);
    made->setFont(look::text(14));
    made->setMinimumSize(260, 300);
    heading->setBuddy(made);
    half->addWidget(heading);
    half->addWidget(made);
    lists->addLayout(half);
    return made;
  };
  assemblies_ = list(tr("&Assemblies"), tr("Assemblies"));
  roles_ = list(tr("&Kinds of parts"), tr("Kinds of parts"));
  column->addLayout(lists);
  const Job& job = session.job();
  std::set<Id> seen;
  std::set<PartRole> roles;
  for (const Part& part : session.breakdown().parts) {
    seen.insert(part.keys.front().assembly);
    roles.insert(part.role);
  }
  for (const Assembly& assembly : job.assemblies)
    if (seen.count(assembly.id) != 0)
      addRow(*assemblies_, qs(assembly.code + "  " + assembly.name), assembly.id, scope.assemblies);
  if (seen.count(0) != 0) addRow(*assemblies_, tr("loose parts"), Id{0}, scope.assemblies);
  for (const PartRole role : roles) addRow(*roles_, qs(roleName(role)), role, scope.roles);
  auto* row = new QHBoxLayout;
  auto* all = new QPushButton(tr("Tick all"));
  auto* none = new QPushButton(tr("Tick none"));
  auto* leave = new QPushButton(tr("Leave as it was"));
  take_ = new QPushButton(tr("Lay out these"));
  take_->setDefault(true);
  row->addWidget(all);
  row->addWidget(none);
  row->addStretch(1);
  row->addWidget(leave);
  row->addWidget(take_);
  column->addLayout(row);
  const auto tick = [this](Qt::CheckState state) {
    for (QListWidget* one : {assemblies_, roles_})
      for (int i = 0; i < one->count(); ++i) one->item(i)->setCheckState(state);
  };
  connect(all, &QPushButton::clicked, this, [tick] { tick(Qt::Checked); });
  connect(none, &QPushButton::clicked, this, [tick] { tick(Qt::Unchecked); });
  connect(leave, &QPushButton::clicked, this, &QDialog::reject);
  connect(take_, &QPushButton::clicked, this, &ScopeDialog::takeOver);
  for (QListWidget* one : {assemblies_, roles_})
    connect(one, &QListWidget::itemChanged, this, &ScopeDialog::follow);
  assemblies_->setFocus();
}

// Nothing at all cannot be laid out.
void ScopeDialog::follow() {
  const auto any = [](const QListWidget& list) {
    for (int row = 0; row < list.count(); ++row)
      if (list.item(row)->checkState() == Qt::Checked) return true;
    return false;
  };
  take_->setEnabled(any(*assemblies_) && any(*roles_));
}

void ScopeDialog::takeOver() {
  session_.setScope({ticked<Id>(*assemblies_), ticked<PartRole>(*roles_)});
  accept();
}

}  // namespace pp
