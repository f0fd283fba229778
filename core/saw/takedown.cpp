#include "core/saw/takedown.h"

#include <algorithm>

#include "core/saw/machines.h"

namespace pp::saw {
namespace {

struct Piece {
  int id = 0;
  int made = -1;  // the cut that made it
  Length x, y, dx, dy;
  Length farX, farY;  // at the high edges: what is still factory edge, or cut roughly
  bool roughX = false, roughY = false;          // it is cut roughly
  bool nearRoughX = false, nearRoughY = false;  // the low edge is one of either
};

// A rough cut keeps so far away from what it must leave: the cut that cleans its edge takes at
// least that. And it may lie so far off.
constexpr Length kBeside = Length::mm(2);
constexpr Length kPlay = Length::mm(8);

class SheetCutter {
 public:
  SheetCutter(const NestRequest& request, const SizeCount& sizes, PlannedSheet& sheet,
              Roughs roughs)
      : request_(request),
        sizes_(sizes),
        sheet_(sheet),
        stock_(request.stock[sheet.stock]),
        roughs_(roughs) {}

  Takedown run() {
    out_.placed.resize(sheet_.placements.size());
    if (request_.shop.partsRoughly()) {
      Piece sheet{0, -1, {}, {}, stock_.length, stock_.width, stock_.highX(), stock_.highY()};
      sheet.roughX = sheet.roughY = sheet.nearRoughX = sheet.nearRoughY = true;
      partRoughly(sheet, {stock_.lowX(), stock_.lowY()}, stock_.lowX(), stock_.lowY(), sheet_.tree);
      return std::move(out_);
    }
    Piece whole{0, -1, {}, {}, stock_.length, stock_.width, stock_.highX(), stock_.highY()};
    // Cut over, the strips shift by what the blades differ: not where a part is pinned to its
    // place.
    const bool over = request_.shop.cleaning == Cleaning::CutOver &&
                      sheet_.tree.kind == CutTree::Kind::Column && !sheet_.tree.anchored &&
                      stock_.lowY() > Length{};
    whole.nearRoughY = over;
    whole.nearRoughX = stock_.lowX() > Length{};
    if (!over && stock_.lowY() > Length{}) whole = trimOff(whole, CutDirection::Rip, stock_.lowY());
    const bool gathering = !over && gathers(whole);
    if (gathering && whole.farY > Length{}) whole = trimFar(whole, CutDirection::Rip);
    if (whole.nearRoughX) whole = trimOff(whole, CutDirection::Cross, stock_.lowX());
    if (gathering && whole.farX > Length{}) whole = trimFar(whole, CutDirection::Cross);
    if (over)
      cutOver(whole, stock_.lowY());
    else
      takeApart(whole, sheet_.tree);
    return std::move(out_);
  }

 private:
  static bool isRip(CutDirection direction) { return direction == CutDirection::Rip; }

  double grams(const Piece& piece) const {
    return (piece.dx * piece.dy).inM2() * stock_.measured.inMm() *
           static_cast<double>(stock_.density);
  }

  // What a cut is made for.
  enum class For {
    Low,      // the piece below it is to be `at` wide
    High,     // the piece above it is to begin a (widest) kerf after `at`; it is kept at the fence
    Between,  // as High, but the piece below is kept at the fence
    Trim,     // as High, to a mark: the low edge is cleaned and no size given
    FarTrim,  // as Low, to a mark: the high edge is cleaned
    Over,     // as Low, from an edge that is not clean
    Rough,    // at `at` or later, within its play
    RoughAbout,  // at `at` or that much off to either side
    Bevel,       // tilted, as Low
    Bevel2       // tilted, and it takes no more than its kerf off the low edge
  };

  static bool isRoughly(For what) { return what == For::Rough || what == For::RoughAbout; }

