// How saws, materials, stock and labels stand in a job's file: every field once, for reading and
// writing.
#pragma once

#include "core/job/job.h"
#include "core/result/choices.h"

namespace pp {

class Archive;

inline constexpr Choice<Goal> kGoals[] = {
    {"cost", Goal::Cost}, {"offcuts", Goal::Offcuts}, {"setups", Goal::Setups}};

inline constexpr Choice<SheetGrain> kSheetGrains[] = {
    {"length", SheetGrain::Length}, {"width", SheetGrain::Width}, {"none", SheetGrain::None}};

inline constexpr Choice<Tone> kTones[] = {{"birch", Tone::Birch},
                                          {"ash", Tone::Ash},
                                          {"oak", Tone::Oak},
                                          {"walnut", Tone::Walnut},
                                          {"white", Tone::White}};

inline constexpr Choice<StockKind> kStockKinds[] = {{"sheet", StockKind::Sheet},
                                                    {"offcut", StockKind::Offcut}};

void fields(Archive& a, SawRules& v);
void fields(Archive& a, Shop& v);
void fields(Archive& a, LabelSheet& v);
void fields(Archive& a, Material& v);
void fields(Archive& a, Banding& v);
void fields(Archive& a, Defect& v);
void fields(Archive& a, StockPiece& v);
void fields(Archive& a, Slide& v);
void fields(Archive& a, BoughtIn& v);

}  // namespace pp
