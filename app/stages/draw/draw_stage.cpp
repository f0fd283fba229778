#include "app/stages/draw/draw_stage.h"

#include <QHBoxLayout>
#include <QScrollArea>
#include <QShortcut>
#include <QSignalBlocker>

#include <algorithm>
#include "app/paint/figures.h"
#include "app/paint/look.h"

#include "core/job/size_list.h"
#include "core/length/parse.h"

namespace pp {

DrawStage::DrawStage(Document& document, QWidget* parent) : Stage(document, parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(12);
  row->addWidget(makeMiddle(), 1);
  row->addWidget(makeSide());
  connect(&document, &Document::changed, this, &DrawStage::follow);
  connect(&document, &Document::selectionChanged, this, &DrawStage::follow);
  follow();
}

QWidget* DrawStage::makeMiddle() {
  auto* middle = new QWidget;
  auto* column = new QVBoxLayout(middle);
  column->setContentsMargins(0, 0, 0, 8);
  elevation_ = new ElevationView(document());
  column->addWidget(elevation_, 1);
  auto* tools = new QHBoxLayout;
  const std::pair<int, QString> kinds[] = {{Qt::Key_V, tr("V  Dividers")},
                                           {Qt::Key_H, tr("H  Shelves")},
                                           {Qt::Key_D, tr("D  Drawers")},
                                           {Qt::Key_A, tr("A  Adjustable shelves")},
                                           {Qt::Key_E, tr("E  Empty")}};
  for (const auto& [key, words] : kinds) {
    auto* button = new QPushButton(words);
    button->setAccessibleName(words.mid(3));
    connect(button, &QPushButton::clicked, this, [this, k = key] { ask(k); });
    tools->addWidget(button);
  }
  tools->addStretch(1);
  column->addLayout(tools);
  auto* line = new QHBoxLayout;
  prompt_ = new QLabel;
  prompt_->setFont(look::text(13));
  prompt_->setMinimumHeight(30);
  answer_ = new QLineEdit;
  answer_->setFont(look::text(15));
  answer_->setVisible(false);
  answer_->setMinimumWidth(220);
  line->addWidget(prompt_);
  line->addWidget(answer_, 1);
  column->addLayout(line);
  answerProblem_ = new ProblemLine;
  column->addWidget(answerProblem_);
  connect(elevation_, &ElevationView::letter, this, &DrawStage::ask);
  connect(answer_, &QLineEdit::returnPressed, this, &DrawStage::answer);
  auto* escape = new QShortcut(Qt::Key_Escape, answer_);
  escape->setContext(Qt::WidgetShortcut);
  connect(escape, &QShortcut::activated, this, &DrawStage::cancelAnswer);
  return middle;
}

QWidget* DrawStage::makeSide() {
  auto* side = new QWidget;
  side->setFixedWidth(312);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 10, 12, 8);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Assemblies"));
  list_->setFixedHeight(132);
  list_->setFont(look::text(14));
  column->addWidget(list_);
  auto* buttons = new QHBoxLayout;
  const auto button = [&](const QString& words, void (DrawStage::*slot)()) {
    auto* one = new QPushButton(words);
    one->setAccessibleName(tr("%1 assembly").arg(words));
    connect(one, &QPushButton::clicked, this, slot);
    buttons->addWidget(one);
  };
  button(tr("Add"), &DrawStage::addAssembly);
  button(tr("Copy"), &DrawStage::copyAssembly);
  button(tr("Remove"), &DrawStage::removeAssembly);
  buttons->addStretch(1);
  column->addLayout(buttons);
  sentence_ = new SentenceView;
  auto* scroll = new QScrollArea;
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setWidgetResizable(true);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(sentence_);
  scroll->setFocusPolicy(Qt::NoFocus);
  column->addWidget(scroll, 1);
  sentenceProblem_ = new ProblemLine;
  column->addWidget(sentenceProblem_);
  remark_ = new QLabel;
  remark_->setWordWrap(true);
  remark_->setFont(look::text(12));
  column->addWidget(remark_);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (row < 0 || row >= static_cast<int>(document().job().assemblies.size())) return;
    const Assembly& chosen = document().job().assemblies[static_cast<std::size_t>(row)];
    document().measure(tr("width of %1").arg(qs(chosen.code)), chosen.carcass().width);
    document().select({chosen.code, std::nullopt, {}});
  });
  connect(list_, &QListWidget::itemChanged, this, &DrawStage::rename);
  connect(sentence_, &SentenceView::changed, this, &DrawStage::changeCarcass);
  connect(sentence_, &SentenceView::refused, sentenceProblem_, &ProblemLine::show);
  connect(sentence_, &SentenceView::touched, this,
          [this](const QString& name, Length length) { document().measure(name, length); });
  return side;
}

