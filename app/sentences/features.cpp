#include "app/sentences/features.h"

namespace pp {

Feature begunFeature(FeatureKind kind, Length length, Length width, Length thickness) {
  constexpr Length kDowel = Length::mm(8);
  Feature out;
  out.kind = kind;
  out.along = length / 2;
  out.across = width / 2;
  out.size = width / 4;
  out.length = length / 4;
  out.depth = thickness / 2;
  out.angle = Angle::degrees(30);
  switch (kind) {
    case FeatureKind::Hole:
      out.depth = Length{};
      break;
    case FeatureKind::Slot:
      out.depth = Length{};
      out.size = std::min(out.size, out.length);
      break;
    case FeatureKind::HoleRow:
      out.depth = Length{};
      out.size = std::min({kDowel, width / 4, length / 8});
      out.count = 3;
      out.pitch = length / 4;
      out.along = length / 4;
      break;
    case FeatureKind::Notch:
      out.along = out.across = Length{};
      out.width = width / 4;
      break;
    case FeatureKind::Dado:
      out.size = std::min(Length::mm(12), length / 4);
      break;
    case FeatureKind::Groove:
      out.size = std::min(Length::mm(12), width / 4);
      break;
    case FeatureKind::Rabbet:
      out.edge = BoardEdge::Long2;
      out.size = std::min(Length::mm(12), width / 4);
      break;
    case FeatureKind::Taper:
      out.along = Length{};
      out.edge = BoardEdge::Long2;
      out.across = width;
      out.size = width / 2;
      break;
    case FeatureKind::Curve:
      out.along = out.length = Length{};
      out.edge = BoardEdge::Long2;
      out.depth = std::min(width / 4, length / 4);
      break;
    case FeatureKind::Corner:
      out.size = std::min(width, length) / 4;
      break;
    case FeatureKind::RoundEnd:
      out.size = width / 4;
      if (out.size > length) out.size = length;
      break;
    case FeatureKind::Bevel:
      out.edge = BoardEdge::Short2;
      break;
    case FeatureKind::Recess:
      out.along = length / 4;
      out.across = out.width = width / 4;
      out.size = std::min(out.length, out.width) / 4;
      break;
    case FeatureKind::RoundOver:
    case FeatureKind::Chamfer:
      out.edge = BoardEdge::Long2;
      out.size = std::min(Length::mm(2), thickness / 4);
      break;
  }
  return withoutUnused(out);
}

}  // namespace pp
