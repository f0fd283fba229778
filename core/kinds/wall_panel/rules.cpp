#include "core/kinds/wall_panel/rules.h"

#include <algorithm>

#include "core/fields/archive.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/common/words.h"
#include "core/kinds/wall_panel/cleat.h"

namespace pp {
namespace {

Result<std::vector<Part>> wallPanelParts(const PartBuilder& builder, const WallPanel& panel) {
  std::vector<Part> out;
  Part board = builder.board(PartRole::WallPanelSheet, panel.material,
                             Reason("height", panel.height), Reason("width", panel.width));
  board.show = Face::Outside;
  board.grain = builder.grainOf(panel.material, panel.grain);
  const Length t = board.thickness;
  PartBuilder::place(board, {{Length{}, t, Length{}}, kUp, kRight, kForwards});
  for (const Side side : {Side::Left, Side::Right, Side::Bottom, Side::Top})
    builder.show(board, side, panel.banding);
  out.push_back(std::move(board));
  const Length cleat = builder.thickness(panel.cleatMaterial);
  const Reason length = Reason("width", panel.width).minus("set-in", panel.setIn, 2);
  // Rows from the top down, the last above the spacer; a pair takes 2 * height - thickness.
  const Length pair = 2 * panel.cleatHeight - cleat;
  const Length spacer = panel.cleatHeight / 2;
  const Length room = panel.height - spacer - panel.cleats * pair;
  if (room < Length{})
    return cannot(
        "cleats",
        std::to_string(panel.cleats) + " in a panel " + builder.shown(panel.height) + " high",
        "fewer or lower cleats");
  for (int i = 0; i < panel.cleats; ++i) {
    const Length top = panel.height - i * (pair + room / panel.cleats);
    auto part = cleatPart(builder, panel.cleatMaterial, length, panel.cleatHeight, panel.setIn, t,
                          top - panel.cleatHeight);
    if (!part) return part.problems();
    out.push_back(std::move(part).value());
  }
  if (panel.support > Length{}) {
    // In the middle of what is free below every pair of cleats.
    const Length free = room / panel.cleats;
    if (panel.support > free)
      return cannot("supports", builder.shown(panel.support) + " wide",
                    "at most " + builder.shown(std::max(free, Length{})) +
                        ", which is free between two rows of cleats");
    for (int i = 0; i < panel.cleats; ++i) {
      const Length foot = panel.height - (i + 1) * (pair + free);
      Part strip = builder.board(PartRole::PanelSupport, panel.cleatMaterial, length,
                                 Reason("support", panel.support));
      PartBuilder::place(
          strip, {{panel.setIn, t, foot + (free - panel.support) / 2}, kRight, kUp, kBackwards});
      out.push_back(std::move(strip));
    }
  }
  out.push_back(spacerPart(builder, panel.cleatMaterial, length, spacer, panel.setIn, t, Length{}));
  return out;
}

}  // namespace

Length widthOf(const Job& /*job*/, const WallPanel& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const WallPanel& of) {
  return 2 + 3 * std::int64_t{of.cleats};
}

void check(Check& to, const std::string& at, const WallPanel& of) {
  to.allPositive(at,
                 {{"/width", of.width}, {"/height", of.height}, {"/cleatHeight", of.cleatHeight}});
  to.noneNegative(at, {{"/setIn", of.setIn}, {"/support", of.support}});
  to.within(at + "/cleats", of.cleats, 1, 10);
  to.knownMaterial(at + "/material", of.material);
  to.knownMaterial(at + "/cleatMaterial", of.cleatMaterial);
  to.knownBanding(at + "/banding", of.banding);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, WallPanel& out) {
  out.material = out.cleatMaterial = materials.thick;
  out.banding = materials.banding;
}

WallPanel mirrored(const WallPanel& of) {
  return of;
}

void make(const PartBuilder& builder, const WallPanel& of, Made& out) {
  out.take(wallPanelParts(builder, of));
}

void fields(Archive& a, WallPanel& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("material", v.material);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
  a("setIn", v.setIn);
  a("cleats", v.cleats);
  a("banding", v.banding);
  a.choice("grain", v.grain, kPanelGrains);
  a.unlessDefault("support", v.support);
}

}  // namespace pp
