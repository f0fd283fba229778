// How what the shop owns stands in the store's tables and in its exported text: every field once,
// for both.
#pragma once

#include "core/result/choices.h"
#include "core/shop/rows.h"

namespace pp {

class Archive;

inline constexpr Choice<HardwareKind> kHardwareKinds[] = {
    {"slide", HardwareKind::Slide},   {"hinge", HardwareKind::Hinge},
    {"screw", HardwareKind::Screw},   {"pin", HardwareKind::Pin},
    {"caster", HardwareKind::Caster}, {"pull", HardwareKind::Pull},
    {"insert", HardwareKind::Insert}, {"glue", HardwareKind::Glue},
    {"other", HardwareKind::Other}};

void fields(Archive& a, RackMaterial& v);
void fields(Archive& a, RackPiece& v);
void fields(Archive& a, LotReading& v);
void fields(Archive& a, RackBanding& v);
void fields(Archive& a, Hardware& v);
void fields(Archive& a, ShopFinish& v);

}  // namespace pp
