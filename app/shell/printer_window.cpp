#include "app/shell/printer_window.h"

#include <QDir>
#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>
#include <utility>

#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/said.h"

namespace pp {

PrinterWindow::PrinterWindow(PrinterManner manner, const QString& folder, QWidget* parent)
    : QWidget(parent, Qt::Tool),
      folder_(folder),
      printer_(std::make_shared<SimulatedPrinter>(manner, folder.toStdString())) {
  setWindowTitle(tr("Label printer (stand-in)"));
  setAccessibleName(tr("Label printer (stand-in)"));
  auto* column = new QVBoxLayout(this);
  label_ = new QLabel;
  label_->setAccessibleName(tr("What came out last"));
  label_->setFixedSize(432, 264);
  label_->setScaledContents(true);
  label_->setFrameShape(QFrame::Box);
  column->addWidget(label_);
  words_ = new QLabel;
  words_->setAccessibleName(tr("How the printer is"));
  words_->setFont(look::text(13));
  column->addWidget(words_);
  auto* row = new QHBoxLayout;
  const auto button = [&](const QString& words, auto act) {
    auto* out = new QPushButton(words);
    out->setAccessibleName(words);
    row->addWidget(out);
    connect(out, &QPushButton::clicked, this, act);
  };
  button(tr("Paper in, plug in, free it"), [this] { printer_->tend(); });
  button(tr("Pull the plug"), [this] { printer_->pullOut(); });
  column->addLayout(row);
  constexpr int kLook = 200;  // ms
  timer_.setInterval(kLook);
  connect(&timer_, &QTimer::timeout, this, &PrinterWindow::look);
  timer_.start();
  look();
}

void PrinterWindow::look() {
  const QFileInfoList out =
      QDir(folder_).entryInfoList({QStringLiteral("*.png")}, QDir::Files, QDir::Time);
  const QString last = out.isEmpty() ? QString() : out.constFirst().absoluteFilePath();
  if (last != std::exchange(shown_, last)) label_->setPixmap(QPixmap(last));
  words_->setText(tr("%1. %2 in %3")
                      .arg(said(printer_->state()))
                      .arg(counted(out.size(), tr("label"), tr("labels")))
                      .arg(folder_));
}

}  // namespace pp
