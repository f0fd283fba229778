// A question the user has to answer before anything goes on, its answers named by what they do.
#pragma once

#include <QStringList>
#include <QWidget>
#include <functional>

namespace pp {

// The number of the answer; the last one where the question is closed or left with Esc. The first
// is the one that Enter gives.
int ask(QWidget* parent, const QString& title, const QString& text, const QStringList& answers);

// The path with that ending. Where it is added, and a file of that name is there, which nobody was
// asked about, that is asked now; empty: it is not to be written over.
QString withEnding(QWidget* parent, const QString& path, const QString& suffix);

// Asks for the file to write, and goes on; `then` gets its name. What asks may be gone by then.
void askWhereToWrite(QWidget* parent, const QString& title, const QString& filter,
                     const QString& suffix, const QString& name,
                     const std::function<void(const QString&)>& then);

}  // namespace pp
