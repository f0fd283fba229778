#include "core/shop/job_rack.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

#include "core/job/ids.h"
#include "core/length/format.h"
#include "core/shop/house_rules.h"

namespace pp {
namespace {

// As the job's rack would have it; without a mark where the job does not know it yet.
class Copies {
 public:
  Copies(const Job& job, const StoreState& state) : job_(job), state_(state) {
    for (const Held& one : state.own) own_[one.piece] += one.reserved + one.used;
    for (const RackMaterial& theirs : state.materials)
      for (const Material& own : job.materials)
        if (own.name == theirs.name && own.nominal == theirs.nominal)
          materials_[theirs.id] = own.id;
  }

  const RackRow* find(Id store) const {
    const auto at = std::lower_bound(state_.rack.begin(), state_.rack.end(), store,
                                     [](const RackRow& row, Id id) { return row.piece.id < id; });
    return at == state_.rack.end() || at->piece.id != store ? nullptr : &*at;
  }

  // What the job can count on.
  std::int64_t countOf(Id store) const {
    const RackRow* row = find(store);
    const auto own = own_.find(store);
    return std::max<std::int64_t>(0, row == nullptr ? 0 : row->free) +
           (own == own_.end() ? 0 : own->second);
  }

  StockPiece updated(StockPiece piece) const {
    piece.quantity = countOf(piece.store);
    const RackRow* row = find(piece.store);
    if (row == nullptr) return piece;
    const RackPiece& known = row->piece;
    piece.kind = known.kind == RackKind::Offcut ? StockKind::Offcut : StockKind::Sheet;
    piece.lot = known.lot;
    piece.measured = known.measured;
    piece.length = known.length;
    piece.width = known.width;
    piece.grain = known.grain;
    piece.price = known.price;
    piece.defects = known.defects;
    return piece;
  }

  // Pieces of the job's materials that none of its rows is a copy of.
  std::vector<StockPiece> unknown() const {
    std::set<Id> known;
    for (const StockPiece& piece : job_.stock) known.insert(piece.store);
    std::vector<StockPiece> out;
    for (const RackRow& row : state_.rack) {
      if (row.free <= 0 || known.count(row.piece.id) > 0) continue;
      const auto material = materials_.find(row.piece.material);
      if (material == materials_.end()) continue;
      StockPiece piece;
      piece.material = material->second;
      piece.store = row.piece.id;
      piece.mark =
          row.piece.tag > 0 ? fmt::format("R{}", row.piece.tag) : fmt::format("P{}", row.piece.id);
      out.push_back(updated(std::move(piece)));
    }
    return out;
  }

