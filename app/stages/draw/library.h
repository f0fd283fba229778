// Assemblies to begin from: those that ship with the program, and the user's own.
#pragma once

#include <QObject>
#include <QString>
#include <stop_token>
#include <thread>
#include <vector>

#include "core/formats/library.h"

namespace pp {

// Those that ship, then those of the user's folder; files that cannot be read, or are larger than
// any assembly, are left out. Stops early when told to.
std::vector<LibraryItem> libraryItems(const std::stop_token& stop = {});

// Reads the items on a thread of its own: a folder may hold anything. Lives on the window's thread.
class LibraryReader : public QObject {
  Q_OBJECT
 public:
  // Asks for the items; while they are being read, asking again changes nothing.
  void read();

 signals:
  void arrived(const std::vector<pp::LibraryItem>& items);

 private:
  bool reading_ = false;
  std::jthread thread_;
};

// Where the user's own are kept.
QString libraryFolder();

// Whether something is kept there under the name that the assembly would be kept under.
bool isKept(const Assembly& assembly);
// Writes an assembly into it, over what has its name, or says why not.
std::optional<Problem> keepInLibrary(const Assembly& assembly, const Job& job);

}  // namespace pp