  std::pair<Piece, Piece> cut(const Piece& piece, CutDirection direction, Length at,
                              For what = For::Low) {
    const bool tilted = what == For::Bevel || what == For::Bevel2;
    const bool highKept = what == For::High || what == For::Bevel2 || what == For::Trim;
    const bool byMark = what == For::Trim || what == For::FarTrim || isRoughly(what);
    const FenceSide prefer = highKept ? FenceSide::High : FenceSide::Low;
    const bool rip = isRip(direction);
    const Length extent = rip ? piece.dy : piece.dx;
    CutAsked asked{piece.dx, piece.dy, grams(piece), direction, at, extent - at - request_.kerf,
                   tilted,   byMark};
    asked.lowClean = what == For::Over || !(rip ? piece.nearRoughY : piece.nearRoughX);
    asked.highClean = (rip ? piece.farY : piece.farX) == Length{};
    asked.rough = isRoughly(what);
    if (prefer == FenceSide::High) {
      std::swap(asked.low, asked.high);
      std::swap(asked.lowClean, asked.highClean);
    }
    CutChosen chosen = chooseMachine(request_.shop, asked);
    Cut made;
    made.kind = isRoughly(what)     ? CutKind::Rough
                : byMark            ? CutKind::Trim
                : what == For::Over ? CutKind::Over
                                    : CutKind::Final;
    // Where a saw reaches from the far side alone, that is cleaned first.
    const Length far = rip ? piece.farY : piece.farX;
    if (chosen.machine < 0 && !byMark && far > Length{} && at + request_.kerf < extent - far &&
        reachesOtherwise(asked))
      return cut(cut(piece, direction, extent - far, For::FarTrim).first, direction, at, what);
    // Without a saw that cuts to a mark it is done at the fence, which is a setting.
    if (byMark && chosen.machine < 0) {
      asked.byMark = false;
      if (!isRoughly(what)) asked.lowClean = asked.highClean = true;
      chosen = chooseMachine(request_.shop, asked);
      if (!isRoughly(what)) made.kind = CutKind::Over;
      if (isRoughly(what) && chosen.machine >= 0) made.kind = CutKind::Final;
    }
    made.piece = piece.id;
    made.after = piece.made;
    made.machine = chosen.machine;
    made.heavy = chosen.heavy;
    made.direction = direction;
    made.tilted = tilted;
    made.fence = chosen.fence;
    if (prefer == FenceSide::High)
      made.fence = chosen.fence == FenceSide::Low ? FenceSide::High : FenceSide::Low;
    made.kerf = kerfOf(request_, chosen.machine);
    if (tilted) made.kerf = bevelKerf(made.kerf);
    if (what == For::Bevel2 && made.kerf == Length{}) return {piece, piece};  // takes nothing
    // A trim cut is placed by what it leaves: a thinner blade stands nearer to the good side.
    const bool fromAbove = what == For::High || what == For::Between || what == For::Trim;
    made.at = fromAbove ? at + request_.kerf - made.kerf : at;
    if (made.kind == CutKind::Rough)
      made.play = what == For::RoughAbout ? Play{at - about(), at + about()} : Play{at, at + kPlay};
    const Length rest = extent - made.at - made.kerf;
    if (made.kind == CutKind::Trim) made.fence = prefer;  // what stays
    made.distance = made.fence == FenceSide::Low ? made.at : rest;
    Piece low = piece;
    Piece high = piece;
    low.made = high.made = static_cast<int>(out_.cuts.size());
    (rip ? low.dy : low.dx) = made.at;
    const bool rough = made.kind == CutKind::Rough;
    (rip ? low.roughY : low.roughX) = rough;
    (rip ? low.farY : low.farX) = !rough ? Length{} : what == For::RoughAbout ? about() : kBeside;
    (rip ? high.nearRoughY : high.nearRoughX) = rough;
    (rip ? high.dy : high.dx) = rest;
    (rip ? high.y : high.x) += made.at + made.kerf;
    if (made.at > Length{}) made.low = low.id = ++names_;
    if (rest > Length{}) made.high = high.id = ++names_;
    out_.cuts.push_back(made);
    return {low, high};
  }

  // Whether a saw would make the cut if only every edge were clean.
  bool reachesOtherwise(CutAsked asked) const {
    asked.lowClean = asked.highClean = true;
    return chooseMachine(request_.shop, asked).machine >= 0;
  }

