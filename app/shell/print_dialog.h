// What is to be printed: its pages first, then to a printer or into files.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QPrinter>
#include <QProgressBar>
#include <QPushButton>
#include <QSpinBox>
#include <thread>

#include "app/fields/field.h"
#include "app/session/later.h"
#include "app/session/session.h"
#include "app/shell/print_order.h"

class QPrintPreviewWidget;

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
  // The same on a printer that has been chosen.
  void printOn(std::shared_ptr<QPrinter> printer);
  bool isWriting() const { return writing_; }
  int previewedPages() const;

 private:
  QWidget* makeChoices();
  QWidget* makePreview();
  QWidget* makeLabelGrid();
  PrintOrder order() const;
  void choose(int row);
  void preview(QPrinter* printer);
  void turn(int by);
  void chooseFolder();
  void printWhatIsTicked();
  void begin(std::function<PrintOrder::Outcome(const PrintWatch&)> work);
  void ended(const QStringList& written, const std::optional<Problem>& problem);
  void setWriting(bool writing);
  Problems gridFrom(LabelSheet& grid) const;
  bool takeOver();
  std::optional<PrintOrder> takenOrder();
  Pages shownKind() const;

  Session& session_;
  QListWidget* kinds_;
  QComboBox* paper_;
  QWidget* grid_;
  QSpinBox* columns_;
  QSpinBox* rows_;
  QSpinBox* firstFree_;
  QLineEdit* marginLeft_;
  QLineEdit* marginTop_;
  QLineEdit* gapAcross_;
  QLineEdit* gapDown_;
  QLineEdit* folder_;
  ProblemLine* problem_;
  QLabel* done_;
  QPrinter printer_{QPrinter::HighResolution};
  QPrintPreviewWidget* pages_;
  QLabel* page_;
  QPushButton* print_;
  QPushButton* write_;
  QPushButton* close_;
  QProgressBar* progress_;
  QString into_;
  bool cutShort_ = false;  // there are more pages than are shown
  bool writing_ = false;
  Later previewing_;
  std::jthread thread_;
};

}  // namespace pp
