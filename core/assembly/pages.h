// The leaves of the bench, each with what it is worked off by.
#pragma once

#include "core/assembly/installing.h"
#include "core/assembly/order.h"
#include "core/coating/banding.h"
#include "core/coating/finishing.h"
#include "core/floor/worklist.h"
#include "core/machining/settings.h"

namespace pp::bench {

// A group a setting. Slots follow the thickness that the drawing has now of what goes in.
struct Machinings {
  std::vector<NewWidth> newWidths;
  std::vector<Setting> settings;
  std::vector<Warning> warnings;
  Worklist list;
  Machinings(std::vector<Pieces> pieces, const std::vector<Part>& drawn, const Job& job);
  const Setting& setting(const Worklist::Step& step) const { return settings[step.group]; }
  const Work& work(const Worklist::Step& step) const {
    return settings[step.group].works[step.work];
  }
};

// A group a roll.
struct Bandings {
  std::vector<Roll> rolls;
  std::vector<RollCount> counts;
  std::vector<BareEdge> bare;
  std::vector<SolidEdging> solid;
  Worklist list;
  Bandings(std::vector<Pieces> pieces, const Job& job);
  const Roll& roll(const Worklist::Step& step) const { return rolls[step.group]; }
  const Strip& strip(const Worklist::Step& step) const {
    return rolls[step.group].strips[step.work];
  }
};

// A group a coat, in the order in which they go on; the first day begins with the shop's hours.
struct Finishings {
  std::vector<Finished> groups;
  std::vector<Coat> coats;
  std::vector<Can> cans;
  Worklist list;
  Finishings(std::vector<Pieces> pieces, const Job& job, const std::vector<ShopFinish>& finishes,
             Hours hours = {});
  const Coat& coat(const Worklist::Step& step) const { return coats[step.group]; }
  const Finished& group(const Coat& coat) const { return groups[coat.group]; }
  const Finished::Row& row(const Worklist::Step& step) const {
    return groups[coats[step.group].group].rows[step.work];
  }
};

// A group what is put together by itself, the assemblies after what they are put together from.
struct Assemblies {
  std::vector<UnitOrder> units;
  Worklist list;
  Assemblies(std::vector<Pieces> pieces, const Job& job);
  const UnitOrder& unit(const Worklist::Step& step) const { return units[step.group]; }
  const AssemblyStep& putIn(const Worklist::Step& step) const {
    return units[step.group].steps[step.work];
  }
};

// What is carried to the place, by what stands there, and the same again as it is set there.
struct Installings {
  std::vector<UnitOrder> units;
  std::vector<Carried> carried;
  std::vector<std::vector<std::size_t>> groups;  // of those carried; of the list half of its own
  Worklist list;
  Installings(std::vector<Pieces> pieces, const Job& job);
  bool isLoading(std::size_t group) const { return group < groups.size(); }
  const Carried& of(std::size_t group, std::size_t work) const {
    return carried[groups[group % groups.size()][work]];
  }
  const Carried& of(const Worklist::Step& step) const { return of(step.group, step.work); }
};

}  // namespace pp::bench
