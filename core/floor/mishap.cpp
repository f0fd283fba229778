#include "core/floor/mishap.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>
#include <tuple>
#include <utility>

namespace pp::floor {
namespace {

Problem wrong(const std::string& field, const std::string& found, const std::string& expected) {
  return {{}, 0, field, found, expected};
}

class After {
 public:
  After(const Ledger& ledger, int cutting, const CuttingProgress& at, const Mishap& mishap)
      : ledger_(ledger),
        plan_(*ledger.plan(cutting, at.plan)),
        cutting_(cutting),
        at_(at),
        mishap_(mishap) {}

  Result<Aftermath> run() {
    auto bench = nest::benchAfter(plan_.request, plan_.plan, at_.madeOf(at_.plan));
    if (!bench) return bench.problems();
    out_.bench = std::move(bench).value();
    out_.request = plan_.request;
    for (const SawnPiece& piece : at_.bench)
      if (piece.plan == at_.plan) out_.who.emplace(ledger_.nameOf(cutting_, piece), piece);
    // What went to the rack is not there any more.
    std::erase_if(out_.bench.pieces,
                  [this](const nest::PieceAtHand& piece) { return out_.who.count(piece.id) == 0; });
    sparesOff();
    freeAgain();
    addEarlier();
    using Kind = Mishap::Kind;
    if (mishap_.kind == Kind::Kerf) return kerf();
    const auto end =
        std::find_if(plan_.plan.ends.begin(), plan_.plan.ends.end(),
                     [this](const PieceEnd& one) { return one.piece == mishap_.piece; });
    const bool part = end != plan_.plan.ends.end() && end->kind == PieceEnd::Kind::Part;
    if (out_.who.count(mishap_.piece) == 0)
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
  // What spares were cut from is smaller by them.
  void sparesOff() {
    for (nest::PieceAtHand& piece : out_.bench.pieces) {
      const auto there = ledger_.sized(cutting_, out_.who.at(piece.id));
      const SawnPiece& who = out_.who.at(piece.id);
      if (!there || who.step == 0 || ledger_.sparesCut(cutting_, who.plan, who.step) == 0) continue;
      piece.dx = std::min(piece.dx, there->length);
      piece.dy = std::min(piece.dy, there->width);
    }
    std::erase_if(out_.bench.pieces, [](const nest::PieceAtHand& piece) {
      return piece.dx <= Length{} || piece.dy <= Length{};
    });
  }

  // Whole sheets that the plan freed can be had again.
  void freeAgain() {
    for (const SawnPiece& piece : at_.bench) {
      if (piece.plan == at_.plan || !Ledger::isWhole(at_, piece)) continue;
      const auto free = ledger_.sized(cutting_, piece);
      for (StockSupply& stock : out_.request.stock)
        if (free && stock.piece.empty() && stock.row == free->stock->row && stock.quantity) {
          ++*stock.quantity;
          break;
        }
    }
  }

  // What earlier plans have left over lies there too.
  void addEarlier() {
    for (const LeftoverThere& left : ledger_.leftovers()) {
      if (left.on.cutting != cutting_ || left.piece.plan == at_.plan) continue;
      const auto row = std::find_if(
          plan_.request.stock.begin(), plan_.request.stock.end(), [&](const StockSupply& stock) {
            return stock.piece.empty() && stock.row == left.stock->row &&
                   stock.material == left.stock->material &&
                   stock.thickness == left.stock->thickness && stock.lot == left.stock->lot;
          });
      if (row == plan_.request.stock.end() ||
          !out_.who.emplace(left.on.leftover, left.piece).second)
        continue;
      nest::PieceAtHand piece;
      piece.id = left.on.leftover;
      piece.stock = static_cast<std::size_t>(row - plan_.request.stock.begin());
      piece.dx = left.length;
      piece.dy = left.width;
      // Of a piece that was itself cut from a sheet it is not known where that lay: beyond the
      // sheet nothing must stay free.
      piece.x = row->length;
      piece.y = row->width;
      if (const saw::SurePiece* sure = ledger_.sure(cutting_, left.piece)) {
        piece.trims = sure->trims;
        if (left.stock->piece.empty()) {
          piece.x = sure->at.x;
          piece.y = sure->at.y;
        }
      }
      out_.bench.pieces.push_back(std::move(piece));
    }
  }

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

  const Ledger& ledger_;
  const CuttingPlan& plan_;
  const int cutting_;
  const CuttingProgress& at_;
  const Mishap& mishap_;
  Aftermath out_;
};

// The numbers of the pieces of a row that are still to be cut: its own that no piece has, lowest
// first, then those that nothing has.
std::vector<std::int64_t> openNumbers(const PartDemand& before, std::int64_t count,
                                      const Progress& progress,
                                      const std::map<std::string, std::set<std::int64_t>>& taken) {
  std::vector<std::int64_t> out;
  for (std::int64_t copy = 1; copy <= before.quantity && std::ssize(out) < count; ++copy)
    if (progress.pieces.count({before.code, before.number(copy)}) == 0)
      out.push_back(before.number(copy));
  std::int64_t last = 0;
  const auto others = taken.find(before.code);
  if (others != taken.end() && !others->second.empty()) last = *others->second.rbegin();
  while (std::ssize(out) < count) out.push_back(++last);
  return out;
}

// Whether a whole sheet is cut as it was to be before, in whatever order.
bool isCutAsBefore(const CuttingPlan& before, const CuttingPlan& after, std::size_t sheet) {
  const auto cutsOf = [](const CuttingPlan& of, std::size_t one) {
    const std::string name = sheetName(of.request, of.plan, one);
    const auto within = [&name](const std::string& piece) { return piece.substr(name.size()); };
    std::set<std::tuple<std::string, CutDirection, Length, Length, std::string, std::string>> out;
    for (const SawCut& cut : of.plan.cuts)
      if (cut.sheet == one)
        out.emplace(within(cut.piece), cut.direction, cut.at, cut.kerf,
                    cut.low ? within(*cut.low) : std::string("-"),
                    cut.high ? within(*cut.high) : std::string("-"));
    return out;
  };
  const StockSupply& stock = after.request.stock[after.plan.sheets[sheet].stock];
  for (std::size_t i = 0; i < before.plan.sheets.size(); ++i)
    if (sheetName(before.request, before.plan, i) == stock.piece)
      return before.plan.sheets[i].placements == after.plan.sheets[sheet].placements &&
             cutsOf(before, i) == cutsOf(after, sheet);
  return false;
}

// A sheet or piece that is laid out anew is numbered on, so that no two pieces are called alike.
void numberOn(const CuttingPlan& before, const std::map<std::string, SawnPiece>& who,
              CuttingPlan& after) {
  for (StockSupply& stock : after.request.stock)
    if (const auto known = who.find(stock.piece); known != who.end()) stock.from = known->second;
  for (std::size_t i = 0; i < after.plan.sheets.size(); ++i) {
    PlannedSheet& sheet = after.plan.sheets[i];
    StockSupply& stock = after.request.stock[sheet.stock];
    if (stock.piece.empty() || isCutAsBefore(before, after, i)) continue;
    const std::size_t old = stock.piece.size();
    stock.anew = true;
    const std::string name = sheetName(after.request, after.plan, i);
    const auto rename = [&](std::string& piece) { piece = name + piece.substr(old); };
    for (Leftover& left : sheet.leftovers) rename(left.id);
    for (SawCut& cut : after.plan.cuts) {
      if (cut.sheet != i) continue;
      rename(cut.piece);
      if (cut.low) rename(*cut.low);
      if (cut.high) rename(*cut.high);
    }
    for (PieceEnd& end : after.plan.ends)
      if (end.sheet == i) rename(end.piece);
  }
}

}  // namespace

std::vector<Lying> lyingNow(const Ledger& ledger, int cutting) {
  std::vector<Lying> out;
  const auto known = ledger.now().cuttings.find(cutting);
  if (known == ledger.now().cuttings.end() || known->second.givenUp) return out;
  const CuttingProgress& at = known->second;
  const CuttingPlan& plan = *ledger.plan(cutting, at.plan);
  const PlanPieces& pieces = *ledger.pieces(cutting, at.plan);
  std::map<std::string, Lying> byName;
  for (const SawnPiece& piece : at.bench) {
    const PlanPieces::Piece* of = pieces.find(piece);
    if (of == nullptr || (of->end != nullptr && of->end->kind == PieceEnd::Kind::Waste)) continue;
    const auto sure = ledger.sized(cutting, piece);
    if (!sure) continue;
    Lying one{of->name, pieces.part(*of), sure->length, sure->width, false};
    if (one.part) {
      const auto state = ledger.now().pieces.find(*one.part);
      if (state == ledger.now().pieces.end() || state->second.spoiled) continue;
      const Placement& placement = plan.plan.sheets[of->end->sheet].placements[of->end->index];
      one.length = placement.turned ? placement.dy : placement.dx;
      one.width = placement.turned ? placement.dx : placement.dy;
    } else {
      one.whole = piece.step == 0 && ledger.isWhole(at, piece);
    }
    byName.emplace(of->name, std::move(one));
  }
  for (auto& [name, one] : byName) out.push_back(std::move(one));
  return out;
}

Result<Aftermath> aftermath(const Ledger& ledger, int cutting, const Mishap& mishap) {
  const auto at = ledger.now().cuttings.find(cutting);
  if (at == ledger.now().cuttings.end() || at->second.givenUp)
    return wrong("cutting", std::to_string(cutting), "one that is at the saw");
  return After(ledger, cutting, at->second, mishap).run();
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

WayFrom wayFrom(const Ledger& ledger, const Holdings& held, int cutting, Aftermath after) {
  const int plan = ledger.now().cuttings.at(cutting).plan;
  return {std::make_shared<const CuttingPlan>(*ledger.plan(cutting, plan)), std::move(after),
          ledger.now(), held.numbers, held.firstSheet};
}

std::optional<Way> wayOn(const WayFrom& from, nest::Disturb disturb,
                         const nest::NestOptions& options, const std::stop_token& stop) {
  const CuttingPlan& plan = *from.plan;
  NestRequest request = from.after.request;
  request.firstSheet = from.firstSheet;
  nest::Replanned found =
      nest::replan(request, plan.plan, from.after.bench, disturb, options, stop);
  if (stop.stop_requested()) return std::nullopt;
  Way out;
  out.disturb = disturb;
  out.moved = found.moved;
  out.newSheets = found.newSheets;
  out.newCost = found.newCost;
  out.settings = found.plan.setups;
  for (std::size_t i = 0; i < found.request.parts.size(); ++i) {
    PartDemand& part = found.request.parts[i];
    part.numbers = openNumbers(plan.request.parts[i], part.quantity, from.progress, from.numbers);
  }
  for (const std::size_t part : found.movedParts)
    out.movedCodes.push_back(found.request.parts[part].code);
  // Bars are cut apart from sheets: what happened to a sheet changes none.
  found.plan.bars = plan.plan.bars;
  out.plan = {plan.parts, plan.lumber, std::move(found.request), std::move(found.plan)};
  numberOn(plan, from.after.who, out.plan);
  return out;
}

}  // namespace pp::floor
