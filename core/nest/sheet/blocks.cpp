#include "core/nest/sheet/blocks.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>
#include <tuple>

#include "core/nest/sheet/skeleton.h"

namespace pp::nest {
namespace {

constexpr SheetGrain kGrains[] = {SheetGrain::Length, SheetGrain::Width, SheetGrain::None};

// Whether a part of this grain may lie turned (its length along y) or not on stock of that grain.
bool mayLie(PartGrain part, bool turned, SheetGrain stock) {
  if (part == PartGrain::Any || stock == SheetGrain::None) return true;
  const bool lengthAlongX = !turned;
  const bool grainAlongX = stock == SheetGrain::Length;
  return (part == PartGrain::Length) == (lengthAlongX == grainAlongX);
}

class Grouper {
 public:
  explicit Grouper(const NestRequest& request)
      : request_(request),
        kerf_(request.kerf.inNm()),
        around_(request.shop.partsRoughly() ? request.shop.allowance.inNm() : 0),
        pins_(effectivePins(request)) {}

  Grouped run() {
    // Ordered by material and thickness, so that the outcome never depends on the order of the
    // rows.
    std::map<std::pair<std::string, Length>, std::vector<std::size_t>> byStock;
    for (std::size_t i = 0; i < request_.parts.size(); ++i)
      byStock[{request_.parts[i].material, request_.parts[i].thickness}].push_back(i);
    for (const auto& [key, parts] : byStock) addGroup(key.first, key.second, parts);
    return std::move(out_);
  }

 private:
  void addGroup(const std::string& material, Length thickness,
                const std::vector<std::size_t>& parts) {
    Group group;
    std::int64_t pieces = 0;
    for (const std::size_t i : parts) pieces += request_.parts[i].quantity;
    rest_.clear();
    for (const std::size_t i : parts) rest_[i] = request_.parts[i].quantity;
    std::vector<std::int64_t> pinnedPieces(request_.stock.size());
    std::vector<std::pair<std::size_t, std::int64_t>> sheets;  // stock row and number
    for (const Pin& pin : pins_) {
      if (rest_.count(pin.part) == 0) continue;
      const std::pair key{pin.stock, pin.sheet};
      if (std::find(sheets.begin(), sheets.end(), key) != sheets.end()) continue;
      sheets.push_back(key);
      ++pinnedPieces[pin.stock];
    }
    for (std::size_t i = 0; i < request_.stock.size(); ++i) {
      const StockSupply& row = request_.stock[i];
      if (row.material != material || row.thickness != thickness) continue;
      StockKindRow kind = stockRow(i, pieces);
      if (row.quantity) kind.available = std::min(*row.quantity - pinnedPieces[i], kind.available);
      if (kind.w > kerf_ && kind.h > kerf_ && kind.available > 0) group.stock.push_back(kind);
    }
    for (const auto& [stock, number] : sheets) addPinned(group, stock, number);
    std::map<std::string, std::vector<std::size_t>> runs;
    for (const std::size_t i : parts) {
      if (request_.parts[i].run.empty())
        addBlock(group, {i}, rest_[i], {});
      else
        runs[request_.parts[i].run].push_back(i);
    }
    for (auto& [name, members] : runs) {
      sortRun(members);
      addBlock(group, members, rest_[members.front()], {});
    }
    for (Block& block : group.blocks)
      if (!block.rows.empty()) block.rows.resize(group.stock.size());
    group.leastSide = kLongest.inNm();
    for (const Block& block : group.blocks)
      for (const Lie& lie : block.lies) group.leastSide = std::min({group.leastSide, lie.w, lie.h});
    if (!group.blocks.empty() || !group.pinned.empty()) out_.groups.push_back(std::move(group));
  }

  void sortRun(std::vector<std::size_t>& members) const {
    std::sort(members.begin(), members.end(), [this](std::size_t a, std::size_t b) {
      return request_.parts[a].runOrder < request_.parts[b].runOrder;
    });
  }

