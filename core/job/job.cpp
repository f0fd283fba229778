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

Job asCutFromLot(const Job& job, const Assembly& assembly) {
  Job out = job;
  for (const StockPiece& piece : job.stock)
    if (piece.lot == assembly.lot && piece.measured)
      for (Material& material : out.materials)
        if (material.id == piece.material) material.measured = *piece.measured;
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
