#include "app/shell/main_window.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDir>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenuBar>
#include <QPushButton>
#include <QScrollArea>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/fields/field.h"
#include "app/fields/question.h"
#include "app/session/file_names.h"
#include "app/session/remembered.h"
#include "app/shell/demo_jobs.h"
#include "app/shell/job_dialog.h"
#include "app/shell/print_dialog.h"
#include "app/shell/tape_bar.h"
#include "app/stages/bench/bench_stage.h"
#include "app/stages/draw/draw_stage.h"
#include "app/stages/layout/layout_stage.h"
#include "app/stages/measure/measure_stage.h"
#include "app/stages/parts/parts_stage.h"
#include "app/stages/rack/rack_stage.h"
#include "app/stages/saw/saw_stage.h"
#include "core/formats/file.h"
#include "core/formats/lists_csv.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
// The stages in the order of the work. A stage is known by its id; the key is the number it has on
// the plumb line and with Ctrl.
struct MainWindow::StageRow {
  const char* id;
  int key;
  Stage* (*make)(Session&);
};

namespace {

template <class S>
Stage* made(Session& session) {
  return new S(session);
}

// In a window smaller than it wants, what is in it scrolls rather than the window growing.
QScrollArea* scrolling(QWidget* content, const QString& name) {
  auto* out = new QScrollArea;
  out->setObjectName(name);
  out->setFrameShape(QFrame::NoFrame);
  out->setFocusPolicy(Qt::NoFocus);
  out->setWidgetResizable(true);
  out->setWidget(content);
  return out;
}

}  // namespace

const MainWindow::StageRow MainWindow::kStages[7] = {
    {"measure", 1, made<MeasureStage>}, {"draw", 2, made<DrawStage>},
    {"parts", 3, made<PartsStage>},     {"rack", 4, made<RackStage>},
    {"lay-out", 5, made<LayoutStage>},  {"saw", 6, made<SawStage>},
    {"bench", 7, made<BenchStage>}};

MainWindow::MainWindow(QWidget* parent)
    : QMainWindow(parent), later_([this] { follow(); }, nullptr) {
  setMinimumSize(1024, 640);
  resize(1280, 800);
  auto* body = new QWidget;
  auto* column = new QVBoxLayout(body);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  auto* strip = new TopStrip(session_);
  connect(strip, &TopStrip::nameWanted, this, &MainWindow::nameJob);
  column->addWidget(strip);
  message_ = new QWidget;
  message_->setObjectName(QStringLiteral("message"));
  message_->setAttribute(Qt::WA_StyledBackground);
  auto* messageRow = new QHBoxLayout(message_);
  messageText_ = new Label;
  messageText_->setWordWrap(true);
  messageText_->setFont(look::text(14));
  messageText_->setAccessibleName(tr("Message"));
  auto* away = new QPushButton(tr("Put away"));
  connect(away, &QPushButton::clicked, message_, &QWidget::hide);
  messageRow->addWidget(messageText_, 1);
  messageRow->addWidget(away);
  message_->hide();
  column->addWidget(message_);
  unprotected_ = new Label;
  unprotected_->setObjectName(QStringLiteral("message"));
  unprotected_->setWordWrap(true);
  unprotected_->setFont(look::text(14));
  unprotected_->setMargin(8);
  unprotected_->setAccessibleName(tr("Not protected"));
  unprotected_->hide();
  column->addWidget(unprotected_);
  connect(&session_.file(), &JobFile::protection, this, [this](const QString& trouble) {
    unprotected_->setText(trouble);
    unprotected_->setVisible(!trouble.isEmpty());
  });
  auto* row = new QHBoxLayout;
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  line_ = new PlumbLine;
  row->addWidget(line_);
  stages_ = new QStackedWidget;
  row->addWidget(scrolling(stages_, QStringLiteral("stages")), 1);
  secondLook_ = new SecondLookPanel(session_);
  row->addWidget(secondLook_);
  column->addLayout(row, 1);
  column->addWidget(new TapeBar(session_));
  work_ = body;
  opening_ = new OpeningPage;
  pages_ = new QStackedWidget;
  pages_->addWidget(work_);
  pages_->addWidget(scrolling(opening_, QStringLiteral("opening")));
  setCentralWidget(pages_);
  connect(opening_, &OpeningPage::back, this, &MainWindow::showWork);
  connect(opening_, &OpeningPage::newJob, this, &MainWindow::newJob);
  connect(opening_, &OpeningPage::fromList, this, &MainWindow::newFromList);
  connect(opening_, &OpeningPage::openOther, this, &MainWindow::open);
  connect(opening_, &OpeningPage::openPath, this, [this](const QString& path) {
    if (mayLeave()) openFile(path);
  });
  connect(opening_, &OpeningPage::openDemo, this, [this](const QString& name) {
    if (mayLeave()) openDemo(name);
  });
  for (const StageRow& one : kStages) addStage(one);
  keys_ = new KeysOverlay(stages_);
  makeMenus();
  connect(line_, &PlumbLine::chosen, this, qOverload<int>(&MainWindow::showStage));
  connect(&session_, &Session::said, this, [this](const QString& words) { say(words, {}); });
  connect(secondLook_, &SecondLookPanel::jump, this, &MainWindow::jump);
  connect(&session_, &Session::changed, &later_, &Later::ask);
  connect(&session_, &Session::stateChanged, &later_, &Later::ask);
  connect(&session_.plans(), &PlanDesk::changed, &later_, &Later::ask);
  connect(&session_.floor(), &FloorDesk::changed, &later_, &Later::ask);
  follow();
  showStage(QStringLiteral("draw"));
  // House rules are there when the first new job is begun.
  session_.store().lookIfThere();
}

