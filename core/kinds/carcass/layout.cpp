#include "core/kinds/carcass/layout.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/job/ids.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/size_list.h"

namespace pp {
namespace {

// What a carcass has from its group, or from itself.
struct Surroundings {
  std::optional<FaceFrame> frame;
  std::optional<Stand> stand;
  std::optional<Length> frameThickness = {};           // where it is not the job's
  bool neighbourLeft = false, neighbourRight = false;  // under the same frame
};

class Solver {
 public:
  Solver(const Job& job, const Carcass& carcass, Surroundings around)
      : style_(styleOf(job)),
        shareStep_(job.shareStep),
        carcass_(carcass),
        around_(std::move(around)) {
    out_.thickness = findMaterial(job, carcass.material)->measured;
    if (carcass.back.school != BackSchool::None)
      out_.backThickness = findMaterial(job, carcass.back.material)->measured;
    out_.frame = around_.frame;
    if (out_.frame)
      out_.frameThickness =
          around_.frameThickness.value_or(findMaterial(job, out_.frame->material)->measured);
    if (around_.stand) out_.foot = around_.stand->height;
    doorThickness_ = findMaterial(job, carcass.fronts.material)->measured;
  }

  Result<CarcassLayout> run() {
    outline();
    depths();
    if (problems_.empty()) outside();
    if (problems_.empty()) joints();
    if (problems_.empty()) {
      FrontRect face = out_.clear;
      if (out_.frame) face = frameRoot();
      OpeningPath path;
      opening(carcass_.inside, out_.clear, face, path, Length{}, false);
    }
    if (!problems_.empty()) return problems_;
    return std::move(out_);
  }

 private:
  void add(std::string field, const std::string& found, const std::string& expected) {
    problems_.push_back({{}, 0, std::move(field), found, expected});
  }
  std::string show(Length length) const { return formatWithUnit(length, style_); }
  Length toe() const { return carcass_.toe ? carcass_.toe->height : Length{}; }
  bool hasRails() const {
    return carcass_.top == TopSchool::Stretchers || carcass_.top == TopSchool::StandingRail;
  }

  void needRoom(const char* name, Length size, Length taken) {
    if (size <= taken)
      add(name, show(size), fmt::format("more than the {} that the panels take", show(taken)));
  }

  void outline() {
    const Length t = out_.thickness;
    const Length walls = carcass_.wallLeft + carcass_.wallRight;
    const Length linings =
        (carcass_.liningLeft ? t : Length{}) + (carcass_.liningRight ? t : Length{});
    needRoom("width", carcass_.width, walls + 2 * t + linings);
    needRoom("height", carcass_.height, out_.foot + toe() + 2 * t);
    out_.outer = {carcass_.wallLeft, out_.foot, carcass_.width - walls,
                  carcass_.height - out_.foot};
    out_.inner = {out_.outer.x + t, out_.foot + toe() + t, out_.outer.width - 2 * t,
                  out_.outer.height - toe() - 2 * t};
    out_.clear = out_.inner;
    if (carcass_.liningLeft) out_.clear.x += t;
    out_.clear.width -= linings;
  }

  void depths() {
    Length depth = carcass_.depth;
    if (out_.frame) {
      const Length tongue =
          out_.frame->fixing == FrameFixing::Tongue ? out_.frame->tongue : Length{};
      if (tongue >= out_.frameThickness)
        add("tongue", show(tongue),
            fmt::format("less than the frame's thickness of {}", show(out_.frameThickness)));
      if (out_.frame->depthIncludes) depth -= out_.frameThickness - tongue;
      out_.frameFront = tongue - out_.frameThickness;
    }
    const Length tb = out_.backThickness;
    const Length setIn =
        carcass_.back.school == BackSchool::Groove ? carcass_.back.setIn : Length{};
    needRoom("depth", depth, tb + setIn);
    out_.sideDepth = out_.lyingDepth = depth;
    out_.clearDepth = depth - tb - setIn;
    if (carcass_.back.school == BackSchool::Behind) out_.sideDepth = out_.lyingDepth = depth - tb;
    if (carcass_.back.school == BackSchool::RabbetSides) out_.lyingDepth = depth - tb;
  }

