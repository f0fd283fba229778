// An assembly said in plain words, every changeable word with what changing it does. Values only.
#pragma once

#include <QString>
#include <QStringList>
#include <functional>
#include <optional>
#include <vector>

#include "core/parts/part.h"

namespace pp {

// What a word changes: the assembly that is said, in the job it stands in, and what is chosen for
// the part that is said.
struct Edited {
  Job& job;
  Assembly& assembly;
  PartOverride& choice;
};

// A stretch of the sentence: plain words, a length that is typed, or a choice from a list.
struct Phrase {
  QString text;                  // as shown
  QString name;                  // what it is, such as "width"; empty: plain words
  std::optional<Length> length;  // set for a length
  std::function<void(Edited&, Length)> setLength;
  QStringList choices;  // set for a choice
  int chosen = 0;
  std::function<void(Edited&, int)> choose;
  std::function<Problems(Edited&, const QString&)> setText;  // set for a typed list
  QString typed;  // what the editor of a typed list starts with
};

using Paragraph = std::vector<Phrase>;

// The paragraphs about an assembly and, where one is selected, its opening.
std::vector<Paragraph> describe(const Job& job, const Assembly& assembly,
                                const std::optional<OpeningPath>& selected);

// What can be chosen for one part of the job beside what the rules say. `alone`: for this one of
// those that share its code.
Paragraph describePart(const Job& job, const std::vector<Part>& parts, const Part& part,
                       bool alone = false);

// One sentence about what the choices of joinery cost or save, or what to mind.
QString remark(const AssemblyBody& body);

}  // namespace pp
