#include "core/breakdown/breakdown.h"

#include <fmt/format.h>

#include <algorithm>
#include <iterator>
#include <map>
#include <tuple>

#include "core/breakdown/apply_choice.h"
#include "core/breakdown/figure.h"
#include "core/breakdown/fit.h"
#include "core/breakdown/hidden.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/kind.h"

namespace pp {
namespace {

bool same(const Machining& a, const Machining& b) {
  return a.cut == b.cut && a.face == b.face && a.receives == b.receives && cutAlike(a.u0, b.u0) &&
         cutAlike(a.u1, b.u1) && cutAlike(a.v0, b.v0) && cutAlike(a.v1, b.v1) &&
         cutAlike(a.depth, b.depth) && a.from == b.from && a.holes == b.holes &&
         cutAlike(a.pitch, b.pitch) && a.through == b.through && a.angle == b.angle &&
         cutAlike(a.w0, b.w0) && cutAlike(a.width, b.width) && a.bothFaces == b.bothFaces &&
         a.assembled == b.assembled;
}

// Equal in everything but the place in the assembly.
bool sameBoard(const Part& a, const Part& b) {
  return a.run.empty() && b.run.empty() && roleName(a.role) == roleName(b.role) &&
         a.name == b.name && a.note == b.note && a.show == b.show && a.hand == b.hand &&
         a.overridden == b.overridden && a.waiting == b.waiting && a.anySuch == b.anySuch &&
         a.material == b.material && cutAlike(a.thickness, b.thickness) && a.finish == b.finish &&
         a.finishOutside == b.finishOutside && a.oversize == b.oversize && a.grain == b.grain &&
         cutAlike(a.length.total(), b.length.total()) &&
         cutAlike(a.width.total(), b.width.total()) && a.bands == b.bands &&
         std::equal(a.machining.begin(), a.machining.end(), b.machining.begin(), b.machining.end(),
                    [](const Machining& x, const Machining& y) { return same(x, y); });
}

std::vector<Part> grouped(const std::vector<Part>& parts) {
  std::vector<Part> out;
  for (const Part& part : parts) {
    const auto twin = std::find_if(out.begin(), out.end(),
                                   [&](const Part& other) { return sameBoard(other, part); });
    if (twin == out.end()) {
      out.push_back(part);
      continue;
    }
    twin->quantity += part.quantity;
    for (std::size_t i = 0; i < part.hidden.size(); ++i)
      twin->hidden[i] = twin->hidden[i] && part.hidden[i];
    twin->keys.insert(twin->keys.end(), part.keys.begin(), part.keys.end());
    twin->poses.insert(twin->poses.end(), part.poses.begin(), part.poses.end());
    for (const Join& join : part.joins)
      if (std::find(twin->joins.begin(), twin->joins.end(), join) == twin->joins.end())
        twin->joins.push_back(join);
  }
  return out;
}

}  // namespace

namespace {

void applyChoices(const PartBuilder& builder, const std::string& assembly, std::vector<Part>& parts,
                  std::vector<Trouble>& troubles) {
  for (std::size_t i = 0; i < parts.size(); ++i)
    for (Problem& problem : applyChoice(builder, parts, i))
      troubles.push_back({assembly, parts[i].opening, false, std::move(problem)});
}

// Tells apart, by an index, what comes from one opening in one role.
void index(std::vector<Part>& parts) {
  std::map<PartKey, int> seen;
  for (Part& part : parts) part.keys.front().index = ++seen[part.keys.front()];
}

// Each copy keeps its place.
void sortKeys(Part& part) {
  if (part.keys.size() != part.poses.size()) return std::sort(part.keys.begin(), part.keys.end());
  std::vector<std::pair<PartKey, Pose>> copies;
  for (std::size_t i = 0; i < part.keys.size(); ++i)
    copies.emplace_back(part.keys[i], part.poses[i]);
  std::sort(copies.begin(), copies.end(),
            [](const auto& a, const auto& b) { return a.first < b.first; });
  for (std::size_t i = 0; i < copies.size(); ++i) std::tie(part.keys[i], part.poses[i]) = copies[i];
}

// Gives the parts of one assembly their codes, as far as the job's book has them in that row. The
// book is kept as the job has it where it did not change, so that undo need not
// keep it twice.
void giveCodes(const Job& job, std::optional<std::size_t> row, Id assembly, const std::string& code,
               std::vector<Part>& parts, Breakdown& out) {
  AssemblyCodes book;
  if (row) book = job.codes[*row];
  book.assembly = assembly;
  std::vector<std::vector<PartKey>> groups;
  for (Part& part : parts) {
    sortKeys(part);
    groups.push_back(part.keys);
  }
  const std::vector<int> numbers = numbered(groups, book);
  for (std::size_t i = 0; i < parts.size(); ++i) {
    parts[i].number = numbers[i];
    parts[i].code = fmt::format("{}-{:02}", code, numbers[i]);
  }
  if (row && job.codes[*row] == book)
    out.codes.share(job.codes, *row);
  else if (book.last > 0)
    out.codes.push_back(std::move(book));
}

std::optional<std::size_t> bookAt(const Job& job, Id assembly) {
  for (std::size_t i = 0; i < job.codes.size(); ++i)
    if (job.codes[i].assembly == assembly) return i;
  return std::nullopt;
}

// What is looked up for every assembly of a job, found once.
struct Lookup {
  std::map<Id, std::size_t> codes;
  std::map<Id, const CarcassGroup*> groups;

