#include "core/kinds/wall_panel/cleat.h"

#include "core/parts/trig.h"

namespace pp {

Reason cleatBlank(Length height, Length thickness, Length kerf) {
  return Reason("cleat height", height, 2).minus("thickness", thickness).plus("bevel cut", kerf);
}

Result<Part> cleatPart(const PartBuilder& builder, const std::string& material, Reason length,
                       Length height, Length x, Length y, Length z) {
  Part part =
      builder.board(PartRole::Cleat, material, std::move(length), Reason("cleat height", height));
  const Length t = part.thickness;
  if (height <= t || part.length.total() <= Length{})
    return cannot("cleat", builder.shown(height) + " high",
                  "more than its thickness, and some length");
  part.quantity = 2;
  PartBuilder::place(part, {{x, y, z}, kRight, kUp, kBackwards});
  // The wall's half is the same strip turned over.
  part.poses.push_back({{x, y + t, z + t}, kRight, kDown, kForwards});
  part.machining.push_back(bevel(Edge::L1, Angle::degrees(45), Face::Outside, "other half"));
  part.perBlank = 2;
  part.blankWidth = cleatBlank(height, t, overCosine(builder.job().saw.kerf, Angle::degrees(45)));
  return part;
}

Part spacerPart(const PartBuilder& builder, const std::string& material, Reason length,
                Length height, Length x, Length y, Length z) {
  Part part =
      builder.board(PartRole::WallSpacer, material, std::move(length), Reason("spacer", height));
  PartBuilder::place(part, {{x, y, z}, kRight, kUp, kBackwards});
  return part;
}

}  // namespace pp
