// Where the panels of a carcass meet, and what is cut into them there.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// A panel of the layout and which of its faces is met.
struct Meets {
  std::size_t panel;
  Face face;
};

// The upright panel whose face lies at x and that is there at height z. `onLeft`: the panel is to
// the left of x.
std::optional<Meets> upright(const CarcassLayout& layout, Length x, Length z, bool onLeft);

// Joins the panels, one for each of the layout's and in its order, as the carcass has it.
void joinPanels(Unit unit, const Carcass& carcass, const CarcassLayout& layout,
                std::vector<Part>& panels);

// Cuts the moulding's own size and the air round it off a part's rear lower corner, as far as the
// part reaches it. Precondition: there is a moulding.
void clearMoulding(const Carcass& carcass, const CarcassLayout& layout, Part& part);

// A panel cut through: by a dado, or because two lie opposite one another in its two faces.
Problems dadoProblems(const PartBuilder& builder, const std::vector<Part>& panels);

}  // namespace pp
