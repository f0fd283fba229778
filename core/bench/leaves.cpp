#include "core/bench/leaves.h"

#include <utility>

namespace pp::bench {
namespace {

std::vector<std::vector<Worklist::Work>> worksOf(const std::vector<Setting>& settings) {
  std::vector<std::vector<Worklist::Work>> out(settings.size());
  for (std::size_t i = 0; i < settings.size(); ++i)
    for (const Work& work : settings[i].works) out[i].push_back({work.row, work.name});
  return out;
}

std::vector<std::vector<Worklist::Work>> worksOf(const std::vector<Roll>& rolls) {
  std::vector<std::vector<Worklist::Work>> out(rolls.size());
  for (std::size_t i = 0; i < rolls.size(); ++i)
    for (const Strip& strip : rolls[i].strips) out[i].push_back({strip.row, bandName(strip.edge)});
  return out;
}

std::vector<std::vector<Worklist::Work>> worksOf(const std::vector<Coat>& coats,
                                                 const std::vector<Finished>& groups) {
  std::vector<std::vector<Worklist::Work>> out(coats.size());
  for (std::size_t i = 0; i < coats.size(); ++i) {
    const Finished& group = groups[coats[i].group];
    for (const Finished::Row& row : group.rows)
      out[i].push_back({row.row, coatName(group.finish, coats[i].coat)});
  }
  return out;
}

}  // namespace

Machinings::Machinings(std::vector<Pieces> pieces, const std::vector<Part>& drawn, const Job& job)
    : newWidths(followThickness(pieces, drawn)),
      settings(bench::settings(pieces, job)),
      warnings(bench::warnings(pieces)),
      list(EventKind::Machined, std::move(pieces), worksOf(settings)) {}

Bandings::Bandings(std::vector<Pieces> pieces, const Job& job)
    : rolls(bench::rolls(pieces, job)),
      counts(rollCounts(rolls, pieces, job)),
      bare(bareEdges(pieces)),
      list(EventKind::Banded, std::move(pieces), worksOf(rolls)) {}

Finishings::Finishings(std::vector<Pieces> pieces, const std::vector<ShopFinish>& finishes,
                       Hours hours)
    : groups(finished(pieces)),
      coats(bench::coats(groups, finishes, hours.from, hours)),
      cans(cansFor(coats)),
      list(EventKind::CoatGiven, std::move(pieces), worksOf(coats, groups)) {}

}  // namespace pp::bench
