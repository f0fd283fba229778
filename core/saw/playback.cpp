#include "core/saw/playback.h"

#include <fmt/format.h>

#include <algorithm>
#include <functional>
#include <set>
#include <string_view>
#include <tuple>
#include <unordered_set>

namespace pp::saw {
namespace {

Problem wrong(const std::string& field, const std::string& found, const std::string& expected) {
  return {{}, 0, field, found, expected};
}

using Bench = PlayedPieces;

// Makes one cut on the bench; a problem leaves the bench as it was.
Result<MadeCut> make(const SawCut& cut, Bench& bench) {
  const auto field = [&cut] { return fmt::format("cut {}", cut.step); };
  const auto at = bench.find(cut.piece);
  if (at == bench.end())
    return wrong(field(), "piece " + cut.piece + " not there", "a piece at hand");
  const PlayedPiece piece = at->second;
  const bool rip = cut.direction == CutDirection::Rip;
  const Length extent = rip ? piece.dy : piece.dx;
  if (cut.at <= -cut.kerf || cut.at >= extent)
    return wrong(field(), "a cut at " + formatMm(cut.at), "one that meets the piece");
  PlayedPiece low = piece;
  PlayedPiece high = piece;
  (rip ? low.dy : low.dx) = cut.at;
  (rip ? high.dy : high.dx) = extent - cut.at - cut.kerf;
  (rip ? high.y : high.x) += cut.at + cut.kerf;
  const bool lowThere = (rip ? low.dy : low.dx) > Length{};
  const bool highThere = (rip ? high.dy : high.dx) > Length{};
  if (lowThere != cut.low.has_value() || highThere != cut.high.has_value())
    return wrong(field(), "a piece named that is not there, or one left out",
                 "the pieces it leaves");
  const Length distance = cut.fence == FenceSide::Low ? cut.at : extent - cut.at - cut.kerf;
  if (distance != cut.distance) return wrong(field(), formatMm(cut.distance), formatMm(distance));
  bench.erase(at);
  if (lowThere && !bench.emplace(*cut.low, low).second)
    return wrong(field(), *cut.low + " a second time", "a new name");
  if (highThere && !bench.emplace(*cut.high, high).second)
    return wrong(field(), *cut.high + " a second time", "a new name");
  // At an edge the blade is partly beside the piece.
  PlayedPiece blade = piece;
  const Length from = std::max(cut.at, Length{});
  (rip ? blade.y : blade.x) += from;
  (rip ? blade.dy : blade.dx) = std::min(cut.at + cut.kerf, extent) - from;
  return MadeCut{piece, blade};
}

// The whole sheets, by their names.
Bench wholeSheets(const NestRequest& request, const Plan& plan) {
  Bench out;
  for (std::size_t i = 0; i < plan.sheets.size(); ++i) {
    const StockSupply& stock = request.stock[plan.sheets[i].stock];
    out[sheetName(request, plan, i)] = {i, Length{}, Length{}, stock.length, stock.width};
  }
  return out;
}

class Verifier {
 public:
  Verifier(const NestRequest& request, const Plan& plan, const std::stop_token& stop)
      : request_(request), plan_(plan), stop_(stop) {}

  Problems pieces() {
    const auto lying = playback(request_, plan_);
    if (!lying) return lying.problems();
    ends(lying.value());
    place();
    copies();
    bars();
    return std::move(problems_);
  }

  Problems run() {
    const auto pieces = playback(request_, plan_, stop_);
    if (!pieces) return pieces.problems();
    ends(pieces.value());
    place();
    for (std::size_t i = 0; i < plan_.sheets.size(); ++i) {
      if (stop_.stop_requested()) return {};
      sheet(i);
    }
    stock();
    copies();
    runs();
    pins();
    bars();
    totals();
    return std::move(problems_);
  }

 private:
  using Key = std::tuple<std::size_t, Length, Length, Length, Length>;

  void add(const std::string& field, const std::string& found, const std::string& expected) {
    problems_.push_back(wrong(field, found, expected));
  }

