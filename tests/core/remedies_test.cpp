// The ways out when something goes wrong at the bench, each with what it touches, and that taking
// it is what it says.
#include "core/assembly/remedies.h"

#include <gtest/gtest.h>

#include "tests/core/taken.h"

namespace pp::bench::remedies_test {
namespace {

using test::mm;
using Kind = Remedy::Kind;

class Remedies : public testing::Test {
 protected:
  std::vector<Remedy> ways(const Wrong& wrong) {
    auto out = remedies(wrong, taken_.record.cuttings, taken_.ledger(), taken_.drawn);
    EXPECT_TRUE(out.ok());
    return out.ok() ? std::move(out).value() : std::vector<Remedy>{};
  }
  static std::vector<Kind> kinds(const std::vector<Remedy>& ways) {
    std::vector<Kind> out;
    for (const Remedy& way : ways) out.push_back(way.kind);
    return out;
  }
  static const Remedy& of(const std::vector<Remedy>& ways, Kind kind) {
    for (const Remedy& way : ways)
      if (way.kind == kind) return way;
    throw std::runtime_error("no such way");
  }
  void take(const Remedy& way) {
    for (const Event& event : way.events) {
      Event& noted = taken_.note(event.kind, 0);
      noted.piece = event.piece;
      noted.note = event.note;
      noted.length = event.length;
      noted.width = event.width;
    }
    EXPECT_EQ(taken_.ignored(), "");
  }
  const Part& drawn(const std::string& code) {
    for (const Part& part : taken_.drawn)
      if (part.code == code) return part;
    throw std::runtime_error(code);
  }
  Part& cut(const std::string& code) {
    SharedRows<Part>& parts = taken_.record.cuttings[0].plans[0].parts;
    for (std::size_t i = 0; i < parts.size(); ++i)
      if (std::as_const(parts)[i].code == code) return parts[i];
    throw std::runtime_error(code);
  }

