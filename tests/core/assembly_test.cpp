// In which order pieces are put together: a few cases worked out by hand, and for random jobs that
// each piece gets past those that are there and each driver to its screw.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <map>
#include <set>

#include "core/assembly/installing.h"
#include "core/assembly/making.h"
#include "core/assembly/phases.h"
#include "core/breakdown/breakdown.h"
#include "core/breakdown/joint_sets.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/sliding.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/validate.h"
#include "tests/core/ordered.h"
#include "tests/core/support.h"

namespace pp::bench::assembly_test {
namespace {

using test::mm;

TEST(AssemblyOrder, aDadoCaseIsClosedByItsRightSide) {
  const Ordered of(caseWith([](Carcass& carcass) { carcass.back.school = BackSchool::Groove; }));
  ASSERT_EQ(of.units.size(), 1U);
  // A back in grooves goes in before the last of the four.
  EXPECT_EQ(of.said(of.last()), "left side\nbottom\ntop\nback\nright side\n");
  const AssemblyStep& closes = of.last().steps.back();
  EXPECT_EQ(closes.lie, Lie::OnLeftSide);
  EXPECT_EQ(closes.joints.size(), 2U);
  ASSERT_TRUE(closes.diagonals);
  EXPECT_EQ(closes.diagonals->a, mm(600));
  EXPECT_EQ(closes.diagonals->b, mm(720));
  EXPECT_NEAR(closes.diagonals->diagonal.inMm(), std::hypot(600, 720), 0.001);
  EXPECT_TRUE(of.last().steps[1].isDry) << "four glued joints are tried without glue first";
  EXPECT_GT(closes.clamps, 0);
}

// A divider on tenons top and bottom goes in by neither end once both are there: the three are put
// together first, and the sides close them.
TEST(AssemblyOrder, whatIsPluggedAtBothEndsGoesInBetween) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.joint = Joint::LooseTenon;
    carcass.back.school = BackSchool::None;
    Split bays;
    bays.children.resize(2);
    bays.sizes.resize(2);
    carcass.inside.content = bays;
  }));
  EXPECT_EQ(of.said(of.last()),
            "bottom\ndivider\ntop\nleft side\nrear rail\nrear rail\nright side\n");
  EXPECT_EQ(of.last().steps[1].along.z, -1);
  EXPECT_EQ(of.last().steps[3].along.x, 1);
}

TEST(AssemblyOrder, aBackBehindComesWhenTheCaseIsClosed) {
  for (const BackSchool school : {BackSchool::Behind, BackSchool::RabbetAll}) {
    const Ordered of(caseWith([&](Carcass& carcass) { carcass.back.school = school; }));
    EXPECT_EQ(of.said(of.last()), "left side\nbottom\ntop\nright side\nback\n");
    EXPECT_EQ(of.last().steps.back().lie, Lie::FaceDown);
  }
}

TEST(AssemblyOrder, shelvesOnPocketsGoInWhereTheDriverStillGetsIn) {
  // Two openings of some 330: the driver under the shelf is clear of the bottom, and all goes on
  // the left side before the right one closes it.
  const Ordered wide(shelved(2, Joint::Pocket));
  EXPECT_EQ(wide.said(wide.last()), "left side\nbottom\nfixed shelf\ntop\nright side\nback\n");
  // Sixteen openings of some 26: the lower shelf is in the way of the one above it. Both sides
  // stand, and the upper shelves go in before the lower ones.
  const Ordered close(shelved(16, Joint::Pocket));
  const UnitOrder& unit = close.last();

  std::vector<double> heights;
  std::size_t right = 0;
  for (std::size_t i = 0; i < unit.steps.size(); ++i) {
    const AssemblyStep& step = unit.steps[i];
    EXPECT_FALSE(step.unreached) << i;
    EXPECT_FALSE(step.isForced) << i;
    if (close.pieces[step.row].part.role == PartRole::RightSide) right = heights.size();
    for (const PieceAt& piece : step.pieces)
      if (close.part(piece).role == PartRole::FixedShelf) {
        heights.push_back(close.part(piece).poses[piece.pose].origin[2].inMm());
      }
  }
  EXPECT_EQ(right, 1U) << "the uppermost alone may be there before";
  EXPECT_TRUE(std::is_sorted(heights.rbegin(), heights.rend()));
  EXPECT_EQ(heights.size(), 15U);
}

