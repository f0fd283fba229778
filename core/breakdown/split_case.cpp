#include "core/breakdown/split_case.h"

#include <algorithm>
#include <set>

#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"

namespace pp {
namespace {

constexpr Length kLeast = Length::mm(300);
constexpr std::size_t kMost = 20;

// What stands in one of the cases, and how wide that case is without what is kept clear of walls.
struct OneCase {
  Opening inside;
  Length width;
};

using Cases = std::vector<OneCase>;

Opening inside(const Split& split, std::size_t from, std::size_t to) {
  if (to - from == 1) return split.children[from];
  Split out = split;
  const auto at = [](auto& list, std::size_t i) {
    return list.begin() + static_cast<std::ptrdiff_t>(i);
  };
  out.children.assign(at(split.children, from), at(split.children, to));
  out.sizes.assign(at(split.sizes, from), at(split.sizes, to));
  // Two sides come where one divider was, so that something must give.
  const bool allFixed = std::all_of(out.sizes.begin(), out.sizes.end(),
                                    [](const Share& size) { return size.fixed.has_value(); });
  for (Share& size : out.sizes)
    if (out.byFrame || allFixed) size.fixed.reset();
  Opening opening;
  opening.content = std::move(out);
  return opening;
}

// Shares `all` out in `count` equal widths of whole millimetres; the last takes what is over.
std::vector<Length> equal(Length all, std::size_t count) {
  const auto n = static_cast<std::int64_t>(count);
  const Length each = all.inNm() / n / Length::mm(1).inNm() * Length::mm(1);
  std::vector<Length> out(count, each);
  out.back() = all - (n - 1) * each;
  return out;
}

class Splitter {
 public:
  Splitter(const Job& job, const Assembly& assembly, Length longest)
      : job_(job), carcass_(assembly.carcass()), assembly_(assembly), longest_(longest) {}

  Cases run() const {
    const Length all = carcass_.width - carcass_.wallLeft - carcass_.wallRight;
    const auto least =
        static_cast<std::size_t>((all.inNm() + longest_.inNm() - 1) / longest_.inNm());
    if (least < 2) return {};
    for (std::size_t count = least; count <= kMost; ++count)
      if (Cases out = byColumns(all, count); !out.empty()) return out;
    if (least > kMost) return {};
    Cases out;
    for (const Length width : equal(all, least)) out.push_back({carcass_.inside, width});
    return out;
  }

 private:
  // None where there are fewer columns, or a case is still too long.
  Cases byColumns(Length all, std::size_t count) const {
    const auto* split = std::get_if<Split>(&carcass_.inside.content);
    if (split == nullptr || split->by != SplitBy::Dividers || carcass_.inside.door ||
        split->children.size() < count)
      return {};
    const auto layout = layOut(job_, assembly_);
    if (!layout) return {};
    const std::vector<Length> clear = sizesAsTyped(*layout, carcass_, {});
    Length total;
    for (const Length width : clear) total += width;
    Cases out;
    Length before, used;
    for (std::size_t from = 0; from < clear.size();) {
      // As near to an equal share as columns come, and one at least left for each case to come.
      const auto left = static_cast<std::int64_t>(count - out.size());
      const Length share = (total - before).inNm() / left * Length::nm(1);
      std::size_t to = from + 1;
      Length width = clear[from];
      while (clear.size() - to >= count - out.size() &&
             2 * (width + clear[to]) - 2 * share <= clear[to])
        width += clear[to++];
      if (left == 1)
        for (; to < clear.size(); ++to) width += clear[to];
      before += width;
      // What two sides take more than one divider comes off all alike.
      const auto columns = static_cast<std::int64_t>(to - from);
      Length outer = width + (columns + 1) * layout->thickness -
                     (static_cast<std::int64_t>(count) - 1) * layout->thickness.inNm() /
                         static_cast<std::int64_t>(count) * Length::nm(1);
      outer = outer.inNm() / Length::mm(1).inNm() * Length::mm(1);
      if (to == clear.size()) outer = all - used;
      used += outer;
      out.push_back({inside(*split, from, to), outer});
      from = to;
    }
    const bool fit = out.size() == count &&
                     std::all_of(out.begin(), out.end(),
                                 [&](const OneCase& one) { return one.width <= longest_; });
    return fit ? out : Cases{};
  }

  const Job& job_;
  const Carcass& carcass_;
  const Assembly& assembly_;
  const Length longest_;
};

std::size_t assemblyAt(const Job& job, Id assembly) {
  std::size_t out = 0;
  while (job.assemblies[out].id != assembly) ++out;
  return out;
}

std::string freeCode(const Job& job, const std::string& begin) {
  for (char letter = 'b'; letter <= 'z'; ++letter)
    if (findAssembly(job, begin + letter) == nullptr) return begin + letter;
  return {};
}

std::vector<Id> openingsOf(const Opening& opening) {
  std::vector<Id> out = {opening.id};
  if (const auto* split = std::get_if<Split>(&opening.content)) {
    for (const Opening& child : split->children)
      for (const Id id : openingsOf(child)) out.push_back(id);
  }
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content))
    for (const Share& drawer : bank->fronts) out.push_back(drawer.id);
  return out;
}

