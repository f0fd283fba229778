// What is done at the least cost found: larger leftovers, fewer settings.
#pragma once

#include <functional>

#include "core/nest/goals/ease.h"
#include "core/nest/work/options.h"
#include "core/nest/work/work.h"

namespace pp::nest {

class Finish {
 public:
  struct Hooks {
    std::function<double()> elapsed;
    std::function<bool(double until)> timeIsUp;  // or somebody has said stop
    // Another arrangement for a group; true when it serves the goal better than all before. It may
    // then be the group's best.
    std::function<bool(std::size_t group, const Arrangement&, Goal)> offer;
  };

  // `works` is looked at again and again; `searches` run beside one another.
  Finish(const NestRequest& request, const NestOptions& options, const std::vector<Work>& works,
         std::size_t searches, Hooks hooks)
      : request_(request),
        options_(options),
        works_(works),
        searches_(searches),
        hooks_(std::move(hooks)) {}

  // Both end at `until` seconds, after the steps of the options, or when there is nothing to gain.
  void gatherWaste(double until);
  void saveSettings(double until);

 private:
  using Cuts = std::vector<std::vector<saw::Cut>>;  // per sheet

  int patience(Goal goal) const;
  Arrangement withOneMore(const Work& work) const;
  Cuts saveSettings(std::size_t g, const Arrangement& start,
                    const std::vector<const std::vector<saw::Cut>*>& others, double until);

  const NestRequest& request_;
  const NestOptions& options_;
  const std::vector<Work>& works_;
  std::size_t searches_;
  Hooks hooks_;
};

}  // namespace pp::nest
