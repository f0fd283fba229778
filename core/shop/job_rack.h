// A job's rack is a copy of what the store had free when it was last looked; here is how the two
// are told apart and brought together.
#pragma once

#include "core/floor/ledger.h"
#include "core/floor/open_parts.h"
#include "core/floor/record.h"
#include "core/shop/shopping.h"

namespace pp {

// The setting of the store that holds how test cuts came out.
inline constexpr const char* kTestCuts = "test cuts";
// And that of how samples of a finish came out.
inline constexpr const char* kSamples = "samples";

// What was read of the store at one moment; the rack without what is used up, by id.
struct StoreState : ShopGoods {
  std::vector<Held> own;                                     // of the job that is open
  std::map<std::pair<int, std::string>, std::int64_t> tags;  // of what it gave back, by cutting and
                                                             // leftover
  std::vector<JobWants> jobs;  // that need something, the open one too as it was last told
  std::vector<LotReading> readings;
  std::string rulesMm, rulesIn;  // the house's, by unit; empty: none
  std::string testCuts;          // how they came out; empty: none was made
  std::string samples;           // of finishes, the same
  const std::string& rules(Unit unit) const { return unit == Unit::Inch ? rulesIn : rulesMm; }
};

// A job's material as the shop would have it that has none of it yet.
RackMaterial likeOf(const Material& material);

// Makes the job's rows as many and as large as the store has them for it: what is free and what its
// own cuttings have. Pieces of its materials that it does not know yet are added; rows that are of
// no store stay, they can be bought. A row whose piece is gone has none left.
void takeOver(Job& job, const StoreState& state);
// What takeOver() would change of the rows there are, a line each: "S-18: counts on 3, the store
// has 1".
std::vector<std::string> differences(const Job& job, const StoreState& state);
// What it would add: how many rows, and what the first of them are.
struct NotTakenOver {
  std::size_t rows = 0;
  std::vector<std::string> first;
};
NotTakenOver notTakenOver(const Job& job, const StoreState& state);
// What a cutting needs of the store, by piece.
std::map<Id, std::int64_t> wantedOf(const CuttingPlan& plan);
// What the job has of the store by its cuttings and what happened.
JobHolding holdingOf(const Job& job, const Record& record, const floor::Ledger& ledger);

}  // namespace pp
