#include "core/kinds/carcass/layout.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/designs/size_list.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/frame_faces.h"
#include "core/kinds/carcass/rear_rails.h"
#include "core/kinds/carcass/sliding.h"

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
  Solver(const Job& job, const Carcass& carcass, Surroundings around, PartChoices choices = {})
      : job_(job),
        choices_(std::move(choices)),
        style_(styleOf(job)),
        shareStep_(job.shareStep),
        carcass_(carcass),
        around_(std::move(around)) {
    out_.thickness = findMaterial(job, carcass.material)->measured;
    if (carcass.back.school != BackSchool::None)
      out_.backThickness = thicknessOf(PartRole::Back, 0, carcass.back.material);
    out_.frame = around_.frame;
    if (out_.frame)
      out_.frameThickness =
          around_.frameThickness.value_or(findMaterial(job, out_.frame->material)->measured);
    if (around_.stand) out_.foot = around_.stand->height;
    if (!carcass.endLeft.empty())
      out_.endLeft = thicknessOf(PartRole::LeftExposedEnd, 0, carcass.endLeft);
    if (!carcass.endRight.empty())
      out_.endRight = thicknessOf(PartRole::RightExposedEnd, 0, carcass.endRight);
    out_.frontThickness = thickestFront();
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
      for (Problem& problem : layRails(carcass_, style_, out_))
        problems_.push_back(std::move(problem));
    }
    for (PanelRect& panel : out_.panels) {
      panel.thickness = this->panel(panel.role(), panel.after, panel.layer);
      panel.low = jointAt(panel, panel.upright() ? Side::Bottom : Side::Left);
      panel.high = jointAt(panel, panel.upright() ? Side::Top : Side::Right);
      // Under an open top a divider's upper end is free.
      if (carcass_.top == TopConstruction::None && panel.kind == PanelKind::Divider &&
          panel.rect.top() == out_.clear.top())
        panel.high = Joint::Butt;
    }
    if (!problems_.empty()) return problems_;
    addLoneMembers(job_, carcass_, out_);
    return std::move(out_);
  }

 private:
  void add(std::string field, const std::string& found, const std::string& expected) {
    problems_.push_back({{}, 0, std::move(field), found, expected});
  }
  std::string show(Length length) const { return formatWithUnit(length, style_); }
  // Measured, of the part in that role.
  Length thicknessOf(PartRole role, Id opening, const std::string& ruled) const {
    return findMaterial(job_, choices_.material(role, opening, ruled))->measured;
  }
  Length panel(PartRole role, Id opening = 0, int layer = 1) const {
    return findMaterial(job_, panelMaterial(choices_, role, opening, layer, carcass_.material))
        ->measured;
  }
  Length under() const { return carcass_.underBottom(); }
  Length topThickness() const {
    if (carcass_.top == TopConstruction::None) return {};
    return panel(carcass_.hasRails() ? PartRole::FrontStretcher : PartRole::Top);
  }
  Length linings() const {
    return (carcass_.liningLeft ? panel(PartRole::LeftLining) : Length{}) +
           (carcass_.liningRight ? panel(PartRole::RightLining) : Length{});
  }
  Length thickestFront() const {
    Length out = findMaterial(job_, carcass_.fronts.material)->measured;
    for (const PartOverride* one : choices_.all())
      if (one->material && isFront(one->part.role))
        out = std::max(out, findMaterial(job_, *one->material)->measured);
    return out;
  }
  // Chosen for an end of a panel, or as the carcass has it.
  Joint jointAt(const PanelRect& panel, Side side) const {
    const PartOverride* one = choices_.of(panel.role(), panel.after, panel.layer);
    const EdgeChoice* edge = one == nullptr ? nullptr : one->edge(side);
    return edge != nullptr && edge->joint ? *edge->joint : carcass_.joint;
  }
  void needRoom(const char* name, Length size, Length taken) {
    if (size <= taken)
      add(name, show(size), fmt::format("more than the {} that the panels take", show(taken)));
  }

  void outline() {
    const Length left = panel(PartRole::LeftSide);
    const Length right = panel(PartRole::RightSide);
    const Length lower = panel(PartRole::Bottom);
    const Length upper = topThickness();
    const Length beside = carcass_.wallLeft + carcass_.wallRight + out_.endLeft + out_.endRight;
    needRoom("width", carcass_.width, beside + left + right + linings());
    needRoom("height", carcass_.height, out_.foot + under() + lower + upper);
    out_.outer = {carcass_.wallLeft + out_.endLeft, out_.foot, carcass_.width - beside,
                  carcass_.height - out_.foot};
    out_.inner = {out_.outer.x + left, out_.foot + under() + lower, out_.outer.width - left - right,
                  out_.outer.height - under() - lower - upper};
    out_.clear = out_.inner;
    if (carcass_.liningLeft) out_.clear.x += panel(PartRole::LeftLining);
    out_.clear.width -= linings();
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
    const Length setIn = carcass_.backSetIn() ? carcass_.back.setIn : Length{};
    needRoom("depth", depth, tb + setIn);
    out_.rear = depth;
    if (hasBackRails(carcass_) && carcass_.back.railPlace == RailPlace::Behind)
      depth -= panel(PartRole::BackRail);
    out_.sideDepth = out_.lyingDepth = depth;
    out_.clearDepth = depth - tb - setIn;
    if (carcass_.back.school == BackSchool::Behind) out_.sideDepth = out_.lyingDepth = depth - tb;
    if (carcass_.back.school == BackSchool::RabbetSides) out_.lyingDepth = depth - tb;
    if (carcass_.back.school == BackSchool::Channels) out_.lyingDepth = out_.clearDepth;
    out_.bottomDepth = out_.lyingDepth;
    if (!carcass_.baseboard) return;
    const Length up = carcass_.baseboard->height + kMouldingAir;
    const Length in = carcass_.baseboard->thickness + kMouldingAir;
    if (out_.foot + under() >= up) return;
    needRoom("depth", depth, in);
    out_.moulding = {up, out_.rear - in};
    out_.bottomDepth = std::min(out_.lyingDepth, out_.moulding->y);
  }

  void outside() {
    const Length upper = topThickness();
    const Length kick = panel(PartRole::KickBoard);
    const FrontRect& o = out_.outer;
    const FrontRect& in = out_.inner;
    if (carcass_.toe && carcass_.toe->depth + kick > out_.clearDepth)
      add("toe depth", show(carcass_.toe->depth),
          fmt::format("at most {}, so that the kick board stands under the carcass",
                      show(out_.clearDepth - kick)));
    if (carcass_.top == TopConstruction::Mitred && carcass_.toe)
      add("top", "a mitred case on a toe", "a mitred case without a toe, or another top");
    if (carcass_.top == TopConstruction::Mitred && carcass_.raised > Length{})
      add("raised bottom", "a mitred case", "a bottom at the sides' ends, or another top");
    if (carcass_.toe && carcass_.raised > Length{})
      add("raised bottom", "a toe beside it", "one of them");
    if (carcass_.top == TopConstruction::Mitred &&
        (carcass_.back.school == BackSchool::RabbetSides ||
         carcass_.back.school == BackSchool::Channels))
      add("back", "a mitred case with the back in its sides only",
          "a rabbet all round, a groove, or a back behind or between");
    if (carcass_.hasRails() && 2 * carcass_.stretcher > out_.lyingDepth)
      add("stretcher", show(carcass_.stretcher),
          fmt::format("at most half the depth of {}", show(out_.lyingDepth)));
    const bool mitred = carcass_.top == TopConstruction::Mitred;
    const Length left = panel(PartRole::LeftSide);
    const Length right = panel(PartRole::RightSide);
    const Length lower = panel(PartRole::Bottom);
    if (mitred && (left != right || left != lower || left != upper))
      add("top", "panels of different thickness that meet in a mitre",
          "one thickness all round, or another top");
    const bool capping = carcass_.top == TopConstruction::Capping;
    const Length sideHeight = o.height - (capping ? upper : Length{});
    out_.panels = {{PanelKind::LeftSide, {o.x, o.z, left, sideHeight}, {}, 0},
                   {PanelKind::RightSide, {o.right() - right, o.z, right, sideHeight}, {}, 0}};
    const FrontRect bottom{in.x, in.z - lower, in.width, lower};
    out_.panels.push_back(
        {PanelKind::Bottom, mitred ? FrontRect{o.x, o.z, o.width, lower} : bottom, {}, 0});
    const FrontRect top{in.x, o.top() - upper, in.width, upper};
    if (carcass_.top == TopConstruction::StandingRail) {
      out_.panels.push_back({PanelKind::FrontRail, top, {}, 0});
      out_.panels.push_back({PanelKind::RearRail,
                             {in.x, o.top() - carcass_.stretcher, in.width, carcass_.stretcher},
                             {},
                             0});
    } else if (carcass_.hasRails()) {
      out_.panels.push_back({PanelKind::FrontRail, top, {}, 0});
      // Dividers meet both from below.
      const Length rear = panel(PartRole::RearStretcher);
      if (rear > upper)
        add("rear stretcher", show(rear),
            fmt::format("at most as thick as the front one, {}", show(upper)));
      out_.panels.push_back({PanelKind::RearRail, {in.x, o.top() - upper, in.width, rear}, {}, 0});
    } else if (carcass_.top != TopConstruction::None) {
      out_.panels.push_back(
          {PanelKind::Top,
           mitred || capping ? FrontRect{o.x, o.top() - upper, o.width, upper} : top,
           {},
           0});
    }
    if (carcass_.toe)
      out_.panels.push_back({PanelKind::Kick, {in.x, o.z, in.width, under()}, {}, 0});
    // Linings stand behind whatever closes the frame.
    const Length behind = std::max(frameBack(), frontBehind());
    if (carcass_.liningLeft)
      out_.panels.push_back({PanelKind::LeftLining,
                             {in.x, in.z, panel(PartRole::LeftLining), in.height},
                             {},
                             0,
                             0,
                             behind});
    if (carcass_.liningRight) {
      const Length thick = panel(PartRole::RightLining);
      out_.panels.push_back(
          {PanelKind::RightLining, {in.right() - thick, in.z, thick, in.height}, {}, 0, 0, behind});
    }
    if (out_.moulding && mitred)
      add("baseboard", "a mitred case on the floor before it",
          "a stand, another top, or the case held off the wall");
    if (out_.moulding && out_.moulding->z >= in.top())
      add("baseboard", show(carcass_.baseboard->height), "a moulding lower than the case");
    filled("left filler", carcass_.fillerLeft, carcass_.wallLeft);
    filled("right filler", carcass_.fillerRight, carcass_.wallRight);
  }

  void filled(const char* name, bool there, Length room) {
    if (there && out_.frame)
      add(name, "beside a face frame", "no filler: the frame closes what is left of the wall");
    else if (there && room == Length{})
      add(name, "no room for it", "an allowance at that wall, which it closes");
  }

  // Of the depth of an opening.
  Length takenByRails(const FrontRect& opening) const {
    return standBehind(carcass_, out_, opening) ? panel(PartRole::BackRail) : Length{};
  }

  void joints() {
    // Of the panels that the back is let into.
    Length t = std::min(panel(PartRole::LeftSide), panel(PartRole::RightSide));
    const bool inSides = carcass_.back.school == BackSchool::RabbetSides ||
                         carcass_.back.school == BackSchool::Channels;
    if (!inSides) t = std::min(t, panel(PartRole::Bottom));
    if (!inSides && carcass_.top != TopConstruction::None) t = std::min(t, topThickness());
    const auto deep = [&](const char* field, Length depth) {
      if (depth >= t)
        add(field, show(depth), fmt::format("less than the panel's thickness of {}", show(t)));
    };
    if (carcass_.joint == Joint::Dado) deep("dado depth", carcass_.dadoDepth);
    if (carcass_.top == TopConstruction::EndRabbets) deep("top rabbet", carcass_.topRabbet);
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
    const Length foot = carcass_.underFrame();
    const FrontRect outline = frameOutline(out_.outer, out_.outer.z + foot, carcass_, frame);
    // A lower rail hides a raised bottom as it hides one that is not.
    const Length lowerRail = frame.rail + (under() - foot);
    const Length half = frame.middle / 2;
    const Length left =
        around_.neighbourLeft ? out_.outer.x + (frame.middle - half) : outline.x + frame.stile;
    const Length right =
        around_.neighbourRight ? out_.outer.right() - half : outline.right() - frame.stile;
    out_.frameLeft = around_.neighbourLeft ? frame.middle - half : frame.stile;
    out_.frameRight = around_.neighbourRight ? half : frame.stile;
    const Length lower = frame.lowerRail ? lowerRail : under() - foot;
    FrontRect face{left, outline.z + lower, right - left, outline.height - frame.rail - lower};
    if (face.width <= Length{} || face.height <= Length{}) {
      add("face frame", fmt::format("stiles of {}", show(frame.stile)),
          "narrower members, or a larger carcass");
      return face;
    }
    const FrontRect& in = out_.inner;
    if (frontBehind() > Length{} &&
        (face.x < in.x || face.right() > in.right() || face.z < in.z || face.top() > in.top()))
      add("face frame", fmt::format("fronts {} thick", show(out_.frontThickness)),
          "stiles and rails wide enough to cover the panels' edges, or thinner fronts");
    out_.members.push_back({MemberKind::UpperRail, {left, face.top(), face.width, frame.rail}, 0});
    if (frame.lowerRail)
      out_.members.push_back({MemberKind::LowerRail, {left, outline.z, face.width, lowerRail}, 0});
    return face;
  }

  // Where everything behind a door begins, so that an inset one can close.
  Length behindDoor(const Door& door, Id id) const {
    constexpr Length kAir = Length::mm(2);
    if (door.hinge == Hinge::Sliding)
      return frameBack() + slidingDepth(slidingThickness(job_, choices_, carcass_, id)) + kAir;
    if (carcass_.fronts.fit == FrontFit::Overlay) return frameBack();
    Length thick;
    using enum PartRole;
    const bool flap = door.hinge == Hinge::Top || door.hinge == Hinge::Bottom;
    const bool pair = door.hinge == Hinge::Pair;
    for (const PartRole role : {pair   ? LeftDoor
                                : flap ? Lid
                                       : PartRole::Door,
                                pair   ? RightDoor
                                : flap ? Lid
                                       : PartRole::Door})
      thick = std::max(thick, thicknessOf(role, id, carcass_.fronts.material));
    return std::max(frameBack(), thick + out_.frameFront + kAir);
  }
  // How far an inset front reaches behind the panels' front edges.
  Length frontBehind() const {
    return carcass_.fronts.fit == FrontFit::Inset && out_.frame
               ? std::max(Length{}, out_.frontThickness + out_.frameFront)
               : Length{};
  }
  // On a tongue the frame reaches behind the panels' front edges.
  Length frameBack() const {
    return out_.frame ? std::max(Length{}, out_.frameFront + out_.frameThickness) : Length{};
  }

  // The clear sizes of a split's children, as they are typed or so that the frame leaves those
  // open.
  Result<std::vector<Length>> sizesOf(const Split& split, const std::vector<Length>& panels,
                                      const FrontRect& rect, const FrontRect& face, bool framed) {
    const bool dividers = split.by == SplitBy::Dividers;
    if (split.byFrame && framed)
      return clearBehind(split, panels, rect, face, *out_.frame, style_, shareStep_);
    Length room = dividers ? rect.width : rect.height;
    for (const Length thick : panels) room -= thick;
    const auto [sizes, step] = keptEqual(split, room, shareStep_);
    return shareOut(room, sizes, style_, step);
  }

  void opening(const Opening& opening, const FrontRect& rect, const FrontRect& face,
               OpeningPath& path, Length setIn, bool covered) {
    if (opening.door) {
      out_.doors.push_back({path, firstOpening(opening), rect, face, Length{}});
      setIn = behindDoor(*opening.door, firstOpening(opening));
      covered = true;
    }
    const auto* split = std::get_if<Split>(&opening.content);
    if (split == nullptr) {
      out_.leaves.push_back(
          {path, opening.id, rect, face, std::max(setIn, frameBack()), takenByRails(rect)});
      return;
    }
    const bool dividers = split->by == SplitBy::Dividers;
    // Of the panel before each child; none before the first.
    std::vector<Length> panels(1);
    for (std::size_t i = 1; i < split->children.size(); ++i) {
      const PartRole role = dividers ? PartRole::Divider : PartRole::FixedShelf;
      const Id after = firstOpening(split->children[i]);
      Length thick = panel(role, after);
      if (split->doubled) thick += *split->doubled + panel(role, after, 2);
      panels.push_back(thick);
    }
    const bool framed = out_.frame && !covered && !split->uncovered;
    const auto sizes = sizesOf(*split, panels, rect, face, framed);
    if (!sizes) {
      add(dividers ? "openings side by side" : "openings one above the other",
          sizes.problems().front().found, sizes.problems().front().expected);
      return;
    }
    const SplitRow row{*split, sizes.value(), panels, rect};
    std::vector<FrontRect> faces;
    if (framed) {
      auto made = framedFaces(row, face, *out_.frame, style_);
      if (!made) {
        problems_.push_back(made.problems().front());
        return;
      }
      faces = std::move(made.value().faces);
      for (FrameMember& member : made.value().members) out_.members.push_back(member);
    } else {
      faces = plainFaces(row, face);
    }
    Length at = dividers ? rect.x : rect.top();
    for (std::size_t i = 0; i < sizes->size(); ++i) {
      const Length size = sizes.value()[i];
      if (i > 0) {
        if (!dividers) at -= panels[i];
        const PanelKind kind = dividers ? PanelKind::Divider : PanelKind::Shelf;
        const Id after = firstOpening(split->children[i]);
        for (int layer = 1; layer <= (split->doubled ? 2 : 1); ++layer) {
          PanelRect one{kind, {}, path, i - 1, after, setIn};
          one.layer = layer;
          const Length thick = panel(one.role(), after, layer);
          const Length from = layer == 1 ? Length{} : panels[i] - thick;
          one.rect = dividers ? FrontRect{at + from, rect.z, thick, rect.height}
                              : FrontRect{rect.x, at + from, rect.width, thick};
          out_.panels.push_back(std::move(one));
        }
        if (dividers) at += panels[i];
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

  const Job& job_;
  PartChoices choices_;
  LengthStyle style_;
  Length shareStep_;
  const Carcass& carcass_;
  Surroundings around_;
  CarcassLayout out_;
  Problems problems_;
};

}  // namespace

Result<CarcassLayout> layOut(const Job& job, const Carcass& carcass) {
  return Solver(job, carcass, {carcass.frame, carcass.stand}).run();
}

const CarcassGroup* groupOf(const Job& job, Id carcass) {
  for (const Assembly& assembly : job.assemblies)
    if (const auto* group = std::get_if<CarcassGroup>(&assembly.body))
      if (!group->lineOf(carcass).members.empty()) return group;
  return nullptr;
}

namespace {

const std::string& lotOf(const Job& job, const CarcassGroup& group) {
  static const std::string kAny;
  for (const Assembly& one : job.assemblies)
    if (std::get_if<CarcassGroup>(&one.body) == &group) return one.lot;
  return kAny;
}

}  // namespace

Result<CarcassLayout> layOut(const Job& job, const Assembly& assembly) {
  return layOut(job, assembly, groupOf(job, assembly.id));
}

Result<CarcassLayout> layOut(const Job& given, const Assembly& assembly,
                             const CarcassGroup* group) {
  const std::optional<Job> lotted = asCutFromLot(given, assembly);
  const Job& job = lotted ? *lotted : given;
  const Carcass& carcass = assembly.carcass();
  const PartChoices choices(given, assembly.id);
  if (group == nullptr) return Solver(job, carcass, {carcass.frame, carcass.stand}, choices).run();
  Surroundings around;
  around.frame = group->frame ? group->frame : carcass.frame;
  // A group's frame is not cut from a member's lot.
  if (group->frame)
    around.frameThickness =
        cutThickness(given, *findMaterial(given, group->frame->material), lotOf(given, *group));
  around.stand = group->stand ? group->stand : carcass.stand;
  if (group->frame) {
    const CarcassGroup::Line line = group->lineOf(assembly.id);
    around.neighbourLeft = line.members.front() != assembly.id;
    around.neighbourRight = line.members.back() != assembly.id;
    // In a corner there is nothing for a frame to hang over.
    if (line.cornerLeft) around.frame->overhangLeft = Length{};
    if (line.cornerRight) around.frame->overhangRight = Length{};
  }
  return Solver(job, carcass, around, choices).run();
}

std::pair<std::vector<Share>, Length> keptEqual(const Split& split, Length room, Length step) {
  std::pair<std::vector<Share>, Length> out{split.sizes, step};
  std::vector<std::size_t> fitted;
  std::int64_t shares = 0;
  for (std::size_t i = 0; i < split.sizes.size(); ++i) {
    if (split.sizes[i].fixed) {
      room -= *split.sizes[i].fixed;
      continue;
    }
    ++shares;
    const Opening& child = split.children[i];
    if (child.door || !std::holds_alternative<OpenSpace>(child.content)) fitted.push_back(i);
  }
  if (split.by != SplitBy::Dividers || fitted.empty() || shares < 2 || step <= Length{} ||
      room <= Length{} || room.inNm() % (shares * step.inNm()) == 0)
    return out;
  const Length each = room.inNm() / shares / step.inNm() * step;
  if (std::ssize(fitted) == shares || each <= Length{})
    out.second = Length{};
  else
    for (const std::size_t i : fitted) out.first[i].fixed = each;
  return out;
}

}  // namespace pp
