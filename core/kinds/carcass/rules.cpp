#include "core/kinds/carcass/rules.h"

#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/fronts_cut.h"
#include "core/kinds/carcass/panels.h"
#include "core/kinds/carcass/stand.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/wall_panel/cleat.h"

namespace pp {

Length widthOf(const Job& /*job*/, const Carcass& of) {
  return of.width;
}

void begin(const Job& /*job*/, const PlainMaterials& materials, Carcass& out) {
  out.material = out.fronts.material = materials.thick;
  out.back.material = out.drawers.bottomMaterial = materials.thin;
  out.drawers.boxMaterial = materials.middle;
  out.banding = out.fronts.banding = materials.banding;
}

namespace {

void hang(const PartBuilder& builder, const Carcass& carcass, const CarcassLayout& layout,
          Made& out) {
  const Cleat& cleat = *carcass.cleat;
  const FrontRect& outer = layout.outer;
  const Length rear = layout.rear;
  const Reason length("width", outer.width);
  auto part = cleatPart(builder, cleat.material, length, cleat.height, outer.x, rear,
                        outer.top() - cleat.height);
  if (!part) return out.refuse(part.problems());
  out.parts.push_back(std::move(part).value());
  out.parts.push_back(
      spacerPart(builder, cleat.material, length, cleat.height / 2, outer.x, rear, outer.z));
}

}  // namespace

void make(const PartBuilder& builder, const Carcass& carcass, Made& out) {
  const CarcassGroup* group = builder.group();
  const auto layout = layOut(builder.drawn(), builder.assembly(), group);
  if (!layout) return out.refuse(layout.problems());
  if (!out.take(carcassParts(builder, carcass, layout.value()))) return;
  for (const OpeningRect& leaf : layout->leaves) {
    if (!std::holds_alternative<DrawerBank>(find(carcass.inside, leaf.path)->content)) continue;
    const auto drawers =
        planDrawers(builder.job(), builder.choices(), carcass, layout.value(), leaf);
    if (drawers)
      out.take(drawerParts(builder, carcass, drawers.value(), leaf), leaf.path, true);
    else
      out.refuse(drawers.problems(), leaf.path, true);
  }
  for (const OpeningRect& door : layout->doors)
    out.take(doorParts(builder, carcass, layout.value(), door), door.path);
  refuseFrontsThatMeet(builder, out);
  if (const Problems problems = cutFronts(builder, carcass, out.parts); !problems.empty())
    out.refuse(problems);
  if (layout->frame && !(group != nullptr && group->frame))
    out.take(frameParts(builder, carcass, layout.value()));
  if (carcass.stand && !(group != nullptr && group->stand))
    out.take(standParts(builder, *carcass.stand, carcass, layout.value()));
  if (carcass.cleat) hang(builder, carcass, layout.value(), out);
}

}  // namespace pp
