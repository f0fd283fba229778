// A small picture of a whole job, to know it again by.
#pragma once

#include <QImage>

#include "core/breakdown/breakdown.h"

namespace pp {

// Its largest assembly, or the group that it is in; the loose boards of a job that has nothing
// else. Paper where there is nothing at all.
QImage jobPicture(const Job& job, const Breakdown& breakdown, const QSize& size);

}  // namespace pp
