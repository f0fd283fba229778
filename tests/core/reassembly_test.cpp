// Puts every part back into its place in space: no two may take the same room, and together they
// must have the outer size that was asked for.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/formats/job_json.h"
#include "tests/core/support.h"

namespace pp {
namespace {

struct Body {
  std::string name;
  Box board;
  std::vector<Box> removed;
};

std::vector<Body> bodiesOf(const Breakdown& breakdown) {
  std::vector<Body> out;
  for (const Part& part : breakdown.parts)
    for (const Pose& pose : part.poses) {
      Body body{part.code + " " + part.name, pose.place(part.board()), {}};
      for (const Machining& machining : part.machining)
        if (const Box room = removed(machining, part); !room.empty())
          body.removed.push_back(pose.place(room));
      out.push_back(body);
    }
  return out;
}

// Room that both bodies would take, after what is cut out of either.
std::vector<Box> clash(const Body& a, const Body& b) {
  const Box common = intersection(a.board, b.board);
  if (common.empty()) return {};
  std::vector<Box> left = {common};
  for (const auto* cuts : {&a.removed, &b.removed})
    for (const Box& cut : *cuts) {
      std::vector<Box> next;
      for (const Box& box : left) {
        const std::vector<Box> pieces = difference(box, cut);
        next.insert(next.end(), pieces.begin(), pieces.end());
      }
      left = next;
    }
  // Grouped parts stand for sizes that differ by nanometres.
  std::erase_if(left, [](const Box& box) {
    for (std::size_t i = 0; i < 3; ++i)
      if (box.high[i] - box.low[i] < Length::um(1)) return true;
    return false;
  });
  return left;
}

std::string clashes(const std::vector<Body>& bodies) {
  std::string out;
  for (std::size_t i = 0; i < bodies.size(); ++i)
    for (std::size_t k = i + 1; k < bodies.size(); ++k)
      if (!clash(bodies[i], bodies[k]).empty())
        out += bodies[i].name + " and " + bodies[k].name + "\n";
  return out;
}

Box hull(const std::vector<Body>& bodies) {
  Box out = bodies.front().board;
  for (const Body& body : bodies)
    for (std::size_t i = 0; i < 3; ++i) {
      out.low[i] = std::min(out.low[i], body.board.low[i]);
      out.high[i] = std::max(out.high[i], body.board.high[i]);
    }
  return out;
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
  Breakdown broken = breakDown(test::jobWith(test::metricCarcass().carcass));
  EXPECT_EQ(clashes(bodiesOf(broken)), "");
  broken.parts[2].poses[0].origin[2] += Length::um(2);
  EXPECT_NE(clashes(bodiesOf(broken)), "");
}

TEST(Reassembly, demoJobs) {
  for (const char* name : {"log-wall", "ringing-trolley"}) {
    const Job job = readJob(name, test::demo(name)).value();
    for (const Assembly& assembly : job.assemblies)
      EXPECT_EQ(clashes(bodiesOf(breakDown(job, assembly))), "") << assembly.code;
  }
}

RC_GTEST_PROP(Reassembly, partsFitTogetherWithoutOverlap, ()) {
  const Job job = *test::buildableJob();
  const Breakdown breakdown = breakDown(job);
  RC_PRE(!breakdown.parts.empty());
  const std::vector<Body> bodies = bodiesOf(breakdown);
  RC_ASSERT(clashes(bodies) == "");
  const Carcass& carcass = job.assemblies.front().carcass;
  const Box outer = hull(bodies);
  RC_ASSERT(outer == (Box{{}, {carcass.width, carcass.depth, carcass.height}}));
}

// Every joint is as tight as its rule says: what enters a dado, rabbet or groove fills its width
// but for the clearances of backs and drawer bottoms.
RC_GTEST_PROP(Reassembly, everySizeIsTheSumOfItsReasonAndAboveZero, ()) {
  const Job job = *test::buildableJob();
  for (const Part& part : breakDown(job).parts) {
    RC_ASSERT(part.length.total() > Length{} && part.width.total() > Length{});
    RC_ASSERT(part.cutLength() > Length{} && part.cutWidth() > Length{});
    RC_ASSERT(static_cast<std::int64_t>(part.poses.size()) == part.quantity);
    for (const Machining& m : part.machining) {
      RC_ASSERT(m.u0 >= Length{} && m.u1 <= part.length.total() + Length::um(1));
      RC_ASSERT(m.v0 >= Length{} && m.v1 <= part.width.total() + Length::um(1));
      RC_ASSERT(m.depth > Length{} && m.depth <= part.thickness);
    }
  }
}

}  // namespace
}  // namespace pp
