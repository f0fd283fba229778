// Labels of what comes off the saw, on their way to the label printer that is plugged in. Which are
// still to be printed follows from the record; one has come out when the record says so, and a
// printer that is told of the same label twice prints it once: none is lost, none comes twice.
#pragma once

#include <QObject>
#include <QTimer>
#include <deque>
#include <memory>
#include <optional>
#include <vector>

#include "core/floor/labels.h"
#include "core/result/result.h"
#include "devices/label_printer.h"
#include "pictures/paper/print.h"

namespace pp {

class Session;

class LabelDesk : public QObject {
  Q_OBJECT
 public:
  // The session outlives it.
  explicit LabelDesk(Session& session);

  // Null: none is plugged in.
  void plug(std::shared_ptr<LabelPrinter> printer);
  bool isPlugged() const { return printer_ != nullptr; }
  PrinterState state() const { return state_; }
  // Those that are to be printed.
  const std::vector<floor::LabelOwed>& owed() const;
  // The one that was sent last and has not come out; none: nothing is on its way.
  const std::optional<floor::LabelOwed>& sent() const { return sent_; }
  // Why what came out cannot be noted; empty: it can.
  const QString& trouble() const { return trouble_; }
  // What it says; none: what it was of is no more.
  std::optional<LabelFor> says(const floor::Labelled& on) const;

  // They were printed otherwise, on a sheet. Noted one after the other; a problem, and none is,
  // where the job has no file.
  std::optional<Problem> printed(std::vector<floor::LabelOwed> labels);
  // One more of it is wanted.
  std::optional<Problem> again(const floor::Labelled& on);

 signals:
  void changed();

 private:
  void follow();
  void look();
  void send();
  void forgetOthers();
  bool note();
  std::int64_t tagOf(const floor::Labelled& on) const;
  std::string idOf(const floor::LabelOwed& label) const;

  Session& session_;
  std::shared_ptr<LabelPrinter> printer_;
  PrinterState state_ = PrinterState::Absent;
  mutable std::optional<std::vector<floor::LabelOwed>> owed_;  // once they are asked for
  std::optional<floor::LabelOwed> sent_;
  std::deque<floor::LabelOwed> out_;  // that came out and are not noted yet
  std::string job_;                   // whose labels these are
  QString trouble_;
  QTimer timer_;
};

}  // namespace pp
