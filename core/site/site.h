// The place a thing is built into as it was measured: its walls, what stands at their feet and on
// them, and the sizes read. Values; part of a job.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/site/reading.h"
#include "core/site/width.h"

namespace pp {

// Seen from the room with the back towards the wall behind.
enum class SiteKind {
  Free,         // stands by itself
  Wall,         // against one wall
  Alcove,       // between two walls
  LeftCorner,   // a wall behind and one on its left
  RightCorner,  // and one on its right
  Nook,         // against three walls
  Around        // round a machine, a pipe or a post
};

enum class WallAt { Back, Left, Right };

struct SiteWall {
  WallAt at = WallAt::Back;
  Length mouldingThickness, mouldingHeight;  // of the baseboard at its foot; 0: none
  std::optional<Length> allowance;  // kept clear between it and what is built; none: the usual
  std::string madeOf;
  Length firstStud, studPitch;  // from the wall's left end, middle to middle; pitch 0: not found
  bool operator==(const SiteWall&) const = default;
};

enum class SizeKind {
  Width,    // of the wall behind, `at` so high
  Depth,    // of the wall at a side, how far it comes forward, `at` so high
  Height,   // floor to ceiling, `at` so far along the wall behind from its left end
  Plumb,    // how far the top of the wall at a side stands further right than its foot, over `at`
  Level,    // how much higher the floor is at the right end
  Diagonal  // of the floor, from the foot of the corner at a side to the front of the other
};

struct SiteSize {
  SizeKind kind = SizeKind::Width;
  WallAt wall = WallAt::Back;  // Depth, Plumb, Diagonal: Left or Right; else Back
  Length at;
  SizeRead read;
  bool operator==(const SiteSize&) const = default;
};

enum class ObstacleKind {
  Outlet,
  Switch,
  Pipe,
  Vent,
  Valve,
  Window,
  Door,   // and where its leaf swings
  Hatch,  // to be kept free
  Foot,   // of a machine, on the floor
  Step    // of the floor
};

struct Obstacle {
  std::int64_t id = 0;  // what is cut out for it is known by that
  ObstacleKind kind = ObstacleKind::Outlet;
  std::string name;            // as the maker calls it, or empty
  std::optional<WallAt> wall;  // none: on the floor
  // Its low corner: from the wall's left end, seen facing it, and from the floor; on the floor,
  // from the left end of the wall behind and from that wall.
  Length along, up;
  Length width, height;  // > 0
  Length out;            // how far it stands out of the wall or swings; on the floor, how high
  bool operator==(const Obstacle&) const = default;
};

// Where an assembly stands.
struct SiteStand {
  std::int64_t assembly = 0;  // its id
  WallAt wall = WallAt::Back;
  Length along, up;    // from the wall's left end, from the floor
  bool fills = false;  // it is as wide as the wall behind leaves; its `along` follows
  bool operator==(const SiteStand&) const = default;
};

struct Site {
  SiteKind kind = SiteKind::Free;
  std::vector<SiteWall> walls;  // at most one a place; one left out has nothing said of it
  std::vector<SiteSize> sizes;
  std::vector<Obstacle> obstacles;
  std::vector<SiteStand> stands;  // at most one an assembly
  bool operator==(const Site&) const = default;
};

// The walls of a kind, left to right.
std::vector<WallAt> wallsOf(SiteKind kind);
bool hasWall(SiteKind kind, WallAt wall);
// What a tape is laid to in a place of that kind, in the order it goes round, not read yet.
std::vector<SiteSize> sizesToRead(SiteKind kind, Unit unit);
// Whether a size is one that a place of that kind has.
bool isOf(SiteKind kind, const SiteSize& size);
// Whether its readings may be 0 or less.
bool isSigned(SizeKind kind);
ReadFor useOf(SizeKind kind);

// What is said of that wall; nothing said where the place has no row for it.
SiteWall wallAt(const Site& site, WallAt wall);
Length usualAllowance(Unit unit);

// The largest that was read of a size; none: nothing was.
std::optional<Length> largestRead(const Site& site, SizeKind kind, WallAt wall, Unit unit);
// How long a wall is.
std::optional<Length> wallLength(const Site& site, WallAt wall, Unit unit);

struct SiteWidth {
  FreeWidth width;
  bool confirmed = false;  // every reading it follows from was read twice alike
};

// The width of the wall behind for what stands from `foot` to `top`, less the allowances of the
// walls at its sides. None where no width was read, or nothing of it would be left.
std::optional<SiteWidth> widthFor(const Site& site, Unit unit, Length foot, Length top);

// How far the place is out of square: the difference of its diagonals. None unless both were read.
std::optional<Length> outOfSquare(const Site& site, Unit unit);

}  // namespace pp
