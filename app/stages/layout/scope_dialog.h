// What Lay out plans: all parts, or some assemblies or kinds of parts.
#pragma once

#include <QDialog>
#include <QListWidget>
#include <QPushButton>

#include "app/session/session.h"

namespace pp {

// "all parts", "B1 and B2", "doors of B1"
QString scopeWords(const Job& job, const Scope& scope);

class ScopeDialog : public QDialog {
  Q_OBJECT
 public:
  explicit ScopeDialog(Session& session, QWidget* parent = nullptr);

 private:
  void takeOver();
  void follow();

  Session& session_;
  QListWidget* assemblies_;
  QListWidget* roles_;
  QPushButton* take_;
};

}  // namespace pp