  // Whether a saw of the shop cleans an edge of a piece to a mark.
  bool isTrimmed(const Piece& piece, CutDirection direction) const {
    const CutAsked trim{piece.dx, piece.dy, grams(piece), direction, {}, {}, false, true};
    return chooseMachine(request_.shop, trim).machine >= 0;
  }

  // Cuts `width` off the low edge, blade included.
  Piece cutOff(const Piece& piece, CutDirection direction, Length width) {
    return cut(piece, direction, width - request_.kerf, For::High).second;
  }

  // Cleans the low edge: so much comes off, blade included.
  Piece trimOff(const Piece& piece, CutDirection direction, Length width) {
    return cut(piece, direction, width - request_.kerf, For::Trim).second;
  }

  // Cleans the high edge. Where the tree takes all there is the cut gives its last size, if that is
  // one.
  Piece trimFar(const Piece& piece, CutDirection direction) {
    const bool cross = !isRip(direction);
    const Length left = cross ? piece.dx - piece.farX : piece.dy - piece.farY;
    const bool all = left == (cross ? sheet_.tree.dx : sheet_.tree.dy);
    return cut(piece, direction, left,
               all && givesSize(sheet_.tree, cross) ? For::Low : For::FarTrim)
        .first;
  }

  // Whether a part ends at the far edge of a tree that is as large as its piece, and has its size
  // from that edge. What is left over needs clean edges, but no size that anything is set for.
  bool givesSize(const CutTree& tree, bool alongX) const {
    if (tree.children.empty()) return tree.kind == CutTree::Kind::Part;
    if (alongX == (tree.kind == CutTree::Kind::Row))
      return givesSize(*ordered(tree, true).back(), alongX);
    return std::any_of(tree.children.begin(), tree.children.end(), [&](const CutTree& child) {
      return (alongX ? child.dx == tree.dx : child.dy == tree.dy) && givesSize(child, alongX);
    });
  }

  // Whether something worth keeping is left beside the tree; then all four edges are trimmed first.
  bool gathers(const Piece& whole) const {
    const Length dx = whole.dx - stock_.lowX() - whole.farX;
    const Length dy = whole.dy - whole.farY;
    return keepable(dx, dy - sheet_.tree.dy - request_.kerf) ||
           keepable(dx - sheet_.tree.dx - request_.kerf, dy);
  }

  bool keepable(Length a, Length b) const { return isWorthKeeping(request_, stock_, a, b); }

  // Where sheets are parted roughly a cut may lie so far off to either side: no part is cut outside
  // of what is reserved for it.
  Length about() const { return Length::nm(request_.shop.allowance.inNm() / 2); }

  // What is not sure of a piece at its low edges.
  struct Lost {
    Length x, y;
  };

  void keepRoughly(Piece piece, const Lost& lost) {
    piece.x += lost.x;
    piece.y += lost.y;
    piece.dx -= lost.x;
    piece.dy -= lost.y;
    keep(piece);
  }

  // Parts a piece in which the tree begins at x, y with rough cuts alone, down to its cells.
  void partRoughly(Piece piece, Lost lost, Length x, Length y, const CutTree& tree) {
    // What lies beyond the tree, where that is more than the final cuts may as well take.
    for (const bool cross : {true, false}) {
      const Length at = cross ? x + tree.dx : y + tree.dy;
      const Length beyond = (cross ? piece.dx : piece.dy) - at;
      if (beyond <= 2 * stock_.trim + request_.kerf + 2 * request_.shop.allowance) continue;
      auto [low, high] =
          cut(piece, cross ? CutDirection::Cross : CutDirection::Rip, at, For::RoughAbout);
      Lost after = lost;
      (cross ? after.x : after.y) = about();
      keepRoughly(high, after);
      piece = low;
    }
    const bool row = tree.kind == CutTree::Kind::Row;
    switch (tree.kind) {
      case CutTree::Kind::Waste:
        return;
      case CutTree::Kind::Leftover:
        return keepRoughly(piece, lost);
      case CutTree::Kind::Part:
        return takeApart(piece, tree);
      case CutTree::Kind::Cell:
        return finish(piece, x, tree.children.front());
      case CutTree::Kind::Row:
      case CutTree::Kind::Column:
        break;
    }
    const std::vector<const CutTree*> order = ordered(tree, false);
    for (std::size_t i = 0; i + 1 < order.size(); ++i) {
      const Length at = row ? x + order[i]->dx : y + order[i]->dy;
      auto [low, high] =
          cut(piece, row ? CutDirection::Cross : CutDirection::Rip, at, For::RoughAbout);
      partRoughly(low, lost, x, y, *order[i]);
      piece = high;
      (row ? lost.x : lost.y) = about();
      (row ? x : y) = Length{};
    }
    partRoughly(piece, lost, x, y, *order.back());
  }

