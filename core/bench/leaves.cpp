#include "core/bench/leaves.h"

#include <map>
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

// Every copy of an assembly has pieces of its own in each place.
std::vector<std::int64_t> numbersOf(const Pieces& of, const std::vector<std::size_t>& poses) {
  std::vector<std::int64_t> out;
  const std::size_t places = of.part.poses.size();
  for (std::size_t copy = 0; copy * places < of.numbers.size(); ++copy)
    for (const std::size_t pose : poses)
      if (const std::size_t at = copy * places + pose; at < of.numbers.size())
        out.push_back(of.numbers[at]);
  return out;
}

Worklist listOf(const std::vector<Carried>& carried, std::vector<Pieces> pieces) {
  std::vector<std::vector<Worklist::Work>> works(carried.empty() ? 0 : 2);
  for (const Carried& one : carried) {
    const std::vector<std::int64_t> numbers = numbersOf(pieces[one.row], one.poses);
    works[0].push_back({one.row, "loaded", numbers});
    works[1].push_back({one.row, "in place", numbers});
  }
  return {EventKind::StepAssembled, std::move(pieces), std::move(works)};
}

// A piece is put in alone, then with what it is part of, and that with what that is part of.
std::vector<std::vector<Worklist::Work>> worksOf(const std::vector<UnitOrder>& units,
                                                 const std::vector<Pieces>& pieces) {
  std::vector<std::vector<Worklist::Work>> out(units.size());
  std::map<PieceAt, int> times;
  for (std::size_t i = 0; i < units.size(); ++i)
    for (const PutIn& step : units[i].steps) {
      int time = 0;
      for (const std::size_t pose : step.poses) time = ++times[{step.row, pose}];
      out[i].push_back({step.row, time == 1 ? "assembled" : "put in " + std::to_string(time - 1),
                        numbersOf(pieces[step.row], step.poses)});
    }
  return out;
}

Worklist listOf(const std::vector<UnitOrder>& units, std::vector<Pieces> pieces) {
  auto works = worksOf(units, pieces);
  return {EventKind::StepAssembled, std::move(pieces), std::move(works)};
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

Assemblies::Assemblies(std::vector<Pieces> pieces, const Job& job)
    : units(assemblyOrder(pieces, job)), list(listOf(units, std::move(pieces))) {}

Installings::Installings(std::vector<Pieces> pieces, const Job& job)
    : units(assemblyOrder(pieces, job)),
      carried(carriedOf(units, pieces, job)),
      list(listOf(carried, std::move(pieces))) {}

}  // namespace pp::bench