  // Every piece that lies there is said to be something, and is exactly that.
  void ends(const Bench& pieces) {
    if (plan_.ends.size() != pieces.size())
      add("ends", std::to_string(plan_.ends.size()), fmt::format("{} pieces", pieces.size()));
    std::vector<std::vector<bool>> placed, kept;
    for (const PlannedSheet& sheet : plan_.sheets) {
      placed.emplace_back(sheet.placements.size());
      kept.emplace_back(sheet.leftovers.size());
    }
    std::unordered_set<std::string_view> seen;
    seen.reserve(plan_.ends.size());
    for (const PieceEnd& end : plan_.ends) {
      const auto at = pieces.find(end.piece);
      if (at == pieces.end() || at->second.sheet != end.sheet || !seen.insert(end.piece).second) {
        add(end.piece, "no such piece", "one that lies there");
        continue;
      }
      if (end.kind == PieceEnd::Kind::Waste) continue;
      const PlannedSheet& sheet = plan_.sheets[end.sheet];
      const bool part = end.kind == PieceEnd::Kind::Part;
      std::vector<bool>& known = (part ? placed : kept)[end.sheet];
      if (end.index >= known.size() || known[end.index] ||
          !(part ? isAt(sheet.placements[end.index], at->second)
                 : isWithin(sheet.leftovers[end.index], at->second))) {
        add(end.piece, "another piece", "what it is to become");
        continue;
      }
      known[end.index] = true;
    }
    for (std::size_t i = 0; i < plan_.sheets.size(); ++i) {
      for (std::size_t k = 0; k < placed[i].size(); ++k)
        if (!placed[i][k])
          add(fmt::format("sheet {}, {}", i + 1,
                          request_.parts[plan_.sheets[i].placements[k].part].code),
              "no such piece", "its exact piece");
      for (std::size_t k = 0; k < kept[i].size(); ++k)
        if (!kept[i][k]) add(plan_.sheets[i].leftovers[k].id, "no such piece", "its exact piece");
    }
  }

  // Beside a rough cut less is promised than there may be.
  static bool isWithin(const Leftover& kept, const PlayedPiece& piece) {
    return kept.x >= piece.x && kept.y >= piece.y && kept.x + kept.dx <= piece.x + piece.dx &&
           kept.y + kept.dy <= piece.y + piece.dy && kept.dx > Length{} && kept.dy > Length{};
  }

  static bool isAt(const Placement& wanted, const PlayedPiece& piece) {
    return wanted.x == piece.x && wanted.y == piece.y && wanted.dx == piece.dx &&
           wanted.dy == piece.dy;
  }

  // Which copies lie somewhere, each as large as its part.
  void place() {
    for (std::size_t i = 0; i < plan_.sheets.size(); ++i)
      for (const Placement& p : plan_.sheets[i].placements) {
        const PartDemand& part = request_.parts[p.part];
        if (p.dx != (p.turned ? part.width : part.length) ||
            p.dy != (p.turned ? part.length : part.width))
          add(fieldOf(i, part), "another size", "the part's cut size");
        placed_[p.part].push_back(p.copy);
      }
  }
  static std::string fieldOf(std::size_t sheet, const PartDemand& part) {
    return fmt::format("sheet {}, {}", sheet + 1, part.code);
  }

  void sheet(std::size_t i) {
    for (const Placement& p : plan_.sheets[i].placements) {
      const PartDemand& part = request_.parts[p.part];
      const std::string field = fieldOf(i, part);
      for (const Defect& defect : request_.stock[plan_.sheets[i].stock].defects)
        if (defect.meets(p.x, p.y, p.dx, p.dy))
          add(field, "lies where the sheet must stay free", "beside it");
      const SheetGrain grain = request_.stock[plan_.sheets[i].stock].grain;
      const bool lengthAlongX = !p.turned;
      if (part.grain != PartGrain::Any && grain != SheetGrain::None &&
          (part.grain == PartGrain::Length) != (lengthAlongX == (grain == SheetGrain::Length)))
        add(field, "across the grain", "along it");
    }
    for (const Leftover& kept : plan_.sheets[i].leftovers)
      for (const Defect& defect : request_.stock[plan_.sheets[i].stock].defects)
        if (defect.meets(kept.x, kept.y, kept.dx, kept.dy))
          add(kept.id, "holds a place that must stay free", "sound stock");
  }

