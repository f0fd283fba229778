#include "core/kinds/hung_shelf/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/common/end_joint.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/wall_panel/cleat.h"
#include "core/parts/trig.h"

namespace pp {

Reason cleatLength(const HungShelf& shelf, Length brace) {
  return Reason("width", shelf.width).minus("set-in", shelf.setIn, 2).minus("brace", brace, 2);
}

namespace {

// Upright under the shelf, from the wall forwards; its front edge runs back to the foot.
Part brace(const PartBuilder& builder, const HungShelf& shelf, bool left) {
  Part part = builder.board(left ? PartRole::LeftBrace : PartRole::RightBrace, shelf.material,
                            Reason("brace height", shelf.brace), Reason("depth", shelf.depth));
  part.hand = left ? Hand::Left : Hand::Right;
  part.show = Face::Outside;
  const Length t = part.thickness;
  // Inside is the face to the other brace.
  PartBuilder::place(
      part, {{left ? shelf.setIn + t : shelf.width - shelf.setIn - t, shelf.depth, Length{}},
             kUp,
             kForwards,
             left ? kLeft : kRight});
  builder.show(part, Side::Front, shelf.banding);
  part.joins.push_back({Edge::W2, JoinKind::Butt, roleName(PartRole::HungBoard)});
  if (shelf.braceFoot == shelf.depth) return part;
  Machining taper;
  taper.cut = MachiningKind::Taper;
  taper.receives = "taper";
  taper.from = Edge::L2;
  taper.v0 = shelf.braceFoot;
  taper.v1 = shelf.depth;
  taper.angle = slopeOf(shelf.depth - shelf.braceFoot, shelf.brace);
  part.machining.push_back(std::move(taper));
  return part;
}

Result<std::vector<Part>> shelfParts(const PartBuilder& builder, const HungShelf& shelf) {
  const Length t = builder.thickness(shelf.material);
  const Length strip = builder.thickness(shelf.cleatMaterial);
  const Reason length = cleatLength(shelf, t);
  if (length.total() <= Length{})
    return cannot("hung shelf", builder.shown(shelf.width) + " wide",
                  "more than its braces and what they stand in take");
  if (shelf.braceFoot > shelf.depth || shelf.braceFoot <= strip)
    return cannot("brace", builder.shown(shelf.braceFoot) + " deep at its foot",
                  "more than the " + builder.shown(strip) +
                      " of the strips it hides, and no deeper than the shelf");
  // Both halves and the spacer lie below one another under the shelf.
  const Length spacer = shelf.cleatHeight / 2;
  const Length pair = 2 * shelf.cleatHeight - strip;
  if (shelf.brace < pair + spacer)
    return cannot("brace", builder.shown(shelf.brace) + " high",
                  "at least " + builder.shown(pair + spacer) + ", what the strips take");
  std::vector<Part> out;
  Part board = builder.board(PartRole::HungBoard, shelf.material, Reason("width", shelf.width),
                             Reason("depth", shelf.depth));
  board.show = Face::Outside;
  PartBuilder::place(board, {{Length{}, Length{}, shelf.brace}, kRight, kBackwards, kUp});
  for (const Side side : {Side::Front, Side::Left, Side::Right})
    builder.show(board, side, shelf.banding);
  out.push_back(std::move(board));
  out.push_back(brace(builder, shelf, true));
  out.push_back(brace(builder, shelf, false));
  const Length x = shelf.setIn + t;
  const Length y = shelf.depth - strip;
  auto cleat = cleatPart(builder, shelf.cleatMaterial, length, shelf.cleatHeight, x, y,
                         shelf.brace - shelf.cleatHeight);
  if (!cleat) return cleat.problems();
  out.push_back(std::move(cleat).value());
  out.push_back(spacerPart(builder, shelf.cleatMaterial, length, spacer, x, y, Length{}));
  return out;
}

}  // namespace

Length widthOf(const Job& /*job*/, const HungShelf& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const HungShelf& /*of*/) {
  return 6;
}

void check(Check& to, const std::string& at, const HungShelf& of) {
  to.allPositive(at, {{"/width", of.width},
                      {"/depth", of.depth},
                      {"/brace", of.brace},
                      {"/braceFoot", of.braceFoot},
                      {"/cleatHeight", of.cleatHeight}});
  to.notNegative(at + "/setIn", of.setIn);
  to.knownMaterial(at + "/material", of.material);
  to.knownMaterial(at + "/cleatMaterial", of.cleatMaterial);
  to.knownBanding(at + "/banding", of.banding);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, HungShelf& out) {
  out.material = materials.thick;
  out.cleatMaterial = materials.thick;
  out.banding = materials.banding;
}

HungShelf mirrored(const HungShelf& of) {
  return of;
}

void make(const PartBuilder& builder, const HungShelf& of, Made& out) {
  out.take(shelfParts(builder, of));
}

void fields(Archive& a, HungShelf& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a("brace", v.brace);
  a("braceFoot", v.braceFoot);
  a("setIn", v.setIn);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
}

}  // namespace pp
