// The kinds of assembly: one table, one row a kind. What a row must say is found by its type, so a
// kind that leaves something out does not compile. For every kind T, in its room `kinds/<kind>`:
//   Length widthOf(const Job&, const T&)                     what the tape starts from
//   std::int64_t mostPieces(const Job&, const T&)            see pieces.h
//   void check(Check&, const std::string& at, const T&)      as data; `at` is where it stands
//   void begin(const Job&, const PlainMaterials&, T&)        a new one, ready to be changed
//   T mirrored(const T&)                                     the same with left and right changed
//   void fields(Archive&, T&)                                how it stands in a file
//   void make(const Maker&, const T&, Made&)                 its parts, in its own coordinates:
//                                  x from the left, y from the front, z from the foot
#pragma once

#include <array>

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/kinds/common/plain.h"
#include "core/parts/part_builder.h"

namespace pp {

// Which side shows what the kind is.
enum class SeenFrom { Front, Above };

// What of it is carried to where it will stand.
enum class CarriedAs {
  Whole,
  Case,      // what is glued in the shop, its loose pieces and its base by themselves
  Row,       // base and top; its members are assemblies of their own
  Top,       // sheet by sheet
  Base,      // section by section
  Boards,    // each by itself
  Boxes,     // each by itself, and they stand in nothing
  Bench,     // section by section, as its lids part it
  Platform,  // box by box
};

// How it comes to where it stands; every kind says it.
struct Installing {
  CarriedAs carried;
  bool hung;  // on a wall, whatever is under it
};

struct Kind {
  const char* field;  // the field of an assembly that holds it in a job's file
  const char* name;   // as it is said
  char letter;        // begins the codes of new ones
  SeenFrom seen;
  Installing installing;
  Length (*width)(const Job&, const AssemblyBody&);
  std::int64_t (*pieces)(const Job&, const AssemblyBody&);
  void (*check)(Check&, const std::string& at, const AssemblyBody&);
  AssemblyBody (*none)();  // one that says nothing yet
  AssemblyBody (*plain)(const Job&, const PlainMaterials&);
  AssemblyBody (*mirrored)(const AssemblyBody&);
  void (*fields)(Archive&, AssemblyBody&);
  void (*make)(const PartBuilder&, const AssemblyBody&, Made&);
};

using Kinds = std::array<Kind, std::variant_size_v<AssemblyBody>>;
const Kinds& kinds();  // in the variant's order
const Kind& kindOf(const Assembly& assembly);

// The outer width of an assembly, of a group the sum of its members', for the tape.
Length widthOf(const Job& job, const Assembly& assembly);

// A new assembly of a kind, of what the rack has, without code and ids.
Assembly plainAssembly(const Job& job, const Kind& kind);

}  // namespace pp