  void stock() {
    std::vector<std::int64_t> used(request_.stock.size());
    for (const PlannedSheet& sheet : plan_.sheets) ++used[sheet.stock];
    for (std::size_t i = 0; i < used.size(); ++i)
      if (request_.stock[i].quantity && used[i] > *request_.stock[i].quantity)
        add(request_.stock[i].id, std::to_string(used[i]) + " used", "no more than there are");
  }

  void copies() {
    std::vector<std::int64_t> missing(request_.parts.size());
    for (const Unplaced& unplaced : plan_.unplaced) missing[unplaced.part] += unplaced.count;
    for (std::size_t i = 0; i < request_.parts.size(); ++i) {
      std::vector<std::int64_t>& copies = placed_[i];
      std::sort(copies.begin(), copies.end());
      const auto count = static_cast<std::int64_t>(copies.size());
      for (std::int64_t k = 0; k < count; ++k)
        if (copies[static_cast<std::size_t>(k)] != k + 1)
          add(request_.parts[i].code, "copies not 1, 2, 3 ...", "each once");
      if (count + missing[i] != request_.parts[i].quantity)
        add(request_.parts[i].code, std::to_string(count + missing[i]),
            std::to_string(request_.parts[i].quantity) + " copies");
    }
  }

  // Copy k of every row of a run lies in one row or column, in order, one kerf apart, one edge
  // common.
  void runs() {
    std::map<std::pair<std::string, std::int64_t>, std::vector<std::pair<std::int64_t, Key>>> rows;
    std::map<std::string, std::size_t> members;
    std::map<std::string, bool> mitred;
    for (const PartDemand& part : request_.parts) {
      if (part.run.empty()) continue;
      ++members[part.run];
      mitred[part.run] = part.mitred;
    }
    for (std::size_t i = 0; i < plan_.sheets.size(); ++i)
      for (const Placement& p : plan_.sheets[i].placements) {
        const PartDemand& part = request_.parts[p.part];
        if (!part.run.empty())
          rows[{part.run, p.copy}].push_back({part.runOrder, {i, p.x, p.y, p.dx, p.dy}});
      }
    for (auto& [name, row] : rows) {
      std::sort(row.begin(), row.end());
      if (row.size() != members[name.first] || !inOrder(row, mitred[name.first]))
        add("run " + name.first, "a broken run", "its parts in order, one kerf apart");
    }
  }

  // Whether the shop's saws leave that gap between two parts of a run: one cut, or the two bevels
  // of a mitre, which need not be made on the same saw.
  bool isGap(Length gap, bool mitred) const {
    const int saws = static_cast<int>(request_.shop.machines.size());
    for (int i = -1; i < saws; ++i) {
      const Length kerf = kerfOf(request_, i);
      if (!mitred && gap == kerf) return true;
      for (int k = -1; mitred && k < saws; ++k)
        if (gap == bevelKerf(kerf) + bevelKerf(kerfOf(request_, k))) return true;
    }
    return false;
  }

  bool inOrder(const std::vector<std::pair<std::int64_t, Key>>& row, bool mitred) const {
    if (row.size() < 2) return true;
    const auto follows = [this, mitred](const Key& a, const Key& b, bool alongX) {
      const auto& [sa, ax, ay, adx, ady] = a;
      const auto& [sb, bx, by, bdx, bdy] = b;
      const bool common =
          alongX ? ay == by || ay + ady == by + bdy : ax == bx || ax + adx == bx + bdx;
      const Length gap = alongX ? bx - ax - adx : by - ay - ady;
      return sa == sb && common && isGap(gap, mitred);
    };
    for (const bool alongX : {true, false})
      for (const bool ascending : {true, false}) {
        bool good = true;
        for (std::size_t i = 0; i + 1 < row.size(); ++i)
          good = good && (ascending ? follows(row[i].second, row[i + 1].second, alongX)
                                    : follows(row[i + 1].second, row[i].second, alongX));
        if (good) return true;
      }
    return false;
  }

