// What the job is called, where it is to stand, and what its sizes land on.
#pragma once

#include <QDialog>

#include "app/session/session.h"

class QComboBox;
class QLineEdit;

namespace pp {

class ProblemLine;

class JobDialog : public QDialog {
  Q_OBJECT
 public:
  explicit JobDialog(Session& session, QWidget* parent = nullptr);

 private:
  void takeOver();

  Session& session_;
  QLineEdit* name_;
  QLineEdit* place_;
  QComboBox* shares_;
  ProblemLine* problem_;
};

}  // namespace pp
