// Every piece that came off with its label: printed on a sheet from any free field on, had
// already, or once more; and leftovers that go to the rack.
#pragma once

#include <QDialog>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>

#include "app/fields/field.h"
#include "app/session/session.h"

namespace pp {

class LabelsDialog : public QDialog {
  Q_OBJECT
 public:
  explicit LabelsDialog(Session& session, QWidget* parent = nullptr);

 private:
  void follow();
  void askForSheet();
  void writeSheet(const QString& path);
  void say(const std::optional<Problem>& problem);
  void again();
  void toTheRack();

  Session& session_;
  Label* head_;
  QListWidget* list_;
  std::vector<floor::Labelled> rows_;
  QSpinBox* firstFree_;
  QPushButton* sheet_;
  QPushButton* have_;
  QPushButton* again_;
  QPushButton* rack_;
  ProblemLine* problem_;
};

}  // namespace pp
