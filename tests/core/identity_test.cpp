// Who a part is: its choices, pins and numbers stay with it whatever is done beside it.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <map>
#include <set>
#include <utility>

#include "core/breakdown/assign_ids.h"
#include "core/breakdown/mirror.h"
#include "core/designs/size_list.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/validate.h"
#include "tests/core/support.h"

namespace pp::identity_test {
namespace {

using test::mm;

PartKey key(Id assembly, PartRole role, Id opening = 0, int index = 1) {
  return {assembly, role, opening, index};
}

TEST(PartKeys, areWrittenShortAndReadBack) {
  EXPECT_EQ(keyText(key(3, PartRole::LeftSide)), "3:left side");
  EXPECT_EQ(keyText(key(3, PartRole::Divider, 7)), "3:divider@7");
  EXPECT_EQ(keyText(key(0, PartRole::Board, 12, 4)), "0:board@12#4");
  for (int role = 0; role <= static_cast<int>(PartRole::Board); ++role)
    for (const PartKey& one : {key(0, static_cast<PartRole>(role)),
                               key(9, static_cast<PartRole>(role), 1'000'000'000'000, 77)})
      EXPECT_EQ(parseKey(keyText(one)), one) << keyText(one);
  for (const char* wrong : {"", "3", "3:", ":divider", "x:divider", "-3:divider", "3:divders",
                            "3:divider@", "3:divider@0", "3:divider@7#", "3:divider@7#0",
                            "3:divider#2@7", "3:divider@7#2 ", "03x:top", "00:top"})
    EXPECT_EQ(parseKey(wrong), std::nullopt) << wrong;
}

TEST(PartKeys, piecesOfAFrontFollowTheWhole) {
  EXPECT_EQ(pieceOf(PartRole::LeftDoor, FrontPiece::UpperRail), PartRole::LeftDoorUpperRail);
  EXPECT_EQ(frontPieceOf(PartRole::LidPanel), FrontPiece::Panel);
  EXPECT_EQ(frontPieceOf(PartRole::Top), std::nullopt);
  EXPECT_EQ(roleName(PartRole::BoxLeftSide, "tray"), "tray left side");
  EXPECT_EQ(roleName(PartRole::RightDoorLeftStile), "door stile");
}

// Groups as rows of keys, told by their index.
std::vector<int> numbersOf(AssemblyCodes& book, const std::vector<std::vector<int>>& groups) {
  std::vector<std::vector<PartKey>> keys;
  for (const std::vector<int>& group : groups) {
    keys.emplace_back();
    for (const int i : group) keys.back().push_back(key(1, PartRole::Divider, 1, i));
  }
  return numbered(keys, book);
}

TEST(CodeBook, numbersStayReturnAndAreNotGivenTwice) {
  AssemblyCodes book;
  using Numbers = std::vector<int>;
  EXPECT_EQ(numbersOf(book, {{1, 2}, {3}}), (Numbers{1, 2}));
  EXPECT_EQ(numbersOf(book, {{1}, {2}, {3}}), (Numbers{1, 3, 2})) << "the lowest keeps it";
  EXPECT_EQ(numbersOf(book, {{3}, {2}, {1}}), (Numbers{2, 3, 1})) << "order has no say";
  EXPECT_EQ(numbersOf(book, {{1, 2}, {3}}), (Numbers{1, 2})) << "equal again, they return";
  EXPECT_EQ(numbersOf(book, {{2}, {1}, {3}}), (Numbers{3, 1, 2})) << "and part as before";
  EXPECT_EQ(numbersOf(book, {{2}}), (Numbers{3})) << "1 is free but was the other's";
  EXPECT_EQ(numbersOf(book, {{2}, {4}}), (Numbers{3, 4})) << "nobody gets what another had";
  EXPECT_EQ(numbersOf(book, {{1}, {2}, {3}, {4}}), (Numbers{1, 3, 2, 4})) << "back as they were";
  EXPECT_EQ(numbersOf(book, {{1, 3}, {2, 4}}), (Numbers{1, 3})) << "the older number stands";
  EXPECT_EQ(numbersOf(book, {{1}, {3}, {2}, {4}}), (Numbers{1, 2, 3, 4}));
}

// A job as a window would have it: edited, undone and redone.
class Desk {
 public:
  explicit Desk(Job job) { take(std::move(job)); }

