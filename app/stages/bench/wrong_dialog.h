// Something went wrong with a piece at the bench: what, and the ways out with what each touches and
// takes. Nothing changes until one is taken.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QPushButton>
#include <array>
#include <vector>

#include "app/fields/field.h"
#include "app/session/session.h"
#include "core/assembly/remedies.h"

class QButtonGroup;
class QVBoxLayout;

namespace pp {

class WrongDialog : public QDialog {
  Q_OBJECT
 public:
  WrongDialog(Session& session, PieceId piece, const QString& name, QWidget* parent = nullptr);

 private:
  QLayout* makeFaults();
  QLayout* makeSize();
  bench::Fault fault() const;
  void look();
  void take(const bench::Remedy& remedy);
  QString words(const bench::Remedy& remedy) const;

  Session& session_;
  PieceId piece_;
  QButtonGroup* faults_;
  QWidget* size_;
  std::array<QLineEdit*, 2> fields_{};
  ProblemLine* problem_;
  QWidget* ways_ = nullptr;
  QVBoxLayout* column_;
};

}  // namespace pp
