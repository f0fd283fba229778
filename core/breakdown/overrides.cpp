#include "core/breakdown/overrides.h"

#include <algorithm>
#include <map>

#include "core/job/ids.h"

namespace pp {
namespace {

bool isAbout(const PartOverride& one, const Part& part) {
  return std::any_of(part.keys.begin(), part.keys.end(),
                     [&one](const PartKey& key) { return isAbout(one, key); });
}

PartKey first(PartKey key) {
  key.index = 1;
  return key;
}

template <class Row, class Gone>
std::vector<Row> taken(std::vector<Row>& rows, const Gone& gone) {
  std::vector<Row> out;
  std::copy_if(rows.begin(), rows.end(), std::back_inserter(out), gone);
  std::erase_if(rows, gone);
  return out;
}

}  // namespace

bool isAbout(const PartOverride& one, const PartKey& key) {
  return one.alike ? one.part.isLike(key) : one.part == key;
}

const PartOverride* overrideOf(const Job& job, const Part& part) {
  const auto at = std::find_if(job.overrides.begin(), job.overrides.end(),
                               [&part](const PartOverride& one) { return isAbout(one, part); });
  return at == job.overrides.end() ? nullptr : &*at;
}

void setOverride(Job& job, const std::vector<Part>& parts, const Part& part, PartOverride made) {
  dropOverride(job, part);
  std::map<PartKey, std::int64_t> all, here;
  for (const PartKey& key : part.keys) ++here[first(key)];
  for (const Part& other : parts)
    for (const PartKey& key : other.keys)
      if (here.count(first(key)) > 0) ++all[first(key)];
  for (const PartKey& key : part.keys) {
    made.alike = here[first(key)] == all[first(key)];
    if (made.alike && key != first(key)) continue;
    made.part = key;
    job.overrides.push_back(made);
  }
}

void dropOverride(Job& job, const Part& part) {
  std::erase_if(job.overrides, [&part](const PartOverride& one) { return isAbout(one, part); });
}

Lost dropLost(Job& job) {
  Lost out;
  if (job.overrides.empty() && job.pins.empty() && job.site.stands.empty() && job.gluing.empty() &&
      job.moved.empty())
    return out;
  const std::vector<Id> there = allIds(job);
  const auto has = [&there](Id id) {
    return id == 0 || std::binary_search(there.begin(), there.end(), id);
  };
  const auto lost = [&has](const PartKey& key) { return !has(key.assembly) || !has(key.opening); };
  out.overrides = taken(job.overrides, [&lost](const PartOverride& one) { return lost(one.part); });
  for (PartOverride& one : job.overrides)
    if (one.follows && lost(*one.follows)) one.follows.reset();
  out.pins = taken(job.pins, [&](const JobPin& pin) { return lost(pin.part) || !has(pin.stock); });
  taken(job.gluing, [&](const JointGluing& one) { return lost(one.part) || lost(one.mate); });
  taken(job.moved, [&](const MovedStep& one) { return lost(one.part) || lost(one.other); });
  taken(job.site.stands, [&has](const SiteStand& stand) { return !has(stand.assembly); });
  return out;
}

}  // namespace pp
