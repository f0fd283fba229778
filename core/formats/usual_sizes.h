// Sizes said in one unit that are wanted in the other: not the same to the nanometre but what a
// maker who works in that unit would have said.
#pragma once

#include "core/formats/job_json.h"

namespace pp {

// The nearest that is usual: of long ones whole inches or centimetres, of short ones ever finer
// fractions. What is said in that unit already stays, and so does 0.
Length usualInInches(Length length);
Length usualInMillimetres(Length length);

// The same with each length of it usual in the unit.
Fragment inUsualSizes(const Fragment& fragment, Unit unit);
Baseboard inUsualSizes(const Baseboard& of, Unit unit);
FaceFrame inUsualSizes(const FaceFrame& of, Unit unit);
Stand inUsualSizes(const Stand& of, Unit unit);
Toe inUsualSizes(const Toe& of, Unit unit);
Top inUsualSizes(const Top& of, Unit unit);

}  // namespace pp
