// What lies at the saw, held against a bench of its own that only knows sheets, cuts and names.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <functional>

#include "core/floor/at_saw.h"
#include "core/floor/balance.h"
#include "core/floor/mishap.h"
#include "core/floor/taking.h"
#include "core/formats/cutting_form.h"
#include "tests/core/taken.h"

namespace pp::ledger_test {
namespace {

using floor::Mishap;
using test::mm;

int pick(int from, int to) {
  return *rc::gen::inRange(from, to + 1);
}

// The saw as somebody with a notebook would follow it: every piece has a name and a size, a cut
// takes one away and brings two. It knows nothing of the ledger.
class Bench {
 public:
  struct Piece {
    Length dx, dy;
    bool operator==(const Piece&) const = default;
  };

  explicit Bench(const std::vector<Cutting>& cuttings) : cuttings_(cuttings) {}

  // Does what the event says; where that cannot be, says why.
  std::string follow(const Event& event) {
    switch (event.kind) {
      case EventKind::Taken:
        for (std::size_t i = 0; i < plan(1).plan.sheets.size(); ++i) lay(1, i);
        return {};
      case EventKind::PlanTaken:
        return take(event.plan);
      case EventKind::PlanTakenBack:
        return takeBack(event.plan);
      case EventKind::CutMade:
        return event.plan == 0 ? std::string() : cut(event.plan, event.step);
      case EventKind::CutTakenBack:
        return event.plan == 0 ? std::string() : mend(event.plan, event.step);
      case EventKind::PieceReturned:
        return toTheRack(event.name);
      case EventKind::Spare:
        return spare(event, -1);
      default:
        return {};
    }
  }
  const std::map<std::string, Piece>& lying() const { return lying_; }

 private:
  const CuttingPlan& plan(int number) const {
    return cuttings_[0].plans[static_cast<std::size_t>(number - 1)];
  }
  const StockSupply& stockOf(int number, std::size_t sheet) const {
    return plan(number).request.stock[plan(number).plan.sheets[sheet].stock];
  }
  std::string lay(int number, std::size_t i) {
    const StockSupply& stock = stockOf(number, i);
    const std::string name = sheetName(plan(number).request, plan(number).plan, i);
    return lying_.emplace(name, Piece{stock.length, stock.width}).second
               ? std::string()
               : name + " lies there already";
  }
  std::string take(int number) {
    std::map<std::string, Piece> before = lying_;
    std::vector<std::string> taken;
    for (std::size_t i = 0; i < plan(number).plan.sheets.size(); ++i)
      if (const std::string piece = lyingAs(stockOf(number, i).piece, before); !piece.empty()) {
        if (lying_.erase(piece) == 0) return piece + " does not lie there";
        if (before[piece].dx < stockOf(number, i).length ||
            before[piece].dy < stockOf(number, i).width)
          return piece + " is not so large";
      }
    for (std::size_t i = 0; i < plan(number).plan.sheets.size(); ++i)
      if (std::string why = lay(number, i); !why.empty()) return why;
    before_[number] = std::move(before);
    return {};
  }
  std::string takeBack(int number) {
    // All of it lies there still; the rest may have changed since.
    for (std::size_t i = 0; i < plan(number).plan.sheets.size(); ++i)
      if (lying_.erase(sheetName(plan(number).request, plan(number).plan, i)) == 0)
        return "a sheet of it is gone";
    for (std::size_t i = 0; i < plan(number).plan.sheets.size(); ++i)
      if (const std::string piece = lyingAs(stockOf(number, i).piece, before_[number]);
          !piece.empty())
        lying_[piece] = before_[number][piece];
    return {};
  }
  std::string cut(int number, int step) {
    const SawCut& one = plan(number).plan.cuts[static_cast<std::size_t>(step - 1)];
    const auto at = lying_.find(one.piece);
    if (at == lying_.end()) return one.piece + " does not lie there";
    const Piece whole = at->second;
    lying_.erase(at);
    const bool rip = one.direction == CutDirection::Rip;
    Piece low = whole, high = whole;
    (rip ? low.dy : low.dx) = one.at;
    (rip ? high.dy : high.dx) -= one.at + one.kerf;
    if (one.low && !lying_.emplace(*one.low, low).second) return *one.low + " lies there twice";
    if (one.high && !lying_.emplace(*one.high, high).second) return *one.high + " lies there twice";
    wholes_[{number, step}] = whole;
    return {};
  }
  std::string mend(int number, int step) {
    const SawCut& one = plan(number).plan.cuts[static_cast<std::size_t>(step - 1)];
    for (const auto& name : {one.low, one.high})
      if (name && lying_.erase(*name) == 0) return *name + " does not lie there";
    lying_[one.piece] = wholes_[{number, step}];
    return {};
  }
  // What is left over has a second name, that of its label.
  std::string lyingAs(const std::string& name, const std::map<std::string, Piece>& lying) const {
    for (const CuttingPlan& of : cuttings_[0].plans)
      for (const PieceEnd& end : of.plan.ends)
        if (end.kind == PieceEnd::Kind::Leftover && lying.count(end.piece) > 0 &&
            of.plan.sheets[end.sheet].leftovers[end.index].id == name)
          return end.piece;
    return name;
  }
  std::string toTheRack(const std::string& name) {
    return lying_.erase(lyingAs(name, lying_)) == 1 ? std::string() : name + " does not lie there";
  }
  // Cut from what came off at the step.
  std::string spare(const Event& event, int sign) {
    if (event.plan == 0) return {};
    const SawCut& one = plan(event.plan).plan.cuts[static_cast<std::size_t>(event.step - 1)];
    const auto& off = one.fence == FenceSide::Low ? one.high : one.low;
    const auto at = off ? lying_.find(*off) : lying_.end();
    if (at == lying_.end()) return "what came off is gone";
    Length& side = one.direction == CutDirection::Rip ? at->second.dy : at->second.dx;
    side += sign * (one.distance + one.kerf);
    return side >= Length{} - one.kerf ? std::string() : "no more can come off";
  }

