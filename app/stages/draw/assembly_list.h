// The assemblies of the job: chosen, added, renamed, put in order, copied, mirrored, kept, removed.
#pragma once

#include <QListWidget>
#include <QPushButton>

#include "app/shell/document.h"

namespace pp {

class AssemblyList : public QWidget {
  Q_OBJECT
 public:
  explicit AssemblyList(Document& document, QWidget* parent = nullptr);

 signals:
  void refused(const pp::Problems& problems);
  void said(const QString& words);

 private:
  void follow();
  void offerAssemblies();  // the menu of what can be added
  void addAssembly(Assembly added);
  void copyAssembly();
  void mirrorAssembly();
  void moveAssembly(int by);
  void removeAssembly();
  void keepAssembly();
  void rename(QListWidgetItem* item);
  std::string freeCode(const Assembly& assembly) const;
  const Assembly* assembly() const;

  Document& document_;
  QListWidget* list_;
  QPushButton* add_;
};

}  // namespace pp
