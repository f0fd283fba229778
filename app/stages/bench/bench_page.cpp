#include "app/stages/bench/bench_page.h"

namespace pp {

std::vector<LeafKind> leafKinds() {
  return {
      {QObject::tr("Machining"), QObject::tr("Machining: %1 of %2 done, %3"), machiningLeaf},
      {QObject::tr("Banding"), QObject::tr("Banding: %1 of %2 edges done, %3"), bandingLeaf},
      {QObject::tr("Finishing"), QObject::tr("Finishing: %1 of %2 pieces coated, %3"),
       finishingLeaf},
      {QObject::tr("Assembly"), QObject::tr("Assembly: %1 of %2 put in, %3"), assemblyLeaf, false},
      {QObject::tr("Installing"), QObject::tr("Installing: %1 of %2 done, %3 in all"),
       installingLeaf, false}};
}

Tone toneOf(const Job& job, const Part& part) {
  const Material* material = findMaterial(job, part.material);
  return material == nullptr ? Tone::Birch : material->tone;
}

}  // namespace pp
