#include "core/breakdown/apply_choice.h"

#include <algorithm>

#include "core/parts/extend.h"
#include "core/parts/feature_cuts.h"
#include "core/parts/solid.h"

namespace pp {
namespace {

bool isPanel(PartRole role) {
  return role >= PartRole::LeftSide && role <= PartRole::FixedShelf;
}

// What lies between others all round, so that no edge of it finds room further out.
bool isEnclosed(const Part& part, const Assembly& assembly) {
  using enum PartRole;
  if (part.role == Back)
    return !assembly.isCarcass() || assembly.carcass().back.school != BackSchool::Behind;
  return (part.role >= BoxLeftSide && part.role <= BoxBottom) || part.role == ShelfSupport ||
         part.role == NailingStrip;
}

class Chooser {
 public:
  // `larger`: whether its edges may go further out than the rules have them.
  Chooser(const PartBuilder& builder, Part& part, const PartOverride& chosen, bool larger)
      : builder_(builder), part_(part), chosen_(chosen), larger_(larger) {}

  Problems run() {
    part_.overridden = chosen_.why;
    material();
    edges();
    byHand(false, chosen_.length, chosen_.lengthMoves);
    byHand(true, chosen_.width, chosen_.widthMoves);
    if (chosen_.grain)
      part_.grain = *chosen_.grain == BoardGrain::Length  ? PartGrain::Length
                    : *chosen_.grain == BoardGrain::Width ? PartGrain::Width
                                                          : PartGrain::Any;
    if (chosen_.reads) reading(*chosen_.reads);
    banding();
    anySuch();
    if (chosen_.show) part_.show = *chosen_.show;
    finish();
    if (chosen_.oversize) {
      part_.oversize = *chosen_.oversize;
      part_.oversizeWhy = chosen_.why;
    }
    inside();
    for (const Feature& feature : chosen_.features) add(cutFeature(part_, feature, builder_.job()));
    return std::move(problems_);
  }

 private:
  void reading(const WorkReading& reads) {
    readOffTheWork(part_, reads.ofWidth ? part_.width : part_.length, reads.readings,
                   reads.allowance);
  }

  // Sheets of another kind may only be where nobody sees them.
  void anySuch() {
    if (!chosen_.anySuch) return;
    const bool seen =
        isFront(part_.role) || part_.lumber ||
        std::any_of(part_.exposed.begin(), part_.exposed.end(), [](bool edge) { return edge; });
    if (seen)
      problems_.push_back(cannot("material of the " + part_.name, "any sheets as thick",
                                 "the sheets named: it shows, or is solid wood"));
    else
      part_.anySuch = true;
  }

  void add(Problems problems) {
    for (Problem& problem : problems) problems_.push_back(std::move(problem));
  }

  // Where the rules have not seen to it already.
  void material() {
    if (!chosen_.material || part_.material == *chosen_.material) return;
    const Material& sheet = *findMaterial(builder_.job(), *chosen_.material);
    if (sheet.measured != part_.thickness) {
      problems_.push_back(
          cannot("material of the " + part_.name, builder_.shown(sheet.measured) + " thick",
                 builder_.shown(part_.thickness) + ", because what it meets is cut to that"));
      return;
    }
    part_.material = sheet.id;
    part_.lumber = sheet.lumber;
    if (!sheet.grained) part_.grain = PartGrain::Any;
  }

  void edges() {
    if (isPanel(part_.role)) return;  // the carcass has seen to them
    for (const EdgeChoice& choice : chosen_.edges) {
      const auto edge = part_.edgeAt(choice.side);
      const std::string where = sideName(choice.side) + " of the " + part_.name;
      if (!edge) {
        problems_.push_back(cannot(where, "a choice for it", "an edge that the part has"));
        continue;
      }
      if (choice.joint)
        problems_.push_back(cannot(where, "a joint", "an end that stands between two panels"));
      if (choice.beyond > Length{} && !larger_) continue;
      if (choice.beyond > Length{} && isEnclosed(part_, builder_.assembly()))
        problems_.push_back(cannot(where, builder_.shown(choice.beyond) + " beyond the rule",
                                   "no further out: it lies between others"));
      else
        add(extendAsChosen(builder_, part_, *edge, choice.beyond));
    }
  }

