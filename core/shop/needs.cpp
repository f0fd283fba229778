#include "core/shop/needs.h"

#include <algorithm>
#include <map>

#include "core/breakdown/fittings.h"
#include "core/parts/banding.h"

namespace pp {
namespace {

class Wants {
 public:
  Wants(const Job& job, const std::vector<Part>& parts, const OpenWork& open)
      : job_(job), parts_(parts), open_(open) {}

  JobWants run() {
    out_.job = job_.id;
    out_.name = job_.name;
    if (open_.plan != nullptr && open_.request != nullptr) {
      sheets();
      bars();
      stillToCut();
    }
    bandings();
    for (const Fitting& one : fittingsOf(job_, parts_)) fitting(one);
    for (const auto& [finish, area] : finishAreas(job_, parts_)) {
      Need need;
      need.ware = Ware::Finish;
      need.name = finishName(finish);
      need.amount = area;
      add(need);
    }
    for (const BoughtIn& thing : job_.bought) bought(thing);
    return std::move(out_);
  }

 private:
  void add(const Need& need) {
    if (need.amount <= 0) return;
    for (Need& known : out_.needs) {
      Need same = known;
      same.amount = need.amount;
      same.reserved = need.reserved;
      if (same != need) continue;
      known.amount += need.amount;
      known.reserved += need.reserved;
      return;
    }
    out_.needs.push_back(need);
  }

  // Of the row of the job's rack: its price, which a plan leaves out for what is had.
  Money priceOf(Id row) const {
    for (const StockPiece& piece : job_.stock)
      if (piece.id == row) return piece.price;
    return {};
  }

  void sheets() {
    for (const PlannedSheet& sheet : open_.plan->sheets) {
      const StockSupply& stock = open_.request->stock[sheet.stock];
      const Whence whence = whenceOf(stock);
      if (whence == Whence::Counted || (whence == Whence::Had && stock.kind == StockKind::Offcut))
        continue;
      Need need;
      need.ware = Ware::Sheet;
      need.name = stock.material;
      need.nominal = stock.thickness;
      need.length = stock.length;
      need.width = stock.width;
      need.amount = 1;
      need.price = priceOf(stock.row);
      add(need);
    }
  }

  void bars() {
    for (const BarList& list : open_.plan->bars)
      for (std::size_t k = 0; k < list.stock.size(); ++k) {
        const BarSupply& bar = open_.request->barStock[list.stock[k]];
        const Material* material = findMaterial(job_, bar.material);
        if (material == nullptr || (bar.store == 0 && bar.bar.quantity)) continue;
        Need need;
        need.ware = Ware::Bar;
        need.name = material->name;
        need.nominal = material->nominal;
        need.length = bar.bar.length;
        need.width = bar.width;
        need.amount = barsFor(*open_.request, list, k);
        need.price = priceOf(bar.row);
        add(need);
      }
  }

  void stillToCut() {
    for (const PartDemand& part : open_.request->parts)
      out_.parts.push_back(
          {part.material, part.thickness, part.length, part.width, part.grain, part.quantity});
  }

  void bandings() {
    std::map<std::string, Length> runs;
    for (const Part& part : parts_)
      for (const Edge edge : kEdges) {
        if (part.band(edge).empty()) continue;
        runs[part.band(edge)] += part.quantity * stripFor(part, edge, job_.shop.tools);
      }
    for (const auto& [id, run] : runs) {
      const Banding* banding = findBanding(job_, id);
      if (banding == nullptr) continue;
      Need need;
      need.ware = Ware::Banding;
      need.name = banding->name;
      need.amount = upTo(run, Length::mm(1));
      need.pack = std::max<std::int64_t>(1, upTo(banding->rollLength, Length::mm(1)));
      need.price = banding->price;
      add(need);
    }
  }

  void fitting(const Fitting& one) {
    if (isBoughtIn(job_, one)) return;
    Need need;
    need.ware = Ware::Hardware;
    need.kind = one.kind;
    need.name = one.name;
    need.length = one.length;
    need.amount = one.count;
    if (one.kind == HardwareKind::Slide)
      for (const Slide& slide : job_.slides)
        if (slide.name == one.name) need.price = slide.price;
    add(need);
  }

  void bought(const BoughtIn& thing) {
    Need need;
    need.ware = Ware::Bought;
    need.name = thing.name;
    need.amount = thing.quantity - thing.have;
    need.price = thing.price;
    add(need);
  }

  static std::int64_t upTo(Length length, Length step) {
    return (length.inNm() + step.inNm() - 1) / step.inNm();
  }

  const Job& job_;
  const std::vector<Part>& parts_;
  const OpenWork& open_;
  JobWants out_;
};

}  // namespace

JobWants wantsOf(const Job& job, const std::vector<Part>& parts, const OpenWork& open) {
  return Wants(job, parts, open).run();
}

}  // namespace pp
