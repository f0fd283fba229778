#include "core/saw/takedown.h"

#include <algorithm>

#include "core/saw/machines.h"

namespace pp::saw {
namespace {

struct Piece {
  int id = 0;
  int made = -1;  // the cut that made it
  Length x, y, dx, dy;
  Length farX, farY;       // at the high edges: what is still factory edge
  bool nearRough = false;  // so is the low edge along y
};

class SheetCutter {
 public:
  SheetCutter(const NestRequest& request, const SizeCount& sizes, PlannedSheet& sheet)
      : request_(request), sizes_(sizes), sheet_(sheet), stock_(request.stock[sheet.stock]) {}

  Takedown run() {
    out_.placed.resize(sheet_.placements.size());
    const Length trim = stock_.trim;
    Piece whole{0, -1, {}, {}, stock_.length, stock_.width, trim, trim};
    // Cut over, the strips shift by what the blades differ: not where a part is pinned to its
    // place.
    const bool over = request_.shop.cleaning == Cleaning::CutOver &&
                      sheet_.tree.kind == CutTree::Kind::Column && !sheet_.tree.anchored;
    if (trim > Length{}) {
      whole.nearRough = over;
      if (!over) whole = trimOff(whole, CutDirection::Rip, trim);
      if (!over && gathers(whole)) {
        whole = trimFar(whole, CutDirection::Rip, sheet_.tree.dy);
        whole = trimOff(whole, CutDirection::Cross, trim);
        whole = trimFar(whole, CutDirection::Cross, sheet_.tree.dx);
      } else {
        whole = trimOff(whole, CutDirection::Cross, trim);
      }
    }
    if (over && trim > Length{})
      cutOver(whole, trim);
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
    Bevel,    // tilted, as Low
    Bevel2    // tilted, and it takes no more than its kerf off the low edge
  };

  std::pair<Piece, Piece> cut(const Piece& piece, CutDirection direction, Length at,
                              For what = For::Low) {
    const bool tilted = what == For::Bevel || what == For::Bevel2;
    const bool highKept = what == For::High || what == For::Bevel2 || what == For::Trim;
    const bool byMark = what == For::Trim || what == For::FarTrim;
    const FenceSide prefer = highKept ? FenceSide::High : FenceSide::Low;
    const bool rip = isRip(direction);
    const Length extent = rip ? piece.dy : piece.dx;
    CutAsked asked{piece.dx, piece.dy, grams(piece), direction, at, extent - at - request_.kerf,
                   tilted,   byMark};
    if (!byMark) {
      asked.lowClean = what == For::Over || !rip || !piece.nearRough;
      asked.highClean = (rip ? piece.farY : piece.farX) == Length{};
    }
    if (prefer == FenceSide::High) {
      std::swap(asked.low, asked.high);
      std::swap(asked.lowClean, asked.highClean);
    }
    CutChosen chosen = chooseMachine(request_.shop, asked);
    Cut made;
    made.kind = byMark ? CutKind::Trim : what == For::Over ? CutKind::Over : CutKind::Final;
    // Where a saw reaches from the far side alone, that is cleaned first.
    const Length far = rip ? piece.farY : piece.farX;
    if (chosen.machine < 0 && !byMark && far > Length{} && at + request_.kerf < extent - far &&
        reachesOtherwise(asked))
      return cut(cut(piece, direction, extent - far, For::FarTrim).first, direction, at, what);
    // Without a saw that cuts to a mark the edge is cleaned at the fence, which is a setting.
    if (byMark && chosen.machine < 0) {
      asked.byMark = false;
      chosen = chooseMachine(request_.shop, asked);
      made.kind = CutKind::Over;
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
    const Length rest = extent - made.at - made.kerf;
    made.distance = made.fence == FenceSide::Low ? made.at : rest;
    Piece low = piece;
    Piece high = piece;
    low.made = high.made = static_cast<int>(out_.cuts.size());
    (rip ? low.dy : low.dx) = made.at;
    (rip ? low.farY : low.farX) = Length{};
    if (rip) high.nearRough = false;
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

  // Cuts `width` off the low edge, blade included.
  Piece cutOff(const Piece& piece, CutDirection direction, Length width) {
    return cut(piece, direction, width - request_.kerf, For::High).second;
  }

  // Cleans the low edge: so much comes off, blade included.
  Piece trimOff(const Piece& piece, CutDirection direction, Length width) {
    return cut(piece, direction, width - request_.kerf, For::Trim).second;
  }

  // Cleans the high edge. Where the tree takes all there is the cut gives its last size.
  Piece trimFar(const Piece& piece, CutDirection direction, Length tree) {
    const Length left = (isRip(direction) ? piece.dy : piece.dx) - stock_.trim;
    return cut(piece, direction, left, left == tree ? For::Low : For::FarTrim).first;
  }

  // Whether something worth keeping is left beside the tree; then all four edges are trimmed first.
  bool gathers(const Piece& whole) const {
    const Length dx = whole.dx - stock_.trim - stock_.trim;
    const Length dy = whole.dy - stock_.trim;
    return keepable(dx, dy - sheet_.tree.dy - request_.kerf) ||
           keepable(dx - sheet_.tree.dx - request_.kerf, dy);
  }

  bool keepable(Length a, Length b) const {
    return std::max(a, b) >= request_.keepLong && std::min(a, b) >= request_.keepShort;
  }

  void keep(const Piece& piece) {
    // A thin blade leaves something of what must stay free to what lies beside it.
    for (const Defect& defect : stock_.defects)
      if (defect.meets(piece.x, piece.y, piece.dx, piece.dy)) return;
    if (piece.dx > Length{} && piece.dy > Length{} && keepable(piece.dx, piece.dy) &&
        piece.farX == Length{} && piece.farY == Length{}) {
      out_.leftovers.push_back({"", piece.x, piece.y, piece.dx, piece.dy});
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
      auto [low, high] =
          cut(piece, cross ? CutDirection::Cross : CutDirection::Rip, cross ? tree.dx : tree.dy);
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

Takedown takeDown(const NestRequest& request, const SizeCount& sizes, PlannedSheet& sheet) {
  return SheetCutter(request, sizes, sheet).run();
}

}  // namespace pp::saw