  // An edge that is joined to another part stays where that is.
  void byHand(bool ofWidth, const std::optional<Length>& size, SizeMoves moves) {
    Reason& now = ofWidth ? part_.width : part_.length;
    if (!size || now.total() == *size || (!larger_ && *size > now.total())) return;
    const std::string where = (ofWidth ? "width" : "length") + (" of the " + part_.name);
    const EdgeMoves all = movesFor(part_, ofWidth, *size, moves);
    bool free = !isPanel(part_.role);  // the carcass has moved what is free of its panels
    for (std::size_t i = 0; i < all.edges.size(); ++i)
      if (all.by[i] != Length{} &&
          (part_.isJoined(all.edges[i]) ||
           (all.by[i] > Length{} && isEnclosed(part_, builder_.assembly()))))
        free = false;
    if (!free) {
      problems_.push_back(
          cannot(where, builder_.shown(*size) + " by hand",
                 builder_.shown(now.total()) +
                     ", because it meets other parts where it would be moved: change those"));
      return;
    }
    sizeByHand(part_, ofWidth, *size, all);
  }
  void banding() {
    if (chosen_.banding)
      for (const Edge edge : kEdges) {
        const auto i = static_cast<std::size_t>(edge);
        if (part_.exposed[i] || !part_.bands[i].empty()) part_.bands[i] = *chosen_.banding;
      }
    for (const EdgeChoice& choice : chosen_.edges)
      if (const auto edge = part_.edgeAt(choice.side); edge && choice.banding)
        part_.bands[static_cast<std::size_t>(*edge)] = *choice.banding;
    deductBands(builder_.job(), part_);
  }

  void finish() {
    if (chosen_.finishOutside)
      part_.finishOutside = chosen_.finishOutside;
    else if (chosen_.finishInside)
      part_.finishOutside = part_.finish;  // the other face stays as it was
    if (chosen_.finishInside) part_.finish = *chosen_.finishInside;
    if (part_.finishOutside == part_.finish) part_.finishOutside.reset();
  }

  // What is cut into it must still lie on it.
  void inside() {
    if (chosen_.edges.empty() && !chosen_.length && !chosen_.width) return;
    for (const Machining& cut : part_.machining)
      if (cut.u0 < Length{} || cut.v0 < Length{} || cut.u1 > part_.length.total() ||
          cut.v1 > part_.width.total() || cut.u1 < cut.u0 || cut.v1 < cut.v0) {
        problems_.push_back(
            cannot(part_.name,
                   "an edge set back past the " + cutName(cut.cut) + " for the " + cut.receives,
                   "an edge beyond it"));
        return;
      }
  }

  const PartBuilder& builder_;
  Part& part_;
  const PartOverride& chosen_;
  bool larger_;
  Problems problems_;
};

bool mayGrow(const PartOverride& chosen) {
  return chosen.length || chosen.width ||
         std::any_of(chosen.edges.begin(), chosen.edges.end(),
                     [](const EdgeChoice& edge) { return edge.beyond > Length{}; });
}

// Of the others one that takes room of it, or null. Less than this, in cubic millimetres, is a
// sliver: a thousandth of a millimetre over a panel.
const Part* runsInto(const std::vector<Part>& parts, std::size_t at) {
  constexpr double kSliver = 500;
  const Part& part = parts[at];
  if (part.poses.empty() || part.poses.front().turn) return nullptr;
  const Box room = part.poses.front().place(part.board());
  const std::vector<Convex> own = solidOf(part, part.poses.front());
  for (std::size_t i = 0; i < parts.size(); ++i) {
    if (i == at) continue;
    for (const Pose& pose : parts[i].poses) {
      if (!pose.turn && intersection(room, pose.place(parts[i].board())).empty()) continue;
      double common = 0;
      for (const Convex& a : own)
        for (const Convex& b : solidOf(parts[i], pose)) common += commonVolume(a, b);
      if (common > kSliver) return &parts[i];
    }
  }
  return nullptr;
}

}  // namespace

Problems applyChoice(const PartBuilder& builder, std::vector<Part>& parts, std::size_t at) {
  Part& part = parts[at];
  const PartOverride* chosen = builder.choices().of(part.keys.front());
  if (chosen == nullptr) return {};
  const Part ruled = part;
  Problems out = Chooser(builder, part, *chosen, true).run();
  if (!mayGrow(*chosen)) return out;
  const Part* met = runsInto(parts, at);
  if (met == nullptr) return out;
  Problem problem = cannot(
      "size of the " + part.name,
      builder.shown(part.length.total()) + " × " + builder.shown(part.width.total()),
      "no more than leaves room for the " + met->name + ", " + builder.shown(ruled.length.total()) +
          " × " + builder.shown(ruled.width.total()) + " by the rules");
  part = ruled;
  out = Chooser(builder, part, *chosen, false).run();
  out.push_back(std::move(problem));
  return out;
}

}  // namespace pp
