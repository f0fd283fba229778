#include "core/formats/record_json.h"

#include <algorithm>

namespace pp {

template <class A>
void fields(A& a, Placement& v) {
  a.must("part", v.part);
  a.must("copy", v.copy);
  a.must("x", v.x);
  a.must("y", v.y);
  a.must("dx", v.dx);
  a.must("dy", v.dy);
  a("turned", v.turned);
}

template <class A>
void fields(A& a, CutTree& v) {
  using Kind = CutTree::Kind;
  a.choice("kind", v.kind,
           {{"part", Kind::Part},
            {"row", Kind::Row},
            {"column", Kind::Column},
            {"leftover", Kind::Leftover},
            {"waste", Kind::Waste}});
  a.must("dx", v.dx);
  a.must("dy", v.dy);
  a("placement", v.placement);
  a("children", v.children);
  a("fixed", v.fixed);
  a("anchored", v.anchored);
  a("mitred", v.mitred);
}

template <class A>
void fields(A& a, Leftover& v) {
  a.must("id", v.id);
  a.must("x", v.x);
  a.must("y", v.y);
  a.must("dx", v.dx);
  a.must("dy", v.dy);
}

template <class A>
void fields(A& a, PlannedSheet& v) {
  a.must("stock", v.stock);
  a.must("placements", v.placements);
  a.must("tree", v.tree);
  a.must("leftovers", v.leftovers);
}

template <class A>
void fields(A& a, SawCut& v) {
  a.must("step", v.step);
  a.must("sheet", v.sheet);
  a.must("piece", v.piece);
  a.must("machine", v.machine);
  a.choice("direction", v.direction, {{"rip", CutDirection::Rip}, {"cross", CutDirection::Cross}});
  a.must("at", v.at);
  a.must("kerf", v.kerf);
  a("tilted", v.tilted);
  a.choice("fence", v.fence, {{"low", FenceSide::Low}, {"high", FenceSide::High}});
  a.must("distance", v.distance);
  a("low", v.low);
  a("high", v.high);
  a.must("setup", v.setup);
}

template <class A>
void fields(A& a, CutTrouble& v) {
  a.must("step", v.step);
  a("impossible", v.impossible);
  a.must("why", v.why);
}

template <class A>
void fields(A& a, Unplaced& v) {
  a.must("part", v.part);
  a.must("count", v.count);
  a.must("reason", v.reason);
}

template <class A>
void fields(A& a, Bound& v) {
  a.must("cost", v.cost);
  a.must("sheets", v.sheets);
  a("method", v.method);
}

template <class A>
void fields(A& a, Plan& v) {
  a.must("sheets", v.sheets);
  a.must("cuts", v.cuts);
  a("troubles", v.troubles);
  a("unplaced", v.unplaced);
  a.must("bound", v.bound);
  a.must("cost", v.cost);
  a.must("setups", v.setups);
}

template <class A>
void fields(A& a, ReservedCodes& v) {
  a.must("assembly", v.assembly);
  a.must("code", v.code);
  a.must("last", v.last);
}

template <class A>
void fields(A& a, KeptPlan& v) {
  a.must("nested", v.nested);
  a.must("plan", v.plan);
}

template <class A>
void fields(A& a, Record& v) {
  a("codes", v.codes);
  a("plan", v.plan);
}

namespace {

int depthOf(const CutTree& tree) {
  int out = 0;
  for (const CutTree& child : tree.children) out = std::max(out, depthOf(child));
  return out + 1;
}

// A reader stops at two hundred levels; each of a tree's takes two of them.
bool canBeRead(const Plan& plan) {
  constexpr int kDeepest = 90;
  return std::all_of(plan.sheets.begin(), plan.sheets.end(),
                     [](const PlannedSheet& sheet) { return depthOf(sheet.tree) < kDeepest; });
}

}  // namespace

OrderedJson recordJson(const Record& record) {
  JsonWriter writer;
  Record copy = record;  // the description is shared with the reader and so takes a mutable value
  if (copy.plan && !canBeRead(copy.plan->plan)) copy.plan.reset();
  fields(writer, copy);
  return writer.take();
}

Record readRecord(const OrderedJson& json, const std::string& pointer, Problems& problems) {
  Record out;
  JsonReader reader(json, pointer, problems);
  fields(reader, out);
  reader.finish();
  return out;
}

}  // namespace pp
