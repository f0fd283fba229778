#include "app/session/label_desk.h"

#include <algorithm>
#include <cctype>
#include <utility>

#include "app/session/session.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr int kBetweenLabelLooks = 60;  // ms
constexpr int kLongestBetweenLooks = 4'000;

Event eventOf(EventKind kind, const floor::Labelled& on) {
  Event out;
  out.kind = kind;
  out.piece = on.piece;
  out.cutting = on.cutting;
  out.name = on.leftover;
  return out;
}

}  // namespace

LabelDesk::LabelDesk(Session& session) : session_(session) {
  timer_.setInterval(kBetweenLabelLooks);
  connect(&timer_, &QTimer::timeout, this, &LabelDesk::look);
  connect(&session.floor(), &FloorDesk::changed, this, &LabelDesk::follow);
}

void LabelDesk::plug(std::shared_ptr<LabelPrinter> printer) {
  printer_ = std::move(printer);
  sent_.reset();
  state_ = printer_ ? printer_->state() : PrinterState::Absent;
  follow();
}

const std::vector<floor::LabelOwed>& LabelDesk::owed() const {
  if (!owed_) owed_ = floor::labelsOwed(session_.floor().progress());
  return *owed_;
}

void LabelDesk::follow() {
  owed_.reset();
  if ((printer_ && !owed().empty()) || !out_.empty()) timer_.start();
  emit changed();
}

std::string LabelDesk::idOf(const floor::LabelOwed& label) const {
  const floor::Labelled& on = label.on;
  std::string out = session_.job().id + "-" +
                    (on.piece ? on.piece->code + "-" + std::to_string(on.piece->number)
                              : std::to_string(on.cutting) + "-" + on.leftover) +
                    "-" + std::to_string(label.nth);
  std::replace_if(
      out.begin(), out.end(),
      [](unsigned char c) { return std::isalnum(c) == 0 && c != '-' && c != '.'; }, '_');
  return out;
}

std::optional<LabelFor> LabelDesk::says(const floor::Labelled& on) const {
  const std::vector<Cutting>& cuttings = session_.floor().record().cuttings;
  if (on.piece) {
    const Part* part = floor::partOf(cuttings, *on.piece);
    if (part == nullptr) return std::nullopt;
    return PieceLabel{*part, on.piece->number};
  }
  const auto at = session_.floor().ledger().leftover(on);
  if (!at) return std::nullopt;
  const StockSupply& stock = *at->stock;
  const LengthStyle style = session_.style();
  RackTag out;
  const std::int64_t tag = tagOf(on);
  out.tag = tag > 0 ? QStringLiteral("R%1").arg(tag) : qs(on.leftover);
  out.material = QStringLiteral("%1 %2").arg(figure(stock.thickness, style), qs(stock.material));
  out.size = figures(floor::wholeDown(at->length, style.unit),
                     floor::wholeDown(at->width, style.unit), style) +
             (style.unit == Unit::Inch ? QStringLiteral(" in") : QStringLiteral(" mm"));
  QStringList words;
  if (!stock.lot.empty()) words << tr("lot %1").arg(qs(stock.lot));
  words
      << tr("%1, cutting %2, %3").arg(qs(session_.job().name)).arg(on.cutting).arg(qs(on.leftover));
  out.words = words.join(QStringLiteral(", "));
  return out;
}

// The number that it got in the rack; 0: it has none yet.
std::int64_t LabelDesk::tagOf(const floor::Labelled& on) const {
  const auto state = session_.store().state();
  if (!state) return 0;
  const auto at = state->tags.find({on.cutting, on.leftover});
  return at == state->tags.end() ? 0 : at->second;
}

// Labels of a job that is not open any more are noted when it is, not here.
void LabelDesk::forgetOthers() {
  if (job_ == session_.job().id) return;
  sent_.reset();
  out_.clear();
  job_ = session_.job().id;
  trouble_.clear();
  timer_.setInterval(kBetweenLabelLooks);
}

// One thing a turn: the disk is waited for at each.
void LabelDesk::look() {
  forgetOthers();
  if (!out_.empty() && !note()) return;
  if (printer_) {
    const auto id = printer_->take();
    if (id && sent_ && idOf(*sent_) == *id) {
      out_.push_back(*std::exchange(sent_, std::nullopt));
      (void)note();
    }
    if (!id && printer_->state() == PrinterState::Ready) send();
    const PrinterState now = printer_->state();
    if (std::exchange(state_, now) != now) emit changed();
  }
  if (out_.empty() && (!printer_ || (owed().empty() && !sent_))) timer_.stop();
}

// What came out is noted; false: the disk refuses, and it is tried again, less and less often.
bool LabelDesk::note() {
  const floor::LabelOwed label = out_.front();
  if (!session_.floor().canNote()) return false;
  Event event = eventOf(EventKind::LabelPrinted, label.on);
  event.step = label.nth;
  const auto& labels = session_.floor().progress().labels;
  const auto at = labels.find(label.on);
  const bool known = at != labels.end() && at->second.printed >= label.nth;
  const auto problem = known ? std::nullopt : session_.note(std::move(event));
  // A label of what never was holds up no other.
  const bool written = !problem || problem->file.empty();
  if (written) out_.pop_front();
  timer_.setInterval(written ? kBetweenLabelLooks
                             : std::min(2 * timer_.interval(), kLongestBetweenLooks));
  const QString trouble = problem ? tr("A label came out and cannot be noted: %1")
                                        .arg(QString::fromStdString(describe({*problem})))
                                  : QString();
  if (std::exchange(trouble_, trouble) != trouble) emit changed();
  return written;
}

void LabelDesk::send() {
  if (!session_.floor().canNote()) return;
  for (const floor::LabelOwed& label : owed()) {
    // Until the store has answered.
    if (!label.on.piece && tagOf(label.on) == 0 && session_.store().trouble().isEmpty()) continue;
    const auto words = says(label.on);
    if (!words) continue;
    const SingleLabel drawn = singleLabel(session_.job(), *words);
    sent_ = label;
    printer_->send({idOf(label), drawn.pdf.toStdString(), drawn.png.toStdString()});
    emit changed();
    return;
  }
}

std::optional<Problem> LabelDesk::printed(std::vector<floor::LabelOwed> labels) {
  if (!session_.floor().canNote())
    return Problem{{}, 0, {}, "a job without a file", "one that is saved"};
  forgetOthers();
  out_.insert(out_.end(), std::make_move_iterator(labels.begin()),
              std::make_move_iterator(labels.end()));
  if (!out_.empty()) timer_.start();
  return std::nullopt;
}

std::optional<Problem> LabelDesk::again(const floor::Labelled& on) {
  return session_.note(eventOf(EventKind::LabelWanted, on));
}

}  // namespace pp
