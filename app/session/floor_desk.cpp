#include "app/session/floor_desk.h"

#include <QDateTime>
#include <utility>

#include "core/formats/file.h"

namespace pp {

QStringList FloorDesk::begin(Record record, const QString& path, const std::string& job,
                             bool toRead) {
  record_ = std::move(record);
  inFile_ = true;
  journal_.reset();
  QStringList out;
  if (!path.isEmpty()) {
    const std::string name = journalOf(path.toStdString());
    std::vector<Event> events;
    if (toRead) {
      if (const auto text = readFile(name))
        if (auto read = readJournal(name, text.value(), job))
          events = std::move(read.value().events);
    } else {
      journal_.emplace(name, job);
      Journal::Left left = journal_->takeUp();
      events = std::move(left.events);
      for (const std::string& words : left.said) out << QString::fromStdString(words);
    }
    if (const auto problem = fold(name, events, record_.events))
      out << QString::fromStdString(describe(*problem));
  }
  foldAnew();
  follow();
  return out;
}

void FloorDesk::saved(Record record, const QString& path, const std::string& job) {
  record_ = std::move(record);
  inFile_ = true;
  journal_.emplace(journalOf(path.toStdString()), job);
  // Events that stay in the journal are those the file has: taking them up again changes nothing.
  (void)journal_->clear();
  foldAnew();
  follow();
}

std::optional<Problem> FloorDesk::note(Event event) {
  const QDateTime now = QDateTime::currentDateTime();
  event.time = now.toMSecsSinceEpoch();
  constexpr int kSecondsPerMinute = 60;
  event.offset = now.offsetFromUtc() / kSecondsPerMinute;
  event = following(record_.events, std::move(event));
  if (!journal_) return Problem{{}, 0, {}, "a job without a file", "one that is saved"};
  // What cannot have happened is not noted.
  if (std::string why = fold_->apply(event); !why.empty())
    return Problem{{}, 0, {}, std::move(why), "what can be done now"};
  if (auto problem = journal_->append(event)) {
    foldAnew();
    follow();
    return problem;
  }
  record_.events.push_back(std::move(event));
  follow();
  return std::nullopt;
}

const floor::Holdings& FloorDesk::holdings() const {
  if (!holdings_) holdings_ = floor::holdingsOf(record_.cuttings, progress());
  return *holdings_;
}

void FloorDesk::reservePrinted(const Job& job) {
  const std::vector<ReservedCodes> before = record_.codes;
  reserve(record_, job, CodeExposure::OnPaper);
  inFile_ = inFile_ && record_.codes == before;
}

void FloorDesk::setScope(Scope scope) {
  record_.scope = std::move(scope);
  inFile_ = false;
  emit changed();
}

void FloorDesk::foldAnew() {
  fold_ = std::make_unique<floor::Fold>(record_.cuttings);
  fold_->take(record_.events);
}

void FloorDesk::follow() {
  holdings_.reset();
  emit changed();
}

}  // namespace pp
