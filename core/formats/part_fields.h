// How a part stands in the record half of a job's file, whole, as it was when it was taken to the
// saw.
#pragma once

#include "core/parts/part.h"
#include "core/result/choices.h"

namespace pp {

class Archive;

inline constexpr Choice<RunSeries> kRunSeries[] = {
    {"either", RunSeries::Either}, {"length", RunSeries::Length}, {"width", RunSeries::Width}};

inline constexpr Choice<PartGrain> kPartGrains[] = {
    {"length", PartGrain::Length}, {"width", PartGrain::Width}, {"any", PartGrain::Any}};

void fields(Archive& a, Machining& v);
void fields(Archive& a, Part& v);

}  // namespace pp
