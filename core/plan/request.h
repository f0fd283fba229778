// What the nesting is asked: parts at their cut size, the stock at hand, and how the shop saws.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/job/job.h"
#include "core/job/shop.h"
#include "core/parts/part.h"
#include "core/plan/bars.h"
#include "core/plan/sawn_piece.h"

namespace pp {

// Equal parts that are wanted, at cut size.
struct PartDemand {
  std::string code;
  Length length, width;  // cut size, > 0
  Length thickness;      // nominal; with the material it selects the stock
  std::string material;
  std::int64_t quantity = 1;
  PartGrain grain = PartGrain::Any;
  std::string run;  // grain run, empty: none
  std::int64_t runOrder = 0;
  RunSeries series = RunSeries::Either;
  bool mitred = false;  // of a run: its parts are parted by two bevel cuts, so that the figure
                        // meets at the show face; the same for all parts of the run
  bool shows = false;   // should come from one lot with the others of its material that show
  std::string lot;      // it must come from; empty, or none of the stock's: any
  std::vector<std::int64_t> numbers;  // of its pieces, one a copy; empty: 1, 2, 3 ...

  // The number of its copy, 1-based.
  std::int64_t number(std::int64_t copy) const {
    return numbers.empty() ? copy : numbers[static_cast<std::size_t>(copy - 1)];
  }
  bool operator==(const PartDemand&) const = default;
};

// What comes off each edge of a piece before anything is measured from it, blade included: what was
// cut from a sheet has clean edges and rough ones.
struct EdgeTrims {
  Length lowX, highX, lowY, highY;
  bool operator==(const EdgeTrims&) const = default;
};

// Equal pieces of stock.
struct StockSupply {
  std::string id;
  std::string material;
  Length thickness;  // nominal
  Length measured;
  Length length, width;  // as bought
  SheetGrain grain = SheetGrain::Length;
  std::optional<std::int64_t> quantity;  // none: unlimited
  Money price;
  StockKind kind = StockKind::Sheet;
  Length trim;                 // off every edge, blade included
  std::string lot;             // what was bought together; empty: not known
  std::int64_t density = 650;  // kg per cubic metre
  Id row = 0;                  // of the job's rack; 0: not known
  std::string piece;           // its name where it lies on the bench already, from an earlier plan
  Id store = 0;                // of the shop's store; 0: of none
  std::vector<Defect> defects = {};     // what must stay free of each
  std::optional<EdgeTrims> edges = {};  // each its own; none: `trim` off all
  // Of what lies on the bench already: who it is, where that is known, and whether it is laid out
  // otherwise than it was and so is numbered on.
  std::optional<SawnPiece> from = {};
  bool anew = false;
  // The smallest leftover of it that is worth keeping; none: as the request has it.
  std::optional<Length> keepLong = {}, keepShort = {};
  bool operator==(const StockSupply&) const = default;

  // What comes off each edge, and what is left then.
  Length lowX() const { return edges ? edges->lowX : trim; }
  Length highX() const { return edges ? edges->highX : trim; }
  Length lowY() const { return edges ? edges->lowY : trim; }
  Length highY() const { return edges ? edges->highY : trim; }
  Length usableLength() const { return length - lowX() - highX(); }
  Length usableWidth() const { return width - lowY() - highY(); }
};

// A part that the user wants to stay where it is.
struct Pin {
  std::size_t part = 0;
  std::int64_t copies = 1;  // so many of it
  std::size_t stock = 0;    // row of the stock
  std::int64_t sheet = 1;   // pins with one row and number lie on one piece
  // Its low corner and way round, where the place on the piece is fixed too; then copies is 1.
  struct Place {
    Length x, y;
    bool turned = false;
    bool operator==(const Place&) const = default;
  };
  std::optional<Place> place;
  bool operator==(const Pin&) const = default;
};

struct NestRequest {
  std::vector<PartDemand> parts;
  std::vector<StockSupply> stock;
  std::vector<Pin> pins;
  Shop shop;
  Length kerf;                        // the widest of the shop's saws
  Length keepLong = Length::mm(300);  // smallest leftover worth keeping
  Length keepShort = Length::mm(100);
  Goal goal = Goal::Cost;
  Money ease;  // goal Setups: what fewer settings may cost beyond the least
  std::vector<BarPart> barParts;
  std::vector<BarSupply> barStock;
  Length barKerf;
  LengthStyle style;   // how lengths are said in words
  int firstSheet = 1;  // the number of the first sheet: they run on through a job
  bool empty() const { return parts.empty() && barParts.empty(); }
};

// Whether the job's pin holds that part to the row of stock with that mark.
bool isOn(const Job& job, const JobPin& pin, const Part& part, const std::string& mark);

// The pins that can have an effect: of no more copies than are wanted, and of no more pieces than
// there are. A placed pin has one copy.
std::vector<Pin> effectivePins(const NestRequest& request);

// The smallest leftover of that stock that is worth keeping, and whether a piece of it is.
Keep keepOf(const NestRequest& request, const StockSupply& stock);
bool isWorthKeeping(const NestRequest& request, const StockSupply& stock, Length dx, Length dy);

// The kerf of one of the shop's saws.
Length kerfOf(const NestRequest& request, int machine);

// How many strips of that width a bar gives.
std::int64_t stripsOf(const NestRequest& request, const BarSupply& bar, Length width);
// How many bars of its k-th row of stock a list takes.
std::int64_t barsFor(const NestRequest& request, const BarList& list, std::size_t k);

// What one bevel cut at 45 degrees takes from the face: kerf * sqrt 2, rounded up to the nanometre.
Length bevelKerf(Length kerf);

// A length in the words of a message, as the job shows lengths and with its unit.
std::string said(const NestRequest& request, Length length);

// The request a job makes for these of its parts: those of sheets in their order, and those cut
// from bars.
NestRequest requestOf(const Job& job, const std::vector<Part>& parts);

}  // namespace pp
