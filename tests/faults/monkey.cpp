// Drives the real window at random: keys, clicks, drags, the wheel, typed texts, menus, questions,
// undo in the midst of a drag. After every two hundred actions the job is saved, opened and
// compared.
//
//   monkey --job NAME [--seed N] [--actions N | --seconds S]
//
// The parent runs the window in a child. When that dies, hangs or finds something wrong, the parent
// prints the seed and leaves out actions as long as it still goes wrong; what remains is printed.
#include <execinfo.h>
#include <sys/wait.h>
#include <unistd.h>

#include <QAbstractItemView>
#include <QComboBox>
#include <QCommandLineParser>
#include <QElapsedTimer>
#include <QFile>
#include <QFileDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMenuBar>
#include <QPointer>
#include <QPushButton>
#include <QSpinBox>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <QWheelEvent>
#include <chrono>
#include <csignal>
#include <cstdio>
#include <fstream>
#include <iostream>
#include <random>
#include <set>
#include <thread>

#include "app/shell/main_window.h"
#include "app/stages/draw/elevation_view.h"
#include "core/formats/job_json.h"
#include "tests/app/heartbeat.h"
#include "tests/faults/jobs.h"

#if defined(__has_feature)
#define PLAINPATCH_HAS_ASAN __has_feature(address_sanitizer)
#elif defined(__SANITIZE_ADDRESS__)
#define PLAINPATCH_HAS_ASAN 1
#else
#define PLAINPATCH_HAS_ASAN 0
#endif
constexpr bool kSanitized = PLAINPATCH_HAS_ASAN != 0;

namespace pp::test {
namespace {

constexpr int kWrong = 3;  // the child's exit status when it found something wrong
constexpr int kCompareEvery = 200;

// Chance that does not depend on the actions before, so that leaving one out changes no other.
class Dice {
 public:
  Dice(std::uint64_t seed, std::uint64_t action) : random_(seed * 0x9E3779B97F4A7C15ULL + action) {
    random_.discard(4);
  }
  std::size_t below(std::size_t n) { return n == 0 ? 0 : random_() % n; }
  bool oneIn(std::size_t n) { return below(n) == 0; }
  template <class List>
  const auto& of(const List& list) {
    return *(std::begin(list) + static_cast<std::ptrdiff_t>(below(std::size(list))));
  }

