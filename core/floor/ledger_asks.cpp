// What is asked of the ledger.
#include <algorithm>
#include <tuple>
#include <utility>

#include "core/floor/ledger_inner.h"

namespace pp::floor {

Length wholeDown(Length length, Unit unit) {
  const Length step = usual(unit, Length::mm(1), Length::in(0, 1, 32));
  return length.inNm() / step.inNm() * step;
}

const Ledger::Of* Ledger::of(int cutting) const {
  const auto at = of_.find(cutting);
  return at == of_.end() ? nullptr : at->second.get();
}

const Cutting* Ledger::cutting(int number) const {
  const Of* at = of(number);
  return at == nullptr ? nullptr : &at->cutting;
}

const CuttingPlan* Ledger::plan(int cutting, int plan) const {
  const Of* at = of(cutting);
  if (at == nullptr || plan < 1 || plan > std::ssize(at->cutting.plans)) return nullptr;
  return &at->cutting.plans[static_cast<std::size_t>(plan - 1)];
}

const PlanPieces* Ledger::pieces(int cutting, int plan) const {
  const CuttingPlan* of = this->plan(cutting, plan);
  if (of == nullptr) return nullptr;
  auto& made = this->of(cutting)->pieces[static_cast<std::size_t>(plan - 1)];
  if (!made) made = std::make_unique<PlanPieces>(*of, plan);
  return made.get();
}

Ledger::Found Ledger::find(int cutting, const SawnPiece& piece) const {
  const PlanPieces* of = pieces(cutting, piece.plan);
  return {of, of == nullptr ? nullptr : of->find(piece)};
}

std::optional<PieceId> Ledger::partAt(int cutting, const SawnPiece& piece) const {
  const Found at = find(cutting, piece);
  return at ? at.of->part(*at.piece) : std::nullopt;
}

std::string Ledger::nameOf(int cutting, const SawnPiece& piece) const {
  const Found at = find(cutting, piece);
  return at ? at.piece->name : std::string();
}

std::optional<SawnPiece> Ledger::lying(int cutting, const std::string& name) const {
  const auto at = now_.cuttings.find(cutting);
  if (at == now_.cuttings.end()) return std::nullopt;
  for (auto piece = at->second.bench.rbegin(); piece != at->second.bench.rend(); ++piece)
    if (nameOf(cutting, *piece) == name) return *piece;
  return std::nullopt;
}

std::string Ledger::leftoverName(int cutting, const SawnPiece& piece) const {
  const Found at = find(cutting, piece);
  if (!at) return {};
  const Leftover* left = at.of->leftover(*at.piece);
  return left == nullptr ? at.piece->name : left->id;
}

bool Ledger::isNamed(const Labelled& on) const {
  const auto at = now_.cuttings.find(on.cutting);
  if (at != now_.cuttings.end() && at->second.returned.count(on.leftover) > 0) return true;
  const Cutting* cutting = this->cutting(on.cutting);
  if (cutting == nullptr) return false;
  for (const CuttingPlan& plan : cutting->plans)
    for (const PlannedSheet& sheet : plan.plan.sheets)
      for (const Leftover& left : sheet.leftovers)
        if (left.id == on.leftover) return true;
  return false;
}

// Left over by its plan; or to be cut further by a plan that is not in force any more, unless it
// is a whole sheet: that is free again as it is.
bool Ledger::isLeftOver(const CuttingProgress& at, int cutting, const SawnPiece& piece) const {
  const Found known = find(cutting, piece);
  if (!known) return false;
  if (known.piece->end != nullptr) return known.of->leftover(*known.piece) != nullptr;
  if (known.piece->dividedBy == 0 || (!at.givenUp && piece.plan == at.plan)) return false;
  return !isWhole(at, piece);
}

std::optional<SawnPiece> Ledger::leftOver(const CuttingProgress& at, int cutting,
                                          const std::string& name) const {
  for (const SawnPiece& piece : at.bench)
    if (isLeftOver(at, cutting, piece) && leftoverName(cutting, piece) == name) return piece;
  return std::nullopt;
}

bool Ledger::isWhole(const CuttingProgress& at, SawnPiece piece) {
  // Through all that it was taken for.
  for (auto was = at.was.find(piece); was != at.was.end(); was = at.was.find(piece))
    piece = was->second;
  return piece.step == 0;
}

std::int64_t Ledger::sparesCut(int cutting, int plan, int step) const {
  const Of* at = of(cutting);
  if (at == nullptr) return 0;
  const auto cut = at->spares.find({plan, step});
  return cut == at->spares.end() ? 0 : cut->second;
}

const saw::SurePiece* Ledger::sure(int cutting, const SawnPiece& piece) const {
  const auto at = now_.cuttings.find(cutting);
  const CuttingPlan* plan = this->plan(cutting, piece.plan);
  if (at == now_.cuttings.end() || plan == nullptr) return nullptr;
  auto& known = of(cutting)->sure[static_cast<std::size_t>(piece.plan - 1)];
  if (known.empty())
    known = saw::sureAfter(plan->request, plan->plan, at->second.madeOf(piece.plan));
  const auto there = known.find(nameOf(cutting, piece));
  return there == known.end() ? nullptr : &there->second;
}

std::optional<LeftoverThere> Ledger::sized(int cutting, const SawnPiece& piece) const {
  const Found known = find(cutting, piece);
  const CuttingPlan* plan = this->plan(cutting, piece.plan);
  if (!known || known.piece->sheet >= plan->plan.sheets.size()) return std::nullopt;
  const std::size_t row = plan->plan.sheets[known.piece->sheet].stock;
  if (row >= plan->request.stock.size()) return std::nullopt;
  LeftoverThere out{{std::nullopt, cutting, leftoverName(cutting, piece)},
                    piece,
                    plan,
                    &plan->request.stock[row],
                    {},
                    {}};
  if (const Leftover* left = known.of->leftover(*known.piece)) {
    out.length = left->dx;
    out.width = left->dy;
  } else if (piece.step == 0) {
    out.length = out.stock->length;
    out.width = out.stock->width;
  } else {
    const saw::SurePiece* there = sure(cutting, piece);
    if (there == nullptr) return std::nullopt;
    out.length = there->at.dx;
    out.width = there->at.dy;
  }
  if (piece.step == 0) return out;
  // Spares were cut from what came off.
  const SawCut& cut = plan->plan.cuts[static_cast<std::size_t>(piece.step - 1)];
  if (piece.which == (cut.fence == FenceSide::Low ? 1 : 0))
    (cut.direction == CutDirection::Rip ? out.width : out.length) -=
        sparesCut(cutting, piece.plan, piece.step) * (cut.distance + cut.kerf);
  return out;
}

std::vector<LeftoverThere> Ledger::leftovers() const {
  std::vector<LeftoverThere> out;
  for (const auto& [number, at] : now_.cuttings)
    for (const SawnPiece& piece : at.bench) {
      if (!isLeftOver(at, number, piece)) continue;
      const auto there = sized(number, piece);
      if (there && isWorthKeeping(there->plan->request, *there->stock, there->length, there->width))
        out.push_back(*there);
    }
  // As they stand on the sheets, not as they came off.
  const auto place = [this](const LeftoverThere& one) {
    const PlanPieces::Piece* known = pieces(one.on.cutting, one.piece.plan)->find(one.piece);
    return std::tuple(one.on.cutting, one.piece.plan, known->sheet, known->end == nullptr,
                      known->end == nullptr ? 0 : known->end->index);
  };
  std::stable_sort(out.begin(), out.end(), [&](const LeftoverThere& a, const LeftoverThere& b) {
    return place(a) < place(b);
  });
  return out;
}

std::int64_t Ledger::leftoversOf(int cutting) const {
  const std::vector<LeftoverThere> all = leftovers();
  return std::count_if(all.begin(), all.end(),
                       [cutting](const LeftoverThere& one) { return one.on.cutting == cutting; });
}

std::optional<LeftoverThere> Ledger::leftover(const Labelled& on) const {
  const auto at = now_.cuttings.find(on.cutting);
  if (at == now_.cuttings.end()) return std::nullopt;
  if (const auto back = at->second.returned.find(on.leftover); back != at->second.returned.end())
    return sized(on.cutting, back->second);
  const auto piece = leftOver(at->second, on.cutting, on.leftover);
  return piece ? sized(on.cutting, *piece) : std::nullopt;
}

std::vector<Event> Ledger::toTheRack(std::optional<int> cutting) const {
  std::vector<Event> out;
  for (const LeftoverThere& one : leftovers()) {
    if (cutting && one.on.cutting != *cutting) continue;
    Event event;
    event.kind = EventKind::PieceReturned;
    event.cutting = one.on.cutting;
    event.name = one.on.leftover;
    out.push_back(std::move(event));
  }
  return out;
}

std::vector<LabelOwed> Ledger::cameOffLast() const {
  std::vector<LabelOwed> out;
  const auto add = [&](const Labelled& on, int cutting) {
    const auto at = now_.labels.find(on);
    out.push_back({on, at == now_.labels.end() ? 1 : at->second.next(), cutting});
  };
  for (auto act = now_.acts.rbegin(); out.empty() && act != now_.acts.rend(); ++act) {
    if (act->kind == Act::Kind::Spare) add({act->spare, 0, {}}, act->cutting);
    if (act->kind != Act::Kind::Cut) continue;
    if (act->plan == 0) {
      const auto& bars = cutting(act->cutting)->bars;
      const auto& piece = bars[static_cast<std::size_t>(act->step - 1)].piece;
      if (piece && now_.pieces.count(*piece) > 0) add({piece, 0, {}}, act->cutting);
      continue;
    }
    const CuttingProgress& at = now_.cuttings.at(act->cutting);
    const PlanPieces* of = pieces(act->cutting, act->plan);
    for (const auto& off : {of->low(act->step), of->high(act->step)}) {
      if (!off) continue;
      const auto id = partAt(act->cutting, *off);
      if (id && now_.pieces.count(*id) > 0) add({id, 0, {}}, act->cutting);
      if (!id && at.bench.count(*off) > 0 && of->leftover(*of->find(*off)) != nullptr)
        add({std::nullopt, act->cutting, leftoverName(act->cutting, *off)}, act->cutting);
    }
  }
  return out;
}

std::optional<Event> Ledger::back(int cutting) const {
  const auto at = now_.cuttings.find(cutting);
  if (at == now_.cuttings.end() || at->second.givenUp) return std::nullopt;
  for (auto act = now_.acts.rbegin(); act != now_.acts.rend(); ++act) {
    if (act->cutting != cutting) continue;
    Event event;
    event.cutting = cutting;
    event.plan = act->plan;
    event.step = act->step;
    std::string why;
    switch (act->kind) {
      case Act::Kind::Cut:
        event.kind = EventKind::CutTakenBack;
        why = act->plan == 0 ? barCutTakenBack(event, at->second) : cutTakenBack(event, at->second);
        break;
      case Act::Kind::Spare:
        event.kind = EventKind::SpareTakenBack;
        event.piece = act->spare;
        event.plan = event.step = 0;
        why = spareTakenBack(event);
        break;
      case Act::Kind::Plan:
        event.kind = EventKind::PlanTakenBack;
        why = planTakenBack(event, at->second);
    }
    if (why.empty()) return event;
  }
  return std::nullopt;
}

}  // namespace pp::floor
