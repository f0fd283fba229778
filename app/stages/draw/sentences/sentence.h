// An assembly said in plain words, every changeable word with what changing it does. Values only.
#pragma once

#include <QString>
#include <QStringList>
#include <functional>
#include <optional>
#include <vector>

#include "core/job/job.h"

namespace pp {

// A stretch of the sentence: plain words, a length that is typed, or a choice from a list.
struct Phrase {
  QString text;                  // as shown
  QString name;                  // what it is, such as "width"; empty: plain words
  std::optional<Length> length;  // set for a length
  std::function<void(Assembly&, Length)> setLength;
  QStringList choices;  // set for a choice
  int chosen = 0;
  std::function<void(Assembly&, int)> choose;
  std::function<Problems(Assembly&, const QString&)> setText;  // set for a typed list
  QString typed;  // what the editor of a typed list starts with
};

using Paragraph = std::vector<Phrase>;

// The paragraphs about an assembly and, where one is selected, its opening.
std::vector<Paragraph> describe(const Job& job, const Assembly& assembly,
                                const std::optional<OpeningPath>& selected);

// One sentence about what the choices of joinery cost or save, or what to mind.
QString remark(const AssemblyBody& body);

}  // namespace pp
