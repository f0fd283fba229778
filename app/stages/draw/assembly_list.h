// The assemblies of the job: chosen, added, renamed, put in order, copied, mirrored, kept, removed.
#pragma once

#include <QListWidget>
#include <QPushButton>

#include "app/session/session.h"
#include "app/stages/draw/library.h"

namespace pp {

class AssemblyList : public QWidget {
  Q_OBJECT
 public:
  explicit AssemblyList(Session& session, QWidget* parent = nullptr);
  // Follows the session; told by the stage, once an edit.
  void refresh();

 signals:
  void refused(const pp::Problems& problems);
  void said(const QString& words);

 private:
  void askForLibrary();  // what can be added is read beside the window's thread
  void offerAssemblies(const std::vector<LibraryItem>& items);
  void addAssembly(const Fragment& added);
  void copyAssembly();
  void mirrorAssembly();
  void moveAssembly(int by);
  void removeAssembly();
  void keepAssembly();
  void rename(QListWidgetItem* item);
  std::string freeCode(const Assembly& assembly) const;
  const Assembly* assembly() const;

  Session& session_;
  QListWidget* list_;
  QPushButton* add_;
  LibraryReader library_;
};

}  // namespace pp
