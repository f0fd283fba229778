// Where the job that is open lives: its file with the lock on it, and the autosave of what is not
// in it yet. Autosaves lie in a folder of the user's own, readable by nobody else.
#pragma once

#include <QLockFile>
#include <QObject>
#include <QString>
#include <memory>
#include <vector>

#include "app/session/autosaver.h"
#include "core/floor/record.h"

namespace pp {

// Who else has a file open.
struct Holder {
  QString program;
  QString host;
  qint64 process = 0;
};

// A state that a session which ended badly has left.
struct Unsaved {
  QString autosave;    // its file
  QString path;        // of the job's own file; empty: it was never saved
  QString name;        // of the job
  QString saved;       // when
  bool moved = false;  // the job's own file has changed since
};

class JobFile : public QObject {
  Q_OBJECT
 public:
  explicit JobFile(QObject* parent = nullptr);
  // What was asked for is done first; the autosave stays unless end() was called.
  ~JobFile() override;

  const QString& path() const { return path_; }
  // Opened beside another window that has the file: it can be saved under another name only.
  bool isToRead() const { return toRead_; }

  // Who has that file open, if it is not this window.
  std::optional<Holder> holderOf(const QString& path) const;

  // A job of that file, or of none, is open from now on. Takes the lock where nobody has it.
  void begin(const QString& path, bool toRead = false);
  // What is in the file changed by others since it was read or written here?
  bool isChangedByOthers() const;
  // Writes the job to `path` and makes that its file. On failure nothing changes here. A file that
  // others have changed since is written over only where that is meant.
  enum class Over { Own, Others };
  std::optional<Problem> save(const QString& path, const Job& job, const Record& record,
                              Over over = Over::Own);

  // Protects a state, or says that there is nothing to protect.
  void protect(std::shared_ptr<const Job> job);
  void nothingToProtect();
  // Returns when what was asked for is on the disk.
  void settle() { autosaver_.wait(); }
  // The session is over as its user wanted: the autosave goes.
  void end();

  // What sessions that ended badly have left, newest first. One of them is read and, once what was
  // taken up is protected here, forgotten.
  std::vector<Unsaved> unsaved() const;
  static Result<Autosave> read(const Unsaved& left);
  static void forget(const Unsaved& left);

  // Where autosaves are kept.
  static QString folder();

 signals:
  // What is worth knowing of what was written.
  void said(const QString& text);
  // Nothing has been wrong since an autosave, or what has been wrong since so many edits.
  void protection(const QString& trouble);

 private:
  void lock(const QString& path);
  void newAutosave();

  QString path_;
  bool toRead_ = false;
  std::optional<FileStamp> stamp_;
  std::unique_ptr<QLockFile> lock_;      // on the job's file
  std::unique_ptr<QLockFile> place_;     // on the same by whatever other name
  std::unique_ptr<QLockFile> sessions_;  // on the autosave, so that others know it is in use
  QString autosave_;
  std::size_t edits_ = 0;  // made in this session
  std::size_t safe_ = 0;   // of them on the disk
  QString trouble_;
  Autosaver autosaver_;
};

}  // namespace pp
