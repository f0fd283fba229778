// The jobs that ship with the program.
#pragma once

#include <QObject>
#include <QString>
#include <vector>

namespace pp {

struct DemoJob {
  QString title;
  QString name;   // of its file
  QString about;  // one sentence
};

inline std::vector<DemoJob> demoJobs() {
  const auto tr = [](const char* text) { return QObject::tr(text); };
  return {
      {tr("Log wall"), QStringLiteral("log-wall"),
       tr("Drawers, doors and open shelves from wall to wall, on a levelled base, under one "
          "worktop and face frame. Millimetres.")},
      {tr("Log wall, half cut"), QStringLiteral("log-wall-at-the-saw"),
       tr("The log wall at the saw: some parts are cut, one was spoiled, and what is left was laid "
          "out anew. Millimetres.")},
      {tr("Ringing trolley"), QStringLiteral("ringing-trolley"),
       tr("A case on casters with two drawers, a tray and a lift-up lid, in dados. Inches.")},
      {tr("Hide bench"), QStringLiteral("hide-bench"),
       tr("A bench with two hinged lids over lockers and a back that leans. Inches.")},
      {tr("Nest-box batch"), QStringLiteral("nest-boxes"),
       tr("Twenty-four boxes of loose parts with holes and bevels, out of offcuts.")},
      {tr("Porthole surround"), QStringLiteral("porthole"),
       tr("Two rings of eight equal bevelled pieces, cut against one stop.")},
      {tr("Specimen trays"), QStringLiteral("specimen-trays"),
       tr("Twelve loose trays and a spare, four drawers, by rabbet and dado, out of offcuts.")},
      {tr("Specimen console"), QStringLiteral("specimen-console"),
       tr("A mitred case whose figure runs over its corners, with sliding panels. Millimetres.")},
      {tr("Corner seat"), QStringLiteral("corner-seat"),
       tr("A bench round a corner in five sections, hatches in frames, storage behind. Inches.")}};
}

}  // namespace pp
