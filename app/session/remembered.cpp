#include "app/session/remembered.h"

#include <QFileInfo>

namespace pp {
namespace {

QString widthKey(const QString& table, const QString& column) {
  return QStringLiteral("columns/%1/%2").arg(table, column);
}

}  // namespace

QSettings remembered() {
  return QSettings(QSettings::IniFormat, QSettings::UserScope, QStringLiteral("plain-patch"),
                   QStringLiteral("window"));
}

int drawnWidth(const QString& table, const QString& column) {
  return remembered().value(widthKey(table, column), 0).toInt();
}

void keepDrawnWidth(const QString& table, const QString& column, int width) {
  if (width > 0)
    remembered().setValue(widthKey(table, column), width);
  else
    remembered().remove(widthKey(table, column));
}

QStringList lastJobs() {
  QStringList out;
  for (const QString& path : remembered().value(QStringLiteral("jobs")).toStringList())
    if (QFileInfo(path).isFile()) out << path;
  return out;
}

void keepLastJob(const QString& path) {
  constexpr qsizetype kMost = 12;
  QStringList jobs = lastJobs();
  const QString full = QFileInfo(path).absoluteFilePath();
  jobs.removeAll(full);
  jobs.prepend(full);
  remembered().setValue(QStringLiteral("jobs"), jobs.mid(0, kMost));
}

}  // namespace pp