 private:
  std::mt19937_64 random_;
};

struct Stroke {
  int key;
  Qt::KeyboardModifiers with = Qt::NoModifier;
};

const Stroke kStrokes[] = {{Qt::Key_V},
                           {Qt::Key_H},
                           {Qt::Key_D},
                           {Qt::Key_O},
                           {Qt::Key_A},
                           {Qt::Key_T},
                           {Qt::Key_L},
                           {Qt::Key_E},
                           {Qt::Key_X},
                           {Qt::Key_P},
                           {Qt::Key_I},
                           {Qt::Key_U},
                           {Qt::Key_W},
                           {Qt::Key_F},
                           {Qt::Key_S},
                           {Qt::Key_R},
                           {Qt::Key_Left},
                           {Qt::Key_Right},
                           {Qt::Key_Up},
                           {Qt::Key_Down},
                           {Qt::Key_Return},
                           {Qt::Key_Return},
                           {Qt::Key_Return},
                           {Qt::Key_Escape},
                           {Qt::Key_Tab},
                           {Qt::Key_Tab},
                           {Qt::Key_Tab},
                           {Qt::Key_Backtab, Qt::ShiftModifier},
                           {Qt::Key_F2},
                           {Qt::Key_F2},
                           {Qt::Key_F8},
                           {Qt::Key_Space},
                           {Qt::Key_PageUp},
                           {Qt::Key_PageDown},
                           {Qt::Key_Delete},
                           {Qt::Key_Backspace},
                           {Qt::Key_Home},
                           {Qt::Key_End},
                           {Qt::Key_Question},
                           {Qt::Key_Left, Qt::ShiftModifier},
                           {Qt::Key_Right, Qt::ShiftModifier},
                           {Qt::Key_Up, Qt::ShiftModifier},
                           {Qt::Key_Down, Qt::ShiftModifier},
                           {Qt::Key_1, Qt::ControlModifier},
                           {Qt::Key_2, Qt::ControlModifier},
                           {Qt::Key_3, Qt::ControlModifier},
                           {Qt::Key_4, Qt::ControlModifier},
                           {Qt::Key_5, Qt::ControlModifier},
                           {Qt::Key_6, Qt::ControlModifier},
                           {Qt::Key_7, Qt::ControlModifier},
                           {Qt::Key_1},
                           {Qt::Key_2},
                           {Qt::Key_3},
                           {Qt::Key_G},
                           {Qt::Key_Z},
                           {Qt::Key_Z, Qt::ControlModifier},
                           {Qt::Key_Z, Qt::ControlModifier},
                           {Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier},
                           {Qt::Key_A, Qt::ControlModifier},
                           {Qt::Key_P, Qt::ControlModifier}};

const char* const kTexts[] = {"3",
                              "17.5",
                              "2 equal",
                              "200, rest",
                              "rest, 9 1/2, rest",
                              "31 - 5 - 1 1/2",
                              "0",
                              "-5",
                              "1e9",
                              "999999",
                              "0.001",
                              "pair",
                              "lid",
                              "none",
                              "<b>bold</b>",
                              "=1+1",
                              "ash & birch",
                              "",
                              "B1",
                              "x",
                              "häuser ½",
                              "12mm",
                              "1/2in",
                              "40 equal",
                              "18.2",
                              "A-7",
                              "600 * 2",
                              "left"};

// As typed on a keyboard; letters that no key of the test's own has come as an input method sends
// them.
void typeText(QWidget* target, const QString& text) {
  for (const QChar c : text) {
    const QPointer<QWidget> alive = target;
    if (c.unicode() < 0x80) {
      QTest::keyClick(target, c.toLatin1());
    } else {
      QKeyEvent press(QEvent::KeyPress, 0, Qt::NoModifier, QString(c));
      QApplication::sendEvent(target, &press);
    }
    if (!alive) return;
  }
}

QWidget* focused() {
  if (QWidget* popup = QApplication::activePopupWidget()) return popup;
  if (QWidget* modal = QApplication::activeModalWidget())
    return modal->focusWidget() != nullptr ? modal->focusWidget() : modal;
  if (QWidget* focus = QApplication::focusWidget()) return focus;
  for (QWidget* window : QApplication::topLevelWidgets())
    if (window->isVisible())
      return window->focusWidget() != nullptr ? window->focusWidget() : window;
  return nullptr;
}

class Monkey : public QObject {
 public:
  Monkey(MainWindow& window, const Job& job, std::uint64_t seed, const QString& folder)
      : window_(window), job_(job), seed_(seed), folder_(folder) {}

  // All of `actions`, or those below `count` until the seconds are over.
  void run(std::vector<std::uint64_t> actions, double seconds) {
    actions_ = std::move(actions);
    seconds_ = seconds;
    began_.start();
    QTimer::singleShot(0, this, [this] { next(); });
  }
  bool wrong() const { return wrong_; }
  std::uint64_t done() const { return at_; }

 private:
  void next() {
    const bool over = at_ >= actions_.size() ||
                      (seconds_ > 0 && static_cast<double>(began_.elapsed()) >= seconds_ * 1000);
    if (over || wrong_) return finish();
    auto* timed = static_cast<TimedApplication*>(qApp);
    if (timed->longest() > slowest_) {
      slowest_ = timed->longest();
      say("slowest so far: " + std::to_string(slowest_) + " ms, " +
          timed->longestWhat().toStdString());
    }
    const std::uint64_t action = actions_[at_++];
    // Told before it is done, so that the parent knows how far it came.
    std::cout << "action " << action << std::endl;
    // Set going first: the action may ask a question, whose own loop then goes on with the next.
    QTimer::singleShot(0, this, [this] { next(); });
    Dice dice(seed_, action);
    if (at_ % kCompareEvery == 0 && QApplication::activeModalWidget() == nullptr) {
      timed->leaveOut();
      compare();
    } else {
      timed->drive([&] { act(dice); });
    }
  }

