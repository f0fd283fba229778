// Draw: assemblies as elevations, openings split by key and typed list, joinery as a sentence.
#pragma once

#include <QLabel>
#include <QLineEdit>

#include "app/fields/field.h"
#include "app/sentences/change.h"
#include "app/sentences/sentence_view.h"
#include "app/stages/draw/assembly_list.h"
#include "app/stages/draw/elevation_view.h"
#include "app/stages/draw/section_view.h"
#include "app/stages/draw/space_view.h"
#include "app/stages/stage.h"
#include "core/breakdown/effort.h"

namespace pp {

class DrawStage : public Stage {
  Q_OBJECT
 public:
  explicit DrawStage(Session& session, QWidget* parent = nullptr);
  ~DrawStage() override { session().modes().end(this); }
  QString title() const override { return tr("Draw"); }
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return elevation_; }

 protected:
  void refresh() override;

 private:
  QWidget* makeMiddle();
  QWidget* makeSide();
  void followEffort(bool edited);
  void ask(int key);  // begins the typed list for V, H, D or A; does E at once
  void answer();
  void emptyOpening();
  void setOpening(const QString& what, const OpeningPath& path, Opening opening,
                  const OpeningPath& select);
  void change(const QString& name, const std::function<Problems(Edited&)>& apply);
  const Assembly* assembly() const;

  ElevationView* elevation_;
  SpaceView* space_;
  SectionView* section_;
  AssemblyList* list_;
  QLabel* prompt_;
  QLineEdit* answer_;
  ProblemLine* answerProblem_;
  SentenceView* sentence_;
  ProblemLine* sentenceProblem_;
  QLabel* remark_;
  QWidget* tools_;  // the letters that fill an opening
  QLabel* effortLine_;
  std::string effortOf_;  // the assembly that effort_ is of
  Effort effort_;
  QString effortChange_;
  bool edited_ = false;  // since the last refresh
  int asked_ = 0;        // the letter whose question is open
};

}  // namespace pp
