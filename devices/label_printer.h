// A printer of single labels, and one that stands in for it.
#pragma once

#include <memory>
#include <optional>
#include <string>

namespace pp {

enum class PrinterState { Ready, Printing, OutOfPaper, Jammed, Absent };

// A label on its way. `id` is of this label and no other: letters, digits, '.' and '-'.
struct PrinterLabel {
  std::string id;
  std::string pdf, png;  // the same twice
};

// One label is under way at a time.
class LabelPrinter {
 public:
  virtual ~LabelPrinter() = default;
  virtual PrinterState state() = 0;
  // It is to come out. Sent again, one that has come out already does not come out a second time,
  // whatever became of whoever sent it.
  virtual void send(const PrinterLabel& label) = 0;
  // The id of a label that was sent and has come out; each comes once for each time it was sent.
  virtual std::optional<std::string> take() = 0;
};

enum class PrinterManner {
  Prompt,
  Slow,     // comes out the fourth time it is looked for
  NoPaper,  // after every third label, until paper is put in
  Jamming,  // every third label is caught, until it is freed
  Unplugged
};

// Keeps what comes out as ID.pdf and ID.png in a folder, which is its memory too; "out.txt" there
// has a line for each, with the id, in the order in which they came out.
class SimulatedPrinter : public LabelPrinter {
 public:
  SimulatedPrinter(PrinterManner manner, std::string folder);
  PrinterState state() override;
  void send(const PrinterLabel& label) override;
  std::optional<std::string> take() override;

  // Paper is put in, what is caught is freed, the cable is plugged in.
  void tend();
  void pullOut();

 private:
  bool cameOut(const std::string& id) const;

  std::string folder_;
  PrinterManner manner_;
  std::optional<PrinterLabel> label_;
  bool absent_ = false, caught_ = false, empty_ = false;
  int looks_ = 0;
  int printed_ = 0;  // since it was tended
};

// "prompt", "slow", "no-paper", "jamming", "unplugged"; none where it is no such word.
std::optional<PrinterManner> printerManner(const std::string& word);

}  // namespace pp
