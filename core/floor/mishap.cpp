#include "core/floor/mishap.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>
#include <utility>

#include "core/saw/edges.h"

namespace pp::floor {
namespace {

Problem wrong(const std::string& field, const std::string& found, const std::string& expected) {
  return {{}, 0, field, found, expected};
}

class After {
 public:
  After(const CuttingPlan& plan, int cutting, const CuttingProgress& at, const Mishap& mishap)
      : plan_(plan), cutting_(cutting), at_(at), mishap_(mishap) {}

  Result<Aftermath> run() {
    const std::set<int>& made = at_.made[static_cast<std::size_t>(at_.plan - 1)];
    auto bench = nest::benchAfter(plan_.request, plan_.plan, made);
    if (!bench) return bench.problems();
    out_.bench = std::move(bench).value();
    out_.request = plan_.request;
    // What went to the rack is not there any more.
    std::erase_if(out_.bench.pieces, [this](const nest::PieceAtHand& piece) {
      return at_.bench.count(piece.id) == 0;
    });
    using Kind = Mishap::Kind;
    if (mishap_.kind == Kind::Kerf) return kerf();
    const auto end =
        std::find_if(plan_.plan.ends.begin(), plan_.plan.ends.end(),
                     [this](const PieceEnd& one) { return one.piece == mishap_.piece; });
    const bool part = end != plan_.plan.ends.end() && end->kind == PieceEnd::Kind::Part;
    if (at_.bench.count(mishap_.piece) == 0)
      return wrong("piece", mishap_.piece, "one that lies there");
    if (part) return ofPart(*end);
    const auto piece =
        std::find_if(out_.bench.pieces.begin(), out_.bench.pieces.end(),
                     [this](const nest::PieceAtHand& one) { return one.id == mishap_.piece; });
    if (piece == out_.bench.pieces.end()) return wrong("piece", mishap_.piece, "more than dust");
    if (mishap_.kind == Kind::Spoiled) return wrong("piece", mishap_.piece, "a part that is cut");
    return mishap_.kind == Kind::Damaged ? damaged(*piece) : resized(*piece);
  }

 private:
  Event& note(EventKind kind) {
    Event event;
    event.kind = kind;
    event.cutting = cutting_;
    out_.events.push_back(std::move(event));
    return out_.events.back();
  }
  std::string shown(Length length) const { return said(plan_.request, length); }

  Result<Aftermath> kerf() {
    auto& machines = out_.request.shop.machines;
    const auto saw = std::find_if(machines.begin(), machines.end(), [this](const Machine& one) {
      return one.name == mishap_.machine;
    });
    if (saw == machines.end()) return wrong("saw", mishap_.machine, "one of the shop's");
    if (mishap_.kerf < Length{} || mishap_.kerf > Length::mm(30))
      return wrong("kerf", shown(mishap_.kerf), "from 0 to " + shown(Length::mm(30)));
    // The widest saw of all is what parts lie apart.
    for (Machine& one : machines) one.kerf = one.kerf.value_or(out_.request.kerf);
    saw->kerf = mishap_.kerf;
    out_.request.kerf = Length{};
    for (const Machine& one : machines) out_.request.kerf = std::max(out_.request.kerf, *one.kerf);
    Event& event = note(EventKind::WentWrong);
    event.name = mishap_.machine;
    event.thickness = mishap_.kerf;
    event.note = "the saw takes other than was thought";
    return std::move(out_);
  }