  // Every pinned part lies on a piece of its row, pins of one number on one and the same piece, and
  // where a place is given exactly there.
  void pins() {
    std::map<std::pair<std::size_t, std::int64_t>, std::map<std::size_t, std::int64_t>> wanted;
    std::vector<Pin> pins = effectivePins(request_);
    // What could not be placed at all is said elsewhere.
    std::erase_if(pins, [this](const Pin& pin) {
      return std::any_of(plan_.unplaced.begin(), plan_.unplaced.end(),
                         [&pin](const Unplaced& one) { return one.part == pin.part; });
    });
    for (const Pin& pin : pins) wanted[{pin.stock, pin.sheet}][pin.part] += pin.copies;
    // Which sheet is meant by which number is a matching (Kuhn 1955): a sheet may hold what several
    // numbers ask for.
    using Number = std::pair<std::size_t, std::int64_t>;
    std::map<std::size_t, Number> taken;
    const std::function<bool(const Number&, std::set<std::size_t>&)> match =
        [&](const Number& key, std::set<std::size_t>& seen) {
          for (std::size_t i = 0; i < plan_.sheets.size(); ++i) {
            if (plan_.sheets[i].stock != key.first || !holds(i, key, wanted[key], pins) ||
                !seen.insert(i).second)
              continue;
            const auto other = taken.find(i);
            if (other != taken.end() && !match(Number(other->second), seen)) continue;
            taken[i] = key;
            return true;
          }
          return false;
        };
    for (const auto& [key, parts] : wanted) {
      std::set<std::size_t> seen;
      if (!match(key, seen))
        add("pins on " + request_.stock[key.first].id, "parts elsewhere", "the parts pinned there");
    }
  }

  bool holds(std::size_t sheet, const std::pair<std::size_t, std::int64_t>& key,
             const std::map<std::size_t, std::int64_t>& parts, const std::vector<Pin>& pins) const {
    const std::vector<Placement>& lying = plan_.sheets[sheet].placements;
    for (const auto& [part, copies] : parts)
      if (std::count_if(lying.begin(), lying.end(),
                        [part = part](const Placement& p) { return p.part == part; }) < copies)
        return false;
    return std::all_of(pins.begin(), pins.end(), [&](const Pin& pin) {
      return pin.stock != key.first || pin.sheet != key.second || !pin.place ||
             std::any_of(lying.begin(), lying.end(), [&](const Placement& p) {
               return p.part == pin.part && p.x == pin.place->x && p.y == pin.place->y &&
                      p.turned == pin.place->turned;
             });
    });
  }

  // Every piece is cut from a bar that holds it, or is said to have none; no more bars than there
  // are.
  void bars() {
    std::vector<std::int64_t> left;
    for (const BarPart& part : request_.barParts) left.push_back(part.wanted.quantity);
    std::vector<std::int64_t> used(request_.barStock.size());
    for (const BarList& list : plan_.bars) {
      if (!isWithin(list)) return add("bars", "an unknown piece or bar", "those of the request");
      for (const Bar& bar : list.plan.bars) {
        Length length = -request_.barKerf;  // the last piece may end with the bar
        for (const std::size_t cut : bar.cuts) {
          --left[list.parts[cut]];
          length += request_.barParts[list.parts[cut]].wanted.length + request_.barKerf;
        }
        const BarStock& stock = request_.barStock[list.stock[bar.stock]].bar;
        if (length > stock.length) add(stock.id, formatMm(length), "at most the bar");
      }
      for (const std::size_t one : list.plan.unplaced) --left[list.parts[one]];
      for (std::size_t k = 0; k < list.stock.size(); ++k)
        used[list.stock[k]] += barsFor(request_, list, k);
    }
    for (std::size_t i = 0; i < left.size(); ++i)
      if (left[i] != 0)
        add(request_.barParts[i].wanted.code, std::to_string(left[i]) + " not cut", "none");
    for (std::size_t i = 0; i < used.size(); ++i) {
      const BarStock& stock = request_.barStock[i].bar;
      if (stock.quantity && used[i] > *stock.quantity)
        add(stock.id, std::to_string(used[i]) + " used", "no more than there are");
    }
  }

