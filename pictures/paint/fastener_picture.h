// Screws, brads and pocket screws along the edges of a part: in words, and where they sit.
#pragma once

#include <QPainter>
#include <QString>

#include "core/assembly/joints.h"
#include "core/length/format.h"

namespace pp {

// "4 screws 45 mm"
QString fastenerWords(const bench::Fasteners& one, std::int64_t count, const LengthStyle& style);
// "at 50 and every 130.1 from the front", "at 45 from the front": along that edge of the part.
QString positionWords(const Part& part, Edge edge, const bench::Fasteners& one,
                      const LengthStyle& style);

// The inside face of the part with a mark for each, small and in black, in millimetres.
void paintFastenersOnPaper(QPainter& painter, const QRectF& room, const Part& part,
                           const std::vector<bench::Fastened>& rows);

}  // namespace pp
