#include "app/sentences/change.h"

#include <algorithm>

#include "core/breakdown/overrides.h"

namespace pp {
namespace {

// Whether anything is chosen beside the reason.
bool saysNothing(const PartOverride& one) {
  PartOverride none;
  none.part = one.part;
  none.alike = one.alike;
  none.why = one.why;
  return one == none;
}

}  // namespace

std::optional<PartChosen> partChosen(const Session& session, const Selection& selected) {
  for (const Part& part : session.breakdown().parts) {
    if (part.code != selected.part || part.assembly != selected.assembly) continue;
    PartChosen out{part};
    // A key that has gone to another code by now is no longer meant.
    if (selected.piece && std::binary_search(part.keys.begin(), part.keys.end(), *selected.piece)) {
      out.alone = part.keys.size() > 1;
      out.part.keys = {*selected.piece};
    }
    return out;
  }
  return std::nullopt;
}

Problems changeSaid(Session& session, const QString& what, const Selection& selected,
                    const std::function<Problems(Edited&)>& apply) {
  session.finish();
  Job next = session.draft();
  std::optional<Part> part;
  if (auto chosen = partChosen(session, selected)) part = std::move(chosen->part);
  PartOverride before;
  before.why = QObject::tr("by hand").toStdString();
  if (part)
    if (const PartOverride* made = overrideOf(session.job(), *part)) before = *made;
  PartOverride choice = before;
  Assembly edited;
  std::size_t row = 0;
  while (row < next.assemblies.size() && session.job().assemblies[row].code != selected.assembly)
    ++row;
  if (row < next.assemblies.size()) edited = session.job().assemblies[row];
  const Assembly drawn = edited;
  Edited all{next, edited, choice};
  if (Problems problems = apply(all); !problems.empty()) return problems;
  if (row < next.assemblies.size() && edited != drawn) next.assemblies[row] = std::move(edited);
  if (part && choice != before) {
    if (saysNothing(choice))
      dropOverride(next, *part);
    else
      setOverride(next, session.breakdown().parts, *part, std::move(choice));
  }
  return session.editDrawn(what, selected.assembly, std::move(next));
}

}  // namespace pp
