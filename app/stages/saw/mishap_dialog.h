// Something went wrong at the saw: what, what is still good, and the ways to go on side by side.
// Nothing changes until one is taken.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QPushButton>
#include <array>

#include "app/fields/field.h"
#include "app/jobs/ways_runner.h"
#include "app/session/session.h"

class QButtonGroup;

namespace pp {

class MishapDialog : public QDialog {
  Q_OBJECT
 public:
  // At the cutting of that number, which is under way.
  MishapDialog(Session& session, int cutting, QWidget* parent = nullptr);

 private:
  struct Card {
    Label* words;
    QPushButton* take;
    std::optional<floor::Way> way;
  };
  QLayout* makeKinds();
  QLayout* makeFields();
  QLayout* makeWays();
  void followKind();
  void look();
  void noteOnly();
  void show(const floor::Way& way);
  void take(std::size_t card);
  // As it is typed; nothing, and it is said, where that cannot be.
  std::optional<floor::Mishap> typed();
  floor::Mishap::Kind kind() const;
  void sayGood(const floor::Aftermath& after);
  void sayThickness(const floor::Mishap& mishap);

  Session& session_;
  const int cutting_;
  std::shared_ptr<const CuttingPlan> plan_;  // that holds
  std::vector<floor::Lying> lying_;
  std::int64_t settingsLeft_ = 0;
  QButtonGroup* kinds_;
  QComboBox* what_;
  std::array<Label*, 4> names_{};
  std::array<QLineEdit*, 4> fields_{};
  Label* good_;
  ProblemLine* problem_;
  QPushButton* look_;
  QPushButton* note_;
  std::array<Card, 3> cards_;
  std::vector<Event> happened_;  // as the ways shown take it
  WaysRunner runner_{this};
};

}  // namespace pp