  // Gives a piece that was parted roughly its four final edges: cut over at the fence, turned and
  // cut to size; across, where a sled or mitre saw reaches, trimmed at one end and cut to the stop.
  // `x`: where what is reserved begins.
  void finish(Piece piece, Length x, const CutTree& tree) {
    piece.farX = piece.farY = request_.shop.allowance;
    piece = overAndFinal(piece, CutDirection::Rip, tree.dy);
    if (isTrimmed(piece, CutDirection::Cross)) {
      piece = trimOff(piece, CutDirection::Cross, x + request_.shop.allowance);
      piece = cut(piece, CutDirection::Cross, tree.dx).first;
    } else {
      piece = overAndFinal(piece, CutDirection::Cross, tree.dx);
    }
    takeApart(piece, tree);
  }

  // From the edge that is not clean, wide enough for that, wherever it lies; then from the far one.
  Piece overAndFinal(Piece piece, CutDirection direction, Length size) {
    (isRip(direction) ? piece.nearRoughY : piece.nearRoughX) = true;
    piece = cut(piece, direction, size + about(), For::Over).first;
    return cut(piece, direction, about() - request_.kerf, For::High).second;
  }

  // How much of a piece beyond a tree a rough cut between them takes, at most.
  Length roughly() const { return kBeside + kPlay + request_.kerf; }

  // Whether the cut at the far edge of a tree only parts what is cut on: nothing has that size, and
  // its last parts can be cut to theirs.
  bool isRough(const CutTree& tree, bool alongX, Roughs least) const {
    return roughs_ >= least && !tree.children.empty() && !tree.fixed && !tree.anchored &&
           !tree.mitred && sizes_.count(alongX ? tree.dx : tree.dy) == 0;
  }

  // Whether the children of a row or column leave room to part two of them roughly: beside them, or
  // in what is kept after them.
  bool leavesRoom(Length spare, const CutTree& last, bool alongX) const {
    const Length wanted = roughly() + kBeside;
    // Were nothing left over at the far end the last part would have its size from a trim.
    if (spare > wanted) return true;
    const Length less = wanted - std::max(spare, Length{});
    return last.kind == CutTree::Kind::Leftover &&
           (alongX ? keepable(last.dx - less, last.dy) : keepable(last.dx, last.dy - less));
  }

  // Parts a tree from what lies beyond it.
  std::pair<Piece, Piece> cutRoughly(const Piece& piece, const CutTree& tree, bool alongX) {
    return cut(piece, alongX ? CutDirection::Cross : CutDirection::Rip,
               (alongX ? tree.dx : tree.dy) + kBeside, For::Rough);
  }

  // Keeps of the high piece of a rough cut what is sure to be there.
  void keepRough(Piece piece, bool alongX) {
    (alongX ? piece.x : piece.y) += kPlay;
    (alongX ? piece.dx : piece.dy) -= kPlay;
    keep(piece);
  }

