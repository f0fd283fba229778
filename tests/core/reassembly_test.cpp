// Puts every part back into its place in space: no two may take the same room, and together they
// must have the outer size that was asked for.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <tuple>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/mirror.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/kind.h"
#include "core/kinds/platform/rules.h"
#include "core/kinds/ring/rules.h"
#include "core/kinds/seat_box/rules.h"
#include "core/kinds/top/rules.h"
#include "core/kinds/validate.h"
#include "core/kinds/wall_panel/rules.h"
#include "core/parts/solid.h"
#include "tests/core/bodies.h"
#include "tests/core/support.h"

namespace pp::reassembly_test {
namespace {

using test::bodiesOf;
using test::Body;
using test::clashes;

Body hull(const std::vector<Body>& bodies, const std::string& without = "") {
  Body out;
  for (const Body& body : bodies) {
    if (!without.empty() && body.name.find(without) != std::string::npos) continue;
    out.low = {std::min(out.low.x, body.low.x), std::min(out.low.y, body.low.y),
               std::min(out.low.z, body.low.z)};
    out.high = {std::max(out.high.x, body.high.x), std::max(out.high.y, body.high.y),
                std::max(out.high.z, body.high.z)};
  }
  return out;
}

bool same(double a, Length b) {
  constexpr double kMicron = 1e-3;
  return std::abs(a - b.inMm()) < kMicron;
}

TEST(Solid, volumesOfABoardAndItsCuts) {
  const Job job = test::metricJob();
  Assembly none;
  const PartBuilder builder(job, none);
  Part part =
      builder.board(PartRole::Board, "b18", Reason("l", test::mm(300)), Reason("w", test::mm(200)));
  PartBuilder::place(part, {{}, kRight, kBackwards, kUp});
  const auto whole = [&part] {
    double out = 0;
    for (const Convex& piece : solidOf(part, part.poses.front())) out += volume(piece);
    return out;
  };
  EXPECT_NEAR(whole(), 300.0 * 200 * 18, 1e-6);
  part.machining.push_back(dadoAcross(part, "x", test::mm(100), test::mm(18), test::mm(6)));
  EXPECT_NEAR(whole(), 300.0 * 200 * 18 - 18.0 * 200 * 6, 1e-6);
  part.machining.clear();
  // A 45 degree bevel takes half a square of the thickness off the whole width.
  part.machining.push_back(bevel(Edge::W2, Angle::degrees(45), Face::Outside, "x"));
  EXPECT_NEAR(whole(), 300.0 * 200 * 18 - 200.0 * 18 * 18 / 2, 1e-3);
  part.machining.clear();
  Machining taper;
  taper.cut = MachiningKind::Taper;
  taper.from = Edge::L2;
  taper.v0 = test::mm(200);
  taper.v1 = test::mm(100);
  part.machining.push_back(taper);
  EXPECT_NEAR(whole(), 300.0 * 150 * 18, 1e-6);
  part.machining.clear();
  // A hole is a 24-gon in its circle: 12 r2 sin 15 degrees. Through, then 10 deep.
  Machining hole;
  hole.cut = MachiningKind::Hole;
  hole.u0 = hole.u1 = test::mm(150);
  hole.v0 = hole.v1 = test::mm(80);
  hole.width = test::mm(60);
  hole.depth = test::mm(18);
  const double round = 12 * 30.0 * 30 * 0.2588190451;
  part.machining = {hole};
  EXPECT_NEAR(whole(), 300.0 * 200 * 18 - 18 * round, 1e-3);
  hole.depth = test::mm(10);
  part.machining = {hole};
  EXPECT_NEAR(whole(), 300.0 * 200 * 18 - 10 * round, 1e-3);
  // A slot 100 long in all adds 40 between its half circles.
  hole.cut = MachiningKind::Slot;
  hole.u0 = test::mm(100);
  hole.u1 = test::mm(200);
  hole.depth = test::mm(18);
  part.machining = {hole};
  EXPECT_NEAR(whole(), 300.0 * 200 * 18 - 18 * (round + 40 * 2 * 30 * 0.9914448614), 1e-3);
  // A hollow of 30 in 300: the circle of radius (300 x 300 / 4 + 30 x 30) / 60 = 390; its segment
  // is 390 x 390 (asin(150 / 390) - 150 x 360 / 390 / 390), a little more than its 24 chords.
  Machining arc;
  arc.cut = MachiningKind::Arc;
  arc.from = Edge::L2;
  arc.depth = test::mm(30);
  part.machining = {arc};
  const double segment = 390.0 * 390 * (0.3947911197 - 150.0 * 360 / 390 / 390);
  EXPECT_NEAR(whole(), 18 * (300.0 * 200 - segment), 18 * segment * 0.003);
}

TEST(Difference, takesExactlyTheCommonRoomAway) {
  const auto box = [](int a, int b) {
    return Box{{Length::mm(a), Length::mm(a), Length::mm(a)},
               {Length::mm(b), Length::mm(b), Length::mm(b)}};
  };
  EXPECT_EQ(difference(box(0, 3), box(1, 2)).size(), 6U);
  EXPECT_TRUE(difference(box(1, 2), box(0, 3)).empty());
  EXPECT_EQ(difference(box(0, 1), box(1, 2)), std::vector{box(0, 1)});
}

TEST(Reassembly, aPartInTheWrongPlaceIsNoticed) {
  Breakdown broken = breakDown(test::jobWith(test::metricCarcass().carcass()));
  EXPECT_EQ(clashes(bodiesOf(broken)), "");
  broken.parts[2].poses[0].origin[2] += Length::um(50);
  EXPECT_NE(clashes(bodiesOf(broken)), "");
}

TEST(Reassembly, demoJobs) {
  for (const char* name : test::kDemos) {
    const Job job = readJob(name, test::demo(name)).value();
    for (const Assembly& assembly : job.assemblies) {
      const Breakdown out = breakDown(job, assembly);
      EXPECT_TRUE(out.troubles.empty()) << name << " " << assembly.code;
      EXPECT_EQ(clashes(bodiesOf(out)), "") << name << " " << assembly.code;
    }
  }
}

// The outer size of the panels: fronts, frames and what hangs behind stand outside it.
void expectOuterSize(const Job& job, const Breakdown& breakdown) {
  const Assembly& assembly = job.assemblies.front();
  const Carcass& carcass = assembly.carcass();
  std::vector<Body> panels;
  for (const Body& body : bodiesOf(breakdown)) {
    bool outside = false;
    for (const char* word : {"front", "door", "lid", "frame", "cleat", "spacer", "drawer", "tray",
                             "pull-out", "runner", "base", "stile", "filler"})
      outside = outside || body.name.find(word) != std::string::npos;
    if (!outside || body.name.find("stretcher") != std::string::npos) panels.push_back(body);
  }
  const Body outer = hull(panels);
  const CarcassLayout layout = layOut(job, assembly).value();
  RC_ASSERT(same(outer.low.x, carcass.wallLeft));
  RC_ASSERT(same(outer.high.x, carcass.width - carcass.wallRight));
  RC_ASSERT(same(outer.low.z, layout.foot));
  RC_ASSERT(same(outer.high.z, carcass.height));
  // An end panel is flush with the frame.
  const bool ends = layout.endLeft + layout.endRight > Length{};
  RC_ASSERT(same(outer.low.y, ends ? std::min(Length{}, layout.frameFront) : Length{}));
  Length depth = carcass.depth;
  if (carcass.frame && carcass.frame->depthIncludes) depth += layout.frameFront;
  RC_ASSERT(same(outer.high.y, depth));
}

RC_GTEST_PROP(Reassembly, everyCarcassFitsTogetherWithoutOverlap, ()) {
  const Job job = *test::buildableJob();
  const Breakdown breakdown = breakDown(job);
  RC_PRE(!breakdown.parts.empty());
  const std::string seen = clashes(bodiesOf(breakdown));
  RC_ASSERT(seen == "");
  expectOuterSize(job, breakdown);
}

RC_GTEST_PROP(Reassembly, groupsWithFrameStandAndTopFitTogether, ()) {
  const Job job = *test::buildableGroup();
  const Breakdown shared = breakDown(job, job.assemblies.back());
  RC_PRE(shared.troubles.empty());
  const auto& group = std::get<CarcassGroup>(job.assemblies.back().body);
  std::vector<Body> bodies = bodiesOf(shared);
  const std::vector<Id> members = group.everyMember();
  for (std::size_t i = 0; i < members.size(); ++i) {
    Breakdown member = breakDown(job, *findAssembly(job, members[i]));
    RC_PRE(!member.parts.empty());
    PartBuilder::stand(member.parts, memberStandings(job, group)[i]);
    for (Body& body : bodiesOf(member)) bodies.push_back(std::move(body));
  }
  RC_ASSERT(clashes(bodies) == "");
}

RC_GTEST_PROP(Reassembly, everyOtherKindFitsTogetherAndHasItsSize, ()) {
  const Job job = *test::buildableKind();
  const Breakdown breakdown = breakDown(job);
  RC_PRE(!breakdown.parts.empty());
  const std::vector<Body> bodies = bodiesOf(breakdown);
  const std::string seen = clashes(bodies);
  RC_ASSERT(seen == "");
  const AssemblyBody& body = job.assemblies.front().body;
  const Body outer = hull(bodies);
  if (const auto* top = std::get_if<Top>(&body)) {
    RC_ASSERT(same(outer.low.x, -top->overLeft));
    // Shares of a length are nanometres short of it at most.
    RC_ASSERT(std::abs(outer.high.x - (top->width + top->overRight).inMm()) < 1e-3);
    RC_ASSERT(same(outer.low.y, -top->overFront));
    RC_ASSERT(std::abs(outer.high.y - (top->depth + top->overBack).inMm()) < 1e-3);
  }
  if (const auto* frame = std::get_if<BaseFrame>(&body)) {
    RC_ASSERT(std::abs(outer.high.x - frame->width.inMm()) < 1e-3);
    RC_ASSERT(same(outer.high.y, frame->depth) && same(outer.high.z, frame->height));
  }
  if (const auto* seat = std::get_if<SeatBox>(&body)) {
    RC_ASSERT(same(outer.high.x, seat->width) && same(outer.low.x, Length{}));
    Length front = seat->overFront;
    if (seat->turn != SeatReturn::None) front += seat->lidGap + seat->turnLength;
    RC_ASSERT(same(outer.high.y, seat->depth));
    RC_ASSERT(std::abs(outer.low.y + front.inMm()) < 1e-3);
    if (seat->backHeight == Length{}) RC_ASSERT(same(outer.high.z, seat->height));
  }
  if (const auto* platform = std::get_if<Platform>(&body)) {
    RC_ASSERT(std::abs(outer.high.x - platform->width.inMm()) < 1e-3);
    RC_ASSERT(std::abs(outer.high.y - platform->depth.inMm()) < 1e-3);
    RC_ASSERT(same(outer.high.z, platform->height));
  }
  if (const auto* panel = std::get_if<WallPanel>(&body)) {
    RC_ASSERT(same(outer.high.x, panel->width) && same(outer.high.z, panel->height));
  }
  if (const auto* ring = std::get_if<Ring>(&body)) {
    // The solid ring: the outer polygon's area less the inner one's, times the board's width.
    double sum = 0;
    for (const Body& one : bodies)
      for (const Convex& piece : one.pieces) sum += volume(piece);
    const double n = ring->pieces;
    const double a = ring->side.inMm();
    const double t = breakdown.parts.front().thickness.inMm();
    const double tangent = std::tan(std::acos(-1.0) / n);
    const double inner = a - 2 * t * tangent;
    const double area = n * (a * a - inner * inner) / 4 / tangent;
    RC_ASSERT(std::abs(sum - area * ring->width.inMm()) < 1e-4 * sum);
  }
}

// Seen in a mirror every piece has the room of its mirror image; twice is none.
RC_GTEST_PROP(Reassembly, everyOtherKindHasAMirrorImage, ()) {
  Job job = *test::buildableKind();
  const AssemblyBody& body = job.assemblies.front().body;
  // Boards and boxes lie in a row as on a bench, a ring round its own middle.
  RC_PRE(!std::holds_alternative<Boards>(body) && !std::holds_alternative<BoxSet>(body) &&
         !std::holds_alternative<Ring>(body));
  // Beside an even number of cross pieces none stands in the middle.
  if (const auto* frame = std::get_if<BaseFrame>(&body)) RC_PRE(frame->legs == Length{});
  RC_PRE(breakDown(job).troubles.empty());
  const Job drawn = job;
  const auto before = test::pieceRooms(breakDown(job));
  mirrorAssembly(job, 0);
  RC_ASSERT(validate(job).empty());
  const double width = widthOf(job, job.assemblies.front()).inMm();
  const std::string lost =
      test::withoutMirrorImage(before, test::pieceRooms(breakDown(job)), width);
  if (!lost.empty()) RC_LOG() << writeJob(drawn) << lost;
  RC_ASSERT(lost == "");
  mirrorAssembly(job, 0);
  RC_ASSERT(job == drawn);
}

// The same job in inches and in millimetres, as it is and as its file has it, has the same parts.
void expectSameInEitherUnit(Job job) {
  const auto sizes = [](const Job& of) {
    std::vector<std::tuple<std::string, std::int64_t, Length, Length, Length, std::size_t>> out;
    for (const Part& part : breakDown(of).parts)
      out.emplace_back(part.code, part.quantity, part.cutLength(), part.cutWidth(), part.thickness,
                       part.machining.size());
    return out;
  };
  const auto ruled = sizes(job);
  job.unit = Unit::Inch;
  RC_ASSERT(sizes(job) == ruled);
  const auto read = readJob("inches", writeJob(job));
  RC_ASSERT(read.ok());
  RC_ASSERT(read.value() == job);
  RC_ASSERT(sizes(read.value()) == ruled);
}

RC_GTEST_PROP(Reassembly, theUnitChangesNoPart, ()) {
  expectSameInEitherUnit(*test::buildableJob());
}
RC_GTEST_PROP(Reassembly, theUnitChangesNoPartOfOtherKinds, ()) {
  expectSameInEitherUnit(*test::buildableKind());
}
RC_GTEST_PROP(Reassembly, theUnitChangesNoPartOfGroups, ()) {
  expectSameInEitherUnit(*test::buildableGroup());
}

// Every size comes from its reason, and every cut lies in its part.
RC_GTEST_PROP(Reassembly, everySizeIsTheSumOfItsReasonAndAboveZero, ()) {
  const Job job = *test::buildableJob();
  for (const Part& part : breakDown(job).parts) {
    RC_ASSERT(part.length.total() > Length{} && part.width.total() > Length{});
    RC_ASSERT(part.cutLength() > Length{} && part.cutWidth() > Length{});
    RC_ASSERT(static_cast<std::int64_t>(part.poses.size()) == part.quantity);
    for (const Machining& m : part.machining) {
      if (m.cut == MachiningKind::Bevel) continue;
      if (m.u0 < Length{} || m.u1 > part.length.total() + Length::um(1) || m.v0 < Length{} ||
          m.v1 > part.width.total() + Length::um(1))
        RC_LOG() << part.name << ": " << describe(m, part, {}) << "\n" << writeJob(job);
      RC_ASSERT(m.u0 >= Length{} && m.u1 <= part.length.total() + Length::um(1));
      RC_ASSERT(m.v0 >= Length{} && m.v1 <= part.width.total() + Length::um(1));
      RC_ASSERT(m.depth > Length{} && m.depth <= part.thickness + Length::mm(12));
    }
  }
}

}  // namespace
}  // namespace pp::reassembly_test
