#include "core/floor/compare.h"

#include <algorithm>

namespace pp::floor {
namespace {

bool same(Length a, Length b) {
  constexpr Length kSame = Length::um(1);
  return a - b < kSame && b - a < kSame;
}

Fate fateOf(const Part& was, const Part& now) {
  const bool turned = was.grain != now.grain && now.grain != PartGrain::Any;
  if (was.material != now.material || was.lumber != now.lumber || turned) return Fate::Spoiled;
  const Length width = was.blank();
  if (same(was.cutLength(), now.cutLength()) && same(width, now.blank())) return Fate::Usable;
  const bool larger =
      (was.cutLength() > now.cutLength() || same(was.cutLength(), now.cutLength())) &&
      (width > now.blank() || same(width, now.blank()));
  return larger ? Fate::Trimmable : Fate::Spoiled;
}

class Comparison {
 public:
  Comparison(const std::vector<Part>& drawn, const Progress& progress) : progress_(progress) {
    for (const Part& part : drawn)
      for (const PartKey& key : part.keys) drawn_.emplace(key, &part);
  }

  void add(const Part& was, const std::string& code, std::int64_t quantity,
           const std::vector<std::int64_t>& numbers, bool underWay) {
    Compared out;
    for (std::int64_t copy = 1; copy <= quantity; ++copy) {
      const std::int64_t number =
          numbers.empty() ? copy : numbers[static_cast<std::size_t>(copy - 1)];
      const auto piece = progress_.pieces.find({code, number});
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
    out.was = was;
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
  Comparison out(drawn, progress);
  for (const Cutting& cutting : cuttings) {
    const auto at = progress.cuttings.find(cutting.number);
    if (at == progress.cuttings.end()) continue;
    const CuttingPlan& first = cutting.plans.front();
    const bool underWay = !at->second.givenUp;
    for (std::size_t i = 0; i < first.parts.size(); ++i) {
      const PartDemand& row = first.request.parts[i];
      out.add(first.parts[i], row.code, row.quantity, row.numbers, underWay);
    }
    for (std::size_t i = 0; i < first.lumber.size(); ++i) {
      const BarDemand& row = first.request.barParts[i].wanted;
      out.add(first.lumber[i], row.code, row.quantity, row.numbers, underWay);
    }
  }
  return out.take();
}

}  // namespace pp::floor