  StockKindRow stockRow(std::size_t index, std::int64_t pieces) const {
    const StockSupply& row = request_.stock[index];
    StockKindRow kind;
    kind.stock = index;
    kind.w = row.usableLength().inNm() + kerf_;
    kind.h = row.usableWidth().inNm() + kerf_;
    kind.grain = row.grain;
    kind.lot = row.lot;
    constexpr Int128 kNm2PerCm2 = 100'000'000'000'000;
    kind.cost = (static_cast<Cost>(row.price.inTenThousandths()) << kPriceShift) +
                (row.length * row.width).inNm2() / kNm2PerCm2;
    kind.available = pieces;
    kind.area = static_cast<double>(kind.w) * static_cast<double>(kind.h) / 1e18;
    if (row.defects.empty()) return kind;
    kind.partings = std::make_shared<const std::vector<Parting>>(partingsOf(request_, index));
    kind.lost = lostArea(request_, index);
    kind.area -= static_cast<double>(kind.lost) / 1e12;
    if (kind.partings->empty()) kind.available = 0;
    return kind;
  }

  // A piece with pins is a stock row of its own; where places are pinned, every free part of it is.
  void addPinned(Group& group, std::size_t stock, std::int64_t number) {
    std::vector<const Pin*> placed;
    std::vector<const Pin*> loose;
    for (const Pin& pin : pins_)
      if (pin.stock == stock && pin.sheet == number && rest_.count(pin.part) > 0)
        (pin.place ? placed : loose).push_back(&pin);
    StockKindRow kind = stockRow(stock, 1);
    std::vector<std::size_t> rows;
    if (!placed.empty()) {
      const auto built = buildSkeleton(request_, stock, placed);
      if (!built) {
        for (const Pin* pin : placed) refuse(pin->part, 1, built.problems().front().found);
        placed.clear();
      } else {
        PinnedSheet sheet{stock, *built};
        addRegions(group, kind, sheet.skeleton, rows);
        for (const Pin* pin : placed) --rest_[pin->part];
        group.pinnedCost += kind.cost;
        group.pinned.push_back(std::move(sheet));
      }
    }
    if (placed.empty()) {
      kind.forced = true;
      rows.push_back(group.stock.size());
      group.stock.push_back(kind);
    }
    std::set<std::string> runs;
    for (const Pin* pin : loose) {
      std::vector<std::size_t> members = {pin->part};
      if (const std::string& run = request_.parts[pin->part].run; !run.empty()) {
        if (!runs.insert(run).second) continue;
        members.clear();
        for (const auto& [part, left] : rest_)
          if (request_.parts[part].run == run) members.push_back(part);
        sortRun(members);
      }
      const std::int64_t copies = std::min(pin->copies, rest_[pin->part]);
      for (const std::size_t i : members) rest_[i] -= copies;
      addBlock(group, members, copies, rows);
    }
  }

  void addRegions(Group& group, const StockKindRow& whole, Skeleton& node,
                  std::vector<std::size_t>& rows) const {
    for (Skeleton& child : node.children) addRegions(group, whole, child, rows);
    if (node.kind != Skeleton::Kind::Region) return;
    StockKindRow kind = whole;
    kind.w = node.w;
    kind.h = node.h;
    kind.lost = 0;
    kind.partings.reset();
    kind.cost = 0;
    kind.available = 1;
    kind.region = true;
    kind.area = static_cast<double>(kind.w) * static_cast<double>(kind.h) / 1e18;
    node.row = group.stock.size();
    rows.push_back(node.row);
    group.stock.push_back(kind);
  }

  void refuse(std::size_t part, std::int64_t copies, const std::string& why) {
    // Without one of its parts a copy of a run is none.
    const std::string& run = request_.parts[part].run;
    for (auto& [other, left] : rest_) {
      if (left <= 0 || (other != part && (run.empty() || request_.parts[other].run != run)))
        continue;
      const std::int64_t gone = std::min(copies, left);
      out_.impossible.push_back({other, gone, why});
      left -= gone;
    }
  }

  // One way for the members to lie: side by side along x or y, each turned or not.
  Lie lie(const std::vector<std::size_t>& members, bool alongX,
          const std::vector<bool>& turned) const {
    Lie out;
    out.alongX = alongX;
    Nm at = 0;
    Nm across = 0;
    const Nm gap =
        request_.parts[members.front()].mitred ? 2 * bevelKerf(request_.kerf).inNm() : kerf_;
    for (std::size_t k = 0; k < members.size(); ++k) {
      const PartDemand& part = request_.parts[members[k]];
      Member member{members[k], 0, 0, part.length.inNm(), part.width.inNm(), turned[k]};
      if (turned[k]) std::swap(member.dx, member.dy);
      (alongX ? member.x : member.y) = at;
      at += (alongX ? member.dx : member.dy) + (k + 1 < members.size() ? gap : kerf_);
      across = std::max(across, (alongX ? member.dy : member.dx) + kerf_);
      out.members.push_back(member);
    }
    for (Member& member : out.members) {
      member.x += around_;
      member.y += around_;
    }
    out.w = (alongX ? at : across) + 2 * around_;
    out.h = (alongX ? across : at) + 2 * around_;
    for (const SheetGrain grain : kGrains) {
      bool may = true;
      for (std::size_t k = 0; k < members.size(); ++k)
        may = may && mayLie(request_.parts[members[k]].grain, turned[k], grain);
      out.allowed[static_cast<std::size_t>(grain)] = may;
    }
    return out;
  }

