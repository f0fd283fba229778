#include "app/stages/step_stage.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <algorithm>

#include "app/fields/large.h"

namespace pp {

StepStage::StepStage(Session& session, QWidget* parent) : Stage(session, parent) {
  constexpr int kFindWide = 190;
  find_ = new QLineEdit;
  find_->setFixedWidth(kFindWide);
  connect(find_, &QLineEdit::returnPressed, this, &StepStage::goTo);
  problem_ = new ProblemLine;
  key(Qt::Key_Space, [this] { done(); });
  key(Qt::Key_Z, [this] { back(); });
  key(Qt::Key_Left, [this] { lookBy(-1); });
  key(Qt::Key_Right, [this] { lookBy(1); });
  key(Qt::Key_G, [this] { find_->setFocus(); });
  key(Qt::Key_Escape, [this] {
    looked_.reset();
    done_->setFocus();
    showStep();
  });
}

void StepStage::key(const QKeySequence& one, const std::function<void()>& act) {
  auto* shortcut = new QShortcut(one, this);
  shortcut->setContext(Qt::WidgetWithChildrenShortcut);
  connect(shortcut, &QShortcut::activated, this, act);
}

QLayout* StepStage::makeButtons(const ButtonNames& names, const std::vector<QPushButton*>& others) {
  constexpr int kDoneWide = 190;
  auto* row = new QHBoxLayout;
  back_ = largeButton(tr("Back   Z"), names.back);
  auto* before = largeButton(tr("←"), names.before);
  auto* after = largeButton(tr("→"), names.after);
  done_ = largeButton(tr("Done   Space"), names.done);
  done_->setMinimumWidth(kDoneWide);
  done_->setFocusPolicy(Qt::StrongFocus);
  done_->installEventFilter(this);
  for (QPushButton* one : {back_, before, after}) row->addWidget(one);
  for (QPushButton* one : others) row->addWidget(one);
  row->addStretch(1);
  row->addWidget(done_);
  connect(back_, &QPushButton::clicked, this, [this] { back(); });
  connect(before, &QPushButton::clicked, this, [this] { lookBy(-1); });
  connect(after, &QPushButton::clicked, this, [this] { lookBy(1); });
  connect(done_, &QPushButton::clicked, this, [this] { done(); });
  return row;
}

// Enter is the same as Space, but not where something is typed.
bool StepStage::eventFilter(QObject* object, QEvent* event) {
  if (object == done_ && event->type() == QEvent::KeyPress) {
    const int key = static_cast<QKeyEvent*>(event)->key();
    if (key == Qt::Key_Return || key == Qt::Key_Enter) return done(), true;
  }
  return Stage::eventFilter(object, event);
}

void StepStage::lookBy(int by) {
  const auto count = static_cast<std::int64_t>(steps());
  if (count == 0) return;
  const auto at = step();
  const std::int64_t from = at ? static_cast<std::int64_t>(*at) : count;
  looked_ = static_cast<std::size_t>(std::clamp<std::int64_t>(from + by, 0, count - 1));
  if (looked_ == nextStep()) looked_.reset();
  showStep();
}

void StepStage::lookAt(std::optional<std::size_t> step) {
  looked_ = step;
  done_->setFocus();
  showStep();
}

void StepStage::goTo() {
  catchUp();
  const std::string typed = find_->text().trimmed().toStdString();
  const auto found = find(typed);
  if (!found) return problem_->show({{{}, 0, {}, typed, whatIsFound()}});
  problem_->clear();
  find_->clear();
  lookAt(found);
}

}  // namespace pp