  const Job& job() const { return states_[at_]; }
  const Breakdown& breakdown() const { return breakdowns_[at_]; }
  const Lost& lost() const { return lost_; }
  bool edit(Job next) {
    if (auto lost = assignIdsAndCodes(next, lastId_)) {
      states_.resize(at_ + 1);
      breakdowns_.resize(at_ + 1);
      lastId_ = std::max(lastId_, next.lastId);
      keep(std::move(next));
      lost_ = std::move(lost).value();
      ++at_;
      return true;
    }
    return false;
  }
  void undo() {
    lost_ = {};
    if (at_ > 0) --at_;
  }
  void redo() {
    lost_ = {};
    if (at_ + 1 < states_.size()) ++at_;
  }

 private:
  void take(Job job) {
    (void)assignIdsAndCodes(job, 0);
    lastId_ = job.lastId;
    keep(std::move(job));
  }
  void keep(Job job) {
    breakdowns_.push_back(breakDown(job));
    job.codes = breakdowns_.back().codes;
    states_.push_back(std::move(job));
  }
  std::vector<Job> states_;
  std::vector<Breakdown> breakdowns_;
  Lost lost_;
  std::size_t at_ = 0;
  Id lastId_ = 0;
};

const Part& named(const Breakdown& breakdown, const std::string& name) {
  for (const Part& part : breakdown.parts)
    if (part.name == name) return part;
  throw std::runtime_error("no part is called " + name);
}

Job twoBays() {
  Carcass carcass = test::metricCarcass().carcass();
  Split split;
  split.by = SplitBy::Dividers;
  split.sizes = {Share{mm(200)}, Share{}};
  split.children.resize(2);
  split.children[1].content = AdjustableShelves{2};
  carcass.inside.content = split;
  return test::jobWith(carcass);
}

TEST(Identity, aChoiceStaysWithItsPartWhenOthersComeBeforeIt) {
  Desk desk(twoBays());
  const Part shelf = named(desk.breakdown(), "adjustable shelf");
  Job next = desk.job();
  setOverride(next, desk.breakdown().parts, shelf, test::byHand("to fit", {}, mm(300)));
  ASSERT_TRUE(desk.edit(next));
  next = desk.job();
  next.assemblies[0].carcass().liningLeft = true;  // it comes before the shelves in the list
  ASSERT_TRUE(desk.edit(next));
  EXPECT_EQ(named(desk.breakdown(), "adjustable shelf").width.total(), mm(300));
  EXPECT_EQ(named(desk.breakdown(), "adjustable shelf").code, shelf.code);
  EXPECT_TRUE(named(desk.breakdown(), "left lining").overridden.empty());
  EXPECT_TRUE(named(desk.breakdown(), "back").overridden.empty());
}

// Sizes that are typed anew are still of the drawers they were of.
TEST(Identity, drawersKeepWhoTheyAreWhenTheirFrontsAreTypedAnew) {
  std::vector<Share> before = {{Length::mm(140), 7}, {{}, 8}, {{}, 9}};
  std::vector<Share> typed = parseSizeList("150, rest", Unit::Millimetre, true).value();
  keepIds(typed, before);
  ASSERT_EQ(typed.size(), 2U);
  EXPECT_EQ(typed[0].id, 7);
  EXPECT_EQ(typed[1].id, 8);
  typed = parseSizeList("4 equal", Unit::Millimetre, true).value();
  keepIds(typed, before);
  EXPECT_EQ(typed[2].id, 9);
  EXPECT_EQ(typed[3].id, 0) << "a new one";
}

TEST(Identity, aChoiceForAllOfThemHoldsForOneMore) {
  Desk desk(twoBays());
  Job next = desk.job();
  const Part shelf = named(desk.breakdown(), "adjustable shelf");
  setOverride(next, desk.breakdown().parts, shelf, test::byHand("to fit", {}, mm(300)));
  std::get<AdjustableShelves>(
      std::get<Split>(next.assemblies[0].carcass().inside.content).children[1].content)
      .count = 3;
  ASSERT_TRUE(desk.edit(next));
  EXPECT_EQ(named(desk.breakdown(), "adjustable shelf").quantity, 3);
  EXPECT_EQ(named(desk.breakdown(), "adjustable shelf").width.total(), mm(300));
}

TEST(Identity, whatIsRemovedTakesItsChoicesAlongAndItsNumbersAreNotGivenAgain) {
  Desk desk(twoBays());
  Job next = desk.job();
  const Part shelf = named(desk.breakdown(), "adjustable shelf");
  setOverride(next, desk.breakdown().parts, shelf, test::byHand("to fit", {}, mm(300)));
  next.pins = {{.part = shelf.keys.front(), .stock = next.stock[0].id, .x = {}, .y = {}}};
  ASSERT_TRUE(desk.edit(next));
  next = desk.job();
  next.assemblies[0].carcass().inside = {};
  ASSERT_TRUE(desk.edit(next));
  EXPECT_EQ(desk.lost().overrides.size(), 1U);
  EXPECT_EQ(desk.lost().pins.size(), 1U);
  EXPECT_TRUE(desk.job().overrides.empty() && desk.job().pins.empty());
  next = desk.job();
  next.assemblies[0].carcass().inside.content = AdjustableShelves{1};
  ASSERT_TRUE(desk.edit(next));
  EXPECT_NE(named(desk.breakdown(), "adjustable shelf").code, shelf.code)
      << "another shelf in another opening";
  desk.undo();
  desk.undo();
  EXPECT_EQ(named(desk.breakdown(), "adjustable shelf").width.total(), mm(300));
}

TEST(Identity, whatOnlyHasNoPartNowKeepsItsChoice) {
  Desk desk(twoBays());
  Job next = desk.job();
  setOverride(next, desk.breakdown().parts, named(desk.breakdown(), "top"),
              test::byHand("set back", {}, mm(500)));
  next.assemblies[0].carcass().top = TopConstruction::Stretchers;
  ASSERT_TRUE(desk.edit(next));
  EXPECT_TRUE(desk.lost().empty());
  next = desk.job();
  next.assemblies[0].carcass().top = TopConstruction::Between;
  ASSERT_TRUE(desk.edit(next));
  EXPECT_EQ(named(desk.breakdown(), "top").width.total(), mm(500));
}

TEST(Identity, anAssemblyThatWasUndoneDoesNotComeBackAsAnother) {
  Desk desk(twoBays());
  Job next = desk.job();
  Assembly copy = withoutIds(desk.job().assemblies[0]);
  copy.code = "B2";
  next.assemblies.push_back(copy);
  ASSERT_TRUE(desk.edit(next));
  const Id first = desk.job().assemblies[1].id;
  desk.undo();
  next = desk.job();
  next.assemblies.push_back(copy);
  ASSERT_TRUE(desk.edit(next));
  EXPECT_GT(desk.job().assemblies[1].id, first);
}

TEST(Identity, aSplitOpeningKeepsWhatStandsBeforeItAndInIt) {
  Desk desk(twoBays());
  const std::string divider = named(desk.breakdown(), "divider").code;
  const std::string shelf = named(desk.breakdown(), "adjustable shelf").code;
  Job next = desk.job();
  auto& right = std::get<Split>(next.assemblies[0].carcass().inside.content).children[1];
  Split rows;
  rows.by = SplitBy::Shelves;
  rows.sizes = {Share{mm(300)}, Share{}};
  rows.children = {right, Opening{}};
  right = Opening{};
  right.content = rows;
  ASSERT_TRUE(desk.edit(next));
  EXPECT_EQ(named(desk.breakdown(), "divider").code, divider);
  EXPECT_EQ(named(desk.breakdown(), "adjustable shelf").code, shelf);
}

// Where the middle of a part of that code lies, from the left.
std::multiset<std::string> places(const Breakdown& breakdown, Length mirroredIn) {
  std::multiset<std::string> out;
  for (const Part& part : breakdown.parts) {
    if (part.role != PartRole::Divider && part.role != PartRole::FixedShelf &&
        part.role != PartRole::Door && part.role != PartRole::AdjustableShelf)
      continue;
    for (const Pose& pose : part.poses) {
      const Point& low = pose.origin;
      Length from = low[0];
      Length to = low[0];
      for (const auto& [direction, length] :
           {std::pair(pose.u, part.length.total()), std::pair(pose.v, part.width.total()),
            std::pair(pose.w, part.thickness)}) {
        if (direction.axis != Axis::X) continue;
        (direction.sign > 0 ? to : from) += direction.sign * length;
      }
      // To the micrometre: sharing out leaves nanometres on one side.
      Length middle = from + to;
      if (mirroredIn > Length{}) middle = 2 * mirroredIn - middle;
      out.insert(part.code + " " + std::to_string((middle.inNm() + 5'000) / 10'000));
    }
  }
  return out;
}

RC_GTEST_PROP(Identity, aMirrorTakesNumbersAndChoicesToWhereTheirPartsGo, ()) {
  Job job = *test::buildableJob();
  job.assemblies[0].carcass().wallLeft = job.assemblies[0].carcass().wallRight = Length{};
  // Shares that land on a step do so from the left, or from the top: what is over stands last.
  job.shareStep = {};
  // Members flush with one side of their panels stay on that side.
  if (auto& frame = job.assemblies[0].carcass().frame) frame->middleAt = FrameMiddle::Centred;
  RC_PRE(validate(job).empty());
  Desk desk(job);
  RC_PRE(desk.breakdown().troubles.empty());
  Job next = desk.job();
  int n = 0;
  for (const Part& part : desk.breakdown().parts)
    if (part.role == PartRole::Divider || part.role == PartRole::FixedShelf)
      setOverride(next, desk.breakdown().parts, part, test::byHand(std::to_string(++n)));
  RC_ASSERT(desk.edit(next));
  const auto before = places(desk.breakdown(), job.assemblies[0].carcass().width);
  std::map<std::string, std::string> whys;
  for (const Part& part : desk.breakdown().parts)
    if (!part.overridden.empty()) whys[part.code] = part.overridden;
  next = desk.job();
  mirrorAssembly(next, 0);
  RC_ASSERT(desk.edit(next));
  RC_PRE(desk.breakdown().troubles.empty());
  RC_ASSERT(places(desk.breakdown(), Length{}) == before);
  for (const Part& part : desk.breakdown().parts)
    if (!part.overridden.empty()) RC_ASSERT(whys[part.code] == part.overridden);
  const auto once = desk.breakdown().codes;
  next = desk.job();
  mirrorAssembly(next, 0);
  mirrorAssembly(next, 0);
  RC_ASSERT(desk.edit(next));
  RC_ASSERT(desk.breakdown().codes == once);
}

std::vector<Opening*> leavesOf(Opening& opening) {
  auto* split = std::get_if<Split>(&opening.content);
  if (split == nullptr) return {&opening};
  std::vector<Opening*> out;
  for (Opening& child : split->children)
    for (Opening* leaf : leavesOf(child)) out.push_back(leaf);
  return out;
}

// One thing that a maker does to a job, or nothing.
Job edited(const Job& job) {
  Job next = job;
  const auto pick = [](std::size_t n) { return *rc::gen::inRange<std::size_t>(0, n); };
  const std::size_t which = pick(next.assemblies.size());
  Assembly& assembly = next.assemblies[which];
  if (pick(6) == 0) {
    if (pick(2) == 0 && next.assemblies.size() > 1) {
      const bool member = std::any_of(next.assemblies.begin(), next.assemblies.end(),
                                      [](const Assembly& one) { return !one.isCarcass(); });
      if (!member) next.assemblies.erase(which);
    } else {
      Assembly copy = withoutIds(assembly);
      if (!copy.isCarcass()) return next;
      copy.code = "N" + std::to_string(job.lastId);
      next.assemblies.push_back(copy);
    }
    return next;
  }
  if (pick(8) == 0) {
    assembly.name += "x";
    assembly.code = "R" + std::to_string(job.lastId) + assembly.code;
    return next;
  }
  if (pick(8) == 0) {
    next.assemblies.swapRows(0, next.assemblies.size() - 1);
    return next;
  }
  if (!assembly.isCarcass()) return next;
  Carcass& carcass = assembly.carcass();
  const std::vector<Opening*> leaves = leavesOf(carcass.inside);
  Opening& leaf = *leaves[pick(leaves.size())];
  switch (pick(9)) {
    case 0:
      leaf.content = AdjustableShelves{static_cast<int>(pick(3)) + 1};
      break;
    case 1: {
      Split split;
      split.by = pick(2) == 0 ? SplitBy::Dividers : SplitBy::Shelves;
      split.sizes.resize(2 + pick(2));
      split.children.resize(split.sizes.size());
      split.children[0] = leaf;
      split.children[0].door.reset();
      leaf.content = split;
      leaf.id = 0;
      break;
    }
    case 2:
      carcass.liningLeft = !carcass.liningLeft;
      break;
    case 3:
      carcass.joint = carcass.joint == Joint::Dado ? Joint::Butt : Joint::Dado;
      break;
    case 4:
      carcass.top = carcass.top == TopConstruction::Between ? TopConstruction::Stretchers
                                                            : TopConstruction::Between;
      break;
    case 5:
      if (leaf.door)
        leaf.door.reset();
      else
        leaf.door = Door{pick(2) == 0 ? Hinge::Left : Hinge::Pair};
      break;
    case 6: {
      DrawerBank bank;
      bank.fronts.resize(pick(3) + 1);
      leaf.content = bank;
      leaf.door.reset();
      break;
    }
    case 7: {
      Opening empty;
      empty.id = firstOpening(carcass.inside);
      if (pick(3) == 0) carcass.inside = empty;
      break;
    }
    default:
      mirrorAssembly(next, which);
      break;
  }
  return next;
}

RC_GTEST_PROP(Identity, choicesPinsAndCodesStayWithTheirPartsThroughAnyEdits, ()) {
  Desk desk(*rc::gen::oneOf(test::buildableJob(), test::buildableGroup()));
  RC_PRE(desk.breakdown().parts.size() > 2);
  // Every third part has a choice, every fifth a pin; the reason says for which role it was made.
  Job next = desk.job();
  std::size_t n = 0;
  for (const Part& part : desk.breakdown().parts) {
    if (++n % 3 == 0)
      setOverride(next, desk.breakdown().parts, part,
                  test::byHand(std::to_string(n) + " " + roleName(part.role)));
    if (n % 5 == 0)
      next.pins.push_back({.part = part.keys.front(), .stock = next.stock[0].id, .x = {}, .y = {}});
  }
  RC_ASSERT(desk.edit(next));
  // What every number has meant.
  std::map<std::pair<Id, int>, std::string> meanings;
  for (int step = 0; step < 12; ++step) {
    const std::size_t overrides = desk.job().overrides.size();
    const std::size_t pins = desk.job().pins.size();
    const int what = *rc::gen::inRange(0, 8);
    bool moved = false;
    if (what == 0) {
      desk.undo();
      // Numbers that no file, page or list has carried are free again.
      std::erase_if(meanings, [&desk](const auto& one) {
        for (const AssemblyCodes& row : desk.job().codes)
          if (row.assembly == one.first.first) return one.first.second > row.last;
        return true;
      });
    } else if (what == 1) {
      desk.redo();
    } else {
      moved = desk.edit(edited(desk.job()));
    }
    if (moved) {
      RC_ASSERT(desk.job().overrides.size() + desk.lost().overrides.size() == overrides);
      RC_ASSERT(desk.job().pins.size() + desk.lost().pins.size() == pins);
      const std::vector<Id> there = allIds(desk.job());
      for (const PartOverride& one : desk.lost().overrides)
        RC_ASSERT(!std::binary_search(there.begin(), there.end(), one.part.assembly) ||
                  !std::binary_search(there.begin(), there.end(), one.part.opening));
    }
    std::set<std::string> codes;
    for (const Part& part : desk.breakdown().parts) {
      RC_ASSERT(codes.insert(part.code).second);
      const Id assembly = part.keys.front().assembly;
      const std::string role = roleName(part.role);
      const auto [at, fresh] = meanings.emplace(std::pair(assembly, part.number), role);
      RC_ASSERT(at->second == role);
      if (!part.overridden.empty()) {
        // A choice never comes to a part in another role; a mirror may change its side.
        const std::string made = part.overridden.substr(part.overridden.find(' ') + 1);
        const auto plain = [](std::string text) {
          for (const char* side : {"left ", "right "})
            if (const auto word = text.find(side); word != std::string::npos)
              text.erase(word, std::string(side).size());
          return text;
        };
        RC_ASSERT(plain(made) == plain(role));
      }
    }
    // What is written is read back as it is, with all its numbers.
    const auto read = readJob("job", writeJob(desk.job()));
    RC_ASSERT(read.ok());
    RC_ASSERT(read.value() == desk.job());
  }
}

}  // namespace
}  // namespace pp::identity_test