  const std::vector<Cutting>& cuttings_;
  std::map<std::string, Piece> lying_;
  std::map<int, std::map<std::string, Piece>> before_;
  std::map<std::pair<int, int>, Piece> wholes_;
};

// A job at the saw, what happens to it, and both who follow it.
class Shop {
 public:
  explicit Shop(const test::Taken& of) : taken(of) {
    for (const PartDemand& part : of.plan().request.parts) wanted_[part.code] = part.quantity;
  }

  test::Taken taken;

  // A job of boards that leave something over, and have bars with them.
  static const test::Taken& boards() {
    static const test::Taken kBoards = [] {
      Job job = test::metricJob();
      job.assemblies.clear();
      const double sizes[][2] = {{700, 400}, {560, 300}, {560, 118}, {320, 240}};
      for (const auto& size : sizes) {
        LooseBoard board;
        board.name = "board";
        board.material = "b18";
        board.quantity = 3;
        board.length = mm(size[0]);
        board.width = mm(size[1]);
        job.loose.push_back(board);
      }
      return test::Taken(std::move(job));
    }();
    return kBoards;
  }

  const floor::Ledger& ledger() const {
    if (!ledger_)
      ledger_ = std::make_unique<floor::Ledger>(taken.record.cuttings, taken.record.events);
    return *ledger_;
  }
  const floor::CuttingProgress& at() const { return ledger().now().cuttings.at(1); }
  const CuttingPlan& plan() const { return *ledger().plan(1, at().plan); }
  // Whether it could happen.
  bool note(Event event) {
    event.cutting = 1;
    event = following(taken.record.events, std::move(event));
    (void)ledger();
    if (!ledger_->apply(event).empty()) return false;
    taken.record.events.push_back(std::move(event));
    return true;
  }
  bool note(EventKind kind, int plan = 0, int step = 0, std::optional<PieceId> piece = {}) {
    Event event;
    event.kind = kind;
    event.plan = plan;
    event.step = step;
    event.piece = std::move(piece);
    return note(std::move(event));
  }

