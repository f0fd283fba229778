// An edge that is banded: the board, the strip along its edge, what is banded before.
#pragma once

#include <QPainter>

#include "core/coating/banding.h"
#include "pictures/paint/lie.h"
#include "pictures/paint/wood.h"

namespace pp {

// Its name, or what it is called in the job where the rack has none of it.
QString bandingName(const Job& job, const std::string& id);
// "T1-04 front edging, 1800 × 40, mitred corners: flushed when the glue is dry"
QString solidWords(const bench::SolidEdging& one, const std::vector<bench::Pieces>& pieces,
                   const LengthStyle& style);

// "on the part", "on the case, over its joints" ...
QString gluedWords(bench::Glued glued);
// "front edge, 762 mm"
QString stripWords(const bench::Strip& strip, const Part& part, const LengthStyle& style);

// Seen from above, the edge at the right with the strip beside it; other banded edges are lined.
void paintStrip(QPainter& painter, const QRectF& room, const bench::Strip& strip, const Part& part,
                Tone tone);
// The same in black, small, in millimetres, without the names of the edges.
void paintStripOnPaper(QPainter& painter, const QRectF& room, const bench::Strip& strip,
                       const Part& part);

}  // namespace pp