  // Whether the parts of a run follow one another with the dimension they are to.
  bool inSeries(const std::vector<std::size_t>& members, bool alongX,
                const std::vector<bool>& turned) const {
    if (members.size() == 1) return true;
    for (std::size_t k = 0; k < members.size(); ++k) {
      const RunSeries series = request_.parts[members[k]].series;
      if (series != RunSeries::Either && (series == RunSeries::Length) != (alongX != turned[k]))
        return false;
    }
    return true;
  }

  // Parts of grain `any` turn together; the others follow the grain, so at most four ways each.
  std::vector<Lie> liesOf(const std::vector<std::size_t>& members) const {
    std::vector<Lie> out;
    for (const bool alongX : {true, false})
      for (const bool anyTurned : {false, true})
        for (const bool boundTurned : {false, true}) {
          if (members.size() == 1 && !alongX) continue;
          std::vector<bool> turned;
          for (const std::size_t i : members) {
            const PartGrain grain = request_.parts[i].grain;
            turned.push_back(grain == PartGrain::Any ? anyTurned
                                                     : boundTurned == (grain == PartGrain::Length));
          }
          if (inSeries(members, alongX, turned)) addLie(out, lie(members, alongX, turned));
        }
    return out;
  }

  // A way that takes the same room and is allowed nowhere else than another adds nothing.
  static void addLie(std::vector<Lie>& lies, const Lie& lie) {
    const bool known = std::any_of(lies.begin(), lies.end(), [&lie](const Lie& other) {
      return other.w == lie.w && other.h == lie.h &&
             (lie.members.size() == 1 || other.alongX == lie.alongX) &&
             std::equal(std::begin(lie.allowed), std::end(lie.allowed), std::begin(other.allowed),
                        [](bool mine, bool theirs) { return !mine || theirs; });
    });
    const bool allowedSomewhere = lie.allowed[0] || lie.allowed[1] || lie.allowed[2];
    if (!known && allowedSomewhere) lies.push_back(lie);
  }

  static bool fitsSomewhere(const Group& group, const Block& block) {
    for (std::size_t k = 0; k < group.stock.size(); ++k)
      for (const Lie& lie : block.lies)
        if (block.mayLieOn(k) && group.stock[k].takes(lie)) return true;
    return false;
  }

  // The rows of a lot; none where the lot is any, or has no such stock.
  static std::vector<std::size_t> rowsOfLot(const Group& group, const std::string& lot) {
    std::vector<std::size_t> out;
    for (std::size_t k = 0; k < group.stock.size() && !lot.empty(); ++k)
      if (group.stock[k].lot == lot) out.push_back(k);
    return out;
  }

  // `rows`: the only stock rows it may lie on; empty: any of the part's lot.
  void addBlock(Group& group, const std::vector<std::size_t>& members, std::int64_t copies,
                const std::vector<std::size_t>& rows) {
    if (copies <= 0) return;
    Block block;
    block.lies = liesOf(members);
    block.copies = copies;
    const std::vector<std::size_t> only =
        rows.empty() ? rowsOfLot(group, request_.parts[members.front()].lot) : rows;
    if (!only.empty()) {
      block.rows.assign(group.stock.size(), 0);
      for (const std::size_t row : only) block.rows[row] = 1;
    }
    for (const std::size_t i : members) {
      block.shows = block.shows || request_.parts[i].shows;
      block.area += static_cast<double>(request_.parts[i].length.inNm() + kerf_) *
                    static_cast<double>(request_.parts[i].width.inNm() + kerf_) / 1e18;
    }
    if (fitsSomewhere(group, block)) {
      group.blocks.push_back(std::move(block));
      return;
    }
    for (const std::size_t i : members)
      out_.impossible.push_back({i, copies,
                                 only.empty() ? reason(i, block, members.size() > 1)
                                 : rows.empty()
                                     ? "it fits no piece of the lot " + request_.parts[i].lot
                                     : "it does not fit the piece it is pinned to"});
  }

