// The plans that were taken to the saw and are under way, a line each.
#pragma once

#include <QVBoxLayout>
#include <QWidget>

#include "app/session/session.h"

namespace pp {

class CuttingsStrip : public QWidget {
  Q_OBJECT
 public:
  explicit CuttingsStrip(QWidget* parent = nullptr);
  // Shows those of the record; hidden where there is none.
  void follow(const Job& job, const Record& record, const floor::Progress& progress);

 signals:
  void giveUp(int cutting);

 private:
  QVBoxLayout* lines_;
  QStringList shown_;
};

}  // namespace pp
