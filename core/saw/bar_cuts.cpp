#include "core/saw/bar_cuts.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <tuple>

namespace pp::saw {
namespace {

// The saw for bars: a mitre saw or sled, else whatever there is.
std::string sawFor(const Shop& shop, SawKind wanted) {
  for (const Machine& one : shop.machines)
    if (one.kind == wanted) return one.name;
  return shop.machines.empty() ? "no saw" : shop.machines.front().name;
}

// A strip with what is still to be cut from it, longest first.
struct Strip {
  std::string name;
  std::size_t stock = 0;
  Length left, width;
  std::vector<std::size_t> parts;  // of the request's bar parts
  int last = 0;                    // step of the cut that was made on it last
  int cuts = 0;
  int bar = 0;
};

class Sequencer {
 public:
  explicit Sequencer(const CuttingPlan& plan) : plan_(plan), request_(plan.request) {}

  std::vector<BarCut> run() {
    for (const BarList& list : plan_.plan.bars) rip(list);
    cross();
    return std::move(out_);
  }

 private:
  BarCut& add(Strip& strip, CutDirection direction, Length distance) {
    BarCut made;
    made.after = strip.last;
    made.stock = strip.stock;
    made.bar = strip.bar;
    made.length = strip.left;
    made.width = strip.width;
    made.cut.step = static_cast<int>(out_.size()) + 1;
    made.cut.sheet = plan_.plan.sheets.size();
    made.cut.piece = strip.name;
    made.cut.direction = direction;
    made.cut.machine =
        sawFor(request_.shop, direction == CutDirection::Rip ? SawKind::Table : SawKind::Crosscut);
    made.cut.kerf = request_.barKerf;
    made.cut.at = made.cut.distance = distance;
    strip.last = made.cut.step;
    const std::tuple key{direction, distance};
    if (!set_ || *set_ != key) ++setup_;
    set_ = key;
    made.cut.setup = setup_;
    out_.push_back(std::move(made));
    return out_.back();
  }

  // As many strips from each bar as it is wide enough for.
  void rip(const BarList& list) {
    const Length width = request_.barParts[list.parts.front()].width;
    std::map<std::size_t, std::pair<std::int64_t, Strip>> open;  // by stock: strips left of a bar
    for (const Bar& bar : list.plan.bars) {
      const std::size_t stock = list.stock[bar.stock];
      const BarSupply& supply = request_.barStock[stock];
      auto& [left, whole] = open[stock];
      if (left == 0) {
        left = stripsOf(request_, supply, width);
        ++bars_;
        whole = Strip{
            fmt::format("R{}", bars_), stock, supply.bar.length, supply.width, {}, 0, 0, bars_};
      }
      Strip strip = whole;
      --left;
      if (whole.width > width) {
        BarCut& cut = add(whole, CutDirection::Rip, width);
        strip.name = fmt::format("{}-{}", whole.name, ++whole.cuts);
        strip.last = cut.cut.step;
        strip.width = width;
        cut.cut.low = strip.name;
        whole.width -= width + request_.barKerf;
        if (whole.width > Length{}) cut.cut.high = whole.name;
      }
      for (const std::size_t one : bar.cuts) strip.parts.push_back(list.parts[one]);
      std::stable_sort(
          strip.parts.begin(), strip.parts.end(), [this](std::size_t a, std::size_t b) {
            return request_.barParts[a].wanted.length > request_.barParts[b].wanted.length;
          });
      strips_.push_back(std::move(strip));
    }
  }

  // One stop after the other, longest first; of each strip its longest is next.
  void cross() {
    std::map<std::size_t, std::int64_t> copies;
    for (;;) {
      std::optional<Length> stop;
      for (const Strip& strip : strips_)
        if (!strip.parts.empty())
          stop = std::max(stop.value_or(Length{}),
                          request_.barParts[strip.parts.front()].wanted.length);
      if (!stop) return;
      for (Strip& strip : strips_)
        while (!strip.parts.empty() &&
               request_.barParts[strip.parts.front()].wanted.length == *stop) {
          const std::size_t part = strip.parts.front();
          strip.parts.erase(strip.parts.begin());
          const BarDemand& wanted = request_.barParts[part].wanted;
          const std::int64_t copy = ++copies[part];
          BarCut& cut = add(strip, CutDirection::Cross, *stop);
          cut.piece = PieceId{
              wanted.code,
              wanted.numbers.empty() ? copy : wanted.numbers[static_cast<std::size_t>(copy - 1)]};
          cut.cut.low = wanted.code;
          strip.left -= *stop + request_.barKerf;
          if (strip.left > Length{}) cut.cut.high = strip.name;
        }
    }
  }

  const CuttingPlan& plan_;
  const NestRequest& request_;
  std::vector<Strip> strips_;
  std::vector<BarCut> out_;
  std::optional<std::tuple<CutDirection, Length>> set_;
  int setup_ = 0;
  int bars_ = 0;
};

}  // namespace

std::vector<BarCut> barCuts(const CuttingPlan& plan) {
  return Sequencer(plan).run();
}

}  // namespace pp::saw