  void keep(const Piece& piece) {
    // What a rough cut leaves beside it is not sure.
    const Length dx = piece.dx - (piece.roughX ? piece.farX : Length{});
    const Length dy = piece.dy - (piece.roughY ? piece.farY : Length{});
    // A thin blade leaves something of what must stay free to what lies beside it.
    for (const Defect& defect : stock_.defects)
      if (defect.meets(piece.x, piece.y, dx, dy)) return;
    if (dx > Length{} && dy > Length{} && keepable(dx, dy) &&
        (piece.roughX || piece.farX == Length{}) && (piece.roughY || piece.farY == Length{})) {
      out_.leftovers.push_back({"", piece.x, piece.y, dx, dy});
      out_.kept.push_back(piece.id);
    }
  }

  // The strips of a column whose low factory edge is still there: the first is cut wide, turned
  // round, and cleaned.
  void cutOver(Piece piece, Length trim) {
    const std::vector<const CutTree*> order = ordered(sheet_.tree, false);
    piece = cutToSize(piece, sheet_.tree, true, false);
    for (std::size_t i = 0; i < order.size(); ++i) {
      const Length at = order[i]->dy + (i == 0 ? trim : Length{});
      Piece strip = piece;
      if (i + 1 < order.size() || piece.dy > at) {
        auto [low, high] = cut(piece, CutDirection::Rip, at, i == 0 ? For::Over : For::Low);
        strip = low;
        if (i + 1 == order.size()) keep(high);
        piece = high;
      }
      if (i == 0) strip = cutOff(strip, CutDirection::Rip, trim);
      takeApart(strip, *order[i]);
    }
  }

  // Whether what a tree does not need along one direction is cut off before it is taken apart. A
  // part or leftover is cut to size. Anything composed has a size that nothing else shares: it is
  // left to the last of its children, unless what comes off is worth keeping in one piece or the
  // cut serves a part among the children.
  bool cutsFirst(const Piece& piece, const CutTree& tree, bool alongX) const {
    const Length extra = alongX ? piece.dx - tree.dx : piece.dy - tree.dy;
    if (extra <= Length{}) return false;
    if (tree.children.empty() || tree.fixed) return true;
    const Length rest = extra - request_.kerf - (alongX ? piece.farX : piece.farY);
    if (keepable(rest, alongX ? piece.dy : piece.dx)) return true;
    if (alongX == (tree.kind == CutTree::Kind::Row)) return false;
    return std::any_of(tree.children.begin(), tree.children.end(), [&](const CutTree& child) {
      return child.children.empty() && (alongX ? child.dx == tree.dx : child.dy == tree.dy);
    });
  }

  // Cuts off what the tree does not need, in the order that leaves the larger single piece.
  Piece cutToSize(Piece piece, const CutTree& tree, bool alongX = true, bool alongY = true) {
    const Length extraX = piece.dx - tree.dx;
    const Length extraY = piece.dy - tree.dy;
    const bool crossFirst = extraX * piece.dy > extraY * piece.dx;
    for (const bool cross : {crossFirst, !crossFirst}) {
      if (!(cross ? alongX : alongY) || !cutsFirst(piece, tree, cross)) continue;
      const Length extra = cross ? extraX : extraY;
      const Length far = cross ? piece.farX : piece.farY;
      if (isRough(tree, cross, Roughs::Leftovers) &&
          keepable(extra - roughly() - far, cross ? piece.dy : piece.dx)) {
        auto [low, high] = cutRoughly(piece, tree, cross);
        keepRough(high, cross);
        piece = low;
        continue;
      }
      auto [low, high] =
          cut(piece, cross ? CutDirection::Cross : CutDirection::Rip, cross ? tree.dx : tree.dy,
              givesSize(tree, cross) ? For::Low : For::FarTrim);
      keep(high);
      piece = low;
    }
    return piece;
  }

