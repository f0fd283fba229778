#include "core/breakdown/apply_choice.h"

#include <algorithm>

#include "core/parts/extend.h"
#include "core/parts/feature_cuts.h"

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
  Chooser(const PartBuilder& builder, Part& part, const PartOverride& chosen)
      : builder_(builder), part_(part), chosen_(chosen) {}

  Problems run() {
    part_.overridden = chosen_.why;
    material();
    edges();
    if (chosen_.length) part_.length = Reason("set by hand", *chosen_.length);
    if (chosen_.width) part_.width = Reason("set by hand", *chosen_.width);
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
      if (choice.beyond > Length{} && isEnclosed(part_, builder_.assembly()))
        problems_.push_back(cannot(where, builder_.shown(choice.beyond) + " beyond the rule",
                                   "no further out: it lies between others"));
      else
        add(extendAsChosen(builder_, part_, *edge, choice.beyond));
    }
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
    if (chosen_.edges.empty()) return;
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
  Problems problems_;
};

}  // namespace

Problems applyChoice(const PartBuilder& builder, Part& part) {
  const PartOverride* chosen = builder.choices().of(part.keys.front());
  if (chosen == nullptr) return {};
  return Chooser(builder, part, *chosen).run();
}

}  // namespace pp