  explicit Lookup(const Job& job) {
    for (std::size_t i = 0; i < job.codes.size(); ++i) codes.emplace(job.codes[i].assembly, i);
    for (const Assembly& assembly : job.assemblies)
      if (const auto* group = std::get_if<CarcassGroup>(&assembly.body))
        for (const Id member : group->everyMember()) groups.emplace(member, group);
  }
  std::optional<std::size_t> row(Id assembly) const {
    const auto at = codes.find(assembly);
    return at == codes.end() ? std::nullopt : std::optional(at->second);
  }
  const CarcassGroup* group(Id carcass) const {
    const auto at = groups.find(carcass);
    return at == groups.end() ? nullptr : at->second;
  }
};

Breakdown breakDown(const Job& job, const Assembly& assembly, const CarcassGroup* group,
                    std::optional<std::size_t> row, const Figure& figure, const Hidden& hidden) {
  Made made;
  const PartBuilder builder(job, assembly, group);
  kindOf(assembly).make(builder, assembly.body, made);
  Breakdown out;
  out.parts = std::move(made.parts);
  out.troubles = std::move(made.troubles);
  for (Part& part : out.parts) part.quantity *= assembly.copies;
  for (Trouble& trouble : out.troubles) trouble.assembly = assembly.code;
  index(out.parts);
  widenFillers(job, assembly, out.parts);
  hidden.mark(assembly, builder.choices(), out.parts);
  applyChoices(builder, assembly.code, out.parts, out.troubles);
  figure.mark(out.parts);
  out.parts = grouped(out.parts);
  giveCodes(job, row, assembly.id, assembly.code, out.parts, out);
  return out;
}

}  // namespace

Breakdown breakDown(const Job& job, const Assembly& assembly) {
  Breakdown out = breakDown(job, assembly, groupOf(job, assembly.id), bookAt(job, assembly.id),
                            Figure(job), Hidden(job));
  noteRuns(out.parts);
  return out;
}

Breakdown breakDown(const Job& job) {
  Breakdown out;
  const Lookup known(job);
  const Figure figure(job);
  const Hidden hidden(job);
  const auto take = [&out](std::vector<Part>&& parts) {
    out.parts.insert(out.parts.end(), std::make_move_iterator(parts.begin()),
                     std::make_move_iterator(parts.end()));
  };
  for (const Assembly& assembly : job.assemblies) {
    Breakdown one =
        breakDown(job, assembly, known.group(assembly.id), known.row(assembly.id), figure, hidden);
    take(std::move(one.parts));
    out.troubles.insert(out.troubles.end(), one.troubles.begin(), one.troubles.end());
    for (std::size_t i = 0; i < one.codes.size(); ++i) out.codes.share(one.codes, i);
  }
  Assembly none;
  none.code = kLooseCode;
  const PartBuilder builder(job, none);
  std::vector<Part> loose;
  for (const LooseBoard& board : job.loose) {
    auto pieces = boardPieces(builder, board, 1);
    if (!pieces) {
      out.troubles.push_back({kLooseCode, {}, false, pieces.problems().front()});
      continue;
    }
    for (BoardPiece& piece : pieces.value()) loose.push_back(std::move(piece.part));
  }
  index(loose);
  applyChoices(builder, kLooseCode, loose, out.troubles);
  figure.mark(loose);
  giveCodes(job, known.row(0), 0, kLooseCode, loose, out);
  take(std::move(loose));
  noteRuns(out.parts);
  noteUnconfirmed(job, out.parts);
  if (!figure.empty())
    for (Trouble& trouble : figure.troubles(out.parts)) out.troubles.push_back(std::move(trouble));
  return out;
}

std::vector<Part> sheetParts(const std::vector<Part>& parts) {
  std::vector<Part> out;
  std::copy_if(parts.begin(), parts.end(), std::back_inserter(out),
               [](const Part& part) { return !part.lumber; });
  return out;
}

namespace {

// "outside face, left edge"; nothing where all that is seen was seen before.
std::string comesIntoView(const Part& old, const Part& now) {
  std::string out;
  const auto add = [&out](const std::string& what) { out += (out.empty() ? "" : ", ") + what; };
  if (old.hidden[0] && !now.hidden[0]) add("inside face");
  if (old.hidden[1] && !now.hidden[1]) add("outside face");
  for (const Edge edge : kEdges) {
    const auto i = static_cast<std::size_t>(edge);
    if (!old.exposed[i] && now.exposed[i]) add(sideName(now.edges[i]) + " edge");
  }
  return out;
}

}  // namespace

std::vector<PartChange> changedParts(const std::vector<Part>& before,
                                     const std::vector<Part>& now) {
  std::map<PartKey, const Part*> known;
  for (const Part& part : before) known[part.keys.front()] = &part;
  std::vector<PartChange> out;
  for (const Part& part : now) {
    const auto at = known.find(part.keys.front());
    if (at == known.end()) continue;
    const Part& old = *at->second;
    PartChange change{part.code,        part.name,       old.cutLength(),         old.cutWidth(),
                      part.cutLength(), part.cutWidth(), comesIntoView(old, part)};
    if (old.cutLength() != part.cutLength() || old.cutWidth() != part.cutWidth() ||
        !change.intoView.empty())
      out.push_back(std::move(change));
  }
  return out;
}

double gramsOf(const Job& job, const Part& part) {
  return (part.length.total() * part.width.total()).inM2() * part.thickness.inMm() *
         static_cast<double>(findMaterial(job, part.material)->density);
}

PartTotals totalsOf(const Job& job, const std::vector<Part>& parts) {
  PartTotals out;
  for (const Part& part : parts) {
    const std::int64_t n = part.quantity;
    out.pieces += n;
    if (part.lumber)
      out.bars += n * part.cutLength();
    else
      out.sheet += n * (part.cutLength() * part.cutWidth());
    for (const Edge edge : kEdges) {
      if (!part.band(edge).empty()) out.banding += n * part.edgeLength(edge);
    }
    out.grams += static_cast<double>(n) * gramsOf(job, part);
  }
  return out;
}

std::int64_t pieceCount(const std::vector<Part>& parts) {
  std::int64_t out = 0;
  for (const Part& part : parts) out += part.quantity;
  return out;
}

}  // namespace pp
