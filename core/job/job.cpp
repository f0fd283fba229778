#include "core/job/job.h"

#include <fmt/format.h>

#include <algorithm>
#include <utility>

#include "core/job/ids.h"

namespace pp {
namespace {

template <class Rows, class T, class Key>
const T* findBy(const Rows& rows, Key T::*key, const std::string& wanted) {
  const auto at =
      std::find_if(rows.begin(), rows.end(), [&](const T& row) { return row.*key == wanted; });
  return at == rows.end() ? nullptr : &*at;
}

}  // namespace

const Material* findMaterial(const Job& job, const std::string& id) {
  return findBy(job.materials, &Material::id, id);
}

const Banding* findBanding(const Job& job, const std::string& id) {
  return findBy(job.bandings, &Banding::id, id);
}

const Assembly* findAssembly(const Job& job, const std::string& code) {
  return findBy(job.assemblies, &Assembly::code, code);
}

std::string assemblyTitle(const Job& job, const std::string& code) {
  if (code == kLooseCode) return code + "  loose parts";
  const Assembly* assembly = findAssembly(job, code);
  return assembly == nullptr ? code : code + "  " + assembly->name;
}

LengthStyle styleOf(const Job& job) {
  LengthStyle style;
  style.unit = job.unit;
  style.denominator = job.fraction;
  return style;
}

Length cutThickness(const Job& job, const Material& material, const std::string& lot) {
  std::optional<Length> only;
  bool differ = false;
  for (const StockPiece& piece : job.stock) {
    const bool isGone = piece.quantity && *piece.quantity == 0;
    if (piece.material != material.id || isGone) continue;
    if (!piece.measured) {
      differ = true;  // nobody knows
      continue;
    }
    if (!lot.empty() && piece.lot == lot) return *piece.measured;
    differ = differ || (only && *only != *piece.measured);
    only = piece.measured;
  }
  return only && !differ ? *only : material.measured;
}

std::optional<Job> asCutFromLot(const Job& job, const Assembly& assembly) {
  std::optional<Job> out;
  for (std::size_t i = 0; i < job.materials.size(); ++i) {
    const Material& material = job.materials[i];
    const Length thick = cutThickness(job, material, assembly.lot);
    if (thick == material.measured) continue;
    if (!out) out = job;
    out->materials[i].measured = thick;
  }
  return out;
}

Keep keepOf(const SawRules& rules, const Material& material) {
  constexpr Length kThin = Length::mm(9);
  const bool thin = material.nominal < kThin;
  Keep out;
  out.across = material.keepShort.value_or(thin ? 2 * rules.keepShort : rules.keepShort);
  out.along = material.keepLong.value_or(std::max(rules.keepLong, out.across));
  return out;
}

}  // namespace pp
