// What of a part gets its finish: both faces, with what stays bare.
#pragma once

#include <QPainter>

#include "core/assembly/covers.h"
#include "core/coating/finishing.h"
#include "pictures/paint/wood.h"

namespace pp {

// "brush", "spray" ...
QString methodWords(ApplyMethod method);
// "both faces and the edges", "the outside face"
QString finishedWords(const bench::Finished::Row& row);
// "clear"; "painted, put together"
QString groupWords(const bench::Finished& group);
// "day 2, 13:30": minutes from the midnight before the first day.
QString timeWords(std::int64_t minutes);
// "460 ml", "1.35 l"; "15.6 fl oz", "1.43 qt"
QString volumeFigure(std::int64_t millilitres, Unit unit);

// "seen: 24 screw heads; plugged or filled before sanding"; empty: none is.
QString headsWords(const bench::SeenHeads& heads);

// Both faces side by side, as they are looked at; what gets the finish is washed, what stays bare
// hatched.
void paintFinished(QPainter& painter, const QRectF& room, const bench::Finished::Row& row,
                   const Part& part, Tone tone);
// The same in black, small, in millimetres.
void paintFinishedOnPaper(QPainter& painter, const QRectF& room, const bench::Finished::Row& row,
                          const Part& part);

}  // namespace pp
