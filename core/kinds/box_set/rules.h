// Drawer boxes, trays and pull-outs by themselves.
#pragma once

#include "core/job/check.h"
#include "core/kinds/carcass/drawer.h"
#include "core/kinds/common/made.h"

namespace pp {

struct PlainMaterials;

// The outer sizes, of measured thickness: where those inside are typed, sides, front and back, and
// what lies below the upper face of the bottom come to them.
DrawerBox boxOf(const PartBuilder& builder, const BoxSet& set);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const BoxSet& of);
std::int64_t mostPieces(const Job& job, const BoxSet& of);
void check(Check& to, const std::string& at, const BoxSet& of);
void begin(const Job& job, const PlainMaterials& materials, BoxSet& out);
BoxSet mirrored(const BoxSet& of);
void fields(Archive& archive, BoxSet& of);
void make(const PartBuilder& builder, const BoxSet& of, Made& out);

}  // namespace pp
