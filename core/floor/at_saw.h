// A cutting as the one at the saw sees it: which cut is next, what can be cut now, what comes off.
#pragma once

#include "core/floor/progress.h"
#include "core/saw/becomes.h"
#include "core/saw/playback.h"

namespace pp::floor {

// The plan of a cutting that holds now, and how far it is. All of it is kept by reference.
class AtSaw {
 public:
  // Precondition: the cutting is under way and its plan plays back.
  AtSaw(const CuttingPlan& plan, const std::set<int>& made, const std::set<std::string>& bench);
  // The same plan, further on.
  void follow(const std::set<int>& made, const std::set<std::string>& bench);

  const CuttingPlan& cutting() const { return plan_; }
  const Plan& plan() const { return plan_.plan; }
  std::size_t cuts() const { return plan_.plan.cuts.size(); }
  bool isMade(std::size_t cut) const { return made_->count(step(cut)) > 0; }
  // Not made, and its piece lies there.
  bool isReady(std::size_t cut) const;
  // The first that is ready, in the order of the plan; none: all are made.
  std::optional<std::size_t> next() const;
  // The last that was made and whose pieces lie there still: what Back takes back. In the order of
  // the plan.
  std::optional<std::size_t> last() const;

  saw::Becomes low(std::size_t cut) const { return pieces_.of(plan_.plan.cuts[cut].low); }
  saw::Becomes high(std::size_t cut) const { return pieces_.of(plan_.plan.cuts[cut].high); }
  // On the piece and what the blade takes of it.
  const saw::MadeCut& geometry(std::size_t cut) const { return geometry_[cut]; }

  // Cuts not made yet with the setting of this one; of a trim, of trims.
  std::int64_t leftAtSetting(std::size_t cut) const;
  // The first cut not made with another setting than this one's, after it; none: no more are set.
  std::optional<std::size_t> nextSetting(std::size_t cut) const;
  std::int64_t settingsLeft() const;

  struct Count {
    std::int64_t done = 0, of = 0;
  };
  Count cutsDone() const;
  Count partsDone() const;

  // A cut by what a person says: "12" its step, a sheet or piece "S2", the code of a part: the cut
  // that is next for it, or the one it comes off with. None: nothing is called so.
  std::optional<std::size_t> find(const std::string& words) const;

 private:
  int step(std::size_t cut) const { return plan_.plan.cuts[cut].step; }
  bool lies(const std::optional<std::string>& piece) const {
    return !piece || bench_->count(*piece) > 0;
  }

  const CuttingPlan& plan_;
  const std::set<int>* made_;
  const std::set<std::string>* bench_;
  saw::Pieces pieces_;
  std::vector<saw::MadeCut> geometry_;
};

}  // namespace pp::floor