// What shows the document goes before it.
MainWindow::~MainWindow() {
  for (QDialog* dialog : findChildren<QDialog*>(Qt::FindDirectChildrenOnly)) delete dialog;
  delete takeCentralWidget();
}

void MainWindow::addStage(const StageRow& one) {
  Stage* stage = one.make(session_);
  connect(stage, &Stage::showDrawing, this, [this] { showStage(QStringLiteral("draw")); });
  connect(stage, &Stage::saveWanted, this, [this] { save(); });
  stages_->addWidget(stage);
  auto* shortcut = new QShortcut(QKeySequence(QStringLiteral("Ctrl+%1").arg(one.key)), this);
  connect(shortcut, &QShortcut::activated, this,
          [this, index = stages_->count() - 1] { showStage(index); });
}

// Into the field or cell that has the keyboard. A dialog that wants readings takes them itself.
void MainWindow::takeReading(Length length) {
  if (QApplication::activeModalWidget() != nullptr) return;
  const QString text = QString::fromStdString(formatExact(length, session_.job().unit));
  QWidget* focus = QApplication::focusWidget();
  if (auto* field = qobject_cast<QLineEdit*>(focus)) {
    field->selectAll();
    field->insert(text);
  } else if (auto* table = qobject_cast<QTableView*>(focus)) {
    const QModelIndex cell = table->currentIndex();
    if (cell.flags().testFlag(Qt::ItemIsEditable))
      table->model()->setData(cell, text, Qt::EditRole);
  }
}

