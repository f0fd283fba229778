#include "core/designs/feature.h"

#include <algorithm>
#include <utility>

namespace pp {
namespace {

// Calls `see` with the name of every field and whether it says something; what it returns true for
// is set back.
template <class See>
void eachField(Feature& feature, const See& see) {
  const auto field = [&see](const char* name, auto& value) {
    using T = std::remove_reference_t<decltype(value)>;
    if (see(name, value != T{})) value = T{};
  };
  field("along", feature.along);
  field("across", feature.across);
  field("length", feature.length);
  field("width", feature.width);
  field("size", feature.size);
  field("depth", feature.depth);
  field("pitch", feature.pitch);
  field("count", feature.count);
  field("keepLow", feature.keepLow);
  field("keepHigh", feature.keepHigh);
  field("angle", feature.angle);
  field("edge", feature.edge);
  field("face", feature.face);
  field("farEnd", feature.farEnd);
  field("farEdge", feature.farEdge);
  field("crosswise", feature.crosswise);
  field("bulging", feature.bulging);
  field("thickness", feature.thickness);
  field("bothFaces", feature.bothFaces);
  field("assembled", feature.assembled);
}

bool has(FeatureKind kind, const std::string& field) {
  const std::vector<std::string> known = fieldsOf(kind);
  return std::find(known.begin(), known.end(), field) != known.end();
}

bool isShort(BoardEdge edge) {
  return edge == BoardEdge::Short1 || edge == BoardEdge::Short2;
}

BoardEdge opposite(BoardEdge edge) {
  switch (edge) {
    case BoardEdge::Long1:
      return BoardEdge::Long2;
    case BoardEdge::Long2:
      return BoardEdge::Long1;
    case BoardEdge::Short1:
      return BoardEdge::Short2;
    case BoardEdge::Short2:
      break;
  }
  return BoardEdge::Short1;
}

}  // namespace

std::vector<std::string> fieldsOf(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::Hole:
      return {"along", "across", "size", "depth", "face", "farEnd", "farEdge"};
    case FeatureKind::Slot:
      return {"along", "across", "length", "size", "depth", "face", "farEnd", "farEdge"};
    case FeatureKind::Notch:
      return {"along", "across", "length", "width", "farEnd", "farEdge"};
    case FeatureKind::Dado:
      return {"along", "size", "depth", "keepLow", "keepHigh", "face", "farEnd"};
    case FeatureKind::Groove:
      return {"across", "size", "depth", "keepLow", "keepHigh", "face", "farEdge"};
    case FeatureKind::Taper:
      return {"along", "across", "size", "edge", "face", "farEnd", "thickness"};
    case FeatureKind::Curve:
      return {"along", "length", "depth", "edge", "farEnd", "bulging"};
    case FeatureKind::Bevel:
      return {"edge", "angle"};
    case FeatureKind::HoleRow:
      return {"along", "across", "size",   "depth",   "pitch",
              "count", "face",   "farEnd", "farEdge", "crosswise"};
    case FeatureKind::Rabbet:
      return {"edge", "size", "depth", "keepLow", "keepHigh", "face"};
    case FeatureKind::Corner:
      return {"size", "farEnd", "farEdge"};
    case FeatureKind::RoundEnd:
      return {"size", "farEnd"};
    case FeatureKind::Recess:
      return {"along", "across", "length", "width", "size", "depth", "face", "farEnd", "farEdge"};
    case FeatureKind::RoundOver:
    case FeatureKind::Chamfer:
      return {"edge", "size", "face", "bothFaces", "assembled"};
  }
  return {};
}

std::vector<std::string> unusedFields(const Feature& feature) {
  std::vector<std::string> out;
  Feature copy = feature;
  eachField(copy, [&](const char* name, bool says) {
    if (says && !has(feature.kind, name)) out.emplace_back(name);
    return false;
  });
  return out;
}

Feature withoutUnused(Feature feature) {
  const FeatureKind kind = feature.kind;
  eachField(feature, [kind](const char* name, bool) { return !has(kind, name); });
  return feature;
}

Feature flipped(Feature f, Flip flip) {
  const bool edged = has(f.kind, "edge");
  if (flip == Flip::Faces) {
    if (has(f.kind, "face") && (f.kind != FeatureKind::Taper || f.thickness))
      f.face = opposite(f.face);
    if (f.kind == FeatureKind::Bevel) f.angle = Angle::millidegrees(-f.angle.inMillidegrees());
    return f;
  }
  const bool ends = flip == Flip::Ends;
  if (edged) {
    // What lies along the direction that is turned begins at the other end of its edge.
    if (isShort(f.edge) == ends) {
      f.edge = opposite(f.edge);
    } else {
      if (has(f.kind, "farEnd")) f.farEnd = !f.farEnd;
      std::swap(f.keepLow, f.keepHigh);
    }
    return f;
  }
  if (ends && has(f.kind, "farEnd")) f.farEnd = !f.farEnd;
  if (!ends && has(f.kind, "farEdge")) f.farEdge = !f.farEdge;
  // A dado runs across the board, a groove along it.
  if (f.kind == (ends ? FeatureKind::Groove : FeatureKind::Dado)) std::swap(f.keepLow, f.keepHigh);
  return f;
}

}  // namespace pp
