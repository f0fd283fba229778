#include "core/kinds/box_set/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/carcass/box_parts.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/common/words.h"

namespace pp {
namespace {

constexpr int kMostBoxes = 200, kMostSpares = 50;
constexpr Length kBesideOneAnother = Length::mm(60);  // where they are drawn side by side

// How many stand side by side, the others above them, for the whole to be about as high as wide.
std::int64_t across(const DrawerBox& box, std::int64_t count) {
  std::int64_t out = 1;
  const auto rows = [count](std::int64_t columns) { return (count + columns - 1) / columns; };
  while (out < count &&
         rows(out) * (box.height + kBesideOneAnother) > out * (box.width + kBesideOneAnother))
    ++out;
  return out;
}

}  // namespace

DrawerBox boxOf(const PartBuilder& builder, const BoxSet& set) {
  DrawerBox out =
      boxOf(builder.job(), builder.choices(), set.boxes, 0, set.width, set.depth, set.height);
  if (!set.inside) return out;
  out.width += out.side + out.right;
  out.depth += out.front + out.back;
  out.height += out.bottom;
  if (set.boxes.school != DrawerSchool::Brads) out.height += set.boxes.grooveUp;
  return out;
}

Length widthOf(const Job& /*job*/, const BoxSet& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const BoxSet& of) {
  constexpr std::int64_t kOfABox = 5;
  return kOfABox * (std::int64_t{of.count} + of.spares);
}

void check(Check& to, const std::string& at, const BoxSet& of) {
  to.within(at + "/count", of.count, 1, kMostBoxes);
  to.within(at + "/spares", of.spares, 0, kMostSpares);
  to.allPositive(at, {{"/width", of.width}, {"/depth", of.depth}, {"/height", of.height}});
  check(to, at + "/boxes", of.boxes);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, BoxSet& out) {
  out.boxes.boxMaterial = materials.middle;
  out.boxes.bottomMaterial = materials.thin;
  out.boxes.running = Running::Loose;
}

BoxSet mirrored(const BoxSet& of) {
  return of;
}

void make(const PartBuilder& builder, const BoxSet& of, Made& out) {
  const DrawerBox box = boxOf(builder, of);
  if (const Problems problems = boxProblems(box, of.boxes, styleOf(builder.job()));
      !problems.empty())
    return out.refuse(problems);
  const std::int64_t count = std::int64_t{of.count} + of.spares;
  const std::int64_t columns = across(box, count);
  for (std::int64_t i = 0; i < count; ++i)
    for (Part& part : boxParts(builder, of.boxes, of.what, box,
                               {0,
                                {},
                                (i % columns) * (box.width + kBesideOneAnother),
                                Length{},
                                (i / columns) * (box.height + kBesideOneAnother)}))
      out.parts.push_back(std::move(part));
}

void fields(Archive& a, BoxSet& v) {
  a.choice("what", v.what, kBankKinds);
  a("count", v.count);
  a("spares", v.spares);
  a("inside", v.inside);
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("boxes", v.boxes);
}

}  // namespace pp
