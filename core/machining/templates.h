// Templates, full size: what shapes are sawn or routed to.
#pragma once

#include "core/machining/settings.h"
#include "core/parts/cut_line.h"

namespace pp::bench {

// A shape once, whatever number of parts have it. Everything lies between 0 and `size`, x to the
// right along the board and y upwards across it, in millimetres.
struct ShapeTemplate {
  std::string name;         // "curve", "rounded corner"
  std::vector<Line> cut;    // that is sawn to
  std::vector<Line> edges;  // of the board, to lay the template by
  Flat size;
  std::int64_t works = 0;          // so many times it is traced
  std::vector<std::string> codes;  // of the parts, each once
};
std::vector<ShapeTemplate> templates(const std::vector<Setting>& settings,
                                     const std::vector<Pieces>& pieces);

// As DXF, in its oldest and plainest form (AC1009): lines on the layers CUT and BOARD, in
// millimetres.
std::string writeDxf(const ShapeTemplate& shape);
// The same as SVG 1.1, as large as it is.
std::string writeSvg(const ShapeTemplate& shape);

}  // namespace pp::bench
