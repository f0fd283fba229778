#include "core/plan/fingerprint.h"

#include <map>

#include "core/plan/hash.h"

namespace pp {

std::string fingerprint(const NestRequest& request) {
  // How sheets are taken apart: a plan that was kept is searched again where that has changed.
  constexpr std::int64_t kSawing = 2;
  Hash out;
  out.add(kSawing);
  std::map<std::string, std::int64_t> runs;  // by where they begin, not by what they are called
  out.add(std::ssize(request.parts));
  for (const PartDemand& part : request.parts) {
    out.add(part.length);
    out.add(part.width);
    out.add(part.thickness);
    out.add(part.material);
    out.add(part.quantity);
    out.add(part.grain);
    out.add(part.run.empty() ? std::int64_t{-1}
                             : runs.emplace(part.run, std::ssize(runs)).first->second);
    out.add(part.runOrder);
    out.add(part.series);
    out.add(part.mitred);
    out.add(part.shows);
    out.add(part.lot);
  }
  out.add(std::ssize(request.stock));
  for (const StockSupply& stock : request.stock) {
    out.add(stock.material);
    out.add(stock.thickness);
    out.add(stock.measured);
    out.add(stock.length);
    out.add(stock.width);
    out.add(stock.grain);
    out.add(stock.quantity);
    out.add(stock.price.inTenThousandths());
    out.add(stock.kind);
    out.add(stock.trim);
    out.add(stock.lot);
    out.add(stock.density);
    if (stock.keepLong) out.add(stock.keepLong);
    if (stock.keepShort) out.add(stock.keepShort);
    out.add(stock.piece);
    if (stock.edges)
      for (const Length edge : {stock.lowX(), stock.highX(), stock.lowY(), stock.highY()})
        out.add(edge);
    if (stock.defects.empty()) continue;
    out.add(std::ssize(stock.defects));
    for (const Defect& defect : stock.defects) {
      out.add(defect.x);
      out.add(defect.y);
      out.add(defect.width);
      out.add(defect.height);
    }
  }
  out.add(std::ssize(request.pins));
  for (const Pin& pin : request.pins) {
    out.add(pin.part);
    out.add(pin.stock);
    out.add(pin.copies);
    out.add(pin.sheet);
    out.add(pin.place.has_value());
    if (!pin.place) continue;
    out.add(pin.place->x);
    out.add(pin.place->y);
    out.add(pin.place->turned);
  }
  out.add(std::ssize(request.shop.machines));
  for (const Machine& saw : request.shop.machines) {
    out.add(saw.name);  // the cuts of a plan say it
    out.add(saw.kind);
    out.add(saw.kerf);
    out.add(saw.longestCut);
    out.add(saw.reach);
    out.add(saw.longestPiece);
    out.add(saw.tilts);
  }
  out.add(request.shop.carryGrams);
  out.add(request.shop.carryLength);
  out.add(request.shop.cleaning);
  out.add(request.shop.stripWidth);
  out.add(request.shop.stripLength);
  if (request.shop.partsRoughly()) out.add(request.shop.allowance);
  out.add(request.kerf);
  out.add(request.keepLong);
  out.add(request.keepShort);
  out.add(request.goal);
  out.add(request.ease.inTenThousandths());
  out.add(request.firstSheet);
  out.add(std::ssize(request.barParts));
  for (const BarPart& part : request.barParts) {
    out.add(part.material);
    out.add(part.width);
    out.add(part.wanted.length);
    out.add(part.wanted.quantity);
  }
  out.add(std::ssize(request.barStock));
  for (const BarSupply& supply : request.barStock) {
    out.add(supply.material);
    out.add(supply.width);
    out.add(supply.bar.length);
    out.add(supply.bar.quantity);
    out.add(supply.bar.price.inTenThousandths());
  }
  out.add(request.barKerf);
  return out.text();
}

}  // namespace pp
