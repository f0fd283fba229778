// What is frozen when it is taken to the saw comes back as it was: every field of every value, and
// every value of every enum.
#include <gtest/gtest.h>

#include <stdexcept>

#include "core/fields/json_archive.h"
#include "core/formats/part_fields.h"
#include "core/formats/plan_fields.h"

namespace pp::frozen_test {
namespace {

template <class T>
std::string textOf(T value) {
  JsonWriter writer;
  fields(writer, value);
  return writer.text();
}

template <class T>
T readBack(const T& value) {
  T out;
  const Problems problems =
      readObject("frozen", textOf(value), [&out](JsonReader& reader) { fields(reader, out); });
  EXPECT_TRUE(problems.empty()) << describe(problems);
  return out;
}

// Nothing of it as it is where nothing was said.
Machining everyField() {
  Machining out;
  // As many names as there are fields: one more does not compile until it is set here too.
  auto& [cut, face, receives, u0, u1, v0, v1, depth, w0, from, distance, width, holes, pitch, angle,
         through, bothFaces, assembled] = out;
  cut = MachiningKind::Chamfer;
  face = Face::Outside;
  receives = "shelf";
  int next = 0;
  for (Length* one : {&u0, &u1, &v0, &v1, &depth, &w0, &distance, &width, &pitch})
    *one = Length::nm(1'000'001 + ++next);
  from = Edge::L2;
  holes = 7;
  angle = Angle::millidegrees(12'345);
  through = false;
  bothFaces = true;
  assembled = true;
  return out;
}

TEST(Frozen, everyMachiningComesBackAsItWas) {
  Machining one = everyField();
  for (int i = 0; i <= static_cast<int>(MachiningKind::Chamfer); ++i) {
    one.cut = static_cast<MachiningKind>(i);
    EXPECT_EQ(readBack(one), one) << cutName(one.cut);
  }
  for (const Edge edge : kEdges) {
    one.from = edge;
    EXPECT_EQ(readBack(one), one);
  }
  EXPECT_EQ(readBack(Machining{}), Machining{});
}

TEST(Frozen, everyJoinOfAPartComesBackAsItWas) {
  Part part;
  for (int i = 0; i <= static_cast<int>(JoinKind::Mitre); ++i)
    part.joins.push_back({Edge::L2, static_cast<JoinKind>(i), "left side"});
  EXPECT_EQ(readBack(part).joins, part.joins);
}

TEST(Frozen, everyFieldOfAPartComesBackAsItWas) {
  Part part;
  auto& [code, number, role, name, keys, assembly, quantity, hand, material, lot, thickness, length,
         width, grain, show, edges, bands, exposed, hidden, bandedLength, bandedWidth, oversize,
         oversizeWhy, finish, finishOutside, lumber, perBlank, blankWidth, note, overridden, run,
         runOrder, series, runsRound, waiting, readOff, anySuch, machining, joins, poses, opening] =
      part;
  code = "B1-03";
  number = 3;
  role = PartRole::Divider;
  name = "divider";
  keys = {{1, PartRole::Divider, 7, 2}};
  assembly = "B1";
  quantity = 4;
  hand = Hand::Right;
  material = "birch";
  lot = "A";
  thickness = Length::um(18'300);
  length = Reason::of({{2, "opening", Length::mm(300)}}, 3);
  width = Reason::of({{1, "depth", Length::mm(400)}}, 1);
  grain = PartGrain::Any;
  show = Face::Outside;
  edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
  bands = {"a", "", "b", "c"};
  exposed = {true, false, true, true};
  hidden = {true, true};
  bandedLength = Length::mm(1);
  bandedWidth = Length::mm(2);
  oversize = Length::mm(3);
  oversizeWhy = "trimmed";
  finish = Finish::Clear;
  finishOutside = Finish::Painted;
  lumber = true;
  perBlank = 2;
  blankWidth = Reason::of({{1, "blank", Length::mm(90)}}, 1);
  note = "note";
  overridden = "why";
  run = "run";
  runOrder = 5;
  series = RunSeries::Width;
  runsRound = true;
  waiting = true;
  readOff = Length::um(-250);
  anySuch = true;
  machining = {everyField()};
  joins = {{Edge::W2, JoinKind::Mitre, "top"}};
  Pose pose;
  pose.turn = Turn{Axis::Y, Angle::degrees(15), {Length::mm(1), Length::mm(2), Length::mm(3)}};
  poses = {pose};
  opening = {0, 2, 1};
  const Part back = readBack(part);
  EXPECT_EQ(textOf(back), textOf(part));
  EXPECT_EQ(back.waiting, true);
  EXPECT_EQ(back.readOff, readOff);
  EXPECT_EQ(back.anySuch, true);
  EXPECT_EQ(back.opening, opening);
  EXPECT_EQ(back.machining, machining);
  EXPECT_EQ(back.joins, joins);
  EXPECT_EQ(back.hidden, hidden);
  EXPECT_EQ(back.finishOutside, finishOutside);
  EXPECT_EQ(back.role, role);
}

TEST(Frozen, aValueWithoutAWordIsNotWritten) {
  Machining one;
  one.cut = static_cast<MachiningKind>(99);
  EXPECT_THROW(textOf(one), std::logic_error);
}

}  // namespace
}  // namespace pp::frozen_test