// A case with a back behind, three drawers on side slides and pads behind a face frame.
TEST(AssemblyOrder, boxesComeWholeAndTheirFrontsLast) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.back.school = BackSchool::Behind;
    carcass.frame.emplace();
    carcass.frame->material = "b18";
    DrawerBank bank;
    bank.fronts.resize(3);
    carcass.inside.content = bank;
  }));
  const UnitOrder& box = of.kind(UnitKind::Box);
  EXPECT_EQ(box.alike, 3);
  EXPECT_EQ(of.said(box).find("drawer left side x3\n"), 0U);
  ASSERT_TRUE(std::any_of(box.steps.begin(), box.steps.end(),
                          [](const AssemblyStep& step) { return step.diagonals.has_value(); }));
  std::vector<PartRole> roles;
  for (const AssemblyStep& step : of.last().steps) roles.push_back(of.pieces[step.row].part.role);
  const auto at = [&](PartRole role) {
    return std::find(roles.begin(), roles.end(), role) - roles.begin();
  };
  // The pads are on the sides before those stand; the frame when the case is closed; then the
  // boxes, each as one; the fronts last, with a gap to what is beside them.
  const UnitOrder& side = of.kind(UnitKind::Panel);
  EXPECT_EQ(of.said(side), "left side\ndrawer slide pad\ndrawer slide pad\ndrawer slide pad\n");
  EXPECT_TRUE(of.last().steps.front().isWhole);
  EXPECT_LT(at(PartRole::RightSide), at(PartRole::Back));
  EXPECT_EQ(of.pieces[of.last().steps.back().row].part.role, PartRole::DrawerFront);
  const AssemblyStep& front = of.last().steps.back();
  ASSERT_FALSE(front.spacers.empty());
  EXPECT_EQ(front.spacers.front().size, mm(2));
  EXPECT_EQ(front.lie, Lie::Upright);
}

// Two dividers 100 apart with a shelf on pockets between them: 150 of straight line are nowhere.
TEST(AssemblyOrder, whatNoDriverReachesIsNamed) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Pocket;
    carcass.back.school = BackSchool::None;
    Split shelf;
    shelf.by = SplitBy::Shelves;
    shelf.children.resize(2);
    shelf.sizes.resize(2);
    Split bays;
    bays.children.resize(3);
    bays.sizes.resize(3);
    bays.sizes[1].fixed = mm(100);
    bays.children[1].content = shelf;
    carcass.inside.content = bays;
  }));
  std::size_t unreached = 0;
  for (const UnitOrder& unit : of.units)
    for (const AssemblyStep& step : unit.steps)
      if (step.unreached) {
        ++unreached;
        EXPECT_EQ(of.part(step.unreached->joint.piece).role, PartRole::FixedShelf);
        EXPECT_EQ(of.part(step.unreached->by).role, PartRole::Divider);
      }
  EXPECT_GT(unreached, 0U);
}

TEST(AssemblyOrder, whatIsSetByNothingElseHasItsSpacer) {
  // 720 high with 18 at either end, two openings: the shelf 18 thick lies 333 above the bottom.
  const Ordered pockets(shelved(2, Joint::Pocket));
  std::size_t spacers = 0;
  for (const AssemblyStep& step : pockets.last().steps)
    for (const Spacer& spacer : step.spacers) {
      ++spacers;
      EXPECT_EQ(pockets.pieces[step.row].part.role, PartRole::FixedShelf);
      EXPECT_EQ(spacer.size, mm(333));
      EXPECT_EQ(spacer.side, Side::Bottom);
      EXPECT_EQ(pockets.part(spacer.to).role, PartRole::Bottom);
    }
  EXPECT_EQ(spacers, 1U);
  const Ordered dados(shelved(2, Joint::Dado));
  for (const AssemblyStep& step : dados.last().steps) EXPECT_TRUE(step.spacers.empty());
}

