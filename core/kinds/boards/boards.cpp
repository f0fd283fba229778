#include "core/kinds/boards/boards.h"

#include <algorithm>

namespace pp {
namespace {

// Calls `see` with the name of every field and whether it says something; what it returns true for
// is set to 0.
template <class See>
void eachField(Feature& feature, const See& see) {
  const auto length = [&see](const char* name, Length& field) {
    if (see(name, field != Length{})) field = Length{};
  };
  length("along", feature.along);
  length("across", feature.across);
  length("length", feature.length);
  length("width", feature.width);
  length("size", feature.size);
  length("depth", feature.depth);
  if (see("angle", feature.angle != Angle{})) feature.angle = Angle{};
  if (see("edge", feature.edge != BoardEdge::Long1)) feature.edge = BoardEdge::Long1;
}

bool has(FeatureKind kind, const std::string& field) {
  const std::vector<std::string> known = fieldsOf(kind);
  return std::find(known.begin(), known.end(), field) != known.end();
}

}  // namespace

std::vector<std::string> fieldsOf(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::Hole:
      return {"along", "across", "size", "depth"};
    case FeatureKind::Slot:
      return {"along", "across", "length", "size", "depth"};
    case FeatureKind::Notch:
      return {"along", "across", "length", "width"};
    case FeatureKind::Dado:
      return {"along", "size", "depth"};
    case FeatureKind::Groove:
      return {"across", "size", "depth"};
    case FeatureKind::Taper:
      return {"across", "size"};
    case FeatureKind::Arc:
      return {"depth", "edge"};
    case FeatureKind::Bevel:
      return {"edge", "angle"};
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

}  // namespace pp
