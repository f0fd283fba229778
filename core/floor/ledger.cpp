#include "core/floor/ledger.h"

#include <algorithm>
#include <utility>

#include "core/floor/ledger_inner.h"

namespace pp::floor {

Ledger::Ledger(const std::vector<Cutting>& cuttings) : cuttings_(cuttings) {
  for (const Cutting& cutting : cuttings) of_.try_emplace(cutting.number, new Of(cutting));
}

Ledger::Ledger(const std::vector<Cutting>& cuttings, const std::vector<Event>& events)
    : Ledger(cuttings) {
  take(events);
}

Ledger::~Ledger() = default;

void Ledger::take(const std::vector<Event>& events) {
  for (const Event& event : events)
    if (std::string why = apply(event); !why.empty())
      now_.ignored.push_back({event.seq, std::move(why)});
}

template <class Change>
std::string Ledger::underWay(const Event& event, const Change& change) {
  const auto at = now_.cuttings.find(event.cutting);
  if (at == now_.cuttings.end()) return "that cutting was not taken";
  if (at->second.givenUp) return "that cutting was given up";
  return change(at->second);
}

std::string Ledger::apply(const Event& event) {
  // What is taken back: whether it can be, then what it does.
  const auto takeBack = [&](auto check, auto act) {
    return underWay(event, [&](CuttingProgress& at) {
      std::string why = check(at);
      if (why.empty()) act(at);
      return why;
    });
  };
  switch (event.kind) {
    case EventKind::Taken:
      return taken(event);
    case EventKind::GivenUp:
      return underWay(event, [](CuttingProgress& at) {
        at.givenUp = true;
        return std::string();
      });
    case EventKind::PlanTaken:
      return underWay(event, [&](CuttingProgress& at) { return planTaken(event, at); });
    case EventKind::PlanTakenBack:
      return takeBack([&](CuttingProgress& at) { return planTakenBack(event, at); },
                      [&](CuttingProgress& at) {
                        layPlanBack(event.cutting, at);
                        forget(Act::Kind::Plan, event);
                      });
    case EventKind::CutMade:
      return underWay(event, [&](CuttingProgress& at) {
        return event.plan == 0 ? barCutMade(event, at) : cutMade(event, at);
      });
    case EventKind::CutTakenBack:
      return takeBack(
          [&](CuttingProgress& at) {
            return event.plan == 0 ? barCutTakenBack(event, at) : cutTakenBack(event, at);
          },
          [&](CuttingProgress& at) {
            makeWhole(event, at);
            forget(Act::Kind::Cut, event);
          });
    case EventKind::Spare:
      return underWay(event, [&](CuttingProgress&) { return spare(event); });
    case EventKind::SpareTakenBack: {
      std::string why = spareTakenBack(event);
      if (!why.empty()) return why;
      const auto spare = now_.pieces.find(*event.piece);
      const SawnPiece from = spare->second.from;
      --of_.at(spare->second.cutting)->spares[{from.plan, from.step}];
      now_.pieces.erase(spare);
      forget(Act::Kind::Spare, event);
      return {};
    }
    case EventKind::SheetMeasured:
      return {};
    case EventKind::PieceReturned:
      return returned(event);
    case EventKind::PartSpoiled:
    case EventKind::CameOutAt:
    case EventKind::Machined:
    case EventKind::Banded:
    case EventKind::CoatGiven:
    case EventKind::StepAssembled:
      return withPiece(event);
    case EventKind::ClockStarted:
      return now_.running.emplace(event.name, event.time).second
                 ? std::string()
                 : std::string("that clock runs already");
    case EventKind::ClockStopped:
      return stopped(event);
    case EventKind::WentWrong:
    case EventKind::MishapNoted:
      ++now_.mishaps;
      return {};
    case EventKind::DoneTakenBack:
      return doneTakenBack(event);
    case EventKind::LabelPrinted:
    case EventKind::LabelWanted:
      return label(event);
  }
  return "an unknown kind";
}

std::string Ledger::taken(const Event& event) {
  const Cutting* cutting = this->cutting(event.cutting);
  if (cutting == nullptr || cutting->plans.empty()) return "there is no such cutting";
  if (now_.cuttings.count(event.cutting) != 0) return "that cutting was taken already";
  CuttingProgress& at = now_.cuttings[event.cutting];
  at.made.resize(cutting->plans.size());
  at.plan = 1;
  at.taken = {1};
  const std::size_t sheets = cutting->plans.front().plan.sheets.size();
  for (std::size_t i = 0; i < sheets; ++i) appears(event.cutting, {1, 0, static_cast<int>(i)}, at);
  return {};
}

std::string Ledger::planTaken(const Event& event, CuttingProgress& at) {
  const CuttingPlan* next = plan(event.cutting, event.plan);
  if (next == nullptr || event.plan < 2) return "there is no such plan";
  // One that was taken back may be taken again: until version 6 another could get its number.
  if (std::find(at.taken.begin(), at.taken.end(), event.plan) != at.taken.end())
    return "that plan was taken already";
  std::map<SawnPiece, SawnPiece> was;
  std::set<SawnPiece> used;
  for (std::size_t i = 0; i < next->plan.sheets.size(); ++i) {
    const std::size_t row = next->plan.sheets[i].stock;
    if (row >= next->request.stock.size()) return "it has a sheet of no stock";
    const StockSupply& stock = next->request.stock[row];
    if (stock.piece.empty()) continue;
    const auto piece = stock.from ? stock.from : lying(event.cutting, stock.piece);
    if (!piece || at.bench.count(*piece) == 0 || !used.insert(*piece).second)
      return "piece " + stock.piece + " is not there";
    was.emplace(SawnPiece{event.plan, 0, static_cast<int>(i)}, *piece);
  }
  for (const SawnPiece& piece : used) at.bench.erase(piece);
  at.was.insert(was.begin(), was.end());
  at.plan = event.plan;
  at.taken.push_back(event.plan);
  for (std::size_t i = 0; i < next->plan.sheets.size(); ++i)
    appears(event.cutting, {event.plan, 0, static_cast<int>(i)}, at);
  now_.acts.push_back({Act::Kind::Plan, event.cutting, event.plan, 0, {}});
  return {};
}

std::string Ledger::planTakenBack(const Event& event, const CuttingProgress& at) const {
  if (event.plan != at.plan || at.taken.size() < 2) return "that plan is not in force";
  if (!at.madeOf(at.plan).empty()) return "it has been cut by";
  const CuttingPlan* now = plan(event.cutting, at.plan);
  for (std::size_t i = 0; i < now->plan.sheets.size(); ++i) {
    const SawnPiece sheet{at.plan, 0, static_cast<int>(i)};
    if (at.bench.count(sheet) == 0) return "a piece of it is gone";
    if (std::string why = held(event.cutting, sheet); !why.empty()) return why;
  }
  return {};
}

void Ledger::layPlanBack(int cutting, CuttingProgress& at) {
  const auto sheets = static_cast<int>(plan(cutting, at.plan)->plan.sheets.size());
  for (int i = 0; i < sheets; ++i) {
    const SawnPiece sheet{at.plan, 0, i};
    disappears(cutting, sheet, at);
    const auto was = at.was.find(sheet);
    if (was == at.was.end()) continue;
    at.bench.insert(was->second);
    at.was.erase(was);
  }
  at.taken.pop_back();
  at.plan = at.taken.back();
}

std::string Ledger::cutMade(const Event& event, CuttingProgress& at) {
  const PlanPieces* of = event.plan == at.plan ? pieces(event.cutting, at.plan) : nullptr;
  const auto piece = of == nullptr ? std::nullopt : of->divided(event.step);
  if (!piece) return "the plan in force has no such cut";
  if (at.bench.count(*piece) == 0) return "piece " + of->find(*piece)->name + " is not there";
  at.made[static_cast<std::size_t>(at.plan - 1)].insert(event.step);
  of_.at(event.cutting)->sure[static_cast<std::size_t>(at.plan - 1)].clear();
  at.bench.erase(*piece);
  for (const auto& off : {of->low(event.step), of->high(event.step)})
    if (off) appears(event.cutting, *off, at);
  now_.acts.push_back({Act::Kind::Cut, event.cutting, event.plan, event.step, {}});
  return {};
}

Ledger::Pieces::const_iterator Ledger::cutThere(int cutting, const SawnPiece& from,
                                                const std::optional<PieceId>& part) const {
  const auto piece = part ? now_.pieces.find(*part) : now_.pieces.end();
  const bool isThat =
      piece != now_.pieces.end() && piece->second.from == from && piece->second.cutting == cutting;
  return isThat ? piece : now_.pieces.end();
}

std::string Ledger::held(int cutting, const SawnPiece& from) const {
  const auto piece = cutThere(cutting, from, partAt(cutting, from));
  return piece == now_.pieces.end() || piece->second.isUntouched()
             ? std::string()
             : "something was done to " + nameOf(cutting, from);
}

std::string Ledger::cutTakenBack(const Event& event, const CuttingProgress& at) const {
  const PlanPieces* of = event.plan == at.plan ? pieces(event.cutting, at.plan) : nullptr;
  const auto piece = of == nullptr ? std::nullopt : of->divided(event.step);
  if (!piece || at.madeOf(at.plan).count(event.step) == 0) return "that cut was not made";
  if (sparesCut(event.cutting, event.plan, event.step) > 0)
    return "a spare was cut from what came off";
  for (const auto& off : {of->low(event.step), of->high(event.step)}) {
    if (!off) continue;
    if (at.bench.count(*off) == 0)
      return "piece " + of->find(*off)->name + " is cut further or gone";
    if (std::string why = held(event.cutting, *off); !why.empty()) return why;
  }
  return {};
}

void Ledger::makeWhole(const Event& event, CuttingProgress& at) {
  if (event.plan == 0) {
    at.bars.erase(event.step);
    const auto piece = cutThere(event.cutting, {0, event.step, 0}, barCut(event)->piece);
    if (piece != now_.pieces.end()) now_.pieces.erase(piece);
    return;
  }
  const PlanPieces* of = pieces(event.cutting, at.plan);
  for (const auto& off : {of->low(event.step), of->high(event.step)})
    if (off) disappears(event.cutting, *off, at);
  at.made[static_cast<std::size_t>(at.plan - 1)].erase(event.step);
  of_.at(event.cutting)->sure[static_cast<std::size_t>(at.plan - 1)].clear();
  at.bench.insert(*of->divided(event.step));
}

const saw::BarCut* Ledger::barCut(const Event& event) const {
  const Cutting* cutting = this->cutting(event.cutting);
  if (cutting == nullptr || event.step < 1 || event.step > std::ssize(cutting->bars))
    return nullptr;
  return &cutting->bars[static_cast<std::size_t>(event.step - 1)];
}

std::string Ledger::barCutMade(const Event& event, CuttingProgress& at) {
  const saw::BarCut* cut = barCut(event);
  if (cut == nullptr) return "there is no such cut of a bar";
  if (cut->after != 0 && at.bars.count(cut->after) == 0)
    return "piece " + cut->cut.piece + " is not there";
  if (!at.bars.insert(event.step).second) return "that cut is made already";
  if (cut->piece)
    now_.pieces.emplace(*cut->piece,
                        PieceProgress{.cutting = event.cutting, .from = {0, event.step, 0}});
  now_.acts.push_back({Act::Kind::Cut, event.cutting, 0, event.step, {}});
  return {};
}

std::string Ledger::barCutTakenBack(const Event& event, const CuttingProgress& at) const {
  const saw::BarCut* cut = barCut(event);
  if (cut == nullptr || at.bars.count(event.step) == 0) return "that cut was not made";
  for (const saw::BarCut& other : cutting(event.cutting)->bars)
    if (other.after == event.step && at.bars.count(other.cut.step) > 0)
      return "piece " + cut->cut.piece + " is cut further or gone";
  if (sparesCut(event.cutting, 0, event.step) > 0) return "a spare was cut from what came off";
  const auto piece = cutThere(event.cutting, {0, event.step, 0}, cut->piece);
  if (piece != now_.pieces.end() && !piece->second.isUntouched())
    return "something was done to " + cut->piece->code;
  return {};
}

std::string Ledger::spare(const Event& event) {
  if (!event.piece) return "it names no piece";
  if (now_.pieces.count(*event.piece) > 0) return "that piece is there already";
  // A number that a plan gives to a piece that is still to be cut is that one's.
  bool planned = false;
  for (const auto& [number, other] : now_.cuttings)
    if (const CuttingPlan* now = other.givenUp ? nullptr : plan(number, other.plan))
      eachRow(*now, [&](const CutRow& row) {
        if (row.code != event.piece->code) return;
        row.eachNumber([&](std::int64_t one) { planned = planned || one == event.piece->number; });
      });
  if (planned) return "that number is one of a piece still to be cut";
  now_.pieces.emplace(
      *event.piece,
      PieceProgress{.cutting = event.cutting, .spare = true, .from = {event.plan, event.step, 0}});
  ++of_.at(event.cutting)->spares[{event.plan, event.step}];
  now_.acts.push_back({Act::Kind::Spare, event.cutting, event.plan, event.step, event.piece});
  return {};
}

std::string Ledger::spareTakenBack(const Event& event) const {
  const auto at = event.piece ? now_.pieces.find(*event.piece) : now_.pieces.end();
  if (at == now_.pieces.end() || !at->second.spare) return "there is no such spare";
  return at->second.isUntouched() ? std::string() : std::string("something was done to it");
}

std::string Ledger::returned(const Event& event) {
  const auto at = now_.cuttings.find(event.cutting);
  if (at == now_.cuttings.end()) return "that cutting was not taken";
  const auto found = leftOver(at->second, event.cutting, event.name);
  if (!found) return "no such leftover lies there";
  if (!at->second.returned.emplace(event.name, *found).second)
    return "one of that name went to the rack already";
  at->second.bench.erase(*found);
  return {};
}

std::string Ledger::withPiece(const Event& event) {
  if (!event.piece) return "it names no piece";
  const auto at = now_.pieces.find(*event.piece);
  if (at == now_.pieces.end()) return "that piece is not cut";
  PieceProgress& piece = at->second;
  if (piece.spoiled) return "that piece is spoiled";
  if (event.kind == EventKind::PartSpoiled) {
    piece.spoiled = true;
  } else if (event.kind == EventKind::CameOutAt) {
    piece.length = event.length;
    piece.width = event.width;
  } else if (!piece.done.insert(event.name).second) {
    return "that is done already";
  }
  return {};
}

std::string Ledger::doneTakenBack(const Event& event) {
  if (!event.piece) return "it names no piece";
  const auto at = now_.pieces.find(*event.piece);
  return at != now_.pieces.end() && at->second.done.erase(event.name) > 0
             ? std::string()
             : std::string("that is not done");
}

// Of what was once there: a label may come out of the printer after its piece was spoiled.
std::string Ledger::label(const Event& event) {
  const Labelled on = event.piece ? Labelled{event.piece, 0, {}}
                                  : Labelled{std::nullopt, event.cutting, event.name};
  const auto at = now_.labels.find(on);
  const bool known =
      at != now_.labels.end() || (event.piece ? now_.pieces.count(*event.piece) > 0 ||
                                                    partOf(cuttings_, *event.piece) != nullptr
                                              : isNamed(on));
  if (!known) return "no cutting has such a piece";
  LabelCount count = at == now_.labels.end() ? LabelCount{} : at->second;
  if (event.kind == EventKind::LabelWanted) {
    if (count.printed <= count.again) return "a label of it waits already";
    ++count.again;
  } else {
    if (event.step != count.next()) return "that label was printed already";
    ++count.printed;
  }
  now_.labels[on] = count;
  return {};
}

std::string Ledger::stopped(const Event& event) {
  const auto at = now_.running.find(event.name);
  if (at == now_.running.end()) return "that clock does not run";
  // A clock that was set back between counts nothing rather than less.
  now_.milliseconds[event.name] += std::max<std::int64_t>(0, event.time - at->second);
  now_.running.erase(at);
  return {};
}

void Ledger::appears(int cutting, const SawnPiece& piece, CuttingProgress& at) {
  at.bench.insert(piece);
  if (const auto id = partAt(cutting, piece))
    now_.pieces.emplace(*id, PieceProgress{.cutting = cutting, .from = piece});
}

void Ledger::disappears(int cutting, const SawnPiece& piece, CuttingProgress& at) {
  at.bench.erase(piece);
  const auto known = cutThere(cutting, piece, partAt(cutting, piece));
  if (known != now_.pieces.end()) now_.pieces.erase(known);
}

// The last of the kind that the event is of is no more to be taken back.
void Ledger::forget(Act::Kind kind, const Event& event) {
  for (std::size_t i = now_.acts.size(); i-- > 0;) {
    const Act& act = now_.acts[i];
    const bool is =
        act.kind == kind &&
        (kind == Act::Kind::Spare ? act.spare == event.piece
                                  : act.cutting == event.cutting && act.plan == event.plan &&
                                        (kind == Act::Kind::Plan || act.step == event.step));
    if (!is) continue;
    now_.acts.erase(now_.acts.begin() + static_cast<std::ptrdiff_t>(i));
    return;
  }
}

Progress progress(const std::vector<Cutting>& cuttings, const std::vector<Event>& events) {
  return Ledger(cuttings, events).now();
}

}  // namespace pp::floor
