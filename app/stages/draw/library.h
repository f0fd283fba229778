// Assemblies to begin from: those that ship with the program, and the user's own.
#pragma once

#include <QString>
#include <vector>

#include "core/formats/library.h"

namespace pp {

// Those that ship, then those of the user's folder; files that cannot be read are left out.
std::vector<LibraryItem> libraryItems();

// Where the user's own are kept.
QString libraryFolder();

// Writes an assembly into it, or says why not.
std::optional<Problem> keepInLibrary(const Assembly& assembly, const Job& job);

// A plain assembly of each kind, by its number in the variant, of the job's materials.
QStringList kindNames();
Assembly plainAssembly(const Job& job, int kind);

}  // namespace pp
