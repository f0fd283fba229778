#include "core/breakdown/sections.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <set>

#include "core/kinds/kind.h"
#include "core/kinds/seat_box/rules.h"
#include "core/parts/sets.h"

namespace pp {
namespace {

bool isBase(PartRole role) {
  using enum PartRole;
  return role == BaseRail || role == BaseCrossPiece || role == BaseLeg;
}

bool isLoose(PartRole role) {
  using enum PartRole;
  return isFront(role) || isOfBox(role) || role == AdjustableShelf || role == LooseShelf;
}

// Carried by itself, and large enough to ask how.
bool isBundled(PartRole role) {
  return isLoose(role) && !isOfBox(role);
}

bool isTop(PartRole role) {
  using enum PartRole;
  return (role >= TopSheet && role <= RightEdging) || role == TopStrip;
}

// The room of some parts of an assembly, and what they weigh.
struct Hull {
  Point low{}, high{};
  double grams = 0;
  bool empty = true;

  void add(const Job& job, const Part& part) {
    for (const Pose& pose : part.poses) add(pose.place(part.board()), gramsOf(job, part));
  }
  void add(const Box& box, double weight) {
    for (std::size_t i = 0; i < low.size(); ++i) {
      low[i] = empty ? box.low[i] : std::min(low[i], box.low[i]);
      high[i] = empty ? box.high[i] : std::max(high[i], box.high[i]);
    }
    empty = false;
    grams += weight;
  }
  Length size(std::size_t axis) const { return high[axis] - low[axis]; }
  Load load() const { return {{size(0), size(1), size(2)}, std::llround(grams)}; }
};

class Sections {
 public:
  Sections(const Job& job, const Breakdown& breakdown) : job_(job), parts_(breakdown.parts) {}

  std::vector<Section> run() {
    for (const Assembly& assembly : job_.assemblies) {
      assembly_ = &assembly;
      of(assembly);
    }
    return std::move(out_);
  }

 private:
  Hull hullOf(const std::function<bool(PartRole)>& wanted) const {
    Hull out;
    for (const Part& part : parts_)
      if (part.assembly == assembly_->code && wanted(part.role)) out.add(job_, part);
    return out;
  }

  // What still holds together where some joints are glued in place or never; one where all are.
  std::vector<Hull> notGluedInShop(const std::function<bool(PartRole)>& wanted) const {
    std::set<std::pair<PartKey, PartKey>> open;
    for (const JointGluing& one : job_.gluing)
      if (one.part.assembly == assembly_->id) {
        open.emplace(one.part, one.mate);
        open.emplace(one.mate, one.part);
      }
    if (open.empty()) return {};
    struct Piece {
      const Part* part;
      Box box;
      PartKey key;
    };
    std::vector<Piece> pieces;
    for (const Part& part : parts_)
      if (part.assembly == assembly_->code && wanted(part.role))
        for (std::size_t i = 0; i < part.poses.size() && i < part.keys.size(); ++i)
          pieces.push_back({&part, part.poses[i].place(part.board()), part.keys[i]});
    Sets together(pieces.size());
    std::vector<bool> isJoined(pieces.size(), false);
    for (std::size_t a = 0; a < pieces.size(); ++a)
      for (std::size_t b = 0; b < pieces.size(); ++b) {
        const bool joins =
            std::any_of(pieces[a].part->joins.begin(), pieces[a].part->joins.end(),
                        [&](const Join& one) { return one.to == pieces[b].part->name; });
        if (a == b || !joins || !meets(pieces[a].box, pieces[b].box)) continue;
        isJoined[a] = isJoined[b] = true;
        if (open.count({pieces[a].key, pieces[b].key}) == 0) together.join(a, b);
      }
    // What is joined to nothing goes with one of those that it lies at.
    for (std::size_t a = 0; a < pieces.size(); ++a)
      for (std::size_t b = 0; b < pieces.size() && !isJoined[a]; ++b)
        if (a != b && meets(pieces[a].box, pieces[b].box)) {
          together.join(a, b);
          isJoined[a] = true;
        }
    std::map<std::size_t, std::size_t> sets;  // in the order of their first pieces
    std::vector<Hull> out;
    for (std::size_t i = 0; i < pieces.size(); ++i) {
      const auto [set, isNew] = sets.emplace(together.find(i), out.size());
      if (isNew) out.emplace_back();
      out[set->second].add(pieces[i].box, gramsOf(job_, *pieces[i].part));
    }
    return out;
  }
  static bool meets(const Box& a, const Box& b) {
    for (std::size_t i = 0; i < a.low.size(); ++i)
      if (a.low[i] > b.high[i] || b.low[i] > a.high[i]) return false;
    return true;
  }

