#include "core/nest/blocks.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <tuple>

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
  explicit Grouper(const NestRequest& request) : request_(request), kerf_(request.kerf.inNm()) {}

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
    for (std::size_t i = 0; i < request_.stock.size(); ++i) {
      const StockSupply& row = request_.stock[i];
      if (row.material == material && row.thickness == thickness) addStock(group, i, row, pieces);
    }
    std::map<std::string, std::vector<std::size_t>> runs;
    for (const std::size_t i : parts) {
      if (request_.parts[i].run.empty())
        addBlock(group, {i});
      else
        runs[request_.parts[i].run].push_back(i);
    }
    for (auto& [name, members] : runs) {
      std::sort(members.begin(), members.end(), [this](std::size_t a, std::size_t b) {
        return request_.parts[a].runOrder < request_.parts[b].runOrder;
      });
      addBlock(group, members);
    }
    if (!group.blocks.empty()) out_.groups.push_back(std::move(group));
  }

  void addStock(Group& group, std::size_t index, const StockSupply& row,
                std::int64_t pieces) const {
    StockKindRow kind;
    kind.stock = index;
    kind.w = (row.length - 2 * row.trim).inNm() + kerf_;
    kind.h = (row.width - 2 * row.trim).inNm() + kerf_;
    kind.grain = row.grain;
    constexpr Int128 kNm2PerCm2 = 100'000'000'000'000;
    kind.cost = (static_cast<Cost>(row.price.inTenThousandths()) << kPriceShift) +
                (row.length * row.width).inNm2() / kNm2PerCm2;
    kind.available = std::min(row.quantity.value_or(pieces), pieces);
    kind.area = static_cast<double>(kind.w) * static_cast<double>(kind.h) / 1e18;
    if (kind.w > kerf_ && kind.h > kerf_ && kind.available > 0) group.stock.push_back(kind);
  }

  // One way for the members to lie: side by side along x or y, each turned or not.
  Lie lie(const std::vector<std::size_t>& members, bool alongX,
          const std::vector<bool>& turned) const {
    Lie out;
    out.alongX = alongX;
    Nm at = 0;
    Nm across = 0;
    for (std::size_t k = 0; k < members.size(); ++k) {
      const PartDemand& part = request_.parts[members[k]];
      Member member{members[k], 0, 0, part.length.inNm(), part.width.inNm(), turned[k]};
      if (turned[k]) std::swap(member.dx, member.dy);
      (alongX ? member.x : member.y) = at;
      at += (alongX ? member.dx : member.dy) + kerf_;
      across = std::max(across, (alongX ? member.dy : member.dx) + kerf_);
      out.members.push_back(member);
    }
    out.w = alongX ? at : across;
    out.h = alongX ? across : at;
    for (const SheetGrain grain : kGrains) {
      bool may = true;
      for (std::size_t k = 0; k < members.size(); ++k)
        may = may && mayLie(request_.parts[members[k]].grain, turned[k], grain);
      out.allowed[static_cast<std::size_t>(grain)] = may;
    }
    return out;
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
          addLie(out, lie(members, alongX, turned));
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

  bool fitsSomewhere(const Group& group, const std::vector<Lie>& lies) const {
    for (const StockKindRow& stock : group.stock)
      for (const Lie& lie : lies)
        if (lie.allowedOn(stock.grain) && lie.w <= stock.w && lie.h <= stock.h) return true;
    return false;
  }

  void addBlock(Group& group, const std::vector<std::size_t>& members) {
    Block block;
    block.lies = liesOf(members);
    block.copies = request_.parts[members.front()].quantity;
    for (const std::size_t i : members)
      block.area += static_cast<double>(request_.parts[i].length.inNm() + kerf_) *
                    static_cast<double>(request_.parts[i].width.inNm() + kerf_) / 1e18;
    if (fitsSomewhere(group, block.lies)) {
      group.blocks.push_back(std::move(block));
      return;
    }
    for (const std::size_t i : members)
      out_.impossible.push_back(
          {i, request_.parts[i].quantity, reason(i, block, members.size() > 1)});
  }

  static std::string mm(Nm nm) { return formatMm(Length::nm(nm)) + " mm"; }

  // Why a part fits nothing: the stock that comes nearest and what is missing.
  std::string reason(std::size_t part, const Block& block, bool run) const {
    const PartDemand& demand = request_.parts[part];
    const std::string what = fmt::format("{} {}", demand.material, formatMm(demand.thickness));
    std::tuple<Nm, std::string, Nm, Nm> nearest{0, "", 0, 0};
    bool any = false;
    bool used = false;
    for (const StockSupply& row : request_.stock) {
      if (row.material != demand.material || row.thickness != demand.thickness) continue;
      any = true;
      if (row.quantity && *row.quantity == 0) continue;
      for (const Lie& lie : block.lies) {
        if (!lie.allowedOn(row.grain)) continue;
        const Nm overX = lie.w - kerf_ - (row.length - 2 * row.trim).inNm();
        const Nm overY = lie.h - kerf_ - (row.width - 2 * row.trim).inNm();
        const Nm over = std::max<Nm>(overX, 0) + std::max<Nm>(overY, 0);
        if (!used || over < std::get<0>(nearest)) nearest = {over, row.id, overX, overY};
        used = true;
      }
    }
    if (!any) return "no stock of " + what;
    const std::string subject = run ? "the run " + demand.run + ": " : "";
    if (!used) return fmt::format("{}no piece of {} is left that has its grain", subject, what);
    const auto& [over, id, overX, overY] = nearest;
    std::string text;
    if (overX > 0) text += mm(overX) + " too large along the length";
    if (overX > 0 && overY > 0) text += " and ";
    if (overY > 0) text += mm(overY) + " too large along the width";
    return fmt::format("{}{} for {}, the nearest {}", subject, text, id, what);
  }

  const NestRequest& request_;
  Nm kerf_;
  Grouped out_;
};

}  // namespace

Grouped group(const NestRequest& request) {
  return Grouper(request).run();
}

}  // namespace pp::nest