  void cutSome(int count) {
    for (; count > 0; --count) {
      const floor::AtSaw saw(taken.record.cuttings[0], at());
      std::vector<std::size_t> ready;
      for (std::size_t i = 0; i < saw.cuts(); ++i)
        if (saw.isReady(i)) ready.push_back(i);
      if (ready.empty()) return;
      const std::size_t one =
          pick(0, 1) == 0
              ? ready.front()
              : ready[static_cast<std::size_t>(pick(0, static_cast<int>(ready.size()) - 1))];
      RC_ASSERT(note(EventKind::CutMade, saw.isBar(one) ? 0 : at().plan, saw.cut(one).step));
      if (pick(0, 5) == 0 && saw.sparesLeft(one, ledger(), 1) > 0)
        RC_ASSERT(
            note(EventKind::Spare, saw.isBar(one) ? 0 : at().plan, saw.cut(one).step,
                 PieceId{saw.stays(one).name, floor::nextNumber(held(), saw.stays(one).name)}));
    }
  }
  floor::Holdings held() const { return floor::holdingsOf(taken.record.cuttings, ledger().now()); }
  void backSome(int count) {
    for (; count > 0; --count)
      if (auto event = ledger().back(1)) RC_ASSERT(note(std::move(*event)));
  }
  void leftoverToTheRack() {
    const std::vector<Event> all = ledger().toTheRack(1);
    if (!all.empty())
      RC_ASSERT(note(all[static_cast<std::size_t>(pick(0, static_cast<int>(all.size()) - 1))]));
  }
  // Something goes wrong, and the cutting goes on by another plan, or not.
  void wentWrong() {
    const auto lying = floor::lyingNow(ledger(), 1);
    if (lying.empty()) return;
    const floor::Lying& what =
        lying[static_cast<std::size_t>(pick(0, static_cast<int>(lying.size()) - 1))];
    Mishap mishap;
    mishap.piece = what.piece;
    if (pick(0, 4) == 0) {
      mishap.kind = Mishap::Kind::Kerf;
      mishap.machine = "table saw";
      mishap.kerf = Length::um(pick(1'500, 4'500));
    } else if (what.part) {
      mishap.kind = pick(0, 1) == 0 ? Mishap::Kind::Spoiled : Mishap::Kind::CameOut;
      mishap.length = what.length - mm(pick(1, 40));
      mishap.width = what.width - mm(pick(0, 5));
    } else if (what.whole && pick(0, 1) == 0) {
      mishap.kind = Mishap::Kind::Sheet;
      mishap.length = what.length - mm(pick(0, 30));
    } else {
      mishap.kind = pick(0, 1) == 0 ? Mishap::Kind::Damaged : Mishap::Kind::CameOut;
      mishap.damage = {Length{}, Length{}, std::min(what.length, mm(pick(1, 60))),
                       std::min(what.width, mm(pick(1, 60)))};
      if (mishap.kind == Mishap::Kind::CameOut) {
        mishap.length = what.length - mm(pick(0, 20));
        mishap.width = what.width;
      }
    }
    const auto after = floor::aftermath(ledger(), 1, mishap);
    if (!after) return;
    if (pick(0, 3) == 0) {  // only noted
      for (const Event& event : after->events) RC_ASSERT(note(event));
      return;
    }
    const auto way = floor::wayOn(floor::wayFrom(ledger(), held(), 1, *after),
                                  static_cast<nest::Disturb>(pick(0, 2)), test::steps(8));
    RC_ASSERT(way.has_value());
    RC_ASSERT(saw::verify(way->plan.request, way->plan.plan).empty());
    if (!way->plan.plan.complete()) return;
    auto gone = floor::goneOn(taken.record, ledger().now(), 1, after->events, way->plan);
    RC_ASSERT(gone.ok());
    const std::vector<Event> events = gone->events;
    ledger_ = nullptr;
    taken.record = std::move(gone->record);
    for (const Event& event : events) RC_ASSERT(note(event));
  }
  void live(int days) {
    for (; days > 0; --days) {
      switch (pick(0, 7)) {
        case 0:
        case 1:
          wentWrong();
          break;
        case 2:
          backSome(pick(1, 6));
          break;
        case 3:
          leftoverToTheRack();
          break;
        default:
          cutSome(pick(1, 15));
      }
    }
  }

  // The notebook after all of it, which finds everything possible.
  Bench followed() const {
    Bench out(taken.record.cuttings);
    for (const Event& event : taken.record.events) {
      // A spare that is taken back was never cut: the notebook leaves both out.
      if (event.kind == EventKind::SpareTakenBack) continue;
      if (event.kind == EventKind::Spare && ledger().now().pieces.count(*event.piece) == 0)
        continue;
      const std::string why = out.follow(event);
      RC_ASSERT(why == "");
    }
    return out;
  }
  std::map<std::string, std::int64_t> wanted() const { return wanted_; }

