#include "core/assembly/pages.h"

#include <algorithm>
#include <map>
#include <utility>

namespace pp::bench {
namespace {

std::vector<std::vector<Worklist::Work>> worksOf(const std::vector<Setting>& settings) {
  std::vector<std::vector<Worklist::Work>> out(settings.size());
  for (std::size_t i = 0; i < settings.size(); ++i)
    for (const Work& work : settings[i].works)
      out[i].push_back({work.row, work.name, {}, {}, work.before});
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
std::optional<std::int64_t> numberAt(const Pieces& of, std::size_t pose, std::size_t copy) {
  const std::size_t at = copy * of.part.poses.size() + pose;
  return at < of.numbers.size() ? std::optional(of.numbers[at]) : std::nullopt;
}

// Of the pieces of a row in those places, each with what goes with it.
Worklist::Work workOf(std::string name, std::size_t row, const std::vector<std::size_t>& poses,
                      const std::vector<std::vector<PieceAt>>& with,
                      const std::vector<Pieces>& pieces) {
  Worklist::Work out{row, std::move(name), std::vector<std::int64_t>(), {}};
  const Pieces& of = pieces[row];
  for (std::size_t copy = 0; copy * of.part.poses.size() < of.numbers.size(); ++copy)
    for (std::size_t i = 0; i < poses.size(); ++i) {
      const auto number = numberAt(of, poses[i], copy);
      if (!number) continue;
      out.numbers->push_back(*number);
      if (i >= with.size() || with[i].size() < 2) continue;
      for (const PieceAt& one : with[i])
        if (const auto its = numberAt(pieces[one.row], one.pose, copy))
          out.with[*number].push_back({pieces[one.row].part.code, *its});
    }
  std::sort(out.numbers->begin(), out.numbers->end());
  return out;
}

// By what stands there: into the van, then in place.
std::vector<std::vector<std::size_t>> groupsOf(const std::vector<Carried>& carried) {
  std::vector<std::vector<std::size_t>> out;
  for (std::size_t i = 0; i < carried.size(); ++i) {
    if (i == 0 || carried[i].of != carried[i - 1].of) out.emplace_back();
    out.back().push_back(i);
  }
  return out;
}

Worklist listOf(const std::vector<Carried>& carried, std::vector<Pieces> pieces) {
  std::vector<std::vector<Worklist::Work>> works;
  for (const char* name : {"loaded", "in place"})
    for (const std::vector<std::size_t>& group : groupsOf(carried)) {
      works.emplace_back();
      for (const std::size_t i : group) {
        const Carried& one = carried[i];
        std::vector<std::vector<PieceAt>> with;
        if (one.poses.size() == 1) with = {one.pieces};
        works.back().push_back(workOf(name, one.row, one.poses, with, pieces));
      }
    }
  return {EventKind::StepAssembled, std::move(pieces), std::move(works)};
}

// A piece is put in alone, then with what it is part of, and that with what that is part of.
std::vector<std::vector<Worklist::Work>> worksOf(const std::vector<UnitOrder>& units,
                                                 const std::vector<Pieces>& pieces) {
  std::vector<std::vector<Worklist::Work>> out(units.size());
  std::map<PieceAt, int> times;
  for (std::size_t i = 0; i < units.size(); ++i)
    for (const AssemblyStep& step : units[i].steps) {
      int time = 0;
      for (const std::size_t pose : step.poses) time = ++times[{step.row, pose}];
      out[i].push_back(workOf(time == 1 ? "assembled" : "put in " + std::to_string(time - 1),
                              step.row, step.poses, step.with, pieces));
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
      solid(solidEdgings(pieces)),
      list(EventKind::Banded, std::move(pieces), worksOf(rolls)) {}

Finishings::Finishings(std::vector<Pieces> pieces, const Job& job,
                       const std::vector<ShopFinish>& finishes, Hours hours)
    : groups(finished(pieces, job)),
      coats(bench::coats(groups, finishes, hours.from, hours)),
      cans(cansFor(coats)),
      list(EventKind::CoatGiven, std::move(pieces), worksOf(coats, groups)) {}

Assemblies::Assemblies(std::vector<Pieces> pieces, const Job& job)
    : units(assemblyOrder(pieces, job)), list(listOf(units, std::move(pieces))) {}

Installings::Installings(std::vector<Pieces> pieces, const Job& job)
    : units(assemblyOrder(pieces, job)),
      carried(carriedOf(units, pieces, job)),
      groups(groupsOf(carried)),
      list(listOf(carried, std::move(pieces))) {}

}  // namespace pp::bench
