// What is to be printed, on which paper, and the grid of the label sheet.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QSpinBox>

#include "app/shell/document.h"
#include "app/shell/field.h"

namespace pp {

class PrintDialog : public QDialog {
  Q_OBJECT
 public:
  explicit PrintDialog(Document& document, QWidget* parent = nullptr);
  // Writes what is ticked into `folder` and says which files; problems are shown in the dialog.
  bool printInto(const QString& folder);

 private:
  Problems takeGrid();
  QLineEdit* lengthField(const QString& name, Length value);

  Document& document_;
  QCheckBox* parts_;
  QCheckBox* sheets_;
  QCheckBox* cutting_;
  QCheckBox* labels_;
  QComboBox* paper_;
  QSpinBox* columns_;
  QSpinBox* rows_;
  QLineEdit* marginLeft_;
  QLineEdit* marginTop_;
  QLineEdit* gapAcross_;
  QLineEdit* gapDown_;
  QLineEdit* folder_;
  ProblemLine* problem_;
  QLabel* done_;
};

}  // namespace pp
