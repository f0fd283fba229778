// A cutting as the one at the saw sees it: which cut is next, what can be cut now, what comes off.
#pragma once

#include "core/floor/ledger.h"
#include "core/saw/bar_cuts.h"
#include "core/saw/becomes.h"
#include "core/saw/playback.h"

namespace pp::floor {

// What to take care of at a cut.
enum class Caution {
  Usual,       // guard and riving knife
  Bar,         // held down against the fence of the mitre saw
  WholeSheet,  // more than one pair of hands
  Narrow,      // a rip close to the fence
  Short        // a crosscut of a short piece
};

struct Count {
  std::int64_t done = 0, of = 0;
};
// Pieces that are cut and good, of all that a cutting has to give, whatever plan it goes by.
Count partsDone(const Cutting& cutting, const Progress& progress);

// A cutting of that plan before its first cut.
CuttingProgress begun(const CuttingPlan& plan);

// The plan of a cutting that is in force, and how far it is. All of it is kept by reference.
class AtSaw {
 public:
  // Precondition: the cutting is under way.
  AtSaw(const Cutting& cutting, const CuttingProgress& at);
  // `number`: of the plan in its cutting; `bars`: of the cutting.
  AtSaw(const CuttingPlan& plan, int number, const CuttingProgress& at,
        std::vector<saw::BarCut> bars = {});
  // The same plan, further on.
  void follow(const CuttingProgress& at) { at_ = &at; }

  const CuttingPlan& cutting() const { return plan_; }
  const Plan& plan() const { return plan_.plan; }
  // Those of the plan, then those of the bars.
  std::size_t cuts() const { return plan_.plan.cuts.size() + bars_.size(); }
  const SawCut& cut(std::size_t cut) const {
    return isBar(cut) ? bar(cut).cut : plan_.plan.cuts[cut];
  }
  bool isBar(std::size_t cut) const { return cut >= plan_.plan.cuts.size(); }
  // The number that is said: on from the plan's last.
  int number(std::size_t cut) const { return static_cast<int>(cut) + 1; }
  bool isMade(std::size_t cut) const {
    return (isBar(cut) ? at_->bars : at_->madeOf(number_)).count(this->cut(cut).step) > 0;
  }
  // Not made, and its piece lies there.
  bool isReady(std::size_t cut) const;
  // The first that is ready, in the order of the plan; none: all are made.
  std::optional<std::size_t> next() const;

  saw::Becomes low(std::size_t cut) const;
  saw::Becomes high(std::size_t cut) const;
  // What the piece is cut from; null: a bar.
  const StockSupply* stock(std::size_t cut) const;
  // What the piece on the saw was called before it was laid out anew; empty: as it is called now.
  std::string origin(std::size_t cut) const;
  // On the piece and what the blade takes of it.
  const saw::MadeCut& geometry(std::size_t cut) const { return geometry_[cut]; }

  // The first that applies, in the order of what hurts most.
  Caution caution(std::size_t cut) const;

  // Cuts not made yet with the setting of this one; of a trim, of trims.
  std::int64_t leftAtSetting(std::size_t cut) const;
  // The first cut not made with another setting than this one's, after it; none: no more are set.
  std::optional<std::size_t> nextSetting(std::size_t cut) const;
  std::int64_t settingsLeft() const;

  Count cutsDone() const;

  // How many more of the part that stays at the fence can be cut from what comes off, at the same
  // setting; 0 where no part stays or what comes off is cut on.
  std::int64_t spares(std::size_t cut) const;
  // Less those that were cut already; 0 where what came off is gone. `ledger`: of the cutting of
  // that number.
  std::int64_t sparesLeft(std::size_t cut, const Ledger& ledger, int cutting) const;
  // The part that stays at the fence: what a spare is one more of.
  saw::Becomes stays(std::size_t cut) const {
    return this->cut(cut).fence == FenceSide::Low ? low(cut) : high(cut);
  }

  // A cut by what a person says: "12" its step, a sheet or piece "S2", the code of a part: the cut
  // that is next for it, or the one it comes off with. None: nothing is called so.
  std::optional<std::size_t> find(const std::string& words) const;

 private:
  const saw::BarCut& bar(std::size_t cut) const { return bars_[cut - plan_.plan.cuts.size()]; }
  // Counts on for the bars, whose settings are their own.
  int setup(std::size_t cut) const {
    return this->cut(cut).setup + (isBar(cut) ? plan_.plan.setups : 0);
  }

  const CuttingPlan& plan_;
  const int number_;
  const CuttingProgress* at_;
  std::vector<saw::BarCut> bars_;
  PlanPieces made_;
  saw::Pieces pieces_;
  std::vector<saw::MadeCut> geometry_;
};

}  // namespace pp::floor
