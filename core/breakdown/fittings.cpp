#include "core/breakdown/fittings.h"

#include <algorithm>
#include <iterator>
#include <map>
#include <tuple>

#include "core/breakdown/glued.h"
#include "core/breakdown/joint_sets.h"
#include "core/breakdown/mountings.h"
#include "core/joinery/rules.h"
#include "core/parts/finish_area.h"

namespace pp {
namespace {

class Counter {
 public:
  Counter(const Job& job, const std::vector<Part>& parts) : job_(job), parts_(parts) {}

  std::vector<Fitting> run() {
    for (const Mounting& one : mountingsOf(job_, parts_))
      found_[{one.kind, one.name, one.length}] += one.count * one.pieces;
    for (const JointSet& set : jointSetsOf(job_, parts_)) joints(set);
    // A drop is a millilitre more.
    if (const auto millilitres =
            static_cast<std::int64_t>((glue_ * joinery::kGluePerM2 + kNm2PerM2 - 1) / kNm2PerM2);
        millilitres > 0)
      found_[{HardwareKind::Glue, "wood glue", {}}] += millilitres;
    std::vector<Fitting> out;
    for (const auto& [what, count] : found_) {
      const auto& [kind, name, length] = what;
      out.push_back({kind, name, length, count});
    }
    return out;
  }

 private:
  void joints(const JointSet& set) {
    for (const joinery::Joint& joint : set.joints) {
      if (joint.glued) glue_ += joint.contact.area().inNm2() * set.copies;
      for (const joinery::Means& means : joint.means) {
        const bool screw = means.hold == joinery::Hold::Screw ||
                           means.hold == joinery::Hold::PocketScrew ||
                           means.hold == joinery::Hold::Brad;
        found_[{screw ? HardwareKind::Screw : HardwareKind::Other, joinery::holdName(means.hold),
                means.length}] += std::ssize(means.at) * set.copies;
      }
    }
  }

  static constexpr Int128 kNm2PerM2 = Int128{1'000'000'000} * 1'000'000'000;
  using What = std::tuple<HardwareKind, std::string, Length>;

  const Job& job_;
  const std::vector<Part>& parts_;
  std::map<What, std::int64_t> found_;
  Int128 glue_ = 0;  // square nanometres
};

}  // namespace

std::vector<Fitting> fittingsOf(const Job& job, const std::vector<Part>& parts) {
  return Counter(job, parts).run();
}

bool isBoughtIn(const Job& job, const Fitting& one) {
  const std::size_t blank = one.name.rfind(' ');
  const std::string word = one.kind == HardwareKind::Screw || blank == std::string::npos
                               ? one.name
                               : one.name.substr(blank + 1);
  return one.kind != HardwareKind::Slide &&
         std::any_of(job.bought.begin(), job.bought.end(), [&word](const BoughtIn& thing) {
           return thing.name.find(word) != std::string::npos;
         });
}

const char* finishName(Finish finish) {
  static constexpr const char* kNames[] = {"none", "clear", "painted", "stained"};
  return kNames[static_cast<std::size_t>(finish)];
}

std::vector<std::pair<Finish, std::int64_t>> finishAreas(const Job& job,
                                                         const std::vector<Part>& parts) {
  const std::vector<FinishArea> each = finishAreasOf(job, parts);
  std::map<Finish, Area> areas;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    const Part& part = parts[i];
    const FinishArea& area = each[i];
    areas[part.finish] += part.quantity * (area.inside + area.edges);
    areas[part.finishOutside.value_or(part.finish)] += part.quantity * area.outside;
  }
  std::vector<std::pair<Finish, std::int64_t>> out;
  for (const auto& [finish, area] : areas)
    if (finish != Finish::None && area > Area{}) out.emplace_back(finish, inCm2(area));
  return out;
}

}  // namespace pp
