// What the job is called and where it is to stand.
#pragma once

#include <QDialog>

#include "app/shell/document.h"

class QLineEdit;

namespace pp {

class ProblemLine;

class JobDialog : public QDialog {
  Q_OBJECT
 public:
  explicit JobDialog(Document& document, QWidget* parent = nullptr);

 private:
  void takeOver();

  Document& document_;
  QLineEdit* name_;
  QLineEdit* place_;
  ProblemLine* problem_;
};

}  // namespace pp