  test::Taken taken_;
};

TEST_F(Remedies, aPieceMachinedWronglyIsFilledOrCutAgain) {
  taken_.cutAll();
  const auto found = ways({Fault::MachinedWrongly, {"T1-01", 1}, {}, {}});
  ASSERT_GE(found.size(), 2U);
  EXPECT_EQ(found.front().kind, Kind::Fill);
  EXPECT_EQ(found.back().kind, Kind::CutLater);
  const Part& side = drawn("T1-01");
  EXPECT_EQ(found.back().takes, side.cutLength() * side.cutWidth());
  // Taken, the piece is none any more, and wanted again.
  EXPECT_EQ(taken_.open().parts.size(), 0U);
  take(found.back());
  EXPECT_EQ(taken_.now().good("T1-01"), 0);
  EXPECT_EQ(taken_.now().mishaps, 1);
  const auto open = taken_.open().parts;
  ASSERT_EQ(open.size(), 1U);
  EXPECT_EQ(open[0].code, "T1-01");
  // Nothing more can go wrong with it.
  EXPECT_FALSE(remedies({Fault::NoFit, {"T1-01", 1}, {}, {}}, taken_.record.cuttings,
                        taken_.ledger(), taken_.drawn));
}

TEST_F(Remedies, filledItStays) {
  taken_.cutAll();
  const auto found = ways({Fault::NoFit, {"T1-01", 1}, {}, {}});
  take(of(found, Kind::Fill));
  EXPECT_EQ(taken_.now().good("T1-01"), 1);
  EXPECT_EQ(taken_.now().mishaps, 1);
  EXPECT_EQ(taken_.record.events.back().note, "does not fit its mate: packed or filled");
}

TEST_F(Remedies, aSpareIsThereIfOneWasCut) {
  taken_.cutAll();
  for (const Kind kind : kinds(ways({Fault::MachinedWrongly, {"T1-08", 1}, {}, {}})))
    EXPECT_NE(kind, Kind::Spare);
  taken_.note(EventKind::Spare, 1, 1, 1).piece = PieceId{"T1-08", 9};
  ASSERT_EQ(taken_.ignored(), "");
  const auto found = ways({Fault::MachinedWrongly, {"T1-08", 1}, {}, {}});
  const Remedy& spare = of(found, Kind::Spare);
  EXPECT_EQ(spare.from, "9");
  EXPECT_EQ(spare.takes, Area{});
  take(spare);
  EXPECT_EQ(taken_.now().good("T1-08"), 2);
  EXPECT_TRUE(taken_.open().parts.empty());
}

TEST_F(Remedies, aBlemishGoesToAFaceThatNobodySees) {
  taken_.cutAll();
  const auto has = [&](const std::string& code) {
    const auto found = kinds(ways({Fault::Blemished, {code, 1}, {}, {}}));
    return std::find(found.begin(), found.end(), Kind::Hide) != found.end();
  };
  EXPECT_FALSE(has("T1-06")) << "both its faces are seen";
  cut("T1-06").hidden[1] = true;
  cut("T1-06").machining.clear();
  EXPECT_TRUE(has("T1-06"));
  cut("T1-01").hidden[1] = true;
  EXPECT_FALSE(has("T1-01")) << "its dados would be outside";
}

TEST_F(Remedies, anotherSizeIsSplitOrFollowed) {
  // Only the cuts up to the first shelf: what meets it is not cut.
  int step = 0;
  while (taken_.now().pieces.count({"T1-05", 1}) == 0 && step < taken_.cuts())
    taken_.note(EventKind::CutMade, 1, 1, ++step);
  ASSERT_EQ(taken_.now().pieces.count({"T1-05", 1}), 1U);
  const Length is = drawn("T1-05").length.total() - mm(2);
  const auto found = ways({Fault::OtherSize, {"T1-05", 1}, is, {}});
  EXPECT_EQ(of(found, Kind::Split).each, mm(1));
  std::size_t follows = 0;
  for (const Remedy& way : found)
    if (way.kind == Kind::Follow) {
      ++follows;
      for (const std::string& code : way.touches) {
        EXPECT_TRUE(code == "T1-01" || code == "T1-02") << code;
        EXPECT_EQ(taken_.now().good(code), 0);
      }
    }
  EXPECT_LE(follows, 1U);
  take(of(found, Kind::Split));
  EXPECT_EQ(taken_.now().pieces.at({"T1-05", 1}).length, is);
  // Too large by more than is seen: it is cut again, or down.
  for (const Kind kind : kinds(ways({Fault::OtherSize, {"T1-05", 1}, is + mm(12), {}})))
    EXPECT_TRUE(kind != Kind::Split && kind != Kind::Fill);
  // As it was to be is nothing wrong; nor is nothing said.
  for (const Length said : {drawn("T1-05").length.total() + mm(0.4), Length{}})
    EXPECT_FALSE(remedies({Fault::OtherSize, {"T1-05", 1}, said, {}}, taken_.record.cuttings,
                          taken_.ledger(), taken_.drawn));
}

// The plan promises a leftover of that size: what fits into it can be cut from it.
TEST_F(Remedies, whatLiesAtTheSawIsCutFirst) {
  taken_.cutAll();
  std::size_t fromLeftover = 0;
  for (const auto& [piece, state] : taken_.now().pieces)
    for (const Remedy& way : ways({Fault::MachinedWrongly, piece, {}, {}})) {
      if (way.kind != Kind::Leftover) continue;
      ++fromLeftover;
      const Part& part = drawn(piece.code);
      bool holds = false;
      for (const PlannedSheet& sheet : taken_.plan().plan.sheets)
        for (const Leftover& left : sheet.leftovers)
          if (left.id == way.from)
            holds = std::min(left.dx, left.dy) >= std::min(part.cutLength(), part.cutWidth()) &&
                    std::max(left.dx, left.dy) >= std::max(part.cutLength(), part.cutWidth());
      EXPECT_TRUE(holds) << piece.code << " from " << way.from;
    }
  EXPECT_GT(fromLeftover, 0U);
}

}  // namespace
}  // namespace pp::bench::remedies_test
