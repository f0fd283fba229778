#include "core/site/site.h"

#include <algorithm>

namespace pp {
namespace {

// The wall at the left leans; an open end stands plumb.
struct Leaning {
  Lean lean;
  bool confirmed = true;
};

Leaning leftOf(const Site& site, Unit unit) {
  Leaning out;
  if (!hasWall(site.kind, WallAt::Left)) return out;
  for (const SiteSize& size : site.sizes) {
    if (size.kind != SizeKind::Plumb || size.wall != WallAt::Left || size.at <= Length{}) continue;
    const Judged read = judge(size.read, useOf(size.kind), unit);
    if (!read.size) continue;
    out.lean = {*read.size, size.at};
    out.confirmed = read.confirmed;
    return out;
  }
  out.confirmed = false;  // nobody held a level to it
  return out;
}

}  // namespace

std::vector<WallAt> wallsOf(SiteKind kind) {
  using enum WallAt;
  switch (kind) {
    case SiteKind::Free:
    case SiteKind::Around:
      return {};
    case SiteKind::Wall:
      return {Back};
    case SiteKind::LeftCorner:
      return {Left, Back};
    case SiteKind::RightCorner:
      return {Back, Right};
    case SiteKind::Alcove:
    case SiteKind::Nook:
      return {Left, Back, Right};
  }
  return {};
}

bool hasWall(SiteKind kind, WallAt wall) {
  const std::vector<WallAt> walls = wallsOf(kind);
  return std::find(walls.begin(), walls.end(), wall) != walls.end();
}

std::vector<SiteSize> sizesToRead(SiteKind kind, Unit unit) {
  const bool inches = unit == Unit::Inch;
  const auto up = [inches](int in, int mm) { return inches ? Length::in(in) : Length::mm(mm); };
  const Length low = up(4, 100);
  const Length middle = up(40, 1'000);
  const Length high = up(80, 2'000);
  std::vector<SiteSize> out;
  if (!hasWall(kind, WallAt::Back)) return out;
  for (const Length at : {low, middle, high})
    out.push_back({SizeKind::Width, WallAt::Back, at, {}});
  out.push_back({SizeKind::Height, WallAt::Back, {}, {}});
  for (const WallAt side : {WallAt::Left, WallAt::Right}) {
    if (!hasWall(kind, side)) continue;
    out.push_back({SizeKind::Depth, side, middle, {}});
    out.push_back({SizeKind::Plumb, side, high, {}});
  }
  out.push_back({SizeKind::Level, WallAt::Back, {}, {}});
  if (kind == SiteKind::Nook || kind == SiteKind::Alcove)
    for (const WallAt side : {WallAt::Left, WallAt::Right})
      out.push_back({SizeKind::Diagonal, side, {}, {}});
  return out;
}

bool isOf(SiteKind kind, const SiteSize& size) {
  if (!hasWall(kind, WallAt::Back)) return false;
  switch (size.kind) {
    case SizeKind::Width:
    case SizeKind::Height:
    case SizeKind::Level:
      return size.wall == WallAt::Back;
    case SizeKind::Depth:
    case SizeKind::Plumb:
      return size.wall != WallAt::Back && hasWall(kind, size.wall);
    case SizeKind::Diagonal:
      return size.wall != WallAt::Back && hasWall(kind, WallAt::Left) &&
             hasWall(kind, WallAt::Right);
  }
  return false;
}

bool isSigned(SizeKind kind) {
  return kind == SizeKind::Plumb || kind == SizeKind::Level;
}

ReadFor useOf(SizeKind kind) {
  return isSigned(kind) ? ReadFor::Off : ReadFor::Space;
}

SiteWall wallAt(const Site& site, WallAt wall) {
  for (const SiteWall& one : site.walls)
    if (one.at == wall) return one;
  SiteWall out;
  out.at = wall;
  return out;
}

Length usualAllowance(Unit unit) {
  return usual(unit, Length::mm(10), Length::in(0, 3, 8));
}

std::optional<Length> largestRead(const Site& site, SizeKind kind, WallAt wall, Unit unit) {
  std::optional<Length> out;
  for (const SiteSize& size : site.sizes) {
    if (size.kind != kind || size.wall != wall) continue;
    const auto read = judge(size.read, useOf(kind), unit).size;
    if (read && (!out || *read > *out)) out = read;
  }
  return out;
}

std::optional<Length> wallLength(const Site& site, WallAt wall, Unit unit) {
  return largestRead(site, wall == WallAt::Back ? SizeKind::Width : SizeKind::Depth, wall, unit);
}

std::optional<SiteWidth> widthFor(const Site& site, Unit unit, Length foot, Length top) {
  std::vector<WidthAt> widths;
  const Leaning left = leftOf(site, unit);
  SiteWidth out;
  out.confirmed = left.confirmed;
  for (const SiteSize& size : site.sizes) {
    if (size.kind != SizeKind::Width) continue;
    const Judged read = judge(size.read, ReadFor::Space, unit);
    if (!read.size) continue;
    widths.push_back({size.at, *read.size});
    out.confirmed = out.confirmed && read.confirmed;
  }
  if (widths.empty()) return std::nullopt;
  Length allowances;
  for (const WallAt side : {WallAt::Left, WallAt::Right})
    if (hasWall(site.kind, side))
      allowances += wallAt(site, side).allowance.value_or(usualAllowance(unit));
  out.width = freeWidth(std::move(widths), left.lean, foot, top, allowances);
  if (out.width.built <= Length{}) return std::nullopt;
  return out;
}

std::optional<Length> outOfSquare(const Site& site, Unit unit) {
  const auto left = largestRead(site, SizeKind::Diagonal, WallAt::Left, unit);
  const auto right = largestRead(site, SizeKind::Diagonal, WallAt::Right, unit);
  if (!left || !right) return std::nullopt;
  return std::max(*left, *right) - std::min(*left, *right);
}

}  // namespace pp
