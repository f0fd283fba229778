// How a plan, and what it was asked for, stand in the record half of a job's file.
#pragma once

#include "core/plan/plan.h"

namespace pp {

class Archive;

void fields(Archive& a, Plan& v);
void fields(Archive& a, NestRequest& v);
void fields(Archive& a, SawCut& v);
void fields(Archive& a, PartDemand& v);
void fields(Archive& a, StockSupply& v);
void fields(Archive& a, BarPart& v);
void fields(Archive& a, BarSupply& v);
void fields(Archive& a, BarList& v);
// Of a request all but parts, stock, shop and bars; of a plan all but what is laid out and cut.
void restOfRequest(Archive& a, NestRequest& v);
void restOfPlan(Archive& a, std::vector<CutTrouble>& troubles, Bound& bound, Money& cost,
                int& setups);

}  // namespace pp