 private:
  mutable std::unique_ptr<floor::Ledger> ledger_;  // further on with every event
  std::map<std::string, std::int64_t> wanted_;
};

// The ledger and the notebook have the same pieces, each of its size.
void expectAlike(const Shop& shop) {
  const Bench bench = shop.followed();
  const floor::Ledger& ledger = shop.ledger();
  std::set<std::string> names;
  for (const SawnPiece& piece : shop.at().bench) {
    const std::string name = ledger.nameOf(1, piece);
    RC_ASSERT(names.insert(name).second);
    RC_ASSERT(bench.lying().count(name) == 1);
  }
  RC_ASSERT(names.size() == bench.lying().size());
  // What is left over is as large as the notebook has it, less what a rough cut may have taken.
  for (const floor::LeftoverThere& left : ledger.leftovers()) {
    const Bench::Piece& piece = bench.lying().at(ledger.nameOf(1, left.piece));
    RC_ASSERT(left.length <= piece.dx && left.width <= piece.dy);
    RC_ASSERT(left.length > Length{} && left.width > Length{});
    if (left.piece.step == 0) continue;  // a piece that a plan took over and did not cut
    if (left.plan->plan.cuts[static_cast<std::size_t>(left.piece.step - 1)].kind == CutKind::Final)
      RC_ASSERT(piece.dx - left.length <= mm(40) || piece.dy - left.width <= mm(40));
  }
}

// Sheet by sheet nothing is lost: what became of it adds up to it, to the nanometre.
void expectBalance(const Shop& shop) {
  for (const floor::SheetBalance& sheet : floor::balances(shop.ledger())) {
    RC_ASSERT(sheet.sum() == sheet.sheet);
    RC_ASSERT(sheet.waste >= Area{} && sheet.parts >= Area{} && sheet.kerf >= Area{});
  }
}

// Of every part as many are good, to be cut or to be had again as were wanted.
void expectAllAccountedFor(const Shop& shop) {
  const floor::Progress& now = shop.ledger().now();
  for (const auto& [code, wanted] : shop.wanted()) {
    const floor::CodeCount count = floor::countOf(shop.ledger(), 1, code);
    RC_ASSERT(count.wanted == wanted);
    RC_ASSERT(count.good + count.toDo + count.missing == wanted);
    RC_ASSERT(count.missing >= 0);
    std::int64_t good = 0;
    for (const auto& [piece, state] : now.pieces)
      good += piece.code == code && !state.spoiled && !state.spare ? 1 : 0;
    RC_ASSERT(count.good == good);
  }
}

void expectSame(const CuttingPlan& a, const CuttingPlan& b) {
  RC_ASSERT(a.request.parts == b.request.parts);
  RC_ASSERT(a.request.stock == b.request.stock);
  RC_ASSERT(a.request.shop == b.request.shop);
  RC_ASSERT(a.request.firstSheet == b.request.firstSheet);
  RC_ASSERT(a.plan.cuts == b.plan.cuts);
  RC_ASSERT(a.plan.ends == b.plan.ends);
  RC_ASSERT(a.plan.bars == b.plan.bars);
  RC_ASSERT(a.plan.sheets.size() == b.plan.sheets.size());
  for (std::size_t i = 0; i < a.plan.sheets.size(); ++i) {
    RC_ASSERT(a.plan.sheets[i].stock == b.plan.sheets[i].stock);
    RC_ASSERT(a.plan.sheets[i].placements == b.plan.sheets[i].placements);
    RC_ASSERT(a.plan.sheets[i].leftovers == b.plan.sheets[i].leftovers);
  }
}

RC_GTEST_PROP(Ledger, isAsTheNotebookWhateverHappens, ()) {
  Shop shop(Shop::boards());
  for (int round = pick(1, 5); round > 0; --round) {
    shop.live(pick(1, 4));
    expectAlike(shop);
    expectBalance(shop);
    expectAllAccountedFor(shop);
  }
  if (pick(0, 1) == 0) {
    RC_ASSERT(shop.note(EventKind::GivenUp));
    expectAlike(shop);
    expectBalance(shop);
    while (!shop.ledger().toTheRack(1).empty()) shop.leftoverToTheRack();
    expectAlike(shop);
  }
  // The file gives it back.
  const auto read = readJobWithRecord("job", writeJob(shop.taken.job, shop.taken.record));
  RC_ASSERT(read.ok());
  RC_ASSERT(floor::progress(read->record.cuttings, read->record.events) == shop.ledger().now());
  const SharedRows<CuttingPlan>& plans = read->record.cuttings[0].plans;
  RC_ASSERT(plans.size() == shop.taken.record.cuttings[0].plans.size());
  for (std::size_t k = 0; k < plans.size(); ++k)
    expectSame(plans[k], std::as_const(shop.taken.record).cuttings[0].plans[k]);
  for (const PlanForm& form : formOf(shop.taken.record.cuttings[0]).plans) RC_ASSERT(!form.whole);
}

// What a sheet of one plan and of the next have alike is written once, and no number is believed.
TEST(CuttingForm, refersToSheetsThatStayAsTheyWere) {
  Cutting cutting = Shop::boards().record.cuttings[0];
  cutting.plans.push_back(std::as_const(cutting).plans[0]);
  const CuttingForm form = formOf(cutting);
  ASSERT_EQ(form.plans.size(), 2U);
  for (const SheetForm& sheet : form.plans[0].sheets) EXPECT_EQ(sheet.plan, 0);
  for (const SheetForm& sheet : form.plans[1].sheets) {
    EXPECT_EQ(sheet.plan, 1);
    EXPECT_TRUE(sheet.cuts.empty() && sheet.placements.empty() && sheet.order.empty());
  }
  EXPECT_TRUE(form.plans[1].quantities.empty() && !form.plans[1].shop);
  EXPECT_EQ(form.plans[1].stock, form.plans[0].stock);
  EXPECT_EQ(form.stock.size(), std::as_const(cutting).plans[0].request.stock.size());
  const auto again = cuttingOf(form);
  ASSERT_TRUE(again) << describe(again.problems());
  EXPECT_EQ(std::as_const(*again).plans[1].plan.cuts, std::as_const(cutting).plans[0].plan.cuts);
}

TEST(CuttingForm, ofOtherCutsOrNamesIsWrittenWhole) {
  Cutting cutting = Shop::boards().record.cuttings[0];
  cutting.plans[0].plan.cuts[0].piece = "a name of its own";
  EXPECT_TRUE(formOf(cutting).plans[0].whole);
}

TEST(CuttingForm, rowsThatAreNoneOfAPlansAreRefusedWithTheirPlace) {
  const CuttingForm good = formOf(Shop::boards().record.cuttings[0]);
  const auto field = [&](const auto& spoil) {
    CuttingForm form = good;
    spoil(form.plans[0]);
    const auto read = cuttingOf(form);
    return read ? std::string() : read.problems().front().field;
  };
  EXPECT_EQ(field([](PlanForm&) {}), "");
  EXPECT_EQ(field([](PlanForm& f) { f.order += ";1 0"; }), "plans/0/order");
  EXPECT_EQ(field([](PlanForm& f) { f.order += " x"; }), "plans/0/order");
  EXPECT_EQ(field([](PlanForm& f) { f.order += ";1"; }), "plans/0/order");
  EXPECT_EQ(field([](PlanForm& f) { f.quantities = "99 1"; }), "plans/0/quantities");
  EXPECT_EQ(field([](PlanForm& f) { f.stock += ";99 1"; }), "plans/0/stock");
  EXPECT_EQ(field([](PlanForm& f) { f.stock += ";0 -2"; }), "plans/0/stock");
  EXPECT_EQ(field([](PlanForm& f) { f.sheets[0].stock = 99; }), "plans/0/sheets");
  EXPECT_EQ(field([](PlanForm& f) { f.sheets[0].plan = 1; }), "plans/0/sheets/0");
  EXPECT_EQ(field([](PlanForm& f) { f.sheets[0].placements += ";0 1 0 0"; }),
            "plans/0/sheets/0/placements");
  EXPECT_EQ(field([](PlanForm& f) { f.sheets[0].parts += " 1"; }), "plans/0/sheets/0/parts");
  EXPECT_EQ(field([](PlanForm& f) { f.sheets[0].leftovers += ";1 2 3"; }),
            "plans/0/sheets/0/leftovers");
  for (const char* row : {";0 9 0 1 1 1 2", ";0 0 16 1 1 1 2", ";0 0 0 1 1 1",
                          ";0 0 0 1 1 1 2 3 4 5", ";-1 0 0 1 1 1 2", "; 0", ";1  2"})
    EXPECT_EQ(field([row](PlanForm& f) { f.sheets[0].cuts += row; }), "plans/0/sheets/0/cuts")
        << row;
}

// No number is given to two pieces, by whatever plan, spare or next cutting.
RC_GTEST_PROP(Ledger, givesEveryNumberOnce, ()) {
  Shop shop(Shop::boards());
  shop.live(pick(2, 8));
  const floor::Progress& now = shop.ledger().now();
  std::set<PieceId> toCome;
  for (const PieceEnd& end : shop.plan().plan.ends) {
    if (end.kind != PieceEnd::Kind::Part) continue;
    const Placement& at = shop.plan().plan.sheets[end.sheet].placements[end.index];
    const PieceId id = pieceAt(shop.plan(), at);
    RC_ASSERT(toCome.insert(id).second);
    const auto cut = now.pieces.find(id);
    if (cut == now.pieces.end()) continue;
    RC_ASSERT(!cut->second.spare && cut->second.from.plan == shop.at().plan);
  }
  const floor::Holdings held = shop.held();
  for (const auto& [code, wanted] : shop.wanted()) {
    const PieceId next{code, floor::nextNumber(held, code)};
    RC_ASSERT(toCome.count(next) == 0 && now.pieces.count(next) == 0);
  }
}

// Whatever a list of events says: what the ledger takes the notebook can do, and what it refuses
// changes nothing.
RC_GTEST_PROP(Ledger, isTotal, ()) {
  Shop shop(Shop::boards());
  shop.live(pick(1, 6));
  std::vector<Event> events = shop.taken.record.events;
  const auto one = [&events] {
    return static_cast<std::size_t>(pick(0, static_cast<int>(events.size()) - 1));
  };
  for (int spoil = pick(1, 4); spoil > 0 && !events.empty(); --spoil) {
    const std::size_t at = one();
    switch (pick(0, 5)) {
      case 0:
        events.erase(events.begin() + static_cast<std::ptrdiff_t>(at));
        break;
      case 1:
        events.insert(events.begin() + static_cast<std::ptrdiff_t>(at), events[one()]);
        break;
      case 2:
        std::swap(events[at], events[one()]);
        break;
      case 3:
        events[at].plan = pick(-2, 9);
        events[at].step = pick(-3, 90);
        break;
      case 4:
        events[at].cutting = pick(-1, 3);
        events[at].piece = PieceId{"L-01", pick(-1, 5)};
        break;
      default:
        events[at].kind =
            static_cast<EventKind>(pick(0, static_cast<int>(EventKind::DoneTakenBack)));
    }
  }
  const std::vector<Cutting>& cuttings = shop.taken.record.cuttings;
  floor::Ledger ledger(cuttings);
  Bench bench(cuttings);
  for (const Event& event : events) {
    const floor::Progress before = ledger.now();
    const bool known = event.piece && before.pieces.count(*event.piece) > 0;
    const std::string why = ledger.apply(event);
    if (!why.empty()) {
      RC_ASSERT(ledger.now() == before);
      continue;
    }
    // A notebook has no numbers and forgets no spare: those have a test of their own.
    (void)known;
    if (event.cutting != 1 || event.kind == EventKind::Spare ||
        event.kind == EventKind::SpareTakenBack)
      continue;
    RC_ASSERT(bench.follow(event) == "");
  }
  // And all that is asked of it has an answer.
  (void)ledger.leftovers();
  (void)ledger.cameOffLast();
  (void)ledger.back(1);
  (void)floor::balances(ledger);
  (void)floor::holdingsOf(cuttings, ledger.now());
  (void)floor::heldStock(cuttings, ledger.now());
  (void)floor::labelsOwed(ledger.now());
  if (ledger.now().isUnderWay(1)) (void)floor::lyingNow(ledger, 1);
}

}  // namespace
}  // namespace pp::ledger_test