  void finish() {
    if (finishing_) return;
    finishing_ = true;
    // Questions that are still open are left, or the outer loops would not end.
    QTimer::singleShot(0, this, [] {
      for (QWidget* modal; (modal = QApplication::activeModalWidget()) != nullptr;) modal->close();
      QCoreApplication::exit();
    });
  }

  void say(const std::string& what) { std::cout << "  " << what << std::endl; }

  void fail(const std::string& what) {
    std::cout << "WRONG: " << what << std::endl;
    wrong_ = true;
  }

  void act(Dice& dice) {
    if (auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget()))
      return answer(*dialog, dice);
    if (QWidget* popup = QApplication::activePopupWidget(); popup != nullptr && !dice.oneIn(4))
      return inPopup(*popup, dice);
    switch (dice.below(20)) {
      case 0:
      case 1:
      case 2:
      case 3:
      case 4:
        return stroke(dice.of(kStrokes));
      case 5:
      case 6:
        return edit(dice);
      case 7:
      case 8:
        return type(dice.of(kTexts), dice);
      case 9:
      case 10:
      case 11:
      case 12:
        return click(dice);
      case 13:
      case 14:
        return drag(dice);
      case 15:
        return wheel(dice);
      case 16:
        return menu(dice);
      case 17:
        return select(dice);
      case 18:
        for (std::size_t n = dice.below(6); n > 0; --n)
          stroke({Qt::Key_Z, dice.oneIn(3) ? Qt::ControlModifier | Qt::ShiftModifier
                                           : Qt::KeyboardModifiers(Qt::ControlModifier)});
        return;
      default:
        return word(dice);
    }
  }

  void stroke(const Stroke& stroke) {
    QWidget* target = focused();
    if (target == nullptr) return;
    say(QStringLiteral("key %1 to %2 %3")
            .arg(QKeySequence(stroke.key | static_cast<int>(stroke.with)).toString(),
                 QString::fromLatin1(target->metaObject()->className()), target->accessibleName())
            .toStdString());
    QTest::keyClick(target, static_cast<Qt::Key>(stroke.key), stroke.with);
  }

  void type(const char* text, Dice& dice) {
    QWidget* target = focused();
    if (target == nullptr) return;
    say(std::string("type ") + text + " to " + target->metaObject()->className());
    if (auto* line = qobject_cast<QLineEdit*>(target)) line->selectAll();
    typeText(target, QString::fromUtf8(text));
    if (!dice.oneIn(3)) stroke({Qt::Key_Return});
  }

  std::vector<QWidget*> visible() const {
    QWidget* root = QApplication::activeModalWidget();
    if (root == nullptr) root = &window_;
    std::vector<QWidget*> out;
    for (QWidget* widget : root->findChildren<QWidget*>())
      if (widget->isVisible() && widget->isEnabled() && widget->width() > 2 && widget->height() > 2)
        out.push_back(widget);
    return out;
  }

  static QPoint within(const QWidget& widget, Dice& dice) {
    return {static_cast<int>(dice.below(static_cast<std::size_t>(widget.width()))),
            static_cast<int>(dice.below(static_cast<std::size_t>(widget.height())))};
  }

  void click(Dice& dice) {
    const auto widgets = visible();
    if (widgets.empty()) return;
    QWidget* widget = dice.of(widgets);
    const QPoint at = within(*widget, dice);
    say(QStringLiteral("click %1 '%2' at %3, %4")
            .arg(QString::fromLatin1(widget->metaObject()->className()), widget->accessibleName())
            .arg(at.x())
            .arg(at.y())
            .toStdString());
    if (dice.oneIn(6))
      QTest::mouseDClick(widget, Qt::LeftButton, {}, at);
    else
      QTest::mouseClick(widget, dice.oneIn(10) ? Qt::RightButton : Qt::LeftButton, {}, at);
  }

