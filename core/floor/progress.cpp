#include "core/floor/progress.h"

#include <algorithm>
#include <unordered_map>

#include "core/saw/bar_cuts.h"

namespace pp::floor {
namespace {

// What the pieces of a plan become, by name.
using Ends = std::unordered_map<std::string, const PieceEnd*>;

Ends endsOf(const Plan& plan) {
  Ends out;
  for (const PieceEnd& end : plan.ends) out.emplace(end.piece, &end);
  return out;
}

class Folder {
 public:
  Folder(const std::vector<Cutting>& cuttings, Progress& out) : cuttings_(cuttings), out_(out) {}

  // Applies the event, or says why it cannot have happened.
  std::string apply(const Event& event) {
    switch (event.kind) {
      case EventKind::Taken:
        return taken(event);
      case EventKind::GivenUp:
        return underWay(event, [&](CuttingProgress& at) {
          at.givenUp = true;
          return std::string();
        });
      case EventKind::PlanTaken:
        return underWay(event, [&](CuttingProgress& at) { return planTaken(event, at); });
      case EventKind::PlanTakenBack:
        return underWay(event, [&](CuttingProgress& at) { return planTakenBack(event, at); });
      case EventKind::CutMade:
        return underWay(event, [&](CuttingProgress& at) { return cutMade(event, at); });
      case EventKind::CutTakenBack:
        return underWay(event, [&](CuttingProgress& at) { return cutTakenBack(event, at); });
      case EventKind::Spare:
        return underWay(event, [&](CuttingProgress&) {
          if (!event.piece) return std::string("it names no piece");
          return out_.pieces
                         .emplace(*event.piece,
                                  PieceProgress{.cutting = event.cutting, .spare = true})
                         .second
                     ? std::string()
                     : std::string("that piece is there already");
        });
      case EventKind::SpareTakenBack:
        return spareTakenBack(event);
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
        return out_.running.emplace(event.name, event.time).second
                   ? std::string()
                   : std::string("that clock runs already");
      case EventKind::ClockStopped:
        return stopped(event);
      case EventKind::WentWrong:
      case EventKind::MishapNoted:
        ++out_.mishaps;
        return {};
      case EventKind::DoneTakenBack:
        return doneTakenBack(event);
      case EventKind::LabelPrinted:
      case EventKind::LabelWanted:
        return label(event);
    }
    return "an unknown kind";
  }

 private:
  const Cutting* cuttingOf(const Event& event) const {
    const auto at = std::find_if(cuttings_.begin(), cuttings_.end(), [&](const Cutting& cutting) {
      return cutting.number == event.cutting;
    });
    return at == cuttings_.end() ? nullptr : &*at;
  }
  const CuttingPlan& planOf(const Event& event, int plan) const {
    return cuttingOf(event)->plans[static_cast<std::size_t>(plan - 1)];
  }
  const Ends& ends(const Event& event, int plan) {
    const auto [at, isNew] = ends_.try_emplace({event.cutting, plan});
    if (isNew) at->second = endsOf(planOf(event, plan).plan);
    return at->second;
  }

  template <class Change>
  std::string underWay(const Event& event, const Change& change) {
    const auto at = out_.cuttings.find(event.cutting);
    if (at == out_.cuttings.end()) return "that cutting was not taken";
    if (at->second.givenUp) return "that cutting was given up";
    return change(at->second);
  }

  std::string taken(const Event& event) {
    const Cutting* cutting = cuttingOf(event);
    if (cutting == nullptr || cutting->plans.empty()) return "there is no such cutting";
    if (out_.cuttings.count(event.cutting) != 0) return "that cutting was taken already";
    CuttingProgress& at = out_.cuttings[event.cutting];
    at.made.resize(cutting->plans.size());
    return lay(event, 1, at);
  }

  // The sheets of the plan lie on the bench; what needs no cut is finished.
  std::string lay(const Event& event, int plan, CuttingProgress& at) {
    at.plan = plan;
    const CuttingPlan& of = planOf(event, plan);
    for (std::size_t i = 0; i < of.plan.sheets.size(); ++i)
      appears(event, plan, sheetName(of.request, of.plan, i), at);
    return {};
  }

  void appears(const Event& event, int plan, const std::string& piece, CuttingProgress& at) {
    at.bench.insert(piece);
    if (const auto id = partAt(event, plan, piece))
      out_.pieces.emplace(*id, PieceProgress{.cutting = event.cutting});
  }
  void disappears(const Event& event, int plan, const std::string& piece, CuttingProgress& at) {
    at.bench.erase(piece);
    if (const auto id = partAt(event, plan, piece)) out_.pieces.erase(*id);
  }

  std::optional<PieceId> partAt(const Event& event, int plan, const std::string& piece) {
    const auto end = ends(event, plan).find(piece);
    if (end == ends(event, plan).end() || end->second->kind != PieceEnd::Kind::Part)
      return std::nullopt;
    const CuttingPlan& of = planOf(event, plan);
    return pieceAt(of, of.plan.sheets[end->second->sheet].placements[end->second->index]);
  }

