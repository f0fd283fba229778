// The shop's own ways, with which every new job begins: one set for each unit. A job keeps its own
// copy and says where it differs.
#pragma once

#include "core/job/job.h"

namespace pp {

// The setting of the store that holds them: "house rules mm", "house rules in".
std::string houseRulesName(Unit unit);

// Of a job: fraction, step of shared sizes, saw rules, saws, labels, costing; what can always be
// bought, with its materials, bandings and slides. A text that withHouseRules() reads.
std::string houseRulesOf(const Job& job);

// The job with those rules instead of its own, drawn as it is; what it is made of stays beside
// theirs. A text that is no rules, or rules of the other unit, are problems.
Result<Job> withHouseRules(Job job, const std::string& rules);

// Where the job is otherwise: "kerf 3.2 mm, the shop's 3 mm". None where the shop has no rules.
std::vector<std::string> ruleDifferences(const Job& job, const std::string& rules);

}  // namespace pp
