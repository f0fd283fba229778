#include "core/kinds/carcass/ends.h"

#include "core/kinds/carcass/meetings.h"

namespace pp {
namespace {

// Flush with the frame and with whatever is hindmost.
Part exposedEnd(const PartBuilder& builder, const Carcass& carcass, const CarcassLayout& layout,
                bool left) {
  const FrontRect& outer = layout.outer;
  const PartRole role = left ? PartRole::LeftExposedEnd : PartRole::RightExposedEnd;
  Part part =
      builder.board(role, builder.material(role, 0, left ? carcass.endLeft : carcass.endRight),
                    Reason("height", carcass.height).minus("stand", layout.foot),
                    Reason("side's depth", layout.sideDepth)
                        .plus("behind the sides", layout.rear - layout.sideDepth)
                        .plus("frame", -layout.frameFront));
  part.hand = left ? Hand::Left : Hand::Right;
  part.show = Face::Outside;
  PartBuilder::place(part, {{left ? outer.x : outer.right(), layout.frameFront, outer.z},
                            kUp,
                            kBackwards,
                            left ? kLeft : kRight});
  builder.show(part, Side::Front, carcass.banding);
  if (carcass.toe)
    part.machining.push_back(notch(part, "toe", Length{}, carcass.toe->height, Length{},
                                   carcass.toe->depth - layout.frameFront));
  if (carcass.baseboard) clearMoulding(carcass, layout, part);
  return part;
}

}  // namespace

std::vector<Filler> fillersOf(const Carcass& carcass, const CarcassLayout& layout) {
  const FrontRect& outer = layout.outer;
  const Length foot = outer.z + carcass.underBottom();
  const Length height = outer.top() - foot;
  std::vector<Filler> out;
  if (carcass.fillerLeft) out.push_back({true, {Length{}, foot, carcass.wallLeft, height}});
  if (carcass.fillerRight)
    out.push_back({false, {carcass.width - carcass.wallRight, foot, carcass.wallRight, height}});
  return out;
}

std::vector<Part> endParts(const PartBuilder& builder, const Carcass& carcass,
                           const CarcassLayout& layout) {
  std::vector<Part> out;
  if (!carcass.endLeft.empty()) out.push_back(exposedEnd(builder, carcass, layout, true));
  if (!carcass.endRight.empty()) out.push_back(exposedEnd(builder, carcass, layout, false));
  for (const Filler& filler : fillersOf(carcass, layout)) {
    const PartRole role = filler.left ? PartRole::LeftFiller : PartRole::RightFiller;
    Part part = builder.board(role, builder.material(role, 0, carcass.fronts.material),
                              Reason("front's height", filler.rect.height),
                              Reason("wall allowance", filler.rect.width));
    part.hand = filler.left ? Hand::Left : Hand::Right;
    part.show = Face::Outside;
    part.oversize = carcass.scribe;
    part.oversizeWhy = "scribed to the wall";
    if (carcass.fronts.finish) part.finish = *carcass.fronts.finish;
    const bool proud = carcass.fronts.fit == FrontFit::Overlay;
    PartBuilder::place(part, {{filler.rect.x, proud ? Length{} : part.thickness, filler.rect.z},
                              kUp,
                              kRight,
                              kForwards});
    out.push_back(std::move(part));
  }
  return out;
}

}  // namespace pp
