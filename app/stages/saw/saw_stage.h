// Saw: a cutting, one cut at a time, to be read from two metres and worked by keys or with gloves.
#pragma once

#include <QComboBox>
#include <QLineEdit>
#include <QPushButton>

#include "app/fields/field.h"
#include "app/stages/saw/saw_view.h"
#include "app/stages/stage.h"

namespace pp {

class SawStage : public Stage {
  Q_OBJECT
 public:
  explicit SawStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Saw"); }
  // Cuts to be made.
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return done_; }

 protected:
  void refresh() override;
  bool eventFilter(QObject* object, QEvent* event) override;

 private:
  QLayout* makeHead();
  QLayout* makeFigures();
  QLayout* makeKeys();
  void followCuttings();
  void showCut();
  void done();
  void back();
  void look(int by);
  void goTo();
  // What is shown: the cut that is looked at, else the next.
  std::optional<std::size_t> cut() const;
  // Has it noted, and shows what follows.
  void note(std::optional<Problem> (Session::*what)(int, int, int), std::size_t cut);

  QComboBox* cuttings_;
  QLineEdit* find_;
  Label* progress_;
  Label* machine_;
  Label* distance_;
  Label* other_;
  Label* count_;
  Label* near_;
  Label* far_;
  Label* caution_;
  Label* next_;
  SawView* view_;
  QPushButton* done_;
  QPushButton* back_;
  QPushButton* bench_;
  ProblemLine* problem_;
  std::shared_ptr<floor::AtSaw> saw_;
  int cutting_ = 0;  // its number; 0: none is under way
  int plan_ = 0;
  std::optional<std::size_t> looked_;  // at another cut than the next
  bool noting_ = false;                // an event: the cuttings stay the very objects they are
};

}  // namespace pp
