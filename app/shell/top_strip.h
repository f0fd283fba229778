// The strip along the top: job, units, undo and redo in words, and three live figures.
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/session/later.h"
#include "app/session/session.h"

namespace pp {

class TopStrip : public QWidget {
  Q_OBJECT
 public:
  explicit TopStrip(Session& session, QWidget* parent = nullptr);

 signals:
  void nameWanted();  // the job's name was clicked

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  QLabel* addFigure(const QString& name);
  void follow();
  void followPlan();
  void setUnit(Unit unit);
  void setFraction(int fraction);

  Session& session_;
  Later later_;
  QLabel* name_;
  QPushButton* inches_;
  QPushButton* millimetres_;
  QComboBox* fraction_;
  QPushButton* undo_;
  QPushButton* redo_;
  QLabel* sheets_;
  QLabel* cost_;
  QLabel* settings_;
};

}  // namespace pp