  // Whether all that a list points at is there, of one material and width and wide enough.
  bool isWithin(const BarList& list) const {
    const auto below = [](std::size_t size) {
      return [size](std::size_t index) { return index < size; };
    };
    const auto all = [](const auto& indices, const auto& test) {
      return std::all_of(indices.begin(), indices.end(), test);
    };
    if (list.parts.empty() || !all(list.parts, below(request_.barParts.size())) ||
        !all(list.stock, below(request_.barStock.size())) ||
        !all(list.plan.unplaced, below(list.parts.size())))
      return false;
    const BarPart& first = request_.barParts[list.parts.front()];
    return all(list.parts,
               [&](std::size_t i) {
                 return request_.barParts[i].material == first.material &&
                        request_.barParts[i].width == first.width;
               }) &&
           all(list.stock,
               [&](std::size_t i) {
                 return request_.barStock[i].material == first.material &&
                        request_.barStock[i].width >= first.width;
               }) &&
           all(list.plan.bars, [&](const Bar& bar) {
             return bar.stock < list.stock.size() && all(bar.cuts, below(list.parts.size()));
           });
  }

  void totals() {
    Money cost;
    Area sheets;
    Area parts;
    for (const PlannedSheet& sheet : plan_.sheets) {
      const StockSupply& stock = request_.stock[sheet.stock];
      cost += stock.price;
      sheets += stock.length * stock.width;
      for (const Placement& p : sheet.placements) parts += p.dx * p.dy;
    }
    if (cost != plan_.cost || sheets != plan_.sheetArea || parts != plan_.partArea)
      add("totals", "other sums", "the sums over the sheets");
    if (plan_.complete() && plan_.cost < plan_.bound.cost)
      add("bound", format(plan_.bound.cost), "at most the plan's cost of " + format(plan_.cost));
  }

  const NestRequest& request_;
  const Plan& plan_;
  const std::stop_token& stop_;
  std::map<std::size_t, std::vector<std::int64_t>> placed_;
  Problems problems_;
};

}  // namespace

Result<PlayedPieces> playback(const NestRequest& request, const Plan& plan,
                              const std::stop_token& stop) {
  Bench bench = wholeSheets(request, plan);
  bench.reserve(plan.ends.size());
  for (std::size_t i = 0; i < plan.cuts.size() && !stop.stop_requested(); ++i) {
    if (plan.cuts[i].step != static_cast<int>(i) + 1)
      return wrong(fmt::format("cut {}", i + 1), std::to_string(plan.cuts[i].step),
                   "steps 1, 2, 3 ...");
    if (auto made = make(plan.cuts[i], bench); !made) return made.problems();
  }
  return bench;
}

Result<std::vector<MadeCut>> madeCuts(const NestRequest& request, const Plan& plan) {
  Bench bench = wholeSheets(request, plan);
  std::vector<MadeCut> out;
  out.reserve(plan.cuts.size());
  for (const SawCut& cut : plan.cuts) {
    auto made = make(cut, bench);
    if (!made) return made.problems();
    out.push_back(std::move(made).value());
  }
  return out;
}

Problems verifyPieces(const NestRequest& request, const Plan& plan) {
  return Verifier(request, plan, {}).pieces();
}

Problems verify(const NestRequest& request, const Plan& plan, const std::stop_token& stop) {
  return Verifier(request, plan, stop).run();
}

}  // namespace pp::saw
