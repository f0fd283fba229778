#include "core/job/job.h"

#include <fmt/format.h>

#include <algorithm>
#include <utility>

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

const Banding* findBanding(const Job& job, const std::string& name) {
  return findBy(job.bandings, &Banding::name, name);
}

const Assembly* findAssembly(const Job& job, const std::string& code) {
  return findBy(job.assemblies, &Assembly::code, code);
}

Length widthOf(const Job& job, const Assembly& assembly) {
  struct Width {
    const Job& job;
    Length operator()(const Carcass& b) const { return b.width; }
    Length operator()(const CarcassGroup& b) const {
      Length sum;
      for (const std::string& code : b.members)
        if (const Assembly* member = findAssembly(job, code); member != nullptr)
          sum += widthOf(job, *member);
      return sum;
    }
    Length operator()(const Top& b) const { return b.width; }
    Length operator()(const BaseFrame& b) const { return b.width; }
    Length operator()(const WallPanel& b) const { return b.width; }
    Length operator()(const SeatBox& b) const { return b.width; }
    Length operator()(const Platform& b) const { return b.width; }
    Length operator()(const Ring& b) const { return b.side; }
    Length operator()(const Boards& b) const { return b.boards.front().length; }
  };
  return std::visit(Width{job}, assembly.body);
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

void renameAssembly(Job& job, std::size_t index, const std::string& code) {
  const std::string old = std::exchange(job.assemblies[index].code, code);
  const auto rename = [&](std::string& part) {
    if (part.starts_with(old + "-")) part.replace(0, old.size(), code);
  };
  for (std::size_t i = 0; i < job.assemblies.size(); ++i) {
    const auto* known = std::get_if<CarcassGroup>(&std::as_const(job).assemblies[i].body);
    if (known == nullptr ||
        std::find(known->members.begin(), known->members.end(), old) == known->members.end())
      continue;
    auto& members = std::get<CarcassGroup>(job.assemblies[i].body).members;
    std::replace(members.begin(), members.end(), old, code);
  }
  for (JobPin& pin : job.pins) rename(pin.part);
  for (PartOverride& one : job.overrides) rename(one.part);
}

}  // namespace pp
