#include "core/assembly/phases.h"

#include <array>

namespace pp::bench {
namespace {

// How a part in a role is put together with the rest; every role says it.
struct RoleWork {
  AssemblyPhase phase;
  double priority;
  std::optional<Vec> off;
  std::optional<UnitKind> unit;
  bool flat;
};

// The words of the rows of roles.inc.
constexpr std::optional<Vec> kAsJoined, kUp = Vec{0, 0, 1}, kRear = Vec{0, 1, 0};
constexpr std::optional<UnitKind> kAlone, kBox = UnitKind::Box, kFront = UnitKind::Front,
                                          kFaceFrame = UnitKind::FaceFrame, kBase = UnitKind::Base,
                                          kTop = UnitKind::Top;
constexpr bool kFlat = true, kFree = false;

constexpr std::array kRoleWork = {
#define ROLE(role, word, name, phase, priority, off, unit, flat) \
  RoleWork{AssemblyPhase::phase, priority, k##off, k##unit, k##flat},
#include "core/job/roles.inc"
#undef ROLE
};

const RoleWork& workOf(PartRole role) {
  return kRoleWork[static_cast<std::size_t>(role)];
}

}  // namespace

AssemblyPhase phaseOf(PartRole role) {
  return workOf(role).phase;
}

std::uint64_t phasesAfter(AssemblyPhase sort) {
  const auto bit = [](AssemblyPhase one) { return std::uint64_t{1} << static_cast<int>(one); };
  switch (sort) {
    case AssemblyPhase::Fitted:
      return bit(AssemblyPhase::Front) | bit(AssemblyPhase::Back);
    case AssemblyPhase::Frame:
      return bit(AssemblyPhase::Front) | bit(AssemblyPhase::Top);
    case AssemblyPhase::Front:
      return 0;
    default:
      return bit(AssemblyPhase::Front);
  }
}

double removalPriority(PartRole role) {
  return workOf(role).priority;
}

double removalPriority(UnitKind kind, double ofParts) {
  switch (kind) {
    case UnitKind::FaceFrame:
      return 50;
    case UnitKind::Base:
      return 38;
    case UnitKind::Top:
      return 56;
    case UnitKind::Box:
      return 60;
    case UnitKind::Front:
      return 72;
    default:
      break;
  }
  return ofParts;
}

std::optional<Vec> usuallyOff(PartRole role) {
  return workOf(role).off;
}

std::optional<UnitKind> unitKindOf(PartRole role) {
  return workOf(role).unit;
}

int frontOf(PartRole role) {
  const auto piece = frontPieceOf(role);
  return piece ? static_cast<int>(role) - static_cast<int>(*piece) : 0;
}

bool isHeldByNothing(PartRole role) {
  using enum PartRole;
  if (isOfBox(role) || isFront(role)) return true;
  switch (role) {
    case AdjustableShelf:
    case LooseShelf:
    case Back:
    case SeatLid:
    case SeatHatch:
      return true;
    default:
      return false;
  }
}

const char* sectionWord(PartRole role) {
  using enum PartRole;
  switch (role) {
    case HingeRail:
    case SeatFrameRail:
    case SeatFrameSide:
      return "seat frame";
    case BackBracket:
    case StorageShelf:
      return "back support";
    case SeatFront:
    case SeatRear:
    case SeatBottom:
    case LeftEnd:
    case RightEnd:
      return "seat box";
    case PlatformSide:
    case PlatformEnd:
      return "box";
    default:
      return "section";
  }
}

bool isFixedFlat(PartRole role) {
  return workOf(role).flat;
}

}  // namespace pp::bench
