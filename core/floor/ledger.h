// What is really there: which pieces lie at the saw, which are cut, left over, to be labelled, and
// what can be taken back. Whatever asks for one of these asks the ledger.
#pragma once

#include <memory>

#include "core/floor/plan_pieces.h"
#include "core/floor/progress.h"
#include "core/floor/record.h"
#include "core/saw/edges.h"

namespace pp::floor {

// A leftover that lies there, or went to the rack: what a plan leaves over, and what was to be cut
// further and now is not.
struct LeftoverThere {
  Labelled on;
  SawnPiece piece;
  const CuttingPlan* plan = nullptr;  // that made it
  const StockSupply* stock = nullptr;
  Length length, width;  // along those of its stock, what is there for sure; spares are off
};

// What of a length is written on a leftover: whole millimetres, or 32nds of an inch, downwards.
Length wholeDown(Length length, Unit unit);

// Takes events one after the other, each in next to no time. It is total: whatever the cuttings and
// events say, it says what cannot have happened, and goes on without.
class Ledger {
 public:
  // They are kept by reference, and stay as they are.
  explicit Ledger(const std::vector<Cutting>& cuttings);
  Ledger(const std::vector<Cutting>& cuttings, const std::vector<Event>& events);
  ~Ledger();
  Ledger(const Ledger&) = delete;
  Ledger& operator=(const Ledger&) = delete;

  // What the event does; or why it cannot have happened, and nothing is done.
  std::string apply(const Event& event);
  // All of them; those that cannot have happened are named in what follows.
  void take(const std::vector<Event>& events);
  // The same object, further on each time.
  const Progress& now() const { return now_; }

  // Null: there is none, or it has no such plan.
  const Cutting* cutting(int number) const;
  const CuttingPlan* plan(int cutting, int plan) const;
  const PlanPieces* pieces(int cutting, int plan) const;
  // What a piece is called: by its plan, and where it is as it was taken over, by the one before.
  std::string nameOf(int cutting, const SawnPiece& piece) const;
  // The piece of that name that lies there, of the latest plan that has one.
  std::optional<SawnPiece> lying(int cutting, const std::string& name) const;

  // That lie there and are worth keeping, by cutting; of a cutting that is under way none that its
  // plan cuts further.
  std::vector<LeftoverThere> leftovers() const;
  std::int64_t leftoversOf(int cutting) const;
  // One of that name that lies there or went to the rack; none: no cutting gave one.
  std::optional<LeftoverThere> leftover(const Labelled& on) const;
  // The events by which they go to the rack, of one cutting or of all.
  std::vector<Event> toTheRack(std::optional<int> cutting = std::nullopt) const;

  // A piece of a plan as it lies there; none: no plan has it, or it does not lie there.
  std::optional<LeftoverThere> sized(int cutting, const SawnPiece& piece) const;
  // The same as the cuts left it, with what must come off its edges; null: it does not lie there.
  const saw::SurePiece* sure(int cutting, const SawnPiece& piece) const;
  // Whether it is a sheet as it came from the rack, of whatever plan.
  static bool isWhole(const CuttingProgress& at, SawnPiece piece);

  // What the last cut gave that gave something that is there still; empty: none.
  std::vector<LabelOwed> cameOffLast() const;
  // The event by which the last thing at the saw that can be is taken back; none: nothing can.
  std::optional<Event> back(int cutting) const;
  // Spares that were cut with a cut and not taken back, spoiled ones too; `plan` 0: of bars.
  std::int64_t sparesCut(int cutting, int plan, int step) const;

 private:
  struct Of;  // what follows from a cutting itself

  const Of* of(int cutting) const;
  std::string taken(const Event& event);
  std::string planTaken(const Event& event, CuttingProgress& at);
  std::string planTakenBack(const Event& event, const CuttingProgress& at) const;
  void layPlanBack(int cutting, CuttingProgress& at);
  std::string cutMade(const Event& event, CuttingProgress& at);
  std::string cutTakenBack(const Event& event, const CuttingProgress& at) const;
  void makeWhole(const Event& event, CuttingProgress& at);
  std::string barCutMade(const Event& event, CuttingProgress& at);
  std::string barCutTakenBack(const Event& event, const CuttingProgress& at) const;
  std::string spare(const Event& event);
  std::string spareTakenBack(const Event& event) const;
  std::string returned(const Event& event);
  std::string withPiece(const Event& event);
  std::string doneTakenBack(const Event& event);
  std::string label(const Event& event);
  std::string stopped(const Event& event);
  template <class Change>
  std::string underWay(const Event& event, const Change& change);

  void appears(int cutting, const SawnPiece& piece, CuttingProgress& at);
  void disappears(int cutting, const SawnPiece& piece, CuttingProgress& at);
  // A piece with the pieces of its plan; false: no plan has it.
  struct Found {
    const PlanPieces* of = nullptr;
    const PlanPieces::Piece* piece = nullptr;
    explicit operator bool() const { return piece != nullptr; }
  };
  Found find(int cutting, const SawnPiece& piece) const;
  std::optional<PieceId> partAt(int cutting, const SawnPiece& piece) const;
  const saw::BarCut* barCut(const Event& event) const;
  // The piece of a part that came off there; the end where another has its number.
  using Pieces = std::map<PieceId, PieceProgress>;
  Pieces::const_iterator cutThere(int cutting, const SawnPiece& from,
                                  const std::optional<PieceId>& part) const;
  // Why a piece of a part that is given back to the saw cannot be; empty: it can.
  std::string held(int cutting, const SawnPiece& from) const;
  void forget(Act::Kind kind, const Event& event);

  // What a leftover is called on its label and in the store.
  std::string leftoverName(int cutting, const SawnPiece& piece) const;
  // Whether any plan has a leftover of that name, or one of that name went to the rack.
  bool isNamed(const Labelled& on) const;
  bool isLeftOver(const CuttingProgress& at, int cutting, const SawnPiece& piece) const;
  // The leftover of that name that lies there.
  std::optional<SawnPiece> leftOver(const CuttingProgress& at, int cutting,
                                    const std::string& name) const;

  const std::vector<Cutting>& cuttings_;
  Progress now_;
  std::map<int, std::unique_ptr<Of>> of_;
};

// Every beginning of the list of events gives the state after it. A cutting without its event was
// never taken; a plan without its event is none.
Progress progress(const std::vector<Cutting>& cuttings, const std::vector<Event>& events);

}  // namespace pp::floor
