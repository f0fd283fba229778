#include "core/kinds/carcass/stand.h"

#include "core/kinds/base_frame/rules.h"
#include "core/kinds/carcass/frame.h"

namespace pp {

BaseFrame frameOf(const Stand& stand, Length width, Length depth) {
  BaseFrame out;
  out.width = width;
  out.depth = depth;
  out.height = stand.height;
  out.material = stand.material;
  out.crossEvery = stand.crossEvery;
  out.longest = stand.longest;
  return out;
}

Length mouldingDepth(const Carcass& carcass) {
  return carcass.baseboard ? carcass.baseboard->thickness + kMouldingAir : Length{};
}

Result<std::vector<Part>> standParts(const PartBuilder& builder, const Stand& stand,
                                     const Carcass& carcass, const CarcassLayout& layout) {
  const FrontRect& outer = layout.outer;
  const Length depth = layout.sideDepth - stand.setIn - mouldingDepth(carcass);
  if (stand.kind == StandKind::Frame)
    return baseFrameParts(builder, frameOf(stand, outer.width, depth),
                          {outer.x, stand.setIn, Length{}});
  if (stand.kind != StandKind::Runners) return std::vector<Part>{};
  if (depth <= Length{})
    return cannot("stand", builder.shown(stand.setIn) + " set in", "less than the carcass's depth");
  Part part = builder.board(PartRole::FootRunner, stand.material,
                            Reason("depth", layout.sideDepth)
                                .minus("set-in", stand.setIn)
                                .minus("baseboard", mouldingDepth(carcass)),
                            Reason("stand height", stand.height));
  std::vector<Part> out;
  for (const bool left : {true, false}) {
    Part one = part;
    PartBuilder::place(one,
                       {{left ? outer.x : outer.right() - one.thickness, stand.setIn, Length{}},
                        kBackwards,
                        kUp,
                        kRight});
    out.push_back(std::move(one));
  }
  return out;
}

}  // namespace pp
