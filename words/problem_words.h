// Problems in the words of the screen.
#pragma once

#include <QString>

#include "core/job/job.h"

namespace pp {

// "x: found …. It takes …." for showing beside a field.
QString sentence(const Problem& problem);

// The problems with their places named as the screen names them, "depth of B1", instead of by where
// they stand in a job's file.
Problems inWords(Problems problems, const Job& job);

}  // namespace pp