  // Now and then with an undo while the button is down.
  void drag(Dice& dice) {
    QWidget* widget = dice.oneIn(2) ? window_.findChild<ElevationView*>() : nullptr;
    const auto widgets = visible();
    if (widget == nullptr || !widget->isVisible() || QApplication::activeModalWidget() != nullptr) {
      if (widgets.empty()) return;
      widget = dice.of(widgets);
    }
    say(std::string("drag in ") + widget->metaObject()->className());
    const QPointer<QWidget> alive = widget;
    QTest::mousePress(widget, Qt::LeftButton, {}, within(*widget, dice));
    for (int i = 0; i < 4 && alive; ++i) {
      QMouseEvent move(QEvent::MouseMove, within(*widget, dice),
                       widget->mapToGlobal(QPointF(within(*widget, dice))), Qt::NoButton,
                       Qt::LeftButton, Qt::NoModifier);
      QApplication::sendEvent(widget, &move);
      if (i == 2 && dice.oneIn(3)) window_.session().undo();
      if (i == 2 && dice.oneIn(6)) window_.session().redo();
      if (i == 2 && dice.oneIn(4)) QApplication::processEvents();
    }
    if (alive) QTest::mouseRelease(widget, Qt::LeftButton, {}, within(*widget, dice));
  }

  void wheel(Dice& dice) {
    const auto widgets = visible();
    if (widgets.empty()) return;
    QWidget* widget = dice.of(widgets);
    say(std::string("wheel in ") + widget->metaObject()->className());
    const QPoint at = within(*widget, dice);
    QWheelEvent event(at, widget->mapToGlobal(at), {}, {0, dice.oneIn(2) ? 120 : -120},
                      Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase, false);
    QApplication::sendEvent(widget, &event);
  }

  // An entry of the menu bar, or of a menu that is open.
  void menu(Dice& dice) {
    if (QApplication::activeModalWidget() != nullptr) return;
    std::vector<QAction*> actions;
    for (QMenu* one : window_.menuBar()->findChildren<QMenu*>())
      for (QAction* action : one->actions())
        if (action->menu() == nullptr && !action->isSeparator() && action->isEnabled() &&
            !action->text().contains(QStringLiteral("Quit")))
          actions.push_back(action);
    if (actions.empty()) return;
    QAction* action = dice.of(actions);
    say("menu " + action->text().toStdString());
    // Opening another job reads and writes files; it is no edit.
    static_cast<TimedApplication*>(qApp)->leaveOut();
    action->trigger();
  }

  void inPopup(QWidget& popup, Dice& dice) {
    auto* menu = qobject_cast<QMenu*>(&popup);
    if (menu == nullptr || menu->actions().isEmpty() || dice.oneIn(6))
      return stroke({dice.oneIn(2) ? Qt::Key_Escape : Qt::Key_Return});
    QAction* action = menu->actions().at(
        static_cast<qsizetype>(dice.below(static_cast<std::size_t>(menu->actions().size()))));
    say("choose " + action->text().toStdString());
    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
  }

  // A row of a list, then F2 or Enter on it.
  void select(Dice& dice) {
    std::vector<QAbstractItemView*> views;
    for (QWidget* widget : visible())
      if (auto* view = qobject_cast<QAbstractItemView*>(widget);
          view != nullptr && view->model() != nullptr && view->model()->rowCount() > 0)
        views.push_back(view);
    if (views.empty()) return;
    QAbstractItemView* view = dice.of(views);
    const int row =
        static_cast<int>(dice.below(static_cast<std::size_t>(view->model()->rowCount())));
    const int column =
        static_cast<int>(dice.below(static_cast<std::size_t>(view->model()->columnCount())));
    say(QStringLiteral("row %1, column %2 of %3")
            .arg(row)
            .arg(column)
            .arg(view->accessibleName())
            .toStdString());
    view->setFocus();
    view->setCurrentIndex(view->model()->index(row, column));
  }

