// What stands in for a label printer: shows what would come out, and is tended as one is.
#pragma once

#include <QLabel>
#include <QTimer>
#include <QWidget>
#include <memory>

#include "devices/label_printer.h"

namespace pp {

class PrinterWindow : public QWidget {
  Q_OBJECT
 public:
  // Keeps what comes out in the folder.
  PrinterWindow(PrinterManner manner, const QString& folder, QWidget* parent = nullptr);
  std::shared_ptr<SimulatedPrinter> printer() const { return printer_; }

 private:
  void look();

  QString folder_;
  QString shown_;  // file of the label that is shown
  std::shared_ptr<SimulatedPrinter> printer_;
  QLabel* label_;
  QLabel* words_;
  QTimer timer_;
};

}  // namespace pp
