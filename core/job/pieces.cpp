#include "core/job/pieces.h"

#include <algorithm>

#include "core/job/ids.h"

namespace pp {
namespace {

constexpr std::int64_t kTooMany = 1'000'000'000;  // sums and products of it stay in 64 bits

// How often `step` is begun within `length`.
std::int64_t begun(Length length, Length step) {
  if (step <= Length{}) return kTooMany;
  return std::clamp<std::int64_t>((length.inNm() + step.inNm() - 1) / step.inNm(), 0, kTooMany);
}

// Rails and cross pieces of a frame in sections.
std::int64_t ofFrame(Length width, Length longest, Length every) {
  const std::int64_t sections = begun(width, longest);
  return std::min(kTooMany, 4 * sections + begun(width, every) + 2 * sections);
}

std::int64_t ofStand(const Stand& stand, Length width) {
  return stand.kind == StandKind::Frame ? ofFrame(width, stand.longest, stand.crossEvery) : 2;
}

std::int64_t ofTop(const Top& top, Length width) {
  const Length length = width + top.overLeft + top.overRight;
  const std::int64_t sections = begun(length, top.longest) + 1;
  // Two layers or a sheet with two rows of strips, strips across, edging on four sides.
  return std::min(kTooMany, 4 * sections + begun(length, top.stripEvery) + 1 + 4 * sections);
}

// Everything that stands in an opening, the panels between its children and what closes it.
std::int64_t ofOpening(const Opening& opening, std::int64_t& openings) {
  constexpr std::int64_t kBox = 12;  // four sides, bottom, a framed front of five, pads
  constexpr std::int64_t kDoors = 10;
  ++openings;
  std::int64_t out = opening.door ? kDoors : 0;
  if (const auto* loose = std::get_if<LooseShelves>(&opening.content)) out += 4 * loose->count;
  if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content)) out += 2 * pins->count;
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content))
    out += kBox * static_cast<std::int64_t>(bank->fronts.size());
  if (const auto* split = std::get_if<Split>(&opening.content))
    for (const Opening& child : split->children)
      out = std::min(kTooMany, out + 1 + ofOpening(child, openings));
  return out;
}

std::int64_t adjustable(const Opening& opening) {
  std::int64_t out = std::holds_alternative<AdjustableShelves>(opening.content) ? 1 : 0;
  if (const auto* split = std::get_if<Split>(&opening.content))
    for (const Opening& child : split->children) out += adjustable(child);
  return out;
}

struct Counter {
  const Job& job;

  std::int64_t operator()(const Carcass& one) const {
    constexpr std::int64_t kCase =
        24;  // sides, top, bottom, back and its strips, linings, toe, cleat
    std::int64_t openings = 0;
    std::int64_t out = kCase + ofOpening(one.inside, openings);
    if (one.frame) out += 6 + openings;
    if (one.stand) out += ofStand(*one.stand, one.width);
    return std::min(kTooMany, out);
  }
  std::int64_t operator()(const CarcassGroup& one) const {
    Length width;
    std::int64_t openings = 0;
    for (const Id id : one.members) {
      const Assembly* member = findAssembly(job, id);
      if (member == nullptr || !member->isCarcass()) continue;
      width += member->carcass().width;
      ofOpening(member->carcass().inside, openings);
    }
    std::int64_t out = 0;
    if (one.frame) out += 6 + 2 * openings;
    if (one.stand) out += ofStand(*one.stand, width);
    if (one.top) out += ofTop(*one.top, width);
    return std::min(kTooMany, out);
  }
  std::int64_t operator()(const Top& one) const { return ofTop(one, one.width); }
  std::int64_t operator()(const BaseFrame& one) const {
    return ofFrame(one.width, one.longest, one.crossEvery);
  }
  std::int64_t operator()(const WallPanel& one) const { return 1 + 3 * std::int64_t{one.cleats}; }
  std::int64_t operator()(const SeatBox& one) const { return 16 + 8 * std::int64_t{one.lids}; }
  std::int64_t operator()(const Platform& one) const {
    return 6 * std::int64_t{one.across} * one.deep + one.across + one.deep;
  }
  std::int64_t operator()(const Ring& one) const { return one.pieces; }
  std::int64_t operator()(const Boards& one) const { return of(one.boards); }

  static std::int64_t of(const SharedRows<LooseBoard>& boards) {
    std::int64_t out = 0;
    for (const LooseBoard& board : boards)
      out = std::min(kTooMany, out + std::clamp<std::int64_t>(board.quantity, 0, kTooMany));
    return out;
  }
};

}  // namespace

std::int64_t piecesAtMost(const Job& job, const Assembly& assembly) {
  return std::visit(Counter{job}, assembly.body);
}

std::int64_t piecesAtMost(const Job& job) {
  std::int64_t out = Counter::of(job.loose);
  for (const Assembly& assembly : job.assemblies)
    out = std::min(kTooMany, out + piecesAtMost(job, assembly) *
                                       std::clamp<std::int64_t>(assembly.copies, 0, 1'000));
  return out;
}

std::int64_t holesAtMost(const Assembly& assembly) {
  if (!assembly.isCarcass()) return 0;
  const Carcass& one = assembly.carcass();
  constexpr std::int64_t kRows = 4;  // front and rear in either side
  const std::int64_t openings = adjustable(one.inside);
  return openings == 0 ? 0
                       : std::min(kTooMany, kRows * begun(one.height, one.shelves.pinPitch) *
                                                std::min<std::int64_t>(openings, 1'000));
}

}  // namespace pp
