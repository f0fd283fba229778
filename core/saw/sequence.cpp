#include "core/saw/sequence.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <tuple>

namespace pp::saw {
namespace {

struct Piece {
  std::string name;
  Length x, y, dx, dy;
};

// A cut and the cut that makes the piece it needs.
struct Planned {
  SawCut cut;
  std::optional<std::size_t> after;
};

using Setting = std::tuple<std::string, CutDirection, Length>;

Setting settingOf(const SawCut& cut) {
  return {cut.machine, cut.direction, cut.distance};
}

// Takes one sheet apart, cut by cut, in tree order.
class SheetCutter {
 public:
  SheetCutter(const NestRequest& request, const Shop& shop, PlannedSheet& sheet, std::size_t index,
              std::vector<Planned>& cuts)
      : request_(request), shop_(shop), sheet_(sheet), index_(index), cuts_(cuts) {}

  void run() {
    const StockSupply& stock = request_.stock[sheet_.stock];
    Piece whole{fmt::format("S{}", index_ + 1), Length{}, Length{}, stock.length, stock.width};
    std::optional<std::size_t> made;
    if (stock.trim > Length{}) trim(whole, made, stock.trim);
    sheet_.leftovers.clear();
    takeApart(whole, made, sheet_.tree);
  }

 private:
  // Makes one cut and returns the low and high pieces; a piece without extent has no name.
  std::pair<Piece, Piece> cut(const Piece& piece, std::optional<std::size_t>& made,
                              CutDirection direction, Length at, FenceSide fence) {
    const bool rip = direction == CutDirection::Rip;
    const Length extent = rip ? piece.dy : piece.dx;
    Planned planned;
    planned.after = made;
    SawCut& cut = planned.cut;
    cut.sheet = index_;
    cut.piece = piece.name;
    cut.direction = direction;
    cut.at = at;
    cut.fence = fence;
    cut.distance = fence == FenceSide::Low ? at : extent - at - request_.kerf;
    cut.machine = machineFor(shop_, piece.dx, piece.dy, request_.stock[sheet_.stock].measured,
                             direction, cut.distance);
    Piece low = piece;
    Piece high = piece;
    (rip ? low.dy : low.dx) = at;
    (rip ? high.dy : high.dx) = extent - at - request_.kerf;
    (rip ? high.y : high.x) += at + request_.kerf;
    const auto name = [this](Piece& part, Length left) -> std::optional<std::string> {
      if (left <= Length{}) return std::nullopt;
      part.name = fmt::format("S{}.{}", index_ + 1, ++names_);
      return part.name;
    };
    cut.low = name(low, rip ? low.dy : low.dx);
    cut.high = name(high, rip ? high.dy : high.dx);
    cuts_.push_back(planned);
    made = cuts_.size() - 1;
    return {low, high};
  }

  void trim(Piece& piece, std::optional<std::size_t>& made, Length trim) {
    for (const CutDirection direction : {CutDirection::Rip, CutDirection::Cross}) {
      piece = cut(piece, made, direction, trim - request_.kerf, FenceSide::High).second;
      const Length extent = direction == CutDirection::Rip ? piece.dy : piece.dx;
      piece = cut(piece, made, direction, extent - trim, FenceSide::Low).first;
    }
  }

  void keep(const Piece& piece) {
    const Length longSide = std::max(piece.dx, piece.dy);
    const Length shortSide = std::min(piece.dx, piece.dy);
    if (shortSide <= Length{} || longSide < request_.keepLong || shortSide < request_.keepShort)
      return;
    sheet_.leftovers.push_back({fmt::format("S{}-K{}", index_ + 1, sheet_.leftovers.size() + 1),
                                piece.x, piece.y, piece.dx, piece.dy});
  }

  // Cuts the excess off in the order that leaves the larger single leftover, then apart.
  void takeApart(Piece piece, std::optional<std::size_t> made, const CutTree& tree) {
    const Length extraX = piece.dx - tree.dx;
    const Length extraY = piece.dy - tree.dy;
    const bool crossFirst = extraX * piece.dy > extraY * piece.dx;
    for (const bool cross : {crossFirst, !crossFirst}) {
      if ((cross ? extraX : extraY) <= Length{}) continue;
      auto [low, high] = cut(piece, made, cross ? CutDirection::Cross : CutDirection::Rip,
                             cross ? tree.dx : tree.dy, FenceSide::Low);
      keep(high);
      piece = low;
    }
    if (tree.kind == CutTree::Kind::Part) return;
    const bool row = tree.kind == CutTree::Kind::Row;
    for (std::size_t i = 0; i + 1 < tree.children.size(); ++i) {
      const CutTree& child = tree.children[i];
      auto [low, high] = cut(piece, made, row ? CutDirection::Cross : CutDirection::Rip,
                             row ? child.dx : child.dy, FenceSide::Low);
      takeApart(low, made, child);
      piece = high;
    }
    takeApart(piece, made, tree.children.back());
  }

  const NestRequest& request_;
  const Shop& shop_;
  PlannedSheet& sheet_;
  std::size_t index_;
  std::vector<Planned>& cuts_;
  int names_ = 0;
};

// Orders the cuts: stay with a setting while any piece at hand needs it; then take the setting that
// the most pieces at hand wait for, the widest where equal.
class Scheduler {
 public:
  explicit Scheduler(std::vector<Planned> cuts) : cuts_(std::move(cuts)), followers_(cuts_.size()) {
    for (std::size_t i = 0; i < cuts_.size(); ++i) {
      if (cuts_[i].after)
        followers_[*cuts_[i].after].push_back(i);
      else
        ready(i);
    }
  }

  int run(std::vector<SawCut>& out) {
    int setup = 0;
    while (!waiting_.empty()) {
      const auto next = choose();
      ++setup;
      // The list grows while it is worked through: a cut may free another with the same setting.
      const Setting setting = next->first;
      std::vector<std::size_t>& batch = waiting_[setting];
      for (std::size_t k = 0; k < batch.size(); ++k) {
        const std::size_t i = batch[k];
        out.push_back(cuts_[i].cut);
        out.back().setup = setup;
        out.back().step = static_cast<int>(out.size());
        for (const std::size_t follower : followers_[i]) ready(follower);
      }
      waiting_.erase(setting);
    }
    return setup;
  }

 private:
  using Waiting = std::map<Setting, std::vector<std::size_t>>;

  void ready(std::size_t i) { waiting_[settingOf(cuts_[i].cut)].push_back(i); }

  Waiting::const_iterator choose() const {
    // Breakdown first: a whole sheet or large piece is in the way of everything else.
    const auto rank = [](const Waiting::value_type& entry) {
      const auto& [machine, direction, distance] = entry.first;
      return std::make_tuple(machine == "track saw" ? 1 : 0, entry.second.size(), distance);
    };
    return std::max_element(waiting_.begin(), waiting_.end(),
                            [&rank](const auto& a, const auto& b) { return rank(a) < rank(b); });
  }

  std::vector<Planned> cuts_;
  std::vector<std::vector<std::size_t>> followers_;
  Waiting waiting_;
};

}  // namespace

void sequence(const NestRequest& request, const Shop& shop, Plan& plan) {
  std::vector<Planned> cuts;
  for (std::size_t i = 0; i < plan.sheets.size(); ++i)
    SheetCutter(request, shop, plan.sheets[i], i, cuts).run();
  plan.cuts.clear();
  plan.setups = Scheduler(std::move(cuts)).run(plan.cuts);
}

}  // namespace pp::saw
