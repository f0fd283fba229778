// One cut as it lies on the machine: the piece, the fence or stop, the blade, what each side
// becomes.
#pragma once

#include <QPainter>

#include "core/floor/at_saw.h"
#include "pictures/paint/wood.h"

namespace pp {

// "B1-03", "S1.4, cut 12", "keep S1-K1", "waste", "nothing".
QString becomesWords(const saw::Becomes& becomes);

// What is read for the cut: the distance that is set, what a trim takes off, between which marks a
// rough cut may lie.
QString readWords(const SawCut& cut, const saw::MadeCut& made, const LengthStyle& style);
// "rip", "crosscut", "trim to a mark", "part roughly".
QString kindWords(const SawCut& cut);

// "good face up", "good face down", as that saw wants it; empty where it is none of the shop's.
QString faceWords(const Shop& shop, const SawCut& cut);

// Into the room; `tone`: of its material. The fence is hatched, the blade red, what comes off is
// washed; what is cut to a mark has no fence, and a rough cut a band for its play.
void paintCut(QPainter& painter, const QRectF& room, const floor::AtSaw& saw, std::size_t cut,
              Tone tone);

}  // namespace pp
