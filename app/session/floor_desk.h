// What was taken to the saw and what happened since: the record half of the job's file, and the
// journal that has every event before anything shows it.
#pragma once

#include <QObject>
#include <QStringList>

#include "core/floor/ledger.h"
#include "core/floor/open_parts.h"
#include "core/formats/journal.h"

namespace pp {

class FloorDesk : public QObject {
  Q_OBJECT
 public:
  using QObject::QObject;

  const Record& record() const { return record_; }
  // The same object after an event; another after begin() and saved().
  const floor::Progress& progress() const { return ledger_->now(); }
  const floor::Ledger& ledger() const { return *ledger_; }
  // What cuttings hold, as of the last event.
  const floor::Holdings& holdings() const;

  // The record of a job of that file, or of none. What its journal has beyond it is taken up, and
  // what of that is lost is returned in words. A job that is opened to read leaves the journal as
  // it is.
  QStringList begin(Record record, const QString& path, const std::string& job, bool toRead);
  // The record was written, as it is given, to that file; its journal is emptied.
  void saved(Record record, const QString& path, const std::string& job);

  // On the disk, then shown. A problem where the disk refuses, which then names a file, or where it
  // cannot have happened as things are: nothing happened then.
  std::optional<Problem> note(Event event);

  // Whether something can be noted: the job has a file.
  bool canNote() const { return journal_.has_value(); }

  // Whether something happened that only the journal has.
  bool hasJournal() const { return journal_ && journal_->hasNoted(); }

  // Whether the journal of that file can be neither read nor put aside.
  bool isStuck(const QString& path) const;

  // Whether the file has the record as it is; what the journal has is not asked.
  bool isInFile() const { return inFile_; }

  // What was printed carries the codes it shows for good.
  void reservePrinted(const Job& job);
  // What Lay out plans.
  void setScope(Scope scope);

 signals:
  void changed();
  // What became of the journal, for the user to know.
  void said(const QString& words);

 private:
  void follow();
  void foldAnew();

  Record record_;
  std::unique_ptr<floor::Ledger> ledger_ = std::make_unique<floor::Ledger>(record_.cuttings);
  mutable std::optional<floor::Holdings> holdings_;  // once they are asked for
  bool inFile_ = true;
  std::optional<Journal> journal_;
  std::int64_t beyond_ = 0;  // the last number of an event that a journal had which was put aside
  std::string stuck_;        // the journal that can be neither read nor put aside; empty: none
};

}  // namespace pp