  void outside() {
    const Length t = out_.thickness;
    const FrontRect& o = out_.outer;
    const FrontRect& in = out_.inner;
    if (carcass_.toe && carcass_.toe->depth + t > out_.clearDepth)
      add("toe depth", show(carcass_.toe->depth),
          fmt::format("at most {}, so that the kick board stands under the carcass",
                      show(out_.clearDepth - t)));
    if (carcass_.top == TopSchool::Mitred && carcass_.toe)
      add("top", "a mitred case on a toe", "a mitred case without a toe, or another top");
    if (carcass_.top == TopSchool::Mitred && carcass_.back.school == BackSchool::RabbetSides)
      add("back", "a mitred case with the back in its sides only",
          "a rabbet all round, a groove, or a back behind or between");
    if (hasRails() && 2 * carcass_.stretcher > out_.lyingDepth)
      add("stretcher", show(carcass_.stretcher),
          fmt::format("at most half the depth of {}", show(out_.lyingDepth)));
    const bool mitred = carcass_.top == TopSchool::Mitred;
    const bool capping = carcass_.top == TopSchool::Capping;
    const Length sideHeight = o.height - (capping ? t : Length{});
    out_.panels = {{PanelKind::LeftSide, {o.x, o.z, t, sideHeight}, {}, 0},
                   {PanelKind::RightSide, {o.right() - t, o.z, t, sideHeight}, {}, 0}};
    const FrontRect bottom{in.x, in.z - t, in.width, t};
    out_.panels.push_back(
        {PanelKind::Bottom, mitred ? FrontRect{o.x, o.z, o.width, t} : bottom, {}, 0});
    const FrontRect top{in.x, o.top() - t, in.width, t};
    if (carcass_.top == TopSchool::StandingRail) {
      out_.panels.push_back({PanelKind::FrontRail, top, {}, 0});
      out_.panels.push_back({PanelKind::RearRail,
                             {in.x, o.top() - carcass_.stretcher, in.width, carcass_.stretcher},
                             {},
                             0});
    } else if (hasRails()) {
      out_.panels.push_back({PanelKind::FrontRail, top, {}, 0});
      out_.panels.push_back({PanelKind::RearRail, top, {}, 0});
    } else {
      out_.panels.push_back({PanelKind::Top,
                             mitred || capping ? FrontRect{o.x, o.top() - t, o.width, t} : top,
                             {},
                             0});
    }
    if (carcass_.toe) out_.panels.push_back({PanelKind::Kick, {in.x, o.z, in.width, toe()}, {}, 0});
    // Linings stand behind whatever closes the frame.
    const Length behind = std::max(frameBack(), frontBehind());
    if (carcass_.liningLeft)
      out_.panels.push_back({PanelKind::LeftLining, {in.x, in.z, t, in.height}, {}, 0, 0, behind});
    if (carcass_.liningRight)
      out_.panels.push_back(
          {PanelKind::RightLining, {in.right() - t, in.z, t, in.height}, {}, 0, 0, behind});
    baseboard();
  }

  void baseboard() {
    if (!carcass_.baseboard) return;
    const Length clear = carcass_.baseboard->height + kMouldingAir;
    if (out_.foot + toe() < clear)
      add("baseboard", show(carcass_.baseboard->height),
          fmt::format("a moulding lower than the bottom at {}, a higher toe or stand, or the case "
                      "held off the wall",
                      show(out_.foot + toe())));
  }

  void joints() {
    const Length t = out_.thickness;
    const auto deep = [&](const char* field, Length depth) {
      if (depth >= t)
        add(field, show(depth), fmt::format("less than the panel's thickness of {}", show(t)));
    };
    if (carcass_.joint == Joint::Dado) deep("dado depth", carcass_.dadoDepth);
    if (carcass_.top == TopSchool::EndRabbets) deep("top rabbet", carcass_.topRabbet);
    const BackSchool school = carcass_.back.school;
    if (school == BackSchool::Behind || school == BackSchool::Between || school == BackSchool::None)
      return;
    deep("rabbet depth", carcass_.back.rabbetDepth);
    if (carcass_.back.clearance >= 2 * carcass_.back.rabbetDepth)
      add("back clearance", show(carcass_.back.clearance),
          "less than twice the rabbet's depth, or the back falls through");
  }

  // The upper and lower rail, and what they and the outer stiles leave.
  FrontRect frameRoot() {
    const FaceFrame& frame = *out_.frame;
    const FrontRect outline = frameOutline(out_.outer, out_.outer.z + toe(), carcass_, frame);
    const Length half = frame.middle / 2;
    const Length left =
        around_.neighbourLeft ? out_.outer.x + (frame.middle - half) : outline.x + frame.stile;
    const Length right =
        around_.neighbourRight ? out_.outer.right() - half : outline.right() - frame.stile;
    const Length lower = frame.lowerRail ? frame.rail : Length{};
    FrontRect face{left, outline.z + lower, right - left, outline.height - frame.rail - lower};
    if (face.width <= Length{} || face.height <= Length{}) {
      add("face frame", fmt::format("stiles of {}", show(frame.stile)),
          "narrower members, or a larger carcass");
      return face;
    }
    const FrontRect& in = out_.inner;
    if (frontBehind() > Length{} &&
        (face.x < in.x || face.right() > in.right() || face.z < in.z || face.top() > in.top()))
      add("face frame", fmt::format("fronts {} thick", show(doorThickness_)),
          "stiles and rails wide enough to cover the panels' edges, or thinner fronts");
    out_.members.push_back({MemberKind::UpperRail, {left, face.top(), face.width, frame.rail}, 0});
    if (frame.lowerRail)
      out_.members.push_back({MemberKind::LowerRail, {left, outline.z, face.width, frame.rail}, 0});
    return face;
  }

