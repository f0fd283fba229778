// Templates: the lines of every shape worked by hand, as fine as said, and as files.
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <sstream>

#include "core/assembly/pages.h"
#include "core/machining/templates.h"
#include "tests/core/support.h"

namespace pp::templates_test {
namespace {

using bench::ShapeTemplate;
using test::mm;

constexpr double kNear = 1e-9;

// 600 by 400.
Part board() {
  Part part;
  part.code = "A-01";
  part.length = Reason("length", mm(600));
  part.width = Reason("width", mm(400));
  part.thickness = mm(18);
  return part;
}

Machining shape(MachiningKind cut, Edge from) {
  Machining out;
  out.cut = cut;
  out.from = from;
  return out;
}

void expectAt(const Flat& at, double u, double v) {
  EXPECT_NEAR(at.u, u, kNear);
  EXPECT_NEAR(at.v, v, kNear);
}

// The middle of a chord is no further from the circle than a fiftieth of a millimetre.
void expectRound(const std::vector<Flat>& points, Flat centre, double radius) {
  for (std::size_t i = 0; i < points.size(); ++i) {
    const auto off = [&](double u, double v) { return std::hypot(u - centre.u, v - centre.v); };
    EXPECT_NEAR(off(points[i].u, points[i].v), radius, kNear);
    if (i == 0) continue;
    const double middle =
        off((points[i].u + points[i - 1].u) / 2, (points[i].v + points[i - 1].v) / 2);
    EXPECT_GE(middle, radius - 0.02 - kNear);
  }
}

TEST(CutLine, ofARoundedCornerRunsFromTheEndToTheEdge) {
  struct Case {
    Edge from;
    bool far;
    Flat begin, end, centre;
  };
  const Case cases[] = {{Edge::W1, false, {0, 40}, {40, 0}, {40, 40}},
                        {Edge::W1, true, {0, 360}, {40, 400}, {40, 360}},
                        {Edge::W2, false, {600, 40}, {560, 0}, {560, 40}},
                        {Edge::W2, true, {600, 360}, {560, 400}, {560, 360}}};
  for (const Case& one : cases) {
    Machining cut = shape(MachiningKind::RoundCorner, one.from);
    cut.width = mm(40);
    if (one.far) cut.v0 = mm(400);
    const auto lines = cutLines(cut, board(), 60);
    ASSERT_EQ(lines.size(), 1U);
    EXPECT_FALSE(lines[0].closed);
    expectAt(lines[0].points.front(), one.begin.u, one.begin.v);
    expectAt(lines[0].points.back(), one.end.u, one.end.v);
    expectRound(lines[0].points, one.centre, 40);
  }
  // Both corners of an end.
  Machining end = shape(MachiningKind::RoundEnd, Edge::W2);
  end.width = mm(200);
  const auto lines = cutLines(end, board(), 60);
  ASSERT_EQ(lines.size(), 2U);
  expectAt(lines[0].points.front(), 600, 200);
  expectAt(lines[1].points.front(), 600, 200);
  expectAt(lines[1].points.back(), 400, 400);
}

// A hollow 300 long and 30 deep: radius (300 x 300 / 4 + 30 x 30) / 60 = 390.
TEST(CutLine, ofAHollowIsTheCircleThroughItsEnds) {
  Machining cut = shape(MachiningKind::Arc, Edge::L1);
  cut.u0 = mm(100);
  cut.u1 = mm(400);
  cut.depth = mm(30);
  auto lines = cutLines(cut, board(), 60);
  ASSERT_EQ(lines.size(), 1U);
  expectAt(lines[0].points.front(), 100, 0);
  expectAt(lines[0].points.back(), 400, 0);
  expectRound(lines[0].points, {250, 30 - 390}, 390);
  double deepest = 0;
  for (const Flat& at : lines[0].points) deepest = std::max(deepest, at.v);
  EXPECT_NEAR(deepest, 30, 0.02);
  // On the other edge it is the same, turned; over all of it where nothing is said.
  cut.from = Edge::W2;
  cut.u0 = cut.u1 = {};
  lines = cutLines(cut, board(), 60);
  expectAt(lines[0].points.front(), 600, 0);
  expectAt(lines[0].points.back(), 600, 400);
}

// A bulge leaves the rest of the edge 50 deeper, and the line goes on along it.
TEST(CutLine, ofABulgeGoesOnAlongTheEdgeItLeaves) {
  Machining cut = shape(MachiningKind::Bulge, Edge::L2);
  cut.u0 = mm(100);
  cut.u1 = mm(580);
  cut.depth = mm(50);
  const auto lines = cutLines(cut, board(), 60);
  ASSERT_EQ(lines.size(), 1U);
  const std::vector<Flat>& points = lines[0].points;
  expectAt(points.front(), 40, 350);
  expectAt(points[1], 100, 350);
  expectAt(points[points.size() - 2], 580, 350);
  expectAt(points.back(), 600, 350);  // as far as the board goes
  double highest = 0;
  for (const Flat& at : points) highest = std::max(highest, at.v);
  EXPECT_NEAR(highest, 400, 0.02);
}

TEST(CutLine, ofSlotsAndRecessesIsClosed) {
  Machining slot = shape(MachiningKind::Slot, Edge::W1);
  slot.u0 = mm(200);
  slot.u1 = mm(300);
  slot.v0 = mm(50);
  slot.width = mm(20);
  auto lines = cutLines(slot, board(), 60);
  ASSERT_EQ(lines.size(), 1U);
  EXPECT_TRUE(lines[0].closed);
  // Half circles about (290, 50) and (210, 50).
  for (const Flat& at : lines[0].points)
    EXPECT_NEAR(std::hypot(at.u - (at.u > 250 ? 290 : 210), at.v - 50), 10, kNear);
  Machining recess = shape(MachiningKind::Recess, Edge::W1);
  recess.u0 = mm(100);
  recess.u1 = mm(180);
  recess.v0 = mm(40);
  recess.v1 = mm(90);
  lines = cutLines(recess, board(), 60);
  ASSERT_EQ(lines.size(), 1U);
  EXPECT_TRUE(lines[0].closed);
  double area = 0;  // of its corners, square
  const std::vector<Flat>& points = lines[0].points;
  for (std::size_t i = 0; i < points.size(); ++i) {
    const Flat& a = points[i];
    const Flat& b = points[(i + 1) % points.size()];
    area += (a.u * b.v - b.u * a.v) / 2;
  }
  EXPECT_NEAR(area, 80 * 50, 1e-6);
  EXPECT_TRUE(cutLines(shape(MachiningKind::Dado, Edge::W1), board(), 60).empty());
}

// Two rails with one hollow and a side with a rounded corner: two templates.
std::vector<ShapeTemplate> shapes() {
  Part rail = board();
  Machining hollow = shape(MachiningKind::Arc, Edge::L1);
  hollow.u0 = mm(100);
  hollow.u1 = mm(400);
  hollow.depth = mm(30);
  rail.machining = {hollow};
  Part other = rail;
  other.code = "A-02";
  Part side = board();
  side.code = "A-03";
  Machining corner = shape(MachiningKind::RoundCorner, Edge::W1);
  corner.width = mm(40);
  side.machining = {corner};
  const std::vector<bench::Pieces> pieces = {{rail, {1, 2}}, {other, {1}}, {side, {1}}};
  return bench::templates(bench::settings(pieces, Job{}), pieces);
}

TEST(Templates, areOneAShapeAndLieInTheirSize) {
  const auto all = shapes();
  ASSERT_EQ(all.size(), 2U);
  const bool first = all[0].codes.size() == 2;
  const ShapeTemplate& hollow = all[first ? 0 : 1];
  const ShapeTemplate& corner = all[first ? 1 : 0];
  EXPECT_EQ(hollow.codes, (std::vector<std::string>{"A-01", "A-02"}));
  EXPECT_EQ(hollow.works, 3);
  // 300 and 60 to each side; 30 deep and 60 above; the edge it is in.
  EXPECT_NEAR(hollow.size.u, 420, kNear);
  EXPECT_NEAR(hollow.size.v, 90, 0.02);
  ASSERT_EQ(hollow.edges.size(), 1U);
  expectAt(hollow.edges[0].points[0], 0, 0);
  expectAt(hollow.edges[0].points[1], 420, 0);
  expectAt(hollow.cut[0].points[0], 60, 0);
  // The corner: the edges on both sides of it.
  EXPECT_NEAR(corner.size.u, 100, kNear);
  EXPECT_NEAR(corner.size.v, 100, kNear);
  EXPECT_EQ(corner.edges.size(), 2U);
}

TEST(Templates, areWrittenAsDrawingsOthersRead) {
  const auto all = shapes();
  for (const ShapeTemplate& one : all) {
    // Pairs of a group code and a value, as a reader takes them.
    std::istringstream dxf(bench::writeDxf(one));
    std::string code, value, last;
    std::size_t lines = 0, points = 0, onBoard = 0;
    double x = 0, mostX = 0;
    while (std::getline(dxf, code) && std::getline(dxf, value)) {
      EXPECT_FALSE(code.empty());
      if (code == "0" && value == "POLYLINE") ++lines;
      if (code == "0" && value == "VERTEX") ++points;
      if (code == "8" && value == "BOARD" && last == "POLYLINE") ++onBoard;
      if (code == "10") x = std::stod(value), mostX = std::max(mostX, x);
      if (code == "0") last = value;
    }
    EXPECT_EQ(last, "EOF");
    EXPECT_EQ(lines, one.cut.size() + one.edges.size());
    EXPECT_EQ(onBoard, one.edges.size());
    std::size_t wanted = 0;
    for (const auto* some : {&one.cut, &one.edges})
      for (const Line& line : *some) wanted += line.points.size();
    EXPECT_EQ(points, wanted);
    EXPECT_NEAR(mostX, one.size.u, 0.001);
    const std::string svg = bench::writeSvg(one);
    EXPECT_NE(svg.find(fmt::format("width=\"{:.4f}mm\"", one.size.u)), std::string::npos);
    EXPECT_NE(svg.find(fmt::format("viewBox=\"0 0 {:.4f} {:.4f}\"", one.size.u, one.size.v)),
              std::string::npos);
    // Up is down there.
    const Flat begin = one.cut[0].points[0];
    EXPECT_NE(svg.find(fmt::format("points=\"{:.4f},{:.4f} ", begin.u, one.size.v - begin.v)),
              std::string::npos);
  }
}

// Whatever the shape, its line stays on the board, and the template has room for all of it.
RC_GTEST_PROP(Templates, staysOnTheBoard, ()) {
  const Part part = board();
  Machining cut =
      shape(*rc::gen::element(MachiningKind::Arc, MachiningKind::Bulge, MachiningKind::RoundCorner,
                              MachiningKind::RoundEnd, MachiningKind::Slot, MachiningKind::Recess),
            *rc::gen::element(Edge::L1, Edge::L2, Edge::W1, Edge::W2));
  const bool corner = cut.cut == MachiningKind::RoundCorner || cut.cut == MachiningKind::RoundEnd;
  if (corner) cut.from = *rc::gen::element(Edge::W1, Edge::W2);
  cut.width = mm(*rc::gen::inRange(1, corner ? 200 : 20));
  cut.depth = mm(*rc::gen::inRange(1, 40));
  cut.u0 = mm(*rc::gen::inRange(0, 200));
  cut.u1 = mm(*rc::gen::inRange(250, 600));
  cut.v0 = mm(*rc::gen::inRange(20, 150));
  cut.v1 = mm(*rc::gen::inRange(200, 400));
  const std::vector<bench::Pieces> pieces = {[&] {
    Part shaped = part;
    shaped.machining = {cut};
    return bench::Pieces{shaped, {1}};
  }()};
  for (const Line& line : cutLines(cut, part, 60))
    for (const Flat& at : line.points) {
      RC_ASSERT(at.u >= -1e-6 && at.u <= 600 + 1e-6);
      RC_ASSERT(at.v >= -1e-6 && at.v <= 400 + 1e-6);
    }
  for (const ShapeTemplate& one : bench::templates(bench::settings(pieces, Job{}), pieces))
    for (const auto* some : {&one.cut, &one.edges})
      for (const Line& line : *some)
        for (const Flat& at : line.points) {
          RC_ASSERT(at.u >= -1e-6 && at.u <= one.size.u + 1e-6);
          RC_ASSERT(at.v >= -1e-6 && at.v <= one.size.v + 1e-6);
        }
}

}  // namespace
}  // namespace pp::templates_test
