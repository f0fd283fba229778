// What several core tests need: jobs to break down, and random ones.
#pragma once

#include <rapidcheck.h>

#include <string>

#include "core/job/job.h"

namespace pp::test {

// Birch 18, 12 and 6 at their nominal thickness, one banding, slides from 250 to 500.
Job metricJob();
// An assembly "B1" of that job: 600 x 720 x 560, dados 6 deep, no toe, open inside.
Assembly metricCarcass();
// The job with one assembly.
Job jobWith(const Carcass& carcass);

std::string demo(const std::string& name);  // content of a demo job file

inline constexpr const char* kDemos[] = {"log-wall",         "ringing-trolley", "hide-bench",
                                         "nest-boxes",       "porthole",        "specimen-trays",
                                         "specimen-console", "corner-seat"};

// A random carcass of the job that is usually buildable: openings, toe, joints, measured
// thicknesses and drawer schools vary.
rc::Gen<Job> buildableJob();
// Two or three of them side by side, then the group of them.
rc::Gen<Job> buildableGroup();
// Any kind of assembly but these.
rc::Gen<Job> buildableKind();

// A choice made by hand, not hung on a part yet.
inline PartOverride byHand(std::string why, std::optional<Length> length = {},
                           std::optional<Length> width = {}, std::optional<BoardGrain> grain = {}) {
  PartOverride out;
  out.why = std::move(why);
  out.length = length;
  out.width = width;
  out.grain = grain;
  return out;
}

inline Length mm(double value) {
  return Length::nm(static_cast<std::int64_t>(value * 1e6 + (value < 0 ? -0.5 : 0.5)));
}

}  // namespace pp::test
