// How a plan, and what it was asked for, stand in the record half of a job's file.
#pragma once

#include "core/plan/plan.h"

namespace pp {

class Archive;

void fields(Archive& a, Plan& v);
void fields(Archive& a, NestRequest& v);

}  // namespace pp
