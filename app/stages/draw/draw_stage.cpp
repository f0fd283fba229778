#include "app/stages/draw/draw_stage.h"

#include <QHBoxLayout>
#include <QScrollArea>
#include <QShortcut>

#include <algorithm>
#include <utility>
#include "app/sentences/flow_layout.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

#include "core/designs/size_list.h"
#include "core/job/ids.h"
#include "core/length/parse.h"

namespace pp {

DrawStage::DrawStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(12);
  row->addWidget(makeMiddle(), 1);
  row->addWidget(makeSide());
  connect(&session, &Session::changed, this, [this] {
    edited_ = true;
    sentence_->expire();
    stale();
  });
  connect(&session.pointing(), &Pointing::selectionChanged, this, [this] {
    sentence_->expire();
    stale();
  });
}

QWidget* DrawStage::makeMiddle() {
  auto* middle = new QWidget;
  auto* column = new QVBoxLayout(middle);
  column->setContentsMargins(0, 0, 0, 8);
  auto* pictures = new QHBoxLayout;
  elevation_ = new ElevationView(session());
  pictures->addWidget(elevation_, 3);
  space_ = new SpaceView(session());
  auto* beside = new QVBoxLayout;
  beside->setSpacing(0);
  beside->addWidget(space_, 3);
  section_ = new SectionView(session());
  beside->addWidget(section_, 2);
  pictures->addLayout(beside, 2);
  column->addLayout(pictures, 1);
  tools_ = new QWidget;
  auto* tools = new FlowLayout(tools_);
  tools->setContentsMargins(0, 0, 0, 0);
  const std::pair<int, QString> kinds[] = {
      {Qt::Key_V, tr("V  Dividers")},      {Qt::Key_H, tr("H  Shelves")},
      {Qt::Key_D, tr("D  Drawers")},       {Qt::Key_T, tr("T  Trays")},
      {Qt::Key_O, tr("O  Doors")},         {Qt::Key_A, tr("A  Adjustable shelves")},
      {Qt::Key_L, tr("L  Loose shelves")}, {Qt::Key_E, tr("E  Empty")}};
  for (const auto& [key, words] : kinds) {
    auto* button = new QPushButton(words);
    button->setAccessibleName(words.mid(3));
    connect(button, &QPushButton::clicked, this, [this, k = key] { ask(k); });
    tools->addWidget(button);
  }
  column->addWidget(tools_);
  auto* line = new QHBoxLayout;
  prompt_ = new Label;
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
  connect(elevation_, &ElevationView::refused, this,
          [this](const Problems& problems) { answerProblem_->show(problems); });
  connect(answer_, &QLineEdit::returnPressed, this, &DrawStage::answer);
  auto* escape = new QShortcut(Qt::Key_Escape, answer_);
  escape->setContext(Qt::WidgetShortcut);
  connect(escape, &QShortcut::activated, this, [this] { session().modes().end(this); });
  return middle;
}

QWidget* DrawStage::makeSide() {
  auto* side = new QWidget;
  side->setFixedWidth(312);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 10, 12, 8);
  list_ = new AssemblyList(session());
  column->addWidget(list_);
  sentence_ = new SentenceView(session());
  sentence_->setTabAfter(elevation_);
  auto* scroll = new QScrollArea;
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setWidgetResizable(true);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(sentence_);
  scroll->setFocusPolicy(Qt::NoFocus);
  column->addWidget(scroll, 1);
  sentenceProblem_ = new ProblemLine;
  column->addWidget(sentenceProblem_);
  remark_ = new Label;
  remark_->setWordWrap(true);
  remark_->setFont(look::text(12));
  column->addWidget(remark_);
  effortLine_ = new Label;
  effortLine_->setAccessibleName(tr("What it takes"));
  effortLine_->setWordWrap(true);
  effortLine_->setFont(look::text(12));
  column->addWidget(effortLine_);
  connect(list_, &AssemblyList::refused, sentenceProblem_, &ProblemLine::show);
  connect(list_, &AssemblyList::said, remark_, &QLabel::setText);
  connect(sentence_, &SentenceView::changed, this, &DrawStage::change);
  connect(sentence_, &SentenceView::refused, sentenceProblem_, &ProblemLine::show);
  connect(sentence_, &SentenceView::touched, this, [this](const QString& name, Length length) {
    session().pointing().measure(name, length);
  });
  return side;
}

const Assembly* DrawStage::assembly() const {
  return findAssembly(session().job(), session().pointing().selection().assembly);
}