void MainWindow::makeMenus() {
  QMenu* file = menuBar()->addMenu(tr("&File"));
  file->addAction(tr("&New job in millimetres"), QKeySequence::New, this,
                  [this] { newJob(Unit::Millimetre); });
  file->addAction(tr("New job in &inches"), this, [this] { newJob(Unit::Inch); });
  file->addAction(tr("New job from a parts &list …"), this, &MainWindow::newFromList);
  file->addAction(tr("&Open …"), QKeySequence::Open, this, &MainWindow::open);
  file->addAction(tr("&Jobs last open …"), QKeySequence(tr("Ctrl+Shift+O")), this,
                  &MainWindow::showOpening);
  QMenu* demo = file->addMenu(tr("Open a &demo job"));
  for (const DemoJob& one : demoJobs())
    demo->addAction(one.title, this, [this, name = one.name] {
      if (mayLeave()) openDemo(name);
    });
  file->addAction(tr("&Take up unsaved work …"), this, [this] {
    if (mayLeave() && !offerUnsaved()) say(tr("There is no unsaved work to take up."), {});
  });
  file->addAction(tr("&Save"), QKeySequence::Save, this, &MainWindow::save);
  // Not every desktop has keys of its own for this.
  file->addAction(tr("Save &as …"), QKeySequence(tr("Ctrl+Shift+S")), this, &MainWindow::saveAs);
  file->addSeparator();
  file->addAction(tr("Na&me and place …"), QKeySequence(Qt::Key_F4), this, &MainWindow::nameJob);
  file->addAction(tr("&Print …"), QKeySequence::Print, this, &MainWindow::print);
  file->addSeparator();
  file->addAction(tr("&Quit"), QKeySequence::Quit, this, &QWidget::close);
  QMenu* edit = menuBar()->addMenu(tr("&Edit"));
  edit->addAction(tr("&Undo"), QKeySequence::Undo, &session_, &Session::undo);
  edit->addAction(tr("&Redo"), QKeySequence(tr("Ctrl+Shift+Z")), &session_, &Session::redo);
  edit->addAction(tr("Read the &gauge"), QKeySequence(Qt::Key_F9), &session_.gauge(),
                  &GaugeDesk::ask);
  connect(&session_.gauge(), &GaugeDesk::read, this, &MainWindow::takeReading);
  edit->addAction(tr("Do the first &fix"), QKeySequence(Qt::Key_F8), secondLook_,
                  &SecondLookPanel::fixFirst);
  QMenu* go = menuBar()->addMenu(tr("&Go"));
  for (int i = 0; i < stages_->count(); ++i)
    go->addAction(static_cast<Stage*>(stages_->widget(i))->title(), this,
                  [this, i] { showStage(i); });
  go->addSeparator();
  go->addAction(tr("Next stage"), QKeySequence(Qt::Key_PageDown), this,
                [this] { showStage(stage() + 1); });
  go->addAction(tr("Stage before"), QKeySequence(Qt::Key_PageUp), this,
                [this] { showStage(stage() - 1); });
  QMenu* help = menuBar()->addMenu(tr("&Help"));
  help->addAction(tr("&Keys of this stage"), QKeySequence(Qt::Key_Question), this,
                  [this] { keys_->showFor(*static_cast<Stage*>(stages_->currentWidget())); });
}

bool MainWindow::showStage(const QString& name) {
  for (std::size_t i = 0; i < std::size(kStages); ++i)
    if (name == QLatin1String(kStages[i].id) || name == QString::number(kStages[i].key)) {
      showStage(static_cast<int>(i));
      return true;
    }
  return false;
}

QString MainWindow::stageId() const {
  return QString::fromLatin1(kStages[static_cast<std::size_t>(stage())].id);
}

void MainWindow::showStage(int index) {
  if (index < 0 || index >= stages_->count()) return;
  keys_->hide();
  pages_->setCurrentWidget(work_);
  stages_->setCurrentIndex(index);
  line_->setCurrent(index);
  static_cast<Stage*>(stages_->currentWidget())->firstFocus()->setFocus();
}

void MainWindow::follow() {
  QString title = session_.title();
  title.replace(QStringLiteral("[*]"), QStringLiteral("[*][*]"));
  setWindowTitle(tr("%1[*] - Plain Patch").arg(title));
  setWindowModified(session_.isModified());
  std::vector<PlumbLine::Knot> knots;
  for (int i = 0; i < stages_->count(); ++i) {
    const auto* stage = static_cast<const Stage*>(stages_->widget(i));
    knots.push_back({stage->title(), kStages[i].key, stage->openCount()});
  }
  line_->setKnots(std::move(knots));
}

void MainWindow::jump(const Place& place) {
  session_.pointing().select({place.assembly,
                              place.opening.empty() ? std::nullopt : std::optional(place.opening),
                              place.part});
  showStage(place.part.empty() ? QStringLiteral("draw") : QStringLiteral("parts"));
}

