// How what other kinds have of a carcass stands in a job's file.
#pragma once

#include "core/designs/carcass.h"

namespace pp {

class Archive;

void fields(Archive& a, Baseboard& v);
void fields(Archive& a, DrawerRules& v);
void fields(Archive& a, FaceFrame& v);
void fields(Archive& a, Opening& v);
void fields(Archive& a, OpeningFronts& v);
void fields(Archive& a, Stand& v);
void fields(Archive& a, Toe& v);

}  // namespace pp
