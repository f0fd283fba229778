// What can be done when something goes wrong at the bench, with what each way touches and takes.
// Nothing changes until one is taken.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/floor/ledger.h"
#include "core/floor/pieces.h"
#include "core/job/job.h"

namespace pp::bench {

enum class Fault {
  MachinedWrongly,
  Blemished,
  NoFit,     // with what it is joined to
  OtherSize  // than it was to be
};

struct Wrong {
  Fault fault = Fault::MachinedWrongly;
  PieceId piece;
  Length length, width;  // OtherSize: as measured
};

struct Remedy {
  enum class Kind {
    Spare,     // another piece of the part that is cut, more than are wanted
    Leftover,  // cut again from one that lies at the saw
    CutLater,  // wanted again: the next cutting has it
    Hide,      // turned over, the fault to a face that nobody sees
    Fill,      // packed, filled or glued up, and machined again
    Split,     // half of the difference at either end
    Follow     // mates that are not cut yet are made to it
  };
  Kind kind = Kind::Fill;
  std::string from;                  // Leftover: its id; Spare: the number of the piece
  std::vector<std::string> touches;  // codes of other parts
  Area takes;                        // of new material
  Length each;                       // Split: half of the difference
  std::vector<Event> events;         // that say so
};

// A problem where the piece is not there, or no size was said. The first is what disturbs least.
// `drawn`: the parts of the job.
Result<std::vector<Remedy>> remedies(const Wrong& wrong, const std::vector<Cutting>& cuttings,
                                     const floor::Ledger& ledger, const std::vector<Part>& drawn);

// What the record calls it: "machined wrongly".
std::string faultName(Fault fault);

}  // namespace pp::bench