  void put(SectionKind kind, const char* what, const Load& load) {
    if (load.box[0] <= Length{} || load.box[1] <= Length{} || load.box[2] <= Length{}) return;
    out_.push_back({assembly_->code, kind, what, load});
  }

  void caseOf() {
    const auto isOfCase = [](PartRole role) { return !isBase(role) && !isLoose(role); };
    const std::vector<Hull> apart = notGluedInShop(isOfCase);
    if (apart.size() < 2) put(SectionKind::Case, "the case", hullOf(isOfCase).load());
    if (apart.size() > 1)
      for (const Hull& one : apart) {
        const bool isKnown = std::any_of(out_.begin(), out_.end(), [&](const Section& other) {
          return other.assembly == assembly_->code && other.load.box == one.load().box &&
                 other.load.grams == one.load().grams;
        });
        if (!isKnown) put(SectionKind::Loose, "a part of the case, put together there", one.load());
      }
    loose(isBundled);
    base();
  }
  void of(const Assembly& assembly) {
    switch (kindOf(assembly).installing.carried) {
      case CarriedAs::Whole:
        return whole();
      case CarriedAs::Case:
        return caseOf();
      case CarriedAs::Row:
        base();
        return top();
      case CarriedAs::Top:
        return top();
      case CarriedAs::Base:
        return base();
      case CarriedAs::Boards:
        return loose([](PartRole) { return true; });
      case CarriedAs::Boxes:
        return;
      case CarriedAs::Bench:
        return bench(std::get<SeatBox>(assembly.body));
      case CarriedAs::Platform:
        return boxes(std::get<Platform>(assembly.body));
    }
  }

  void whole() {
    const Hull hull = hullOf([](PartRole) { return true; });
    put(SectionKind::Whole, "it", hull.load());
  }

  // As long as the longest of them, as wide as the widest, as thick as the thickest, as heavy as
  // the heaviest.
  void loose(const std::function<bool(PartRole)>& wanted) {
    Load load;
    for (const Part& part : parts_) {
      if (part.assembly != assembly_->code || !wanted(part.role)) continue;
      const std::array<Length, 3> sides = {part.length.total(), part.width.total(), part.thickness};
      for (std::size_t i = 0; i < sides.size(); ++i) load.box[i] = std::max(load.box[i], sides[i]);
      load.grams = std::max<std::int64_t>(load.grams, std::llround(gramsOf(job_, part)));
    }
    put(SectionKind::Loose, "the largest of its loose pieces", load);
  }

  // As long as a rail is; all sections of one line are alike.
  void base() {
    const Part* cross = first(PartRole::BaseCrossPiece);
    if (cross == nullptr) return;
    const Hull hull = hullOf(isBase);
    double run = 0;
    for (const Part& part : parts_)
      if (part.assembly == assembly_->code && part.role == PartRole::BaseRail)
        run += part.length.total().inMm() * static_cast<double>(part.quantity) / 2;
    for (const Part& part : parts_) {
      if (part.assembly != assembly_->code || part.role != PartRole::BaseRail) continue;
      const Length length = part.length.total();
      put(SectionKind::Base, "a section of its base",
          {{length, cross->length.total() + 2 * part.thickness, hull.size(2)},
           std::llround(hull.grams * length.inMm() / std::max(run, 1.0))});
    }
  }

