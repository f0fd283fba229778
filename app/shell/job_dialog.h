// What the job is called and where it is to stand.
#pragma once

#include <QDialog>

#include "app/session/session.h"

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
  ProblemLine* problem_;
};

}  // namespace pp
