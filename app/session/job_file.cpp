#include "app/session/job_file.h"

#include <QCryptographicHash>
#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QUuid>
#include <algorithm>

#include "core/formats/job_json.h"

namespace pp {
namespace {

const QString kEnding = QStringLiteral(".autosave");

// A lock beside the file itself, so that windows on other machines see it too.
QString lockNameOf(const QString& path) {
  const QFileInfo target(QString::fromStdString(targetOf(path.toStdString())));
  QString name = QStringLiteral(".%1.lock").arg(target.fileName());
  constexpr int kLongest = 200;  // bytes; a name of 255 leaves no room for more
  if (name.toUtf8().size() > kLongest)
    name = QStringLiteral(".%1.lock")
               .arg(QString::fromLatin1(
                   QCryptographicHash::hash(name.toUtf8(), QCryptographicHash::Sha1).toHex()));
  return target.dir().filePath(name);
}

// A file may have several names: a lock that goes by its place on the disk. Empty: it is not there.
QString placeLockOf(const QString& path) {
  const std::string id = idOf(path.toStdString());
  return id.empty()
             ? QString()
             : JobFile::folder() + QStringLiteral("/file-%1.lock").arg(QString::fromStdString(id));
}

std::unique_ptr<QLockFile> lockFile(const QString& name) {
  auto out = std::make_unique<QLockFile>(name);
  out->setStaleLockTime(0);  // only a process that is gone loses its lock, however old that is
  return out;
}

}  // namespace

QString JobFile::folder() {
  QString state = qEnvironmentVariable("XDG_STATE_HOME");
  if (!QDir::isAbsolutePath(state)) state = QDir::home().filePath(QStringLiteral(".local/state"));
  return state + QStringLiteral("/plain-patch");
}

JobFile::JobFile(QObject* parent) : QObject(parent) {
  qRegisterMetaType<pp::Problem>();
  qRegisterMetaType<std::size_t>("std::size_t");
  connect(&autosaver_, &Autosaver::kept, this, [this](std::size_t edits) {
    safe_ = std::max(safe_, edits);
    if (trouble_.isEmpty()) return;
    trouble_.clear();
    emit protection({});
  });
  connect(&autosaver_, &Autosaver::failed, this, [this](const Problem& problem) {
    trouble_ = QString::fromStdString(problem.found);
    const std::size_t open = edits_ - std::min(edits_, safe_);
    emit protection(open == 1
                        ? tr("The last edit is not protected against a crash: %1.").arg(trouble_)
                        : tr("The last %1 edits are not protected against a crash: %2.")
                              .arg(open)
                              .arg(trouble_));
  });
  QDir().mkpath(folder());
  QFile::setPermissions(folder(), QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
  cleanLeftovers(folder().toStdString());
  // Locks of sessions that ended badly with nothing to keep.
  const QDir dir(folder());
  for (const QString& name :
       dir.entryList({QStringLiteral("*.autosave.lock"), QStringLiteral("file-*.lock")},
                     QDir::Files | QDir::Hidden))
    if (!dir.exists(name.chopped(5))) lockFile(dir.filePath(name))->tryLock(0);
}

JobFile::~JobFile() {
  autosaver_.wait();
}

std::optional<Holder> JobFile::holderOf(const QString& path) const {
  for (const auto& [name, mine] :
       {std::pair(lockNameOf(path), lock_.get()), std::pair(placeLockOf(path), place_.get())}) {
    if (name.isEmpty() || (mine != nullptr && mine->fileName() == name)) continue;
    const auto probe = lockFile(name);
    // Where no lock can be had nobody has one.
    if (probe->tryLock(0) || probe->error() != QLockFile::LockFailedError) continue;
    Holder out;
    probe->getLockInfo(&out.process, &out.host, &out.program);
    return out;
  }
  return std::nullopt;
}

void JobFile::lock(const QString& path) {
  const auto hold = [](std::unique_ptr<QLockFile>& lock, const QString& name) {
    if (lock && lock->fileName() == name) return;
    lock.reset();
    if (name.isEmpty()) return;
    auto mine = lockFile(name);
    if (mine->tryLock(0)) lock = std::move(mine);
  };
  hold(lock_, path.isEmpty() ? QString() : lockNameOf(path));
  hold(place_, path.isEmpty() ? QString() : placeLockOf(path));
}

void JobFile::newAutosave() {
  if (!autosave_.isEmpty()) autosaver_.drop(autosave_);
  autosaver_.wait();
  sessions_.reset();
  autosave_ =
      folder() + QLatin1Char('/') + QUuid::createUuid().toString(QUuid::WithoutBraces) + kEnding;
  sessions_ = lockFile(autosave_ + QStringLiteral(".lock"));
  if (!sessions_->tryLock(0)) sessions_.reset();
}

void JobFile::begin(const QString& path, bool toRead) {
  path_ = path;
  toRead_ = toRead;
  edits_ = safe_ = 0;
  trouble_.clear();
  emit protection({});
  stamp_ = path.isEmpty() ? std::nullopt : stampOf(path.toStdString());
  lock(toRead ? QString() : path);
  if (!path.isEmpty())
    cleanLeftovers(QFileInfo(QString::fromStdString(targetOf(path.toStdString())))
                       .absolutePath()
                       .toStdString());
  newAutosave();
}

bool JobFile::isChangedByOthers() const {
  if (path_.isEmpty() || !stamp_) return false;
  const auto now = stampOf(path_.toStdString());
  return now && now != stamp_;
}

std::optional<Problem> JobFile::save(const QString& path, const Job& job, const Record& record,
                                     Over over) {
  const std::string file = path.toStdString();
  if (over == Over::Own && isChangedByOthers() && isSameFile(file, path_.toStdString()))
    return Problem{
        file,
        0,
        {},
        tr("a file that something else has changed since").toStdString(),
        tr("it as it was opened here: save it under another name, or over it").toStdString()};
  if (const auto other = holderOf(path))
    return Problem{file,
                   0,
                   {},
                   tr("that file open in another window (process %1 on %2)")
                       .arg(other->process)
                       .arg(other->host)
                       .toStdString(),
                   tr("another name").toStdString()};
  const bool hadOtherNames = namesOf(file) > 1;
  if (auto problem = writeFile(file, writeJob(job, record))) {
    if (!isWritten(*problem)) return problem;
    emit said(QString::fromStdString(describe(*problem)));
  }
  if (hadOtherNames)
    emit said(
        tr("%1 was one file under several names: the others have it as it was before.").arg(path));
  path_ = path;
  toRead_ = false;
  lock(path);
  stamp_ = stampOf(path.toStdString());
  nothingToProtect();
  return std::nullopt;
}

void JobFile::protect(std::shared_ptr<const Job> job) {
  ++edits_;
  autosaver_.keep({autosave_, std::move(job), path_, stamp_, edits_});
}

void JobFile::nothingToProtect() {
  safe_ = edits_;
  autosaver_.drop(autosave_);
  if (trouble_.isEmpty()) return;
  trouble_.clear();
  emit protection({});
}

void JobFile::end() {
  if (autosave_.isEmpty()) return;
  autosaver_.drop(autosave_);
  autosaver_.wait();
  autosave_.clear();
  sessions_.reset();
  lock({});
}

std::vector<Unsaved> JobFile::unsaved() const {
  std::vector<Unsaved> out;
  const QDir dir(folder());
  for (const QFileInfo& file :
       dir.entryInfoList({QStringLiteral("*") + kEnding}, QDir::Files, QDir::Time)) {
    if (file.absoluteFilePath() == autosave_) continue;
    // Whoever still works on it holds its lock.
    const auto probe = lockFile(file.absoluteFilePath() + QStringLiteral(".lock"));
    if (!probe->tryLock(0)) continue;
    Unsaved one;
    one.autosave = file.absoluteFilePath();
    const auto read = JobFile::read(one);
    if (!read) continue;
    one.path = QString::fromStdString(read->path);
    one.name = QString::fromStdString(read->job.name);
    one.saved = QString::fromStdString(read->saved);
    one.moved = read->base && stampOf(read->path) != read->base;
    out.push_back(std::move(one));
  }
  return out;
}

Result<Autosave> JobFile::read(const Unsaved& left) {
  const std::string file = left.autosave.toStdString();
  const auto text = readFile(file);
  if (!text) return text.problems();
  return readAutosave(file, text.value());
}

void JobFile::forget(const Unsaved& left) {
  QFile::remove(left.autosave);
}

}  // namespace pp
