#include "core/plan/request.h"

#include <algorithm>
#include <cmath>

namespace pp {

Length kerfOf(const NestRequest& request, int machine) {
  if (machine < 0) return request.kerf;
  return request.shop.machines[static_cast<std::size_t>(machine)].kerf.value_or(request.kerf);
}

Length bevelKerf(Length kerf) {
  const std::int64_t k = kerf.inNm();
  const Int128 square = 2 * static_cast<Int128>(k) * k;
  auto root = static_cast<std::int64_t>(std::sqrt(static_cast<double>(square)));
  while (static_cast<Int128>(root) * root < square) ++root;
  while (root > 0 && static_cast<Int128>(root - 1) * (root - 1) >= square) --root;
  return Length::nm(root);
}

NestRequest requestOf(const Job& job, const std::vector<Part>& parts) {
  NestRequest out;
  out.shop = job.shop;
  out.kerf = job.saw.kerf;
  for (const Machine& machine : job.shop.machines)
    out.kerf = std::max(out.kerf, machine.kerf.value_or(job.saw.kerf));
  // A saw without a kerf of its own has the job's, which need not be the widest.
  for (Machine& machine : out.shop.machines) machine.kerf = machine.kerf.value_or(job.saw.kerf);
  out.keepLong = job.saw.keepLong;
  out.keepShort = job.saw.keepShort;
  out.goal = job.saw.goal;
  for (const Part& part : parts) {
    const Material& material = *findMaterial(job, part.material);
    PartDemand demand;
    demand.code = part.code;
    demand.length = part.cutLength();
    demand.width = part.cutWidth();
    demand.thickness = material.nominal;
    demand.material = material.name;
    demand.quantity = part.quantity;
    demand.grain = part.grain;
    demand.run = part.run;
    demand.runOrder = part.runOrder;
    demand.shows = part.name == "drawer front";
    out.parts.push_back(std::move(demand));
  }
  for (const StockPiece& piece : job.stock) {
    const Material& material = *findMaterial(job, piece.material);
    const Length trim =
        piece.trim.value_or(piece.kind == StockKind::Sheet ? job.saw.trim : Length{});
    out.stock.push_back({piece.id, material.name, material.nominal,
                         piece.measured.value_or(material.measured), piece.length, piece.width,
                         piece.grain, piece.quantity, piece.price, piece.kind, trim, piece.lot,
                         material.density});
  }
  return out;
}

}  // namespace pp