  Result<Aftermath> ofPart(const PieceEnd& end) {
    const Placement& placement = plan_.plan.sheets[end.sheet].placements[end.index];
    const PieceId id = pieceAt(plan_, placement);
    const Length tolerance = plan_.request.shop.tolerance;
    const Length along = placement.turned ? mishap_.width : mishap_.length;
    const Length across = placement.turned ? mishap_.length : mishap_.width;
    if (mishap_.kind == Mishap::Kind::CameOut) {
      if (mishap_.length <= Length{} || mishap_.width <= Length{})
        return wrong("size", shown(std::min(mishap_.length, mishap_.width)), "more than nothing");
      const Length overX = along - placement.dx;
      const Length overY = across - placement.dy;
      Event& event = note(EventKind::CameOutAt);
      event.piece = id;
      event.length = mishap_.length;
      event.width = mishap_.width;
      out_.asWanted = std::max({overX, overY, -overX, -overY}) <= tolerance;
      out_.trimmable = !out_.asWanted && std::min(overX, overY) >= -tolerance;
      if (out_.asWanted || out_.trimmable) {
        out_.goodFor = {id.code};
        return std::move(out_);
      }
    } else if (mishap_.kind != Mishap::Kind::Spoiled) {
      return wrong("piece", mishap_.piece, "a piece that is still to be cut");
    }
    note(EventKind::PartSpoiled).piece = id;
    --out_.bench.done[placement.part];
    // What of it is sound is stock for what is smaller.
    const Length dx = std::min(along, placement.dx);
    const Length dy = std::min(across, placement.dy);
    if (dx > Length{} && dy > Length{}) {
      const PlannedSheet& sheet = plan_.plan.sheets[end.sheet];
      out_.bench.pieces.push_back(
          {mishap_.piece, sheet.stock, placement.x, placement.y, dx, dy, {}, {}, {}});
      out_.goodFor = goodFor(plan_.request, out_.bench.done, sheet.stock, dx, dy);
    }
    return std::move(out_);
  }

  Result<Aftermath> damaged(nest::PieceAtHand& piece) {
    const Defect& at = mishap_.damage;
    if (at.width <= Length{} || at.height <= Length{} || !at.isOn(piece.dx, piece.dy))
      return wrong("place", fmt::format("{} by {}", shown(at.width), shown(at.height)),
                   "one on the piece");
    piece.damaged.push_back(at);
    Event& event = note(EventKind::WentWrong);
    event.name = piece.id;
    event.length = at.width;
    event.width = at.height;
    event.note = fmt::format("damaged at {}, {}", shown(at.x), shown(at.y));
    return std::move(out_);
  }

  // A sheet or a piece that is not as large as was thought, or as thick.
  Result<Aftermath> resized(nest::PieceAtHand& piece) {
    const bool sheet = mishap_.kind == Mishap::Kind::Sheet;
    const StockSupply& stock = plan_.request.stock[piece.stock];
    if (sheet && (piece.dx != stock.length || piece.dy != stock.width))
      return wrong("sheet", mishap_.piece, "one that is not cut into");
    if (mishap_.length < Length{} || mishap_.width < Length{} || mishap_.thickness < Length{})
      return wrong("size", "less than nothing", "a size, or nothing where it is as was thought");
    if (mishap_.length > Length{}) piece.dx = mishap_.length;
    if (mishap_.width > Length{}) piece.dy = mishap_.width;
    // It was measured from edges that may not be square any more.
    constexpr Length kEdge = Length::mm(3);
    if (!sheet) piece.trims = {kEdge, kEdge, kEdge, kEdge};
    Event& event = note(sheet ? EventKind::SheetMeasured : EventKind::WentWrong);
    event.name = piece.id;
    event.length = piece.dx;
    event.width = piece.dy;
    event.thickness = mishap_.thickness;
    if (!sheet) event.note = "came out at another size";
    return std::move(out_);
  }

