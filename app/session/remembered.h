// What the window remembers from one session to the next, of its user and no job.
#pragma once

#include <QSettings>
#include <QStringList>

namespace pp {

QSettings remembered();

// Widths that the user has drawn of columns; 0: none.
int drawnWidth(const QString& table, const QString& column);
void keepDrawnWidth(const QString& table, const QString& column, int width);

// Paths of jobs, the one opened last first; those that are gone are left out.
QStringList lastJobs();
void keepLastJob(const QString& path);

}  // namespace pp