  // Sheet by sheet as they are laid; strips and whatever is edged are glued up before.
  void top() {
    const Hull all = hullOf(isTop);
    if (all.empty) return;
    const Part* sheet = first(PartRole::TopSheet);
    if (sheet == nullptr) return put(SectionKind::Top, "its top", all.load());
    for (const Part& part : parts_) {
      if (part.assembly != assembly_->code || part.role != PartRole::TopSheet) continue;
      Hull one;
      one.add(job_, part);
      put(SectionKind::Top, "a piece of its top",
          {{part.length.total(), part.width.total(), all.size(2)},
           std::llround(one.grams / static_cast<double>(part.poses.size()))});
    }
  }

  void bench(const SeatBox& seat) {
    const Hull all = hullOf([](PartRole) { return true; });
    const Length turn = seat.turn == SeatReturn::None ? Length{} : seat.turnLength;
    const auto section = [&](Length width, int lids, bool back) {
      const Length each = seatSections(seat, width, lids).front().width.total();
      const Length high = seat.height + (back ? seat.backHeight : Length{});
      put(SectionKind::Bench, "a section of it",
          {{each, seat.depth + seat.overFront, high},
           std::llround(all.grams * each.inMm() / (seat.width + turn).inMm())});
    };
    section(seat.width, seat.lids, true);
    if (turn > Length{}) section(turn, seat.turnLids, seat.turnBack);
  }

  void boxes(const Platform& platform) {
    const Hull all = hullOf([](PartRole) { return true; });
    const std::int64_t count = std::int64_t{platform.across} * platform.deep;
    put(SectionKind::Box, "a box of it",
        {{platform.width / platform.across, platform.depth / platform.deep, platform.height},
         std::llround(all.grams / static_cast<double>(count))});
  }

  const Part* first(PartRole role) const {
    for (const Part& part : parts_)
      if (part.assembly == assembly_->code && part.role == role) return &part;
    return nullptr;
  }

  const Job& job_;
  const std::vector<Part>& parts_;
  const Assembly* assembly_ = nullptr;
  std::vector<Section> out_;
};

}  // namespace

std::vector<Section> sectionsOf(const Job& job, const Breakdown& breakdown) {
  return Sections(job, breakdown).run();
}

bool shorten(Assembly& assembly, SectionKind kind, Length longest) {
  constexpr Length kLeast = Length::mm(300);
  if (longest < kLeast) return false;
  switch (kind) {
    case SectionKind::Base:
      if (auto* frame = std::get_if<BaseFrame>(&assembly.body))
        return frame->longest = longest, true;
      if (auto* group = std::get_if<CarcassGroup>(&assembly.body); group != nullptr && group->stand)
        return group->stand->longest = longest, true;
      if (assembly.isCarcass() && assembly.carcass().stand)
        return assembly.carcass().stand->longest = longest, true;
      return false;
    case SectionKind::Top:
      if (auto* top = std::get_if<Top>(&assembly.body)) {
        if (top->build == TopBuild::GluedUp) return false;
        return top->longest = longest, true;
      }
      if (auto* group = std::get_if<CarcassGroup>(&assembly.body);
          group != nullptr && group->top && group->top->build != TopBuild::GluedUp)
        return group->top->longest = longest, true;
      return false;
    case SectionKind::Bench:
      return std::get<SeatBox>(assembly.body).longest = longest, true;
    case SectionKind::Box: {
      auto& platform = std::get<Platform>(assembly.body);
      const std::int64_t across = (platform.width.inNm() + longest.inNm() - 1) / longest.inNm();
      constexpr std::int64_t kMost = 20;
      if (across > kMost) return false;
      return platform.across = static_cast<int>(across), true;
    }
    case SectionKind::Case:
    case SectionKind::Whole:
    case SectionKind::Loose:
      break;
  }
  return false;
}

}  // namespace pp
