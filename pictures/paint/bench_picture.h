// A piece as it lies at a tool: which edge at the fence, which goes first, which face down, where
// the cut runs.
#pragma once

#include <QPainter>

#include "core/machining/settings.h"
#include "pictures/paint/wood.h"

namespace pp {

// "dado stack", "router table" ...
QString toolWords(bench::Tool tool);
// Whether what is set is how far the cut lies from a fence or straightedge.
bool isFromFence(const bench::Setting& setting);
// What is tried before the first piece; empty where nothing is.
QString testWords(const bench::Setting& setting);
// What is set: "5 23/32 in" from the fence, "45°", the thickness of a jig, the name of a template.
QString settingWords(const bench::Setting& setting, const LengthStyle& style);
// "23/32 wide, 1/4 deep, in 2 passes, the fence moved by 1/16 in between"
QString cutWords(const bench::Setting& setting, const LengthStyle& style);
// "back edge at the fence, front edge first, inside face down"
QString liesWords(const bench::Setting& setting, const bench::Work& work, const Part& part);

// Of holes in a row: "first 63 mm from the bottom edge, 9 in all, 32 mm apart"; of pockets how many
// and with what screws. Empty for what is no hole.
QString rowWords(const bench::Work& work, const Part& part, const LengthStyle& style);

// Seen from above, the fence at the right and the leading edge at the top. A cut that is made from
// below is dashed.
void paintWork(QPainter& painter, const QRectF& room, const bench::Setting& setting,
               const bench::Work& work, const Part& part, Tone tone);
// The same in black, small, in millimetres, without the names of the edges.
void paintWorkOnPaper(QPainter& painter, const QRectF& room, const bench::Setting& setting,
                      const bench::Work& work, const Part& part);

}  // namespace pp