  // A cell typed into and left without Enter more often than not.
  void edit(Dice& dice) {
    select(dice);
    stroke({Qt::Key_F2});
    if (QWidget* target = focused(); qobject_cast<QLineEdit*>(target) != nullptr)
      typeText(target, QString::fromUtf8(dice.of(kTexts)));
    if (dice.oneIn(3)) stroke({Qt::Key_Return});
  }

  // A word of the sentence, or any other button by its name.
  void word(Dice& dice) {
    std::vector<QPushButton*> buttons;
    for (QWidget* widget : visible())
      if (auto* button = qobject_cast<QPushButton*>(widget)) buttons.push_back(button);
    if (buttons.empty()) return;
    QPushButton* button = dice.of(buttons);
    say("press " + (button->accessibleName() + QLatin1Char('/') + button->text()).toStdString());
    button->setFocus();
    QTest::keyClick(button, dice.oneIn(2) ? Qt::Key_Return : Qt::Key_Space);
  }

  // Nothing outside the test's own folder is ever touched.
  void answer(QFileDialog& dialog, Dice& dice) {
    say("file dialog");
    auto* name = dialog.findChild<QLineEdit*>();
    if (name == nullptr || dice.oneIn(3)) return dialog.reject();
    name->setText(folder_ + QStringLiteral("/m%1.plainpatch").arg(dice.below(3)));
    QTest::keyClick(name, Qt::Key_Return);
    if (dialog.isVisible()) dialog.reject();
  }

  void compare() {
    Session& session = window_.session();
    const QString path = folder_ + QStringLiteral("/compared.plainpatch");
    if (const auto problem = session.save(path)) return fail("not saved: " + describe(*problem));
    const auto text = readFile(path.toStdString());
    if (!text) return fail("not read: " + describe(text.problems()));
    const auto read = readJob(path.toStdString(), text.value());
    if (!read) return fail("cannot be opened: " + describe(read.problems()));
    if (!(read.value() == session.job())) return fail("another job when opened again");
    // Back to where it began, so that it does not end in a job with nothing in it.
    if (session.job().assemblies.empty() && session.job().loose.empty()) session.edit({}, job_);
  }