  // Where everything behind a door begins, so that an inset one can close.
  Length behindDoor() const {
    constexpr Length kAir = Length::mm(2);
    if (carcass_.fronts.fit == FrontFit::Overlay) return frameBack();
    return std::max(frameBack(), doorThickness_ + out_.frameFront + kAir);
  }
  // How far an inset front reaches behind the panels' front edges.
  Length frontBehind() const {
    return carcass_.fronts.fit == FrontFit::Inset && out_.frame
               ? std::max(Length{}, doorThickness_ + out_.frameFront)
               : Length{};
  }
  // On a tongue the frame reaches behind the panels' front edges.
  Length frameBack() const {
    return out_.frame ? std::max(Length{}, out_.frameFront + out_.frameThickness) : Length{};
  }

  void opening(const Opening& opening, const FrontRect& rect, const FrontRect& face,
               OpeningPath& path, Length setIn, bool covered) {
    if (opening.door) {
      out_.doors.push_back({path, firstOpening(opening), rect, face, Length{}});
      setIn = behindDoor();
      covered = true;
    }
    const auto* split = std::get_if<Split>(&opening.content);
    if (split == nullptr) {
      out_.leaves.push_back({path, opening.id, rect, face, std::max(setIn, frameBack())});
      return;
    }
    const bool dividers = split->by == SplitBy::Dividers;
    const auto panels = static_cast<std::int64_t>(split->sizes.size()) - 1;
    const Length room = (dividers ? rect.width : rect.height) - panels * out_.thickness;
    const auto sizes = shareOut(room, split->sizes, style_, shareStep_);
    if (!sizes) {
      add(dividers ? "openings side by side" : "openings one above the other",
          sizes.problems().front().found, sizes.problems().front().expected);
      return;
    }
    const std::vector<FrontRect> faces = out_.frame && !covered
                                             ? facesOf(*split, sizes.value(), rect, face)
                                             : plainFaces(*split, sizes.value(), rect, face);
    if (!problems_.empty()) return;
    Length at = dividers ? rect.x : rect.top();
    for (std::size_t i = 0; i < sizes->size(); ++i) {
      const Length size = sizes.value()[i];
      if (i > 0) {
        if (!dividers) at -= out_.thickness;
        out_.panels.push_back(dividers ? PanelRect{PanelKind::Divider,
                                                   {at, rect.z, out_.thickness, rect.height},
                                                   path,
                                                   i - 1,
                                                   firstOpening(split->children[i]),
                                                   setIn}
                                       : PanelRect{PanelKind::Shelf,
                                                   {rect.x, at, rect.width, out_.thickness},
                                                   path,
                                                   i - 1,
                                                   firstOpening(split->children[i]),
                                                   setIn});
        if (dividers) at += out_.thickness;
      }
      if (!dividers) at -= size;
      path.push_back(i);
      this->opening(split->children[i],
                    dividers ? FrontRect{at, rect.z, size, rect.height}
                             : FrontRect{rect.x, at, rect.width, size},
                    faces[i], path, setIn, covered);
      path.pop_back();
      if (dividers) at += size;
    }
  }

  // The openings themselves, as far as the face they lie behind leaves them.
  std::vector<FrontRect> plainFaces(const Split& split, const std::vector<Length>& sizes,
                                    const FrontRect& rect, const FrontRect& face) const {
    const bool dividers = split.by == SplitBy::Dividers;
    std::vector<FrontRect> out;
    Length at = dividers ? rect.x : rect.top();
    for (const Length size : sizes) {
      if (!dividers) at -= size;
      const FrontRect one = dividers ? FrontRect{at, rect.z, size, rect.height}
                                     : FrontRect{rect.x, at, rect.width, size};
      const Length x = std::max(one.x, face.x);
      const Length z = std::max(one.z, face.z);
      out.push_back(
          {x, z, std::min(one.right(), face.right()) - x, std::min(one.top(), face.top()) - z});
      at = dividers ? at + size + out_.thickness : at - out_.thickness;
    }
    return out;
  }

