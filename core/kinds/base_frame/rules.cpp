#include "core/kinds/base_frame/rules.h"

#include <algorithm>

#include "core/fields/archive.h"
#include "core/kinds/common/count.h"
#include "core/kinds/common/plain.h"

namespace pp {

std::int64_t sectionCount(Length width, Length longest) {
  return (width.inNm() + longest.inNm() - 1) / longest.inNm();
}

std::int64_t crossCount(Length section, Length thickness, Length every) {
  const Length between = section - thickness;  // centre to centre of the end pieces
  return (between.inNm() + every.inNm() - 1) / every.inNm() + 1;
}

Reason crossLength(Length depth, Length thickness) {
  return Reason("frame depth", depth).minus("rail", thickness, 2);
}

std::vector<std::int64_t> leggedPieces(std::int64_t pieces, Length section, Length every) {
  const std::int64_t gaps = std::min(pieces - 1, std::max<std::int64_t>(1, begun(section, every)));
  std::vector<std::int64_t> out;
  for (std::int64_t i = 0; i <= gaps; ++i) out.push_back(i * (pieces - 1) / gaps);
  return out;
}

namespace {

// Beside the cross piece that begins at `x`, one at either rail; the last piece has them before it.
void legs(const PartBuilder& builder, const BaseFrame& frame, Point at, Length x, bool last,
          std::vector<Part>& out) {
  const std::string& material = frame.legMaterial.empty() ? frame.material : frame.legMaterial;
  const Length t = builder.thickness(frame.material);
  for (const bool front : {true, false}) {
    Part leg = builder.board(PartRole::BaseLeg, material, Reason("frame height", frame.height),
                             Reason("leg width", frame.legWidth));
    const Length y = front ? t : frame.depth - t - leg.thickness;
    PartBuilder::place(
        leg, {{last ? x - frame.legWidth : x + t, at[1] + y, at[2]}, kUp, kRight, kBackwards});
    out.push_back(std::move(leg));
  }
}

Problems legsFit(const PartBuilder& builder, const BaseFrame& frame, Length section,
                 std::int64_t pieces) {
  if (frame.legs == Length{}) return {};
  const Length t = builder.thickness(frame.material);
  const Length thick =
      builder.thickness(frame.legMaterial.empty() ? frame.material : frame.legMaterial);
  if (frame.legs >= frame.height)
    return {cannot("base frame", "legs that hold the rails up by " + builder.shown(frame.legs),
                   "less than its height of " + builder.shown(frame.height))};
  const Length bay = (section - t) / (pieces - 1) - t;
  if (2 * frame.legWidth > bay || 2 * (t + thick) > frame.depth)
    return {cannot("base frame", "legs " + builder.shown(frame.legWidth) + " wide",
                   "legs that stand beside one another between its rails and cross pieces")};
  return {};
}

}  // namespace

Result<std::vector<Part>> baseFrameParts(const PartBuilder& builder, const BaseFrame& frame,
                                         Point at) {
  const Length t = builder.thickness(frame.material);
  if (frame.depth <= 2 * t || frame.width <= 2 * t)
    return cannot("base frame", builder.shown(frame.depth) + " deep",
                  "room for its two rails and the cross pieces");
  const std::int64_t sections = sectionCount(frame.width, frame.longest);
  const Reason section = Reason("frame width", frame.width).shared(sections);
  const Length each = section.total();
  if (each <= 2 * t)
    return cannot("base frame", builder.shown(frame.longest) + " for the longest section",
                  "sections that hold two cross pieces");
  const std::int64_t pieces = crossCount(each, t, frame.crossEvery);
  if (const Problems problems = legsFit(builder, frame, each, pieces); !problems.empty())
    return problems;
  Reason high("frame height", frame.height);
  if (frame.legs > Length{}) high.minus("legs", frame.legs);
  const Length z = at[2] + frame.legs;
  const auto legged = leggedPieces(pieces, each, frame.legEvery);
  std::vector<Part> out;
  for (std::int64_t s = 0; s < sections; ++s) {
    const Length x = at[0] + s * each;
    for (const bool front : {true, false}) {
      Part rail = builder.board(PartRole::BaseRail, frame.material, section, high);
      const Length y = front ? at[1] : at[1] + frame.depth - t;
      PartBuilder::place(rail, {{x, y, z}, kRight, kUp, kBackwards});
      out.push_back(std::move(rail));
    }
    for (std::int64_t i = 0; i < pieces; ++i) {
      Part piece = builder.board(PartRole::BaseCrossPiece, frame.material,
                                 crossLength(frame.depth, t), high);
      const Length along = i + 1 == pieces ? each - t : i * (each - t) / (pieces - 1);
      PartBuilder::place(piece, {{x + along, at[1] + t, z}, kBackwards, kUp, kRight});
      out.push_back(std::move(piece));
      if (frame.legs > Length{} && std::find(legged.begin(), legged.end(), i) != legged.end())
        legs(builder, frame, at, x + along, i + 1 == pieces, out);
    }
  }
  return out;
}

std::int64_t mostPiecesOfFrame(Length width, Length longest, Length every) {
  const std::int64_t sections = begun(width, longest);
  return std::min(kTooMany, 4 * sections + begun(width, every) + 2 * sections);
}

Length widthOf(const Job& /*job*/, const BaseFrame& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const BaseFrame& of) {
  const std::int64_t legs =
      of.legs > Length{} ? 4 * begun(of.width, of.longest) + 2 * begun(of.width, of.legEvery) : 0;
  return std::min(kTooMany, legs + mostPiecesOfFrame(of.width, of.longest, of.crossEvery));
}

void check(Check& to, const std::string& at, const BaseFrame& of) {
  to.allPositive(at, {{"/width", of.width}, {"/depth", of.depth}, {"/height", of.height}});
  to.atLeast(at + "/crossEvery", of.crossEvery, kLeastSpacing);
  to.atLeast(at + "/longest", of.longest, kLeastSection);
  to.knownMaterial(at + "/material", of.material);
  to.notNegative(at + "/legs", of.legs);
  if (!of.legMaterial.empty()) to.knownMaterial(at + "/legMaterial", of.legMaterial);
  to.positive(at + "/legWidth", of.legWidth);
  to.atLeast(at + "/legEvery", of.legEvery, kLeastSection);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, BaseFrame& out) {
  out.material = materials.thick;
}

BaseFrame mirrored(const BaseFrame& of) {
  return of;
}

void make(const PartBuilder& builder, const BaseFrame& of, Made& out) {
  out.take(baseFrameParts(builder, of, {}));
}

void fields(Archive& a, BaseFrame& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
  a.unlessDefault("legs", v.legs);
  a.unlessDefault("legMaterial", v.legMaterial);
  a.unlessDefault("legWidth", v.legWidth);
  a.unlessDefault("legEvery", v.legEvery);
}

}  // namespace pp