 private:
  const Job& job_;
  const StoreState& state_;
  std::map<Id, std::int64_t> own_;
  std::map<Id, std::string> materials_;  // of the job, by those of the store
};

// What is worth keeping, where the job itself does not say.
void keepAsTheShop(Job& job, const StoreState& state) {
  for (const RackMaterial& theirs : state.materials)
    for (Material& own : job.materials) {
      if (own.name != theirs.name || own.nominal != theirs.nominal) continue;
      if (!own.keepLong) own.keepLong = theirs.keepLong;
      if (!own.keepShort) own.keepShort = theirs.keepShort;
    }
}

std::string countWords(const std::optional<std::int64_t>& count) {
  return count ? std::to_string(*count) : "as many as needed";
}

}  // namespace

RackMaterial likeOf(const Material& material) {
  RackMaterial out;
  out.name = material.name;
  out.nominal = material.nominal;
  out.measured = material.measured;
  out.grained = material.grained;
  out.tone = material.tone;
  out.density = material.density;
  out.lumber = material.lumber;
  out.keepLong = material.keepLong;
  out.keepShort = material.keepShort;
  return out;
}

void takeOver(Job& job, const StoreState& state) {
  const Copies copies(job, state);
  std::vector<StockPiece> unknown = copies.unknown();
  keepAsTheShop(job, state);
  std::set<std::string> marks;
  for (const StockPiece& piece : std::as_const(job).stock) marks.insert(piece.mark);
  for (std::size_t i = 0; i < job.stock.size(); ++i) {
    const StockPiece& before = std::as_const(job).stock[i];
    if (before.store == 0) continue;
    if (StockPiece now = copies.updated(before); now != before) job.stock[i] = std::move(now);
  }
  for (StockPiece& piece : unknown) {
    const std::string stem = piece.mark;
    for (int n = 2; !marks.insert(piece.mark).second; ++n)
      piece.mark = fmt::format("{}-{}", stem, n);
    job.stock.push_back(std::move(piece));
  }
}

std::vector<std::string> differences(const Job& job, const StoreState& state) {
  const Copies copies(job, state);
  std::vector<std::string> out;
  for (const StockPiece& before : job.stock) {
    if (before.store == 0) continue;
    StockPiece now = copies.updated(before);
    if (now.quantity != before.quantity)
      out.push_back(fmt::format("{}: counts on {}, the store has {}", before.mark,
                                countWords(before.quantity), countWords(now.quantity)));
    now.quantity = before.quantity;
    if (now != before)
      out.push_back(fmt::format("{}: is otherwise in the store, {} × {}", before.mark,
                                format(now.length, styleOf(job)),
                                formatWithUnit(now.width, styleOf(job))));
  }
  return out;
}

NotTakenOver notTakenOver(const Job& job, const StoreState& state) {
  constexpr std::size_t kSaid = 12;
  NotTakenOver out;
  for (const StockPiece& piece : Copies(job, state).unknown()) {
    if (out.rows++ >= kSaid) continue;
    out.first.push_back(fmt::format("{}: {} more in the store, {} × {}", piece.mark,
                                    countWords(piece.quantity), format(piece.length, styleOf(job)),
                                    formatWithUnit(piece.width, styleOf(job))));
  }
  return out;
}

std::map<Id, std::int64_t> wantedOf(const CuttingPlan& plan) {
  std::map<Id, std::int64_t> out;
  for (const PlannedSheet& sheet : plan.plan.sheets) {
    const StockSupply& stock = plan.request.stock[sheet.stock];
    if (stock.store != 0 && stock.piece.empty()) ++out[stock.store];
  }
  for (const BarList& list : plan.plan.bars)
    for (std::size_t k = 0; k < list.stock.size(); ++k)
      if (const Id store = plan.request.barStock[list.stock[k]].store; store != 0)
        out[store] += barsFor(plan.request, list, k);
  return out;
}

JobHolding holdingOf(const Job& job, const Record& record, const floor::Ledger& ledger) {
  JobHolding out;
  out.job = job.id;
  out.name = job.name;
  out.seq = record.events.empty() ? 0 : record.events.back().seq;
  // Two rows of the job's rack may be copies of one piece.
  std::map<std::pair<int, Id>, Held> held;
  for (const floor::HeldStock& one : floor::heldStock(record.cuttings, ledger.now())) {
    if (one.store == 0) continue;
    Held& of = held[{one.cutting, one.store}];
    of.piece = one.store;
    of.cutting = one.cutting;
    of.reserved += one.whole;
    of.used += one.cutInto;
  }
  for (const auto& [key, one] : held) out.held.push_back(one);
  for (const auto& [number, at] : ledger.now().cuttings)
    for (const auto& [name, piece] : at.returned) {
      const auto left = ledger.sized(number, piece);
      if (!left) continue;
      Returned back;
      back.cutting = number;
      back.leftover = name;
      back.material = left->stock->material;
      back.nominal = left->stock->thickness;
      back.piece.kind = RackKind::Offcut;
      back.piece.lot = left->stock->lot;
      back.piece.measured = left->stock->measured;
      back.piece.length = floor::wholeDown(left->length, job.unit);
      back.piece.width = floor::wholeDown(left->width, job.unit);
      back.piece.grain = left->stock->grain;
      back.piece.note = fmt::format("from {}", job.name);
      out.returned.push_back(std::move(back));
    }
  return out;
}

}  // namespace pp
