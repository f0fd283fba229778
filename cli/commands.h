// The subcommands of plainpatch-cli. Each adds itself to the parser and says how it ended.
#pragma once

#include <CLI/CLI.hpp>
#include <string>

#include "core/breakdown/breakdown.h"
#include "core/result/result.h"

namespace pp::cli {

// Exit statuses, as docs/formats.md gives them.
inline constexpr int kComplete = 0;
inline constexpr int kInternal = 1;
inline constexpr int kRefused = 2;
inline constexpr int kPartial = 3;
inline constexpr int kStopFound = 4;

// Says what is wrong on standard error; returns kRefused.
int refuse(const Problems& problems);
// Says why something could not be written; returns kInternal for a device or a pipe, where nothing
// was wrong with what was asked, else kRefused.
int notWritten(const Problem& problem);
// Why the job of that file cannot be built, assembly by assembly; nothing where it can.
Problems troublesIn(const std::string& file, const Breakdown& breakdown);
// Whether all that was said on standard output has arrived there.
bool saidAll();

void addBreakdown(CLI::App& app, int& status);
void addNest(CLI::App& app, int& status);
void addLabels(CLI::App& app, int& status);
void addPicture(CLI::App& app, int& status);  // an assembly in space, PNG
void addLook(CLI::App& app, int& status);     // the second look
void addStore(CLI::App& app, int& status);    // what the shop owns

}  // namespace pp::cli
