// Machining by setting: tables worked by hand, every machining once, nothing in a wrong order.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/assembly/pages.h"
#include "core/breakdown/assign_ids.h"
#include "core/formats/file.h"
#include "core/machining/tried.h"
#include "core/parts/machining.h"
#include "tests/core/taken.h"

namespace pp::bench_test {
namespace {

using bench::Pieces;
using bench::Setting;
using bench::Tool;
using bench::Worklist;
using test::mm;
using test::Taken;

std::vector<Pieces> piecesOf(const std::vector<Part>& parts) {
  return bench::piecesAtBench({}, {}, parts);
}

struct Row {
  Tool tool;
  Length width, depth, distance;
  std::int64_t works;
  int passes = 1;
  bool stopped = false, testCut = false;
};

Length in(std::int64_t whole, std::int64_t over = 0, std::int64_t under = 1) {
  return Length::nm(25'400'000 * whole + 25'400'000 * over / under);
}

TEST(Settings, ofTheTrolleyAreThoseWorkedByHand) {
  const Taken taken;
  const std::vector<Pieces> pieces = piecesOf(taken.drawn);
  const std::vector<Setting> settings = bench::settings(pieces, taken.job);
  const Row rows[] = {
      // Drawer fronts' ends for the sides, two boxes of one size and one of another.
      {Tool::DadoStack, in(0, 15, 32), in(0, 1, 4), {}, 6, 1, false, true},
      {Tool::DadoStack, in(0, 15, 32), in(0, 1, 4), in(16, 13, 16), 6},
      // Both ends of both sides; the two shelves in each.
      {Tool::DadoStack, in(0, 23, 32), in(0, 1, 4), {}, 4, 1, false, true},
      {Tool::DadoStack, in(0, 23, 32), in(0, 1, 4), in(5, 23, 32), 2},
      {Tool::DadoStack, in(0, 23, 32), in(0, 1, 4), in(20, 9, 16), 2},
      // 7/32 is under the stack's 6 mm and no bit fits: two passes of the saw.
      {Tool::TableSaw, in(0, 7, 32), in(0, 1, 4), in(0, 1, 2), 9, 2, false, true},
      {Tool::TableSaw, in(0, 7, 32), in(0, 3, 8), {}, 4, 2},
      {Tool::Drill, mm(5), in(0, 23, 32), {}, 2},
  };
  ASSERT_EQ(settings.size(), std::size(rows));
  for (std::size_t i = 0; i < settings.size(); ++i) {
    SCOPED_TRACE(i + 1);
    const Setting& one = settings[i];
    EXPECT_EQ(one.tool, rows[i].tool);
    EXPECT_EQ(one.width, rows[i].width);
    EXPECT_EQ(one.depth, rows[i].depth);
    if (one.tool != Tool::Drill) {
      EXPECT_EQ(one.distance, rows[i].distance);
    }
    EXPECT_EQ(bench::worksOf(one, pieces), rows[i].works);
    EXPECT_EQ(one.passes, rows[i].passes);
    EXPECT_EQ(one.works[0].stopped, rows[i].stopped);
    EXPECT_EQ(one.testCut, rows[i].testCut);
  }
  EXPECT_EQ(settings[5].step, settings[5].width - taken.job.saw.kerf);
  EXPECT_EQ(bench::leastSettings(settings), settings.size());
}

// A board 800 by 300 with one cut.
Pieces board(Machining cut, Length length = mm(800), Length width = mm(300)) {
  Pieces out;
  out.part.code = "B-1";
  out.part.thickness = mm(18);
  out.part.length = Reason("size", length);
  out.part.width = Reason("size", width);
  out.part.edges = {Side::Front, Side::Back, Side::Bottom, Side::Top};
  out.part.machining.push_back(std::move(cut));
  out.numbers = {1};
  return out;
}
Setting only(const Pieces& pieces, const Job& job) {
  const auto out = bench::settings({pieces}, job);
  EXPECT_EQ(out.size(), 1U);
  return out.front();
}
Machining dado(Length at, Length width = mm(18)) {
  const Pieces plain = board({});
  return dadoAcross(plain.part, "shelf", at, width, mm(6));
}

TEST(Settings, aDadoOutOfReachIsCutFromTheOtherEnd) {
  Job job;
  job.shop.tools.fenceReach = mm(500);
  Setting near = only(board(dado(mm(300))), job);
  EXPECT_EQ(near.distance, mm(300));
  EXPECT_FALSE(near.works[0].fromOtherEnd);
  EXPECT_EQ(near.works[0].against, Edge::W1);
  // 800 - 600 - 18 from the other end.
  Setting far = only(board(dado(mm(600))), job);
  EXPECT_EQ(far.distance, mm(182));
  EXPECT_TRUE(far.works[0].fromOtherEnd);
  EXPECT_EQ(far.works[0].against, Edge::W2);
  // In the middle of a long board it is out of reach from both: along a straightedge.
  Pieces along = board(dado(mm(600)), mm(1'400));
  Setting middle = only(along, job);
  EXPECT_EQ(middle.tool, Tool::Router);
  EXPECT_EQ(middle.bit, mm(12));
  EXPECT_EQ(middle.passes, 2);
  EXPECT_EQ(middle.step, mm(6));
}

TEST(Settings, theToolIsOneThatTheShopHas) {
  Job job;
  EXPECT_EQ(only(board(dado(mm(100))), job).tool, Tool::DadoStack);
  job.shop.tools.dadoMost = {};
  // Kerf 3.2: six passes make 18.
  job.saw.kerf = mm(3) + Length::um(200);
  Setting passes = only(board(dado(mm(100))), job);
  EXPECT_EQ(passes.tool, Tool::TableSaw);
  EXPECT_EQ(passes.passes, 6);
  EXPECT_EQ(passes.step, Length::um(14'800 / 5));
  job.shop.tools.bits.push_back(mm(18));
  Setting routed = only(board(dado(mm(100))), job);
  EXPECT_EQ(routed.tool, Tool::RouterTable);
  EXPECT_EQ(routed.passes, 1);
  // Its fence does not reach so far, and from the other end neither.
  EXPECT_EQ(only(board(dado(mm(400))), job).tool, Tool::TableSaw);
  job.shop.machines.clear();
  EXPECT_EQ(only(board(dado(mm(400))), job).tool, Tool::Router);
  job.shop.tools.bits.clear();
  EXPECT_EQ(only(board(dado(mm(400))), job).tool, Tool::HandSaw);
}

// With the fence at the right: which edge meets the tool first, of left and right hands and of
// either face. Seen with the inside face up and the bottom below, the front is at the left; turned
// over it is at the right, so with the bottom at the fence the front goes first.
TEST(Settings, handsAndFacesSayWhichEdgeGoesFirst) {
  const Job job;
  const struct {
    Hand hand;
    Face face;
    Edge against, leading;
  } rows[] = {{Hand::None, Face::Inside, Edge::W1, Edge::L1},
              {Hand::Left, Face::Inside, Edge::W1, Edge::L1},
              {Hand::Right, Face::Inside, Edge::W1, Edge::L2},
              {Hand::Left, Face::Outside, Edge::W1, Edge::L2},
              {Hand::Right, Face::Outside, Edge::W1, Edge::L1},
              {Hand::Left, Face::Inside, Edge::L2, Edge::W1},
              {Hand::Right, Face::Inside, Edge::L2, Edge::W2},
              {Hand::Left, Face::Inside, Edge::W2, Edge::L2}};
  for (const auto& row : rows) {
    Pieces pieces = board(dado(mm(100)));
    pieces.part.hand = row.hand;
    Machining& cut = pieces.part.machining[0];
    cut.face = row.face;
    cut.from = row.against;
    const bench::Work work = only(pieces, job).works[0];
    EXPECT_EQ(work.against, row.against);
    EXPECT_EQ(work.leading, row.leading);
    EXPECT_EQ(work.down, row.face);
  }
}

TEST(Settings, stoppedCutsAreMarkedFromTheEdgeThatGoesFirst) {
  const Job job;
  Pieces pieces = board(dado(mm(100), mm(12)));
  Machining& cut = pieces.part.machining[0];
  cut.through = false;
  cut.v0 = {};
  cut.v1 = mm(280);
  Setting left = only(pieces, job);
  EXPECT_EQ(left.tool, Tool::RouterTable);
  EXPECT_TRUE(left.works[0].stopped);
  EXPECT_EQ(left.works[0].begin, Length{});
  EXPECT_EQ(left.works[0].end, mm(280));
  pieces.part.hand = Hand::Right;
  const Setting right = only(pieces, job);
  EXPECT_EQ(right.works[0].begin, mm(20));
  EXPECT_EQ(right.works[0].end, mm(300));
}

// Where a bit is set the same for both, what is stopped is no setting of its own.
TEST(Settings, whatIsStoppedGoesWithWhatRunsThroughWhereTheSameIsSet) {
  Job job;
  job.shop.tools.dadoMost = {};
  Pieces through = board(dado(mm(100), mm(12)));
  Pieces stopped = through;
  stopped.part.code = "B-2";
  stopped.part.machining[0].through = false;
  const auto settings = bench::settings({stopped, through}, job);
  ASSERT_EQ(settings.size(), 1U);
  ASSERT_EQ(settings[0].works.size(), 2U);
  EXPECT_FALSE(settings[0].works[0].stopped) << "those that run through are first";
  EXPECT_TRUE(settings[0].works[1].stopped);
}

TEST(Settings, aBevelIsTriedFirstAndItsFullFaceLiesUp) {
  const Job job;
  Pieces pieces = board(bevel(Edge::W2, Angle::degrees(45), Face::Outside, "mitre"));
  const Setting one = only(pieces, job);
  EXPECT_EQ(one.tool, Tool::TableSaw);
  EXPECT_EQ(one.tilt, Angle::degrees(45));
  EXPECT_EQ(one.distance, mm(800));
  EXPECT_EQ(one.works[0].against, Edge::W1);
  EXPECT_EQ(one.works[0].down, Face::Inside);
  EXPECT_TRUE(one.testCut);
}

TEST(Settings, anInsideCornerIsLeftToTheHand) {
  // Radius 125, raised 25 through 18: 75 - 41.24.
  EXPECT_NEAR(bench::cornerLead(mm(125), mm(25), mm(18)).inMm(), 33.756, 0.001);
  // At its top the blade of a piece as thick as it is raised reaches nothing.
  EXPECT_NEAR(bench::cornerLead(mm(125), mm(25), mm(25)).inMm(), 75, 0.001);
}

TEST(Settings, whatWeakensAPartIsSaid) {
  Pieces pieces = board(dado(mm(100)));
  EXPECT_TRUE(bench::warnings({pieces}).empty());
  pieces.part.machining[0].depth = mm(9);
  EXPECT_TRUE(bench::warnings({pieces}).empty()) << "half is not more than half";
  pieces.part.machining[0].depth = mm(10);
  ASSERT_EQ(bench::warnings({pieces}).size(), 1U);
  // From both faces at one place 6 of 18 stay: a third is enough, less is not.
  Pieces both = board(dado(mm(100)));
  both.part.machining.push_back(both.part.machining[0]);
  both.part.machining[1].face = Face::Outside;
  EXPECT_TRUE(bench::warnings({both}).empty());
  both.part.machining[1].depth = mm(7);
  ASSERT_EQ(bench::warnings({both}).size(), 1U);
  EXPECT_NE(bench::warnings({both})[0].words.find("too little between"), std::string::npos);
  // Two side by side that run into each other; those that cross at a corner are meant to.
  Pieces beside = board(dado(mm(100)));
  beside.part.machining.push_back(dado(mm(110)));
  EXPECT_EQ(bench::warnings({beside}).size(), 1U);
  beside.part.machining[1] = dado(mm(118));
  EXPECT_TRUE(bench::warnings({beside}).empty());
  beside.part.machining[1] = grooveAlong(beside.part, "back", mm(280), mm(6), mm(6));
  EXPECT_TRUE(bench::warnings({beside}).empty());
}

bool takesAnEdge(MachiningKind cut) {
  return cut == MachiningKind::Taper || cut == MachiningKind::Arc || cut == MachiningKind::Bulge ||
         cut == MachiningKind::Bevel || cut == MachiningKind::RoundCorner ||
         cut == MachiningKind::RoundEnd || cut == MachiningKind::RoundOver ||
         cut == MachiningKind::Chamfer;
}

// Every machining of every piece once; nothing is measured from an edge that was taken away;
// fences reach; a tool and width is built once.
void expectSound(const std::vector<Pieces>& pieces, const Job& job) {
  const std::vector<Setting> settings = bench::settings(pieces, job);
  std::set<std::pair<std::size_t, std::size_t>> seen;
  std::set<std::string> names;
  std::map<std::pair<std::size_t, Edge>, std::size_t> gone;  // at which setting
  std::set<std::pair<Tool, std::int64_t>> built;
  std::pair<Tool, std::int64_t> last{};
  for (std::size_t i = 0; i < settings.size(); ++i) {
    const Setting& one = settings[i];
    ASSERT_FALSE(one.works.empty());
    const Tools& tools = job.shop.tools;
    const bool fenced = one.tool == Tool::DadoStack && one.cut != MachiningKind::EdgeGroove;
    if (fenced && tools.fenceReach > Length{}) {
      EXPECT_LE(one.distance, tools.fenceReach);
    }
    if (one.tool == Tool::DadoStack) {
      EXPECT_GE(one.width, tools.dadoLeast);
      EXPECT_LE(one.width, tools.dadoMost);
      const std::pair now(one.tool, one.width.inNm());
      if (now != last) {
        EXPECT_TRUE(built.insert(now).second) << "the stack is built twice";
      }
      last = now;
    } else {
      last = {};
    }
    for (const bench::Work& work : one.works) {
      EXPECT_TRUE(seen.insert({work.row, work.machining}).second);
      EXPECT_TRUE(names.insert(pieces[work.row].part.code + ' ' + work.name).second) << work.name;
      const Machining& cut = pieces[work.row].part.machining[work.machining];
      const bool measured = !takesAnEdge(cut.cut) && one.tool != Tool::Template;
      if (measured && gone.count({work.row, work.against}) > 0) {
        EXPECT_EQ(gone.at({work.row, work.against}), i)
            << pieces[work.row].part.code << ' ' << work.name << ": its edge is not there any more";
      }
      if (takesAnEdge(cut.cut)) gone.try_emplace({work.row, cut.from}, i);
    }
  }
  std::size_t all = 0;
  for (const Pieces& one : pieces) all += one.part.machining.size();
  EXPECT_EQ(seen.size(), all);
}

TEST(Settings, ofAllDemosAreFewAndInOrder) {
  for (const char* name : test::kDemos) {
    SCOPED_TRACE(name);
    Job job = readJob(name, test::demo(name)).value();
    ASSERT_TRUE(assignIdsAndCodes(job, 0).ok());
    const std::vector<Pieces> pieces = piecesOf(breakDown(job).parts);
    expectSound(pieces, job);
    const auto settings = bench::settings(pieces, job);
    EXPECT_LE(static_cast<double>(settings.size()),
              1.15 * static_cast<double>(bench::leastSettings(settings)));
    std::printf("%s: %zu settings, at least %zu\n", name, settings.size(),
                bench::leastSettings(settings));
  }
}

RC_GTEST_PROP(Settings, everyMachiningOnceAndNoneInAWrongOrder, ()) {
  Job job;
  job.shop.tools.fenceReach = mm(*rc::gen::inRange(0, 900));
  if (*rc::gen::inRange(0, 3) == 0) job.shop.tools.dadoMost = {};
  if (*rc::gen::inRange(0, 4) == 0) job.shop.tools.tableReach = {};
  std::vector<Pieces> pieces;
  const int rows = *rc::gen::inRange(1, 12);
  for (int row = 0; row < rows; ++row) {
    Pieces one = board({}, mm(*rc::gen::inRange(300, 1'500)), mm(*rc::gen::inRange(150, 700)));
    one.part.code = "B-" + std::to_string(row);
    one.part.hand = *rc::gen::elementOf(std::vector<Hand>{Hand::None, Hand::Left, Hand::Right});
    one.part.machining.clear();
    const int cuts = *rc::gen::inRange(0, 7);
    for (int k = 0; k < cuts; ++k) {
      const Length width = mm(*rc::gen::elementOf(std::vector<int>{4, 6, 12, 18}));
      switch (*rc::gen::inRange(0, 5)) {
        case 0:
        case 1:
          one.part.machining.push_back(
              dadoAcross(one.part, "shelf", mm(*rc::gen::inRange(0, 250)), width, mm(6)));
          break;
        case 2:
          one.part.machining.push_back(
              grooveAlong(one.part, "back", mm(*rc::gen::inRange(0, 130)), width, mm(6)));
          break;
        case 3:
          one.part.machining.push_back(
              bevel(*rc::gen::elementOf(std::vector<Edge>{Edge::L1, Edge::L2, Edge::W1, Edge::W2}),
                    Angle::degrees(*rc::gen::inRange(5, 46)), Face::Outside, "mitre"));
          break;
        default:
          one.part.machining.push_back(rowAtEnd(MachiningKind::Mortises, "side", one.part, Edge::W1,
                                                {{}, one.part.width.total()}, {}, mm(10), mm(20),
                                                Face::Inside, usualSpacing(Unit::Millimetre)));
      }
      if (*rc::gen::inRange(0, 5) == 0) one.part.machining.back().through = false;
    }
    pieces.push_back(std::move(one));
  }
  expectSound(pieces, job);
  RC_ASSERT(!testing::Test::HasFailure());
}

// Jobs of every kind as they can be built.
RC_GTEST_PROP(Settings, ofRandomJobsAreFewAndInOrder, ()) {
  Job job = *rc::gen::oneOf(test::buildableJob(), test::buildableGroup(), test::buildableKind());
  const std::vector<Pieces> pieces = piecesOf(breakDown(job).parts);
  expectSound(pieces, job);
  RC_ASSERT(!testing::Test::HasFailure());
  const auto settings = bench::settings(pieces, job);
  RC_ASSERT(100 * settings.size() <= 115 * bench::leastSettings(settings));
}

class AtTheBench : public testing::Test {
 protected:
  Worklist list() const {
    return bench::Machinings(
               bench::piecesAtBench(taken_.record.cuttings, taken_.now(), taken_.drawn),
               taken_.drawn, taken_.job)
        .list;
  }
  void machined(const Worklist::Step& step, const Worklist& list) {
    Event& event = taken_.note(EventKind::Machined, 0);
    event.piece = step.piece;
    event.name = list.work(step).name;
  }
  Taken taken_;
};

TEST_F(AtTheBench, whatIsCutIsReadyAndEverythingIsDoneOnce) {
  const Worklist list = this->list();
  // 35 of the table above, each piece a step.
  EXPECT_EQ(list.steps().size(), 35U);
  EXPECT_FALSE(list.next(taken_.now()));
  EXPECT_EQ(list.ready(taken_.now()), 0);
  taken_.cutAll();
  EXPECT_EQ(list.ready(taken_.now()), 35);
  std::size_t from = 0;
  std::size_t setting = 0;
  for (int i = 0; i < 35; ++i) {
    const auto next = list.next(taken_.now(), from);
    ASSERT_TRUE(next);
    EXPECT_GE(list.steps()[*next].group, setting) << "a setting is finished before the next";
    setting = list.steps()[*next].group;
    machined(list.steps()[*next], list);
    ASSERT_EQ(taken_.ignored(), "");
    EXPECT_EQ(list.ready(taken_.now()), 34 - i);
    from = *next;
  }
  EXPECT_FALSE(list.next(taken_.now()));
  EXPECT_EQ(list.done(taken_.now()).done, 35);
  machined(list.steps()[0], list);
  EXPECT_EQ(taken_.ignored(), "that is done already");
}

TEST_F(AtTheBench, whatWasDoneIsTakenBackOnce) {
  taken_.cutAll();
  const Worklist list = this->list();
  machined(list.steps()[0], list);
  const auto back = [&] {
    Event& event = taken_.note(EventKind::DoneTakenBack, 0);
    event.piece = list.steps()[0].piece;
    event.name = list.work(list.steps()[0]).name;
  };
  back();
  EXPECT_EQ(taken_.ignored(), "");
  EXPECT_EQ(list.state(list.steps()[0], taken_.now()), Worklist::State::Ready);
  back();
  EXPECT_EQ(taken_.ignored(), "that is not done");
  taken_.record.events.pop_back();
  // Of what is put together there is always a piece.
  taken_.note(EventKind::StepAssembled, 0, 0, 2).name = "T1";
  EXPECT_EQ(taken_.ignored(), "it names no piece");
}

// A drawer stands in its case by its bottom: that alone is no drawer yet.
TEST_F(AtTheBench, whatGoesInWholeWaitsForAllOfIt) {
  const bench::Assemblies of(bench::piecesAtBench({}, {}, taken_.drawn), taken_.job);
  const std::vector<Worklist::Step>& steps = of.list.steps();
  const auto whole = std::find_if(steps.begin(), steps.end(), [&](const Worklist::Step& step) {
    return of.putIn(step).isWhole && step.piece == PieceId{"T1-12", 2};
  });
  ASSERT_NE(whole, steps.end());
  floor::Progress progress;
  const std::string drawer[] = {"T1-08", "T1-09", "T1-10", "T1-11", "T1-12"};
  for (const std::string& code : drawer) {
    EXPECT_EQ(of.list.state(*whole, progress), Worklist::State::NotCut) << code;
    progress.pieces[{code, 2}] = {};
  }
  EXPECT_EQ(of.list.state(*whole, progress), Worklist::State::Ready);
  // Each of the five can be put in by itself, and the drawer.
  EXPECT_EQ(of.list.ready(progress), 6);
  progress.pieces[{"T1-08", 2}].spoiled = true;
  EXPECT_EQ(of.list.state(*whole, progress), Worklist::State::NotCut);
  EXPECT_EQ(of.list.ready(progress), 4);
  // The other of the two is another.
  progress.pieces[{"T1-08", 2}].spoiled = false;
  const auto other = std::find_if(steps.begin(), steps.end(), [&](const Worklist::Step& step) {
    return of.putIn(step).isWhole && step.piece == PieceId{"T1-12", 1};
  });
  ASSERT_NE(other, steps.end());
  EXPECT_EQ(of.list.state(*other, progress), Worklist::State::NotCut);
}

TEST_F(AtTheBench, aPieceIsFoundByItsCodeOrItsLabel) {
  taken_.cutAll();
  const Worklist list = this->list();
  const auto find = [&](const std::string& words) {
    return list.find(words, taken_.job.id, taken_.now());
  };
  const auto eight = find("t1-08");
  ASSERT_TRUE(eight);
  EXPECT_EQ(list.steps()[*eight].piece, (PieceId{"T1-08", 1}));
  // Done there, the next thing of it is named; all done, the last.
  machined(list.steps()[*eight], list);
  const auto second = find("T1-08 1");
  ASSERT_TRUE(second);
  EXPECT_NE(*second, *eight);
  machined(list.steps()[*second], list);
  EXPECT_EQ(find("T1-08 1"), second);
  EXPECT_EQ(list.steps()[*find("T1-08 2")].piece, (PieceId{"T1-08", 2}));
  EXPECT_FALSE(find("T1-99"));
  EXPECT_FALSE(find("T1-08 9"));
  EXPECT_FALSE(find("T1-05")) << "nothing is machined on it";
  // As the label says it, in capitals.
  const Part& part = list.part(list.steps()[*eight]);
  std::string job = taken_.job.id;
  for (char& c : job) c = static_cast<char>(std::toupper(static_cast<unsigned char>(c)));
  const std::string label = "PP1:" + job + ":" + std::to_string(part.keys.front().assembly) + "." +
                            std::to_string(part.number) + ":2";
  ASSERT_TRUE(find(label));
  EXPECT_EQ(list.steps()[*find(label)].piece, (PieceId{"T1-08", 2}));
  EXPECT_FALSE(find("PP1:ANOTHER:1.8:2"));
}

TEST_F(AtTheBench, piecesThatAreSpoiledAreLeftOutAndSparesAreThere) {
  taken_.cutAll();
  const auto count = [&](const char* code) {
    const Worklist list = this->list();
    for (const Pieces& one : list.pieces())
      if (one.part.code == code) return one.numbers;
    return std::vector<std::int64_t>{};
  };
  EXPECT_EQ(count("T1-08"), (std::vector<std::int64_t>{1, 2}));
  taken_.note(EventKind::PartSpoiled, 1).piece = PieceId{"T1-08", 1};
  EXPECT_EQ(count("T1-08"), (std::vector<std::int64_t>{2}));
  taken_.note(EventKind::Spare, 1).piece = PieceId{"T1-08", 3};
  EXPECT_EQ(count("T1-08"), (std::vector<std::int64_t>{2, 3}));
}

// The shelves' lot is measured thinner after the sides were cut: their dados are that much
// narrower, from the side that they are measured from; nothing else moves.
TEST_F(AtTheBench, slotsFollowWhatGoesInAsItIsMeasuredNow) {
  const std::vector<Pieces> cut =
      bench::piecesAtBench(taken_.record.cuttings, taken_.now(), taken_.drawn);
  std::vector<Pieces> same = cut;
  EXPECT_TRUE(bench::followThickness(same, taken_.drawn).empty());
  std::vector<Part> drawn = taken_.drawn;
  std::size_t thinner = 0;
  for (Part& part : drawn)
    for (Machining& one : part.machining)
      if (one.cut == MachiningKind::Dado && one.receives.find("shelf") != std::string::npos) {
        one.width -= mm(1);
        ++thinner;
      }
  ASSERT_EQ(thinner, 4U) << "two shelves in each of two sides";
  std::vector<Pieces> now = cut;
  const auto changed = bench::followThickness(now, drawn);
  ASSERT_EQ(changed.size(), 4U);
  for (const bench::NewWidth& one : changed) {
    const Machining& before = cut[one.row].part.machining[one.machining];
    const Machining& after = now[one.row].part.machining[one.machining];
    EXPECT_EQ(one.was, before.width);
    EXPECT_EQ(one.is, before.width - mm(1));
    EXPECT_EQ(after.width, one.is);
    EXPECT_EQ(after.distance, before.distance);
    EXPECT_EQ(after.u1 - after.u0, one.is);
    EXPECT_EQ(before.from == Edge::W1 ? after.u0 : after.u1,
              before.from == Edge::W1 ? before.u0 : before.u1);
  }
  // Two settings at 23/32 are two at 1 mm less; the bottom's and the top's stay as they are.
  const auto count = [&](const std::vector<Pieces>& pieces, Length width) {
    const auto settings = bench::settings(pieces, taken_.job);
    return std::count_if(settings.begin(), settings.end(),
                         [&](const Setting& one) { return one.width == width; });
  };
  EXPECT_EQ(count(cut, in(0, 23, 32)), 3);
  EXPECT_EQ(count(now, in(0, 23, 32)), 1);
  EXPECT_EQ(count(now, in(0, 23, 32) - mm(1)), 2);
  // A part that is drawn no more stays as it was cut.
  drawn.clear();
  now = cut;
  EXPECT_TRUE(bench::followThickness(now, drawn).empty());
}

TEST(Tried, theLastOfAToolAndAWidthIsOfferedWhereItIsNear) {
  using bench::Tried;
  std::vector<Tried> all;
  all = bench::withTried(all, {Tool::DadoStack, mm(18), Length::um(200)});
  all = bench::withTried(all, {Tool::DadoStack, Length::um(17'600), Length::um(-100)});
  all = bench::withTried(all, {Tool::RouterTable, mm(18), {}});
  struct Case {
    Tool tool;
    Length width;
    std::optional<Length> off;
  };
  const Case cases[] = {{Tool::DadoStack, mm(18), Length::um(200)},
                        {Tool::DadoStack, Length::um(17'900), Length::um(200)},
                        {Tool::DadoStack, Length::um(17'700), Length::um(-100)},
                        {Tool::DadoStack, Length::um(18'500), Length::um(200)},
                        {Tool::DadoStack, Length::um(18'501), std::nullopt},
                        {Tool::DadoStack, mm(12), std::nullopt},
                        {Tool::RouterTable, mm(18), Length{}},
                        {Tool::TableSaw, mm(18), std::nullopt}};
  for (const Case& one : cases)
    EXPECT_EQ(bench::lastOff(all, one.tool, one.width), one.off) << one.width.inMm();
  // Made anew it takes the place of what there was.
  all = bench::withTried(all, {Tool::DadoStack, mm(18), {}});
  EXPECT_EQ(all.size(), 3U);
  EXPECT_EQ(bench::lastOff(all, Tool::DadoStack, mm(18)), Length{});
  EXPECT_EQ(bench::readTried(bench::writeTried(all)), all);
}

TEST(Tried, whatCannotBeReadIsLeftOut) {
  EXPECT_TRUE(bench::readTried("").empty());
  EXPECT_EQ(bench::readTried("0 18000000 200000\nrubbish\n0 18000000\n99 18000000 0\n"
                             "0 -5 0\n0 18000000 0 more\n0 9999999999999 0\n0 18000000 "
                             "99999999999999999999\n1 6000000 -1\n"),
            (std::vector<bench::Tried>{{Tool::DadoStack, mm(18), Length::um(200)},
                                       {Tool::RouterTable, mm(6), Length::nm(-1)}}));
}

}  // namespace
}  // namespace pp::bench_test
