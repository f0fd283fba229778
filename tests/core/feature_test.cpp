// What can be cut into a board: every shape against volumes worked by hand, where it is measured
// from, and what of it a mirror changes.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/formats/breakdown_lists.h"
#include "core/nest/sheet/random.h"
#include "core/parts/feature_cuts.h"
#include "core/parts/part_builder.h"
#include "core/parts/solid.h"
#include "tests/core/second_reader.h"
#include "tests/core/support.h"

namespace pp::feature_test {
namespace {

using test::mm;

// A board 400 long, 200 wide and 18 thick.
Part board() {
  static const Job job = test::metricJob();
  static const Assembly none;
  Part part = PartBuilder(job, none).board(PartRole::Board, "b18", Reason("l", mm(400)),
                                           Reason("w", mm(200)));
  PartBuilder::place(part, {{}, kRight, kBackwards, kUp});
  return part;
}

constexpr double kWhole = 400.0 * 200 * 18;

double left(const Part& part) {
  double out = 0;
  for (const Convex& piece : solidOf(part, part.poses.front())) out += volume(piece);
  return out;
}

struct Shape {
  const char* name;
  Feature feature;
  double gone;  // mm3
  const char* words;
};

Feature shape(FeatureKind kind, const std::function<void(Feature&)>& set) {
  Feature out;
  out.kind = kind;
  set(out);
  return out;
}

// A circle is a 24-gon in it: 12 r2 sin 15 degrees; the holes of a row 12-gons, 6 r2 sin 30.
constexpr double kRound = 12 * 0.2588190451;
constexpr double kRow = 3;

TEST(Feature, takesAsMuchWoodAsItSays) {
  using enum FeatureKind;
  const double quarter = 4 - kRound;  // of the square round a circle, corners in all, per r2
  const std::vector<Shape> rows = {
      {"hole 10 deep",
       shape(Hole,
             [](Feature& f) {
               f.along = mm(100), f.across = mm(80), f.size = mm(40), f.depth = mm(10);
             }),
       kRound * 400 * 10, "hole 40 wide, 10 deep in the inside face, 100 along, 80 across"},
      {"row of five",
       shape(HoleRow,
             [](Feature& f) {
               f.along = mm(50), f.across = mm(30), f.size = mm(8), f.count = 5, f.pitch = mm(32);
             }),
       5 * kRow * 16 * 18,
       "5 holes 8 wide, the first 50 along, 30 across, 32 apart along the board"},
      {"row across, from the far corner",
       shape(HoleRow,
             [](Feature& f) {
               f.along = mm(50), f.across = mm(30), f.size = mm(8), f.count = 3, f.pitch = mm(50);
               f.farEnd = f.farEdge = f.crosswise = true, f.depth = mm(12), f.face = Face::Outside;
             }),
       3 * kRow * 16 * 12,
       "3 holes 8 wide, 12 deep in the outside face, the first 350 along, 70 across, 50 apart "
       "across the board"},
      {"dado stopped at both ends",
       shape(Dado,
             [](Feature& f) {
               f.along = mm(100), f.size = mm(18), f.depth = mm(6), f.keepLow = mm(20);
               f.keepHigh = mm(30);
             }),
       18.0 * 150 * 6,
       "dado for the mate, inside face, 100 from the left edge, 18 wide, 6 deep, stopped"},
      {"dado in the other face, from the far end",
       shape(Dado,
             [](Feature& f) {
               f.along = mm(100), f.size = mm(18), f.depth = mm(6), f.farEnd = true;
               f.face = Face::Outside;
             }),
       18.0 * 200 * 6, "dado for the mate, outside face, 282 from the left edge, 18 wide, 6 deep"},
      {"groove from the upper edge",
       shape(Groove,
             [](Feature& f) {
               f.across = mm(10), f.size = mm(6), f.depth = mm(5), f.farEdge = true;
             }),
       400.0 * 6 * 5, "groove for the mate, inside face, 184 from the front edge, 6 wide, 5 deep"},
      {"rabbet along the far end",
       shape(Rabbet,
             [](Feature& f) { f.edge = BoardEdge::Short2, f.size = mm(12), f.depth = mm(9); }),
       12.0 * 200 * 9, "rabbet for the mate, inside face, 0 from the right edge, 12 wide, 9 deep"},
      {"rabbet stopped",
       shape(Rabbet,
             [](Feature& f) {
               f.edge = BoardEdge::Long2, f.size = mm(12), f.depth = mm(9), f.keepLow = mm(50);
             }),
       12.0 * 350 * 9,
       "rabbet for the mate, inside face, 0 from the back edge, 12 wide, 9 deep, stopped"},
      {"taper of the lower edge",
       shape(Taper, [](Feature& f) { f.across = mm(200), f.size = mm(120); }), 400.0 * 80 / 2 * 18,
       "taper 11.31° along the front edge, from 200 wide to 120 wide"},
      {"taper that begins further on",
       shape(Taper,
             [](Feature& f) {
               f.edge = BoardEdge::Long2, f.along = mm(100), f.across = mm(200), f.size = mm(140);
             }),
       300.0 * 60 / 2 * 18,
       "taper 11.31° along the back edge, from 200 wide to 140 wide, over 100 to 400 along"},
      {"the same towards the first end",
       shape(Taper,
             [](Feature& f) {
               f.edge = BoardEdge::Long2, f.along = mm(100), f.across = mm(200), f.size = mm(140);
               f.farEnd = true;
             }),
       300.0 * 60 / 2 * 18,
       "taper 11.31° along the back edge, from 140 wide to 200 wide, over 0 to 300 along"},
      {"a sloping end",
       shape(Taper,
             [](Feature& f) { f.edge = BoardEdge::Short2, f.across = mm(400), f.size = mm(300); }),
       200.0 * 100 / 2 * 18, "taper 26.565° along the right end, from 400 long to 300 long"},
      {"taper of the thickness",
       shape(Taper,
             [](Feature& f) {
               f.thickness = true, f.along = mm(100), f.across = mm(18), f.size = mm(9);
             }),
       300.0 * 9 / 2 * 200,
       "taper 1.718° of the thickness, inside face, from 18 thick 100 along to 9 thick 400 along"},
      {"rounded corner", shape(Corner, [](Feature& f) { f.size = mm(40), f.farEdge = true; }),
       quarter / 4 * 1600 * 18, "left back corner rounded, radius 40"},
      {"half circle", shape(RoundEnd, [](Feature& f) { f.farEnd = true; }),
       quarter / 2 * 10'000 * 18, "right end rounded, radius 100"},
  };
  for (const Shape& row : rows) {
    Part part = board();
    ASSERT_TRUE(unusedFields(row.feature).empty()) << row.name;
    ASSERT_TRUE(cutFeature(part, row.feature, {}).empty()) << row.name;
    EXPECT_NEAR(left(part), kWhole - row.gone, 1e-3) << row.name;
    EXPECT_EQ(describe(part.machining.back(), part, {}), row.words);
  }
}

// A hollow of 30 over 300 of the edge: the circle of radius (150 x 150 + 30 x 30) / 60 = 390. What
// a bulge of the same takes is the strip of 30 beside it less that segment.
TEST(Feature, curvesLieOnACirclesArc) {
  const double segment = 390.0 * 390 * (std::asin(150.0 / 390) - 150.0 * 360 / 390 / 390);
  Feature curve = shape(FeatureKind::Curve, [](Feature& f) {
    f.edge = BoardEdge::Long1, f.along = mm(60), f.length = mm(300), f.depth = mm(30);
  });
  Part hollow = board();
  ASSERT_TRUE(cutFeature(hollow, curve, {}).empty());
  EXPECT_NEAR(left(hollow), kWhole - segment * 18, segment * 18 * 0.003);
  EXPECT_EQ(describe(hollow.machining.back(), hollow, {}),
            "arc along the front edge, 30 hollow in the middle, over 60 to 360 along");
  curve.bulging = true;
  curve.farEnd = true;
  Part bulge = board();
  ASSERT_TRUE(cutFeature(bulge, curve, {}).empty());
  EXPECT_NEAR(left(bulge), kWhole - (400.0 * 30 - segment) * 18, segment * 18 * 0.003);
  EXPECT_EQ(describe(bulge.machining.back(), bulge, {}),
            "bulge along the front edge, 30 beyond the rest of it, over 40 to 340 along");
}

// Sixty holes of a row are cut out in space, each a 12-gon; more than anyone can tell apart are
// not.
TEST(Feature, rowsAreCutOutAsFarAsTheyCanBeSeen) {
  const auto volumeWith = [](int count) {
    Part part = board();
    const Feature row = shape(FeatureKind::HoleRow, [count](Feature& f) {
      f.along = f.across = mm(10), f.size = mm(4), f.pitch = mm(6), f.count = count;
    });
    EXPECT_TRUE(cutFeature(part, row, {}).empty());
    return left(part);
  };
  EXPECT_NEAR(volumeWith(60), kWhole - 60 * kRow * 4 * 18, 1e-3);
  EXPECT_NEAR(volumeWith(61), kWhole, 1e-3);
}

// What does not stay on the board, or would leave none of it, is refused and changes nothing.
TEST(Feature, whatLeavesTheBoardIsRefused) {
  using enum FeatureKind;
  const std::vector<Shape> rows = {
      {"row one hole too long",
       shape(HoleRow,
             [](Feature& f) {
               f.along = mm(50), f.across = mm(30), f.size = mm(8), f.count = 12, f.pitch = mm(32);
             }),
       0, "a row of holes that leaves the board"},
      {"holes that run together",
       shape(HoleRow,
             [](Feature& f) {
               f.along = mm(50), f.across = mm(30), f.size = mm(8), f.count = 3, f.pitch = mm(7);
             }),
       0, "3 holes 7 mm apart"},
      {"a row of one",
       shape(HoleRow,
             [](Feature& f) {
               f.along = mm(50), f.across = mm(30), f.size = mm(8), f.count = 1, f.pitch = mm(32);
             }),
       0, "1 holes 32 mm apart"},
      {"dado stopped where it begins",
       shape(Dado,
             [](Feature& f) {
               f.along = mm(100), f.size = mm(18), f.depth = mm(6),
               f.keepLow = f.keepHigh = mm(100);
             }),
       0, "a dado that leaves the board"},
      {"rabbet through", shape(Rabbet, [](Feature& f) { f.size = mm(12), f.depth = mm(18); }), 0,
       "18 mm deep"},
      {"rabbet of the whole width",
       shape(Rabbet, [](Feature& f) { f.size = mm(200), f.depth = mm(9); }), 0,
       "a rabbet that leaves the board"},
      {"taper that begins with a step",
       shape(Taper, [](Feature& f) { f.along = mm(100), f.across = mm(190), f.size = mm(120); }), 0,
       "a taper that begins 100 mm along, 190 mm wide"},
      {"taper of more than the thickness",
       shape(Taper, [](Feature& f) { f.thickness = true, f.across = mm(19), f.size = mm(9); }), 0,
       "a taper from 19 mm to 9 mm"},
      {"corner wider than the board", shape(Corner, [](Feature& f) { f.size = mm(201); }), 0,
       "a rounded corner that leaves the board"},
      {"end rounder than half", shape(RoundEnd, [](Feature& f) { f.size = mm(101); }), 0,
       "a rounded end that leaves the board"},
      {"curve past the end",
       shape(Curve, [](Feature& f) { f.along = mm(101), f.length = mm(300), f.depth = mm(30); }), 0,
       "a hollow that leaves the board"},
      {"bulge of more than half a circle",
       shape(Curve, [](Feature& f) { f.length = mm(100), f.depth = mm(51), f.bulging = true; }), 0,
       "a bulge that leaves the board"},
      {"all of it", shape(Notch, [](Feature& f) { f.length = mm(400), f.width = mm(200); }), 0,
       "a notch that leaves the board"},
  };
  for (const Shape& row : rows) {
    Part part = board();
    const Problems problems = cutFeature(part, row.feature, {});
    ASSERT_EQ(problems.size(), 1U) << row.name;
    EXPECT_EQ(problems[0].found, row.words) << row.name;
    EXPECT_TRUE(part.machining.empty()) << row.name;
  }
}

rc::Gen<Feature> anyFeature() {
  return rc::gen::exec([] {
    const auto upTo = [](int most) { return mm(*rc::gen::inRange(0, most + 1)); };
    Feature f;
    f.kind =
        static_cast<FeatureKind>(*rc::gen::inRange(0, static_cast<int>(FeatureKind::Recess) + 1));
    f.along = upTo(200);
    f.across = upTo(200);
    f.length = upTo(200);
    f.width = upTo(100);
    f.size = upTo(100);
    f.depth = upTo(17);
    f.pitch = upTo(60);
    f.count = *rc::gen::inRange(2, 5);
    f.keepLow = upTo(60);
    f.keepHigh = upTo(60);
    f.angle = Angle::degrees(*rc::gen::inRange(-45, 46));
    f.edge = static_cast<BoardEdge>(*rc::gen::inRange(0, 4));
    f.face = *rc::gen::arbitrary<bool>() ? Face::Inside : Face::Outside;
    f.farEnd = *rc::gen::arbitrary<bool>();
    f.farEdge = *rc::gen::arbitrary<bool>();
    f.crosswise = *rc::gen::arbitrary<bool>();
    f.bulging = *rc::gen::arbitrary<bool>();
    f.thickness = *rc::gen::arbitrary<bool>();
    return withoutUnused(f);
  });
}

// The middle of what is left, and how much.
struct Weight {
  double volume = 0, u = 0, v = 0, w = 0;
};
Weight weigh(const Part& part) {
  Weight out;
  for (const Convex& piece : solidOf(part, part.poses.front())) {
    const Vec from = piece.faces.front().front();
    for (const auto& face : piece.faces)
      for (std::size_t i = 1; i + 1 < face.size(); ++i) {
        const Vec a = face[0];
        const Vec b = face[i];
        const Vec c = face[i + 1];
        const double six = dot(a - from, cross(b - from, c - from));
        const Vec middle = 0.25 * (from + a + b + c);
        out.volume += six / 6;
        out.u += six / 6 * middle.x;
        out.v += six / 6 * middle.y;
        out.w += six / 6 * middle.z;
      }
  }
  return out;
}

RC_GTEST_PROP(Feature, flippedItIsTheSameOnTheTurnedBoard, ()) {
  const Feature feature = *anyFeature();
  const auto flip = static_cast<Flip>(*rc::gen::inRange(0, 3));
  Part plain = board();
  RC_PRE(cutFeature(plain, feature, {}).empty());
  const Feature turned = flipped(feature, flip);
  RC_ASSERT(unusedFields(turned).empty());
  RC_ASSERT(flipped(turned, flip) == feature);
  Part other = board();
  RC_ASSERT(cutFeature(other, turned, {}).empty());
  const Weight a = weigh(plain);
  const Weight b = weigh(other);
  RC_ASSERT(std::abs(a.volume - b.volume) < 1e-2);
  const double along = flip == Flip::Ends ? 400 * b.volume - b.u : b.u;
  const double across = flip == Flip::Edges ? 200 * b.volume - b.v : b.v;
  const double through = flip == Flip::Faces ? 18 * b.volume - b.w : b.w;
  RC_ASSERT(std::abs(a.u - along) < 1e-6 * kWhole * 400);
  RC_ASSERT(std::abs(a.v - across) < 1e-6 * kWhole * 200);
  RC_ASSERT(std::abs(a.w - through) < 1e-6 * kWhole * 18);
}

// Who has only the list takes away what the program draws.
RC_GTEST_PROP(Feature, goesOutWholeIntoTheListOfMachinings, ()) {
  Part part = board();
  const int count = *rc::gen::inRange(1, 4);
  for (int i = 0; i < count; ++i) {
    Part next = part;
    if (cutFeature(next, *anyFeature(), {}).empty()) part = std::move(next);
  }
  RC_PRE(!part.machining.empty());
  for (const Machining& one : part.machining)
    RC_PRE(one.cut != MachiningKind::RoundOver && one.cut != MachiningKind::Chamfer);
  Job job;
  job.unit = Unit::Millimetre;
  const std::string list = writeMachining(job, {part});
  const test::ListedCuts listed(list, 400, 200, 18);
  std::vector<std::vector<Plane>> bodies;
  for (const Convex& piece : solidOf(part, {{}, {Axis::X, 1}, {Axis::Y, 1}, {Axis::Z, 1}})) {
    std::vector<Plane>& planes = bodies.emplace_back();
    for (const auto& face : piece.faces) {
      Vec area;
      for (std::size_t i = 1; i + 1 < face.size(); ++i)
        area = area + cross(face[i] - face[0], face[i + 1] - face[0]);
      // A sliver where two cuts meet looks in no direction.
      if (dot(area, area) > 1e-8) planes.push_back(planeOf(face));
    }
  }
  const auto isThere = [&](Vec at) {
    return std::any_of(bodies.begin(), bodies.end(), [&](const std::vector<Plane>& planes) {
      return std::all_of(planes.begin(), planes.end(), [&](const Plane& plane) {
        return dot(plane.normal, at) <= plane.distance + 1e-6;
      });
    });
  };
  const double blur = listed.blur();
  nest::Random random(static_cast<std::uint64_t>(*rc::gen::inRange(1, 1'000'000)));
  for (int i = 0; i < 400; ++i) {
    const Vec at{static_cast<double>(random.below(39'999)) / 100 + 0.005,
                 static_cast<double>(random.below(19'999)) / 100 + 0.005,
                 static_cast<double>(random.below(1'799)) / 100 + 0.005};
    const double gone = listed.gone(at.x, at.y, at.z);
    if (std::abs(gone) <= blur || isThere(at) == (gone < 0)) continue;
    RC_LOG() << list << at.x << ", " << at.y << ", " << at.z << " by the list " << gone;
    RC_FAIL("the list says otherwise than the picture");
  }
}

RC_GTEST_PROP(Feature, neverTakesMoreThanTheBoard, ()) {
  Part part = board();
  RC_PRE(cutFeature(part, *anyFeature(), {}).empty());
  const double rest = left(part);
  RC_ASSERT(rest > 0);
  RC_ASSERT(rest < kWhole + 1e-3);
}

}  // namespace
}  // namespace pp::feature_test