  // The children in the order they are cut off: equal sizes together, widest first, leftovers last.
  // Where nothing is left over, the last needs no cut of its own: the one whose size fewest share.
  std::vector<const CutTree*> ordered(const CutTree& tree, bool exact) const {
    std::vector<const CutTree*> out;
    for (const CutTree& child : tree.children) out.push_back(&child);
    if (tree.fixed) return out;
    const bool row = tree.kind == CutTree::Kind::Row;
    const auto size = [row](const CutTree* child) { return row ? child->dx : child->dy; };
    const auto spare = [](const CutTree* child) { return child->kind == CutTree::Kind::Leftover; };
    std::stable_sort(out.begin(), out.end(), [&](const CutTree* a, const CutTree* b) {
      return spare(a) != spare(b) ? spare(b) : size(a) > size(b);
    });
    if (!exact || spare(out.back())) return out;
    const auto shared = [&](const CutTree* child) {
      const auto at = sizes_.find(size(child));
      const auto here = std::count_if(
          out.begin(), out.end(), [&](const CutTree* other) { return size(other) == size(child); });
      return (at == sizes_.end() ? 0 : at->second) + here;
    };
    const auto rarest =
        std::min_element(out.begin(), out.end(),
                         [&](const CutTree* a, const CutTree* b) { return shared(a) < shared(b); });
    std::rotate(rarest, rarest + 1, out.end());
    return out;
  }

  void takeApart(Piece piece, const CutTree& tree) {
    if (tree.kind == CutTree::Kind::Leftover) return keep(cutToSize(piece, tree));
    if (tree.kind == CutTree::Kind::Waste) return;
    piece = cutToSize(piece, tree);
    if (tree.kind == CutTree::Kind::Part) {
      Placement& placement = sheet_.placements[tree.placement];
      placement.x = piece.x;
      placement.y = piece.y;
      out_.placed[tree.placement] = piece.id;
      return;
    }
    const bool row = tree.kind == CutTree::Kind::Row;
    const CutDirection direction = row ? CutDirection::Cross : CutDirection::Rip;
    const auto size = [row](const CutTree& child) { return row ? child.dx : child.dy; };
    Length needed = (static_cast<std::int64_t>(tree.children.size()) - 1) * request_.kerf;
    for (const CutTree& child : tree.children) needed += size(child);
    const std::vector<const CutTree*> order = ordered(tree, (row ? piece.dx : piece.dy) == needed);
    for (std::size_t i = 0; i + 1 < order.size(); ++i) {
      const Length at = size(*order[i]);
      // The gap beside a pinned part may be narrower than the widest blade: then nothing lies
      // there.
      if (tree.anchored && at + request_.kerf >= (row ? piece.dx : piece.dy))
        return takeApart(piece, *order[i]);
      const Length spare = (row ? piece.dx : piece.dy) - needed - (row ? piece.farX : piece.farY);
      if (!tree.fixed && !tree.anchored && !tree.mitred && leavesRoom(spare, *order.back(), row) &&
          isRough(*order[i], row, Roughs::All) && isTrimmed(piece, direction)) {
        auto [low, high] = cutRoughly(piece, *order[i], row);
        takeApart(low, *order[i]);
        // Past whatever the rough cut may come to.
        piece = trimOff(high, direction, kPlay + kBeside);
        needed -= at + request_.kerf;
        continue;
      }
      needed -= at + request_.kerf;
      auto [low, high] = cut(piece, direction, at,
                             tree.mitred     ? For::Bevel
                             : tree.anchored ? For::Between
                                             : For::Low);
      takeApart(low, *order[i]);
      piece = high;
      // The second bevel of a mitre takes the same again from the piece that stays.
      if (tree.mitred) piece = cut(piece, direction, Length{}, For::Bevel2).second;
    }
    takeApart(piece, *order.back());
  }

  const NestRequest& request_;
  const SizeCount& sizes_;
  PlannedSheet& sheet_;
  const StockSupply& stock_;
  const Roughs roughs_;
  Takedown out_;
  int names_ = 0;
};

}  // namespace

SizeCount countSizes(const NestRequest& request) {
  SizeCount out;
  for (const PartDemand& part : request.parts) {
    out[part.length] += part.quantity;
    out[part.width] += part.quantity;
  }
  return out;
}

Takedown takeDown(const NestRequest& request, const SizeCount& sizes, PlannedSheet& sheet,
                  Roughs roughs) {
  return SheetCutter(request, sizes, sheet, roughs).run();
}

}  // namespace pp::saw
