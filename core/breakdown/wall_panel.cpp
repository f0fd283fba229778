#include "core/breakdown/cleat.h"
#include "core/breakdown/kinds.h"

namespace pp {

Result<std::vector<Part>> wallPanelParts(const Maker& maker, const WallPanel& panel) {
  std::vector<Part> out;
  Part board = maker.board(PartRole::WallPanelSheet, panel.material, Reason("height", panel.height),
                           Reason("width", panel.width));
  board.show = Face::Outside;
  board.grain = maker.grainOf(panel.material, panel.grain);
  const Length t = board.thickness;
  Maker::place(board, {{Length{}, t, Length{}}, kUp, kRight, kForwards});
  for (const Side side : {Side::Left, Side::Right, Side::Bottom, Side::Top})
    maker.show(board, side, panel.banding);
  out.push_back(std::move(board));
  const Length cleat = maker.thickness(panel.cleatMaterial);
  const Reason length = Reason("width", panel.width).minus("set-in", panel.setIn, 2);
  // Rows from the top down, the last above the spacer; a pair takes 2 * height - thickness.
  const Length pair = 2 * panel.cleatHeight - cleat;
  const Length spacer = panel.cleatHeight / 2;
  const Length room = panel.height - spacer - panel.cleats * pair;
  if (room < Length{})
    return cannot(
        "cleats",
        std::to_string(panel.cleats) + " in a panel " + maker.shown(panel.height) + " high",
        "fewer or lower cleats");
  for (int i = 0; i < panel.cleats; ++i) {
    const Length top = panel.height - i * (pair + room / panel.cleats);
    auto part = cleatPart(maker, panel.cleatMaterial, length, panel.cleatHeight, panel.setIn, t,
                          top - panel.cleatHeight);
    if (!part) return part.problems();
    out.push_back(std::move(part).value());
  }
  out.push_back(spacerPart(maker, panel.cleatMaterial, length, spacer, panel.setIn, t, Length{}));
  return out;
}

}  // namespace pp
