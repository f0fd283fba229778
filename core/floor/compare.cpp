#include "core/floor/compare.h"

#include <algorithm>

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

  void add(const CutRow& row, bool underWay) {
    const Part& was = row.part;
    Compared out;
    for (std::int64_t copy = 1; copy <= row.quantity; ++copy) {
      const auto piece = progress_.pieces.find({row.code, row.number(copy)});
      if (piece == progress_.pieces.end())
        out.uncut += underWay ? 1 : 0;
      else if (!piece->second.spoiled)
        ++out.cut;
    }
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
    const bool underWay = !at->second.givenUp;
    eachRow(cutting.plans.front(), [&](const CutRow& row) { out.add(row, underWay); });
  }
  return out.take();
}

}  // namespace pp::floor