  std::string planTaken(const Event& event, CuttingProgress& at) {
    const Cutting* cutting = cuttingOf(event);
    if (event.plan != at.plan + 1 || event.plan > static_cast<int>(cutting->plans.size()))
      return "that plan is not the next";
    const CuttingPlan& next = planOf(event, event.plan);
    for (const PlannedSheet& sheet : next.plan.sheets) {
      const std::string& piece = next.request.stock[sheet.stock].piece;
      if (!piece.empty() && at.bench.count(piece) == 0) return "piece " + piece + " is not there";
    }
    return lay(event, event.plan, at);
  }

  std::string planTakenBack(const Event& event, CuttingProgress& at) {
    if (event.plan != at.plan || at.plan < 2) return "that plan does not hold";
    if (!at.made[static_cast<std::size_t>(at.plan - 1)].empty()) return "it has been cut by";
    const CuttingPlan& of = planOf(event, at.plan);
    for (std::size_t i = 0; i < of.plan.sheets.size(); ++i) {
      const std::string name = sheetName(of.request, of.plan, i);
      if (const auto id = partAt(event, at.plan, name)) out_.pieces.erase(*id);
      if (of.request.stock[of.plan.sheets[i].stock].piece.empty()) at.bench.erase(name);
    }
    --at.plan;
    return {};
  }

  const SawCut* cutOf(const Event& event, const CuttingProgress& at) const {
    if (event.plan != at.plan) return nullptr;
    const std::vector<SawCut>& cuts = planOf(event, at.plan).plan.cuts;
    if (event.step < 1 || event.step > static_cast<int>(cuts.size())) return nullptr;
    return &cuts[static_cast<std::size_t>(event.step - 1)];
  }

  const std::vector<saw::BarCut>& barsOf(const Event& event) {
    const auto [at, isNew] = bars_.try_emplace(event.cutting);
    if (isNew) at->second = saw::barCuts(cuttingOf(event)->plans.front());
    return at->second;
  }

  const saw::BarCut* barCutOf(const Event& event) {
    const std::vector<saw::BarCut>& cuts = barsOf(event);
    if (event.step < 1 || event.step > static_cast<int>(cuts.size())) return nullptr;
    return &cuts[static_cast<std::size_t>(event.step - 1)];
  }

  std::string barCutMade(const Event& event, CuttingProgress& at) {
    const saw::BarCut* cut = barCutOf(event);
    if (cut == nullptr) return "there is no such cut of a bar";
    if (cut->after != 0 && at.bars.count(cut->after) == 0)
      return "piece " + cut->cut.piece + " is not there";
    if (!at.bars.insert(event.step).second) return "that cut is made already";
    if (cut->piece) out_.pieces.emplace(*cut->piece, PieceProgress{.cutting = event.cutting});
    return {};
  }

  std::string barCutTakenBack(const Event& event, CuttingProgress& at) {
    const saw::BarCut* cut = barCutOf(event);
    if (cut == nullptr || at.bars.count(event.step) == 0) return "that cut was not made";
    for (const saw::BarCut& other : barsOf(event))
      if (other.after == event.step && at.bars.count(other.cut.step) > 0)
        return "piece " + cut->cut.piece + " is cut further or gone";
    if (cut->piece) {
      const PieceProgress& part = out_.pieces.at(*cut->piece);
      if (part.spoiled || part.length != Length{} || !part.done.empty())
        return "something was done to " + cut->piece->code;
      out_.pieces.erase(*cut->piece);
    }
    at.bars.erase(event.step);
    return {};
  }

  std::string cutMade(const Event& event, CuttingProgress& at) {
    if (event.plan == 0) return barCutMade(event, at);
    const SawCut* cut = cutOf(event, at);
    if (cut == nullptr) return "the plan that holds has no such cut";
    if (at.bench.count(cut->piece) == 0) return "piece " + cut->piece + " is not there";
    at.made[static_cast<std::size_t>(at.plan - 1)].insert(event.step);
    at.bench.erase(cut->piece);
    for (const auto& piece : {cut->low, cut->high})
      if (piece) appears(event, at.plan, *piece, at);
    return {};
  }

  std::string cutTakenBack(const Event& event, CuttingProgress& at) {
    if (event.plan == 0) return barCutTakenBack(event, at);
    const SawCut* cut = cutOf(event, at);
    if (cut == nullptr || at.made[static_cast<std::size_t>(at.plan - 1)].count(event.step) == 0)
      return "that cut was not made";
    for (const auto& piece : {cut->low, cut->high}) {
      if (!piece) continue;
      if (at.bench.count(*piece) == 0) return "piece " + *piece + " is cut further or gone";
      const auto id = partAt(event, at.plan, *piece);
      if (!id) continue;
      const PieceProgress& part = out_.pieces.at(*id);
      if (part.spoiled || part.length != Length{} || !part.done.empty())
        return "something was done to " + *piece;
    }
    for (const auto& piece : {cut->low, cut->high})
      if (piece) disappears(event, at.plan, *piece, at);
    at.made[static_cast<std::size_t>(at.plan - 1)].erase(event.step);
    at.bench.insert(cut->piece);
    return {};
  }

