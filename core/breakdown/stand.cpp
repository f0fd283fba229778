#include "core/breakdown/stand.h"

#include "core/breakdown/frame.h"

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

Result<std::vector<Part>> standParts(const Maker& maker, const Stand& stand, const Carcass& carcass,
                                     const CarcassLayout& layout) {
  const FrontRect& outer = layout.outer;
  const Length depth = layout.sideDepth - stand.setIn - mouldingDepth(carcass);
  if (stand.kind == StandKind::Frame)
    return baseFrameParts(maker, frameOf(stand, outer.width, depth),
                          {outer.x, stand.setIn, Length{}});
  if (stand.kind != StandKind::Runners) return std::vector<Part>{};
  if (depth <= Length{})
    return cannot("stand", maker.shown(stand.setIn) + " set in", "less than the carcass's depth");
  Part part = maker.board(PartRole::FootRunner, stand.material,
                          Reason("depth", layout.sideDepth)
                              .minus("set-in", stand.setIn)
                              .minus("baseboard", mouldingDepth(carcass)),
                          Reason("stand height", stand.height));
  std::vector<Part> out;
  for (const bool left : {true, false}) {
    Part one = part;
    Maker::place(one, {{left ? outer.x : outer.right() - one.thickness, stand.setIn, Length{}},
                       kBackwards,
                       kUp,
                       kRight});
    out.push_back(std::move(one));
  }
  return out;
}

}  // namespace pp