// Thirteen trays and four drawers, each by itself: nothing holds them together.
TEST(AssemblyOrder, boxesByThemselvesStandInNothing) {
  const Ordered of(readJob("f", test::demo("specimen-trays")).value());
  std::vector<int> alike;
  for (const UnitOrder& unit : of.units) {
    EXPECT_EQ(unit.kind, UnitKind::Box);
    alike.push_back(unit.alike);
  }
  EXPECT_EQ(alike, (std::vector<int>{13, 4}));
  std::vector<std::size_t> carried;
  for (const Carried& one : carriedOf(of.units, of.pieces, of.job))
    carried.push_back(one.poses.size());
  EXPECT_EQ(carried, (std::vector<std::size_t>{13, 4}));
}

TEST(AssemblyOrder, boardsDrawnInARowHaveNone) {
  Job job = readJob("f", test::demo("nest-boxes")).value();
  ASSERT_FALSE(Ordered(job).units.empty());
  auto& boards = std::get<Boards>(job.assemblies[0].body).boards;
  for (std::size_t i = 0; i < boards.size(); ++i) boards[i].places.clear();
  EXPECT_TRUE(Ordered(job).units.empty());
}

// A shelf made anew after the drawing changed stands where the first was to stand, and alone.
TEST(AssemblyOrder, aPlaceIsThatOfThePartCutLast) {
  Ordered of(shelved(2, Joint::Dado));
  const auto shelf = std::find_if(of.pieces.begin(), of.pieces.end(), [](const Pieces& one) {
    return one.part.role == PartRole::FixedShelf;
  });
  ASSERT_NE(shelf, of.pieces.end());
  Pieces anew = *shelf;
  anew.part.code = "B1-77";
  of.pieces.push_back(anew);
  of.units = assemblyOrder(of.pieces, of.job);
  std::size_t shelves = 0;
  for (const AssemblyStep& step : of.last().steps) {
    EXPECT_FALSE(step.isForced);
    if (of.pieces[step.row].part.role != PartRole::FixedShelf) continue;
    ++shelves;
    EXPECT_EQ(of.pieces[step.row].part.code, "B1-77");
  }
  EXPECT_EQ(shelves, 1U);
}

TEST(AssemblyOrder, aRingIsRolledUpInOneGo) {
  const Ordered of(readJob("f", test::demo("porthole")).value());
  ASSERT_EQ(of.units.size(), 1U);
  ASSERT_EQ(of.last().steps.size(), 1U);
  EXPECT_EQ(of.last().steps[0].pieces.size(), 8U);
}

