#include "app/stages/draw/library.h"

#include <QDir>
#include <QFile>
#include <QObject>
#include <QStandardPaths>

#include <algorithm>

#include "app/session/file_names.h"
#include "core/formats/file.h"
#include "words/figures.h"

namespace pp {
namespace {

// As many bytes as ten thousand boards need, and more files than anyone looks through in a menu.
constexpr qint64 kLargestItem = 2 << 20;
constexpr std::size_t kMostItems = 200;

void readFolder(const QString& folder, std::vector<LibraryItem>& out, const std::stop_token& stop) {
  const QDir dir(folder);
  for (const QString& name : dir.entryList({QStringLiteral("*.json")}, QDir::Files, QDir::Name)) {
    if (stop.stop_requested() || out.size() >= kMostItems) return;
    QFile file(dir.filePath(name));
    if (file.size() > kLargestItem || !file.open(QIODevice::ReadOnly)) continue;
    auto item = readLibraryItem(name.toStdString(), file.readAll().toStdString());
    if (item) out.push_back(std::move(item).value());
  }
}

}  // namespace

QString libraryFolder() {
  return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
         QStringLiteral("/library");
}

std::vector<LibraryItem> libraryItems(const std::stop_token& stop) {
  std::vector<LibraryItem> out;
  readFolder(QStringLiteral(":/library"), out, stop);
  readFolder(libraryFolder(), out, stop);
  return out;
}

void LibraryReader::read() {
  if (reading_) return;
  reading_ = true;
  thread_ = std::jthread([this](const std::stop_token& stop) {
    std::vector<LibraryItem> items = libraryItems(stop);
    QMetaObject::invokeMethod(
        this,
        [this, items = std::move(items)] {
          reading_ = false;
          emit arrived(items);
        },
        Qt::QueuedConnection);
  });
}

namespace {

QString nameOf(const Assembly& assembly) {
  return qs(assembly.name.empty() ? assembly.code : assembly.name);
}

QString fileOf(const Assembly& assembly) {
  QString name = nameOf(assembly);
  return libraryFolder() + QLatin1Char('/') + fileStem(name) + QStringLiteral(".json");
}

}  // namespace

bool isKept(const Assembly& assembly) {
  return QFile::exists(fileOf(assembly));
}

std::optional<Problem> keepInLibrary(const Assembly& assembly, const Job& job) {
  if (!QDir().mkpath(libraryFolder()))
    return Problem{libraryFolder().toStdString(), 0, {}, "no such folder", "one that can be made"};
  return writeFile(
      fileOf(assembly).toStdString(),
      writeLibraryItem(nameOf(assembly).toStdString(),
                       QObject::tr("kept from %1").arg(qs(job.name)).toStdString(), assembly, job));
}

}  // namespace pp
