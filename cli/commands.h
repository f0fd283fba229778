// The subcommands of plainpatch-cli: what each is told, and how it ended. main.cpp reads the words.
#pragma once

#include <cstdint>
#include <optional>
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
// Says why something could not be written, or that it is and may not last; returns kInternal where
// it is, and for a device or a pipe, where nothing was wrong with what was asked, else kRefused.
int notWritten(const Problem& problem);
// Why the job of that file cannot be built, assembly by assembly; nothing where it can.
Problems troublesIn(const std::string& file, const Breakdown& breakdown);
// Whether all that was said on standard output has arrived there.
bool saidAll();

struct BreakdownOptions {
  std::string job, parts, stock, banding, lumber, machining, edges, bought, hardware, finishes;
};

struct NestOptions {
  std::string parts, stock, banding, kerf, trim = "0mm", unit, goal = "cost", out;
  double seconds = 5;
  std::int64_t steps = -1;
  std::uint64_t seed = 1;
};

struct LabelsOptions {
  std::string job, out, paper;
  int columns = 0;
  int rows = 0;
};

struct PictureOptions {
  std::string job, assembly, out;
  std::optional<double> turn, tilt;  // degrees; as the window has it where it is not said
  bool apart = false;
  int width = 640;
  int height = 420;
};

struct BenchOptions {
  std::string job, out;
};

struct PagesOptions {
  std::string job, pages, out, paper;
  std::int64_t steps = 2'000;  // of the search, where a page needs a plan
};

struct LookOptions {
  std::string job;
  bool json = false;
};

struct FloorOptions {
  std::string job;
  bool json = false;
};

struct StoreOptions {
  std::string store, words, file, out;
  std::string kind = "sheet", material, thickness, length, width, lot, place, note, price = "0";
  std::int64_t count = 1;
  bool tagged = false;
};

int run(const BreakdownOptions& options);
int run(const NestOptions& options);
int run(const LabelsOptions& options);
int run(const PictureOptions& options);  // an assembly in space, PNG
int run(const BenchOptions& options);    // joints, steps, loads, JSON
int run(const PagesOptions& options);    // what can be printed, PDF
int run(const LookOptions& options);     // the second look
int run(const FloorOptions& options);    // what is at the saw
// What the shop owns.
int runList(const StoreOptions& options);
int runAdd(const StoreOptions& options);
int runImport(const StoreOptions& options);
int runExport(const StoreOptions& options);
int runCheck(const StoreOptions& options);

}  // namespace pp::cli
