// Reads the list of machinings by itself, knowing nothing of how the program works one out: what a
// maker who has only the list would take away.
#pragma once

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <sstream>
#include <string>
#include <vector>

namespace pp::test {

class ListedCuts {
 public:
  // A list in millimetres. The board: its length, width and thickness.
  ListedCuts(const std::string& list, double length, double width, double thick)
      : length_(length), width_(width), thick_(thick) {
    std::istringstream lines(list);
    std::string line;
    std::getline(lines, line);  // the unit
    std::getline(lines, line);
    const std::vector<std::string> header = fields(line);
    while (std::getline(lines, line)) {
      const std::vector<std::string> values = fields(line);
      std::map<std::string, std::string> row;
      for (std::size_t i = 0; i < header.size(); ++i) row[header[i]] = values.at(i);
      rows_.push_back(std::move(row));
    }
  }

  // How far inside what is cut away a point lies, in millimetres: above 0 it is gone, below 0 it is
  // there, near 0 nobody can tell. u along, v across, w from the inside face.
  double gone(double u, double v, double w) const {
    double out = -1e9;
    for (const auto& row : rows_) out = std::max(out, goneBy(row, u, v, w));
    return out;
  }
  // The coarsest a circle of it may be drawn: a 24-gon in it lies so far inside.
  double blur() const {
    double out = 0.05;
    for (const auto& row : rows_) {
      double radius = kind(row) == "slot" ? number(row, "width") / 2 : number(row, "radius");
      if (kind(row) == "arc" || kind(row) == "bulge") radius = 40 * number(row, "depth");
      out = std::max(out, radius * (1 - std::cos(std::numbers::pi / 12)) + 0.05);
    }
    return out;
  }

 private:
  using Row = std::map<std::string, std::string>;

  static std::vector<std::string> fields(const std::string& line) {
    std::vector<std::string> out;
    std::istringstream in(line);
    for (std::string one; std::getline(in, one, ',');) out.push_back(one);
    if (line.ends_with(',')) out.emplace_back();
    return out;
  }
  static double number(const Row& row, const char* name) {
    const std::string& text = row.at(name);
    return text.empty() ? 0 : std::stod(text);
  }
  static const std::string& kind(const Row& row) { return row.at("kind"); }

  // From the face it is cut into, so deep; all of it where it goes through.
  double inDepth(const Row& row, double w) const {
    const bool slot = kind(row) == "dado" || kind(row) == "rabbet" || kind(row) == "groove";
    if (!slot && row.at("through") == "yes") return 1e9;
    const double from = row.at("face") == "inside" ? w : thick_ - w;
    return number(row, "depth") - from;
  }
  static double inSpan(double at, double low, double high) { return std::min(at - low, high - at); }
  // From the edge that is named, inwards; and along it.
  std::pair<double, double> fromEdge(const Row& row, double u, double v) const {
    const std::string& from = row.at("from");
    if (from == "l1") return {v, u};
    if (from == "l2") return {width_ - v, u};
    if (from == "w1") return {u, v};
    return {length_ - u, v};
  }

  double goneBy(const Row& row, double u, double v, double w) const {
    const std::string& what = kind(row);
    const auto [in, along] = fromEdge(row, u, v);
    const double begin = number(row, "begin"), end = number(row, "end");
    const double distance = number(row, "distance"), wide = number(row, "width");
    const double depth = number(row, "depth"), radius = number(row, "radius");
    const double x0 = number(row, "x_begin"), x1 = number(row, "x_end");
    const double y0 = number(row, "y_begin"), y1 = number(row, "y_end");
    const double deep = inDepth(row, w);
    const double slope = std::tan(number(row, "angle") / 180 * std::numbers::pi);
    if (what == "dado" || what == "rabbet" || what == "groove")
      return std::min({inSpan(in, distance, distance + wide), inSpan(along, begin, end), deep});
    if (what == "notch") return std::min(inSpan(u, x0, x1), inSpan(v, y0, y1));
    if (what == "recess")  // its corners are drawn square
      return std::min({inSpan(u, x0, x1), inSpan(v, y0, y1), deep});
    if (what == "hole") return std::min(radius - std::hypot(in - distance, along - begin), deep);
    if (what == "row of holes") {
      double out = -1e9;
      const double pitch = number(row, "pitch");
      for (int i = 0; i < static_cast<int>(number(row, "count")); ++i)
        out = std::max(out, radius - std::hypot(in - distance, along - begin - i * pitch));
      return std::min(out, deep);
    }
    if (what == "slot") {
      const double middle = std::clamp(along, begin + wide / 2, end - wide / 2);
      return std::min(wide / 2 - std::hypot(in - distance, along - middle), deep);
    }
    if (what == "bevel") {
      const double back = row.at("face") == "inside" ? w : thick_ - w;
      return (slope * back - in) / std::hypot(1, slope);
    }
    if (what == "taper") {
      const double long_ = x1 - x0, rise = y1 - y0, size = std::hypot(long_, rise);
      const double side = ((v - y0) * long_ - (u - x0) * rise) / size;
      const bool low = row.at("from") == "l1" || row.at("from") == "w2";
      return low ? -side : side;
    }
    if (what == "taper of the thickness") {
      const double left = number(row, "offset") +
                          (depth - number(row, "offset")) * (u - x0) / std::max(1e-9, x1 - x0);
      const double from = row.at("face") == "inside" ? w : thick_ - w;
      return thick_ - left - from;
    }
    if (what == "arc" || what == "bulge") {
      const double half = (end - begin) / 2, big = (half * half + depth * depth) / (2 * depth);
      const double off = along - (begin + end) / 2;
      const double over = std::abs(off) < half
                              ? std::sqrt(std::max(0.0, big * big - off * off)) - (big - depth)
                              : 0;
      return what == "arc" ? over - in : depth - over - in;
    }
    if (what == "rounded corner" || what == "rounded end") {
      const bool far = row.at("from") == "w2";
      const double into = far ? u - (length_ - radius) : radius - u;
      double out = -1e9;
      if (what == "rounded end" || y0 == 0)
        if (into > 0 && radius - v > 0) out = std::max(out, std::hypot(into, radius - v) - radius);
      if (what == "rounded end" || y0 > 0)
        if (into > 0 && v - (width_ - radius) > 0)
          out = std::max(out, std::hypot(into, v - (width_ - radius)) - radius);
      return out;
    }
    return -1e9;
  }

  double length_, width_, thick_;
  std::vector<Row> rows_;
};

}  // namespace pp::test
