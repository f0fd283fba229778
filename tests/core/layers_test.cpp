// Boards and tops of several layers or strips, boards in pairs; against cases worked by hand.
#include <gtest/gtest.h>

#include "core/kinds/top/rules.h"
#include "core/kinds/validate.h"
#include "tests/core/bodies.h"
#include "tests/core/listed.h"

namespace pp::layers_test {
namespace {

using test::inchJobOf;
using test::jobOf;
using test::listOf;
using test::missing;
using test::mm;
using test::partIn;

Length in(int whole, int part = 0, int of = 1) {
  return Length::in(whole, part, of);
}

LooseBoard leg(Length length, Length width) {
  LooseBoard out;
  out.name = "leg";
  out.material = "b18";
  out.length = length;
  out.width = width;
  return out;
}

Feature hole(Length along, Length across, Length size) {
  Feature out;
  out.along = along;
  out.across = across;
  out.size = size;
  return out;
}

Boards only(const LooseBoard& board) {
  Boards out;
  out.boards = {board};
  return out;
}

// 600 × 80 of 18, under it 12 cut over by 6, under that 18 with gaps of 60 at 100 and at 400.
LooseBoard laminated() {
  LooseBoard out = leg(mm(600), mm(80));
  out.layers.resize(2);
  out.layers[0].material = "b12";
  out.layers[1].oversize = Length{};
  out.layers[1].gaps = {{mm(100), mm(60)}, {mm(400), mm(60)}};
  return out;
}

TEST(Layers, oneIsFlushTrimmedAndOneHasGaps) {
  const Job job = jobOf(only(laminated()));
  EXPECT_EQ(listOf(job),
            "leg x1 600 x 80\nleg, layer 2 x1 600 x 80\nleg, layer 3, piece 1 of 3 x1 100 x 80\n"
            "leg, layer 3, piece 2 of 3 x1 240 x 80\nleg, layer 3, piece 3 of 3 x1 140 x 80\n");
  const Breakdown out = breakDown(job);
  EXPECT_EQ(out.parts[1].cutLength(), mm(606));
  EXPECT_EQ(out.parts[1].cutWidth(), mm(86));
  EXPECT_EQ(out.parts[2].cutLength(), mm(100));
  // Glued 18 + 12 + 18 thick, nothing in the room of another.
  const auto bodies = test::bodiesOf(out);
  EXPECT_EQ(test::clashes(bodies), "");
  double low = 0, high = 0;
  for (const test::Body& body : bodies) {
    low = std::min(low, body.low.y);
    high = std::max(high, body.high.y);
  }
  EXPECT_NEAR(high - low, 48, 1e-6);
}

TEST(Layers, inInchesAndOfSeveralBoards) {
  LooseBoard board = leg(in(24), in(3));
  board.quantity = 2;
  board.layers.resize(1);
  board.layers[0].oversize = in(0, 1, 4);
  board.layers[0].gaps = {{Length{}, in(1, 1, 2)}};
  const Job job = inchJobOf(only(board));
  EXPECT_EQ(listOf(job), "leg x2 24 x 3\nleg, layer 2, piece 1 of 1 x2 22 1/2 x 3\n");
  EXPECT_EQ(breakDown(job).parts[1].cutLength(), in(22, 3, 4));
}

TEST(Layers, whatGoesThroughGoesThroughAllOfThem) {
  LooseBoard board = laminated();
  board.features = {hole(mm(130), mm(40), mm(20)),   // in the first gap: 120 to 140
                    hole(mm(90), mm(40), mm(20)),    // 80 to 100: just in the first piece
                    hole(mm(165), mm(40), mm(20))};  // 155 to 175: over the second one's end
  Feature outside;
  outside.kind = FeatureKind::Dado;
  outside.along = mm(300);
  outside.size = mm(12);
  outside.depth = mm(5);
  outside.face = Face::Outside;
  Feature inside = outside;
  inside.face = Face::Inside;
  inside.along = mm(200);
  board.features.push_back(outside);
  board.features.push_back(inside);
  const Breakdown out = breakDown(jobOf(only(board)));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(out.parts[0].machining.size(), 4U) << "three holes and the outside dado";
  EXPECT_EQ(out.parts[1].machining.size(), 3U) << "the holes alone";
  ASSERT_EQ(out.parts[2].machining.size(), 1U);
  EXPECT_EQ(out.parts[2].machining[0].u0, mm(90));
  ASSERT_EQ(out.parts[3].machining.size(), 1U) << "the inside dado";
  EXPECT_EQ(out.parts[3].machining[0].u0, mm(40)) << "200 less the 160 where the piece begins";
  EXPECT_EQ(out.parts[3].note, "finish the holes when the layers are glued");
  EXPECT_TRUE(out.parts[4].machining.empty());
}

// 600 long, from 80 wide to 20: a tenth narrower every 60.
TEST(Layers, piecesHaveTheirShareOfATaper) {
  LooseBoard board = laminated();
  Feature taper;
  taper.kind = FeatureKind::Taper;
  taper.edge = BoardEdge::Long2;
  taper.across = mm(80);
  taper.size = mm(20);
  Feature corner;
  corner.kind = FeatureKind::Corner;
  corner.size = mm(10);
  corner.farEnd = true;
  board.features = {taper, corner};
  for (const bool far : {false, true}) {
    board.features[0].farEnd = far;
    const Breakdown out = breakDown(jobOf(only(board)));
    ASSERT_TRUE(out.troubles.empty());
    // The second piece lies from 160 to 400.
    const Machining& cut = out.parts[3].machining[0];
    EXPECT_EQ(cut.cut, MachiningKind::Taper);
    EXPECT_EQ(cut.v0, far ? mm(36) : mm(64));
    EXPECT_EQ(cut.v1, far ? mm(60) : mm(40));
    EXPECT_EQ(out.parts[2].machining.size(), 1U) << "no rounded corner on the first";
    EXPECT_EQ(out.parts[4].machining.size(), 2U);
  }
  // One that begins at 200 leaves the first piece as it is.
  board.features[0].farEnd = false;
  board.features[0].along = mm(200);
  const Breakdown later = breakDown(jobOf(only(board)));
  EXPECT_TRUE(later.parts[2].machining.empty());
  EXPECT_TRUE(later.parts[3].machining.empty()) << "it begins within it";
  EXPECT_EQ(later.parts[3].note, "taper it with the board when the layers are glued");
}

TEST(Layers, aGrooveRunsOnFromPieceToPiece) {
  LooseBoard board = laminated();
  Feature groove;
  groove.kind = FeatureKind::Groove;
  groove.across = mm(20);
  groove.size = mm(6);
  groove.depth = mm(5);
  groove.keepLow = mm(30);
  Feature rabbet;
  rabbet.kind = FeatureKind::Rabbet;
  rabbet.edge = BoardEdge::Short2;
  rabbet.size = mm(10);
  rabbet.depth = mm(5);
  board.features = {groove, rabbet};
  const Breakdown out = breakDown(jobOf(only(board)));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_TRUE(out.parts[0].machining.empty()) << "the inside face is the last layer's";
  ASSERT_EQ(out.parts[2].machining.size(), 1U);
  EXPECT_EQ(out.parts[2].machining[0].u0, mm(30));
  EXPECT_TRUE(out.parts[3].machining[0].through);
  EXPECT_EQ(out.parts[4].machining.size(), 2U) << "with the rabbet at the far end";
}

TEST(Layers, gapsFollowOneAnotherInside) {
  for (const std::vector<LayerGap>& gaps :
       {std::vector<LayerGap>{{mm(400), mm(60)}, {mm(100), mm(60)}},
        std::vector<LayerGap>{{mm(560), mm(60)}}, std::vector<LayerGap>{{Length{}, mm(600)}}}) {
    LooseBoard board = laminated();
    board.layers[1].gaps = gaps;
    EXPECT_EQ(listOf(jobOf(only(board))), "trouble: leg\n");
  }
  LooseBoard board = laminated();
  board.layers.resize(9);
  const Problems problems = validate(jobOf(only(board)));
  ASSERT_FALSE(problems.empty());
  EXPECT_EQ(problems[0].field, "/assemblies/0/boards/boards/0/layers");
}

TEST(Hands, aPairIsOneAndItsMirrorImage) {
  LooseBoard board = leg(mm(300), mm(100));
  board.quantity = 4;
  board.hand = BoardHand::Pairs;
  board.show = Face::Outside;
  Feature blind = hole(mm(50), mm(30), mm(8));
  blind.depth = mm(10);
  board.features = {blind};
  const Breakdown out = breakDown(jobOf(only(board)));
  ASSERT_EQ(out.parts.size(), 2U);
  EXPECT_EQ(out.parts[0].hand, Hand::Left);
  EXPECT_EQ(out.parts[1].hand, Hand::Right);
  EXPECT_EQ(out.parts[0].quantity, 2);
  EXPECT_EQ(out.parts[1].quantity, 2);
  EXPECT_EQ(out.parts[0].machining[0].face, Face::Inside);
  EXPECT_EQ(out.parts[1].machining[0].face, Face::Outside);
  EXPECT_EQ(out.parts[0].show, Face::Outside);
  EXPECT_EQ(out.parts[1].show, Face::Inside);
  board.quantity = 3;
  EXPECT_EQ(listOf(jobOf(only(board))), "trouble: leg\n");
}

TEST(Hands, theFrontEdgeIsKnown) {
  const std::pair<BoardEdge, Edge> rows[] = {{BoardEdge::Long1, Edge::L1},
                                             {BoardEdge::Long2, Edge::L2},
                                             {BoardEdge::Short1, Edge::W1},
                                             {BoardEdge::Short2, Edge::W2}};
  for (const auto& [front, edge] : rows) {
    LooseBoard board = leg(mm(300), mm(100));
    board.front = front;
    const Breakdown out = breakDown(jobOf(only(board)));
    EXPECT_EQ(out.parts[0].edgeAt(Side::Front), edge);
  }
}

TEST(Tops, stripsGluedEdgeToEdge) {
  Top top;
  top.material = "b18";
  top.build = TopBuild::GluedUp;
  top.width = mm(1'800);
  top.depth = mm(600);
  top.overFront = mm(20);
  // 620 of strips of 60 at most: eleven of 56.363636.
  EXPECT_EQ(missing(listOf(jobOf(top)), {"strip of the top x11 1800 x 56.4▾"}), "");
  const Breakdown out = breakDown(jobOf(top));
  EXPECT_EQ(out.parts[0].cutLength(), mm(1'804));
  EXPECT_EQ(out.parts[0].cutWidth(), Length::nm(60'363'636));
  EXPECT_EQ(out.parts[0].note, "rough 22 mm thick");
  EXPECT_EQ(test::clashes(out), "");
  // Five strips of 56.4 go through a planer of 310 together: three slabs of eleven strips.
  Job planed = jobOf(top);
  planed.shop.planerWidth = mm(310);
  EXPECT_EQ(breakDown(planed).parts[0].note,
            "rough 22 mm thick; glued up in 3 slabs that the planer takes, then to one");
  planed.shop.planerWidth = mm(620);
  EXPECT_EQ(breakDown(planed).parts[0].note, "rough 22 mm thick");
  top.width = in(60);
  top.depth = in(24);
  top.overFront = in(1);
  top.glueStrip = in(2, 1, 2);
  top.planing = in(0, 1, 8);
  const Job inches = inchJobOf(top);
  EXPECT_EQ(listOf(inches), "strip of the top x10 60 x 2 1/2\n");
  EXPECT_EQ(breakDown(inches).parts[0].cutWidth(), in(2, 5, 8));
}

// Bars of 2 m give a top of 3 in halves; a strip begins with half a length beside one that does
// not.
TEST(Tops, stripsAreAsLongAsTheBars) {
  Top top;
  top.material = "ash";
  top.build = TopBuild::GluedUp;
  top.width = mm(3'000);
  top.depth = mm(100);
  top.overFront = Length{};
  top.glueStrip = mm(50);
  Job job = jobOf(top);
  job.materials.push_back({"ash", "ash", mm(26), mm(26), true, Tone::Ash, 650, true});
  StockPiece bar;
  bar.mark = "bar";
  bar.material = "ash";
  bar.length = mm(2'000);
  bar.width = mm(60);
  job.stock.push_back(bar);
  EXPECT_EQ(listOf(job), "strip of the top x3 1500 x 50\nstrip of the top x2 750 x 50\n");
}

TEST(Tops, layersAndWhatTheSheetsGive) {
  Top top;
  top.material = "b18";
  top.lowerMaterial = "b12";
  top.build = TopBuild::Laminated;
  top.layers = 3;
  top.overFront = Length{};
  const Breakdown out = breakDown(jobOf(top));
  EXPECT_EQ(partIn(out, "top lower layer").quantity, 2);
  double high = 0;
  for (const test::Body& body : test::bodiesOf(out)) high = std::max(high, body.high.z);
  EXPECT_NEAR(high, 42, 1e-6) << "18 over twice 12";
  // Nothing typed: of 5 000, sheets of 2 440 less 6 at either end give thirds.
  top.build = TopBuild::Single;
  top.strip = Length{};
  top.longest = Length{};
  top.width = mm(5'000);
  EXPECT_EQ(listOf(jobOf(top)), "top x3 1666.7▾ x 600\n");
  top.longest = mm(1'300);
  EXPECT_EQ(listOf(jobOf(top)), "top x4 1250 x 600\n");
}

TEST(Tops, edgingStandsProudAndHangsBelow) {
  Top top;
  top.material = "b18";
  top.edgingMaterial = "b12";
  top.edgeLeft = top.edgeRight = false;
  top.strip = Length{};
  top.proud = mm(2);
  top.below = mm(5);
  // 18 and 2 above and 5 below it.
  EXPECT_EQ(listOf(jobOf(top)), "top x1 1800 x 610\nfront edging x1 1800 x 25\n");
  const auto bodies = test::bodiesOf(breakDown(jobOf(top)));
  EXPECT_NEAR(bodies[1].low.z, -5, 1e-6);
  EXPECT_NEAR(bodies[1].high.z, 20, 1e-6);
  top.overFront = mm(8);
  EXPECT_EQ(listOf(jobOf(top)), "trouble: edging\n") << "10 thick, it would stand in the case";
  top.below = Length{};
  top.proud = in(0, 1, 16);
  top.width = in(60);
  top.depth = in(24);
  top.overFront = in(1);
  top.edging = in(0, 1, 2);
  EXPECT_EQ(listOf(inchJobOf(top)), "top x1 60 x 24 1/2\nfront edging x1 60 x 25/32\n");
}

}  // namespace
}  // namespace pp::layers_test
