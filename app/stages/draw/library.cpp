#include "app/stages/draw/library.h"

#include <QDir>
#include <QFile>
#include <QObject>
#include <QStandardPaths>

#include <algorithm>

#include "app/session/file_names.h"
#include "core/formats/file.h"
#include "pictures/paint/figures.h"

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

std::optional<Problem> keepInLibrary(const Assembly& assembly, const Job& job) {
  if (!QDir().mkpath(libraryFolder()))
    return Problem{libraryFolder().toStdString(), 0, {}, "no such folder", "one that can be made"};
  QString name = qs(assembly.name.empty() ? assembly.code : assembly.name);
  const QString stem = fileStem(name);
  return writeFile(
      (libraryFolder() + QLatin1Char('/') + stem + QStringLiteral(".json")).toStdString(),
      writeLibraryItem(name.toStdString(),
                       QObject::tr("kept from %1").arg(qs(job.name)).toStdString(), assembly, job));
}

QStringList kindNames() {
  return {QObject::tr("carcass"),    QObject::tr("group of carcasses"),
          QObject::tr("worktop"),    QObject::tr("base frame"),
          QObject::tr("wall panel"), QObject::tr("seat box"),
          QObject::tr("platform"),   QObject::tr("ring"),
          QObject::tr("boards")};
}

Assembly plainAssembly(const Job& job, int kind) {
  const Material* thick = nullptr;
  const Material* thin = nullptr;
  std::vector<const Material*> sheets;
  for (const Material& material : job.materials) {
    if (material.lumber) continue;
    sheets.push_back(&material);
    if (thick == nullptr || material.nominal > thick->nominal) thick = &material;
    if (thin == nullptr || material.nominal < thin->nominal) thin = &material;
  }
  Assembly out;
  out.name = kindNames().value(kind).toStdString();
  const std::string plywood = thick == nullptr ? std::string() : thick->id;
  const std::string banding = job.bandings.empty() ? std::string() : job.bandings.front().id;
  switch (kind) {
    case 1: {
      CarcassGroup group;
      for (const Assembly& one : job.assemblies)
        if (one.isCarcass()) group.members.push_back(one.id);
      out.body = group;
      break;
    }
    case 2: {
      Top top;
      top.material = plywood;
      out.body = top;
      break;
    }
    case 3: {
      BaseFrame frame;
      frame.material = plywood;
      out.body = frame;
      break;
    }
    case 4: {
      WallPanel panel;
      panel.material = panel.cleatMaterial = plywood;
      panel.banding = banding;
      out.body = panel;
      break;
    }
    case 5: {
      SeatBox seat;
      seat.material = plywood;
      seat.banding = banding;
      seat.hingeRail = Length::mm(190);
      seat.depth = Length::mm(500);
      out.body = seat;
      break;
    }
    case 6: {
      Platform platform;
      platform.material = plywood;
      out.body = platform;
      break;
    }
    case 7: {
      Ring ring;
      ring.material = plywood;
      out.body = ring;
      break;
    }
    case 8: {
      LooseBoard board;
      board.name = "board";
      board.material = plywood;
      board.length = Length::mm(600);
      board.width = Length::mm(200);
      out.body = Boards{{board}};
      break;
    }
    default: {
      Carcass carcass;
      carcass.material = carcass.fronts.material = plywood;
      carcass.back.material = carcass.drawers.bottomMaterial =
          thin == nullptr ? std::string() : thin->id;
      carcass.drawers.boxMaterial = sheets.empty() ? std::string() : sheets[sheets.size() / 2]->id;
      carcass.banding = carcass.fronts.banding = banding;
      out.body = carcass;
      break;
    }
  }
  return out;
}

}  // namespace pp
