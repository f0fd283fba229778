// The saws of a shop and what one person can handle. Values; part of a job.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/designs/id.h"
#include "core/job/tools.h"
#include "core/length/length.h"

namespace pp {

enum class SawKind {
  Track,     // guided over a sheet that lies still: breaks large pieces down
  Table,     // the piece is fed along a fence
  Crosscut,  // sled or mitre saw: the piece lies still against a stop
  Circular,  // by hand along a line: only parts pieces roughly
};

// Which way the good face lies, so that the teeth leave it clean.
enum class GoodFace {
  Usual,  // up at the table saw, the sled and the mitre saw, down under a track or circular saw
  Up,
  Down
};

struct Machine {
  std::string name;  // unique in the shop
  SawKind kind = SawKind::Table;
  std::optional<Length> kerf;  // none: the job's
  Length longestCut;  // Track, Circular: its rail; Crosscut: the widest piece; 0: no limit. Table:
                      // unused
  Length reach;  // Table: widest rip at the fence; Crosscut: longest piece at the stop; 0: no limit
  Length longestPiece;  // Table: the longest piece fed through; 0: no limit
  bool tilts = true;    // to 45 degrees
  Id id = 0;
  GoodFace goodFace = GoodFace::Usual;
  bool operator==(const Machine&) const = default;

  bool goodFaceUp() const {
    if (goodFace != GoodFace::Usual) return goodFace == GoodFace::Up;
    return kind == SawKind::Table || kind == SawKind::Crosscut;
  }
};

// How the first clean edge along a sheet comes to be.
enum class Cleaning {
  Trim,     // the factory edge is cut off the whole sheet
  CutOver,  // the first strip is cut wide, turned round, and its factory edge cut off to size
};

inline constexpr Length kLeastAllowance = Length::mm(4);

struct Shop {
  std::vector<Machine> machines = {
      {"track saw", SawKind::Track, {}, {}, {}, {}, true},
      {"table saw", SawKind::Table, {}, {}, Length::mm(1'270), Length::mm(2'500), true},
      {"crosscut sled", SawKind::Crosscut, {}, Length::mm(650), Length::mm(1'500), {}, true}};
  std::int64_t carryGrams = 20'000;        // the heaviest piece one person handles
  Length carryLength = Length::mm(1'500);  // and the longest
  // What is no wider than that is handier: it is carried as long as that, if that is longer.
  Length stripWidth = Length::mm(400);
  Length stripLength = Length::mm(2'500);
  Cleaning cleaning = Cleaning::Trim;
  Length planerWidth;  // the widest that its planer takes; 0: it has none
  // Where sheets are parted roughly: so much is reserved round every part for its final edges, at
  // least kLeastAllowance.
  Length allowance = Length::mm(6);
  Length tolerance = Length::um(300);  // of a first piece that is measured, >= 0
  std::int64_t settingSeconds = 90;    // what a setting and a cut take, until clocks have said
  std::int64_t cutSeconds = 45;
  Tools tools;
  bool operator==(const Shop&) const = default;

  // Its sheets are parted by a saw that makes no clean edge.
  bool partsRoughly() const {
    bool circular = false;
    for (const Machine& one : machines) {
      if (one.kind == SawKind::Track) return false;
      circular = circular || one.kind == SawKind::Circular;
    }
    return circular;
  }
};

}  // namespace pp
