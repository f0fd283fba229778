// What is to be printed, on which paper, and the grid of the label sheet.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QProgressBar>
#include <QPushButton>
#include <QSpinBox>
#include <thread>

#include "app/fields/field.h"
#include "app/session/session.h"

namespace pp {

class PrintDialog : public QDialog {
  Q_OBJECT
 public:
  explicit PrintDialog(Session& session, QWidget* parent = nullptr);
  // What is being written is given up.
  ~PrintDialog() override = default;
  // Begins to write what is ticked into `folder`, on a thread of its own; which files, or what went
  // wrong, is shown in the dialog at the end.
  void printInto(const QString& folder);
  bool isWriting() const { return writing_; }

 private:
  struct Order;
  void ended(const QStringList& written, const std::optional<Problem>& problem);
  void setWriting(bool writing);
  Problems takeGrid();
  QLineEdit* lengthField(const QString& name, Length value);

  Session& session_;
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
  QPushButton* write_;
  QPushButton* close_;
  QProgressBar* progress_;
  QString into_;
  bool writing_ = false;
  std::jthread thread_;
};

}  // namespace pp
