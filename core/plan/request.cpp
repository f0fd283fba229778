#include "core/plan/request.h"

namespace pp {

NestRequest requestOf(const Job& job, const std::vector<Part>& parts) {
  NestRequest out;
  out.kerf = job.saw.kerf;
  out.keepLong = job.saw.keepLong;
  out.keepShort = job.saw.keepShort;
  out.goal = job.saw.goal;
  for (const Part& part : parts) {
    const Material& material = *findMaterial(job, part.material);
    out.parts.push_back({part.code, part.cutLength(), part.cutWidth(), material.nominal,
                         material.name, part.quantity, part.grain, part.run, part.runOrder});
  }
  for (const StockPiece& piece : job.stock) {
    const Material& material = *findMaterial(job, piece.material);
    const Length trim =
        piece.trim.value_or(piece.kind == StockKind::Sheet ? job.saw.trim : Length{});
    out.stock.push_back({piece.id, material.name, material.nominal,
                         piece.measured.value_or(material.measured), piece.length, piece.width,
                         piece.grain, piece.quantity, piece.price, piece.kind, trim});
  }
  return out;
}

}  // namespace pp
