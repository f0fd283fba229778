#include "core/nest/search/glue.h"

#include <algorithm>
#include <cmath>
#include <tuple>

namespace pp::nest {
namespace {

constexpr double kExact = 0.002;  // of the area may be missing
constexpr std::size_t kMostBlocks = 400;

}  // namespace

bool Glue::isWorthTrying(const Group& group) {
  if (group.stock.size() != 1 || group.stock.front().alwaysThere() ||
      group.stock.front().partings != nullptr)
    return false;
  double area = 0;
  std::int64_t copies = 0;
  for (const Block& block : group.blocks) {
    area += static_cast<double>(block.copies) * block.area;
    copies += block.copies;
  }
  const double sheets = area / group.stock.front().area;
  return copies > 1 && copies <= static_cast<std::int64_t>(kMostBlocks) &&
         std::abs(sheets - std::round(sheets)) < kExact * sheets;
}

Glue::Glue(const Group& group, std::uint64_t seed) : group_(group), random_(seed) {
  const SheetGrain grain = group.stock.front().grain;
  for (std::size_t b = 0; b < group.blocks.size(); ++b) {
    const Block& block = group.blocks[b];
    Piece piece;
    piece.block = static_cast<int>(b);
    for (std::size_t l = 0; l < block.lies.size(); ++l) {
      const Lie& lie = block.lies[l];
      if (!lie.allowedOn(grain)) continue;
      if (piece.lie < 0) {
        piece.lie = static_cast<int>(l);
        piece.w = lie.w;
        piece.h = lie.h;
      } else if (lie.w == piece.h && lie.h == piece.w) {
        piece.turns = true;
      }
    }
    for (std::int64_t k = 0; k < block.copies; ++k) leaves_.push_back(piece);
  }
}

// All ways to glue two open pieces side by side along x (or, both turned, along y). A pair is the
// likelier to be right the fewer others share its side, and if the sum is a side again.
void Glue::pairs(std::vector<Pair>& out) const {
  const StockKindRow& sheet = group_.stock.front();
  struct Side {
    Nm side, along;
    int piece;
    bool turned;
  };
  std::vector<Side> sides;
  std::vector<Nm> lengths = {sheet.w, sheet.h};
  for (const int i : open_) {
    const Piece& piece = pieces_[static_cast<std::size_t>(i)];
    if (piece.w == sheet.w && piece.h == sheet.h) continue;
    sides.push_back({piece.h, piece.w, i, false});
    sides.push_back({piece.w, piece.h, i, true});
    lengths.push_back(piece.w);
    lengths.push_back(piece.h);
  }
  std::sort(lengths.begin(), lengths.end());
  std::sort(sides.begin(), sides.end(), [](const Side& a, const Side& b) {
    return std::tie(a.side, a.piece, a.turned) < std::tie(b.side, b.piece, b.turned);
  });
  for (std::size_t i = 0; i < sides.size();) {
    std::size_t end = i;
    while (end < sides.size() && sides[end].side == sides[i].side) ++end;
    for (std::size_t p = i; p < end; ++p)
      for (std::size_t q = p + 1; q < end; ++q) {
        const Piece& a = pieces_[static_cast<std::size_t>(sides[p].piece)];
        const Piece& b = pieces_[static_cast<std::size_t>(sides[q].piece)];
        // Pieces that do not turn are glued along x as they lie, or along y as if both were turned.
        const bool mixed = sides[p].turned != sides[q].turned;
        if (sides[p].piece == sides[q].piece || (mixed && !a.turns && !b.turns)) continue;
        const Nm sum = sides[p].along + sides[q].along;
        const bool fits = (sides[p].side <= sheet.h && sum <= sheet.w) ||
                          (sides[p].side <= sheet.w && sum <= sheet.h);
        if (!fits) continue;
        const bool again = std::binary_search(lengths.begin(), lengths.end(), sum);
        out.push_back({sides[p].piece, sides[q].piece, sides[p].turned, sides[q].turned,
                       (again ? 2 : 0) + (end - i == 2 ? 1 : 0)});
      }
    i = end;
  }
}

bool Glue::attempt() {
  pieces_ = leaves_;
  open_.clear();
  for (std::size_t i = 0; i < leaves_.size(); ++i) open_.push_back(static_cast<int>(i));
  const StockKindRow& sheet = group_.stock.front();
  std::vector<Pair> found;
  for (;;) {
    found.clear();
    pairs(found);
    if (found.empty()) break;
    // Mostly one of the likeliest, now and then any.
    if (random_.below(16) != 0) {
      const int best =
          std::max_element(found.begin(), found.end(), [](const Pair& a, const Pair& b) {
            return a.score < b.score;
          })->score;
      std::erase_if(found, [best](const Pair& pair) { return pair.score < best; });
    }
    const Pair& pair = found[random_.below(found.size())];
    const Piece& a = pieces_[static_cast<std::size_t>(pair.a)];
    const Piece& b = pieces_[static_cast<std::size_t>(pair.b)];
    Piece glued;
    glued.a = pair.a;
    glued.b = pair.b;
    glued.turnA = pair.turnA;
    glued.turnB = pair.turnB;
    glued.w = (pair.turnA ? a.h : a.w) + (pair.turnB ? b.h : b.w);
    glued.h = pair.turnA ? a.w : a.h;
    // A piece glued of two that do not turn lies as they do: where both were named turned, it is
    // the glued one that has to be.
    glued.turns = a.turns && b.turns;
    if (!glued.turns) {
      const bool asTurned = !a.turns ? pair.turnA : pair.turnB;
      if (asTurned) {
        std::swap(glued.w, glued.h);
        glued.turnA = !glued.turnA;
        glued.turnB = !glued.turnB;
        glued.lie = 1;  // along y
      }
    }
    const int index = static_cast<int>(pieces_.size());
    std::erase(open_, glued.a);
    std::erase(open_, glued.b);
    pieces_.push_back(glued);
    open_.push_back(index);
  }
  return std::all_of(open_.begin(), open_.end(), [&](int i) {
    const Piece& piece = pieces_[static_cast<std::size_t>(i)];
    return (piece.w == sheet.w && piece.h == sheet.h) ||
           (piece.turns && piece.w == sheet.h && piece.h == sheet.w);
  });
}

void Glue::lay(int index, bool turned, Nm x, Nm y, std::vector<Laid>& out) const {
  const Piece& piece = pieces_[static_cast<std::size_t>(index)];
  const Nm w = turned ? piece.h : piece.w;
  const Nm h = turned ? piece.w : piece.h;
  if (piece.a < 0) {
    const Block& block = group_.blocks[static_cast<std::size_t>(piece.block)];
    Laid one{piece.block, piece.lie, x, y, x + w, y + h, w, h};
    for (std::size_t l = 0; l < block.lies.size(); ++l)
      if (block.lies[l].w == w && block.lies[l].h == h &&
          block.lies[l].allowedOn(group_.stock.front().grain))
        one.lie = static_cast<int>(l);
    out.push_back(one);
    return;
  }
  const bool alongX = (piece.lie != 1) != turned;
  const bool turnA = piece.turnA != turned;
  const Piece& a = pieces_[static_cast<std::size_t>(piece.a)];
  lay(piece.a, turnA, x, y, out);
  const Nm aw = turnA ? a.h : a.w;
  const Nm ah = turnA ? a.w : a.h;
  lay(piece.b, piece.turnB != turned, alongX ? x + aw : x, alongX ? y : y + ah, out);
}

std::optional<Arrangement> Glue::run(std::int64_t tries, const std::function<bool()>& stop) {
  const StockKindRow& sheet = group_.stock.front();
  for (std::int64_t i = 0; i < tries && !stop(); ++i) {
    if (!attempt() || static_cast<std::int64_t>(open_.size()) > sheet.available) continue;
    Arrangement out;
    bool good = true;
    for (const int index : open_) {
      const Piece& piece = pieces_[static_cast<std::size_t>(index)];
      std::vector<Laid> laid;
      lay(index, piece.w != sheet.w, 0, 0, laid);
      out.sheets.push_back(emptySheet(group_, 0));
      good = good && out.sheets.back().arrange(laid);
    }
    if (good) return out;
  }
  return std::nullopt;
}

}  // namespace pp::nest
