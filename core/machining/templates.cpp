#include "core/machining/templates.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace pp::bench {
namespace {

constexpr double kBeyond = 60;  // so far the board's edges are drawn beyond the shape

struct Span {
  double low = 0, high = 0;
};

// The board's outline where it lies within a window, a piece of each edge.
std::vector<Line> edgesWithin(const Part& part, Span u, Span v) {
  const double length = part.length.total().inMm();
  const double width = part.width.total().inMm();
  const Span along{std::max(0.0, u.low), std::min(length, u.high)};
  const Span across{std::max(0.0, v.low), std::min(width, v.high)};
  std::vector<Line> out;
  for (const double at : {0.0, width})
    if (at >= v.low && at <= v.high) out.push_back({{{along.low, at}, {along.high, at}}, false});
  for (const double at : {0.0, length})
    if (at >= u.low && at <= u.high) out.push_back({{{at, across.low}, {at, across.high}}, false});
  return out;
}

ShapeTemplate templateOf(const Machining& cut, const Part& part) {
  ShapeTemplate out;
  out.cut = cutLines(cut, part, kBeyond);
  Span u{1e9, -1e9}, v{1e9, -1e9};
  for (const Line& line : out.cut)
    for (const Flat& at : line.points) {
      u = {std::min(u.low, at.u), std::max(u.high, at.u)};
      v = {std::min(v.low, at.v), std::max(v.high, at.v)};
    }
  // As far as the board goes, and the edge that it is measured from where that is near.
  u = {std::max(0.0, u.low - kBeyond), std::min(part.length.total().inMm(), u.high + kBeyond)};
  v = {std::max(0.0, v.low - kBeyond), std::min(part.width.total().inMm(), v.high + kBeyond)};
  out.edges = edgesWithin(part, u, v);
  out.size = {u.high - u.low, v.high - v.low};
  for (std::vector<Line>* lines : {&out.cut, &out.edges})
    for (Line& line : *lines)
      for (Flat& at : line.points) at = {at.u - u.low, at.v - v.low};
  return out;
}

std::string polyline(const Line& line, const char* layer) {
  std::string out = fmt::format("0\nPOLYLINE\n8\n{}\n66\n1\n70\n{}\n", layer, line.closed ? 1 : 0);
  for (const Flat& at : line.points)
    out += fmt::format("0\nVERTEX\n8\n{}\n10\n{:.4f}\n20\n{:.4f}\n", layer, at.u, at.v);
  return out + fmt::format("0\nSEQEND\n8\n{}\n", layer);
}

}  // namespace

std::vector<ShapeTemplate> templates(const std::vector<Setting>& settings,
                                     const std::vector<Pieces>& pieces) {
  std::vector<ShapeTemplate> out;
  for (const Setting& setting : settings) {
    if (setting.tool != Tool::Template) continue;
    const Work& first = setting.works.front();
    const Part& part = pieces[first.row].part;
    ShapeTemplate one = templateOf(part.machining[first.machining], part);
    if (one.cut.empty()) continue;
    one.name = cutName(setting.cut);
    one.works = worksOf(setting, pieces);
    for (const Work& work : setting.works)
      if (const std::string& code = pieces[work.row].part.code;
          std::find(one.codes.begin(), one.codes.end(), code) == one.codes.end())
        one.codes.push_back(code);
    out.push_back(std::move(one));
  }
  return out;
}

std::string writeDxf(const ShapeTemplate& shape) {
  std::string out =
      "0\nSECTION\n2\nHEADER\n9\n$ACADVER\n1\nAC1009\n0\nENDSEC\n"
      "0\nSECTION\n2\nENTITIES\n";
  for (const Line& line : shape.cut) out += polyline(line, "CUT");
  for (const Line& line : shape.edges) out += polyline(line, "BOARD");
  return out + "0\nENDSEC\n0\nEOF\n";
}

std::string writeSvg(const ShapeTemplate& shape) {
  std::string out = fmt::format(
      "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
      "<svg xmlns=\"http://www.w3.org/2000/svg\" version=\"1.1\" width=\"{0:.4f}mm\" "
      "height=\"{1:.4f}mm\" viewBox=\"0 0 {0:.4f} {1:.4f}\">\n",
      shape.size.u, shape.size.v);
  const auto path = [&](const Line& line, const char* width) {
    std::string points;
    for (const Flat& at : line.points)
      points +=
          fmt::format("{}{:.4f},{:.4f}", points.empty() ? "" : " ", at.u, shape.size.v - at.v);
    out += fmt::format("  <{} points=\"{}\" fill=\"none\" stroke=\"black\" stroke-width=\"{}\"/>\n",
                       line.closed ? "polygon" : "polyline", points, width);
  };
  for (const Line& line : shape.cut) path(line, "0.3");
  for (const Line& line : shape.edges) path(line, "0.1");
  return out + "</svg>\n";
}

}  // namespace pp::bench
