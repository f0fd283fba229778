// Readings of one lot's thickness, typed or from the gauge: their mean, how far they spread, which
// of them is none of this lot.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <vector>

#include "app/fields/field.h"
#include "app/session/session.h"

namespace pp {

class ThicknessDialog : public QDialog {
  Q_OBJECT
 public:
  // `what` is measured, in words.
  ThicknessDialog(Session& session, const QString& what, QWidget* parent = nullptr);

  const std::vector<Length>& readings() const { return readings_; }
  // Of those that count. Precondition: there is a reading.
  Length thickness() const;

 protected:
  // Enter in the field adds a reading, and closes nothing.
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void addTyped();
  void add(Length reading);
  void removeChosen();
  void say();

  Session& session_;
  QLineEdit* typed_;
  QListWidget* list_;
  Label* words_;
  QPushButton* take_;
  std::vector<Length> readings_;
};

}  // namespace pp
