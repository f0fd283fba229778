#include "core/kinds/base_frame/rules.h"

#include "core/kinds/count.h"
#include "core/kinds/kind.h"

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

Result<std::vector<Part>> baseFrameParts(const Maker& maker, const BaseFrame& frame, Point at) {
  const Length t = maker.thickness(frame.material);
  if (frame.depth <= 2 * t || frame.width <= 2 * t)
    return cannot("base frame", maker.shown(frame.depth) + " deep",
                  "room for its two rails and the cross pieces");
  const std::int64_t sections = sectionCount(frame.width, frame.longest);
  const Reason section = Reason("frame width", frame.width).shared(sections);
  const Length each = section.total();
  if (each <= 2 * t)
    return cannot("base frame", maker.shown(frame.longest) + " for the longest section",
                  "sections that hold two cross pieces");
  std::vector<Part> out;
  for (std::int64_t s = 0; s < sections; ++s) {
    const Length x = at[0] + s * each;
    for (const bool front : {true, false}) {
      Part rail = maker.board(PartRole::BaseRail, frame.material, section,
                              Reason("frame height", frame.height));
      const Length y = front ? at[1] : at[1] + frame.depth - t;
      Maker::place(rail, {{x, y, at[2]}, kRight, kUp, kBackwards});
      out.push_back(std::move(rail));
    }
    const std::int64_t pieces = crossCount(each, t, frame.crossEvery);
    for (std::int64_t i = 0; i < pieces; ++i) {
      Part piece = maker.board(PartRole::BaseCrossPiece, frame.material,
                               crossLength(frame.depth, t), Reason("frame height", frame.height));
      const Length along = i + 1 == pieces ? each - t : i * (each - t) / (pieces - 1);
      Maker::place(piece, {{x + along, at[1] + t, at[2]}, kBackwards, kUp, kRight});
      out.push_back(std::move(piece));
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
  return mostPiecesOfFrame(of.width, of.longest, of.crossEvery);
}

void check(Check& to, const std::string& at, const BaseFrame& of) {
  to.allPositive(at, {{"/width", of.width}, {"/depth", of.depth}, {"/height", of.height}});
  to.atLeast(at + "/crossEvery", of.crossEvery, kLeastSpacing);
  to.atLeast(at + "/longest", of.longest, kLeastSection);
  to.knownMaterial(at + "/material", of.material);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, BaseFrame& out) {
  out.material = materials.thick;
}

void make(const Maker& maker, const BaseFrame& of, Made& out) {
  out.take(baseFrameParts(maker, of, {}));
}

}  // namespace pp