  std::string inWords(Nm nm) const { return said(request_, Length::nm(nm)); }

  // Why a part fits nothing: the stock that comes nearest and what is missing.
  std::string reason(std::size_t part, const Block& block, bool run) const {
    const PartDemand& demand = request_.parts[part];
    const std::string what =
        fmt::format("{} {}", demand.material, said(request_, demand.thickness));
    std::tuple<Nm, std::string, Nm, Nm, bool, bool> nearest{0, "", 0, 0, false, false};
    bool any = false;
    bool used = false;
    for (const StockSupply& row : request_.stock) {
      if (row.material != demand.material || row.thickness != demand.thickness) continue;
      any = true;
      if (row.quantity && *row.quantity == 0) continue;
      for (const Lie& lie : block.lies) {
        if (!lie.allowedOn(row.grain)) continue;
        const Nm overX = lie.w - kerf_ - row.usableLength().inNm();
        const Nm overY = lie.h - kerf_ - row.usableWidth().inNm();
        const Nm over = std::max<Nm>(overX, 0) + std::max<Nm>(overY, 0);
        if (!used || over < std::get<0>(nearest))
          nearest = {over, row.id, overX, overY, lie.members.front().turned, row.trim > Length{}};
        used = true;
      }
    }
    if (!any) return "no stock of " + what;
    const std::string subject = run ? "the run " + demand.run + ": " : "";
    if (!used) return fmt::format("{}no piece of {} is left that has its grain", subject, what);
    const auto& [over, id, overX, overY, turned, trimmed] = nearest;
    const auto& [length, width] = turned ? std::pair{overY, overX} : std::pair{overX, overY};
    std::string text;
    if (length > 0) text += inWords(length) + (run ? " too long" : " longer");
    if (length > 0 && width > 0) text += " and ";
    if (width > 0) text += inWords(width) + (run ? " too wide" : " wider");
    if (text.empty())
      return fmt::format("{}too large for what is free of the nearest {} ({})", subject, what, id);
    return fmt::format("{}{} {} the nearest {} ({}{})", subject, text, run ? "for" : "than", what,
                       id, trimmed ? ", trimmed" : "");
  }

  const NestRequest& request_;
  Nm kerf_;
  Nm around_;  // reserved for the final edges of what is parted roughly
  std::vector<Pin> pins_;
  std::map<std::size_t, std::int64_t> rest_;  // copies of the group's parts that are not pinned
  Grouped out_;
};

}  // namespace

bool StockKindRow::takes(const Lie& lie) const {
  if (!lie.allowedOn(grain)) return false;
  if (partings == nullptr) return lie.w <= w && lie.h <= h;
  return std::any_of(partings->begin(), partings->end(), [&lie](const Parting& parting) {
    return std::any_of(parting.rooms.begin(), parting.rooms.end(),
                       [&lie](const Room& room) { return lie.w <= room.w && lie.h <= room.h; });
  });
}

std::vector<Group> oneLotEach(const Group& group) {
  std::set<std::string> lots;
  for (const StockKindRow& row : group.stock)
    if (!row.region) lots.insert(row.lot);
  const bool shows =
      std::any_of(group.blocks.begin(), group.blocks.end(), [](const Block& b) { return b.shows; });
  std::vector<Group> out;
  if (!shows || lots.size() < 2) return out;
  for (const std::string& lot : lots) {
    Group one = group;
    bool possible = true;
    for (Block& block : one.blocks) {
      if (!block.shows) continue;
      bool fits = false;
      std::vector<char> rows(one.stock.size());
      for (std::size_t k = 0; k < rows.size(); ++k) {
        rows[k] = block.mayLieOn(k) && one.stock[k].lot == lot ? 1 : 0;
        for (const Lie& lie : block.lies) fits = fits || (rows[k] != 0 && one.stock[k].takes(lie));
      }
      // What is pinned to a piece of another lot stays there.
      if (fits)
        block.rows = rows;
      else
        possible = possible && !block.rows.empty();
    }
    if (possible) out.push_back(std::move(one));
  }
  return out;
}

Grouped group(const NestRequest& request) {
  return Grouper(request).run();
}

}  // namespace pp::nest
