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
  // As it was said: working out an edit before may change it or take it away.
  const Selection chosen = selected;
  const auto indexOf = [&]() -> std::optional<std::size_t> {
    const auto& all = session.job().assemblies;
    const auto at = std::find_if(all.begin(), all.end(),
                                 [&](const Assembly& one) { return one.code == chosen.assembly; });
    if (at == all.end()) return std::nullopt;
    return static_cast<std::size_t>(at - all.begin());
  };
  const auto said = indexOf();
  if (!said) return {};
  const Assembly drawn = session.job().assemblies[*said];
  session.finish();
  const auto row = indexOf();
  if (!row || session.job().assemblies[*row] != drawn) return {};
  Job next = session.draft();
  std::optional<Part> part;
  if (auto one = partChosen(session, chosen)) part = std::move(one->part);
  PartOverride before;
  before.why = QObject::tr("by hand").toStdString();
  if (part)
    if (const PartOverride* made = overrideOf(session.job(), *part)) before = *made;
  PartOverride choice = before;
  Assembly edited = drawn;
  Edited all{next, edited, choice};
  if (Problems problems = apply(all); !problems.empty()) return problems;
  if (edited != drawn) next.assemblies[*row] = std::move(edited);
  if (part && choice != before) {
    if (saysNothing(choice))
      dropOverride(next, *part);
    else
      setOverride(next, session.breakdown().parts, *part, std::move(choice));
  }
  return session.editDrawn(what, chosen.assembly, std::move(next));
}

}  // namespace pp
