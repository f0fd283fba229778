// What lies in the rack: sheet materials, pieces of them, edge banding and drawer slides. Values.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/designs/id.h"
#include "core/job/defect.h"
#include "core/length/length.h"

namespace pp {

// How a material looks when it is drawn; it has no bearing on any size.
enum class Tone { Birch, Ash, Oak, Walnut, White };

// A sheet material in one thickness. Every dependent size follows `measured`, never `nominal`;
// `nominal` only says which row of the rack is meant.
struct Material {
  std::string id;       // given once, such as "birch-12"; what is made of it names it so
  std::string name;     // as on labels and in the exchange files, such as "birch"
  Length nominal;       // > 0
  Length measured;      // > 0, what the calliper says
  bool grained = true;  // false: parts may lie either way round
  Tone tone = Tone::Birch;
  std::int64_t density = 650;  // kg per cubic metre
  bool lumber = false;         // bought as bars: parts are cut to length, not nested on sheets
  std::optional<Length> keepLong = {};   // smallest leftover worth keeping, >= 0; none: as the
  std::optional<Length> keepShort = {};  // saw's rules say, of what is thin twice as wide
  bool operator==(const Material&) const = default;
};

// Which dimension of a piece of stock the grain runs along.
enum class SheetGrain { Length, Width, None };

enum class StockKind { Sheet, Offcut };

// A row of the rack: so many equal pieces of one material.
struct StockPiece {
  std::string mark;                // what the shop calls it, unique in the job
  std::string material;            // id of a Material
  std::string lot;                 // free text: what was bought together
  std::optional<Length> measured;  // of this lot; the material's where not given
  Length length;                   // as bought, > 0
  Length width;                    // as bought, > 0
  SheetGrain grain = SheetGrain::Length;
  std::optional<std::int64_t> quantity;  // none: as many as are needed
  Money price;                           // per piece
  StockKind kind = StockKind::Sheet;
  std::optional<Length> trim;  // cut off every edge; none: the saw's for sheets, 0 for offcuts
  Id id = 0;
  Id store = 0;  // of the piece in the shop's store that it is a copy of; 0: of none
  std::vector<Defect> defects = {};  // on every piece of the row, no more than kMostDefects
  bool operator==(const StockPiece&) const = default;
};

struct Banding {
  std::string id;      // given once, such as "birch-22"; what is banded with it names it so
  std::string name;    // unique in the job
  Length thickness;    // > 0
  Length width;        // > 0
  Money price;         // per roll
  Length rollLength;   // > 0
  bool deduct = true;  // is the part cut smaller by the thickness
  bool operator==(const Banding&) const = default;
};

enum class SlideKind { Side, Under };

// A pair of drawer slides as it is sold.
struct Slide {
  std::string name;                       // unique in the job
  Length length;                          // > 0
  Length thickness = Length::um(12'700);  // the box is narrower than its place by twice this, >= 0
  SlideKind kind = SlideKind::Side;
  // Under a box these take the place of the drawer's own clearances.
  std::optional<Length> below = {}, above = {};
  Money price = {};  // a pair
  Id id = 0;
  Length setBack = {};  // behind the front's rear face, as those that close themselves want, >= 0
  bool operator==(const Slide&) const = default;
};

}  // namespace pp
