// Whole jobs drawn up in the real window by keyboard alone, as a maker who never touches the mouse
// would.
#include <gtest/gtest.h>

#include "tests/app/drawing.h"

namespace pp {
namespace {

using test::press;

class DrawnUp : public test::Drawing {
 protected:
  // Parts of that role of the first assembly, "2 of 564 × 100".
  std::string made(PartRole role) {
    std::string out;
    for (const Part& part : session().breakdown().parts)
      if (part.role == role && part.assembly == first().code)
        out += (out.empty() ? "" : ", ") + std::to_string(part.quantity) + " of " +
               formatMm(part.length.total()) + " × " + formatMm(part.width.total());
    return out;
  }
};

// The demo's mitred console, but for the bevelled front edges that were chosen part by part.
TEST_F(DrawnUp, aMitredConsoleWithItsFigureOverTheCorners) {
  open("specimen-console");
  Job ruled = job();
  ruled.overrides.clear();
  const std::string wanted = partsOf(ruled, ruled.assemblies[0]);
  beginPlain();
  choose("lot", QStringLiteral("lot B, September"));
  set("width", "900");
  set("height", "700");
  set("depth", "380");
  choose("front edge banding", QStringLiteral("ash iron-on"));
  choose("top", QStringLiteral("meets the sides in mitres"));
  set("tenons in each mitre", "4");
  choose("grain round the corners", QStringLiteral("sides and top from one strip"));
  choose("joint", QStringLiteral("pocket screwed"));
  choose("back", QStringLiteral("stands in a groove"));
  set("back groove depth", "8");
  set("back set-in", "14");
  set("back clearance", "1.5");
  chooseOpening({}, Qt::Key_Down);
  fill("Shelves", Qt::Key_H, "rest, 280");
  chooseOpening({1}, Qt::Key_Down);
  fill("Adjustable shelves", Qt::Key_A, "1");
  chooseOpening({0}, Qt::Key_Up);
  choose("door", QStringLiteral("closed by sliding panels"));
  choose("front material", QStringLiteral("birch 6"));
  choose("front banding", QStringLiteral("no banding"));
  set("pull from the edge", "45");
  EXPECT_EQ(partsOf(job(), first()), wanted);
  EXPECT_TRUE(session().breakdown().troubles.empty());
  while (session().canUndo()) press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(partsOf(ruled, ruled.assemblies[0]), wanted);
}

// 600 × 720 × 560 of 17.8: rails in either bay, which share 600 − 3 × 17.8 = 546.6 on half
// millimetres, 273.5 and 273.1; an end panel on the left takes 17.8 more.
TEST_F(DrawnUp, railsEndsAndFillers) {
  open("specimen-console");
  beginPlain();
  choose("back", QStringLiteral("is left out, with rails"));
  set("back rails", "100 at 0, 80 at 500");
  chooseOpening({}, Qt::Key_Down);
  fill("Dividers", Qt::Key_V, "2");
  EXPECT_EQ(made(PartRole::BackRail),
            "1 of 273.5 × 100, 1 of 273.1 × 100, 1 of 273.5 × 80, 1 of 273.1 × 80");
  choose("rails go", QStringLiteral("in one piece, in notches"));
  EXPECT_EQ(made(PartRole::BackRail), "1 of 600 × 100, 1 of 600 × 80");
  // What is not a rail is refused where it is typed.
  set("back rails", "100 high");
  EXPECT_EQ(made(PartRole::BackRail), "1 of 600 × 100, 1 of 600 × 80");
  press(Qt::Key_Escape);
  choose("left end panel", QStringLiteral("ash 18"));
  EXPECT_EQ(made(PartRole::BackRail), "1 of 582.2 × 100, 1 of 582.2 × 80");
  EXPECT_EQ(made(PartRole::LeftExposedEnd), "1 of 720 × 560");
  set("right wall allowance", "30");
  choose("right filler", QStringLiteral("closed by a filler"));
  EXPECT_EQ(made(PartRole::RightFiller), "1 of 720 × 30");
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(made(PartRole::RightFiller), "");
}

// A frame of 40 over drawers and a pair: a rail between the fronts, a stile between the doors, and
// one opening's own fronts.
TEST_F(DrawnUp, frameMembersAloneAndFrontsOfOneOpening) {
  open("specimen-console");
  beginPlain();
  choose("face frame", QStringLiteral("A face frame"));
  chooseOpening({}, Qt::Key_Down);
  fill("Dividers", Qt::Key_V, "2");
  chooseOpening({0}, Qt::Key_Left);
  fill("Drawers", Qt::Key_D, "2");
  choose("rails between drawers", QStringLiteral("a rail of the frame"));
  EXPECT_EQ(made(PartRole::FrameDrawerRail), "1 of 240 × 40");
  chooseOpening({1}, Qt::Key_Right);
  choose("door", QStringLiteral("closed by a pair of doors"));
  choose("centre stile", QStringLiteral("with a stile of the frame between them"));
  EXPECT_EQ(made(PartRole::FrameCentreStile), "1 of 640 × 40");
  // (240 − 2 × 2 − 44) / 2, as high as 640 less two gaps.
  EXPECT_EQ(made(PartRole::LeftDoor), "1 of 636 × 96");
  set("own front gap", "4");
  EXPECT_EQ(made(PartRole::LeftDoor), "1 of 632 × 92");
  choose("sizes are of", QStringLiteral("what the frame leaves open"));
  set("sizes of the openings", "200, rest");
  EXPECT_EQ(made(PartRole::FrameDrawerRail), "1 of 200 × 40");
  choose("panels between", QStringLiteral("are two panels"));
  EXPECT_EQ(made(PartRole::Divider).substr(0, 4), "2 of");
}

}  // namespace
}  // namespace pp
