// Takes what a word of a sentence changes into the session.
#pragma once

#include "app/sentences/sentence.h"
#include "app/session/session.h"

namespace pp {

// `apply` changes the assembly that is selected, or the choice for the part that is. What could
// then not be built is refused, with nothing changed.
Problems changeSaid(Session& session, const QString& what, const Selection& selected,
                    const std::function<Problems(Edited&)>& apply);

// The part that is selected, with the keys it is selected by.
struct PartChosen {
  Part part;
  bool alone = false;  // of several that share its code
};
std::optional<PartChosen> partChosen(const Session& session, const Selection& selected);

}  // namespace pp