  const CuttingPlan& plan_;
  const int cutting_;
  const CuttingProgress& at_;
  const Mishap& mishap_;
  Aftermath out_;
};

// The numbers of the pieces of a row that are still to be cut: those nobody has, lowest first.
std::vector<std::int64_t> openNumbers(const PartDemand& before, std::int64_t count,
                                      const Progress& progress) {
  std::vector<std::int64_t> out;
  std::int64_t last = 0;
  for (std::int64_t copy = 1; copy <= before.quantity; ++copy) {
    const std::int64_t number = before.number(copy);
    last = std::max(last, number);
    if (progress.pieces.count({before.code, number}) == 0 && std::ssize(out) < count)
      out.push_back(number);
  }
  while (std::ssize(out) < count)
    if (progress.pieces.count({before.code, ++last}) == 0) out.push_back(last);
  return out;
}

}  // namespace

std::vector<Lying> lyingNow(const CuttingPlan& plan, const CuttingProgress& at,
                            const Progress& progress) {
  std::map<std::string, const PieceEnd*> ends;
  for (const PieceEnd& end : plan.plan.ends) ends.emplace(end.piece, &end);
  std::vector<Lying> out;
  for (const auto& [name, sure] :
       saw::sureAfter(plan.request, plan.plan, at.made[static_cast<std::size_t>(at.plan - 1)])) {
    if (at.bench.count(name) == 0) continue;
    Lying one{name, {}, sure.at.dx, sure.at.dy, false};
    const PlannedSheet& sheet = plan.plan.sheets[sure.at.sheet];
    const auto end = ends.find(name);
    if (end != ends.end() && end->second->kind == PieceEnd::Kind::Waste) continue;
    if (end != ends.end() && end->second->kind == PieceEnd::Kind::Part) {
      const Placement& placement = sheet.placements[end->second->index];
      one.part = pieceAt(plan, placement);
      const auto state = progress.pieces.find(*one.part);
      if (state == progress.pieces.end() || state->second.spoiled) continue;
      if (placement.turned) std::swap(one.length, one.width);
    } else {
      const StockSupply& stock = plan.request.stock[sheet.stock];
      one.whole = name == sheetName(plan.request, plan.plan, sure.at.sheet) && stock.piece.empty();
    }
    out.push_back(std::move(one));
  }
  return out;
}

Result<Aftermath> aftermath(const CuttingPlan& plan, int cutting, const CuttingProgress& at,
                            const Mishap& mishap) {
  return After(plan, cutting, at, mishap).run();
}

std::vector<std::string> goodFor(const NestRequest& request, const std::vector<std::int64_t>& done,
                                 std::size_t stock, Length dx, Length dy) {
  std::vector<std::string> out;
  const StockSupply& row = request.stock[stock];
  for (std::size_t i = 0; i < request.parts.size(); ++i) {
    const PartDemand& part = request.parts[i];
    if (part.quantity <= done[i] || part.material != row.material ||
        part.thickness != row.thickness || !part.run.empty())
      continue;
    const bool straight = part.length <= dx && part.width <= dy;
    const bool turned = part.width <= dx && part.length <= dy;
    const bool free = part.grain == PartGrain::Any || row.grain == SheetGrain::None;
    const bool along = (part.grain == PartGrain::Length) == (row.grain == SheetGrain::Length);
    if (free ? straight || turned : along ? straight : turned) out.push_back(part.code);
  }
  return out;
}

std::optional<Way> wayOn(const CuttingPlan& plan, const Aftermath& after, const Progress& progress,
                         int firstSheet, nest::Disturb disturb, const nest::NestOptions& options,
                         const std::stop_token& stop) {
  NestRequest request = after.request;
  request.firstSheet = firstSheet;
  nest::Replanned found = nest::replan(request, plan.plan, after.bench, disturb, options, stop);
  if (stop.stop_requested()) return std::nullopt;
  Way out;
  out.disturb = disturb;
  out.moved = found.moved;
  out.newSheets = found.newSheets;
  out.newCost = found.newCost;
  out.settings = found.plan.setups;
  for (std::size_t i = 0; i < found.request.parts.size(); ++i) {
    PartDemand& part = found.request.parts[i];
    part.numbers = openNumbers(plan.request.parts[i], part.quantity, progress);
  }
  for (const std::size_t part : found.movedParts)
    out.movedCodes.push_back(found.request.parts[part].code);
  // Bars are cut apart from sheets: what happened to a sheet changes none.
  found.plan.bars = plan.plan.bars;
  out.plan = {plan.parts, plan.lumber, std::move(found.request), std::move(found.plan)};
  return out;
}

}  // namespace pp::floor