  MainWindow& window_;
  Job job_;
  std::uint64_t seed_;
  QString folder_;
  std::vector<std::uint64_t> actions_;
  double seconds_ = 0;
  QElapsedTimer began_;
  std::uint64_t at_ = 0;
  double slowest_ = 0;
  bool wrong_ = false;
  bool finishing_ = false;
};

// Where it died, for who reads the output; the sanitizers say it better by themselves.
void onSignal(int signal) {
  void* frames[64];
  ::backtrace_symbols_fd(frames, ::backtrace(frames, 64), 2);
  ::signal(signal, SIG_DFL);
  ::raise(signal);
}

double residentMb() {
  std::ifstream in("/proc/self/statm");
  double pages = 0;
  in >> pages >> pages;
  return pages * static_cast<double>(::sysconf(_SC_PAGESIZE)) / 1e6;
}

int runChild(TimedApplication& application, const std::string& name, std::uint64_t seed,
             std::vector<std::uint64_t> actions, double seconds) {
  if (!kSanitized)
    for (const int signal : {SIGSEGV, SIGABRT, SIGBUS, SIGFPE}) ::signal(signal, onSignal);
  // Without a window manager Qt says of every popup what it cannot do.
  qputenv("QT_LOGGING_RULES", "qt.qpa.*=false");
  const QTemporaryDir folder;
  for (const char* variable : {"HOME", "XDG_STATE_HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME"})
    qputenv(variable, folder.path().toUtf8());
  QDir::setCurrent(folder.path());
  QApplication::setQuitOnLastWindowClosed(false);
  dressUp();
  const Job job = jobNamed(name);
  const QString path = folder.filePath(QStringLiteral("start.plainpatch"));
  if (const auto problem = writeFile(path.toStdString(), writeJob(job))) return kWrong;
  MainWindow window;
  // Every other one as on a job that is worked out beside the window.
  if (seed % 2 == 0) window.session().deriver().setFrame(Deriver::Duration(0));
  window.openFile(path);
  window.show();
  if (!QTest::qWaitForWindowExposed(&window)) return kWrong;
  QApplication::setActiveWindow(&window);
  application.forget();
  Monkey monkey(window, job, seed, folder.path());
  const double before = residentMb();
  monkey.run(std::move(actions), seconds);
  QApplication::exec();
  std::printf("%s: %llu actions, longest block %.1f ms (%s), %.0f MB before, %.0f MB after\n",
              name.c_str(), static_cast<unsigned long long>(monkey.done()), application.longest(),
              qPrintable(application.longestWhat()), before, residentMb());
  std::fflush(stdout);
  // Twenty times what an edit may take: some of what is pressed here waits for a disk that other
  // tests use beside it.
  const double limit = (name == "boards" ? 100.0 : 50.0) * 20 * (kSanitized ? 20 : 1);
  if (application.longest() > limit) {
    std::printf("WRONG: the window did not answer for %.0f ms\n", application.longest());
    return kWrong;
  }
  constexpr double kMostMb = 600;
  if (!kSanitized && residentMb() > kMostMb) {
    std::printf("WRONG: %.0f MB of memory\n", residentMb());
    return kWrong;
  }
  return monkey.wrong() ? kWrong : 0;
}

// What a child did and how it ended.
struct Outcome {
  bool good = false;
  std::string how;
  std::vector<std::uint64_t> actions;
  std::string output;
};

Outcome runOnce(const std::string& program, const std::vector<std::string>& arguments,
                const std::vector<std::uint64_t>& only) {
  int to[2];
  int from[2];
  if (::pipe(to) != 0 || ::pipe(from) != 0) return {};
  const pid_t child = ::fork();
  if (child == 0) {
    ::dup2(to[0], 0);
    ::dup2(from[1], 1);
    ::dup2(from[1], 2);
    ::close(to[1]);
    ::close(from[0]);
    std::vector<char*> argv = {const_cast<char*>(program.c_str()), const_cast<char*>("--child")};
    for (const std::string& one : arguments) argv.push_back(const_cast<char*>(one.c_str()));
    argv.push_back(nullptr);
    ::execv(program.c_str(), argv.data());
    ::_exit(127);
  }
  ::close(to[0]);
  ::close(from[1]);
  std::string list;
  for (const std::uint64_t one : only) list += std::to_string(one) + "\n";
  std::thread feeder([&] {
    for (std::size_t at = 0; at < list.size();) {
      const ssize_t n = ::write(to[1], list.data() + at, list.size() - at);
      if (n <= 0) break;
      at += static_cast<std::size_t>(n);
    }
    ::close(to[1]);
  });
  Outcome out;
  bool hung = false;
  char buffer[4096];
  for (;;) {
    fd_set set;
    FD_ZERO(&set);
    FD_SET(from[0], &set);
    constexpr int kSilence = 90;  // seconds
    timeval wait{kSilence, 0};
    const int ready = ::select(from[0] + 1, &set, nullptr, nullptr, &wait);
    if (ready == 0) {
      hung = true;
      ::kill(child, SIGKILL);
      break;
    }
    const ssize_t n = ::read(from[0], buffer, sizeof buffer);
    if (n <= 0) break;
    out.output.append(buffer, static_cast<std::size_t>(n));
  }
  ::close(from[0]);
  feeder.join();
  int status = 0;
  ::waitpid(child, &status, 0);
  for (std::size_t at = 0; (at = out.output.find("action ", at)) != std::string::npos; ++at)
    if (at == 0 || out.output[at - 1] == '\n')
      out.actions.push_back(std::strtoull(out.output.c_str() + at + 7, nullptr, 10));
  out.good = !hung && WIFEXITED(status) && WEXITSTATUS(status) == 0;
  out.how = hung                  ? "hung"
            : WIFSIGNALED(status) ? "killed by signal " + std::to_string(WTERMSIG(status))
                                  : "ended with " + std::to_string(WEXITSTATUS(status));
  return out;
}

// Leaves out ever smaller stretches of actions as long as it still goes wrong.
Outcome shortened(const std::string& program, const std::vector<std::string>& arguments,
                  Outcome bad) {
  const auto until = std::chrono::steady_clock::now() + std::chrono::minutes(4);
  for (std::size_t stretch = std::max<std::size_t>(bad.actions.size() / 2, 1);;) {
    bool less = false;
    for (std::size_t at = 0; at < bad.actions.size();) {
      if (std::chrono::steady_clock::now() > until) return bad;
      std::vector<std::uint64_t> fewer;
      for (std::size_t i = 0; i < bad.actions.size(); ++i)
        if (i < at || i >= at + stretch) fewer.push_back(bad.actions[i]);
      Outcome again = runOnce(program, arguments, fewer);
      if (!again.good && !again.actions.empty() && again.actions.size() < bad.actions.size()) {
        bad = std::move(again);
        less = true;
      } else {
        at += stretch;
      }
    }
    if (stretch == 1 && !less) return bad;
    if (!less || stretch > bad.actions.size()) stretch = std::max<std::size_t>(stretch / 2, 1);
  }
}

}  // namespace
}  // namespace pp::test

