// Words that several kinds of assembly have in a job's file.
#pragma once

#include "core/designs/boards.h"
#include "core/designs/carcass.h"
#include "core/result/choices.h"

namespace pp {

inline constexpr Choice<Joint> kJoints[] = {
    {"butt", Joint::Butt},     {"dado", Joint::Dado},
    {"pocket", Joint::Pocket}, {"loose tenon", Joint::LooseTenon},
    {"dowel", Joint::Dowel},   {"brads", Joint::Brads}};
inline constexpr Choice<Finish> kFinishes[] = {{"none", Finish::None},
                                               {"clear", Finish::Clear},
                                               {"painted", Finish::Painted},
                                               {"stained", Finish::Stained}};
inline constexpr Choice<BoardGrain> kBoardGrains[] = {
    {"length", BoardGrain::Length}, {"width", BoardGrain::Width}, {"any", BoardGrain::Any}};

inline constexpr Choice<LidHinge> kLidHinges[] = {
    {"cups", LidHinge::Cups}, {"butt", LidHinge::Butt}, {"continuous", LidHinge::Continuous}};

inline constexpr Choice<BoardEdge> kBoardEdges[] = {{"long 1", BoardEdge::Long1},
                                                    {"long 2", BoardEdge::Long2},
                                                    {"short 1", BoardEdge::Short1},
                                                    {"short 2", BoardEdge::Short2}};

inline constexpr Choice<BoardWay> kBoardWays[] = {
    {"right", BoardWay::Right}, {"left", BoardWay::Left}, {"back", BoardWay::Back},
    {"front", BoardWay::Front}, {"up", BoardWay::Up},     {"down", BoardWay::Down}};

inline constexpr Choice<Face> kFaces[] = {{"inside", Face::Inside}, {"outside", Face::Outside}};

inline constexpr Choice<PanelGrain> kPanelGrains[] = {{"upright", PanelGrain::Upright},
                                                      {"across", PanelGrain::Across},
                                                      {"either", PanelGrain::Either}};

inline constexpr Choice<FrontStyle> kFrontStyles[] = {{"slab", FrontStyle::Slab},
                                                      {"grooved frame", FrontStyle::GroovedFrame},
                                                      {"lapped frame", FrontStyle::LappedFrame}};

inline constexpr Choice<FrontsCut> kFrontsCuts[] = {
    {"apart", FrontsCut::Apart}, {"run", FrontsCut::Run}, {"one board", FrontsCut::OneBoard}};

inline constexpr Choice<BankKind> kBankKinds[] = {
    {"drawers", BankKind::Drawers}, {"trays", BankKind::Trays}, {"platforms", BankKind::Platforms}};

}  // namespace pp
