#include "core/kinds/carcass/frame_faces.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/designs/size_list.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/drawer.h"

namespace pp {

std::vector<FrontRect> plainFaces(const SplitRow& row, const FrontRect& face) {
  const FrontRect& rect = row.rect;
  const bool dividers = row.split.by == SplitBy::Dividers;
  std::vector<FrontRect> out;
  Length at = dividers ? rect.x : rect.top();
  for (std::size_t i = 0; i < row.sizes.size(); ++i) {
    const Length size = row.sizes[i];
    at = dividers ? at + row.panels[i] : at - row.panels[i] - size;
    const FrontRect one = dividers ? FrontRect{at, rect.z, size, rect.height}
                                   : FrontRect{rect.x, at, rect.width, size};
    const Length x = std::max(one.x, face.x);
    const Length z = std::max(one.z, face.z);
    out.push_back(
        {x, z, std::min(one.right(), face.right()) - x, std::min(one.top(), face.top()) - z});
    if (dividers) at += size;
  }
  return out;
}

namespace {

// The low edge of the member that covers the panel whose own low edge is given.
Length memberAt(const FaceFrame& frame, Length panel, Length thickness, bool divider) {
  const Length over = frame.middle - thickness;
  switch (frame.middleAt) {
    case FrameMiddle::FlushUpperLeft:
      return divider ? panel : panel - over;
    case FrameMiddle::FlushLowerRight:
      return divider ? panel - over : panel;
    default:
      return panel - over / 2;
  }
}

// The other way: the low edge of the panel behind a member.
Length panelBehind(const FaceFrame& frame, Length member, Length thickness, bool divider) {
  return member + (member - memberAt(frame, member, thickness, divider));
}

}  // namespace

Result<std::vector<Length>> clearBehind(const Split& split, const std::vector<Length>& panels,
                                        const FrontRect& rect, const FrontRect& face,
                                        const FaceFrame& frame, const LengthStyle& style,
                                        Length step) {
  const bool dividers = split.by == SplitBy::Dividers;
  const auto n = static_cast<std::int64_t>(split.sizes.size());
  const Length whole = dividers ? face.width : face.height;
  const auto open = shareOut(whole - (n - 1) * frame.middle, split.sizes, style, step);
  if (!open) return open.problems();
  std::vector<Length> out;
  Length from = dividers ? rect.x : rect.top();  // of the next clear opening
  Length at = dividers ? face.x : face.top();    // of the next one in the frame
  for (std::size_t i = 0; i < open->size(); ++i) {
    const Length size = open.value()[i];
    if (i + 1 == open->size()) {
      out.push_back(dividers ? rect.right() - from : from - rect.z);
      break;
    }
    const Length thick = panels[i + 1];
    const Length member = dividers ? at + size : at - size - frame.middle;
    const Length panel = panelBehind(frame, member, thick, dividers);
    out.push_back(dividers ? panel - from : from - panel - thick);
    if (out.back() <= Length{})
      return Problem{{}, 0, "face frame", "an opening that the frame closes", "narrower members"};
    from = dividers ? panel + thick : panel;
    at = dividers ? member + frame.middle : member;
  }
  return out;
}

Result<FramedFaces> framedFaces(const SplitRow& row, const FrontRect& face, const FaceFrame& frame,
                                const LengthStyle& style) {
  const FrontRect& rect = row.rect;
  const bool dividers = row.split.by == SplitBy::Dividers;
  FramedFaces out;
  const Length middle = frame.middle;
  const auto n = static_cast<std::int64_t>(row.sizes.size());
  const bool alike = frame.middleAt == FrameMiddle::Equal && !row.split.byFrame &&
                     std::none_of(row.split.sizes.begin(), row.split.sizes.end(),
                                  [](const Share& share) { return share.fixed.has_value(); });
  const Length whole = dividers ? face.width : face.height;
  const Length each = (whole - (n - 1) * middle) / n;
  Length panel = dividers ? rect.x : rect.top();  // where the next panel begins
  Length from = dividers ? face.x : face.top();   // where the next opening begins
  for (std::int64_t i = 0; i < n; ++i) {
    const Length size = row.sizes[static_cast<std::size_t>(i)];
    const bool last = i + 1 == n;
    const Length thick = last ? Length{} : row.panels[static_cast<std::size_t>(i) + 1];
    panel = dividers ? panel + size : panel - size - thick;
    const Length beside = memberAt(frame, panel, thick, dividers);
    Length to;
    if (last)
      to = dividers ? face.right() : face.z;
    else if (alike)
      to = dividers ? from + each : from - each;
    else
      to = dividers ? beside : beside + middle;
    const Length open = dividers ? to - from : from - to;
    if (open <= Length{}) {
      return Problem{{}, 0, "face frame", "an opening that the frame closes", "narrower members"};
    }
    out.faces.push_back(dividers ? FrontRect{from, face.z, open, face.height}
                                 : FrontRect{face.x, to, face.width, open});
    if (last) break;
    const Length low = dividers ? to : to - middle;
    if (low > panel || low + middle < panel + thick) {
      return Problem{{},
                     0,
                     "face frame",
                     fmt::format("a member of {} beside the panel it is to cover",
                                 formatWithUnit(middle, style)),
                     "wider members, or openings that follow the panels"};
    }
    out.members.push_back({dividers ? MemberKind::MiddleStile : MemberKind::MiddleRail,
                           dividers ? FrontRect{low, face.z, middle, face.height}
                                    : FrontRect{face.x, low, face.width, middle},
                           firstOpening(row.split.children[static_cast<std::size_t>(i) + 1])});
    from = dividers ? to + middle : to - middle;
    if (dividers) panel += thick;
  }
  return out;
}

void addLoneMembers(const Job& job, const Carcass& carcass, CarcassLayout& layout) {
  if (!layout.frame) return;
  const Length middle = layout.frame->middle;
  for (const OpeningRect& door : layout.doors) {
    const Door& of = *find(carcass.inside, door.path)->door;
    if (of.hinge != Hinge::Pair || !of.centreStile) continue;
    const FrontRect& face = door.face;
    layout.members.push_back({MemberKind::CentreStile,
                              {face.x + (face.width - middle) / 2, face.z, middle, face.height},
                              door.id});
  }
  for (const OpeningRect& leaf : layout.leaves) {
    const auto* bank = std::get_if<DrawerBank>(&find(carcass.inside, leaf.path)->content);
    std::size_t drawer = 0;
    for (const FrontRect& rail : bankRails(job, carcass, layout, leaf))
      layout.members.push_back({MemberKind::DrawerRail, rail, bank->fronts[++drawer].id});
  }
}

}  // namespace pp
