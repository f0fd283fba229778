// The saws of a shop and what one person can handle. Values; part of a job.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/job/id.h"
#include "core/length/length.h"

namespace pp {

enum class SawKind {
  Track,     // guided over a sheet that lies still: breaks large pieces down
  Table,     // the piece is fed along a fence
  Crosscut,  // sled or mitre saw: the piece lies still against a stop
};

struct Machine {
  std::string name;  // unique in the shop
  SawKind kind = SawKind::Table;
  std::optional<Length> kerf;  // none: the job's
  Length longestCut;  // Track: its rail; Crosscut: the widest piece; 0: no limit. Table: unused
  Length reach;  // Table: widest rip at the fence; Crosscut: longest piece at the stop; 0: no limit
  Length longestPiece;  // Table: the longest piece fed through; 0: no limit
  bool tilts = true;    // to 45 degrees
  Id id = 0;
  bool operator==(const Machine&) const = default;
};

// How the first clean edge along a sheet comes to be.
enum class Cleaning {
  Trim,     // the factory edge is cut off the whole sheet
  CutOver,  // the first strip is cut wide, turned round, and its factory edge cut off to size
};

struct Shop {
  std::vector<Machine> machines = {
      {"track saw", SawKind::Track, {}, {}, {}, {}, true},
      {"table saw", SawKind::Table, {}, {}, Length::mm(1'270), Length::mm(2'500), true},
      {"crosscut sled", SawKind::Crosscut, {}, Length::mm(650), Length::mm(1'500), {}, true}};
  std::int64_t carryGrams = 20'000;        // the heaviest piece one person handles
  Length carryLength = Length::mm(1'500);  // and the longest
  Cleaning cleaning = Cleaning::Trim;
  Length planerWidth;  // the widest that its planer takes; 0: it has none
  bool operator==(const Shop&) const = default;
};

}  // namespace pp
