// What is asked of a carcass as a whole.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

void check(Check& to, const std::string& at, const Baseboard& of);
void check(Check& to, const std::string& at, const Stand& of);
void check(Check& to, const std::string& at, const FaceFrame& of);
void check(Check& to, const std::string& at, const DrawerRules& of);
std::int64_t mostPieces(const Stand& stand, Length width);
// Of what stands in an opening and in those inside it; they are added to `openings`.
std::int64_t mostPieces(const Opening& opening, std::int64_t& openings);
// Members of a face frame in the opening.
std::int64_t mostMembers(const Opening& opening);
// Pin holes for adjustable shelves, as an upper limit.
std::int64_t mostPinHoles(const Carcass& carcass);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const Carcass& of);
std::int64_t mostPieces(const Job& job, const Carcass& of);
void check(Check& to, const std::string& at, const Carcass& of);
void begin(const Job& job, const PlainMaterials& materials, Carcass& out);
void fields(Archive& archive, Carcass& of);
void make(const PartBuilder& builder, const Carcass& of, Made& out);

}  // namespace pp
