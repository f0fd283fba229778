// What building an assembly takes, counted by hand.
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/effort.h"
#include "tests/core/support.h"

namespace pp::effort_test {
namespace {

using test::mm;

TEST(Effort, equalCutsShareASettingOthersDoNot) {
  std::vector<Part> parts(3);
  parts[0].assembly = parts[1].assembly = "A1";
  parts[2].assembly = "B1";
  for (Part& part : parts) part.quantity = 2;
  Machining dado;
  dado.depth = mm(6);
  dado.distance = mm(100);
  dado.width = mm(18);
  Machining higher = dado;
  higher.distance = mm(300);
  Machining rabbet = dado;
  rabbet.cut = MachiningKind::Rabbet;
  parts[0].machining = {dado, higher};
  parts[1].machining = {dado, rabbet};
  parts[2].machining = {rabbet};
  EXPECT_EQ(effortOf(parts, "A1"), (Effort{4, 3}));
  EXPECT_EQ(effortOf(parts, "B1"), (Effort{2, 1}));
  EXPECT_EQ(effortOf(parts, "C1"), (Effort{0, 0}));
}

// Without dados only the rabbet for the back is left: the same on all four panels, from the rear
// edge, so one setting for those and none for the joints.
TEST(Effort, buttedPanelsSaveTheDados) {
  Assembly carcass = test::metricCarcass();
  const Effort dadoed = effortOf(breakDown(test::jobWith(carcass.carcass())).parts, "B1");
  carcass.carcass().joint = Joint::Butt;
  const Effort butted = effortOf(breakDown(test::jobWith(carcass.carcass())).parts, "B1");
  EXPECT_EQ(butted.pieces, dadoed.pieces);
  EXPECT_LT(butted.settings, dadoed.settings);
}

}  // namespace
}  // namespace pp::effort_test