// What was chosen for parts of openings that stand in another case now goes with them.
void follow(Job& job, Id from, Id to, const Opening& moved) {
  std::set<Id> ids;
  for (const Id id : openingsOf(moved))
    if (id != 0) ids.insert(id);
  const auto move = [&](PartKey& key) {
    if (key.assembly == from && ids.count(key.opening) != 0) key.assembly = to;
  };
  for (PartOverride& one : job.overrides) {
    move(one.part);
    if (one.follows) move(*one.follows);
  }
  for (JobPin& pin : job.pins) move(pin.part);
  for (BoughtIn& one : job.bought)
    if (one.assembly == from && ids.count(one.opening) != 0) one.assembly = to;
}

void standTogether(Job& job, const std::vector<Id>& cases) {
  const Id first = cases.front();
  for (std::size_t g = 0; g < job.assemblies.size(); ++g) {
    const auto* known = std::get_if<CarcassGroup>(&std::as_const(job).assemblies[g].body);
    if (known == nullptr || known->lineOf(first).members.empty()) continue;
    auto& group = std::get<CarcassGroup>(job.assemblies[g].body);
    const auto insert = [&](std::vector<Id>& list, bool reversed) {
      const auto at = std::find(list.begin(), list.end(), first);
      if (at == list.end()) return;
      if (reversed)
        list.insert(at, cases.rbegin(), std::prev(cases.rend()));
      else
        list.insert(std::next(at), std::next(cases.begin()), cases.end());
    };
    insert(group.members, false);
    insert(group.fixed, false);
    // From the corner on is from the right for those along the left wall.
    if (group.left) insert(group.left->members, true);
    if (group.right) insert(group.right->members, false);
    for (GroupBridge& bridge : group.bridges)
      if (bridge.after == first) bridge.after = cases.back();
    return;
  }
  Assembly group;
  CarcassGroup body;
  body.members = cases;
  const Assembly& one = *findAssembly(job, first);
  group.name = one.name;
  group.finish = one.finish;
  body.stand = one.carcass().stand;
  body.frame = one.carcass().frame;
  for (const Id id : cases) {
    Carcass& carcass = job.assemblies[assemblyAt(job, id)].carcass();
    carcass.frame.reset();
    carcass.stand.reset();
  }
  group.body = std::move(body);
  for (int n = 1; group.code.empty(); ++n)
    if (std::string code = kindOf(group).letter + std::to_string(n);
        findAssembly(job, code) == nullptr)
      group.code = std::move(code);
  job.assemblies.push_back(std::move(group));
  giveIds(job);
  const Id id = std::as_const(job).assemblies[job.assemblies.size() - 1].id;
  for (SiteStand& stand : job.site.stands)
    if (stand.assembly == first) stand.assembly = id;
}

}  // namespace

bool splitCase(Job& job, const std::string& code, Length longest) {
  const Assembly* of = findAssembly(job, code);
  if (of == nullptr || !of->isCarcass() || of->copies != 1 || longest < kLeast) return false;
  const Cases cases = Splitter(job, *of, longest).run();
  if (cases.empty() || std::any_of(cases.begin(), cases.end(),
                                   [](const OneCase& one) { return one.width < kLeast; }))
    return false;
  Job next = job;
  const Assembly original = *of;
  std::vector<Id> ids;
  for (std::size_t i = 0; i < cases.size(); ++i) {
    const bool first = i == 0, last = i + 1 == cases.size();
    const bool repeated = openingsOf(cases[i].inside) == openingsOf(cases[0].inside);
    if (!first) {
      const std::string free = freeCode(next, original.code);
      if (free.empty()) return false;
      if (repeated) {
        addCopy(next, original, next.overrides, free);
      } else {
        Assembly one = original;
        one.id = 0;
        one.code = free;
        next.assemblies.push_back(std::move(one));
        giveIds(next);
      }
    }
    const std::size_t at = first ? assemblyAt(next, original.id) : next.assemblies.size() - 1;
    ids.push_back(std::as_const(next).assemblies[at].id);
    Carcass& carcass = next.assemblies[at].carcass();
    if (!repeated || first) carcass.inside = cases[i].inside;
    if (!first) {
      carcass.wallLeft = Length{};
      carcass.endLeft.clear();
      carcass.liningLeft = carcass.fillerLeft = false;
    }
    if (!last) {
      carcass.wallRight = Length{};
      carcass.endRight.clear();
      carcass.liningRight = carcass.fillerRight = false;
    }
    carcass.width = cases[i].width + carcass.wallLeft + carcass.wallRight;
    if (!repeated) follow(next, original.id, ids.back(), cases[i].inside);
  }
  standTogether(next, ids);
  if (!validate(next).empty()) return false;
  job = std::move(next);
  return true;
}

}  // namespace pp
