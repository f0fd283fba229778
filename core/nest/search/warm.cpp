#include "core/nest/search/warm.h"

#include <algorithm>
#include <map>
#include <optional>

namespace pp::nest {
namespace {

class Reader {
 public:
  Reader(const NestRequest& request, const Group& group, const Plan& plan)
      : request_(request), group_(group), plan_(plan) {
    for (const StockKindRow& row : group_.stock) free_.push_back(row.available);
    for (const Block& block : group_.blocks) left_.push_back(block.copies);
  }

  Arrangement run(std::vector<std::size_t>& from) {
    Arrangement out;
    // Pieces with pins first: each takes the sheet that holds what is pinned to it.
    std::vector<std::optional<std::size_t>> rows(plan_.sheets.size());
    for (std::size_t k = 0; k < group_.stock.size(); ++k) {
      if (!group_.stock[k].forced) continue;
      for (std::size_t i = 0; i < rows.size(); ++i)
        if (!rows[i] && plan_.sheets[i].stock == group_.stock[k].stock && holds(i, k)) {
          rows[i] = k;
          --free_[k];
          break;
        }
    }
    for (std::size_t i = 0; i < rows.size(); ++i) {
      for (std::size_t k = 0; k < group_.stock.size() && !rows[i]; ++k) {
        const StockKindRow& row = group_.stock[k];
        if (row.alwaysThere() || row.stock != plan_.sheets[i].stock || free_[k] <= 0) continue;
        rows[i] = k;
        --free_[k];
      }
      if (!rows[i]) continue;
      out.sheets.push_back(sheet(i, *rows[i]));
      from.push_back(i);
    }
    return out;
  }

 private:
  // Whether the sheet holds all blocks that may lie nowhere but on the row.
  bool holds(std::size_t sheet, std::size_t row) const {
    for (const Block& block : group_.blocks) {
      if (block.rows.empty() || !block.mayLieOn(row) ||
          std::count(block.rows.begin(), block.rows.end(), 1) != 1)
        continue;
      const std::size_t part = block.lies.front().members.front().part;
      const auto& lying = plan_.sheets[sheet].placements;
      if (std::count_if(lying.begin(), lying.end(),
                        [part](const Placement& p) { return p.part == part; }) < block.copies)
        return false;
    }
    return true;
  }

  SlackTree sheet(std::size_t index, std::size_t row) {
    const PlannedSheet& planned = plan_.sheets[index];
    // Parts of one copy of a run lie in one block.
    std::map<std::pair<std::string, std::int64_t>, std::vector<const Placement*>> bundles;
    std::int64_t alone = 0;
    for (const Placement& p : planned.placements) {
      if (p.part >= request_.parts.size()) continue;
      const std::string& run = request_.parts[p.part].run;
      bundles[run.empty() ? std::pair{std::string(), --alone} : std::pair{run, p.copy}].push_back(
          &p);
    }
    std::vector<Laid> laid;
    for (const auto& [key, members] : bundles)
      if (const auto one = laidOf(members, row)) laid.push_back(*one);
    SlackTree out = emptySheet(group_, row);
    if (!out.arrange(laid))
      for (const Laid& one : laid) ++left_[static_cast<std::size_t>(one.block)];
    return out;
  }

  std::optional<Laid> laidOf(const std::vector<const Placement*>& members, std::size_t row) {
    Laid out;
    out.x = out.y = kLongest.inNm();
    for (const Placement* p : members) {
      out.x = std::min(out.x, p->x.inNm());
      out.y = std::min(out.y, p->y.inNm());
      out.endX = std::max(out.endX, (p->x + p->dx).inNm());
      out.endY = std::max(out.endY, (p->y + p->dy).inNm());
    }
    const bool alongX = members.size() < 2 || members[0]->x != members[1]->x;
    for (std::size_t b = 0; b < group_.blocks.size(); ++b) {
      const Block& block = group_.blocks[b];
      if (left_[b] <= 0 || !block.mayLieOn(row)) continue;
      for (std::size_t l = 0; l < block.lies.size(); ++l) {
        const Lie& lie = block.lies[l];
        if (lie.members.size() != members.size() || !lie.allowedOn(group_.stock[row].grain) ||
            (members.size() > 1 && lie.alongX != alongX))
          continue;
        const bool same = std::all_of(members.begin(), members.end(), [&lie](const Placement* p) {
          return std::any_of(lie.members.begin(), lie.members.end(), [p](const Member& m) {
            return m.part == p->part && Length::nm(m.dx) == p->dx && Length::nm(m.dy) == p->dy;
          });
        });
        if (!same) continue;
        --left_[b];
        out.block = static_cast<int>(b);
        out.lie = static_cast<int>(l);
        out.w = lie.w;
        out.h = lie.h;
        return out;
      }
    }
    return std::nullopt;
  }

  const NestRequest& request_;
  const Group& group_;
  const Plan& plan_;
  std::vector<std::int64_t> free_;  // pieces per stock row
  std::vector<std::int64_t> left_;  // copies per block
};

}  // namespace

Arrangement arrangementOf(const NestRequest& request, const Group& group, const Plan& plan) {
  std::vector<std::size_t> from;
  return Reader(request, group, plan).run(from);
}

std::vector<std::size_t> sheetsOf(const NestRequest& request, const Group& group,
                                  const Plan& plan) {
  std::vector<std::size_t> from;
  Reader(request, group, plan).run(from);
  return from;
}

}  // namespace pp::nest
