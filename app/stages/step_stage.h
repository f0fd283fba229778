// A stage that is worked off one step after the other: read from two metres, by keys, by mouse or
// with gloves.
#pragma once

#include <QLineEdit>
#include <QPushButton>
#include <QShortcut>
#include <functional>
#include <optional>

#include "app/fields/field.h"
#include "app/stages/stage.h"

namespace pp {

class StepStage : public Stage {
  Q_OBJECT
 public:
  QWidget* firstFocus() override { return done_; }

 protected:
  StepStage(Session& session, QWidget* parent);

  // Space, or Enter on its button: the step that is shown is done.
  virtual void done() = 0;
  // Z: the last that was done is not.
  virtual void back() = 0;
  virtual void showStep() = 0;
  virtual std::size_t steps() const = 0;
  virtual std::optional<std::size_t> nextStep() const = 0;
  // What is shown: the step that is looked at, else the next.
  virtual std::optional<std::size_t> step() const { return looked_ ? looked_ : nextStep(); }
  // The step that is typed or scanned, and what can be.
  virtual std::optional<std::size_t> find(const std::string& words) const = 0;
  virtual std::string whatIsFound() const = 0;

  // A key of the stage, wherever in it the keyboard is.
  void key(const QKeySequence& one, const std::function<void()>& act);
  struct ButtonNames {
    QString back, before, after, done;
  };
  // Back, the arrows, `others`; Done at the right, which has the keyboard.
  QLayout* makeButtons(const ButtonNames& names, const std::vector<QPushButton*>& others);
  void lookAt(std::optional<std::size_t> step);
  bool eventFilter(QObject* object, QEvent* event) override;

  QLineEdit* find_;
  ProblemLine* problem_;
  QPushButton* done_ = nullptr;
  QPushButton* back_ = nullptr;
  std::optional<std::size_t> looked_;  // at another step than the next

 private:
  void lookBy(int by);
  void goTo();
};

}  // namespace pp