int DrawStage::openCount() const {
  return static_cast<int>(session().findings().size());
}

std::vector<KeyHelp> DrawStage::keys() const {
  return {
      {tr("arrow keys"), tr("choose an opening")},
      {tr("V"), tr("split it by dividers: 3 equal, or 9 1/2, rest, 9 1/2")},
      {tr("H"), tr("split it by fixed shelves, from the top down")},
      {tr("D, T"), tr("fill it with drawers or trays: 3, or 4 1/2, 6, rest")},
      {tr("O"), tr("close it: left, right, pair, lid, flap, or none")},
      {tr("A, L"), tr("adjustable shelves, or shelves on strips")},
      {tr("P"),
       tr("choose a panel, P again the next: its own material, joints, edges, cuts follow")},
      {tr("Shift+arrows"), tr("nudge the panel beside the opening; the mouse drags it")},
      {tr("X"), tr("the view in space drawn apart; there, arrows turn it, F S P look straight")},
      {tr("E"), tr("empty it; once more takes out the split around it")},
      {tr("Tab"), tr("on to the assemblies and the sentence; Enter changes a word in place")},
      {tr("F2"), tr("rename the assembly, in the list")}};
}

void DrawStage::refresh() {
  followEffort(std::exchange(edited_, false));
  elevation_->refresh();
  space_->refresh();
  section_->refresh();
  list_->refresh();
  sentenceProblem_->clear();
  if (const Assembly* of = assembly()) {
    const Selection& selected = session().pointing().selection();
    std::vector<Paragraph> said = describe(session().job(), *of, selected.opening);
    if (const auto chosen = partChosen(session(), selected))
      said.insert(said.begin(), describePart(session().job(), session().breakdown().parts,
                                             chosen->part, chosen->alone));
    sentence_->setParagraphs(std::move(said), session().style());
    remark_->setText(remark(of->body));
  } else {
    sentence_->setParagraphs({}, session().style());
    remark_->clear();
  }
  const Assembly* drawn = assembly();
  tools_->setVisible(drawn == nullptr || drawn->isCarcass());
  if (asked_ == 0 && drawn != nullptr && !drawn->isCarcass())
    prompt_->setText(tr("Change the underlined words; the drawing follows."));
  else if (asked_ == 0 && !session().pointing().selection().part.empty())
    prompt_->setText(tr("What is chosen for %1 stands first in the sentence. P: the next part.")
                         .arg(qs(session().pointing().selection().part)));
  else if (asked_ == 0)
    prompt_->setText(session().pointing().selection().opening
                         ? tr("Press a letter to fill the opening chosen.")
                         : tr("Choose an opening by mouse or arrow keys."));
}

// What the assembly takes to build, and what the last change of it costs or saves.
void DrawStage::followEffort(bool edited) {
  const std::string& code = session().pointing().selection().assembly;
  const Effort now = effortOf(session().breakdown().parts, code);
  if (edited || code != effortOf_) effortChange_.clear();
  if (edited && code == effortOf_ && now != effort_) {
    const auto change = [](std::int64_t by, const QString& one, const QString& many) {
      return (by > 0 ? tr("%1 more") : tr("%1 fewer")).arg(counted(std::abs(by), one, many));
    };
    QStringList words;
    if (now.pieces != effort_.pieces)
      words << change(now.pieces - effort_.pieces, tr("piece"), tr("pieces"));
    if (now.settings != effort_.settings)
      words << change(now.settings - effort_.settings, tr("setting"), tr("settings"));
    effortChange_ = tr(" The last change: %1.").arg(words.join(QStringLiteral(", ")));
  }
  effortOf_ = code;
  effort_ = now;
  effortLine_->setText(code.empty() ? QString()
                                    : tr("%1, %2 for the machining.%3")
                                          .arg(counted(now.pieces, tr("piece"), tr("pieces")),
                                               counted(now.settings, tr("setting"), tr("settings")))
                                          .arg(effortChange_));
}