const Assembly* DrawStage::assembly() const {
  return findAssembly(document().job(), document().selection().assembly);
}

int DrawStage::openCount() const {
  return static_cast<int>(document().findings().size());
}

std::vector<KeyHelp> DrawStage::keys() const {
  return {{tr("arrow keys"), tr("choose an opening")},
          {tr("V"), tr("split it by dividers: 3 equal, or 9 1/2, rest, 9 1/2")},
          {tr("H"), tr("split it by fixed shelves, from the top down")},
          {tr("D"), tr("fill it with drawers: 3, or 4 1/2, 6, rest")},
          {tr("A"), tr("adjustable shelves")},
          {tr("E"), tr("empty it; once more takes out the split around it")},
          {tr("Tab"), tr("on to the assemblies and the sentence; Enter changes a word in place")},
          {tr("F2"), tr("rename the assembly, in the list")}};
}

void DrawStage::follow() {
  followList();
  sentenceProblem_->clear();
  if (const Assembly* of = assembly()) {
    sentence_->setParagraphs(describe(document().job(), *of, document().selection().opening),
                             document().style());
    remark_->setText(jointRemark(of->carcass()));
  } else {
    sentence_->setParagraphs({}, document().style());
    remark_->clear();
  }
  if (asked_ == 0)
    prompt_->setText(document().selection().opening
                         ? tr("Press a letter to fill the opening chosen.")
                         : tr("Choose an opening by mouse or arrow keys."));
}

void DrawStage::followList() {
  const QSignalBlocker quiet(list_);
  list_->clear();
  int row = 0;
  for (const Assembly& one : document().job().assemblies) {
    auto* item = new QListWidgetItem(qs(one.code + "  " + one.name));
    item->setFlags(item->flags() | Qt::ItemIsEditable);
    list_->addItem(item);
    if (one.code == document().selection().assembly) list_->setCurrentRow(row);
    ++row;
  }
}

void DrawStage::ask(int key) {
  const Assembly* of = assembly();
  if (of == nullptr) return;
  if (!document().selection().opening) {
    Selection selection = document().selection();
    selection.opening = leaves(of->carcass().inside).front();
    document().select(selection);
  }
  if (key == Qt::Key_E) return emptyOpening();
  asked_ = key;
  QString start;
  switch (key) {
    case Qt::Key_V:
      prompt_->setText(tr("Openings from the left:"));
      start = tr("2 equal");
      break;
    case Qt::Key_H:
      prompt_->setText(tr("Openings from the top:"));
      start = tr("2 equal");
      break;
    case Qt::Key_D:
      prompt_->setText(tr("Drawer fronts from the top:"));
      start = QStringLiteral("3");
      break;
    default:
      prompt_->setText(tr("How many adjustable shelves:"));
      start = QStringLiteral("2");
      break;
  }
  answer_->setAccessibleName(prompt_->text());
  answer_->setText(start);
  answer_->setVisible(true);
  answer_->selectAll();
  answer_->setFocus();
}

void DrawStage::answer() {
  const OpeningPath path = *document().selection().opening;
  const Unit unit = document().job().unit;
  const std::string text = answer_->text().toStdString();
  Opening opening;
  OpeningPath select = path;
  QString what;
  if (asked_ == Qt::Key_A) {
    const auto count = parseCount(text, 1, 50);
    if (!count) return answerProblem_->show(count.problems());
    opening.content = AdjustableShelves{static_cast<int>(*count)};
    what = tr("adjustable shelves");
  } else {
    const auto sizes = parseSizeList(text, unit, true);
    if (!sizes) return answerProblem_->show(sizes.problems());
    if (asked_ == Qt::Key_D) {
      DrawerBank bank;
      bank.fronts = sizes.value();
      opening.content = bank;
      what = tr("drawers");
    } else {
      if (sizes->size() < 2)
        return answerProblem_->show(
            {{{}, 0, {}, "one size", "at least two, such as `2 equal` or `300, rest`"}});
      Split split;
      split.by = asked_ == Qt::Key_V ? SplitBy::Dividers : SplitBy::Shelves;
      split.sizes = sizes.value();
      split.children.resize(sizes->size());
      // What was in the opening moves into the first of the new ones.
      split.children.front() = *pp::find(assembly()->carcass().inside, path);
      opening.content = split;
      select.push_back(0);
      what = asked_ == Qt::Key_V ? tr("dividers") : tr("shelves");
    }
  }
  setOpening(what, path, opening, select);
}

