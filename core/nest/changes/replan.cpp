#include "core/nest/changes/replan.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>
#include <tuple>

#include "core/saw/edges.h"

namespace pp::nest {
namespace {

// What must stay free of a sheet, on a piece that was cut from it.
std::vector<Defect> defectsOn(const PieceAtHand& piece, const std::vector<Defect>& ofSheet) {
  std::vector<Defect> out;
  for (const Defect& one : ofSheet) {
    if (!one.meets(piece.x, piece.y, piece.dx, piece.dy)) continue;
    const Length x = std::max(one.x - piece.x, Length{});
    const Length y = std::max(one.y - piece.y, Length{});
    out.push_back({x, y, std::min(one.x + one.width - piece.x, piece.dx) - x,
                   std::min(one.y + one.height - piece.y, piece.dy) - y});
  }
  return out;
}

// Runs are whole or not at all: where a member is missing, all copies of the run that lie ready are
// of no use to the figure, but they are good parts; only the run's missing copies are cut anew.
// Pieces that the old plan took up from the bench are known by what lies there now.
NestRequest requestFor(const NestRequest& old, const Plan& plan, const Bench& bench) {
  NestRequest out = old;
  out.pins.clear();
  for (const PlannedSheet& sheet : plan.sheets)
    if (auto& quantity = out.stock[sheet.stock].quantity) --*quantity;
  std::erase_if(out.stock, [](const StockSupply& row) { return !row.piece.empty(); });
  for (const PieceAtHand& piece : bench.pieces) {
    StockSupply row = old.stock[piece.stock];
    row.id = piece.id;
    row.length = piece.dx;
    row.width = piece.dy;
    row.edges = piece.trims;
    row.defects = defectsOn(piece, row.defects);
    row.defects.insert(row.defects.end(), piece.damaged.begin(), piece.damaged.end());
    row.piece = piece.id;
    row.from.reset();
    row.anew = false;
    row.quantity = 1;
    row.price = Money{};
    row.kind = StockKind::Offcut;
    out.stock.push_back(std::move(row));
  }
  for (std::size_t i = 0; i < out.parts.size(); ++i)
    out.parts[i].quantity = std::max<std::int64_t>(0, out.parts[i].quantity - bench.done[i]);
  for (PartDemand& part : out.parts) {
    if (part.run.empty()) continue;
    // All rows of a run need one quantity: as many as the member that lacks most.
    for (const PartDemand& other : out.parts)
      if (other.run == part.run) part.quantity = std::max(part.quantity, other.quantity);
  }
  return out;
}

// The old plan on the pieces at hand, as a plan of the new request.
Plan oldPlan(const NestRequest& request, std::size_t firstPiece, const Bench& bench) {
  Plan out;
  for (std::size_t k = 0; k < bench.pieces.size(); ++k) {
    PlannedSheet sheet;
    sheet.stock = firstPiece + k;
    for (const Placement& p : bench.pieces[k].planned)
      if (request.parts[p.part].quantity > 0) sheet.placements.push_back(p);
    out.sheets.push_back(std::move(sheet));
  }
  return out;
}

// Pins everything to the piece it is planned on, but for one piece.
std::vector<Pin> pinsFor(const Plan& old, const NestRequest& request, std::size_t except) {
  std::vector<std::int64_t> left;
  for (const PartDemand& part : request.parts) left.push_back(part.quantity);
  std::vector<Pin> out;
  for (std::size_t k = 0; k < old.sheets.size(); ++k) {
    if (k == except) continue;
    for (const Placement& p : old.sheets[k].placements) {
      if (left[p.part] <= 0) continue;
      --left[p.part];
      Pin pin;
      pin.part = p.part;
      pin.stock = old.sheets[k].stock;
      out.push_back(pin);
    }
  }
  return out;
}

constexpr std::size_t kNone = static_cast<std::size_t>(-1);

void count(Replanned& out, const Plan& old, std::size_t firstPiece) {
  std::map<std::pair<std::size_t, std::size_t>, std::int64_t> before;  // stock row, part
  for (const PlannedSheet& sheet : old.sheets)
    for (const Placement& p : sheet.placements) ++before[{sheet.stock, p.part}];
  for (const PlannedSheet& sheet : out.plan.sheets) {
    if (sheet.stock < firstPiece) {
      ++out.newSheets;
      out.newCost += out.request.stock[sheet.stock].price;
    }
    for (const Placement& p : sheet.placements) --before[{sheet.stock, p.part}];
  }
  std::set<std::size_t> parts;
  for (const auto& [key, left] : before) {
    if (left <= 0) continue;
    out.moved += left;
    parts.insert(key.second);
  }
  out.movedParts.assign(parts.begin(), parts.end());
}

// What lies on the bench and is not cut further is no stock of the new plan: thirty plans would
// name it thirty times.
void forgetUnused(Replanned& of) {
  std::vector<bool> used(of.request.stock.size());
  for (const PlannedSheet& sheet : of.plan.sheets) used[sheet.stock] = true;
  std::vector<StockSupply> left;
  std::vector<std::size_t> now(used.size());
  for (std::size_t i = 0; i < used.size(); ++i) {
    now[i] = left.size();
    if (used[i] || of.request.stock[i].piece.empty())
      left.push_back(std::move(of.request.stock[i]));
  }
  of.request.stock = std::move(left);
  for (PlannedSheet& sheet : of.plan.sheets) {
    sheet.stock = now[sheet.stock];
    // How it was found speaks of rows that are no more.
    sheet.tree = {};
    sheet.tree.kind = CutTree::Kind::Waste;
  }
}

}  // namespace

Result<Bench> benchAfter(const NestRequest& request, const Plan& plan, const std::set<int>& made) {
  const auto steps = static_cast<int>(plan.cuts.size());
  if (!made.empty() && (*made.begin() < 1 || *made.rbegin() > steps))
    return Problem{"", 0, "cuts", fmt::format("{} to {}", *made.begin(), *made.rbegin()),
                   fmt::format("1 to {}", steps)};
  Plan part = plan;
  std::erase_if(part.cuts, [&made](const SawCut& cut) { return made.count(cut.step) == 0; });
  int step = 0;
  for (SawCut& cut : part.cuts) cut.step = ++step;
  const auto lying = saw::playback(request, part);
  if (!lying) return lying.problems();
  std::map<std::string, const PieceEnd*> ends;
  for (const PieceEnd& end : plan.ends) ends.emplace(end.piece, &end);
  Bench out;
  out.done.resize(request.parts.size());
  for (const auto& [name, sure] : saw::sureAfter(request, plan, made)) {
    const saw::PlayedPiece& piece = lying->at(name);
    const PlannedSheet& sheet = plan.sheets[piece.sheet];
    if (const auto end = ends.find(name);
        end != ends.end() && end->second->kind == PieceEnd::Kind::Part) {
      ++out.done[sheet.placements[end->second->index].part];
      continue;
    }
    if (sure.at.dx <= Length{} || sure.at.dy <= Length{}) continue;  // dust
    PieceAtHand at{name, sheet.stock, piece.x, piece.y, sure.at.dx, sure.at.dy, {}, sure.trims, {}};
    // What is parted roughly has its allowance for that.
    if (request.shop.partsRoughly()) {
      at.dx = piece.dx;
      at.dy = piece.dy;
      const bool whole = sure.at.dx == request.stock[sheet.stock].length &&
                         sure.at.dy == request.stock[sheet.stock].width;
      if (!whole) at.trims = {};
    }
    for (Placement p : sheet.placements) {
      if (p.x < piece.x || p.y < piece.y || p.x + p.dx > piece.x + piece.dx ||
          p.y + p.dy > piece.y + piece.dy)
        continue;
      p.x -= piece.x;
      p.y -= piece.y;
      at.planned.push_back(p);
    }
    out.pieces.push_back(std::move(at));
  }
  return out;
}

Replanned replan(const NestRequest& request, const Plan& plan, const Bench& bench, Disturb disturb,
                 const NestOptions& options, std::stop_token stop) {
  const NestRequest wanted = requestFor(request, plan, bench);
  const std::size_t firstPiece = wanted.stock.size() - bench.pieces.size();
  const Plan old = oldPlan(wanted, firstPiece, bench);
  std::vector<std::size_t> givenUp = {kNone};
  if (disturb == Disturb::OnePiece)
    for (std::size_t k = 0; k < old.sheets.size(); ++k)
      if (!old.sheets[k].placements.empty()) givenUp.push_back(k);
  Replanned best;
  bool first = true;
  for (const std::size_t except : givenUp) {
    if (!first && stop.stop_requested()) break;
    Replanned one;
    one.request = wanted;
    if (disturb != Disturb::Freely) one.request.pins = pinsFor(old, wanted, except);
    NestOptions mine = options;
    mine.seconds = options.seconds / static_cast<double>(givenUp.size());
    if (options.steps) mine.steps = *options.steps / static_cast<std::int64_t>(givenUp.size());
    mine.start = std::make_shared<const Plan>(old);
    one.plan = nest(one.request, mine, stop);
    count(one, old, firstPiece);
    // Cheaper wins; at one cost what disturbs less.
    const bool better = first || std::tuple(one.plan.missing(), one.plan.cost, one.moved) <
                                     std::tuple(best.plan.missing(), best.plan.cost, best.moved);
    if (better) best = std::move(one);
    first = false;
  }
  // The plan was made with pins that the next step need not know.
  best.request.pins.clear();
  forgetUnused(best);
  return best;
}

}  // namespace pp::nest
