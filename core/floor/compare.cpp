#include "core/floor/compare.h"

#include <algorithm>
#include <map>

namespace pp::floor {
namespace {

Fate fateOf(const Part& was, const Part& now) {
  const bool turned = was.grain != now.grain && now.grain != PartGrain::Any;
  if (was.material != now.material || was.lumber != now.lumber || turned) return Fate::Spoiled;
  const Length width = was.blank();
  if (cutAlike(was.cutLength(), now.cutLength()) && cutAlike(width, now.blank()))
    return Fate::Usable;
  const bool larger =
      (was.cutLength() > now.cutLength() || cutAlike(was.cutLength(), now.cutLength())) &&
      (width > now.blank() || cutAlike(width, now.blank()));
  return larger ? Fate::Trimmable : Fate::Spoiled;
}

class Comparison {
 public:
  Comparison(const std::vector<Part>& drawn, const Progress& progress) : progress_(progress) {
    for (const Part& part : drawn)
      for (const PartKey& key : part.keys) drawn_.emplace(key, &part);
  }

  // A row of the plan that was taken: all that is wanted at all stands there. `uncut`: what is left
  // of it by the plan in force.
  void add(const CutRow& row, int cutting, std::int64_t uncut) {
    const Part& was = row.part;
    Compared out;
    out.uncut = uncut;
    progress_.eachOf(row.code, [&](const PieceProgress& piece) {
      out.cut += piece.cutting == cutting && !piece.spoiled && !piece.spare ? 1 : 0;
    });
    if (out.cut + out.uncut == 0) return;
    for (const PartKey& key : was.keys)
      if (const auto at = drawn_.find(key); out.now == nullptr && at != drawn_.end())
        out.now = at->second;
    out.fate = out.now == nullptr ? Fate::Unwanted : fateOf(was, *out.now);
    out.was = &was;
    out_.push_back(std::move(out));
  }
  std::vector<Compared> take() { return std::move(out_); }

 private:
  std::map<PartKey, const Part*> drawn_;
  const Progress& progress_;
  std::vector<Compared> out_;
};

}  // namespace

std::vector<Compared> compared(const std::vector<Part>& drawn, const std::vector<Cutting>& cuttings,
                               const Progress& progress) {
  if (cuttings.empty()) return {};
  Comparison out(drawn, progress);
  for (const Cutting& cutting : cuttings) {
    const auto at = progress.cuttings.find(cutting.number);
    if (at == progress.cuttings.end()) continue;
    std::map<std::string, std::int64_t> left;
    if (!at->second.givenUp)
      eachRow(cutting.plans[static_cast<std::size_t>(at->second.plan - 1)], [&](const CutRow& row) {
        row.eachNumber([&](std::int64_t number) {
          if (progress.pieces.count({row.code, number}) == 0) ++left[row.code];
        });
      });
    eachRow(cutting.plans.front(),
            [&](const CutRow& row) { out.add(row, cutting.number, left[row.code]); });
  }
  return out.take();
}

}  // namespace pp::floor