void MainWindow::say(const QString& title, const Problems& problems) {
  QString text = title + QLatin1Char(' ');
  constexpr std::size_t kMost = 3;
  for (std::size_t i = 0; i < problems.size() && i < kMost; ++i)
    text += qs(describe(problems[i])) + QStringLiteral(". ");
  if (problems.size() > kMost) text += tr("And %1 more.").arg(problems.size() - kMost);
  messageText_->setText(text);
  message_->show();
  showWork();
}

bool MainWindow::mayLeave() {
  if (!session_.isModified()) {
    session_.keepRecord();
    return true;
  }
  switch (ask(this, tr("Not saved"), tr("%1 has changes that are not saved.").arg(session_.title()),
              {tr("Save"), tr("Discard"), tr("Cancel")})) {
    case 0:
      return save();
    case 1:
      session_.discard();
      return true;
    default:
      return false;
  }
}

bool MainWindow::takeUp(const Unsaved& left, Session::Access access) {
  const Problems problems = session_.recover(left, access);
  if (!problems.empty()) say(tr("That state cannot be read."), problems);
  showWork();
  return problems.empty();
}

bool MainWindow::offerUnsaved() {
  for (const Unsaved& left : session_.file().unsaved()) {
    const QString where = left.path.isEmpty() ? tr("It was never saved to a file.")
                                              : tr("It belongs to %1.").arg(left.path);
    switch (ask(
        this, tr("Work that was not saved"),
        tr("A session with %1 ended without saving at %2. %3").arg(left.name, left.saved, where),
        {tr("Take it up"), tr("Throw it away"), tr("Leave it for later")})) {
      case 0: {
        const bool held = !left.path.isEmpty() && session_.file().holderOf(left.path);
        return takeUp(left, held ? Session::Access::ToRead : Session::Access::ToEdit);
      }
      case 1:
        JobFile::forget(left);
        break;
      default:
        return true;
    }
  }
  return false;
}

bool MainWindow::openFile(const QString& path) {
  message_->hide();
  auto access = Session::Access::ToEdit;
  if (const auto other = session_.file().holderOf(path)) {
    if (ask(this, tr("Open elsewhere"),
            tr("%1 is open in another window (process %2 on %3). Opened to read, it can be saved "
               "under another name.")
                .arg(path)
                .arg(other->process)
                .arg(other->host),
            {tr("Open to read"), tr("Cancel")}) != 0)
      return false;
    access = Session::Access::ToRead;
  }
  const QString target = QString::fromStdString(targetOf(path.toStdString()));
  for (const Unsaved& left : session_.file().unsaved()) {
    if (left.path.isEmpty() || QString::fromStdString(targetOf(left.path.toStdString())) != target)
      continue;
    const QString moved =
        left.moved ? tr(" The file has been changed since by something else; what that changed is "
                        "not in the unsaved state.")
                   : QString();
    switch (ask(
        this, tr("Work that was not saved"),
        tr("The last session with this job ended without saving at %1.").arg(left.saved) + moved,
        {tr("Take it up"), tr("Throw it away"), tr("Open the saved file")})) {
      case 0:
        if (takeUp(left, access)) return true;
        break;
      case 1:
        JobFile::forget(left);
        break;
      default:
        break;
    }
    break;
  }
  const Problems problems = session_.open(path, access);
  if (!problems.empty()) {
    say(tr("The file was not opened, and nothing here has changed."), problems);
    return false;
  }
  keepLastJob(path);
  showWork();
  return true;
}

bool MainWindow::openDemo(const QString& name) {
  const Problems problems = session_.openDemo(name);
  if (!problems.empty()) say(tr("The demo job was not opened."), problems);
  showWork();
  return problems.empty();
}

void MainWindow::newJob(Unit unit) {
  if (!mayLeave()) return;
  session_.openNew(unit);
  showStage(QStringLiteral("draw"));
}

