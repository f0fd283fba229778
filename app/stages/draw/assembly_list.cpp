#include "app/stages/draw/assembly_list.h"

#include <QGridLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>

#include "app/fields/field.h"
#include "app/fields/question.h"
#include "app/sentences/sentence.h"
#include "core/breakdown/mirror.h"
#include "core/job/ids.h"
#include "core/kinds/kind.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

AssemblyList::AssemblyList(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Assemblies"));
  list_->setFixedHeight(132);
  list_->setFont(look::text(14));
  column->addWidget(list_);
  auto* buttons = new QGridLayout;
  buttons->setSpacing(4);
  int place = 0;
  const auto button = [&](const QString& words, const QString& name, auto slot) {
    auto* one = new QPushButton(words);
    one->setAccessibleName(name);
    one->setToolTip(name);
    connect(one, &QPushButton::clicked, this, slot);
    buttons->addWidget(one, place / 4, place % 4);
    ++place;
    return one;
  };
  add_ = button(tr("Add"), tr("Add assembly"), &AssemblyList::askForLibrary);
  button(tr("Copy"), tr("Copy assembly"), &AssemblyList::copyAssembly);
  button(tr("Mirror"), tr("Mirror assembly"), &AssemblyList::mirrorAssembly);
  button(tr("Keep"), tr("Keep assembly in the library"), &AssemblyList::keepAssembly);
  button(tr("Up"), tr("Move assembly up"), [this] { moveAssembly(-1); });
  button(tr("Down"), tr("Move assembly down"), [this] { moveAssembly(1); });
  button(tr("Remove"), tr("Remove assembly"), &AssemblyList::removeAssembly);
  column->addLayout(buttons);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (row < 0 || row >= static_cast<int>(session_.job().assemblies.size())) return;
    const Assembly& chosen = session_.job().assemblies[static_cast<std::size_t>(row)];
    session_.pointing().measure(tr("width of %1").arg(qs(chosen.code)),
                                widthOf(session_.job(), chosen));
    session_.pointing().select({chosen.code, std::nullopt, {}});
  });
  connect(list_, &QListWidget::itemChanged, this, &AssemblyList::rename);
  connect(&library_, &LibraryReader::arrived, this, &AssemblyList::offerAssemblies);
}

const Assembly* AssemblyList::assembly() const {
  return findAssembly(session_.job(), session_.pointing().selection().assembly);
}

void AssemblyList::refresh() {
  const QSignalBlocker quiet(list_);
  const auto& assemblies = session_.job().assemblies;
  const int count = static_cast<int>(assemblies.size());
  while (list_->count() > count) delete list_->takeItem(list_->count() - 1);
  while (list_->count() < count) {
    auto* item = new QListWidgetItem;
    item->setFlags(item->flags() | Qt::ItemIsEditable);
    list_->addItem(item);
  }
  int chosen = -1;
  for (int row = 0; row < count; ++row) {
    const Assembly& one = assemblies[static_cast<std::size_t>(row)];
    QListWidgetItem* item = list_->item(row);
    const QString text = qs(one.code + "  " + one.name) +
                         (one.copies > 1 ? QStringLiteral("  × %1").arg(one.copies) : QString());
    if (item->text() != text) item->setText(text);
    item->setData(Qt::UserRole, qs(one.code));
    if (one.code == session_.pointing().selection().assembly) chosen = row;
  }
  if (list_->currentRow() != chosen) list_->setCurrentRow(chosen);
}

// The kind's own letter and the next number that is free.
std::string AssemblyList::freeCode(const Assembly& assembly) const {
  for (int n = 1;; ++n)
    if (std::string code = kindOf(assembly).letter + std::to_string(n); session_.isFreeCode(code))
      return code;
}

void AssemblyList::askForLibrary() {
  library_.read();
}

void AssemblyList::offerAssemblies(const std::vector<LibraryItem>& items) {
  if (!add_->isVisible()) return;  // another stage is shown by now
  auto* menu = new QMenu(this);
  menu->setAttribute(Qt::WA_DeleteOnClose);
  menu->setAccessibleName(tr("What to add"));
  for (const LibraryItem& item : items)
    menu->addAction(unmarked(qs(item.name)), this, [this, item] {
      auto added = placed(item, session_.job());
      if (!added) return emit refused(added.problems());
      added.value().assembly.name = item.name;
      addAssembly(added.value());
    });
  menu->addSeparator();
  for (const Kind& kind : kinds())
    menu->addAction(tr("plain %1").arg(tr(kind.name)), this, [this, &kind] {
      addAssembly({begun(session_.job(), kind), {}});
    });
  menu->setActiveAction(menu->actions().front());
  menu->popup(add_->mapToGlobal(QPoint(0, add_->height())));
}