int main(int argc, char** argv) {
  using namespace pp::test;
  std::string job = "case";
  std::uint64_t seed = 1;
  std::uint64_t actions = 1'000'000;
  double seconds = 0;
  bool child = false;
  bool shorten = true;
  std::vector<std::string> passed;
  for (int i = 1; i < argc; ++i) {
    const std::string one = argv[i];
    if (one == "--child") {
      child = true;
      continue;
    }
    if (one == "--as-it-is") {
      shorten = false;
      continue;
    }
    passed.push_back(one);
    if (i + 1 >= argc) break;
    const std::string value = argv[++i];
    passed.push_back(value);
    if (one == "--job") job = value;
    if (one == "--seed") seed = std::stoull(value);
    if (one == "--actions") actions = std::stoull(value);
    if (one == "--seconds") seconds = std::stod(value);
  }
  if (child) {
    std::vector<std::uint64_t> only;
    for (std::uint64_t one; std::cin >> one;) only.push_back(one);
    if (only.empty())
      for (std::uint64_t i = 1; i <= actions; ++i) only.push_back(i);
    TimedApplication application(argc, argv);
    constexpr double kLate = 250;  // ms
    application.watch(kLate);
    return runChild(application, job, seed, std::move(only), seconds);
  }
  const std::string program = std::string("/proc/self/exe");
  std::array<char, 4096> path{};
  if (::readlink(program.c_str(), path.data(), path.size() - 1) < 0) return 1;
  Outcome outcome = runOnce(path.data(), passed, {});
  if (outcome.good) {
    std::cout << outcome.output.substr(outcome.output.rfind('\n', outcome.output.size() - 2) + 1);
    return 0;
  }
  std::cout << "monkey: job " << job << ", seed " << seed << ": " << outcome.how << " after "
            << outcome.actions.size() << " actions\n";
  if (shorten) outcome = shortened(path.data(), passed, std::move(outcome));
  std::cout << "With these " << outcome.actions.size() << " actions it " << outcome.how << ":\n"
            << outcome.output.substr(outcome.output.size() > 20'000 ? outcome.output.size() - 20'000
                                                                    : 0)
            << std::endl;
  return 1;
}