  // The low edge of the member that covers the panel whose own low edge is given.
  Length memberAt(Length panel, bool divider) const {
    const Length over = out_.frame->middle - out_.thickness;
    switch (out_.frame->middleAt) {
      case FrameMiddle::FlushUpperLeft:
        return divider ? panel : panel - over;
      case FrameMiddle::FlushLowerRight:
        return divider ? panel - over : panel;
      default:
        return panel - over / 2;
    }
  }

  // What the frame leaves of every opening of a split; adds the members between them.
  std::vector<FrontRect> facesOf(const Split& split, const std::vector<Length>& sizes,
                                 const FrontRect& rect, const FrontRect& face) {
    const bool dividers = split.by == SplitBy::Dividers;
    std::vector<FrontRect> out;
    const Length middle = out_.frame->middle;
    const auto n = static_cast<std::int64_t>(sizes.size());
    const bool alike = out_.frame->middleAt == FrameMiddle::Equal &&
                       std::none_of(split.sizes.begin(), split.sizes.end(),
                                    [](const Share& share) { return share.fixed.has_value(); });
    const Length whole = dividers ? face.width : face.height;
    const Length each = (whole - (n - 1) * middle) / n;
    Length panel = dividers ? rect.x : rect.top();  // where the next panel begins
    Length from = dividers ? face.x : face.top();   // where the next opening begins
    for (std::int64_t i = 0; i < n; ++i) {
      const Length size = sizes[static_cast<std::size_t>(i)];
      const bool last = i + 1 == n;
      panel = dividers ? panel + size : panel - size - out_.thickness;
      const Length beside = memberAt(panel, dividers);
      Length to;
      if (last)
        to = dividers ? face.right() : face.z;
      else if (alike)
        to = dividers ? from + each : from - each;
      else
        to = dividers ? beside : beside + middle;
      const Length open = dividers ? to - from : from - to;
      if (open <= Length{}) {
        add("face frame", "an opening that the frame closes", "narrower members");
        return {};
      }
      out.push_back(dividers ? FrontRect{from, face.z, open, face.height}
                             : FrontRect{face.x, to, face.width, open});
      if (last) break;
      const Length low = dividers ? to : to - middle;
      if (low > panel || low + middle < panel + out_.thickness) {
        add("face frame",
            fmt::format("a member of {} beside the panel it is to cover", show(middle)),
            "wider members, or openings that follow the panels");
        return {};
      }
      out_.members.push_back({dividers ? MemberKind::MiddleStile : MemberKind::MiddleRail,
                              dividers ? FrontRect{low, face.z, middle, face.height}
                                       : FrontRect{face.x, low, face.width, middle},
                              firstOpening(split.children[static_cast<std::size_t>(i) + 1])});
      from = dividers ? to + middle : to - middle;
      if (dividers) panel += out_.thickness;
    }
    return out;
  }

  LengthStyle style_;
  Length shareStep_;
  const Carcass& carcass_;
  Surroundings around_;
  CarcassLayout out_;
  Problems problems_;
  Length doorThickness_;
};

}  // namespace

FrontRect OpeningRect::passage() const {
  const Length x = std::max(rect.x, face.x);
  const Length z = std::max(rect.z, face.z);
  return {x, z, std::min(rect.right(), face.right()) - x, std::min(rect.top(), face.top()) - z};
}

Result<CarcassLayout> layOut(const Job& job, const Carcass& carcass) {
  return Solver(job, carcass, {carcass.frame, carcass.stand}).run();
}

const CarcassGroup* groupOf(const Job& job, Id carcass) {
  for (const Assembly& assembly : job.assemblies)
    if (const auto* group = std::get_if<CarcassGroup>(&assembly.body))
      if (std::find(group->members.begin(), group->members.end(), carcass) != group->members.end())
        return group;
  return nullptr;
}

Result<CarcassLayout> layOut(const Job& job, const Assembly& assembly) {
  return layOut(job, assembly, groupOf(job, assembly.id));
}

Result<CarcassLayout> layOut(const Job& given, const Assembly& assembly,
                             const CarcassGroup* group) {
  const Job lotted = assembly.lot.empty() ? Job{} : asCutFromLot(given, assembly);
  const Job& job = assembly.lot.empty() ? given : lotted;
  const Carcass& carcass = assembly.carcass();
  if (group == nullptr) return layOut(job, carcass);
  Surroundings around;
  around.frame = group->frame ? group->frame : carcass.frame;
  // A group's frame is not cut from a member's lot.
  if (group->frame) around.frameThickness = findMaterial(given, group->frame->material)->measured;
  around.stand = group->stand ? group->stand : carcass.stand;
  if (group->frame) {
    around.neighbourLeft = group->members.front() != assembly.id;
    around.neighbourRight = group->members.back() != assembly.id;
  }
  return Solver(job, carcass, around).run();
}

}  // namespace pp