void AssemblyList::addAssembly(const Fragment& added) {
  Job next = session_.draft();
  if (next.materials.empty())
    return emit refused({{{}, 0, {}, "no material in the rack", "one, to make the assembly of"}});
  const std::string code = freeCode(added.assembly);
  addCopy(next, added.assembly, added.choices, code);
  const Problems problems = session_.edit(tr("add %1").arg(qs(code)), std::move(next));
  if (!problems.empty()) return emit refused(problems);
  session_.pointing().select({code, std::nullopt, {}});
}

void AssemblyList::copyAssembly() {
  Job next = session_.draft();
  const Assembly* of = assembly();
  if (of == nullptr) return;
  const std::string code = freeCode(*of);
  addCopy(next, *of, session_.job().overrides, code);
  const QString what = tr("copy %1").arg(qs(of->code));
  session_.edit(what, std::move(next));
  session_.pointing().select({code, std::nullopt, {}});
}

// An assembly turned into its mirror image; copy it first to have the pair.
void AssemblyList::mirrorAssembly() {
  Job next = session_.draft();
  const Assembly* of = assembly();
  if (of == nullptr || std::holds_alternative<CarcassGroup>(of->body))
    return emit refused({{{}, 0, {}, "a group", "its carcasses, turned one by one"}});
  const std::string code = of->code;
  for (std::size_t i = 0; i < next.assemblies.size(); ++i)
    if (session_.job().assemblies[i].id == of->id) pp::mirrorAssembly(next, i);
  const Problems problems = session_.edit(tr("mirror %1").arg(qs(code)), std::move(next));
  if (!problems.empty()) emit refused(problems);
}

void AssemblyList::moveAssembly(int by) {
  Job next = session_.draft();
  const std::string code = session_.pointing().selection().assembly;
  for (std::size_t i = 0; i < next.assemblies.size(); ++i) {
    if (session_.job().assemblies[i].code != code) continue;
    const auto to = static_cast<std::ptrdiff_t>(i) + by;
    if (to < 0 || to >= static_cast<std::ptrdiff_t>(next.assemblies.size())) return;
    next.assemblies.swapRows(i, static_cast<std::size_t>(to));
    break;
  }
  session_.edit(tr("move %1").arg(qs(code)), std::move(next));
}

void AssemblyList::keepAssembly() {
  const Assembly* of = assembly();
  if (of == nullptr) return;
  if (isKept(*of) &&
      ask(this, tr("Kept already"), tr("The library has a “%1” already.").arg(qs(of->name)),
          {tr("Replace it"), tr("Cancel")}) != 0)
    return;
  of = assembly();  // a question lets events through
  if (of == nullptr) return;
  if (const auto problem = keepInLibrary(*of, session_.job())) return emit refused({*problem});
  emit said(tr("Kept in the library as “%1”; Add offers it.").arg(qs(of->name)));
}

void AssemblyList::removeAssembly() {
  Job next = session_.draft();
  const Assembly* of = assembly();
  if (of == nullptr) return;
  const std::string code = of->code;
  erase_if(next.assemblies, [&code](const Assembly& one) { return one.code == code; });
  const Problems problems = session_.edit(tr("remove %1").arg(qs(code)), std::move(next));
  if (!problems.empty()) emit refused(problems);
}

// "B1  chart drawers": the first word is the code, the rest the name.
void AssemblyList::rename(QListWidgetItem* item) {
  // The list is filled anew by the edit, so it waits until this item's own editing is over; by then
  // another edit may have been made.
  QMetaObject::invokeMethod(
      this,
      [this, old = item->data(Qt::UserRole).toString().toStdString(),
       text = item->text().trimmed()] {
        Job next = session_.draft();
        const auto& known = session_.job().assemblies;
        std::size_t row = 0;
        while (row < known.size() && known[row].code != old) ++row;
        if (row == known.size()) return refresh();
        const std::string code = text.section(QLatin1Char(' '), 0, 0).toStdString();
        next.assemblies[row].name = text.section(QLatin1Char(' '), 1)
                                        .section(QStringLiteral("  × "), 0, 0)
                                        .trimmed()
                                        .toStdString();
        next.assemblies[row].code = code;
        const Problems problems = session_.edit(tr("rename"), std::move(next));
        if (problems.empty()) return session_.pointing().select({code, std::nullopt, {}});
        refresh();
        emit refused(problems);
      },
      Qt::QueuedConnection);
}

}  // namespace pp