void MainWindow::newFromList() {
  if (!mayLeave()) return;
  const QString path = QFileDialog::getOpenFileName(this, tr("Parts list"), {}, tr("CSV (*.csv)"));
  if (path.isEmpty()) return;
  const auto text = readFile(path.toStdString());
  auto job = text ? readPartsJob(path.toStdString(), text.value(), session_.job().unit)
                  : Result<Job>(text.problems());
  if (!job) return say(tr("No job was made of that list."), job.problems());
  job.value().name = QFileInfo(path).completeBaseName().toStdString();
  session_.openNew(std::move(job).value());
  showStage(QStringLiteral("parts"));
}

void MainWindow::showOpening() {
  // An untouched new job is nothing to go back to.
  const bool untouched =
      session_.path().isEmpty() && !session_.isModified() && session_.breakdown().parts.empty();
  opening_->refresh(untouched ? QString() : session_.title());
  pages_->setCurrentIndex(1);
  opening_->firstFocus()->setFocus();
}

void MainWindow::showWork() {
  if (!isAtOpening()) return;
  pages_->setCurrentWidget(work_);
  static_cast<Stage*>(stages_->currentWidget())->firstFocus()->setFocus();
}

void MainWindow::open() {
  if (!mayLeave()) return;
  const QString path = QFileDialog::getOpenFileName(this, tr("Open a job"), session_.path(),
                                                    tr("Plain Patch jobs (*.plainpatch)"));
  if (!path.isEmpty()) openFile(path);
}

bool MainWindow::save() {
  auto over = JobFile::Over::Own;
  if (session_.path().isEmpty() || session_.file().isToRead()) return saveAs();
  if (session_.file().isChangedByOthers()) {
    switch (ask(
        this, tr("Changed elsewhere"),
        tr("%1 has been changed by something else since it was opened here.").arg(session_.path()),
        {tr("Save under another name"), tr("Write over it"), tr("Cancel")})) {
      case 0:
        return saveAs();
      case 1:
        over = JobFile::Over::Others;
        break;
      default:
        return false;
    }
  }
  message_->hide();
  const auto problem = session_.save(session_.path(), over);
  if (problem) {
    say(tr("The job was not saved."), {*problem});
    return false;
  }
  keepLastJob(session_.path());
  return true;
}

bool MainWindow::saveAs() {
  const QString offered =
      session_.path().isEmpty()
          ? QDir::home().filePath(fileStem(session_.title()) + QStringLiteral(".plainpatch"))
          : session_.path();
  const QString path =
      withEnding(this,
                 QFileDialog::getSaveFileName(this, tr("Save the job"), offered,
                                              tr("Plain Patch jobs (*.plainpatch)")),
                 QStringLiteral("plainpatch"));
  if (path.isEmpty()) return false;
  auto as = Session::As::Move;
  if (!session_.path().isEmpty() &&
      targetOf(session_.path().toStdString()) != targetOf(path.toStdString())) {
    // Another window has that file, or something else has written to it: it stays as it is.
    const bool mine = !session_.file().isToRead() && !session_.file().isChangedByOthers();
    const int answer =
        !mine ? 1
              : ask(this, tr("Another name"),
                    tr("Moved, the job goes there with its plans and all that was done for it, and "
                       "%1 goes. A copy is a job of its own, with what is drawn.")
                        .arg(session_.path()),
                    {tr("Move it there"), tr("Make a copy there"), tr("Cancel")});
    if (answer == 2) return false;
    if (answer == 1) as = Session::As::Copy;
  }
  message_->hide();
  const auto problem = session_.saveAs(path, as);
  if (problem) {
    say(tr("The job was not saved."), {*problem});
    return false;
  }
  keepLastJob(path);
  return true;
}

void MainWindow::nameJob() {
  (new JobDialog(session_, this))->open();
}

void MainWindow::print() {
  auto* dialog = new PrintDialog(session_, this);
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  dialog->open();
}

void MainWindow::closeEvent(QCloseEvent* event) {
  if (!mayLeave()) return event->ignore();
  session_.file().end();
  event->accept();
}

}  // namespace pp
