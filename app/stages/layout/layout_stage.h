// Lay out: the search for a plan, the plans side by side, and the sheets with the parts on them,
// which can be pinned, swapped and moved by hand.
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QScrollArea>

#include "app/stages/layout/cuttings_strip.h"
#include "app/stages/layout/plan_strip.h"
#include "app/stages/layout/sheet_tools.h"
#include "app/stages/layout/sheets_view.h"
#include "app/stages/stage.h"

namespace pp {

class LayoutStage : public Stage {
  Q_OBJECT
 public:
  explicit LayoutStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Lay out"); }
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return search_; }
  ~LayoutStage() override { session().modes().end(this); }

 protected:
  void refresh() override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QLayout* makeTop();
  QLayout* makeTaking();
  QWidget* makeHand();
  void followGoal();
  void followSelection();
  void followSearch();
  void followCuttings();
  void takeToTheSaw();
  void giveUp(int cutting);
  QString unplacedWords() const;
  QString boundWords() const;

  void choose(std::size_t part);
  void pin(bool inPlace);
  void unpin();
  void beginSwap();
  void moveTo(std::size_t sheet);
  void take(const QString& what, const Result<Plan>& changed,
            const std::vector<std::pair<nest::PlacementRef, std::size_t>>& moves);
  void say(const QString& words);
  // What the sheets show, and so what is pointed at: the document may be a turn ahead.
  const PlanShown& shown() const { return sheets_->shown(); }
  const Placement& placement(nest::PlacementRef at) const;
  const Part& partAt(nest::PlacementRef at) const;
  QString nameOf(std::size_t sheet) const;
  const std::string& codeAt(nest::PlacementRef at) const;
  JobPin pinFor(nest::PlacementRef at, std::size_t sheet) const;

  QComboBox* goal_;
  QPushButton* scope_;
  QPushButton* taking_;
  CuttingsStrip* cuttings_;
  QPushButton* search_;
  QProgressBar* progress_;
  QLabel* tries_;
  QLabel* result_;
  QLabel* bound_;
  QLabel* unplaced_;
  QString failure_;  // of the last search
  PlanStrip* plans_;
  QWidget* hand_;
  QLabel* handWhat_;
  QPushButton* pinSheet_;
  QPushButton* pinPlace_;
  QPushButton* unpin_;
  QPushButton* swap_;
  QComboBox* move_;
  QLabel* handSays_;
  SheetTools* tools_;
  QScrollArea* scroll_;
  SheetsView* sheets_;
  double searchSeconds_ = 2;
  std::optional<nest::PlacementRef> swapping_;
};

}  // namespace pp
