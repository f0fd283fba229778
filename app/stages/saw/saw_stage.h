// Saw: a cutting, one cut at a time, to be read from two metres and worked by keys or with gloves.
#pragma once

#include <QComboBox>
#include <QTimer>

#include "app/stages/saw/label_strip.h"
#include "app/stages/saw/saw_view.h"
#include "app/stages/step_stage.h"

namespace pp {

class SawStage : public StepStage {
  Q_OBJECT
 public:
  explicit SawStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Saw"); }
  // Cuts to be made.
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;

 protected:
  void refresh() override;
  void done() override;
  void back() override;
  void showStep() override;
  std::size_t steps() const override { return saw_ ? saw_->cuts() : 0; }
  std::optional<std::size_t> nextStep() const override;
  std::optional<std::size_t> find(const std::string& words) const override;
  std::string whatIsFound() const override;

 private:
  QLayout* makeHead();
  QLayout* makeFigures();
  QLayout* makeKeys();
  void followCuttings();
  void wentWrong();
  void spare();
  void clock();
  void measured();
  void sayLeft();
  void labels();
  std::int64_t leftovers() const;
  std::int64_t sparesLeft(std::size_t cut) const;
  // Has something noted, and shows what follows.
  void noted(const std::function<std::optional<Problem>()>& note);

  QComboBox* cuttings_;
  Label* progress_;
  Label* machine_;
  Label* distance_;
  Label* other_;
  Label* count_;
  Label* near_;
  Label* far_;
  Label* caution_;
  Label* next_;
  Label* spares_;
  QLineEdit* first_;
  Label* verdict_;
  Label* left_;
  QPushButton* wrong_;
  QPushButton* spare_;
  QPushButton* clock_;
  QTimer tick_;
  SawView* view_;
  LabelStrip* strip_;
  QPushButton* bench_;
  std::shared_ptr<floor::AtSaw> saw_;
  int cutting_ = 0;  // its number; 0: none is under way
  int plan_ = 0;
  bool noting_ = false;  // an event: the cuttings stay the very objects they are
};

}  // namespace pp