void DrawStage::setOpening(const QString& what, const OpeningPath& path, Opening opening,
                           const OpeningPath& select) {
  Carcass carcass = assembly()->carcass();
  carcass.inside = replaced(carcass.inside, path, std::move(opening));
  const Problems problems = document().editAssembly(what, document().selection().assembly, carcass);
  if (!problems.empty()) return answerProblem_->show(problems);
  cancelAnswer();
  Selection selection = document().selection();
  selection.opening = select;
  document().select(std::move(selection));
}

void DrawStage::cancelAnswer() {
  asked_ = 0;
  answer_->setVisible(false);
  answerProblem_->clear();
  elevation_->setFocus();
  follow();
}

void DrawStage::emptyOpening() {
  OpeningPath path = *document().selection().opening;
  const bool open =
      std::holds_alternative<OpenSpace>(pp::find(assembly()->carcass().inside, path)->content);
  if (open && !path.empty()) path.pop_back();
  setOpening(tr("empty the opening"), path, Opening{}, path);
}

void DrawStage::changeCarcass(const QString& name, const std::function<Problems(Carcass&)>& apply) {
  const Assembly* of = assembly();
  if (of == nullptr) return;
  Carcass carcass = of->carcass();
  Problems problems = apply(carcass);
  if (problems.empty()) problems = document().editAssembly(name, of->code, carcass);
  // Typing the value that is there already is no edit, but the field must still go.
  if (problems.empty())
    follow();
  else
    sentenceProblem_->show(problems);
}

std::string DrawStage::freeCode() const {
  for (int n = 1;; ++n)
    if (std::string code = "B" + std::to_string(n); findAssembly(document().job(), code) == nullptr)
      return code;
}

void DrawStage::addAssembly() {
  Job next = document().job();
  if (next.materials.empty())
    return sentenceProblem_->show(
        {{{}, 0, {}, "no material in the rack", "one, to make the carcass of"}});
  Assembly added;
  added.code = freeCode();
  added.name = tr("carcass").toStdString();
  Carcass& carcass = added.carcass();
  // The thickest material makes the case, the thinnest the back and the drawer bottoms.
  const auto byThickness = [](const Material& a, const Material& b) {
    return a.nominal < b.nominal;
  };
  const Material& thick =
      *std::max_element(next.materials.begin(), next.materials.end(), byThickness);
  const Material& thin =
      *std::min_element(next.materials.begin(), next.materials.end(), byThickness);
  carcass.material = carcass.fronts.material = thick.id;
  carcass.back.material = carcass.drawers.bottomMaterial = thin.id;
  carcass.drawers.boxMaterial = next.materials[next.materials.size() / 2].id;
  if (!next.bandings.empty())
    carcass.banding = carcass.fronts.banding = next.bandings.front().name;
  const std::string code = added.code;
  next.assemblies.push_back(std::move(added));
  const Problems problems = document().edit(tr("add %1").arg(qs(code)), std::move(next));
  if (!problems.empty()) return sentenceProblem_->show(problems);
  document().select({code, std::nullopt, {}});
}

void DrawStage::copyAssembly() {
  const Assembly* of = assembly();
  if (of == nullptr) return;
  Job next = document().job();
  Assembly copy = *of;
  copy.code = freeCode();
  const std::string code = copy.code;
  next.assemblies.push_back(std::move(copy));
  document().edit(tr("copy %1").arg(qs(of->code)), std::move(next));
  document().select({code, std::nullopt, {}});
}

void DrawStage::removeAssembly() {
  const Assembly* of = assembly();
  if (of == nullptr) return;
  Job next = document().job();
  const std::string code = of->code;
  std::erase_if(next.assemblies, [&code](const Assembly& one) { return one.code == code; });
  document().edit(tr("remove %1").arg(qs(code)), std::move(next));
}

// "B1  chart drawers": the first word is the code, the rest the name.
void DrawStage::rename(QListWidgetItem* item) {
  const int row = list_->row(item);
  Job next = document().job();
  Assembly& one = next.assemblies[static_cast<std::size_t>(row)];
  const QString text = item->text().trimmed();
  one.code = text.section(QLatin1Char(' '), 0, 0).toStdString();
  one.name = text.section(QLatin1Char(' '), 1).trimmed().toStdString();
  const std::string code = one.code;
  const Problems problems = document().edit(tr("rename"), std::move(next));
  if (problems.empty()) document().select({code, std::nullopt, {}});
  // The list is filled anew once this item's own editing is over.
  QMetaObject::invokeMethod(
      this,
      [this, problems] {
        follow();
        if (!problems.empty()) sentenceProblem_->show(problems);
      },
      Qt::QueuedConnection);
}

}  // namespace pp
