#include "core/parts/part_builder.h"

#include <algorithm>
#include <array>

namespace pp {
namespace {

Side sideAt(const Direction& direction, bool high) {
  const bool up = (direction.sign > 0) == high;
  switch (direction.axis) {
    case Axis::X:
      return up ? Side::Right : Side::Left;
    case Axis::Y:
      return up ? Side::Back : Side::Front;
    case Axis::Z:
      break;
  }
  return up ? Side::Top : Side::Bottom;
}

}  // namespace

PartBuilder::PartBuilder(const Job& drawn, const Assembly& assembly, const CarcassGroup* group)
    : drawn_(drawn),
      lotted_(asCutFromLot(drawn, assembly)),
      assembly_(assembly),
      group_(group),
      choices_(drawn, assembly.id) {}

Part PartBuilder::board(PartRole role, const std::string& material, Reason length, Reason width,
                        std::string_view box) const {
  const Material& sheet = *findMaterial(job(), material);
  Part part;
  part.role = role;
  part.name = roleName(role, box);
  part.keys = {{.assembly = assembly_.id, .role = role, .opening = 0, .index = 1}};
  part.assembly = assembly_.code;
  part.material = material;
  part.lot = assembly_.lot;
  part.thickness = sheet.measured;
  part.grain = sheet.grained ? PartGrain::Length : PartGrain::Any;
  part.lumber = sheet.lumber;
  part.length = std::move(length);
  part.width = std::move(width);
  part.finish = assembly_.finish;
  return part;
}

void PartBuilder::place(Part& part, const Pose& pose) {
  part.edges = {sideAt(pose.v, false), sideAt(pose.v, true), sideAt(pose.u, false),
                sideAt(pose.u, true)};
  part.poses.push_back(pose);
}

void PartBuilder::stand(std::vector<Part>& parts, const Standing& standing) {
  constexpr std::array kRound = {Side::Front, Side::Right, Side::Back, Side::Left};
  for (Part& part : parts) {
    for (Pose& pose : part.poses) pose = pose.in(standing);
    for (Side& side : part.edges)
      if (const auto at = std::find(kRound.begin(), kRound.end(), side); at != kRound.end())
        side = kRound[static_cast<std::size_t>(at - kRound.begin() + standing.quarters) %
                      kRound.size()];
  }
}

void PartBuilder::show(Part& part, Side side, const std::string& banding) const {
  const auto edge = part.edgeAt(side);
  if (!edge) return;
  // Solid wood has no plies to hide.
  part.exposed[static_cast<std::size_t>(*edge)] = !part.lumber;
  band(part, *edge, findBanding(job(), banding));
}

Length PartBuilder::thickness(const std::string& material) const {
  return findMaterial(job(), material)->measured;
}

std::string PartBuilder::shown(Length length) const {
  return formatWithUnit(length, styleOf(job()));
}

Problem cannot(std::string field, std::string found, std::string expected) {
  return {{}, 0, std::move(field), std::move(found), std::move(expected)};
}

PartGrain PartBuilder::grainOf(const std::string& material, PanelGrain grain) const {
  if (!findMaterial(job(), material)->grained || grain == PanelGrain::Either) return PartGrain::Any;
  return grain == PanelGrain::Upright ? PartGrain::Length : PartGrain::Width;
}

}  // namespace pp
