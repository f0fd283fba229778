// One cut as it lies on the machine: the piece, the fence or stop, the blade, what each side
// becomes.
#pragma once

#include <QPainter>

#include "core/floor/at_saw.h"
#include "pictures/paint/wood.h"

namespace pp {

// "B1-03", "S1.4, cut 12", "keep S1-K1", "waste", "nothing".
QString becomesWords(const saw::Becomes& becomes);

// Into the room; `tone`: of its material. The fence is hatched, the blade red, what comes off is
// washed; a trim has no fence.
void paintCut(QPainter& painter, const QRectF& room, const floor::AtSaw& saw, std::size_t cut,
              Tone tone);

}  // namespace pp
