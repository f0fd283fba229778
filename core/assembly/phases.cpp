#include "core/assembly/phases.h"

namespace pp::bench {
namespace {

bool isOfTop(PartRole role) {
  return role >= PartRole::TopSheet && role <= PartRole::RightEdging;
}

}  // namespace

AssemblyPhase phaseOf(PartRole role) {
  if (isFront(role) || role == PartRole::SeatLid || role == PartRole::SeatHatch)
    return AssemblyPhase::Front;
  if (isOfFaceFrame(role)) return AssemblyPhase::Frame;
  switch (role) {
    case PartRole::SlidePad:
    case PartRole::RightSlidePad:
    case PartRole::BoxRunner:
    case PartRole::ShelfSupport:
    case PartRole::NailingStrip:
      return AssemblyPhase::Fitted;
    case PartRole::Back:
      return AssemblyPhase::Back;
    case PartRole::TopSheet:
      return AssemblyPhase::Top;
    case PartRole::AdjustableShelf:
    case PartRole::LooseShelf:
      return AssemblyPhase::Loose;
    default:
      return AssemblyPhase::Structure;
  }
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
  switch (role) {
    case PartRole::LeftSide:
    case PartRole::BoxLeftSide:
    case PartRole::LeftEnd:
    case PartRole::FrameLeftStile:
    case PartRole::SeatFront:
    case PartRole::PlatformSide:
    case PartRole::HungBoard:
    case PartRole::TopSheet:
    case PartRole::WallPanelSheet:
      return 10;
    case PartRole::LeftLining:
    case PartRole::RightLining:
    case PartRole::TopLowerLayer:
    case PartRole::BoardLayer:
      return 12;
    case PartRole::Divider:
    case PartRole::SeatDivider:
    case PartRole::FrameMiddleStile:
      return 22;
    case PartRole::FixedShelf:
      return 23;
    case PartRole::Top:
    case PartRole::FrontStretcher:
    case PartRole::RearStretcher:
      return 24;
    case PartRole::RearRail:
    case PartRole::BackRail:
    case PartRole::NailingStrip:
    case PartRole::HingeRail:
    case PartRole::BaseLeg:
      return 26;
    case PartRole::RightSide:
    case PartRole::BoxRightSide:
    case PartRole::RightEnd:
    case PartRole::FrameRightStile:
      return 28;
    case PartRole::BoxBottom:
    case PartRole::FrontEdging:
    case PartRole::RearEdging:
    case PartRole::LeftEdging:
    case PartRole::RightEdging:
      return 30;
    case PartRole::SlidePad:
    case PartRole::RightSlidePad:
    case PartRole::BoxRunner:
    case PartRole::ShelfSupport:
    case PartRole::HatchLedge:
      return 32;
    case PartRole::KickBoard:
      return 36;
    case PartRole::FootRunner:
      return 38;
    case PartRole::BackBracket:
      return 40;
    case PartRole::Back:
      return 42;
    case PartRole::BackBatten:
      return 43;
    case PartRole::Cleat:
      return 44;
    case PartRole::WallSpacer:
      return 45;
    case PartRole::LeftExposedEnd:
    case PartRole::RightExposedEnd:
      return 46;
    case PartRole::Deck:
    case PartRole::Slat:
      return 50;
    case PartRole::LeaningBack:
    case PartRole::StorageShelf:
      return 52;
    case PartRole::LeftFiller:
    case PartRole::RightFiller:
    case PartRole::CornerFiller:
      return 58;
    case PartRole::AdjustableShelf:
    case PartRole::LooseShelf:
      return 64;
    case PartRole::SeatHatch:
    case PartRole::SeatLid:
      return 74;
    default:
      break;
  }
  if (const auto piece = frontPieceOf(role)) {
    switch (*piece) {
      case FrontPiece::Whole:
        return isDrawerFront(role) ? 70 : 72;
      case FrontPiece::LeftStile:
        return 10;
      case FrontPiece::RightStile:
        return 28;
      case FrontPiece::Panel:
        return 30;
      default:
        break;
    }
  }
  return 20;
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
  switch (role) {
    case PartRole::BaseCrossPiece:
    case PartRole::SeatLid:
    case PartRole::SeatHatch:
      return Vec{0, 0, 1};
    case PartRole::BackBracket:
    case PartRole::BackBatten:
    case PartRole::Cleat:
    case PartRole::WallSpacer:
      return Vec{0, 1, 0};
    default:
      return std::nullopt;
  }
}

std::optional<UnitKind> unitKindOf(PartRole role) {
  if (role >= PartRole::BoxLeftSide && role <= PartRole::BoxBottom) return UnitKind::Box;
  if (isOfFaceFrame(role)) return UnitKind::FaceFrame;
  if (isOfTop(role)) return UnitKind::Top;
  if (role == PartRole::BaseRail || role == PartRole::BaseCrossPiece || role == PartRole::BaseLeg)
    return UnitKind::Base;
  if (isFront(role)) return UnitKind::Front;
  return std::nullopt;
}
// Which front of an opening a piece is of: the doors of a pair are two.
int frontOf(PartRole role) {
  const auto piece = frontPieceOf(role);
  return piece ? static_cast<int>(role) - static_cast<int>(*piece) : 0;
}

bool isOfFaceFrame(PartRole role) {
  return role >= PartRole::FrameLeftStile && role <= PartRole::FrameDrawerRail;
}

bool isFixedFlat(PartRole role) {
  switch (role) {
    case PartRole::LeftLining:
    case PartRole::RightLining:
    case PartRole::SlidePad:
    case PartRole::RightSlidePad:
    case PartRole::BoxRunner:
    case PartRole::ShelfSupport:
    case PartRole::ShelfLip:
    case PartRole::BoardLayer:
      return true;
    default:
      return false;
  }
}

}  // namespace pp::bench
