#include "core/breakdown/figure.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/parts/part_builder.h"

namespace pp {

Figure::Figure(const Job& job) {
  for (const PartOverride& one : job.overrides)
    if (one.follows) {
      steps_[one.part].from = *one.follows;
      ++followers_[*one.follows];
    }
  for (auto& [key, step] : steps_) {
    step.head = step.from;
    std::size_t length = 2;
    for (auto at = steps_.find(step.head); at != steps_.end(); at = steps_.find(step.head)) {
      step.head = at->second.from;
      if (++length > steps_.size() + 1) {
        step.ring = true;
        break;
      }
    }
    step.order = static_cast<int>(length);
  }
}

void Figure::mark(std::vector<Part>& parts) const {
  for (Part& part : parts) {
    const PartKey& key = part.keys.front();
    const auto step = steps_.find(key);
    if (step != steps_.end() && !step->second.ring) {
      part.run = "figure " + keyText(step->second.head);
      part.runOrder = step->second.order;
    } else if (step == steps_.end() && followers_.count(key) > 0) {
      part.run = "figure " + keyText(key);
      part.runOrder = 1;
    } else {
      continue;
    }
    part.series = RunSeries::Either;
    part.runsRound = false;
  }
}

std::vector<Trouble> Figure::troubles(const std::vector<Part>& parts) const {
  std::vector<Trouble> out;
  for (const auto& [key, step] : steps_) {
    const Part* part = findPart(parts, key);
    if (part == nullptr) continue;
    const auto refuse = [&](const std::string& found, const std::string& expected) {
      out.push_back({part->assembly, part->opening, false,
                     cannot("figure of the " + part->name, found, expected)});
    };
    const Part* before = findPart(parts, step.from);
    if (step.ring)
      refuse("a run that comes back to itself", "a first part that runs on from none");
    else if (before == nullptr)
      refuse("a part that is not there", "a part that there is");
    else if (followers_.at(step.from) > 1)
      refuse("more than one that runs on from " + before->code, "one after another");
    else if (before->material != part->material)
      refuse(before->code + ", of another material", "a part of the same material");
    else if (before->quantity != part->quantity)
      refuse(std::to_string(before->quantity) + " of " + before->code,
             std::to_string(part->quantity) + " as of this");
    else if (part->lumber)
      refuse("a bar", "parts of a sheet");
  }
  return out;
}

void noteRuns(std::vector<Part>& parts) {
  std::map<std::string, std::vector<Part*>> runs;
  for (Part& part : parts)
    if (!part.run.empty()) runs[part.run].push_back(&part);
  for (auto& [name, members] : runs) {
    std::sort(members.begin(), members.end(),
              [](const Part* a, const Part* b) { return a->runOrder < b->runOrder; });
    for (std::size_t i = 0; i < members.size(); ++i) {
      std::string note = fmt::format("{} of {} in a run", i + 1, members.size());
      if (i + 1 < members.size()) note += ", on to " + members[i + 1]->code;
      std::string& known = members[i]->note;
      known += (known.empty() ? "" : "; ") + note;
    }
  }
}

}  // namespace pp