  std::string returned(const Event& event) {
    const auto at = out_.cuttings.find(event.cutting);
    if (at == out_.cuttings.end()) return "that cutting was not taken";
    // Its piece lies on the bench; of which plan it comes does not matter.
    for (int plan = 1; plan <= at->second.plan; ++plan) {
      const Plan& of = planOf(event, plan).plan;
      for (const PieceEnd& end : of.ends) {
        if (end.kind != PieceEnd::Kind::Leftover ||
            of.sheets[end.sheet].leftovers[end.index].id != event.name ||
            at->second.bench.count(end.piece) == 0)
          continue;
        if (isCutFurther(*cuttingOf(event), plan, at->second.plan, end.piece))
          return "the plan that holds cuts it further";
        at->second.bench.erase(end.piece);
        at->second.returned.insert(event.name);
        return {};
      }
    }
    return "no such leftover lies there";
  }

  std::string withPiece(const Event& event) {
    if (!event.piece) return "it names no piece";
    const auto at = out_.pieces.find(*event.piece);
    if (at == out_.pieces.end()) return "that piece is not cut";
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

  std::string doneTakenBack(const Event& event) {
    if (!event.piece) return "it names no piece";
    const auto at = out_.pieces.find(*event.piece);
    return at != out_.pieces.end() && at->second.done.erase(event.name) > 0
               ? std::string()
               : std::string("that is not done");
  }

  std::string spareTakenBack(const Event& event) {
    const auto at = event.piece ? out_.pieces.find(*event.piece) : out_.pieces.end();
    if (at == out_.pieces.end() || !at->second.spare) return "there is no such spare";
    if (at->second.spoiled || at->second.length != Length{} || !at->second.done.empty())
      return "something was done to it";
    out_.pieces.erase(at);
    return {};
  }

  // Of what was once there: a label may come out of the printer after its piece was spoiled.
  std::string label(const Event& event) {
    const Labelled on = event.piece ? Labelled{event.piece, 0, {}}
                                    : Labelled{std::nullopt, event.cutting, event.name};
    const auto at = out_.labels.find(on);
    const bool known =
        at != out_.labels.end() || (event.piece ? out_.pieces.count(*event.piece) > 0 ||
                                                      partOf(cuttings_, *event.piece) != nullptr
                                                : leftoverOf(cuttings_, on).has_value());
    if (!known) return "no cutting has such a piece";
    LabelCount count = at == out_.labels.end() ? LabelCount{} : at->second;
    if (event.kind == EventKind::LabelWanted) {
      if (count.printed <= count.again) return "a label of it waits already";
      ++count.again;
    } else {
      if (event.step != count.next()) return "that label was printed already";
      ++count.printed;
    }
    out_.labels[on] = count;
    return {};
  }

  std::string stopped(const Event& event) {
    const auto at = out_.running.find(event.name);
    if (at == out_.running.end()) return "that clock does not run";
    // A clock that was set back between counts nothing rather than less.
    out_.milliseconds[event.name] += std::max<std::int64_t>(0, event.time - at->second);
    out_.running.erase(at);
    return {};
  }

  const std::vector<Cutting>& cuttings_;
  Progress& out_;
  std::map<std::pair<int, int>, Ends> ends_;      // per cutting and plan
  std::map<int, std::vector<saw::BarCut>> bars_;  // per cutting
};

}  // namespace

bool Progress::isUnderWay(int cutting) const {
  const auto at = cuttings.find(cutting);
  return at != cuttings.end() && !at->second.givenUp;
}

std::int64_t Progress::good(const std::string& code) const {
  return std::count_if(pieces.begin(), pieces.end(), [&code](const auto& piece) {
    return piece.first.code == code && !piece.second.spoiled;
  });
}

struct Fold::Inner {
  explicit Inner(const std::vector<Cutting>& cuttings) : folder(cuttings, now) {}
  Progress now;
  Folder folder;
};

Fold::Fold(const std::vector<Cutting>& cuttings) : inner_(std::make_unique<Inner>(cuttings)) {}

Fold::~Fold() = default;

std::string Fold::apply(const Event& event) {
  return inner_->folder.apply(event);
}

void Fold::take(const std::vector<Event>& events) {
  for (const Event& event : events)
    if (std::string why = apply(event); !why.empty())
      inner_->now.ignored.push_back({event.seq, std::move(why)});
}

const Progress& Fold::now() const {
  return inner_->now;
}

Progress progress(const std::vector<Cutting>& cuttings, const std::vector<Event>& events) {
  Fold fold(cuttings);
  fold.take(events);
  return fold.now();
}

}  // namespace pp::floor
