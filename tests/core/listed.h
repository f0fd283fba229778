// The parts of one assembly, a line each, for tables of cases.
#pragma once

#include <string>

#include "core/breakdown/breakdown.h"
#include "core/job/ids.h"
#include "tests/core/support.h"

namespace pp::test {

// A job of that assembly alone, "K", in millimetres.
inline Job jobOf(const AssemblyBody& body) {
  Job job = metricJob();
  Assembly assembly;
  assembly.code = "K";
  assembly.body = body;
  job.assemblies = {assembly};
  giveIds(job);
  return job;
}

// The same in inches, of panels that measure 23/32, 15/32 and 7/32.
inline Job inchJobOf(const AssemblyBody& body) {
  Job job = jobOf(body);
  job.unit = Unit::Inch;
  for (Material& material : job.materials)
    material.measured = Length::in(0,
                                   material.id == "b18"   ? 23
                                   : material.id == "b12" ? 15
                                                          : 7,
                                   32);
  return job;
}

// "bottom x1 576 x 560", and "trouble: top" for what cannot be built.
inline std::string listOf(const Job& job) {
  std::string out;
  const Breakdown breakdown = breakDown(job);
  for (const Trouble& trouble : breakdown.troubles)
    out += "trouble: " + trouble.problem.field + "\n";
  const LengthStyle style = styleOf(job);
  for (const Part& part : breakdown.parts)
    out += part.name + " x" + std::to_string(part.quantity) + " " +
           format(part.length.total(), style) + " x " + format(part.width.total(), style) + "\n";
  return out;
}

// Whether the list has every one of these lines; those it has not.
inline std::string missing(const std::string& list, std::initializer_list<const char*> lines) {
  std::string out;
  for (const char* line : lines)
    if (("\n" + list).find("\n" + std::string(line) + "\n") == std::string::npos)
      out += std::string(line) + "\n";
  return out.empty() ? out : "missing:\n" + out + "in:\n" + list;
}

inline const Part& partIn(const Breakdown& breakdown, const std::string& name) {
  for (const Part& part : breakdown.parts)
    if (part.name == name) return part;
  static const Part kNone;
  return kNone;
}

}  // namespace pp::test
