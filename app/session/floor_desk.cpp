#include "app/session/floor_desk.h"

#include <QDateTime>
#include <algorithm>
#include <utility>

#include "core/formats/file.h"

namespace pp {

QStringList FloorDesk::begin(Record record, const QString& path, const std::string& job,
                             bool toRead) {
  record_ = std::move(record);
  inFile_ = true;
  journal_.reset();
  beyond_ = 0;
  stuck_.clear();
  std::vector<std::string> said;
  const std::string name = path.isEmpty() ? std::string() : journalOf(path.toStdString());
  if (!path.isEmpty() && toRead) {
    if (const auto left = readJournal(name, job)) {
      if (const auto problem = fold(name, left->events, record_.events))
        said.push_back(describe({*problem}));
    } else if (stampOf(name)) {
      said.push_back(describe(left.problems()));
    }
  } else if (!path.isEmpty()) {
    journal_.emplace(name, job);
    Journal::Left left = journal_->takeUp(record_.events);
    said = std::move(left.said);
    beyond_ = left.beyond;
    if (left.isStuck) {
      stuck_ = name;
      journal_.reset();
    }
  }
  foldAnew();
  follow();
  QStringList out;
  for (const std::string& words : said) out << QString::fromStdString(words);
  if (const auto& ignored = progress().ignored; !ignored.empty())
    out << tr("Of what was noted %n thing(s) cannot have happened and count for nothing; the first "
              "is no. %1: %2.",
              nullptr, static_cast<int>(ignored.size()))
               .arg(ignored.front().seq)
               .arg(QString::fromStdString(ignored.front().why));
  return out;
}

void FloorDesk::saved(Record record, const QString& path, const std::string& job) {
  record_ = std::move(record);
  inFile_ = true;
  const std::string name = journalOf(path.toStdString());
  if (name != stuck_) {
    // Events that stay in the journal are those the file has: taking them up again changes nothing.
    if (!journal_ || !journal_->isOf(name, job)) journal_.emplace(name, job);
    (void)journal_->clear();
  }
  foldAnew();
  follow();
}

std::optional<Problem> FloorDesk::note(Event event) {
  const QDateTime now = QDateTime::currentDateTime();
  event.time = now.toMSecsSinceEpoch();
  constexpr int kSecondsPerMinute = 60;
  event.offset = now.offsetFromUtc() / kSecondsPerMinute;
  event = following(record_.events, std::move(event));
  event.seq = std::max(event.seq, beyond_ + 1);
  if (!stuck_.empty() && !journal_)
    return Problem{stuck_,
                   0,
                   {},
                   "a journal that can be neither read nor put aside",
                   "one that can be written"};
  if (!journal_) return Problem{{}, 0, {}, "a job without a file", "one that is saved"};
  // What cannot have happened is not noted.
  if (std::string why = ledger_->apply(event); !why.empty())
    return Problem{{}, 0, {}, std::move(why), "what can be done now"};
  if (auto problem = journal_->append(event)) {
    foldAnew();
    follow();
    return problem;
  }
  if (const std::string words = journal_->takeSaid(); !words.empty())
    emit said(QString::fromStdString(words));
  record_.events.push_back(std::move(event));
  follow();
  return std::nullopt;
}

bool FloorDesk::isStuck(const QString& path) const {
  return !stuck_.empty() && stuck_ == journalOf(path.toStdString());
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
  ledger_ = std::make_unique<floor::Ledger>(record_.cuttings, record_.events);
}

void FloorDesk::follow() {
  holdings_.reset();
  emit changed();
}

}  // namespace pp