// 600 wide, 560 deep, 720 high: 28 kg or so of birch; a case a little higher is held to the wall.
TEST(Carried, aCaseIsCarriedEmpty) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.back.school = BackSchool::Behind;
    carcass.inside.content = AdjustableShelves{2};
    carcass.wallLeft = mm(10);
  }));
  const std::vector<Carried> carried = carriedOf(of.units, of.pieces, of.job);
  ASSERT_EQ(carried.size(), 2U);
  const Carried& whole = carried[0];
  EXPECT_EQ(whole.kind, Carry::Whole);
  EXPECT_EQ(whole.height, mm(720));
  double grams = 0;
  for (const Pieces& one : of.pieces)
    if (one.part.role != PartRole::AdjustableShelf)
      grams += gramsOf(of.job, one.part) * static_cast<double>(one.part.quantity);
  EXPECT_NEAR(whole.grams, grams, 1e-6);
  EXPECT_FALSE(whole.isAnchored());
  EXPECT_EQ(whole.gapLeft, mm(10));
  EXPECT_FALSE(whole.gapRight);
  EXPECT_EQ(carried[1].kind, Carry::Shelf);
  EXPECT_EQ(carried[1].poses.size(), 2U);
  EXPECT_FALSE(carried[1].isForTwo());
  const Ordered tall(caseWith([](Carcass& carcass) { carcass.height = mm(2'100); }));
  const Carried high = carriedOf(tall.units, tall.pieces, tall.job).front();
  EXPECT_TRUE(high.isAnchored());
  EXPECT_TRUE(high.isForTwo()) << "longer than two metres";
}

// What stands below comes before what stands on it, and what goes before them after both.
TEST(Carried, aRowOfCasesIsSetFromTheBaseUp) {
  const Ordered of(readJob("f", test::demo("log-wall")).value());
  std::vector<Carry> kinds;
  std::int64_t bases = 0;
  for (const Carried& one : carriedOf(of.units, of.pieces, of.job)) {
    if (one.of != "G1") continue;
    bases += one.kind == Carry::Base ? 1 : 0;
    if (kinds.empty() || kinds.back() != one.kind) kinds.push_back(one.kind);
  }
  // The edging over both sheets of the top is glued on there.
  EXPECT_EQ(kinds, (std::vector<Carry>{Carry::Base, Carry::Case, Carry::Frame, Carry::Top,
                                       Carry::Panel, Carry::Drawer, Carry::Shelf, Carry::Front}));
  EXPECT_EQ(bases, 2) << "the stairs let no longer one up";
}

// Units that hang over it come before it, what stands on it after; a unit on casters is not
// shimmed.
TEST(Carried, whatHangsComesBeforeWhatStandsUnderItAndWhatStandsOnItAfter) {
  Job job = caseWith([](Carcass& carcass) {
    carcass.stand = Stand{};
    carcass.stand->kind = StandKind::Casters;
  });
  for (const char* code : {"B2", "B3"}) {
    Assembly other = std::as_const(job).assemblies[0];
    other.code = code;
    other.id = 0;
    other.carcass().stand.reset();
    job.assemblies.push_back(other);
  }
  giveIds(job);
  job.site.kind = SiteKind::Free;
  const auto stands = [&job](std::size_t i, Length up) {
    job.site.stands.push_back({std::as_const(job).assemblies[i].id, WallAt::Back, {}, up});
  };
  stands(0, {});
  stands(1, mm(720));    // on the first
  stands(2, mm(1'500));  // over both
  const Ordered of(job);
  std::string order;
  for (const Carried& one : carriedOf(of.units, of.pieces, of.job)) {
    order += one.of + " ";
    EXPECT_EQ(one.isOnCasters, one.of == "B1");
  }
  EXPECT_EQ(order, "B3 B1 B2 ");
}

// The half of a cleat that is on the wall goes onto no case: it is the first thing that is put up.
TEST(Carried, theWallHalfOfACleatIsPutUpFirst) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.cleat = Cleat{};
    carcass.cleat->material = "b18";
  }));
  std::size_t cleats = 0;
  for (const UnitOrder& unit : of.units)
    for (const AssemblyStep& step : unit.steps)
      cleats += of.pieces[step.row].part.role == PartRole::Cleat ? step.pieces.size() : 0;
  EXPECT_EQ(cleats, 1U);
  const std::vector<Carried> carried = carriedOf(of.units, of.pieces, of.job);
  ASSERT_EQ(carried.size(), 2U);
  EXPECT_EQ(carried[0].kind, Carry::Cleat);
  EXPECT_EQ(carried[1].kind, Carry::Whole);
  EXPECT_TRUE(carried[1].isHung);
  // Nothing of it is held to the case.
  for (const JointSet& set : jointSetsOf(of.job, breakDown(of.job).parts))
    for (const joinery::Joint& joint : set.joints)
      if (joinery::isOnWall(set.boards[joint.contact.a]) ||
          joinery::isOnWall(set.boards[joint.contact.b])) {
        EXPECT_TRUE(joint.rests);
      }
}

// Each is called by what it is, whatever went in last.
TEST(AssemblyOrder, unitsAreCalledByWhatTheyAre) {
  const auto names = [](const char* demo) {
    const Ordered of(readJob("f", test::demo(demo)).value());
    std::set<std::string> out;
    for (const UnitOrder& unit : of.units) out.insert(unit.name);
    return out;
  };
  EXPECT_EQ(names("log-wall"),
            (std::set<std::string>{"B1, chart drawers", "B2, optics cupboard", "B3, open bay",
                                   "G1, base, frame and worktop", "U1, upper unit, left",
                                   "U2, upper unit, right", "base frame", "drawer", "face frame",
                                   "left side", "right side", "top"}));
  std::set<std::string> seats = names("corner-seat");
  EXPECT_TRUE(seats.erase("S1, seat round the corner") == 1);
  for (const std::string& one : seats)
    EXPECT_TRUE(one.starts_with("seat box ") || one.starts_with("seat frame ") ||
                one.starts_with("back support "))
        << one;
}

// What the way of a piece goes through, a line each, tried with its solid a little way off, further
// and far; and screws whose driver has no free line. Empty where all is well.
class Trial {
 public:
  explicit Trial(const Ordered& of, bool isMoved = false) : of_(of), isMoved_(isMoved) {}

  std::string run() {
    for (const UnitOrder& unit : of_.units) {
      makeBodies(unit);
      Set there;
      for (const AssemblyStep& step : unit.steps) {
        const std::size_t each = unit.kind == UnitKind::Ring ? step.pieces.size() : step.each;
        for (std::size_t i = 0; i < step.pieces.size() / each; ++i) {
          Set now(step.pieces.begin() + static_cast<std::ptrdiff_t>(i * each),
                  step.pieces.begin() + static_cast<std::ptrdiff_t>((i + 1) * each));
          if (unit.kind != UnitKind::Ring) putIn(step, now, there);
          there.insert(now.begin(), now.end());
        }
      }
      if (unit.kind == UnitKind::Assembly && there.size() != bodies_.size())
        out_ += unit.name + ": " + std::to_string(there.size()) + " of " +
                std::to_string(bodies_.size()) + " pieces are put in\n";
    }
    return out_;
  }

  bool isUnreached = false;

 private:
  using Set = std::set<PieceAt>;
  struct Solid {
    Convex convex;
    Vec low, high;
  };

  void makeBodies(const UnitOrder& unit) {
    if (made_ == unit.assembly) return;
    made_ = unit.assembly;
    bodies_.clear();
    solids_.clear();
    const Assembly* assembly = findAssembly(of_.job, unit.assembly);
    bodies_ = bodiesOf(of_.pieces, unit.assembly);
    std::vector<Standing> standings(bodies_.size());
    if (const auto* group = std::get_if<CarcassGroup>(&assembly->body)) {
      const auto ids = group->everyMember();
      const auto at = memberStandings(of_.job, *group);
      for (std::size_t i = 0; i < ids.size(); ++i)
        for (const Body& body : bodiesOf(of_.pieces, findAssembly(of_.job, ids[i])->code, at[i])) {
          bodies_.push_back(body);
          isMember_.insert(body.part->assembly);
        }
    }
    // Of a cleat one half is on the wall.
    std::erase_if(bodies_,
                  [](const Body& body) { return joinery::isOnWall(body.key().role, body.pose); });
    // Fronts of a member are hung in the group.
    for (const Assembly& other : of_.job.assemblies)
      if (const auto* group = std::get_if<CarcassGroup>(&other.body)) {
        const auto ids = group->everyMember();
        if (std::find(ids.begin(), ids.end(), assembly->id) != ids.end())
          std::erase_if(bodies_, [](const Body& body) { return isFront(body.part->role); });
      }
    for (const Body& body : bodies_)
      for (Convex& convex : solidOf(*body.part, body.pose)) {
        const Hull hull = hullOf(convex);
        solids_[body.at].push_back({std::move(convex), hull.low, hull.high});
      }
    joints_ = jointsOf(bodies_, of_.job.unit).drawn;
  }

  std::string name(const PieceAt& at) const { return of_.part(at).code + " " + of_.part(at).name; }

  void putIn(const AssemblyStep& step, const Set& now, const Set& there) {
    if (step.isForced && isMoved_) return;  // it says so
    if (step.isForced) out_ += name(*now.begin()) + " is forced\n";
    if (step.unreached) {
      // Named where nothing helps; then it is so.
      isUnreached = true;
      if (there.count(step.unreached->by) == 0)
        out_ += name(step.unreached->by) + " is not there yet\n";
    }
    if (!there.empty() && !step.isLifted)
      for (const PieceAt& piece : now)
        for (const PieceAt& other : there)
          if (!isSliding(of_.part(other))) way(step, piece, other);
    for (const JointAt& joint : joints_) {
      const PieceAt a = bodies_[joint.piece].at, b = bodies_[joint.mate].at;
      if (!(now.count(a) > 0 && there.count(b) > 0) && !(now.count(b) > 0 && there.count(a) > 0))
        continue;
      if (!step.unreached) driver(joint, now, there);
    }
  }

  static Convex moved(Convex body, Vec by) {
    for (std::vector<Vec>& face : body.faces)
      for (Vec& p : face) p = p + by;
    return body;
  }

  void way(const AssemblyStep& step, const PieceAt& piece, const PieceAt& other) {
    const bool isFront = phaseOf(of_.part(piece).role) == AssemblyPhase::Front;
    for (const double off : {2.0, 7.0, 20.0, 60.0, 200.0, 600.0}) {
      // Then it is in the hands.
      if (isFront && off > 300) break;
      const Vec by = -off * step.along;
      for (const Solid& body : solids_.at(piece))
        for (const Solid& there : solids_.at(other)) {
          const double sliver = common(body, by, there);
          if (sliver > 0 && commonVolume(moved(body.convex, by), there.convex) > sliver) {
            out_ +=
                name(piece) + " goes through " + name(other) + " at " + std::to_string(off) + "\n";
            return;
          }
        }
    }
  }
  // A twentieth of a millimetre over what the two have in common; 0: nothing.
  static double common(const Solid& a, Vec by, const Solid& b) {
    std::array<double, 3> out = {
        std::min(a.high.x + by.x, b.high.x) - std::max(a.low.x + by.x, b.low.x),
        std::min(a.high.y + by.y, b.high.y) - std::max(a.low.y + by.y, b.low.y),
        std::min(a.high.z + by.z, b.high.z) - std::max(a.low.z + by.z, b.low.z)};
    std::sort(out.begin(), out.end());
    return out[0] <= 0 ? 0 : 0.05 * out[1] * out[2];
  }

  void driver(const JointAt& joint, const Set& now, const Set& there) {
    const PieceAt a = bodies_[joint.piece].at, b = bodies_[joint.mate].at;
    for (const auto& [from, to] : joint.lines)
      for (const Set* set : {&now, &there})
        for (const PieceAt& piece : *set) {
          // What is fixed flat on a part of the joint is gone through with it.
          if (piece == a || piece == b || isWith(piece, a) || isWith(piece, b)) continue;
          for (const Solid& body : solids_.at(piece))
            for (double t = 0; t <= 1; t += 0.05)
              if (isInside(from + t * (to - from), body.convex)) {
                out_ += "no way to the screws of " + name(a) + " past " + name(piece) + "\n";
                return;
              }
        }
  }
  bool isWith(const PieceAt& piece, const PieceAt& host) const {
    for (const UnitOrder& unit : of_.units)
      if (unit.kind != UnitKind::Assembly) {
        bool has = false, is = false;
        for (const AssemblyStep& step : unit.steps)
          for (const PieceAt& one : step.pieces) {
            has = has || one == host;
            is = is || one == piece;
          }
        if (has && is) return true;
      }
    return false;
  }
  static bool isInside(Vec point, const Convex& body) {
    for (const std::vector<Vec>& face : body.faces) {
      const Plane plane = planeOf(face);
      if (dot(plane.normal, point) > plane.distance - 0.1) return false;
    }
    return true;
  }

  const Ordered& of_;
  bool isMoved_;  // by the maker: what does not get past says so
  std::string made_;
  std::vector<Body> bodies_;
  std::vector<JointAt> joints_;
  std::map<PieceAt, std::vector<Solid>> solids_;
  std::set<std::string> isMember_;
  std::string out_;
};

bool isHung(PartRole role) {
  return isFront(role) || role == PartRole::SeatLid || role == PartRole::SeatHatch;
}
// Slides' pads, ledges and nailing strips before the back, the frame before the top, fronts last.
bool comesAfter(PartRole after, PartRole before) {
  if (isHung(after)) return !isHung(before);
  if (after == PartRole::TopSheet)
    return before >= PartRole::FrameLeftStile && before <= PartRole::FrameDrawerRail;
  return after == PartRole::Back &&
         (before == PartRole::SlidePad || before == PartRole::RightSlidePad ||
          before == PartRole::BoxRunner || before == PartRole::ShelfSupport ||
          before == PartRole::NailingStrip);
}
std::string outOfTurn(const Ordered& of) {
  std::string out;
  for (const UnitOrder& unit : of.units) {
    if (unit.kind != UnitKind::Assembly) continue;
    std::map<PartRole, std::size_t> first, last;
    std::size_t i = 0;
    for (const AssemblyStep& step : unit.steps)
      for (const PieceAt& piece : step.pieces) {
        const Part& part = of.part(piece);
        const PartRole role = part.keys[std::min(piece.pose, part.keys.size() - 1)].role;
        // What is fixed on a panel is on it before that goes in.
        if (step.isWhole && phaseOf(role) == AssemblyPhase::Fitted) continue;
        first.emplace(role, i);
        last[role] = i++;
      }
    for (const auto& [before, at] : last)
      for (const auto& [after, from] : first)
        if (from < at && comesAfter(after, before))
          out += std::string(roleWord(after)) + " before " + std::string(roleWord(before)) + "\n";
  }
  return out;
}

void check(const Job& job, bool inLine = true) {
  RC_PRE(validate(job).empty());
  RC_PRE(breakDown(job).troubles.empty());
  const Ordered of(job);
  Trial trial(of);
  // Round a corner a front may have to be hung before the next case stands before it.
  const std::string wrong = trial.run() + (inLine ? outOfTurn(of) : std::string());
  if (!wrong.empty()) {
    RC_LOG(writeJob(job));
    for (const UnitOrder& unit : of.units) RC_LOG(unit.name + ":\n" + of.said(unit));
  }
  RC_TAG(of.units.empty()    ? "nothing"
         : trial.isUnreached ? "out of a driver's reach"
                             : "put together");
  RC_ASSERT(wrong == std::string());
}

// Whatever step is moved where: what gets past nothing says so.
RC_GTEST_PROP(AssemblyOrder, aStepThatIsMovedGetsPastWhatIsThereOrSaysSo, ()) {
  const Job job = *test::buildableJob();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  const Ordered of(job);
  RC_PRE(!of.units.empty());
  const UnitOrder& unit = of.units[*rc::gen::inRange<std::size_t>(0, of.units.size())];
  const auto any = rc::gen::inRange<std::size_t>(0, unit.steps.size());
  Job next = job;
  next.moved = withMoved(job, of.pieces, unit, *any, *any);
  const Ordered moved(next);
  RC_ASSERT(Trial(moved, true).run() == std::string());
}

RC_GTEST_PROP(AssemblyOrder, everyPieceOfACaseGetsPastWhatIsThere, ()) {
  check(*test::buildableJob());
}

RC_GTEST_PROP(AssemblyOrder, everyPieceOfAGroupGetsPastWhatIsThere, ()) {
  const Job job = *test::buildableGroup();
  const auto& group = std::get<CarcassGroup>(job.assemblies.back().body);
  check(job, !group.left && !group.right);
}

RC_GTEST_PROP(AssemblyOrder, everyPieceOfTheOtherKindsGetsPastWhatIsThere, ()) {
  check(*test::buildableKind());
}

}  // namespace
}  // namespace pp::bench::assembly_test