void DrawStage::ask(int key) {
  if (key == Qt::Key_X) return space_->toggleApart();
  session().finish();
  const Assembly* of = assembly();
  if (of == nullptr || !of->isCarcass()) return;
  if (!session().pointing().selection().opening) {
    Selection selection = session().pointing().selection();
    selection.opening = leaves(of->carcass().inside).front();
    session().pointing().select(selection);
  }
  if (key == Qt::Key_E) return emptyOpening();
  // Withdrawn when the job or the selection changes: an answer is about this opening only.
  session().modes().begin(this, Modes::About::Drawing, [this] {
    const bool typing = answer_->hasFocus();
    asked_ = 0;
    answer_->setVisible(false);
    answerProblem_->clear();
    if (typing) elevation_->setFocus();
    stale();
  });
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
    case Qt::Key_T:
      prompt_->setText(tr("Trays from the top:"));
      start = QStringLiteral("2");
      break;
    case Qt::Key_O:
      prompt_->setText(tr("Door: left, right, pair, lid, flap or none:"));
      start = tr("pair");
      break;
    case Qt::Key_L:
      prompt_->setText(tr("How many shelves on strips:"));
      start = QStringLiteral("2");
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
  session().finish();
  if (!session().modes().isIn(this)) return;
  const OpeningPath path = *session().pointing().selection().opening;
  const Unit unit = session().job().unit;
  const std::string text = answer_->text().toStdString();
  // What closes an opening stays when what is in it changes.
  Opening opening = *pp::find(assembly()->carcass().inside, path);
  OpeningPath select = path;
  QString what;
  if (asked_ == Qt::Key_A || asked_ == Qt::Key_L) {
    const auto count = parseCount(text, 1, 50);
    if (!count) return answerProblem_->show(count.problems());
    if (asked_ == Qt::Key_A)
      opening.content = AdjustableShelves{static_cast<int>(*count)};
    else
      opening.content = LooseShelves{static_cast<int>(*count)};
    what = asked_ == Qt::Key_A ? tr("adjustable shelves") : tr("loose shelves");
  } else if (asked_ == Qt::Key_O) {
    const QStringList words = {tr("none"), tr("left"), tr("right"),
                               tr("pair"), tr("lid"),  tr("flap")};
    const auto word = words.indexOf(answer_->text().trimmed().toLower());
    if (word < 0)
      return answerProblem_->show(
          {{{}, 0, "door", "'" + text + "'", words.join(QStringLiteral(", ")).toStdString()}});
    opening.door.reset();
    if (word > 0) opening.door = Door{static_cast<Hinge>(word - 1)};
    what = tr("doors");
  } else {
    const auto sizes = parseSizeList(text, unit, true);
    if (!sizes) return answerProblem_->show(sizes.problems());
    if (asked_ == Qt::Key_D || asked_ == Qt::Key_T) {
      DrawerBank bank;
      bank.kind = asked_ == Qt::Key_D ? BankKind::Drawers : BankKind::Trays;
      bank.fronts = sizes.value();
      if (const auto* before = std::get_if<DrawerBank>(&opening.content))
        keepIds(bank.fronts, before->fronts);
      opening.content = bank;
      if (asked_ == Qt::Key_D) opening.door.reset();
      what = asked_ == Qt::Key_D ? tr("drawers") : tr("trays");
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
      split.children.front().door.reset();
      opening.content = split;
      opening.id = 0;
      select.push_back(0);
      what = asked_ == Qt::Key_V ? tr("dividers") : tr("shelves");
    }
  }
  setOpening(what, path, opening, select);
}

void DrawStage::setOpening(const QString& what, const OpeningPath& path, Opening opening,
                           const OpeningPath& select) {
  Assembly edited = *assembly();
  Opening& inside = edited.carcass().inside;
  inside = replaced(inside, path, std::move(opening));
  const Problems problems =
      session().editAssembly(what, session().pointing().selection().assembly, std::move(edited));
  if (!problems.empty()) return answerProblem_->show(problems);
  session().modes().end(this);
  Selection selection = session().pointing().selection();
  selection.opening = select;
  session().pointing().select(std::move(selection));
}

void DrawStage::emptyOpening() {
  session().finish();
  if (!session().pointing().selection().opening) return;
  OpeningPath path = *session().pointing().selection().opening;
  const bool open =
      std::holds_alternative<OpenSpace>(pp::find(assembly()->carcass().inside, path)->content);
  if (open && !path.empty()) path.pop_back();
  // What stands before it or closes it is known by the first opening there was.
  Opening empty;
  empty.id = firstOpening(*pp::find(assembly()->carcass().inside, path));
  setOpening(tr("empty the opening"), path, empty, path);
}

void DrawStage::change(const QString& name, const std::function<Problems(Edited&)>& apply) {
  if (assembly() == nullptr) return;
  const Problems problems = changeSaid(session(), name, session().pointing().selection(), apply);
  // Typing the value that is there already is no edit, but the field must still go.
  if (problems.empty())
    stale();
  else
    sentenceProblem_->show(problems);
}

}  // namespace pp
